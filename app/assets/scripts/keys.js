// The desk's keys: numbers answer the question, arrows walk the stations,
// u takes the last answer back, ? lists the keys.
const typing = (target) => target.closest?.("input, textarea, select, canvas, [contenteditable]");

function press(event) {
  if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
  const dialog = document.getElementById("keys");
  if (event.key === "?") {
    dialog?.open ? dialog.close() : dialog?.showModal();
    return;
  }
  if (dialog?.open) return;
  if (/^[0-9]$/.test(event.key))
    return document.querySelector(`.ask [data-key="${event.key}"]:not(:disabled)`)?.click();
  if (event.key === "u") return document.querySelector("[data-undo]")?.click();
  if (event.key === "ArrowRight") return document.querySelector("[data-next-station]")?.click();
  if (event.key === "ArrowLeft") return document.querySelector("[data-previous-station]")?.click();
}

// One more in the tray, by thumb.
function one(field) {
  field.value = (parseInt(field.value, 10) || 0) + 1;
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

export const keys = {
  start() {
    document.addEventListener("keydown", press);
    document.addEventListener("click", (event) => {
      if (event.target.closest("[data-press-undo]")) document.querySelector("[data-undo]")?.click();
      if (event.target.closest("[data-print]")) window.print();
      const add = event.target.closest("[data-add]");
      if (add) one(add.form.elements[add.dataset.add]);
    });
    document.addEventListener(
      "click",
      (event) => event.target.closest("[data-close-keys]") && document.getElementById("keys")?.close(),
    );
  },
};
