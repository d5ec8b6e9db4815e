// Asks for the PIN over the page, which stays as it is, until it opens.
import { keys } from "./keys.js";

export function askPin() {
  const dialog = document.getElementById("pocket-pin");
  const form = dialog.querySelector("form");
  const told = dialog.querySelector("[data-problem]");
  dialog.addEventListener("cancel", (event) => event.preventDefault());
  if (!dialog.open) dialog.showModal();
  let trying = false;
  return new Promise((done) => {
    form.onsubmit = async (event) => {
      event.preventDefault();
      event.stopPropagation();
      if (trying) return;
      trying = true;
      told.textContent = "Opening …";
      told.textContent = (await keys.openByPin(form.elements.pin.value)) || "";
      trying = false;
      form.reset();
      if (told.textContent) return form.elements.pin.focus();
      dialog.close();
      done();
    };
  });
}
