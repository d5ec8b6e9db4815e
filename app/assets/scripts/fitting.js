// The seat of the hub: dragged on the drawing or moved by keys. The blade follows the
// thumb at once; the drawing for the new seat comes from the server when it rests.
import { asked } from "./asked.js";

const REST = 160;

export function fitting() {
  return {
    // Where keys have put the hub, and where the drawing has it: mm off where the page had it.
    put: 0,
    drawn: 0,
    turn: 0,
    down(event) {
      this.sheet = event.currentTarget;
      this.from = event.clientX;
      this.sheet.setPointerCapture?.(event.pointerId);
    },
    move(event) {
      if (this.from === undefined) return;
      const moved = event.clientX - this.from;
      this.shift(moved / (Number(this.sheet.dataset.scale) * this.sheet.clientWidth));
    },
    up() {
      if (this.from !== undefined) {
        this.from = undefined;
        this.ask();
      }
    },
    key(event) {
      const way = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
      const more = { PageUp: 1, PageDown: -1 }[event.key];
      if (!way && !more) return;
      event.preventDefault();
      event.stopPropagation();
      this.sheet = event.currentTarget;
      if (way) {
        this.put += way * Number(this.sheet.dataset.step);
        this.shift(this.put - this.drawn);
      }
      if (more) {
        const field = this.fields().spacers_set;
        field.value = Math.max(0, Number(field.value) + more);
      }
      clearTimeout(this.timer);
      this.timer = setTimeout(() => this.ask(), REST);
    },
    fields() {
      return this.$refs.seat.elements;
    },
    // mm off the seat the server drew.
    shift(mm) {
      const width = this.sheet.querySelector("svg").viewBox.baseVal.width;
      this.sheet
        .querySelectorAll("[data-fit]")
        .forEach((part) =>
          part.setAttribute("transform", `translate(${mm * Number(this.sheet.dataset.scale) * width} 0)`),
        );
      const seat = Number(this.sheet.dataset.seat) + mm;
      this.fields().seat.value = this.sheet.dataset.units === "us" ? (seat / 25.4).toFixed(3) : seat.toFixed(1);
    },
    // What is taken is what is looked at; a seat that does not hold is taken as not proved.
    take() {
      const form = document.getElementById("take"),
        shown = this.$refs.drawing.querySelector(".fitting-sheet").dataset;
      if (!form) return;
      form.elements.seat_mm.value = shown.take ? shown.seat : "";
      form.elements.spacers.value = shown.take ? shown.spacers : "";
      form.querySelector("button").textContent = shown.take || "Take it, fit not proved";
    },
    // A key pressed while the answer is on its way goes on from where the last one left the hub.
    async ask() {
      const { put } = this;
      const turn = ++this.turn;
      const seat = new URLSearchParams(new FormData(this.$refs.seat));
      try {
        const answer = await asked(`${this.$root.dataset.drawing}?${seat}`);
        if (!answer || turn !== this.turn) return;
        const visible = this.sheet.matches(":focus");
        this.$refs.drawing.innerHTML = await answer.text();
        this.drawn = put;
        this.take();
        if (visible)
          [...this.$refs.drawing.querySelectorAll(".fitting-sheet")]
            .find((one) => one.clientWidth)
            ?.focus({ preventScroll: true });
      } catch {
        /* no signal: the blade stays where it was put, the button asks again */
      }
    },
  };
}
