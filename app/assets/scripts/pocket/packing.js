// The page, the scripts, the runtime and the stations onto the phone: once a release.
import { Phone } from "./phone.js";
import { store } from "./store.js";

const SHELL = "fenbo-shell";

async function told(cache) {
  return (await (await cache.match("/pocket/about.json"))?.json())?.release;
}

// The small copies of what a pack's pages show. One that cannot be had is left out.
async function pictures(pack) {
  const paths = pack.job.photos.filter((one) => !one.voided_at).map(({ id }) => `/photos/${id}/small`);
  const had = await Promise.all(
    paths.map(async (path) => {
      const answer = await fetch(path).catch(() => null);
      return answer?.ok && answer.headers.get("x-fenbo") ? { path, blob: await answer.blob() } : null;
    }),
  );
  return had.filter(Boolean);
}

async function fetched(path) {
  const answer = await fetch(path, { cache: "no-store" });
  if (!answer.ok || !answer.headers.get("x-fenbo")) throw new Error(`Fenbo answered ${answer.status}.`);
  return answer.json();
}

export const packing = {
  // Fetches what is needed without signal, and begins the phone's Ruby once, so that it begins
  // at once later. Answers with the bytes of memory that it takes.
  async pack(say) {
    await navigator.serviceWorker.register("/sw.js", { scope: "/" });
    await navigator.serviceWorker.ready;
    const about = await (await fetch("/pocket/about.json", { cache: "no-store" })).json();
    const cache = await caches.open(SHELL);
    await cache.addAll(["/pocket/about.json", "/pocket/shell", "/pocket/worker.js", ...Object.values(about.assets)]);
    const phone = new Phone();
    const begun = await phone.begin(say);
    phone.worker.terminate();
    return begun;
  },

  // Whether there is a newer release than the phone's. It waits until nothing is unsent: what
  // was begun under one is finished under it.
  async old() {
    const unsent = (await store.entries()).some((entry) => !entry.answer);
    if (unsent || !(await store.packs()).length) return false;
    const cache = await caches.open(SHELL);
    const { release } = await (await fetch("/pocket/about.json", { cache: "no-store" })).json();
    return release !== (await told(cache));
  },

  // One job with its pictures and the motors that fit it best.
  async take(number) {
    const pack = await fetched(`/pocket/packs/${number}.json`);
    pack.best = await fetched(`/jobs/${number}/match/best.json`);
    await store.take(pack, await pictures(pack));
  },
};
