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

export const outbox = {
  start() {
    document.addEventListener("htmx:sendError", (event) => {
      const form = event.detail.elt.closest?.("form");
      if (!form || form.enctype === "multipart/form-data" || event.detail.requestConfig.verb !== "post") return;
      const body = new URLSearchParams(event.detail.requestConfig.formData).toString();
      const id = new URLSearchParams(body).get("client_id");
      if (read().some((one) => one.id === id)) return;
      write([...read(), { id, at: Date.now(), path: event.detail.requestConfig.path, body }]);
      // The next press from this page is another entry.
      stamp(form, true);
      delete form.dataset.sent;
    });
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
