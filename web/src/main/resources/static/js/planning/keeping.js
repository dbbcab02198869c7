// Keeping plan and ground with the job, taking a plan as the work, and ground from a file.
import { at, desk, say, url } from "./desk.js";

const DRAFT = `planning ${url}`;

/** What was drawn and is not kept yet survives a reload, a closed browser and an expired sign-in. */
export function jot() {
  localStorage.setItem(DRAFT, JSON.stringify({ ground: desk.ground, plan: desk.plan }));
}

/** Takes up what was jotted down before; whether there was anything. */
export function takeUp() {
  const jotted = JSON.parse(localStorage.getItem(DRAFT) ?? "null");
  if (jotted) Object.assign(desk, jotted);
  return Boolean(jotted);
}

const token = () => ({ [document.querySelector("meta[name=csrf-header]").content]: document.querySelector("meta[name=csrf]").content, "X-Requested-With": "fetch" });

async function send(path) {
  desk.plan.name = at("plan-name").value.trim();
  const body = new URLSearchParams({ key: crypto.randomUUID(), ground: JSON.stringify(desk.ground), plan: JSON.stringify(desk.plan) });
  try {
    const sent = await fetch(url + path, { method: "POST", headers: token(), body });
    const said = sent.headers.get("Content-Type")?.startsWith("application/json") ? await sent.json() : {};
    if (sent.ok && (said.leave || said.message)) localStorage.removeItem(DRAFT);
    if (said.leave) return location.assign(said.leave);
    say(said.message ?? "Not kept: sign in again on another page, this one keeps what you drew.", sent.ok && Boolean(said.message));
    if (sent.ok && said.message) remember();
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    say("The server cannot be reached: nothing is kept yet. What you drew stays on this page.");
  }
}

function remember() {
  const copy = structuredClone(desk.plan);
  const before = desk.plans.findIndex(p => p.name === copy.name);
  if (before >= 0) desk.plans[before] = copy;
  else desk.plans.push(copy);
  offerPlans();
}

export function offerPlans() {
  at("plans").replaceChildren(...desk.plans.map(p => new Option(p.name, p.name, false, p.name === desk.plan.name)));
  at("plan-name").value = desk.plan.name;
  at("sheet-link").hidden = !desk.plans.some(p => p.name === desk.plan.name && p.setups.length + p.wanted.length > 0);
  at("sheet-link").href = `${url}/sheet?${new URLSearchParams({ plan: desk.plan.name })}`;
}

async function addGround(event, changed) {
  event.preventDefault();
  const sent = await fetch(`${url}/ground`, { method: "POST", headers: token(), body: new FormData(event.target) });
  const said = await sent.json();
  if (!sent.ok) return say(said.message ?? "That file was not read.");
  desk.ground.obstacles.push(...said.obstacles);
  say(`${said.obstacles.length} ${said.obstacles.length === 1 ? "obstacle" : "obstacles"} added; keep the plan to keep them.`, true);
  changed();
}

async function layPicture(event, changed) {
  event.preventDefault();
  const sent = await fetch(`${url}/picture`, { method: "POST", headers: token(), body: new FormData(event.target) });
  const said = await sent.json();
  if (!sent.ok) return say(said.message ?? "That picture was not laid beneath.");
  desk.site.picture = said;
  say("Laid beneath; it is kept with the job.", true);
  changed();
}

/** Wires the buttons once; who may not keep has none. */
export function keeps(changed) {
  at("keep-plan")?.addEventListener("click", () => send("/keep"));
  at("take-plan")?.addEventListener("click", () => send("/take"));
  at("picture")?.addEventListener("submit", event => layPicture(event, changed));
  document.querySelectorAll(".seen-mark").forEach(choice => choice.replaceChildren(new Option(""), ...desk.site.known.map(m => new Option(m.name))));
  at("ground-file")?.addEventListener("submit", event => addGround(event, changed));
}
