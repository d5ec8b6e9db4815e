// The browser's own id for each form: sent again by mistake, it changes nothing.
export function stamp(root, anew = false) {
  root.querySelectorAll("input[data-client-id]").forEach((field) => {
    if ((anew || !field.dataset.stamped) && window.crypto?.randomUUID) field.value = crypto.randomUUID();
    field.dataset.stamped = "yes";
  });
}
