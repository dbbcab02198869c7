// The picture of the plan as it was tried, and of a setup while it is dragged.
import { at, desk, known, placeOf, setupOf, units, url } from "./desk.js";

/** Everything that is on the plan by name and place. */
export function signs() {
  const setups = desk.plan.setups.map(s => ({ ...placeOf(s.station), kind: "setup", name: s.name, free: s.method === "resection", chosen: s.name === desk.chosen }));
  const marks = desk.plan.wanted.filter(w => !known(w.name)).map(w => ({ ...w.near, kind: "wanted", name: w.name }));
  const held = desk.site.known.map(m => ({ kind: m.control ? "control" : "wanted", name: m.name, northing: m.northing, easting: m.easting }));
  return [...held, ...marks, ...setups].filter(s => s.northing !== undefined);
}

function raysOf(setup, sights) {
  const from = placeOf(setup.station);
  return sights.map(s => ({ view: s.view, from, to: placeOf(s.to) })).filter(r => r.from && r.to);
}

/** Ellipses of what was tried, each at its place. */
function spread(tried) {
  const marks = (tried.marks ?? []).map(m => ({ ...m, ...placeOf(m.name) }));
  const stations = (tried.setups ?? []).filter(s => s.a).map(s => ({ ...s, ...placeOf(setupOf(s.name)?.station) }));
  return [...marks, ...stations].filter(m => m.northing !== undefined);
}

export function draw() {
  const { drawing } = desk;
  const tried = desk.tried ?? {};
  const side = s => ({ from: { northing: units(s.north), easting: units(s.east) }, to: { northing: units(s.toNorth), easting: units(s.toEast) } });
  drawing.beneath(desk.site.picture, `${url}/picture?${desk.site.picture?.number}`);
  drawing.obstacles(desk.ground.obstacles, (tried.unseen ?? []).map(side));
  drawing.rays((tried.setups ?? []).filter(s => setupOf(s.name)).flatMap(s => raysOf(setupOf(s.name), s.sights ?? [])));
  drawing.inSight(desk.inSight);
  const all = spread(tried);
  desk.times = drawing.enlargement(all);
  drawing.ellipses(all, desk.times);
  at("enlarged").textContent = all.length ? `Ellipses, 95 %, enlarged ${desk.times} times. Strokes that break: seen along an edge; dots: not seen.` : "";
  drawing.signs(signs());
  drawing.draft(desk.draft);
  drawing.bar();
}

/** @param seen the shape of what is seen, northing and easting in turn, millimetres */
export function drawDragged(setup, tried, seen) {
  const { drawing } = desk;
  const corners = [];
  for (let i = 0; i < seen.length; i += 2) corners.push({ northing: units(seen[i]), easting: units(seen[i + 1]) });
  drawing.seen(corners);
  drawing.rays(raysOf(setup, tried.sights ?? []));
  drawing.ellipses((tried.marks ?? []).map(m => ({ ...m, ...placeOf(m.name) })).filter(m => m.northing !== undefined), desk.times);
  drawing.moveSign("setup", setup.name, setup.place);
  at("verdict").textContent = `${setup.name}: ${tried.words}`;
}
