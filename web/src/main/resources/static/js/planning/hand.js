// The hand on the plan: taps with a tool, a setup or a mark dragged, the sheet moved, keys for who uses none.
import { ask } from "./asking.js";
import { aimsOf, at, desk, equipped, known, main, nextName, say, setupOf, text, want, wanted } from "./desk.js";
import { redrawGround } from "./standing.js";
import { draw, drawDragged, signs } from "./picture.js";

const svg = at("ground");
/** Less than that is a tap, picture points. */
const STILL = 4;
/** What each tool draws, and whether it closes. */
const KINDS = { wall: ["blocks-view", false], figure: ["blocks-view", true], "no-go": ["no-go", true] };
let hand = null;
let changed = () => {};
let chosen = () => {};

function setUpAt(place, mark) {
  if (!equipped()) return;
  const name = nextName("S");
  const station = mark ?? nextName("P");
  desk.plan.setups.push({ name, station, method: mark ? "occupied" : "resection", instrument: desk.site.instruments[0], sets: 2, school: "returning",
    aims: aimsOf(station), ...(mark ? {} : { place }) });
  desk.chosen = name;
}

/** Corners drawn so far; a second tap on the last one is the same corner. */
const drawn = () => desk.draft.filter((c, i) => i === 0 || c.northing !== desk.draft[i - 1].northing || c.easting !== desk.draft[i - 1].easting);
const needed = () => KINDS[desk.tool][1] ? 3 : 2;

/** Takes what is drawn as an obstacle, or says what is missing of it: it goes on being drawn then. */
function finishDraft() {
  const [kind, closed] = KINDS[desk.tool];
  const corners = drawn();
  const typed = at("top").value.trim();
  const top = Number(typed.replace(",", "."));
  // Without its top it would hide what is seen above it.
  if (!Number.isFinite(top)) return say(`"${typed}" is no elevation: expected the top of what is drawn in ${desk.site.unit}, such as 12.5, or nothing`);
  if (corners.length < needed()) return say(`${closed ? "A figure" : "A line"} has at least ${needed()} corners: tap the next one, or press Escape to let go.`);
  say("");
  const { obstacles } = desk.ground;
  const word = closed ? "figure" : "line";
  let number = obstacles.length + 1;
  while (obstacles.some(o => o.name === `${word} ${number}`)) number++;
  obstacles.push({ name: `${word} ${number}`, kind, closed, corners, ...(typed ? { top } : {}) });
  desk.draft = [];
  changed();
}

/** @param sign what was under the finger when it came down: a captured pointer says no more what it is over */
function tapped(event, sign) {
  const place = desk.drawing.at(event);
  if (desk.tool === "setup") {
    setUpAt(place, sign && sign.dataset.kind !== "setup" ? sign.dataset.name : null);
    choose("move");
    changed();
  } else if (desk.tool === "wanted") {
    want(nextName("W"), place);
    changed();
  } else if (KINDS[desk.tool]) {
    desk.draft.push(place);
    draw();
  } else if (sign?.dataset.kind === "setup") {
    desk.chosen = sign.dataset.name;
    draw();
    chosen();
  }
}

/** A setup under the finger: each frame asks once, and the newest place wins. */
async function follow() {
  const mine = hand;
  if (mine.asking) return;
  mine.asking = true;
  while (mine.place && hand === mine) {
    const { place, setup, reach } = mine;
    mine.place = null;
    setup.place = { ...setup.place, ...place };
    const [tried, seen] = await Promise.all([ask("dragged", place.northing, place.easting), ask("seen", place.northing, place.easting, reach)]);
    if (hand === mine) drawDragged(setup, JSON.parse(tried), JSON.parse(seen));
    main.dataset.frames = Number(main.dataset.frames ?? 0) + 1;
  }
  mine.asking = false;
}

