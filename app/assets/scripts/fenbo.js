// Fenbo's touch: htmx swaps the page's middle when a form is sent, Alpine keeps
// small state. Everything works without scripts too, only with whole pages.
import Alpine from "@alpinejs/csp/dist/module.esm.js";
import { auto, unsent } from "./pocket/auto.js";
import { drafts } from "./drafts.js";
import { forget } from "./pocket/forget.js";
import { keys } from "./keys.js";
import { outbox } from "./outbox.js";
import { meter } from "./meter.js";
import { sight } from "./sight.js";
import { signature } from "./signature.js";
import { stamp } from "./stamp.js";

// htmx stands before this file in the bundle, as its makers shrank it: a sixth smaller.
const { htmx } = window;
// What only some pages need comes when one of them is there.
const TOOLS = document.currentScript.dataset.tools;
const POCKET = document.currentScript.dataset.pocket;
const tools = (page) =>
  page.querySelector("[data-tool], [data-slot], [data-visit]") && import(TOOLS).then(({ wake }) => wake(page, Alpine));
htmx.config.includeIndicatorStyles = false;
htmx.config.allowEval = false;
htmx.config.allowScriptTags = false;
htmx.config.selfRequestsOnly = true;
htmx.config.historyCacheSize = 0;
htmx.config.scrollBehavior = "instant";
// Pages that refuse something are pages: show them.
htmx.config.responseHandling = [
  { code: "204", swap: false },
  { code: "...", swap: true },
];

// Fans on a drawing lead where their labels lead.
document.addEventListener("click", (event) => {
  const fan = event.target.closest?.("[data-href]");
  if (fan)
    document.querySelector(`a.leader[href="${CSS.escape(fan.dataset.href)}"]`)?.click() ??
      (location.href = fan.dataset.href);
});

// A chosen file's text goes into its field, to be read and corrected there.
document.addEventListener("change", async (event) => {
  const into = event.target.dataset?.fileInto && document.getElementById(event.target.dataset.fileInto);
  const file = event.target.files?.[0];
  if (!into || !file) return;
  into.value = (await file.text()).slice(0, 2_000_000);
  into.dispatchEvent(new Event("input", { bubbles: true }));
});

// A text to be sent by other means.
document.addEventListener("click", async (event) => {
  const button = event.target.closest?.("[data-copy]");
  if (!button) return;
  const text = document.getElementById(button.dataset.copy);
  text.select();
  await navigator.clipboard?.writeText(text.value).catch(() => document.execCommand("copy"));
  button.textContent = "Copied";
});

// One press is enough: a second on the same form is let go by.
document.addEventListener("submit", (event) => {
  const form = event.target;
  const looks = event.submitter?.dataset.looks;
  // At once, whenever it is kept.
  if (looks) document.documentElement.dataset.appearance = looks;
  if (form.dataset.sent) return event.preventDefault();
  form.dataset.sent = "yes";
  setTimeout(() => delete form.dataset.sent, 1500);
});

// Signing out takes along what this phone took along.
document.addEventListener(
  "submit",
  async (event) => {
    const form = event.target;
    if (!form.dataset.forget || form.dataset.forgotten) return;
    event.preventDefault();
    event.stopPropagation();
    if (!(await forget())) return;
    form.dataset.forgotten = "yes";
    form.requestSubmit();
  },
  true,
);

document.addEventListener("htmx:afterSwap", () => {
  stamp(document);
  tools(document);
  drafts.restore(document);
  const told = document.querySelector("[data-told]");
  if (told) document.getElementById("announce").textContent = told.textContent;
});
// Back through history shows fresh pages, never a kept copy of a form.
window.addEventListener("pageshow", (event) => event.persisted && location.reload());

Alpine.data("signature", signature);
Alpine.data("meter", meter);
window.Alpine = Alpine;
stamp(document);
drafts.start();
outbox.start();
sight.start();
keys.start();
Alpine.start();
tools(document);
// Whoever cannot sign in any more finds what this phone keeps.
if (navigator.serviceWorker?.controller) document.querySelector("[data-kept-here]")?.removeAttribute("hidden");
if (POCKET && (unsent.there() || auto.due())) import(POCKET);
