// Small drills for setting up. A toy of the tripod, not of a job: tilt in parts of the bubble's ring, spot in millimetres.
// Tilt points to the high side, where the bubble runs. A screw that lifts its corner tilts towards it, and the plummet, which looks along the
// standing axis, swings the same way: the spot lies at base + height * tilt. Legs tilt the head about the mark.

const SVG = "http://www.w3.org/2000/svg";
const RING = 14;
const SPOT_PER_TILT = 0.6;
const SCREWS = [[0, -80], [70, 40], [-70, 40]];
const STEP = 6;

const node = (name, attributes, text) => {
  const made = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
  if (text) made.textContent = text;
  return made;
};
const random = size => Math.round((Math.random() * 2 - 1) * size);
const length = ([x, y]) => Math.hypot(x, y);

function button(words, act) {
  const made = document.createElement("button");
  made.type = "button";
  made.className = "quiet-act";
  made.textContent = words;
  made.addEventListener("click", act);
  return made;
}

/** The tripod: screws tilt it, legs tilt it about the mark, the slide moves it and tilts it a little. */
function tripod() {
  const tilt = [random(60), random(60)];
  const base = [random(40), random(40)];
  return {
    tilt,
    spot: () => base.map((b, i) => b + SPOT_PER_TILT * tilt[i]),
    screw: (which, way) => SCREWS[which].forEach((part, i) => { tilt[i] += way * STEP * part / 80; }),
    // The left hand on C, the right on B: the bubble follows the left thumb.
    thumbs: inward => SCREWS[1].forEach((part, i) => { tilt[i] += inward * STEP * (part - SCREWS[2][i]) / 80; }),
    leg: (x, y) => [x, y].forEach((way, i) => { tilt[i] += way * STEP; base[i] -= 0.95 * SPOT_PER_TILT * way * STEP; }),
    slide: (x, y) => [x, y].forEach((way, i) => { base[i] += way * STEP; tilt[i] += way * STEP * 0.25; }),
    acts: 0,
  };
}

function draw(svg, stand, shows) {
  svg.replaceChildren();
  if (shows.includes("screws")) SCREWS.forEach(([x, y], i) => {
    svg.append(node("circle", { cx: x, cy: y, r: 14, class: "thin" }), node("text", { x, y: y + 5, "text-anchor": "middle" }, "ABC"[i]));
  });
  svg.append(node("circle", { r: RING, class: "line" }));
  const [x, y] = stand.tilt.map(t => Math.max(-90, Math.min(90, t)));
  svg.append(node("circle", { cx: x, cy: y, r: 11, class: "bubble" }));
  if (shows.includes("spot")) {
    const [sx, sy] = stand.spot().map(s => Math.max(-110, Math.min(110, s)));
    svg.append(node("path", { d: "M-6 0H6M0 -6V6", class: "now" }), node("circle", { cx: sx, cy: sy, r: 4, class: "dot" }));
  }
}

const DIRECTIONS = [["left", -1, 0], ["right", 1, 0], ["away", 0, -1], ["towards you", 0, 1]];

function balance(part, tools, shows) {
  const svg = part.querySelector("svg");
  const verdict = part.querySelector(".verdict");
  const acts = part.querySelector(".drill-acts");
  let stand;
  const show = () => {
    draw(svg, stand, shows);
    const level = length(stand.tilt) < 6;
    const centred = !shows.includes("spot") || length(stand.spot()) < 4;
    verdict.textContent = level && centred ? `Level${shows.includes("spot") ? ", and over the mark" : ""}, after ${stand.acts} turns. Look once more.`
      : `Bubble ${level ? "in its ring" : "out"}${shows.includes("spot") ? `; spot ${Math.round(length(stand.spot()))} mm off` : ""}. ${stand.acts} turns.`;
  };
  const act = how => () => { stand.acts += 1; how(); show(); };
  const begin = () => { stand = tripod(); show(); };
  if (tools.includes("screws")) [0, 1, 2].forEach(i => acts.append(
    button(`Screw ${"ABC"[i]} up`, act(() => stand.screw(i, 1))), button(`${"ABC"[i]} down`, act(() => stand.screw(i, -1)))));
  if (tools.includes("screws")) acts.append(
    button("B and C, thumbs inward", act(() => stand.thumbs(1))), button("B and C, thumbs outward", act(() => stand.thumbs(-1))));
  for (const tool of ["leg", "slide"]) if (tools.includes(tool)) DIRECTIONS.forEach(([word, x, y]) =>
    acts.append(button(`${tool === "leg" ? "Legs: bubble" : "Slide"} ${word}`, act(() => stand[tool](x, y)))));
  acts.append(button("Another", begin));
  begin();
}

function tape(part) {
  const svg = part.querySelector("svg");
  const verdict = part.querySelector(".verdict");
  const acts = part.querySelector(".drill-acts");
  const label = document.createElement("label");
  const input = document.createElement("input");
  input.inputMode = "decimal";
  input.className = "n short";
  label.append("Vertical height, m ", input);
  let taped, radius, below;
  const begin = () => {
    taped = 1.4 + Math.round(Math.random() * 300) / 1000;
    radius = 0.04 + Math.round(Math.random() * 60) / 1000;
    below = 0.1 + Math.round(Math.random() * 100) / 1000;
    svg.replaceChildren(node("path", { d: "M0 90V-70", class: "thin" }), node("path", { d: "M0 90L28 -30", class: "now" }),
      node("circle", { cx: 28, cy: -30, r: 4, class: "bubble" }), node("circle", { cx: 0, cy: -70, r: 4, class: "bubble" }),
      node("text", { x: 34, y: 40 }, `tape ${taped.toFixed(3)}`), node("text", { x: 36, y: -26 }, `radius ${radius.toFixed(3)}`),
      node("text", { x: -8, y: -46, "text-anchor": "end" }, `below axis ${below.toFixed(3)}`));
    verdict.textContent = "Work it out, then look.";
    input.value = "";
  };
  const look = () => {
    const vertical = Math.sqrt(taped ** 2 - radius ** 2) + below;
    const typed = Number(input.value.replace(",", "."));
    verdict.textContent = `${vertical.toFixed(3)} m: the root of tape² less radius², plus what the notch lies below the axis.`
      + (input.value ? ` Yours differs by ${Math.round((typed - vertical) * 1000)} mm.` : "");
  };
  acts.append(label, button("Look", look), button("Another", begin));
  begin();
}

const drills = {
  screws: part => balance(part, ["screws"], ["screws"]),
  plummet: part => balance(part, ["screws", "leg"], ["screws", "spot"]),
  slide: part => balance(part, ["screws", "slide"], ["spot"]),
  tape,
};
document.querySelectorAll("[data-drill]").forEach(part => drills[part.dataset.drill](part));

export {};
