// Everything of a job is kept sealed (AES-GCM) under a key of the person's own. The key lies
// here twice, wrapped: by the PIN, which opens it without signal, and by a secret that the
// server gives whoever is signed in, which opens it when the PIN is forgotten. Signing out
// throws the first away.
import { put, row, rows } from "./base.js";

const ITERATIONS = 600_000;
const SHORTEST = 6;
// Wrong PINs in a row until one has to wait, and until only signing in opens it.
const FREE = 5;
const MOST = 10;
const WAIT_MS = 30_000;
// Unused for so long, it asks for the PIN again.
const IDLE_MS = 30 * 60_000;
const OPEN = "fenbo-pocket-key";

const text = (bytes) => btoa(String.fromCharCode(...bytes));
const bytes = (base64) => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
const aes = (raw, uses = ["encrypt", "decrypt"]) => crypto.subtle.importKey("raw", raw, "AES-GCM", false, uses);

async function fromPin(pin, salt) {
  const typed = await crypto.subtle.importKey("raw", new TextEncoder().encode(pin), "PBKDF2", false, ["deriveKey"]);
  const way = { name: "PBKDF2", hash: "SHA-256", salt, iterations: ITERATIONS };
  return crypto.subtle.deriveKey(way, typed, { name: "AES-GCM", length: 256 }, false, ["encrypt", "decrypt"]);
}

async function sealed(key, plain) {
  const iv = crypto.getRandomValues(new Uint8Array(12));
  return { iv, data: await crypto.subtle.encrypt({ name: "AES-GCM", iv }, key, plain) };
}

const unsealed = (key, { iv, data }) => crypto.subtle.decrypt({ name: "AES-GCM", iv }, key, data);

let open = null;

async function remember(user, raw) {
  open = { user, key: await aes(raw) };
  sessionStorage.setItem(OPEN, JSON.stringify({ user, raw: text(new Uint8Array(raw)), at: Date.now() }));
  return open;
}

// A row after one more wrong PIN.
function wrongly(row, now) {
  const wrong = row.wrong + 1;
  if (wrong >= MOST) return { ...row, byPin: null };
  return { ...row, wrong, until: wrong < FREE ? 0 : now + WAIT_MS * 2 ** (wrong - FREE) };
}

const told = () => JSON.parse(sessionStorage.getItem(OPEN) || "null");

async function kept() {
  const there = told();
  if (!there || Date.now() - there.at > IDLE_MS) return keys.lock();
  return (open ??= { user: there.user, key: await aes(bytes(there.raw)) });
}

export const keys = {
  SHORTEST,

  // Who has it open: {user, key}, or null.
  current: kept,

  // Somebody does something: it does not ask again for a while.
  touch() {
    if (told()) sessionStorage.setItem(OPEN, JSON.stringify({ ...told(), at: Date.now() }));
  },

  lock() {
    open = null;
    sessionStorage.removeItem(OPEN);
    return null;
  },

  // Whether this person has chosen a PIN on this phone.
  chosen: async (user) => Boolean((await row("keys", user))?.byPin),

  // Whether anybody has, so that it can be asked without signal.
  anybody: async () => (await rows("keys")).some((one) => one.byPin),

  // With signal: the secret opens what is there, or a new key is begun. Null where it is not
  // the secret any more that it was wrapped with; the PIN opens it still.
  async openBySecret(user, secret) {
    const there = await row("keys", user);
    const wrapping = await aes(bytes(secret));
    if (there) {
      const raw = await unsealed(wrapping, there.bySecret).catch(() => null);
      return raw && remember(user, raw);
    }
    const raw = crypto.getRandomValues(new Uint8Array(32));
    await put("keys", { user, bySecret: await sealed(wrapping, raw), byPin: null, wrong: 0 });
    return remember(user, raw);
  },

  // Chooses the PIN, or another one; the key is open.
  async choosePin(pin) {
    const { user, raw } = told();
    const salt = crypto.getRandomValues(new Uint8Array(16));
    const byPin = await sealed(await fromPin(pin, salt), bytes(raw));
    await put("keys", { ...(await row("keys", user)), byPin, salt, wrong: 0, until: 0 });
  },

  // Without signal. Answers with null when it is open, else with a sentence.
  async openByPin(pin) {
    const now = Date.now();
    const those = (await rows("keys")).filter((one) => one.byPin);
    const waiting = Math.max(0, ...those.map((one) => (one.until || 0) - now));
    if (waiting) return `Wrong too often: wait ${Math.ceil(waiting / 1000)} s.`;
    for (const one of those) {
      const raw = await unsealed(await fromPin(pin, one.salt), one.byPin).catch(() => null);
      if (!raw) continue;
      await remember(one.user, raw);
      await put("keys", { ...one, wrong: 0, until: 0 });
      return null;
    }
    // Only what opens nobody's is wrong: somebody else's PIN on this phone is none of theirs.
    for (const one of those) await put("keys", wrongly(one, now));
    if (await this.anybody()) return "That is not the PIN.";
    return "Wrong too often: the PIN opens nothing any more. Sign in with signal; nothing is lost.";
  },

  // A value, or bytes, as it is stored.
  async seal(value) {
    const plain = value instanceof ArrayBuffer ? value : new TextEncoder().encode(JSON.stringify(value));
    return sealed((await kept()).key, plain);
  },

  // What was sealed; JSON unless bytes are wanted.
  async unseal(box, wanted = "json") {
    const plain = await unsealed((await kept()).key, box);
    return wanted === "json" ? JSON.parse(new TextDecoder().decode(plain)) : plain;
  },
};
