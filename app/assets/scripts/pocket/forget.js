// Signing out: taken jobs leave the phone. What was not sent yet stays, for whoever signs in
// again; whether that is meant is asked first.
const NAME = "fenbo-pocket";

async function opened() {
  const there = await indexedDB.databases?.();
  if (there && !there.some((one) => one.name === NAME)) return null;
  return new Promise((done) => {
    const request = indexedDB.open(NAME);
    request.onsuccess = () => done(request.result);
    request.onerror = () => done(null);
  });
}

const asked = (request) => new Promise((done) => (request.onsuccess = () => done(request.result)));

export async function forget() {
  const database = await opened();
  if (!database?.objectStoreNames.contains("packs")) return true;
  const at = (name, mode = "readonly") => database.transaction(name, mode).objectStore(name);
  const unsent = await asked(at("entries").count());
  if (unsent && !confirm(`${unsent} not sent yet. They stay on this phone until you sign in again. Sign out?`)) {
    database.close();
    return false;
  }
  await asked(at("packs", "readwrite").clear());
  database.close();
  await caches.delete("fenbo-shell");
  return true;
}
