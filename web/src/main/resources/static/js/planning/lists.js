// The lists beside the plan: setups with what they sight, wanted marks with what is asked of them, obstacles, marks in sight.
import { ask, unlessStopped } from "./asking.js";
import { aimsOf, at, desk, placeOf, say, text } from "./desk.js";
import { VIEWS } from "./drawing.js";
import { forgetReasons, number, prices, reasonOf, takes } from "./taking.js";

const html = (tag, properties = {}, ...inside) => {
  const element = Object.assign(document.createElement(tag), properties);
  element.append(...inside);
  return element;
};
let changed = () => {};

/** A figure that is asked of a wanted mark. */
function asked(mark, key) {
  const field = html("input", { className: "tiny", inputMode: "decimal" });
  field.addEventListener("change", () => {
    const value = number(field.value);
    if (field.value.trim() && value === undefined) return say(`"${field.value}" is no length: expected ${desk.site.smallSign}, such as 5`);
    if (value === undefined) delete mark[key];
    else mark[key] = value * desk.site.small;
    say("");
    changed();
  });
  return field;
}

const ASKED = { plan: "in plan", elevation: "in elevation", hidden: "no hidden error above" };
const shownOf = (mark, key) => mark[key] === undefined ? "" : String(+(mark[key] / desk.site.small).toFixed(3));

/** The fields of a wanted mark and the cell of what it is promised; its row stays while it is on the plan, so that nothing is typed in vain. */
function wantedRow(mark) {
  const gone = html("button", { type: "button", className: "quiet", textContent: "drop" });
  gone.addEventListener("click", () => {
    desk.plan.wanted = desk.plan.wanted.filter(w => w !== mark);
    desk.plan.setups.forEach(s => { s.aims = s.aims.filter(a => a.target !== mark.name); });
    changed();
  });
  const name = html("input", { className: "short", maxLength: 60 });
  name.setAttribute("aria-label", "Name of the wanted mark");
  name.addEventListener("change", () => rename(mark, name.value.trim()));
  const figures = Object.fromEntries(Object.keys(ASKED).map(key => [key, asked(mark, key)]));
  const words = html("td", { colSpan: 5 });
  const cells = [name, ...Object.values(figures), gone].map(inside => html("td", {}, inside));
  return { mark, name, figures, gone, words, lines: [html("tr", {}, ...cells), html("tr", { className: "promise" }, words)] };
}

/** What stands in a row now; a field in hand keeps what is being typed. */
function fillRow({ mark, name, figures, gone, words }, said) {
  const put = (field, value) => { if (field !== document.activeElement) field.value = value; };
  put(name, mark.name);
  for (const [key, field] of Object.entries(figures)) {
    put(field, shownOf(mark, key));
    field.setAttribute("aria-label", `${mark.name}, ${ASKED[key]}, ${desk.site.smallSign}`);
  }
  gone.setAttribute("aria-label", `Drop ${mark.name}`);
  Object.assign(words, { className: said?.missed ? "trouble pt-0" : "remark pt-0", textContent: said?.words ?? "" });
  words.dataset.promise = mark.name;
}

let rows = [];

function wantedTable(tried) {
  const said = new Map((tried.marks ?? []).map(m => [m.name, m]));
  const { wanted } = desk.plan;
  if (rows.length !== wanted.length || rows.some((row, i) => row.mark !== wanted[i])) {
    rows = wanted.map(mark => rows.find(row => row.mark === mark) ?? wantedRow(mark));
    const head = ["Mark", `plan, ${desk.site.smallSign}`, `elevation, ${desk.site.smallSign}`, `hidden, ${desk.site.smallSign}`, ""].map(word => html("th", { textContent: word }));
    at("wanted").replaceChildren(html("thead", {}, html("tr", {}, ...head)), html("tbody", {}, ...rows.flatMap(row => row.lines)));
  }
  rows.forEach(row => fillRow(row, said.get(row.mark.name)));
}

function rename(mark, name) {
  if (name === mark.name) return;
  if (!name || placeOf(name)) return say(name ? `${name} is on the plan already` : "A wanted mark needs a name");
  say("");
  desk.plan.setups.forEach(s => {
    s.aims.forEach(a => { if (a.target === mark.name) a.target = name; });
    if (s.station === mark.name) s.station = name;
  });
  mark.name = name;
  changed();
}

const PARTS = "summary, select, button, input";

/** Draws a list of choices anew; the one in hand stays in hand. */
function redraw(box, parts) {
  const at = [...box.querySelectorAll(PARTS)].indexOf(document.activeElement);
  box.replaceChildren(...parts);
  box.querySelectorAll(PARTS)[at]?.focus({ preventScroll: true });
}

