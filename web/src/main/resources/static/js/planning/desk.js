// What lies on the desk while work is planned: the site, the ground, the plan in hand. Every module of planning shares it.

export const at = id => document.getElementById(id);
export const main = at("content");
export const url = main.dataset.url;

/**
 * Filled once, from what the house answers: see lay.
 * plans: as they were kept, or as they lie here and are not kept; plan: the one in hand, a copy; of: what it was called when it was taken up;
 * seen: the revisions of the job that the page, its ground, the work that was taken, and plans by name are from.
 */
export const desk = { site: null, drawing: null, ground: null, plans: [], plan: null, of: "", seen: null, chosen: null, tool: "move", draft: [], inSight: [],
  tried: null, times: 1, looks: 0 };

export function lay(site, drawing) {
  Object.assign(desk, { site, drawing, ground: site.ground, plans: site.plans, plan: site.plans[site.plans.length - 1],
    seen: { page: site.revision, ground: site.revision, work: site.revision, plans: {} } });
}

export const text = () => JSON.stringify({ ground: desk.ground, plan: desk.plan });
/** Whole millimetres of the core in units of the job. */
export const units = millimetres => millimetres / 1000 * desk.site.metre;
export const known = name => desk.site.known.find(m => m.name === name);
export const wanted = name => desk.plan.wanted.find(m => m.name === name);
export const setupOf = name => desk.plan.setups.find(s => s.name === name);
/** Where a mark or a station of the plan is meant to be. */
export const placeOf = name => known(name) ?? wanted(name)?.near ?? desk.plan.setups.find(s => s.station === name)?.place;

export function say(sentence, done = false) {
  at("message").className = done ? "said" : "message";
  at("message").textContent = sentence;
}

/** All that can be sighted from a station: known marks turn it in, wanted ones are found. */
export function aimsOf(station) {
  const { reflector } = desk.site;
  const held = desk.site.known.filter(m => m.control).map(m => ({ target: m.name, role: "BACKSIGHT", reflector }));
  const found = desk.plan.wanted.filter(w => !known(w.name)?.control).map(w => ({ target: w.name, role: "FORESIGHT", reflector }));
  return [...held, ...found].filter(aim => aim.target !== station);
}

/** A wanted mark is sighted by every setup until somebody says otherwise. */
export function want(name, near) {
  desk.plan.wanted.push({ name, near });
  desk.plan.setups.forEach(s => s.aims.push({ target: name, role: "FORESIGHT", reflector: desk.site.reflector }));
}

/** Whether there is an instrument to plan with; says so where there is none. */
export function equipped() {
  if (!desk.site.instruments.length) say("Add an instrument first, on the sheet of setting up: a plan needs its figures.");
  return desk.site.instruments.length > 0;
}

export function nextName(stem) {
  const { plan, site } = desk;
  const taken = new Set([...site.known.map(m => m.name), ...site.stands, ...plan.wanted.map(w => w.name), ...plan.setups.flatMap(s => [s.name, s.station])]);
  let number = 1;
  while (taken.has(stem + number)) number++;
  return stem + number;
}
