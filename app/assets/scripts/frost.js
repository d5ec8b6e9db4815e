// The frost map: painted with thumb, mouse or keys on the drawing the server made.
// Each stroke can be taken back; the reading follows half a second behind.
import { asked } from "./asked.js";

const LAG = 400;
// No cell is narrower than this, px.
const STEP = 6;

export function frost() {
  return {
    level: 3,
    painting: false,
    spoken: "",
    note: "",
    at: [0, 0],
    last: null,
    past: [],
    init() {
      this.grid = JSON.parse(this.$refs.grid.value);
      // A kept draft may hold a later painting than the page.
      this.$refs.grid.addEventListener("input", () => {
        this.grid = JSON.parse(this.$refs.grid.value);
        this.paint();
      });
    },
    pick(event) {
      const button = event.target.closest("button");
      this.level = Number(button.dataset.level);
      this.$root.querySelectorAll(".brush").forEach((one) => one.setAttribute("aria-pressed", String(one === button)));
    },
    cell({ clientX, clientY }) {
      const found = document.elementFromPoint(clientX, clientY)?.closest?.("[data-cell]");
      return found && this.$refs.surface.contains(found) ? found.dataset.cell.split("-").map(Number) : null;
    },
    down(event) {
      const cell = this.cell(event);
      if (!cell) return;
      event.preventDefault();
      this.$refs.surface.focus({ preventScroll: true });
      this.remember();
      this.painting = true;
      this.last = event;
      this.put(cell, this.level);
    },
    // A quick thumb passes over cells without being told of there.
    move(event) {
      if (!this.painting) return;
      const [x, y] = [event.clientX - this.last.clientX, event.clientY - this.last.clientY];
      const steps = Math.ceil(Math.hypot(x, y) / STEP) || 1;
      for (let left = steps - 1; left >= 0; left--) {
        const share = left / steps;
        const cell = this.cell({ clientX: event.clientX - x * share, clientY: event.clientY - y * share });
        if (cell) this.put(cell, this.level);
      }
      this.last = event;
    },
    up() {
      if (this.painting) {
        this.painting = false;
        this.changed();
      }
    },
    put([y, x], level) {
      if (this.grid[y][x] === level) return;
      this.grid[y][x] = level;
      this.show(y, x);
    },
    show(y, x) {
      const fill = this.$refs.surface.querySelector(`[data-fill="${y}-${x}"]`);
      if (fill) fill.setAttribute("class", `frost frost-level-${this.grid[y][x]}`);
    },
    paint() {
      this.grid.forEach((row, y) => row.forEach((_, x) => this.show(y, x)));
    },
    remember() {
      this.past.push(JSON.stringify(this.grid));
      if (this.past.length > 60) this.past.shift();
    },
    undo() {
      const before = this.past.pop();
      if (before) {
        this.grid = JSON.parse(before);
        this.paint();
        this.changed();
      }
    },
    fill() {
      this.remember();
      this.grid = this.grid.map((row) => row.map(() => this.level));
      this.paint();
      this.changed();
    },
    mirror() {
      this.remember();
      this.grid = this.grid.map((row) => [...row].reverse());
      this.paint();
      this.changed();
    },
    key(event) {
      const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
      if (step) {
        this.at = [
          Math.min(this.grid.length - 1, Math.max(0, this.at[0] + step[0])),
          Math.min(this.grid[0].length - 1, Math.max(0, this.at[1] + step[1])),
        ];
        this.mark();
      } else if (/^[0-4]$/.test(event.key)) {
        this.remember();
        this.put(this.at, Number(event.key));
        this.changed();
        this.mark();
      } else if (event.key === "u") this.undo();
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
    mark() {
      const [y, x] = this.at;
      this.$refs.surface.querySelectorAll(".cell-here").forEach((one) => one.classList.remove("cell-here"));
      this.$refs.surface.querySelector(`[data-cell="${y}-${x}"]`)?.classList.add("cell-here");
      this.spoken = `row ${y + 1}, column ${x + 1}, level ${this.grid[y][x]}`;
    },
    changed() {
      this.$refs.grid.value = JSON.stringify(this.grid);
      this.$refs.grid.dispatchEvent(new Event("change", { bubbles: true }));
      clearTimeout(this.timer);
      this.timer = setTimeout(() => this.read(), LAG);
    },
    async read() {
      try {
        const body = new URLSearchParams(new FormData(this.$root));
        // Only asked, nothing is taken: the press that keeps it comes later.
        body.delete("client_id");
        const answer = await asked(this.$root.dataset.reading, { method: "POST", body });
        const place = document.getElementById("frost-reading");
        if (answer && place) place.innerHTML = await answer.text();
      } catch {
        /* no signal: the map itself is kept and read when it is sent */
      }
    },
    async open(event) {
      const file = event.target.files?.[0];
      if (!file) return;
      try {
        const map = JSON.parse(await file.text());
        const grid = Array.isArray(map) ? map : map.grid;
        const same = grid.length === this.grid.length && grid.every((row) => row.length === this.grid[0].length);
        if (!same) {
          this.note = `That map is ${grid[0]?.length} wide and ${grid.length} high. Choose that size below first.`;
          return;
        }
        this.remember();
        this.grid = grid.map((row) => row.map((one) => Math.min(4, Math.max(0, Math.round(Number(one) || 0)))));
        this.paint();
        this.note = "Opened. Keep the map when it is right.";
        this.changed();
      } catch {
        this.note = "This is no frost map: a JSON file with a grid was expected.";
      }
    },
  };
}