function setupRow(setup, said) {
  const chosen = setup.name === desk.chosen;
  const box = html("details", { className: "planned border-bottom py-1", open: chosen });
  box.dataset.setup = setup.name;
  const where = setup.method === "occupied" ? `on ${setup.station}` : `free station ${setup.station}`;
  box.append(html("summary", {}, html("strong", { textContent: setup.name }), ` ${where}, ${setup.sets} ${setup.sets === 1 ? "set" : "sets"}`));
  box.addEventListener("toggle", () => { if (box.open && desk.chosen !== setup.name) { desk.chosen = setup.name; } });
  const sentences = (said?.said ?? []).map(s => html("p", { className: "remark my-1", textContent: s.words }));
  const why = reasonOf(setup.name);
  if (why) sentences.push(html("p", { className: "loses my-1", textContent: `${why.takes}. ${why.loses}` }));
  const sets = html("select", {}, ...[1, 2, 3, 4, 6].map(n => new Option(`${n} ${n === 1 ? "set" : "sets"}`, n, false, n === setup.sets)));
  sets.setAttribute("aria-label", `Sets at ${setup.name}`);
  sets.addEventListener("change", () => { setup.sets = Number(sets.value); changed(); });
  const instrument = html("select", {}, ...desk.site.instruments.map(i => new Option(i, i, false, i === setup.instrument)));
  instrument.setAttribute("aria-label", `Instrument at ${setup.name}`);
  instrument.addEventListener("change", () => { setup.instrument = instrument.value; changed(); });
  const gone = html("button", { type: "button", className: "quiet", textContent: "Leave it out" });
  gone.addEventListener("click", () => {
    desk.plan.setups = desk.plan.setups.filter(s => s !== setup);
    desk.chosen = desk.plan.setups[0]?.name ?? null;
    changed();
  });
  const views = new Map((said?.sights ?? []).map(s => [s.to, s]));
  const targets = html("p", { className: "targets d-flex flex-wrap gap-1 column-gap-3 m-0" }, ...candidates(setup).map(aim => target(setup, aim, views.get(aim.target))));
  box.append(...sentences, html("p", { className: "in-line" }, sets, instrument, gone), targets);
  return box;
}

function candidates(setup) {
  const own = new Map(setup.aims.map(a => [a.target, a]));
  return aimsOf(setup.station).map(a => own.get(a.target) ?? a);
}

function target(setup, aim, view) {
  const box = html("input", { type: "checkbox", checked: setup.aims.includes(aim) });
  box.addEventListener("change", () => {
    setup.aims = box.checked ? [...setup.aims, aim] : setup.aims.filter(a => a !== aim);
    changed();
  });
  const words = view && view.view !== "clear" ? ` (${view.view}${view.by ? ` by ${view.by}` : ""})` : "";
  return html("label", { className: `tick fw-normal ${VIEWS[view?.view] ?? ""}` }, box, ` ${aim.target}${words}`);
}

let listed = "";

function obstacleList() {
  const { obstacles } = desk.ground;
  const now = JSON.stringify(obstacles);
  if (now === listed) return;
  listed = now;
  redraw(at("obstacle-list"), obstacles.map(obstacle => {
    const gone = html("button", { type: "button", className: "quiet", textContent: "take away" });
    gone.addEventListener("click", () => { desk.ground.obstacles = desk.ground.obstacles.filter(o => o !== obstacle); changed(); });
    const name = html("input", { className: "short", value: obstacle.name });
    name.setAttribute("aria-label", "Name of the obstacle");
    name.addEventListener("change", () => { obstacle.name = name.value.trim(); changed(); });
    const words = obstacle.kind === "no-go" ? "nobody stands there" : obstacle.top === undefined ? "cannot be seen through" : `cannot be seen through up to ${obstacle.top} ${desk.site.unit}`;
    return html("li", {}, name, ` ${words} `, gone);
  }));
}

async function matrix() {
  const open = at("matrix").closest("details").open;
  const answer = open ? await ask("matrix", text()).catch(unlessStopped) : "{}";
  if (!answer) return;
  const { marks = [], rows: seen = [] } = JSON.parse(answer);
  const names = marks.map(m => m.words);
  const signs = { c: "sees", g: "grazes", b: "", s: "·" };
  const head = html("tr", {}, html("th", {}), ...names.map(name => html("th", { textContent: name })));
  const body = seen.map((row, i) => html("tr", {}, html("th", { textContent: names[i] }), ...[...row.words].map(sign => html("td", { textContent: signs[sign] }))));
  at("matrix").replaceChildren(html("table", { className: "sheet" }, html("thead", {}, head), html("tbody", {}, ...body)));
  // Each pair once.
  const pairs = seen.flatMap((row, i) => [...row.words].slice(0, i).map((sign, k) => ({ sign, from: placeOf(names[i]), to: placeOf(names[k]) })));
  desk.inSight = pairs.filter(p => "cg".includes(p.sign) && p.from && p.to);
  desk.drawing.inSight(desk.inSight);
}

export function show(tried) {
  const said = new Map((tried.setups ?? []).map(s => [s.name, s]));
  at("amount").textContent = tried.amount ?? "";
  at("missed").replaceChildren(...(tried.missed ?? []).map(m => html("li", { className: "trouble", textContent: `${m.words}.` })));
  at("closures").replaceChildren(...(tried.closures ?? []).map(c => html("li", { textContent: c.words })));
  redraw(at("setups"), desk.plan.setups.map(s => setupRow(s, said.get(s.name))));
  wantedTable(tried);
  obstacleList();
  matrix();
}

/** What a plan brings into the fields. */
export function fill() {
  forgetReasons();
  prices();
  for (const id of ["from-one", "from-two"]) at(id).replaceChildren(...desk.site.known.map(m => new Option(m.name)));
  if (desk.site.known.length > 1) at("from-two").selectedIndex = 1;
}

/** Wires the lists once. */
export function lists(whenChanged) {
  changed = whenChanged;
  at("matrix").closest("details").addEventListener("toggle", matrix);
  takes(whenChanged);
}