function down(event) {
  const sign = event.target.closest(".sign");
  hand = { from: event, last: event, moved: false, sign };
  svg.setPointerCapture(event.pointerId);
  if (!sign || desk.tool !== "move") return;
  const setup = sign.dataset.kind === "setup" && setupOf(sign.dataset.name);
  if (setup && setup.method === "resection") {
    const { wide, high } = desk.drawing.extent();
    Object.assign(hand, { setup, reach: wide + high });
    desk.chosen = setup.name;
    ask("taken", text(), setup.name);
  } else if (sign.dataset.kind === "wanted" && !known(sign.dataset.name)) hand.mark = wanted(sign.dataset.name);
}

function move(event) {
  if (!hand) return;
  hand.moved ||= Math.hypot(event.clientX - hand.from.clientX, event.clientY - hand.from.clientY) > STILL;
  if (!hand.moved) return;
  if (hand.setup) {
    hand.place = desk.drawing.at(event);
    follow();
  } else if (hand.mark) {
    hand.mark.near = { ...hand.mark.near, ...desk.drawing.at(event) };
    draw();
  } else if (desk.tool === "move") {
    desk.drawing.pan(hand.last, event);
    redrawGround();
    draw();
  }
  hand.last = event;
}

function up(event) {
  const done = hand;
  hand = null;
  if (!done) return;
  if (!done.moved) return tapped(event, done.sign);
  desk.drawing.seen([]);
  if (done.setup || done.mark) {
    Object.assign(done.setup?.place ?? done.mark.near, desk.drawing.at(event));
    changed();
  }
}

function keyed(event) {
  if (event.key === "Enter" && desk.draft.length) finishDraft();
  if (event.key === "Escape") { desk.draft = []; draw(); }
  const setup = setupOf(desk.chosen);
  const step = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key];
  if (setup?.method === "resection" && step) {
    event.preventDefault();
    const by = desk.drawing.extent().wide / 80;
    setup.place = { ...setup.place, northing: setup.place.northing + step[0] * by, easting: setup.place.easting + step[1] * by };
    changed();
  }
}

function zoom(times) {
  desk.drawing.zoom(times);
  redrawGround();
  draw();
}

export function choose(tool) {
  desk.tool = tool;
  desk.draft = [];
  document.querySelectorAll("[data-tool]").forEach(b => b.setAttribute("aria-pressed", b.dataset.tool === tool));
  document.querySelectorAll(".drawing-only").forEach(e => { e.hidden = !KINDS[tool]; });
  svg.dataset.tool = tool;
}

/** What was drawn with the tool before is finished first, where it is whole. */
function takeTool(tool) {
  if (KINDS[desk.tool] && drawn().length >= needed()) {
    finishDraft();
    if (desk.draft.length) return;
  }
  choose(tool);
}

/** The system took the finger away: what it dragged stays where it is. */
function cutOff() {
  const done = hand;
  hand = null;
  if (!done?.moved) return;
  desk.drawing.seen([]);
  if (done.setup || done.mark) changed();
}

/**
 * Wires the plan once.
 *
 * @param whenChanged after the plan or the ground has changed
 * @param whenChosen after another setup was chosen
 */
export function follows(whenChanged, whenChosen) {
  changed = whenChanged;
  chosen = whenChosen;
  svg.addEventListener("pointerdown", down);
  svg.addEventListener("pointermove", move);
  svg.addEventListener("pointerup", up);
  svg.addEventListener("pointercancel", cutOff);
  svg.addEventListener("dblclick", () => desk.draft.length && finishDraft());
  svg.addEventListener("wheel", event => { event.preventDefault(); zoom(event.deltaY < 0 ? 1.25 : 0.8); }, { passive: false });
  svg.addEventListener("keydown", keyed);
  document.querySelectorAll("[data-tool]").forEach(button => button.addEventListener("click", () => { takeTool(button.dataset.tool); draw(); }));
  at("finish").addEventListener("click", finishDraft);
  at("nearer").addEventListener("click", () => zoom(1.5));
  at("farther").addEventListener("click", () => zoom(1 / 1.5));
  at("all-of-it").addEventListener("click", () => { desk.drawing.fit(signs()); redrawGround(); draw(); });
  choose("move");
}
