// The hub goes by the reader's own steps, and what is taken is what is looked at.
import assert from "node:assert/strict";
import { test } from "node:test";
import { fitting } from "../../app/assets/scripts/fitting.js";
import { open } from "./page.js";

// A section of 380 units shown 190 px wide, two units a mm.
function section({ units, step, seat = 17.5, take = "Take it" }) {
  open(`<form id="take"><input name="seat_mm"><input name="spacers"><button>Take</button></form>
    <form id="seat"><input name="seat"><input name="spacers_set" value="1"></form>
    <div id="drawing"><div class="fitting-sheet" data-units="${units}" data-step="${step}" data-scale="${2 / 380}"
      data-seat="${seat}" data-spacers="2" data-take="${take}"><svg><g data-fit></g></svg></div></div>`);
  const sheet = document.querySelector(".fitting-sheet");
  Object.defineProperty(sheet.querySelector("svg"), "viewBox", { value: { baseVal: { width: 380 } } });
  Object.defineProperty(sheet, "clientWidth", { value: 190 });
  const one = fitting();
  one.$refs = { seat: document.getElementById("seat"), drawing: document.getElementById("drawing") };
  one.ask = () => {};
  return { one, sheet, seat: () => one.fields().seat.value, spacers: () => one.fields().spacers_set.value };
}

const press = ({ one, sheet }, key) => {
  let prevented = false;
  const event = { key, currentTarget: sheet, preventDefault: () => (prevented = true), stopPropagation: () => {} };
  one.key(event);
  clearTimeout(one.timer);
  return prevented;
};

test("an arrow moves the hub by half a millimetre, or by a sixty-fourth of an inch", () => {
  const metric = section({ units: "si", step: 0.5 });
  ["ArrowRight", "ArrowRight", "ArrowDown"].forEach((key) => press(metric, key));
  assert.equal(metric.seat(), "18.0");
  assert.equal(document.querySelector("[data-fit]").getAttribute("transform"), "translate(1 0)");
  const inches = section({ units: "us", step: 25.4 / 64, seat: 25.4 });
  press(inches, "ArrowUp");
  assert.equal(inches.seat(), "1.016");
});

test("a key pressed while the drawing is on its way goes on from where the hub was put", async (t) => {
  const metric = section({ units: "si", step: 0.5 });
  const { one, seat } = metric;
  one.ask = fitting().ask;
  globalThis.FormData = window.FormData;
  one.$root = { dataset: { drawing: "/drawing" } };
  let arrive;
  t.mock.method(globalThis, "fetch", () => new Promise((done) => (arrive = done)));
  press(metric, "ArrowRight");
  const drawn = one.ask();
  press(metric, "ArrowRight");
  assert.equal(seat(), "18.5");
  const html = document.getElementById("drawing").innerHTML.replace('data-seat="17.5"', 'data-seat="18"');
  arrive(new Response(html, { headers: { "x-fenbo": "yes" } }));
  await drawn;
  const sheet = document.querySelector(".fitting-sheet");
  Object.defineProperty(sheet.querySelector("svg"), "viewBox", { value: { baseVal: { width: 380 } } });
  press({ one, sheet }, "ArrowRight");
  assert.equal(seat(), "19.0");
});

test("Page Up and Page Down add and take spacers, never below none; other keys are the page's", () => {
  const one = section({ units: "si", step: 0.5 });
  ["PageUp", "PageDown", "PageDown", "PageDown"].forEach((key) => press(one, key));
  assert.equal(one.spacers(), "0");
  assert.equal(press(one, "Tab"), false);
  assert.equal(one.seat(), "");
});

test("the blade follows the thumb to scale", () => {
  const { one, sheet, seat } = section({ units: "si", step: 0.5 });
  one.down({ currentTarget: sheet, clientX: 100, pointerId: 1 });
  one.move({ clientX: 105 });
  one.up();
  assert.equal(seat(), "22.5");
  one.move({ clientX: 150 });
  assert.equal(seat(), "22.5");
});

test("a seat that clears is taken with its spacers, one that does not as not proved", () => {
  const taken = (take) => {
    section({ units: "si", step: 0.5, take }).one.take();
    const { seat_mm, spacers } = document.getElementById("take").elements;
    return [seat_mm.value, spacers.value, document.querySelector("#take button").textContent];
  };
  assert.deepEqual(taken("Take it, hub at 17.5 mm"), ["17.5", "2", "Take it, hub at 17.5 mm"]);
  assert.deepEqual(taken(""), ["", "", "Take it, fit not proved"]);
});
