// Planning: the plan is the page. What is drawn and dragged here is tried by the core beside it; nothing is stored before somebody keeps it.
import { Table } from "./asking.js";
import { Drawing } from "./drawing.js";
import { lists } from "./lists.js";

const main = document.getElementById("content");
const url = main.dataset.url;
const at = id => document.getElementById(id);
const table = new Table();
/** Places of the ground looked at across, coarse first. */
const GRIDS = [20, 100];

const answer = await fetch(`${url}/state`);
const site = await answer.json();
const drawing = new Drawing(at("ground"), { metres: 1 / site.metre, sign: site.unit });
const state = { ground: site.ground, plans: site.plans, plan: site.plans[site.plans.length - 1], chosen: null, tool: "move", draft: [], tried: null, times: 1, looks: 0 };

const text = () => JSON.stringify({ ground: state.ground, plan: state.plan });
const mm = value => value / 1000 * site.metre;
export const known = name => site.known.find(m => m.name === name);
const wanted = name => state.plan.wanted.find(m => m.name === name);
/** Where a mark or a station of the plan is meant to be. */
const placeOf = name => known(name) ?? wanted(name)?.near ?? state.plan.setups.find(s => s.station === name)?.place;

export function say(sentence, done = false) {
  at("message").className = done ? "said" : "message";
  at("message").textContent = sentence;
}

/** Everything that is on the plan by name and place. */
function signs() {
  const chosen = state.chosen;
  const setups = state.plan.setups.map(s => ({ ...placeOf(s.station), kind: "setup", name: s.name, free: s.method === "resection", chosen: s.name === chosen }));
  const marks = state.plan.wanted.filter(w => !known(w.name)).map(w => ({ kind: "wanted", name: w.name, ...w.near }));
  const held = site.known.map(m => ({ kind: m.control ? "control" : "wanted", name: m.name, northing: m.northing, easting: m.easting }));
  return [...held, ...marks, ...setups].filter(s => s.northing !== undefined);
}

function raysOf(setup, sights) {
  const from = placeOf(setup.station);
  return sights.map(s => ({ view: s.view, from, to: placeOf(s.to) })).filter(r => r.from && r.to);
}

/** Ellipses of what was tried, each at its place. */
function spread(tried) {
  const marks = (tried.marks ?? []).map(m => ({ ...m, ...placeOf(m.name) }));
  const stations = (tried.setups ?? []).filter(s => s.a).map(s => ({ ...s, ...placeOf(state.plan.setups.find(p => p.name === s.name)?.station) }));
  return [...marks, ...stations].filter(m => m.northing !== undefined);
}

export function draw() {
  const tried = state.tried ?? {};
  const unseen = (tried.unseen ?? []).map(s => ({ from: { northing: mm(s.north), easting: mm(s.east) }, to: { northing: mm(s.toNorth), easting: mm(s.toEast) } }));
  drawing.obstacles(state.ground.obstacles, unseen);
  drawing.rays((tried.setups ?? []).flatMap(s => {
    const setup = state.plan.setups.find(p => p.name === s.name);
    return setup ? raysOf(setup, s.sights ?? []) : [];
  }));
  const all = spread(tried);
  state.times = drawing.enlargement(all);
  drawing.ellipses(all, state.times);
  at("enlarged").textContent = all.length ? `Ellipses, 95 %, enlarged ${state.times} times. Strokes that break: seen along an edge; dots: not seen.` : "";
  drawing.signs(signs());
  drawing.draft(state.draft);
  drawing.bar();
}

/** Tries the plan as it stands; what was asked before and is late is not shown. */
export async function tryPlan() {
  const look = ++state.looks;
  forgetGround();
  const tried = JSON.parse(await table.ask("tried", text(), true));
  if (look !== state.looks) return;
  state.tried = tried;
  at("verdict").textContent = tried.verdict;
  at("verdict").classList.toggle("trouble", !tried.met);
  panel.show(tried);
  draw();
  main.dataset.tried = look;
}

