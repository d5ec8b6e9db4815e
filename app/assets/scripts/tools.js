// What only some pages need, fetched when one of them is there: the frost map's brush, the
// recorder, the cross-section whose hub is dragged, slots and visits that are dragged.
import { fitting } from "./fitting.js";
import { frost } from "./frost.js";
import { recorder } from "./recorder.js";
import { slots } from "./slots.js";
import { week } from "./week.js";

slots.start();
week.start();

const kept = { fitting, frost, recorder };

// Brings every such part of the page to life.
export function wake(page, Alpine) {
  page.querySelectorAll("[data-tool]:not([x-data])").forEach((part) => {
    const name = part.dataset.tool;
    if (!kept[name]) return;
    Alpine.data(name, kept[name]);
    // Till now Alpine passed it over. Seen by its observer, the new attribute would bring the part
    // to life a second time, and what was drawn since would count from nothing.
    Alpine.mutateDom(() => {
      part.removeAttribute("x-ignore");
      delete part._x_ignore;
      part.setAttribute("x-data", name);
    });
    Alpine.initTree(part);
  });
}
