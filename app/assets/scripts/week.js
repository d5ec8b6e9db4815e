// A visit in the week dragged, or moved by the arrow keys, to another hour or another lane:
// what was moved goes into its form, which is sent.
import { drag } from "./drag.js";

const MINUTES = 30;
const KEYS = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] };

const measures = (week) => JSON.parse(week.dataset.week);

const text = (date) => date.toISOString().slice(0, 16);

// The moment and the lane of a place on the drawing.
function place(week, x, y) {
  const m = measures(week);
  const days = Math.floor((x - m.left) / m.day);
  const hours = m.from + ((x - m.left) / m.day - days) * (m.to - m.from);
  const at = new Date(`${m.first}T00:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  at.setUTCMinutes(Math.round((hours * 60) / MINUTES) * MINUTES);
  const lane = Math.min(Math.max(Math.floor((y - m.top) / m.row), 0), m.lanes.length - 1);
  return [text(at), m.lanes[lane]];
}

function send(block, at, technician) {
  const form = document.getElementById(`move-visit-${block.dataset.visit}`);
  form.elements.at.value = at;
  form.elements.technician.value = technician;
  form.requestSubmit();
}

function take(block, event) {
  const svg = block.ownerSVGElement;
  const scale = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width;
  const { x: left, y: top } = block.querySelector("rect");
  drag(
    block,
    event,
    (x, y) => [x * scale, y * scale],
    (x, y) => send(block, ...place(block.closest("[data-week]"), left.baseVal.value + x, top.baseVal.value + 13 + y)),
  );
}

function step(block, event) {
  const [along, across] = KEYS[event.key] || [];
  if (along === undefined) return;
  event.preventDefault();
  event.stopPropagation();
  const { lanes } = measures(block.closest("[data-week]"));
  const { at, technician } = document.getElementById(`move-visit-${block.dataset.visit}`).elements;
  const time = new Date(`${at.value}:00Z`);
  time.setUTCMinutes(time.getUTCMinutes() + along * MINUTES);
  const lane = Math.min(Math.max(lanes.indexOf(technician.value) + across, 0), lanes.length - 1);
  send(block, text(time), lanes[lane]);
}

export const week = {
  start() {
    const block = (event) => event.target.closest?.("[data-visit]");
    document.addEventListener("pointerdown", (event) => block(event) && take(block(event), event));
    document.addEventListener("keydown", (event) => block(event) && step(block(event), event), true);
  },
};
