// A page for the scripts, without a browser: its document, its stores, its clock left alone.
import { Window } from "happy-dom";

export const loaded = { reloads: 0, went: [] };

// @param html what stands in the body; user: who is signed in
export function open(html, user = "7") {
  const window = new Window({ url: "http://fenbo.test/jobs/7/look" });
  window.document.documentElement.dataset.user = user;
  window.document.body.innerHTML = html;
  loaded.reloads = 0;
  loaded.went = [];
  const location = {
    pathname: "/jobs/7/look",
    hash: "",
    reload: () => loaded.reloads++,
    assign: (path) => loaded.went.push(path),
  };
  const given = { window, document: window.document, Event: window.Event, CustomEvent: window.CustomEvent, location };
  for (const [name, value] of Object.entries(given))
    Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  Object.defineProperty(globalThis, "localStorage", { value: window.localStorage, configurable: true });
  return window.document;
}

export function type(field, value) {
  field.value = value;
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

export function tell(name, detail, from = document) {
  const event = new CustomEvent(name, { detail, bubbles: true, cancelable: true });
  from.dispatchEvent(event);
  return event;
}
