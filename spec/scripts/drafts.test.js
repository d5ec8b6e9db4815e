// What is typed survives a reload, for its person and its form, until it is answered.
import assert from "node:assert/strict";
import { beforeEach, mock, test } from "node:test";
import { loaded, open, tell, type } from "./page.js";
import { drafts } from "../../app/assets/scripts/drafts.js";

const form = (name = "job-7-fan-1", value = "") => `
  <form data-draft="${name}" method="post">
    <input type="hidden" name="authenticity_token" value="fresh">
    <input type="hidden" name="signature" data-keep value="">
    <input name="amps" value="${value}">
    <textarea name="note"></textarea>
    <input type="password" name="pin">
    <label><input type="checkbox" name="days" value="1"></label>
    <label><input type="checkbox" name="days" value="2" checked></label>
    <button>Keep</button>
  </form>
  <form data-forget="1" id="out"><button>Sign out</button></form>`;

let store = {};
// The next page in the same browser.
function reload(html = form(), user = "7") {
  if (globalThis.localStorage) store = { ...globalThis.localStorage };
  const page = open(html, user);
  Object.entries(store).forEach(([name, value]) => globalThis.localStorage.setItem(name, value));
  drafts.start();
  return page.querySelector("form");
}

beforeEach(() => {
  mock.timers.reset();
  store = {};
  globalThis.localStorage?.clear?.();
});

const values = (one) => [
  one.elements.amps.value,
  one.elements.note.value,
  [...one.querySelectorAll("[name=days]")].map((box) => box.checked),
];

test("brings back every field, ticks and a drawn signature, and says so", () => {
  let one = reload();
  type(one.elements.amps, "0,42");
  type(one.elements.note, "hums");
  type(one.elements.signature, "[[[0.1,0.2]]]");
  one.querySelectorAll("[name=days]").forEach((box) => (box.checked = !box.checked));
  type(one.elements.amps, "0,43");
  one = reload();
  assert.deepEqual(values(one), ["0,43", "hums", [true, false]]);
  assert.equal(one.elements.signature.value, "[[[0.1,0.2]]]");
  assert.match(one.textContent, /What you had typed here is back/);
  one.querySelector(".offline button").click();
  assert.equal(loaded.reloads, 1);
  assert.deepEqual(values(reload()), ["", "", [false, true]]);
});

test("keeps neither passwords nor the page's own token", () => {
  const one = reload();
  type(one.elements.pin, "246810");
  type(one.elements.amps, "1");
  const kept = JSON.stringify({ ...globalThis.localStorage });
  assert.ok(!kept.includes("246810") && !kept.includes("fresh"));
});

test("never brings a draft into another form, nor to another person", () => {
  type(reload().elements.amps, "0,42");
  assert.deepEqual(values(reload(form("job-7-fan-2")))[0], "");
  assert.deepEqual(values(reload(form(), "8"))[0], "");
  assert.deepEqual(values(reload())[0], "0,42");
});

test("says nothing where the page holds the same, and forgets after two days", () => {
  mock.timers.enable({ apis: ["Date"], now: 1e9 });
  type(reload().elements.amps, "0,42");
  const same = reload(form("job-7-fan-1", "0,42"));
  assert.equal(same.querySelector(".offline"), null);
  mock.timers.setTime(1e9 + 48 * 3_600_000);
  assert.equal(values(reload())[0], "");
});

test("is dropped once its form was answered, taken or refused, but not where somebody was faster", () => {
  const answered = (status) => {
    const one = reload();
    type(one.elements.amps, "0,42");
    tell("htmx:beforeSwap", { requestConfig: { verb: "post", elt: one }, xhr: { status } });
    return values(reload())[0];
  };
  assert.deepEqual([answered(303), answered(422), answered(409), answered(503)], ["", "", "0,42", "0,42"]);
});

test("goes with all others when somebody signs out", () => {
  type(reload().elements.amps, "0,42");
  const page = reload(form("other")).ownerDocument;
  page.getElementById("out").dispatchEvent(new Event("submit", { bubbles: true }));
  assert.equal(values(reload())[0], "");
});
