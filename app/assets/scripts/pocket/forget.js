// Signing out: taken jobs leave the phone, and the PIN opens nothing any more. What was not sent
// yet stays, sealed, for whoever signs in again; whether that is meant is asked first.
import { within } from "./base.js";

const NAME = "fenbo-pocket";

// Only phones that took something along have one.
async function there() {
  const all = await indexedDB.databases?.();
  return !all || all.some((one) => one.name === NAME);
}

export async function forget() {
  if (!(await there())) return true;
  const unsent = await within("readonly", (at, give) => give(at("entries").count()));
  if (unsent && !confirm(`${unsent} not sent yet. They stay on this phone until you sign in again. Sign out?`))
    return false;
  await within("readwrite", (at) => {
    at("packs").clear();
    each(at("files"), (cursor) => cursor.value.own || cursor.delete());
    each(at("keys"), (cursor) => cursor.update({ ...cursor.value, byPin: null }));
  });
  sessionStorage.clear();
  await caches.delete("fenbo-shell");
  return true;
}

function each(store, work) {
  store.openCursor().onsuccess = ({ target: { result } }) => {
    if (!result) return;
    work(result);
    result.continue();
  };
}
