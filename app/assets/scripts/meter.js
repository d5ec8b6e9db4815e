// What a meter sends by itself, asked for twice a second while the page is open:
// shown live, and put into the form by Hold. The simulated clamp sends through the
// same door.
const EVERY = 500;
const FIELDS = { a: "amps", b: "amps_b", c: "amps_c" };

export function meter() {
  return {
    shown: "–",
    words: "no meter is sending",
    silent: true,
    simulating: "Start it",
    running: false,
    latest: {},
    init() {
      this.timer = setInterval(() => this.tick(), EVERY);
    },
    destroy() {
      clearInterval(this.timer);
    },
    async tick() {
      if (document.hidden) return;
      try {
        if (this.running) await this.send();
        const answer = await fetch("/meter/latest", { credentials: "same-origin" });
        if (answer.ok) this.show(await answer.json());
      } catch {
        this.show({ lines: [] }); /* no signal: nothing is sending */
      }
    },
    show(said) {
      this.silent = !said.lines.length;
      this.latest = Object.fromEntries(said.lines.map((line) => [`${line.quantity}${line.leg || ""}`, line]));
      const amps = said.lines.filter((line) => line.quantity === "amps");
      this.shown = amps.length ? `${amps.map((line) => line.shown).join(" · ")} A` : "–";
      this.words = this.silent ? "no meter is sending" : `${said.source}, ${said.steady}`;
    },
    hold() {
      const form = this.$root.closest("form");
      const put = (name, value) => {
        const field = form?.elements[name];
        if (!field || value === undefined) return;
        field.value = value;
        field.dispatchEvent(new Event("input", { bubbles: true }));
      };
      Object.values(this.latest).forEach((line) => {
        if (line.quantity === "amps") put(FIELDS[line.leg || "a"], line.median);
        if (line.quantity === "volts" && (!line.leg || line.leg === "a")) put("volts", line.median);
        if (line.quantity === "watts") put("watts", line.median);
      });
    },
    simulate() {
      this.running = !this.running;
      this.simulating = this.running ? "Stop it" : "Start it";
    },
    async send() {
      const form = this.$root.closest("form");
      const body = new URLSearchParams({
        authenticity_token: document.querySelector("meta[name=csrf]").content,
        family: this.$refs.family.value,
        condition: this.$refs.condition.value,
        plate: this.$refs.plate.value,
        turns: form?.elements.turns?.value || "1",
      });
      await fetch("/meter/simulated", { method: "POST", body, credentials: "same-origin" });
    },
  };
}