function changed() {
  draw();
  tryPlan();
}

const panel = lists({ state, site, at, changed, say, table, text, placeOf, known });

// The hand on the plan.

const svg = at("ground");
let hand = null;

function nextName(stem) {
  const taken = new Set([...site.known.map(m => m.name), ...site.stands, ...state.plan.wanted.map(w => w.name), ...state.plan.setups.flatMap(s => [s.name, s.station])]);
  let number = 1;
  while (taken.has(stem + number)) number++;
  return stem + number;
}

/** All that can be sighted: known marks turn the setup in, wanted ones are found. */
export function aimsOf(station) {
  const held = site.known.filter(m => m.control).map(m => ({ target: m.name, role: "BACKSIGHT", reflector: site.reflector }));
  const found = state.plan.wanted.filter(w => !known(w.name)?.control).map(w => ({ target: w.name, role: "FORESIGHT", reflector: site.reflector }));
  return [...held, ...found].filter(aim => aim.target !== station);
}

function setUpAt(place, mark) {
  if (!site.instruments.length) return say("Add an instrument first, on the sheet of setting up: a plan needs its figures.");
  const name = nextName("S");
  const station = mark ?? nextName("P");
  state.plan.setups.push({ name, station, method: mark ? "occupied" : "resection", instrument: site.instruments[0], sets: 2, school: "returning",
    aims: aimsOf(station), ...(mark ? {} : { place }) });
  state.chosen = name;
}

function wantAt(place) {
  const name = nextName("W");
  state.plan.wanted.push({ name, near: place });
  state.plan.setups.forEach(s => s.aims.push({ target: name, role: "FORESIGHT", reflector: site.reflector }));
}

const KINDS = { wall: ["blocks-view", false], figure: ["blocks-view", true], "no-go": ["no-go", true] };

function finishDraft() {
  const [kind, closed] = KINDS[state.tool] ?? [];
  const corners = state.draft.filter((c, i) => i === 0 || c.northing !== state.draft[i - 1].northing || c.easting !== state.draft[i - 1].easting);
  if (kind && corners.length > (closed ? 2 : 1)) {
    const obstacle = { name: `${closed ? "figure" : "line"} ${state.ground.obstacles.length + 1}`, kind, closed, corners };
    const top = Number(at("top").value.replace(",", "."));
    if (at("top").value.trim() && Number.isFinite(top)) obstacle.top = top;
    state.ground.obstacles.push(obstacle);
  }
  state.draft = [];
  changed();
}

/** @param sign what was under the finger when it came down: a captured pointer says no more what it is over */
function tapped(event, sign) {
  const place = drawing.at(event);
  if (state.tool === "setup") {
    setUpAt(place, sign && sign.dataset.kind !== "setup" ? sign.dataset.name : null);
    choose("move");
    changed();
  } else if (state.tool === "wanted") {
    wantAt(place);
    changed();
  } else if (KINDS[state.tool]) {
    state.draft.push(place);
    draw();
  } else if (sign?.dataset.kind === "setup") {
    state.chosen = sign.dataset.name;
    draw();
    panel.show(state.tried ?? {});
  }
}

/** A setup under the finger: each frame asks once, and the newest place wins. */
async function follow() {
  if (hand.asking) return;
  hand.asking = true;
  while (hand?.place) {
    const { place, setup, reach } = hand;
    hand.place = null;
    setup.place = { ...setup.place, ...place };
    const [tried, seen] = await Promise.all([table.ask("dragged", place.northing, place.easting), table.ask("seen", text(), place.northing, place.easting, reach)]);
    showDragged(setup, JSON.parse(tried), JSON.parse(seen));
    main.dataset.frames = Number(main.dataset.frames ?? 0) + 1;
  }
  if (hand) hand.asking = false;
}

