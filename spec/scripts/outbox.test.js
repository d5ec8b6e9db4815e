// A press without signal is kept and sent once, in order, and only Fenbo's answer counts.
import assert from "node:assert/strict";
import { beforeEach, mock, test } from "node:test";
import { loaded, open, tell } from "./page.js";
import { outbox } from "../../app/assets/scripts/outbox.js";

const page = `
  <meta name="csrf" content="new token">
  <div id="outbox" hidden></div>
  <form method="post" action="/jobs/7/findings">
    <input name="client_id" data-client-id value="a">
  </form>
  <form method="post" enctype="multipart/form-data" id="photo"></form>
  <a href="/jobs/8" id="link">Job 8</a>`;

let answers = [];
let asked = [];
let online;

beforeEach(() => {
  mock.timers.reset();
  mock.timers.enable({ apis: ["Date", "setInterval"], now: 1_000_000 });
  open(page);
  answers = [];
  asked = [];
  globalThis.fetch = async (path, options) => {
    asked.push([path, new URLSearchParams(options.body)]);
    const told = answers.shift();
    if (!told) throw new TypeError("no signal");
    const { status = 200, ours = true, at = path } = told;
    return {
      ok: status < 400,
      status,
      url: `http://fenbo.test${at}`,
      headers: new Headers(ours ? { "x-fenbo": "1" } : {}),
    };
  };
  window.addEventListener = (name, work) => name === "online" && (online = work);
  outbox.start();
});

const press = (fields, verb = "post", elt = document.querySelector("form")) =>
  tell("htmx:sendError", {
    elt,
    requestConfig: { verb, path: "/jobs/7/findings", formData: new URLSearchParams(fields), elt },
  });
const waiting = () => JSON.parse(localStorage.getItem("outbox:7") || "[]");
const told = () => document.getElementById("outbox").textContent;

test("keeps a press once, however often it is tried, and gives the form another id", () => {
  press({ client_id: "a", test: "noise", outcome: "grinding" });
  press({ client_id: "a", test: "noise", outcome: "grinding" });
  assert.deepEqual(
    waiting().map(({ id, path }) => [id, path]),
    [["a", "/jobs/7/findings"]],
  );
  assert.match(told(), /^No signal, 1 kept here/);
  assert.notEqual(document.querySelector("[data-client-id]").value, "a");
});

test("keeps neither a page that was asked for, nor a form with a file", () => {
  press({ client_id: "a" }, "get");
  press({ client_id: "b" }, "post", document.getElementById("photo"));
  assert.deepEqual(waiting(), []);
});

test("sends all in order when the signal is back, with today's token and how long each waited", async () => {
  press({ client_id: "a" });
  mock.timers.setTime(1_030_000);
  press({ client_id: "b" });
  mock.timers.setTime(1_090_000);
  answers = [{}, { status: 303 }];
  await online();
  assert.deepEqual(
    asked.map(([, body]) => [body.get("client_id"), body.get("held_seconds"), body.get("authenticity_token")]),
    [
      ["a", "90.000", "new token"],
      ["b", "60.000", "new token"],
    ],
  );
  assert.deepEqual([waiting(), loaded.reloads], [[], 1]);
});

test("waits on while nobody answers, or somebody else, or Fenbo is not well, or the session ended", async () => {
  for (const answer of [null, { ours: false }, { status: 503 }, { status: 429 }, { at: "/sign-in" }]) {
    press({ client_id: "a" });
    answers = answer ? [answer] : [];
    await online();
    assert.deepEqual(
      waiting().map(({ id }) => id),
      ["a"],
    );
  }
  assert.equal(loaded.reloads, 0);
});

test("keeps what was refused in words until somebody has read it, and sends the rest", async () => {
  press({ client_id: "a", test: "noise", outcome: "hums_still" });
  press({ client_id: "b" });
  answers = [{ status: 422 }, {}];
  await online();
  assert.deepEqual(
    waiting().map(({ id, refused }) => [id, refused]),
    [["a", true]],
  );
  assert.match(told(), /Not taken: noise hums still/);
  document.getElementById("outbox").click();
  assert.deepEqual([waiting(), told()], [[], ""]);
});

test("takes the answer of a hotel's page for none", () => {
  const elt = document.querySelector("form");
  const config = { verb: "post", path: "/jobs/7/findings", formData: new URLSearchParams({ client_id: "a" }), elt };
  const hotel = { getResponseHeader: () => null };
  const event = tell("htmx:beforeOnLoad", { elt, xhr: hotel, requestConfig: config });
  assert.deepEqual([event.defaultPrevented, waiting().length], [true, 1]);
  const link = document.getElementById("link");
  tell("htmx:beforeOnLoad", { elt: link, xhr: hotel, requestConfig: { verb: "get", path: "/jobs/8", elt: link } });
  assert.deepEqual(loaded.went, ["/jobs/8"]);
  const ours = tell("htmx:beforeOnLoad", { elt, xhr: { getResponseHeader: () => "1" }, requestConfig: config });
  assert.equal(ours.defaultPrevented, false);
});

test("shows each person their own", () => {
  press({ client_id: "a" });
  document.documentElement.dataset.user = "8";
  tell("htmx:afterSwap", {});
  assert.equal(document.getElementById("outbox").hidden, true);
});
