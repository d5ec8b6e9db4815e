// A block of a drawing follows the pointer that took it until it is let go. A finger that
// scrolls the page after all ends it where it began.
const LEAST = 4;

// shown: how far it moves on the drawing for so many px of the pointer, [x, y].
// drop: called with the same, where it was let go far enough away.
export function drag(block, event, shown, drop) {
  const over = new AbortController();
  const by = (now) => shown(now.clientX - event.clientX, now.clientY - event.clientY);
  const on = (name, work) => {
    const mine = (now) => now.pointerId === event.pointerId && work(now);
    document.addEventListener(name, mine, { signal: over.signal });
  };
  const back = () => block.removeAttribute("transform");
  on("pointermove", (now) => block.setAttribute("transform", `translate(${by(now).join(" ")})`));
  on("pointercancel", () => {
    over.abort();
    back();
  });
  on("pointerup", (now) => {
    over.abort();
    Math.hypot(...by(now)) < LEAST ? back() : drop(...by(now));
  });
  event.preventDefault();
}
