// What is dragged goes where it is let go, and nowhere when the finger only scrolled.
import assert from "node:assert/strict";
import { beforeEach, test } from "node:test";
import { open } from "./page.js";

let block;
let sent;

// A drawing of 400 units shown 200 px wide; happy-dom lays nothing out.
function drawing(rect) {
  const svg = document.querySelector("svg");
  Object.defineProperty(svg, "viewBox", { value: { baseVal: { width: 400 } } });
  svg.getBoundingClientRect = () => ({ left: 0, width: 200 });
  block = document.querySelector("g");
  Object.defineProperty(block, "ownerSVGElement", { value: svg });
  const [x, y] = rect;
  Object.assign(block, { querySelector: () => ({ x: { baseVal: { value: x } }, y: { baseVal: { value: y } } }) });
}

function point(name, x, y, from = document, pointerId = 1) {
  const event = new Event(name, { bubbles: true, cancelable: true });
  Object.assign(event, { clientX: x, clientY: y, pointerId });
  from.dispatchEvent(event);
  return event;
}

function key(name) {
  const event = new Event("keydown", { bubbles: true, cancelable: true });
  Object.assign(event, { key: name });
  block.dispatchEvent(event);
}

const submitted = (form) => (form.requestSubmit = () => sent.push([...form.elements].map(({ value }) => value)));

beforeEach(() => (sent = []));

async function week() {
  const m = { left: 40, day: 60, from: 7, to: 19, first: "2031-05-05", top: 20, row: 30, lanes: ["11", "12", "13"] };
  open(`<div data-week='${JSON.stringify(m)}'><svg><g data-visit="5"><rect/></g></svg></div>
    <form id="move-visit-5"><input name="at" value="2031-05-06T10:00"><input name="technician" value="12"></form>`);
  drawing([115, 55]);
  submitted(document.querySelector("form"));
  (await import("../../app/assets/scripts/week.js")).week.start();
}

async function slots() {
  open(`<div data-span="48" data-power="1" data-now="2031-05-05T10:10">
      <svg><g data-slot="passhouse||"><rect/></g></svg></div>
    <form data-slot-form="passhouse||"><input name="at" value="2031-05-06T10:00"></form>`);
  globalThis.CSS = { escape: (text) => text.replaceAll("|", "\\|") };
  drawing([100, 10]);
  submitted(document.querySelector("form"));
  (await import("../../app/assets/scripts/slots.js")).slots.start();
}

test("a visit goes to the hour and the lane it is dropped at, in half hours", async () => {
  await week();
  point("pointerdown", 10, 10, block);
  point("pointermove", 40, 25);
  assert.equal(block.getAttribute("transform"), "translate(60 30)");
  point("pointerup", 40, 25);
  assert.deepEqual(sent, [["2031-05-07T10:00", "13"]]);
});

test("a visit moves by the arrow keys, within the day's lanes", async () => {
  await week();
  ["ArrowRight", "ArrowUp"].forEach(key);
  ["ArrowDown", "ArrowDown", "ArrowDown", "Escape"].forEach(key);
  assert.deepEqual(sent, [
    ["2031-05-06T10:30", "12"],
    ["2031-05-06T10:30", "11"],
    ["2031-05-06T10:30", "12"],
    ["2031-05-06T10:30", "13"],
    ["2031-05-06T10:30", "13"],
  ]);
});

test("a finger that scrolls the page moves nothing, then or later", async () => {
  for (const page of [week, slots]) {
    await page();
    point("pointerdown", 10, 10, block);
    point("pointermove", 30, 40);
    point("pointercancel", 30, 60);
    assert.equal(block.getAttribute("transform"), null);
    point("pointermove", 150, 90);
    point("pointerup", 150, 90);
    assert.deepEqual([sent, block.getAttribute("transform")], [[], null]);
  }
});

test("a press that hardly moved, and another finger, move nothing", async () => {
  await week();
  point("pointerdown", 10, 10, block);
  point("pointerup", 90, 90, document, 2);
  point("pointerup", 11, 10);
  assert.deepEqual([sent, block.getAttribute("transform")], [[], null]);
});

test("a way's work goes to the half hour it is dragged to, that is still to come", async () => {
  await slots();
  point("pointerdown", 10, 10, block);
  point("pointerup", 60, 10);
  assert.deepEqual(sent, [["2031-05-06T10:00"]]);
  point("pointerdown", 10, 10, block);
  point("pointerup", -500, 10);
  assert.deepEqual(sent[1], ["2031-05-05T10:30"]);
  point("pointerdown", 10, 10, block);
  point("pointerup", 10, 90);
  assert.equal(sent.length, 2);
  key("ArrowLeft");
  assert.deepEqual(sent[2], ["2031-05-05T10:00"]);
});
