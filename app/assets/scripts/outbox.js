// No signal: every press is kept here by itself and sent again, in order, when the signal is
// back. The client id in each form makes a repeat harmless; how long it had to wait goes with
// it, so that it keeps the time it was pressed at, whatever the phone's clock says.
import { stamp } from "./stamp.js";

const NAME = () => `outbox:${document.documentElement.dataset.user || "nobody"}`;

function read() {
  try {
    return JSON.parse(localStorage.getItem(NAME())) || [];
  } catch {
    return [];
  }
}
function write(list) {
  localStorage.setItem(NAME(), JSON.stringify(list));
  show();
}

// What the server would not take stays here too, in words, until it is noted anew.
function words(item) {
  const fields = new URLSearchParams(item.body);
  return (
    ["test", "outcome", "amps", "state"]
      .map((name) => fields.get(name))
      .filter(Boolean)
      .join(" ")
      .replaceAll("_", " ") || "a form"
  );
}

function show() {
  const place = document.getElementById("outbox");
  if (!place) return;
  const waiting = read().filter((item) => !item.refused);
  const refused = read().filter((item) => item.refused);
  place.hidden = !waiting.length && !refused.length;
  place.textContent = [
    waiting.length ? `No signal, ${waiting.length} kept here. It is sent when the signal is back.` : "",
    refused.length ? `Not taken: ${refused.map(words).join("; ")}. Note it again, then tap here.` : "",
  ]
    .join(" ")
    .trim();
}

// true: done with; false: refused; null: try again later.
async function sendOne(item) {
  const body = new URLSearchParams(item.body);
  const token = document.querySelector("meta[name=csrf]")?.content;
  if (token) body.set("authenticity_token", token);
  body.set("held_seconds", (Math.max(0, Date.now() - item.at) / 1000).toFixed(3));
  const answer = await fetch(item.path, { method: "POST", body, credentials: "same-origin" });
  // Somebody else answers, as a hotel's page does.
  if (!answer.headers.get("x-fenbo")) return null;
  if (answer.status >= 500 || answer.status === 429 || new URL(answer.url).pathname === "/sign-in") return null;
  return answer.ok;
}

let sending = false;
async function send() {
  if (sending) return;
  sending = true;
  let sent = 0;
  try {
    for (const item of read().filter((one) => !one.refused)) {
      const done = await sendOne(item);
      if (done === null) break;
      write(read().flatMap((one) => (one.id !== item.id ? [one] : done ? [] : [{ ...one, refused: true }])));
      sent += done ? 1 : 0;
    }
  } catch {
    /* still no signal: it stays here */
  }
  sending = false;
  if (sent) location.reload();
}

// A press that did not get through.
function keep({ elt, requestConfig }) {
  const form = elt.closest?.("form");
  if (!form || form.enctype === "multipart/form-data" || requestConfig.verb !== "post") return;
  const body = new URLSearchParams(requestConfig.formData).toString();
  const id = new URLSearchParams(body).get("client_id");
  if (read().some((one) => one.id === id)) return;
  write([...read(), { id, at: Date.now(), path: requestConfig.path, body }]);
  // The next press from this page is another entry.
  stamp(form, true);
  delete form.dataset.sent;
}

// An answer of somebody else is none. A link is followed without htmx: there the phone may have
// its own page, or the hotel its door.
function foreign(event) {
  const { xhr, requestConfig } = event.detail;
  if (document.documentElement.dataset.pocket || xhr.getResponseHeader("x-fenbo")) return;
  event.preventDefault();
  if (requestConfig.verb === "get" && requestConfig.elt.tagName === "A") location.assign(requestConfig.path);
  else keep(event.detail);
}

export const outbox = {
  start() {
    document.addEventListener("htmx:sendError", (event) => keep(event.detail));
    document.addEventListener("htmx:beforeOnLoad", foreign);
    document.addEventListener(
      "click",
      (event) => event.target.id === "outbox" && write(read().filter((item) => !item.refused)),
    );
    window.addEventListener("online", send);
    setInterval(() => read().length && send(), 15000);
    document.addEventListener("htmx:afterSwap", show);
    show();
    if (read().length) send();
  },
};
