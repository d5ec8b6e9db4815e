// A way's work dragged, or moved by the arrow keys, to another hour: the server reckons it anew.
const MINUTES = 30;

// Places across go by a power of the time, as the server draws them.
function hours(list, part) {
  const [power, span] = [Number(list.dataset.power), Number(list.dataset.span)];
  return span * Math.min(Math.max(part, 0), 1) ** (1 / power);
}

// The local time so many hours from the page's now, in half hours, as the field takes it.
function local(list, ahead) {
  const at = new Date(`${list.dataset.now}:00Z`);
  at.setUTCMinutes(at.getUTCMinutes() + Math.round((ahead * 60) / MINUTES) * MINUTES);
  return at.toISOString().slice(0, 16);
}

function reckon(block, at) {
  const form = document.querySelector(`[data-slot-form="${CSS.escape(block.dataset.slot)}"]`);
  form.querySelector("[name=at]").value = at;
  form.requestSubmit();
}

function drag(block, event) {
  const svg = block.ownerSVGElement;
  const box = svg.getBoundingClientRect();
  const list = block.closest("[data-span]");
  const bar = block.querySelector("rect").getBoundingClientRect();
  const move = (now) =>
    block.setAttribute(
      "transform",
      `translate(${((now.clientX - event.clientX) * svg.viewBox.baseVal.width) / box.width})`,
    );
  const drop = (now) => {
    document.removeEventListener("pointermove", move);
    if (Math.abs(now.clientX - event.clientX) < 4) return;
    const part = (bar.left + now.clientX - event.clientX - box.left) / box.width;
    reckon(block, local(list, hours(list, part)));
  };
  event.preventDefault();
  document.addEventListener("pointermove", move);
  document.addEventListener("pointerup", drop, { once: true });
}

function step(block, event) {
  const way = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
  if (!way) return;
  event.preventDefault();
  event.stopPropagation();
  const form = document.querySelector(`[data-slot-form="${CSS.escape(block.dataset.slot)}"]`);
  const at = new Date(`${form.querySelector("[name=at]").value}:00Z`);
  at.setUTCMinutes(at.getUTCMinutes() + way * MINUTES);
  reckon(block, at.toISOString().slice(0, 16));
}

export const slots = {
  start() {
    document.addEventListener("pointerdown", (event) => {
      const block = event.target.closest?.("[data-slot]");
      if (block) drag(block, event);
    });
    document.addEventListener(
      "keydown",
      (event) => {
        const block = event.target.closest?.("[data-slot]");
        if (block) step(block, event);
      },
      true,
    );
  },
};
