// After a page has answered, what changed is in sight and announced: the first wrong field
// with a list of them all, else what the page marks as changed, else what was told at the top of another page.
const at = () => location.pathname;
let before = at();

function wrong(page) {
  return [...page.querySelectorAll(".field.wrong, .fault")]
    .map((one) => one.closest(".field, fieldset") || one)
    .filter((one, index, all) => all.indexOf(one) === index && one.textContent.trim());
}

const LONGEST = 90;

function name(field) {
  const text = (field.querySelector("label, legend")?.textContent || field.textContent).trim().replace(/\s+/g, " ");
  return text.length > LONGEST ? `${text.slice(0, LONGEST).replace(/\W*\s\S*$/, "")} …` : text;
}

// One list of everything that was refused, each leading to its field.
function list(fields) {
  const summary = document.createElement("div");
  summary.className = "offline mb-3";
  summary.setAttribute("role", "alert");
  summary.dataset.summary = "yes";
  summary.append(fields.length === 1 ? "Not taken yet, one field: " : `Not taken yet, ${fields.length} fields: `);
  fields.forEach((field, index) => {
    const link = document.createElement("button");
    link.type = "button";
    link.className = "mr-3 inline-flex min-h-11 items-center underline";
    link.textContent = name(field);
    link.addEventListener("click", () => focus(field));
    summary.append(link);
    if (index === fields.length - 1) fields[0].closest("form, section, main")?.prepend(summary);
  });
}

function focus(field) {
  const control = field.querySelector("input:not([type=hidden]), select, textarea, button");
  control?.focus({ preventScroll: true });
  field.scrollIntoView({ block: "center" });
}

function show(verb) {
  const page = document.getElementById("page");
  const faults = wrong(page);
  const named = location.hash && document.getElementById(location.hash.slice(1));
  if (verb === "post" || at() !== before) scrollTo(0, 0);
  before = at();
  if (faults.length) {
    if (!page.querySelector("[data-summary]")) list(faults);
    focus(faults[0]);
  } else if (named) {
    named.scrollIntoView();
  } else if (verb === "post") {
    page.querySelector("[data-changed]")?.scrollIntoView();
  }
}

export const sight = {
  start() {
    document.addEventListener("htmx:afterSettle", (event) => {
      if (event.detail.target?.id === "page" || event.detail.elt?.id === "page") show(event.detail.requestConfig?.verb);
    });
    if (wrong(document).length) show("post");
  },
};
