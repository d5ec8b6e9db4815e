// The worker with the phone's Ruby, as the page sees it.
import { store } from "./store.js";

export class Phone {
  constructor() {
    this.waiting = new Map();
    this.stands = new Map();
    this.next = 1;
  }

  // told: called with a sentence on the way.
  async begin(told = () => {}) {
    const about = await (await caches.match("/pocket/about.json", { cacheName: "fenbo-shell" })).json();
    this.worker = new Worker("/pocket/worker.js");
    this.worker.onmessage = ({ data }) => this.heard(data, told);
    this.worker.onerror = (problem) => this.stopped(`The phone's Ruby stopped: ${problem.message}`, told);
    const begun = await this.tell("begin", about);
    for (const { number } of await store.packs()) await this.load(await store.pack(number));
    return begun;
  }

  async load({ number, pack, stand }) {
    await this.tell("load", { pack: JSON.stringify(pack) });
    this.stands.set(number, stand);
  }

  // Another page of this phone may have gone on with the job.
  // files: field => {name, type, pixels, bytes}
  async ask(request, files = {}) {
    const number = Number(request.path.match(/^\/jobs\/(\d+)/)?.[1]);
    const stand = number && (await store.stand(number));
    if (stand && stand !== this.stands.get(number)) await this.load(await store.pack(number));
    return this.tell("ask", { request, files });
  }

  // What was asked has been kept, with the job it left.
  kept(number) {
    this.stands.set(number, this.stands.get(number) + 1);
  }

  tell(what, more = {}) {
    const id = this.next++;
    return new Promise((done, failed) => {
      this.waiting.set(id, { done, failed });
      this.worker.postMessage({ id, what, ...more });
    });
  }

  // Nobody waits on for an answer that does not come.
  stopped(sentence, told) {
    told(sentence);
    this.waiting.forEach(({ failed }) => failed(new Error(sentence)));
    this.waiting.clear();
  }

  heard({ id, ok, value, told: sentence }, told) {
    if (sentence) return told(sentence);
    const { done, failed } = this.waiting.get(id);
    this.waiting.delete(id);
    ok ? done(value) : failed(new Error(value));
  }
}
