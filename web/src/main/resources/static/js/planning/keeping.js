// Keeping plan and ground with the job, taking a plan as the work, and ground from a file. What is not kept yet lies on this device.
import { isAtFault, reasonOf, viewOf } from "../frame/act.js";
import { reached } from "../frame/patience.js";
import { postTo } from "../frame/token.js";
import { at, desk, say, url } from "./desk.js";

const account = document.querySelector("meta[name=account]")?.content ?? "";
const DRAFT = `planning ${account} ${url}`;
const UNANSWERED = "There was no answer: whether it is kept is not known. What you drew stays on this page; try once more.";
const REFUSED = "Not taken in: sign in again in another tab, as the same person; this page keeps what you drew.";
/** Ground and plans by name as they are kept with the job, as text. */
const kept = { ground: "", plans: new Map() };

const isEmpty = plan => plan.setups.length + plan.wanted.length === 0;
const isKept = plan => kept.plans.has(plan.name) ? kept.plans.get(plan.name) === JSON.stringify(plan) : isEmpty(plan);
const isGroundKept = () => kept.ground === JSON.stringify(desk.ground);
const called = name => desk.plans.find(p => p.name === name);

/** What the house answered is what is kept. */
export function startWith({ ground, plans }) {
  kept.ground = JSON.stringify(ground);
  kept.plans = new Map(plans.map(p => [p.name, JSON.stringify(p)]));
}

/** Takes a plan in hand: a copy, so that it can be had again as it is. */
export function takeInHand(plan) {
  desk.plan = structuredClone(plan);
  desk.of = plan.name;
}

/** A name that no plan has, the one asked for if it is free. */
export function freeName(name) {
  let free = name;
  for (let number = 2; called(free); number++) free = `${name} ${number}`;
  return free;
}

/** Puts a copy of the plan in hand among the plans, under its name; where that has come to be another one's, under a free one. */
export function putAside() {
  const copy = structuredClone(desk.plan);
  if (copy.name !== desk.of) copy.name = freeName(copy.name);
  const before = desk.plans.findIndex(p => p.name === copy.name);
  if (before >= 0) desk.plans[before] = copy;
  else desk.plans.push(copy);
}

/** What was drawn and is not kept yet survives a reload, a closed browser and an expired sign-in: the plan in hand and those put aside. */
export function jot() {
  desk.plan.name = at("plan-name").value.trim();
  const { plan, of, seen } = desk;
  const ground = isGroundKept() ? undefined : desk.ground;
  const aside = desk.plans.filter(p => !isKept(p) && p.name !== plan.name);
  if (ground || aside.length || !isKept(plan)) localStorage.setItem(DRAFT, JSON.stringify({ ground, plan, of, seen, aside }));
  else localStorage.removeItem(DRAFT);
  offerPlans();
}

/** Takes up what was jotted down before, on what is kept by now; whether there was anything. */
export function takeUp() {
  const jotted = JSON.parse(localStorage.getItem(DRAFT) ?? "null");
  if (!jotted) return false;
  const { aside, ground, plan, of, seen } = jotted;
  desk.plans = [...desk.plans.filter(p => !aside.some(a => a.name === p.name)), ...aside];
  Object.assign(desk, { plan, of });
  // What was drawn is from the revision of then, the rest of the page from now.
  for (const { name } of [plan, ...aside]) desk.seen.plans[name] = seen.plans[name] ?? seen.page;
  if (ground) {
    desk.ground = ground;
    desk.seen.ground = seen.ground;
  }
  return true;
}

/** What came of a post: ok, and what was said; an expired sign-in says so too. */
async function outcome(posted) {
  const answer = await posted;
  if (isAtFault(answer)) return { ok: false, ...await answer.json() };
  const said = await viewOf(answer);
  return said ? { ok: true, ...said } : { ok: false, message: await reasonOf(answer) ?? REFUSED };
}

const post = async (path, body) => await reached(outcome(postTo(url + path, body))) ?? { ok: false, message: UNANSWERED };

async function send(path) {
  jot();
  const { of, seen, plan: { name } } = desk;
  const [plan, ground, sends] = [JSON.stringify(desk.plan), JSON.stringify(desk.ground), !isGroundKept()];
  const said = await post(path, new URLSearchParams({ key: crypto.randomUUID(), plan, of, planSeen: seen.plans[name] ?? seen.page, workSeen: seen.work,
    ...(sends ? { ground, groundSeen: seen.ground } : {}) }));
  say(said.message ?? "", said.ok);
  // Also where it was refused for what somebody else kept: whoever has read that and sends it again means it.
  if (said.revision) {
    desk.of = said.of;
    seen.plans[name] = seen.work = said.revision;
    if (sends) seen.ground = said.revision;
  }
  if (!said.ok) return;
  if (sends) kept.ground = ground;
  kept.plans.set(name, plan);
  putAside();
  // What was drawn while the answer was on its way is not kept yet.
  jot();
  if (said.leave) location.assign(said.leave);
}

/** The plans there are, the one in hand among them as it is called now. */
export function offerPlans() {
  const { plan } = desk;
  const all = called(plan.name) ? desk.plans.map(p => p.name === plan.name ? plan : p) : [...desk.plans, plan];
  at("plans").replaceChildren(...all.map(p => new Option(isKept(p) ? p.name : `${p.name}, not kept`, p.name, false, p === plan)));
  at("sheet-link").hidden = isEmpty(plan) || !kept.plans.has(plan.name);
  at("sheet-link").href = `${url}/sheet?${new URLSearchParams({ plan: plan.name })}`;
}

/** Another plan is taken in hand; the one in hand is put aside as it stands. */
function choose(take) {
  const wanted = at("plans").value;
  jot();
  const { plan, of } = desk;
  if (plan.name !== of && called(plan.name)) return say(`There is a plan called ${plan.name} already: give the one in hand another name first.`);
  say("");
  putAside();
  take(called(wanted));
  jot();
}

async function addGround(event, changed) {
  event.preventDefault();
  const said = await post("/ground", new FormData(event.target));
  if (!said.ok) return say(said.message);
  desk.ground.obstacles.push(...said.obstacles);
  say(`${said.obstacles.length} ${said.obstacles.length === 1 ? "obstacle" : "obstacles"} added; keep the plan to keep them.`, true);
  changed();
}

async function layPicture(event, changed) {
  event.preventDefault();
  const said = await post("/picture", new FormData(event.target));
  if (!said.ok) return say(said.message);
  desk.site.picture = said;
  say("Laid beneath; it is kept with the job.", true);
  changed();
}

/**
 * Wires the buttons once; who may not keep has none.
 *
 * @param changed after the ground has changed
 * @param take takes another plan in hand and shows it
 */
export function keeps(changed, take) {
  at("plans").addEventListener("change", () => choose(take));
  at("plan-name").addEventListener("change", jot);
  at("keep-plan")?.addEventListener("click", () => send("/keep"));
  at("take-plan")?.addEventListener("click", () => send("/take"));
  at("picture")?.addEventListener("submit", event => layPicture(event, changed));
  document.querySelectorAll(".seen-mark").forEach(choice => choice.replaceChildren(new Option(""), ...desk.site.known.map(m => new Option(m.name))));
  at("ground-file")?.addEventListener("submit", event => addGround(event, changed));
}
