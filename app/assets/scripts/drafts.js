// What is typed survives a reload, a closed tab and the way back. A draft belongs to one
// person and one form, named with its record, fan and version; it is dropped when the
// server has answered, says that it is back and can be dropped by hand, and all of them go
// at sign-out. Passwords never.
const HOURS = 48;

function owner() {
  return document.documentElement.dataset.user || "nobody";
}
function key(form) {
  return `draft:${owner()}:${form.dataset.draft}`;
}
function fields(form) {
  const kept = (one) => one.name && !["password", "file", "submit", "button"].includes(one.type);
  return [...form.elements].filter((one) => kept(one) && (one.type !== "hidden" || one.hasAttribute("data-keep")));
}
const ticked = (one) => (["checkbox", "radio"].includes(one.type) ? one.checked : null);

function keep(form) {
  const values = fields(form).map((one) => [one.name, one.value, ticked(one)]);
  try {
    localStorage.setItem(key(form), JSON.stringify({ at: Date.now(), values }));
  } catch {
    /* storage full or off: the page itself still holds it */
  }
}

function read(form) {
  try {
    const kept = JSON.parse(localStorage.getItem(key(form)));
    return kept && Date.now() - kept.at < HOURS * 3600e3 ? kept.values : null;
  } catch {
    return null;
  }
}

// Puts one value back; true where the page had another.
function put(form, [name, value, checked]) {
  const one = fields(form).find((field) => field.name === name && (checked === null || field.value === value));
  if (!one || (checked === null ? one.value === value : one.checked === checked)) return false;
  if (checked === null) one.value = value;
  else one.checked = checked;
  one.dispatchEvent(new Event("input", { bubbles: true }));
  return true;
}

function say(form) {
  const note = document.createElement("p");
  note.className = "offline mb-3 flex flex-wrap items-center gap-3";
  note.setAttribute("role", "status");
  note.append("What you had typed here is back. ");
  const button = document.createElement("button");
  button.type = "button";
  button.className = "btn btn-small";
  button.textContent = "Drop it";
  button.addEventListener("click", () => {
    drafts.drop(form);
    location.reload();
  });
  note.append(button);
  form.prepend(note);
}

function restore(form) {
  if (form.dataset.restored) return;
  form.dataset.restored = "now";
  const values = read(form);
  const changed = values ? values.map((one) => put(form, one)).some(Boolean) : false;
  form.dataset.restored = "yes";
  if (changed) say(form);
}

export const drafts = {
  restore(root) {
    root.querySelectorAll("form[data-draft]").forEach(restore);
  },
  drop(form) {
    localStorage.removeItem(key(form));
  },
  start() {
    const typed = (event) => {
      const form = event.target.form;
      if (form?.dataset.draft && form.dataset.restored !== "now") keep(form);
    };
    document.addEventListener("input", typed);
    document.addEventListener("change", typed);
    document.addEventListener("submit", (event) => {
      if (!event.target.dataset.forget) return;
      Object.keys(localStorage)
        .filter((name) => name.startsWith("draft:"))
        .forEach((name) => localStorage.removeItem(name));
    });
    // Answered, before its page is shown: taken, it has done its work; refused, the page holds
    // what was typed itself. Where somebody else was faster it stays.
    document.addEventListener("htmx:beforeSwap", (event) => {
      const { requestConfig, xhr } = event.detail;
      const form = requestConfig.elt?.closest?.("form[data-draft]");
      if (!form || requestConfig.verb !== "post" || !(xhr.status < 400 || xhr.status === 422)) return;
      // A field that still has the focus says "change" once more when the page goes.
      form.dataset.restored = "now";
      drafts.drop(form);
    });
    drafts.restore(document);
  },
};
