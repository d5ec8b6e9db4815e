// No signal: what was sent is kept here and sent again when the signal is back.
// The client id in each form makes a repeat harmless.
const NAME = () => `outbox:${document.documentElement.dataset.user || "nobody"}`;

function read() { try { return JSON.parse(localStorage.getItem(NAME())) || []; } catch { return []; } }
function write(list) { localStorage.setItem(NAME(), JSON.stringify(list)); show(); }

function show() {
  const place = document.getElementById("outbox");
  const waiting = read().length;
  if (!place) return;
  place.hidden = waiting === 0;
  place.textContent = waiting ? `No signal, ${waiting} kept here. It is sent when the signal is back.` : "";
}

async function send() {
  const token = document.querySelector("meta[name=csrf]")?.content;
  for (const item of read()) {
    try {
      const body = new URLSearchParams(item.body);
      if (token) body.set("authenticity_token", token);
      const answer = await fetch(item.path, { method: "POST", body, credentials: "same-origin", redirect: "manual" });
      if (answer.status >= 500) return;
      write(read().filter((one) => one.id !== item.id));
      if (!read().length) location.reload();
    } catch { return; }
  }
}

export const outbox = {
  start() {
    document.addEventListener("htmx:sendError", (event) => {
      const form = event.detail.elt.closest?.("form");
      if (!form || form.enctype === "multipart/form-data") return;
      const body = new URLSearchParams(new FormData(form)).toString();
      const id = new URLSearchParams(body).get("client_id");
      write([...read().filter((one) => one.id !== id), { id, path: form.action, body }]);
    });
    window.addEventListener("online", send);
    setInterval(() => read().length && send(), 15000);
    document.addEventListener("htmx:afterSwap", show);
    show();
    if (read().length) send();
  },
};
