// Takes today's jobs along by itself, where that was asked for on this phone: on a good
// connection, now and then, while Fenbo is open.
const WANTED = "fenbo-pocket-auto";
const LAST = "fenbo-pocket-auto-at";
const EVERY_MS = 30 * 60_000;

// Where the browser tells nothing of the connection, it is taken to be good.
function good() {
  const { connection } = navigator;
  if (!connection) return navigator.onLine;
  return navigator.onLine && !connection.saveData && ["4g", undefined].includes(connection.effectiveType);
}

// Whether something waits here that the server has not; told by the page without signal, so that
// others need not open the phone's database to know.
const UNSENT = "fenbo-pocket-unsent";

export const unsent = {
  there: () => localStorage.getItem(UNSENT) === "1",
  tell: (yes) => localStorage.setItem(UNSENT, yes ? "1" : "0"),
};

export const auto = {
  isWanted: () => localStorage.getItem(WANTED) === "1",

  wanted(yes) {
    localStorage.setItem(WANTED, yes ? "1" : "0");
    localStorage.removeItem(LAST);
  },

  due: () => auto.isWanted() && good() && Date.now() - Number(localStorage.getItem(LAST) || 0) > EVERY_MS,

  done: () => localStorage.setItem(LAST, String(Date.now())),
};