function showDragged(setup, tried, seen) {
  const corners = [];
  for (let i = 0; i < seen.length; i += 2) corners.push({ northing: mm(seen[i]), easting: mm(seen[i + 1]) });
  drawing.seen(corners);
  drawing.rays(raysOf(setup, tried.sights ?? []));
  drawing.ellipses((tried.marks ?? []).map(m => ({ ...m, ...placeOf(m.name) })).filter(m => m.northing !== undefined), state.times);
  drawing.signs(signs());
  at("verdict").textContent = `${setup.name}: ${tried.words}`;
}

svg.addEventListener("pointerdown", event => {
  const sign = event.target.closest(".sign");
  hand = { from: event, last: event, moved: false, sign };
  svg.setPointerCapture(event.pointerId);
  const setup = sign && state.tool === "move" && state.plan.setups.find(s => s.name === sign.dataset.name && sign.dataset.kind === "setup" && s.method === "resection");
  const mark = sign && state.tool === "move" && sign.dataset.kind === "wanted" && wanted(sign.dataset.name);
  if (setup) {
    const { wide, high } = drawing.extent();
    Object.assign(hand, { setup, reach: wide + high });
    state.chosen = setup.name;
    table.ask("taken", text(), setup.name);
  } else if (mark && !known(mark.name)) hand.mark = mark;
});

svg.addEventListener("pointermove", event => {
  if (!hand) return;
  hand.moved ||= Math.hypot(event.clientX - hand.from.clientX, event.clientY - hand.from.clientY) > 4;
  if (!hand.moved) return;
  if (hand.setup) {
    hand.place = drawing.at(event);
    follow();
  } else if (hand.mark) {
    hand.mark.near = { ...hand.mark.near, ...drawing.at(event) };
    draw();
  } else if (state.tool === "move") {
    drawing.pan(hand.last, event);
    redrawGround();
    draw();
  }
  hand.last = event;
});

svg.addEventListener("pointerup", event => {
  const done = hand;
  hand = null;
  if (!done) return;
  if (!done.moved) return tapped(event, done.sign);
  drawing.seen([]);
  if (done.setup || done.mark) {
    const place = done.setup?.place ?? done.mark.near;
    Object.assign(place, drawing.at(event));
    changed();
  }
});

svg.addEventListener("dblclick", () => state.draft.length && finishDraft());
svg.addEventListener("wheel", event => { event.preventDefault(); zoom(event.deltaY < 0 ? 1.25 : 0.8); }, { passive: false });
svg.addEventListener("keydown", event => {
  if (event.key === "Enter" && state.draft.length) finishDraft();
  if (event.key === "Escape") { state.draft = []; draw(); }
  const setup = state.plan.setups.find(s => s.name === state.chosen && s.method === "resection");
  const step = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key];
  if (setup && step) {
    event.preventDefault();
    const by = drawing.extent().wide / 80;
    setup.place = { ...setup.place, northing: setup.place.northing + step[0] * by, easting: setup.place.easting + step[1] * by };
    changed();
  }
});

function zoom(times) {
  drawing.zoom(times);
  redrawGround();
  draw();
}

function choose(tool) {
  state.tool = tool;
  state.draft = [];
  document.querySelectorAll("[data-tool]").forEach(b => b.setAttribute("aria-pressed", b.dataset.tool === tool));
  document.querySelectorAll(".drawing-only").forEach(e => { e.hidden = !KINDS[tool]; });
  svg.dataset.tool = tool;
}

document.querySelectorAll("[data-tool]").forEach(button => button.addEventListener("click", () => { choose(button.dataset.tool); draw(); }));
at("finish").addEventListener("click", finishDraft);
at("nearer").addEventListener("click", () => zoom(1.5));
at("farther").addEventListener("click", () => zoom(1 / 1.5));
at("all-of-it").addEventListener("click", () => { drawing.fit(signs()); redrawGround(); draw(); });

// Where to stand: coarse first, then fine.

let looked = null;

function forgetGround() {
  looked = null;
  at("worth-words").hidden = true;
  drawing.worth([], { step: 1, south: 0, west: 0 });
}

