// The signature: strokes of points from 0 to 1 across the field, drawn on a canvas
// and sent as JSON. Undo takes back the last stroke.
export function signature() {
  return {
    strokes: [],
    drawing: false,
    init() {
      this.canvas = this.$refs.canvas;
      this.paint();
      this.watch = new ResizeObserver(() => this.paint());
      this.watch.observe(this.canvas);
      // A kept draft brings its strokes back.
      this.$refs.field.addEventListener("input", () => this.bring());
      if (this.$refs.field.value) this.bring();
    },
    bring() {
      try {
        this.strokes = JSON.parse(this.$refs.field.value) || [];
      } catch {
        this.strokes = [];
      }
      this.paint();
    },
    destroy() {
      this.watch?.disconnect();
    },
    point(event) {
      const box = this.canvas.getBoundingClientRect();
      const within = (value) => Math.min(1, Math.max(0, Math.round(value * 10000) / 10000));
      return [within((event.clientX - box.left) / box.width), within((event.clientY - box.top) / box.height)];
    },
    down(event) {
      event.preventDefault();
      this.drawing = true;
      this.strokes.push([this.point(event)]);
    },
    move(event) {
      if (!this.drawing) return;
      this.strokes[this.strokes.length - 1].push(this.point(event));
      this.paint();
    },
    up() {
      if (!this.drawing) return;
      this.drawing = false;
      this.keep();
    },
    undo() {
      this.strokes.pop();
      this.keep();
    },
    clear() {
      this.strokes = [];
      this.keep();
    },
    keep() {
      this.$refs.field.value = this.strokes.length ? JSON.stringify(this.strokes) : "";
      this.$refs.field.dispatchEvent(new Event("change", { bubbles: true }));
      this.paint();
    },
    paint() {
      const ratio = window.devicePixelRatio || 1;
      const box = this.canvas.getBoundingClientRect();
      this.canvas.width = box.width * ratio;
      this.canvas.height = box.height * ratio;
      const pen = this.canvas.getContext("2d");
      pen.lineWidth = 2.4 * ratio;
      pen.lineCap = pen.lineJoin = "round";
      pen.strokeStyle = getComputedStyle(this.canvas).color;
      this.strokes.forEach((stroke) => {
        pen.beginPath();
        stroke.forEach(([x, y], index) =>
          pen[index ? "lineTo" : "moveTo"](x * this.canvas.width, y * this.canvas.height),
        );
        pen.stroke();
      });
    },
  };
}
