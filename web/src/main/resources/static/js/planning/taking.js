// What it takes: minutes, proposals with what each setup is there for, marks from two taped distances.
import { handIsUp } from "../frame/press.js";
import { ask, stop, unlessStopped } from "./asking.js";
import { at, desk, equipped, known, placeOf, say, text, want } from "./desk.js";
import { freeName, putAside } from "./keeping.js";

const USUAL = { setup: 15, target: 4, set: 1 };
const fieldOf = key => at(`minutes-${key}`);
let reasons = new Map();

/** A length or a time above 0 as somebody typed it; undefined where it is none. */
export const number = typed => {
  const value = Number(typed.replace(",", "."));
  return typed.trim() && Number.isFinite(value) && value > 0 ? value : undefined;
};

/** What a setup is there for; undefined where nobody asked. */
export const reasonOf = setup => reasons.get(setup);

export function forgetReasons() {
  reasons = new Map();
  at("remedies").replaceChildren();
}

/** The minutes of the plan in their fields. */
export function prices() {
  for (const key of Object.keys(USUAL)) fieldOf(key).value = desk.plan.minutes?.[key] ?? USUAL[key];
}

function price(key, changed) {
  const value = number(fieldOf(key).value);
  if (value === undefined) return say(`"${fieldOf(key).value}" are no minutes: expected a number above 0`);
  say("");
  desk.plan.minutes = { ...USUAL, ...desk.plan.minutes, [key]: value };
  changed();
}

async function propose(changed) {
  if (!equipped()) return;
  if (!desk.plan.wanted.some(w => w.plan || w.elevation || w.hidden)) return say("Say first how well a wanted mark shall lie: in plan, in elevation, or what may stay hidden.");
  say("");
  at("looking").textContent = "Looking for setups…";
  at("stop-looking").hidden = false;
  const before = text();
  try {
    const found = JSON.parse(await ask("proposed", before, desk.plan.setups[0]?.instrument ?? desk.site.instruments[0], desk.site.reflector));
    const said = JSON.parse(await ask("reasons", JSON.stringify({ ground: desk.ground, plan: found })));
    await handIsUp();
    if (text() !== before) return say("The plan was changed while setups were looked for, and stays as it is: ask for a proposal once more.");
    take(found, said);
    changed();
  } catch (fault) {
    unlessStopped(fault);
    say("Stopped; the plan is as it was.", true);
    // What was waiting to be tried was stopped too.
    changed();
  } finally {
    at("looking").textContent = "";
    at("stop-looking").hidden = true;
  }
}

/** What the last proposal gave, as text: setups that differ were made by hand. */
let proposed = "";

/** The proposal takes the place of the setups; where these were kept, or made by hand, the plan stays beside it under its own name. */
function take(found, said) {
  const { plan } = desk;
  if (plan.setups.length && JSON.stringify(plan.setups) !== proposed) putAside();
  const taken = new Set([...desk.site.stands, ...desk.site.known.map(m => m.name), ...plan.wanted.map(w => w.name)]);
  let next = 1;
  for (const setup of found.setups) {
    while (taken.has(`S${next}`) || taken.has(`P${next}`)) next++;
    const named = said.setups?.find(s => s.name === setup.name);
    if (setup.method === "resection") setup.station = `P${next}`;
    setup.name = `S${next++}`;
    if (named) named.name = setup.name;
  }
  plan.setups = found.setups;
  proposed = JSON.stringify(plan.setups);
  if (desk.plans.some(p => p.name === plan.name && p.setups.length)) {
    plan.name = freeName(`${plan.name.replace(/, proposal( \d+)?$/, "")}, proposal`);
    desk.of = plan.name;
  }
  at("plan-name").value = plan.name;
  desk.chosen = plan.setups[0]?.name ?? null;
  reasons = new Map((said.setups ?? []).map(s => [s.name, s]));
  at("remedies").replaceChildren(...(said.remedies ?? []).map(r => Object.assign(document.createElement("li"), { textContent: r.words })));
}

/** A mark by its distances from two known ones, as a sketch has it. */
async function sketch(changed) {
  const name = at("new-mark").value.trim();
  const [one, two] = [known(at("from-one").value), known(at("from-two").value)];
  const [first, second] = [number(at("from-one-distance").value), number(at("from-two-distance").value)];
  if (!name || placeOf(name)) return say(name ? `${name} is on the plan already` : "Expected a name of the mark");
  if (!one || !two || one === two || !first || !second) return say("Expected two different marks and a distance from each");
  const found = JSON.parse(await ask("sketched", JSON.stringify(one), first, JSON.stringify(two), second, at("side").value === "right"));
  if (found.northing === undefined) return say(`${one.name} and ${two.name} are too far apart, or too near, for these distances: they do not meet`);
  say("");
  want(name, found);
  at("new-mark").value = "";
  changed();
}

/** Wires it once. */
export function takes(changed) {
  for (const key of Object.keys(USUAL)) fieldOf(key).addEventListener("change", () => price(key, changed));
  at("propose").addEventListener("click", () => propose(changed));
  at("stop-looking").addEventListener("click", stop);
  at("add-sketched").addEventListener("click", () => sketch(changed));
}
