// A way's work dragged, or moved by the arrow keys, to another hour: the server reckons it anew.
import { drag } from "./drag.js";

const MINUTES = 30;

// Places across go by a power of the time, as the server draws them.
function hours(list, part) {
  const [power, span] = [Number(list.dataset.power), Number(list.dataset.span)];
  return span * Math.min(Math.max(part, 0), 1) ** (1 / power);
}

// The local time so many hours from the page's now, at a half hour of the clock that is still
// to come, as the field takes it.
function local(list, ahead) {
  const now = Date.parse(`${list.dataset.now}:00Z`);
  const half = MINUTES * 60_000;
  const at = Math.max(Math.round((now + ahead * 3_600_000) / half), Math.ceil(now / half)) * half;
  return new Date(at).toISOString().slice(0, 16);
}

function reckon(block, at) {
  const form = document.querySelector(`[data-slot-form="${CSS.escape(block.dataset.slot)}"]`);
  form.querySelector("[name=at]").value = at;
  form.requestSubmit();
}

function take(block, event) {
  const svg = block.ownerSVGElement;
  const list = block.closest("[data-span]");
  const wide = svg.viewBox.baseVal.width;
  const scale = wide / svg.getBoundingClientRect().width;
  const left = block.querySelector("rect").x.baseVal.value;
  const along = (x) => [x * scale, 0];
  drag(block, event, along, (x) => reckon(block, local(list, hours(list, (left + x) / wide))));
}

function step(block, event) {
  const way = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
  if (!way) return;
  event.preventDefault();
  event.stopPropagation();
  const form = document.querySelector(`[data-slot-form="${CSS.escape(block.dataset.slot)}"]`);
  const at = new Date(`${form.querySelector("[name=at]").value}:00Z`);
  at.setUTCMinutes(at.getUTCMinutes() + way * MINUTES);
  reckon(block, at.toISOString().slice(0, 16));
}

export const slots = {
  start() {
    document.addEventListener("pointerdown", (event) => {
      const block = event.target.closest?.("[data-slot]");
      if (block) take(block, event);
    });
    document.addEventListener(
      "keydown",
      (event) => {
        const block = event.target.closest?.("[data-slot]");
        if (block) step(block, event);
      },
      true,
    );
  },
};
