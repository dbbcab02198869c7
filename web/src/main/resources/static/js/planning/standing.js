// Where to stand: the ground place by place, coarse first, then fine; thrown away when the plan changes.
import { ask, unlessStopped } from "./asking.js";
import { at, desk, equipped, main, setupOf, text } from "./desk.js";

/** So many places are looked at across. */
const GRIDS = [20, 100];
let looked = null;

export function forgetGround() {
  looked = null;
  at("worth-words").hidden = true;
  desk.drawing.worth([], { step: 1, south: 0, west: 0 });
}

export function redrawGround() {
  if (looked) desk.drawing.worth(looked.rows, looked.grid);
}

async function look() {
  const { looks, site } = desk;
  const setup = setupOf(desk.chosen);
  await ask("ground", text(), setup?.name ?? "", setup?.instrument ?? site.instruments[0], site.reflector, setup?.sets ?? 2);
  const { south, west, high, wide } = desk.drawing.extent();
  for (const places of GRIDS) {
    const step = Math.max(wide, high) / places;
    const grid = { south: south + step / 2, west: west + step / 2, step };
    const rows = [];
    for (let r = 0; r * step < high; r++) rows.push(await ask("row", grid.south + r * step, grid.west, step, Math.ceil(wide / step)));
    if (looks !== desk.looks) return;
    looked = { rows, grid };
    at("worth-words").hidden = false;
    redrawGround();
  }
  main.dataset.looked = "fine";
}

at("look-at-ground").addEventListener("click", () => equipped() && look().catch(unlessStopped));
