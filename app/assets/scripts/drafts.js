// What is typed survives a reload, a closed tab and the way back. Kept per user
// and page, dropped when it was sent, cleared at sign-out. Passwords never.
const HOURS = 48;

function owner() { return document.documentElement.dataset.user || "nobody"; }
function key(form) { return `draft:${owner()}:${form.dataset.draft}`; }
function fields(form) {
  return [...form.elements].filter((one) => one.name && !["hidden", "password", "file", "submit", "button"].includes(one.type));
}

function keep(form) {
  const values = fields(form).map((one) => [one.name, one.value, ["checkbox", "radio"].includes(one.type) ? one.checked : null]);
  try { localStorage.setItem(key(form), JSON.stringify({ at: Date.now(), values })); } catch { /* storage full or off: the page itself still holds it */ }
}

function restore(form) {
  let kept;
  try { kept = JSON.parse(localStorage.getItem(key(form))); } catch { kept = null; }
  if (!kept || form.dataset.restored || Date.now() - kept.at > HOURS * 3600e3) return;
  form.dataset.restored = "yes";
  kept.values.forEach(([name, value, checked]) => {
    const one = fields(form).find((field) => field.name === name && (checked === null || field.value === value));
    if (!one) return;
    if (checked === null) one.value = value; else one.checked = checked;
    one.dispatchEvent(new Event("input", { bubbles: true }));
  });
}

export const drafts = {
  restore(root) { root.querySelectorAll("form[data-draft]").forEach(restore); },
  drop(form) { localStorage.removeItem(key(form)); },
  start() {
    document.addEventListener("input", (event) => { const form = event.target.form; if (form?.dataset.draft && form.dataset.restored !== "now") keep(form); });
    document.addEventListener("submit", (event) => {
      if (event.target.dataset.forget) Object.keys(localStorage).filter((name) => name.startsWith("draft:")).forEach((name) => localStorage.removeItem(name));
    });
    // Sent and taken: the draft has done its work.
    document.addEventListener("htmx:afterRequest", (event) => {
      const form = event.detail.elt.closest?.("form[data-draft]");
      if (form && event.detail.successful) drafts.drop(form);
    });
    drafts.restore(document);
  },
};
