// What a page asks beside htmx goes the way that htmx goes: on a phone without signal to its own
// Ruby. Null where somebody else answers, as a hotel's page does.
export async function asked(path, options = {}) {
  const { pocket } = document.documentElement.dataset;
  const headers = pocket ? { "X-Pocket": pocket } : {};
  const answer = await fetch(path, { credentials: "same-origin", ...options, headers });
  return answer.ok && (pocket || answer.headers.get("x-fenbo")) ? answer : null;
}
