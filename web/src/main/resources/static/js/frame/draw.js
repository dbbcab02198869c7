// Draws views: puts what the server, or later the core in the pocket, says into copies of the page's own templates.
// A template says where a field goes (frame/drawn.html tells how); words come finished and none are made here.

let revision = "";

/** What this page shows, for whoever answers it: which page it is, and the revision of the book on it. */
export const shown = () => ({ page: document.getElementById("content").dataset.page, since: revision });

/** A field by its path; a dot alone is the whole. */
function field(data, path) {
  return path === "." ? data : path.split(".").reduce((at, name) => at?.[name], data);
}

function putAttributes(element, data) {
  for (const pair of element.dataset.put.split(/\s+/)) {
    const [name, path] = pair.split(":");
    const value = field(data, path);
    if (value === undefined) continue;
    if (name === "class") element.classList.add(...value.split(" "));
    else element.setAttribute(name, value);
  }
}

/** Fills an element and all beneath it; takes it out where it asks for what is not said. */
function fill(element, data) {
  const { each, text, put } = element.dataset;
  if (each !== undefined) {
    delete element.dataset.each;
    const rows = field(data, each) ?? [];
    element.replaceWith(...rows.map(row => filled(element, row)));
    return;
  }
  const asked = element.dataset.if ?? element.dataset.with;
  if (asked !== undefined && field(data, asked) === undefined) {
    element.remove();
    return;
  }
  const within = element.dataset.with === undefined ? data : field(data, element.dataset.with);
  if (element.dataset.freshKey !== undefined) element.value = crypto.randomUUID();
  if (put !== undefined) putAttributes(element, within);
  if (text !== undefined) element.textContent = field(within, text) ?? "";
  else [...element.children].forEach(child => fill(child, within));
  if (element.dataset.chosen !== undefined) element.value = field(within, element.dataset.chosen) ?? "";
}

function filled(prototype, data) {
  const copy = prototype.cloneNode(true);
  fill(copy, data);
  return copy;
}

/** A copy of a template, filled. */
export function drawn(template, data) {
  const copy = document.importNode(template.content, true);
  [...copy.children].forEach(child => fill(child, data));
  return copy;
}

/** What each part last showed, so that a page that only catches up leaves alone what is typed into it. */
const drawnAs = new Map();

function put(place, data) {
  const template = place.querySelector("template");
  const chosen = place.value;
  place.replaceChildren(template, ...(Object.keys(data).length ? [drawn(template, data)] : []));
  // What was chosen among options stays chosen where it is still offered.
  if (chosen) place.value = chosen;
}

/** A drawing beside the work is drawn anew a frame after it: the line stands in ink first. */
const putLater = (place, data) => requestAnimationFrame(() => setTimeout(put, 0, place, data));

function drawPart(name, data, gently) {
  const text = JSON.stringify(data);
  if (gently && drawnAs.get(name) === text) return false;
  drawnAs.set(name, text);
  for (const place of document.querySelectorAll(`[data-part="${name}"]`)) {
    const beside = "beside" in place.dataset && place.children.length > 1;
    (beside ? putLater : put)(place, data);
  }
  return true;
}

/** The way through the work stands in the frame of every page: only how far an act is changes. */
function drawAct(at, act) {
  const item = document.querySelectorAll(".way li")[at];
  item.className = act.state;
  const [aloud, words] = item.querySelectorAll(".way-words > span");
  aloud.textContent = act.aloud;
  words.textContent = act.words ?? "";
  item.querySelector("a").href = act.address;
  return true;
}

function drawNamed(name, data, gently) {
  const [part, place] = name.split("/");
  return part === "way" ? drawAct(Number(place), data) : drawPart(name, data, gently);
}

/**
 * Draws what a view says; parts it does not name stay as they are, and where it is to be drawn gently those that say what they said.
 * @param lines what draws its lines
 * @returns the names of the parts that were drawn
 */
export function draw(view, lines = () => {}) {
  revision = String(view.revision);
  const fresh = Object.entries(view.parts).filter(([name, data]) => drawNamed(name, data, view.gently));
  lines(view.lines, Boolean(view.whole));
  // Before all stands where it stays there is nothing to press.
  document.getElementById("content").dataset.drawn = "";
  return fresh.map(([name]) => name);
}

/** The view that came with the page. */
export const firstView = () => JSON.parse(document.getElementById("view").textContent);
