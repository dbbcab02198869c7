// Planning: the plan is the page. What is drawn and dragged here is tried by the core beside it; nothing is stored before somebody keeps it.
import { handIsUp } from "../frame/press.js";
import { heard, reached, THINKING } from "../frame/patience.js";
import { ask, lay as layOnTable, unlessStopped } from "./asking.js";
import { at, desk, lay, main, say, text, url } from "./desk.js";
import { Drawing } from "./drawing.js";
import { follows } from "./hand.js";
import { jot, keeps, offerPlans, startWith, takeInHand, takeUp } from "./keeping.js";
import { fill, lists, show } from "./lists.js";
import { draw, signs } from "./picture.js";
import { forgetGround } from "./standing.js";

/** Tries the plan as it stands; what was asked before and is late is not shown. */
async function tryPlan() {
  const asked = ++desk.looks;
  forgetGround();
  const answer = await ask("tried", text(), true).catch(unlessStopped);
  await handIsUp();
  if (!answer || asked !== desk.looks) return;
  const tried = JSON.parse(answer);
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

/** Shows the plan in hand from the beginning. */
function showPlan() {
  desk.chosen = desk.plan.setups[0]?.name ?? null;
  at("plan-name").value = desk.plan.name;
  offerPlans();
  fill();
  look();
}

function take(plan) {
  takeInHand(plan);
  showPlan();
}

async function begin() {
  const answer = await reached(heard(`${url}/state`, {}, THINKING));
  if (!answer?.ok || answer.redirected) {
    say("There is no answer: the connection is gone, or the sign-in has expired. Load this page once more.");
    at("verdict").textContent = "";
    return;
  }
  const site = await answer.json();
  lay(site, new Drawing(at("ground"), { metres: 1 / site.metre, sign: site.unit }));
  startWith(site);
  lists(changed);
  follows(changed, () => show(desk.tried ?? {}));
  keeps(changed, take);
  await layOnTable(JSON.stringify({ job: site.job, known: site.known }));
  takeInHand(desk.plan);
  if (takeUp()) say("What you drew here before is on the plan again; it is not kept yet.", true);
  desk.drawing.fit([...signs(), ...desk.ground.obstacles.flatMap(o => o.corners)]);
  showPlan();
  at("table").dataset.drawn = "";
  main.dataset.ready = "1";
}

begin();
