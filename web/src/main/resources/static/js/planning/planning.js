// Planning: the plan is the page. What is drawn and dragged here is tried by the core beside it; nothing is stored before somebody keeps it.
import { ask, lay as layOnTable } from "./asking.js";
import { at, desk, lay, main, say, text, url } from "./desk.js";
import { Drawing } from "./drawing.js";
import { follows } from "./hand.js";
import { jot, keeps, offerPlans, takeUp } from "./keeping.js";
import { fill, lists, show } from "./lists.js";
import { draw, signs } from "./picture.js";
import { forgetGround } from "./standing.js";

/** Tries the plan as it stands; what was asked before and is late is not shown. */
async function tryPlan() {
  const asked = ++desk.looks;
  forgetGround();
  const tried = JSON.parse(await ask("tried", text(), true));
  if (asked !== desk.looks) return;
  desk.tried = tried;
  at("verdict").textContent = tried.verdict;
  at("verdict").classList.toggle("trouble", !tried.met);
  show(tried);
  draw();
  main.dataset.tried = asked;
}

function changed() {
  jot();
  look();
}

function look() {
  draw();
  tryPlan();
}

function take(plan) {
  desk.plan = structuredClone(plan);
  desk.chosen = desk.plan.setups[0]?.name ?? null;
  offerPlans();
  fill();
  look();
}

async function begin() {
  const answer = await fetch(`${url}/state`);
  const site = await answer.json();
  lay(site, new Drawing(at("ground"), { metres: 1 / site.metre, sign: site.unit }));
  lists(changed);
  follows(changed, () => show(desk.tried ?? {}));
  keeps(changed);
  at("plans").addEventListener("change", () => take(desk.plans.find(p => p.name === at("plans").value)));
  if (takeUp()) say("What you drew here before is on the plan again; it is not kept yet.", true);
  await layOnTable(JSON.stringify({ job: site.job, known: site.known }));
  desk.drawing.fit([...signs(), ...desk.ground.obstacles.flatMap(o => o.corners)]);
  take(desk.plan);
  main.dataset.ready = "1";
}

begin();