function redrawGround() {
  if (looked) drawing.worth(looked.rows, looked.grid);
}

at("look-at-ground").addEventListener("click", async () => {
  if (!site.instruments.length) return say("Add an instrument first, on the sheet of setting up: a plan needs its figures.");
  const look = state.looks;
  const setup = state.plan.setups.find(s => s.name === state.chosen);
  await table.ask("ground", text(), setup?.name ?? "", setup?.instrument ?? site.instruments[0], site.reflector, setup?.sets ?? 2);
  const { south, west, high, wide } = drawing.extent();
  for (const places of GRIDS) {
    const step = Math.max(wide, high) / places;
    const grid = { south: south + step / 2, west: west + step / 2, step };
    const rows = [];
    for (let r = 0; r * step < high; r++) rows.push(await table.ask("row", grid.south + r * step, grid.west, step, Math.ceil(wide / step)));
    if (look !== state.looks) return;
    looked = { rows, grid };
    at("worth-words").hidden = false;
    redrawGround();
  }
  main.dataset.looked = "fine";
});

// Keeping.

async function send(path) {
  const name = at("plan-name").value.trim();
  state.plan.name = name;
  const body = new URLSearchParams({ key: crypto.randomUUID(), ground: JSON.stringify(state.ground), plan: JSON.stringify(state.plan) });
  const headers = { [document.querySelector("meta[name=csrf-header]").content]: document.querySelector("meta[name=csrf]").content, "X-Requested-With": "fetch" };
  try {
    const sent = await fetch(url + path, { method: "POST", headers, body });
    const said = sent.headers.get("Content-Type")?.startsWith("application/json") ? await sent.json() : {};
    if (said.leave) return location.assign(said.leave);
    say(said.message ?? "Not kept: sign in again on another page, this one keeps what you drew.", sent.ok && Boolean(said.message));
    if (sent.ok && said.message) remember();
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    say("The server cannot be reached: nothing is kept yet. What you drew stays on this page.");
  }
}

function remember() {
  const copy = structuredClone(state.plan);
  const before = state.plans.findIndex(p => p.name === copy.name);
  if (before >= 0) state.plans[before] = copy;
  else state.plans.push(copy);
  offerPlans();
}

export function offerPlans() {
  at("plans").replaceChildren(...state.plans.map(p => new Option(p.name, p.name, false, p.name === state.plan.name)));
  at("plan-name").value = state.plan.name;
  at("sheet-link").hidden = !site.plans.length;
  at("sheet-link").href = `${url}/sheet?${new URLSearchParams({ plan: state.plan.name })}`;
}

export function lay(plan) {
  state.plan = structuredClone(plan);
  state.chosen = state.plan.setups[0]?.name ?? null;
  offerPlans();
  panel.fill();
  changed();
}

at("plans").addEventListener("change", () => lay(state.plans.find(p => p.name === at("plans").value)));
at("keep-plan")?.addEventListener("click", () => send("/keep"));
at("take-plan")?.addEventListener("click", () => send("/take"));
at("ground-file")?.addEventListener("submit", async event => {
  event.preventDefault();
  const headers = { [document.querySelector("meta[name=csrf-header]").content]: document.querySelector("meta[name=csrf]").content };
  const sent = await fetch(`${url}/ground`, { method: "POST", headers, body: new FormData(event.target) });
  const said = await sent.json();
  if (!sent.ok) return say(said.message ?? "That file was not read.");
  state.ground.obstacles.push(...said.obstacles);
  say(`${said.obstacles.length} ${said.obstacles.length === 1 ? "obstacle" : "obstacles"} added; keep the plan to keep them.`, true);
  changed();
});

await table.lay(JSON.stringify({ job: site.job, known: site.known }));
drawing.fit([...signs(), ...state.ground.obstacles.flatMap(o => o.corners)]);
choose("move");
lay(state.plan);
main.dataset.ready = "1";
