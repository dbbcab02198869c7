// The lists beside the plan: setups with what they sight, wanted marks with what is asked of them, what it takes.

const html = (tag, properties = {}, ...inside) => {
  const element = Object.assign(document.createElement(tag), properties);
  element.append(...inside);
  return element;
};
const number = typed => {
  const value = Number(typed.replace(",", "."));
  return typed.trim() && Number.isFinite(value) && value > 0 ? value : undefined;
};

export function lists({ state, site, at, changed, say, table, text, placeOf, known }) {
  let reasons = null;

  const asked = (mark, key) => {
    const field = html("input", { className: "tiny", inputMode: "decimal", value: mark[key] === undefined ? "" : String(+(mark[key] / site.small).toFixed(3)) });
    field.setAttribute("aria-label", `${mark.name}, ${{ plan: "in plan", elevation: "in elevation", hidden: "no hidden error above" }[key]}, ${site.smallSign}`);
    field.addEventListener("change", () => {
      const value = number(field.value);
      if (field.value.trim() && value === undefined) return say(`"${field.value}" is no length: expected ${site.smallSign}, such as 5`);
      if (value === undefined) delete mark[key];
      else mark[key] = value * site.small;
      say("");
      changed();
    });
    return html("td", {}, field);
  };

  function wantedTable(tried) {
    const said = new Map((tried.marks ?? []).map(m => [m.name, m]));
    const rows = state.plan.wanted.flatMap(mark => {
      const gone = html("button", { type: "button", className: "quiet", textContent: "drop" });
      gone.setAttribute("aria-label", `Drop ${mark.name}`);
      gone.addEventListener("click", () => {
        state.plan.wanted = state.plan.wanted.filter(w => w !== mark);
        state.plan.setups.forEach(s => { s.aims = s.aims.filter(a => a.target !== mark.name); });
        changed();
      });
      const name = html("input", { className: "short", value: mark.name, maxLength: 60 });
      name.setAttribute("aria-label", "Name of the wanted mark");
      name.addEventListener("change", () => rename(mark, name.value.trim()));
      const words = html("td", { className: said.get(mark.name)?.missed ? "trouble" : "remark", colSpan: 5, textContent: said.get(mark.name)?.words ?? "" });
      words.dataset.promise = mark.name;
      return [html("tr", {}, html("td", {}, name), asked(mark, "plan"), asked(mark, "elevation"), asked(mark, "hidden"), html("td", {}, gone)),
        html("tr", { className: "promise" }, words)];
    });
    const head = ["Mark", `plan, ${site.smallSign}`, `elevation, ${site.smallSign}`, `hidden, ${site.smallSign}`, ""].map(word => html("th", { textContent: word }));
    at("wanted").replaceChildren(html("thead", {}, html("tr", {}, ...head)), html("tbody", {}, ...rows));
  }

  function rename(mark, name) {
    if (!name || placeOf(name)) return say(name ? `${name} is on the plan already` : "A wanted mark needs a name");
    state.plan.setups.forEach(s => {
      s.aims.forEach(a => { if (a.target === mark.name) a.target = name; });
      if (s.station === mark.name) s.station = name;
    });
    mark.name = name;
    changed();
  }

  function setupRow(setup, said) {
    const chosen = setup.name === state.chosen;
    const box = html("details", { className: "planned", open: chosen });
    box.dataset.setup = setup.name;
    const where = setup.method === "occupied" ? `on ${setup.station}` : `free station ${setup.station}`;
    box.append(html("summary", {}, html("strong", { textContent: setup.name }), ` ${where}, ${setup.sets} ${setup.sets === 1 ? "set" : "sets"}`));
    box.addEventListener("toggle", () => { if (box.open && state.chosen !== setup.name) { state.chosen = setup.name; } });
    const sentences = (said?.said ?? []).map(s => html("p", { className: "remark", textContent: s.words }));
    const why = reasons?.get(setup.name);
    if (why) sentences.push(html("p", { className: "loses", textContent: `${why.takes}. ${why.loses}` }));
    const sets = html("select", {}, ...[1, 2, 3, 4, 6].map(n => new Option(`${n} ${n === 1 ? "set" : "sets"}`, n, false, n === setup.sets)));
    sets.setAttribute("aria-label", `Sets at ${setup.name}`);
    sets.addEventListener("change", () => { setup.sets = Number(sets.value); changed(); });
    const instrument = html("select", {}, ...site.instruments.map(i => new Option(i, i, false, i === setup.instrument)));
    instrument.setAttribute("aria-label", `Instrument at ${setup.name}`);
    instrument.addEventListener("change", () => { setup.instrument = instrument.value; changed(); });
    const gone = html("button", { type: "button", className: "quiet", textContent: "Leave it out" });
    gone.addEventListener("click", () => { state.plan.setups = state.plan.setups.filter(s => s !== setup); changed(); });
    const views = new Map((said?.sights ?? []).map(s => [s.to, s]));
    const targets = html("p", { className: "targets" }, ...candidates(setup).map(aim => target(setup, aim, views.get(aim.target))));
    box.append(...sentences, html("p", { className: "in-line" }, sets, instrument, gone), targets);
    return box;
  }

  function candidates(setup) {
    const own = new Map(setup.aims.map(a => [a.target, a]));
    const held = site.known.filter(m => m.control).map(m => ({ target: m.name, role: "BACKSIGHT", reflector: site.reflector }));
    const found = state.plan.wanted.filter(w => !known(w.name)?.control).map(w => ({ target: w.name, role: "FORESIGHT", reflector: site.reflector }));
    return [...held, ...found].filter(a => a.target !== setup.station).map(a => own.get(a.target) ?? a);
  }

  function target(setup, aim, view) {
    const box = html("input", { type: "checkbox", checked: setup.aims.includes(aim) });
    box.addEventListener("change", () => {
      setup.aims = box.checked ? [...setup.aims, aim] : setup.aims.filter(a => a !== aim);
      changed();
    });
    const words = view && view.view !== "clear" ? ` (${view.view}${view.by ? ` by ${view.by}` : ""})` : "";
    return html("label", { className: view?.view ?? "" }, box, ` ${aim.target}${words}`);
  }

  function obstacleList() {
    at("obstacle-list").replaceChildren(...state.ground.obstacles.map(obstacle => {
      const gone = html("button", { type: "button", className: "quiet", textContent: "take away" });
      gone.addEventListener("click", () => { state.ground.obstacles = state.ground.obstacles.filter(o => o !== obstacle); changed(); });
      const name = html("input", { className: "short", value: obstacle.name });
      name.setAttribute("aria-label", "Name of the obstacle");
      name.addEventListener("change", () => { obstacle.name = name.value.trim(); changed(); });
      const words = obstacle.kind === "no-go" ? "nobody stands there" : obstacle.top === undefined ? "cannot be seen through" : `cannot be seen through up to ${obstacle.top}`;
      return html("li", {}, name, ` ${words} `, gone);
    }));
  }

  async function matrix() {
    const { marks = [], rows = [] } = JSON.parse(await table.ask("matrix", text()));
    const head = html("tr", {}, html("th", {}), ...marks.map(m => html("th", { textContent: m.words })));
    const body = rows.map((row, i) => html("tr", {}, html("th", { textContent: marks[i].words }), ...[...row.words].map(sign =>
      html("td", { textContent: { c: "sees", g: "grazes", b: "", s: "·" }[sign] }))));
    at("matrix").replaceChildren(html("table", { className: "sheet" }, html("thead", {}, head), html("tbody", {}, ...body)));
  }

  function show(tried) {
    const said = new Map((tried.setups ?? []).map(s => [s.name, s]));
    at("amount").textContent = tried.amount ?? "";
    at("missed").replaceChildren(...(tried.missed ?? []).map(m => html("li", { className: "trouble", textContent: `${m.words}.` })));
    at("closures").replaceChildren(...(tried.closures ?? []).map(c => html("li", { textContent: c.words })));
    at("setups").replaceChildren(...state.plan.setups.map(s => setupRow(s, said.get(s.name))));
    wantedTable(tried);
    obstacleList();
    if (at("matrix").closest("details").open) matrix();
  }

  const MINUTES = { setup: at("minutes-setup"), target: at("minutes-target"), set: at("minutes-set") };

  function fill() {
    reasons = null;
    at("remedies").replaceChildren();
    for (const [key, field] of Object.entries(MINUTES)) field.value = state.plan.minutes?.[key] ?? { setup: 15, target: 4, set: 1 }[key];
    for (const id of ["from-one", "from-two"]) at(id).replaceChildren(...site.known.map(m => new Option(m.name)));
    if (site.known.length > 1) at("from-two").selectedIndex = 1;
  }

  for (const [key, field] of Object.entries(MINUTES)) field.addEventListener("change", () => {
    const value = number(field.value);
    if (value === undefined) return say(`"${field.value}" are no minutes: expected a number above 0`);
    state.plan.minutes = { setup: 15, target: 4, set: 1, ...state.plan.minutes, [key]: value };
    changed();
  });

  at("propose").addEventListener("click", async () => {
    if (!site.instruments.length) return say("Add an instrument first, on the sheet of setting up: a plan needs its figures.");
    if (!state.plan.wanted.some(w => w.plan || w.elevation || w.hidden)) return say("Say first how well a wanted mark shall lie: in plan, in elevation, or what may stay hidden.");
    say("");
    at("looking").textContent = "Looking for setups…";
    at("stop-looking").hidden = false;
    try {
      const found = JSON.parse(await table.ask("proposed", text(), state.plan.setups[0]?.instrument ?? site.instruments[0], site.reflector));
      const said = JSON.parse(await table.ask("reasons", JSON.stringify({ ground: state.ground, plan: found })));
      take(found, said);
    } catch (stopped) {
      if (stopped.message !== "stopped") throw stopped;
      say("Stopped; the plan is as it was.", true);
    } finally {
      at("looking").textContent = "";
      at("stop-looking").hidden = true;
    }
  });
  at("stop-looking").addEventListener("click", () => table.stop());

  /** The proposal takes the place of the setups; the plan it came from stays kept under its own name. */
  function take(found, said) {
    const taken = new Set(site.stands);
    let next = 1;
    for (const setup of found.setups) {
      while (taken.has(`S${next}`)) next++;
      const named = said.setups?.find(s => s.name === setup.name);
      if (setup.method === "resection") setup.station = `P${next}`;
      setup.name = `S${next++}`;
      if (named) named.name = setup.name;
    }
    state.plan.setups = found.setups;
    if (state.plans.some(p => p.name === state.plan.name && p.setups.length)) state.plan.name = `${state.plan.name.replace(/, proposal$/, "")}, proposal`;
    at("plan-name").value = state.plan.name;
    state.chosen = state.plan.setups[0]?.name ?? null;
    reasons = new Map((said.setups ?? []).map(s => [s.name, s]));
    at("remedies").replaceChildren(...(said.remedies ?? []).map(r => html("li", { textContent: r.words })));
    changed();
  }

  at("add-sketched").addEventListener("click", async () => {
    const name = at("new-mark").value.trim();
    const [one, two] = [known(at("from-one").value), known(at("from-two").value)];
    const [first, second] = [number(at("from-one-distance").value), number(at("from-two-distance").value)];
    if (!name || placeOf(name)) return say(name ? `${name} is on the plan already` : "Expected a name of the mark");
    if (!one || !two || one === two || !first || !second) return say("Expected two different marks and a distance from each");
    const found = JSON.parse(await table.ask("sketched", JSON.stringify(one), first, JSON.stringify(two), second, at("side").value === "right"));
    if (found.northing === undefined) return say(`${one.name} and ${two.name} are too far apart, or too near, for these distances: they do not meet`);
    say("");
    state.plan.wanted.push({ name, near: found });
    state.plan.setups.forEach(s => s.aims.push({ target: name, role: "FORESIGHT", reflector: site.reflector }));
    at("new-mark").value = "";
    changed();
  });
  at("matrix").closest("details").addEventListener("toggle", event => event.target.open && matrix());

  return { show, fill };
}
