// Switches of the marks that fix or orient a setup: every one is answered in place. The server computes; this fills the cells and keeps the focus.

import { drawn } from "../frame/draw.js";

const main = document.getElementById("content");
const form = document.getElementById("switches");
const drawing = document.getElementById("drawing");
const boxes = [...form.querySelectorAll("[data-off]")];
const scale = document.getElementById("scale"); // a free station's only
const booked = { boxes: boxes.map(box => box.checked), scale: scale?.checked ?? false };
let asked = 0;

const switchedOff = () => boxes.filter(box => !box.checked).map(box => box.dataset.off);

/** Without a position there is nothing to draw. */
function drawShapes(shapes) {
  const filled = shapes ? drawn(document.getElementById("resection-shapes"), shapes).firstElementChild.children : [];
  drawing.replaceChildren(...filled);
}

async function ask() {
  const mine = ++asked;
  const query = new URLSearchParams(switchedOff().map(off => ["off", off]));
  query.set("scale", scale?.checked ?? false);
  const answer = await fetch(main.dataset.url + "/what-if?" + query);
  if (!answer.ok || answer.redirected || mine !== asked) return;
  const { cells, out = [], drawing: shapes } = await answer.json();
  for (const cell of main.querySelectorAll("[data-cell]")) {
    cell.textContent = cells[cell.dataset.cell] ?? "";
    cell.classList.toggle("out", out.includes(cell.dataset.cell));
  }
  drawShapes(shapes);
}

async function oneMore(query) {
  const answer = await fetch(main.dataset.url + "/one-more?" + new URLSearchParams(query));
  if (!answer.ok || answer.redirected) return;
  const more = await answer.json();
  document.getElementById("one-more-words").textContent = more.words;
  if (more.drawing) drawShapes(more.drawing);
}

/** A mark's own switch stands for all its parts; where some are off it stands between. */
function showWhole() {
  for (const whole of form.querySelectorAll("[data-whole]")) {
    const parts = partsOf(whole);
    whole.checked = parts.some(box => box.checked);
    whole.indeterminate = whole.checked && parts.some(box => !box.checked);
  }
}

const partsOf = whole => [...whole.closest("td").querySelectorAll("[data-off]")];

for (const whole of form.querySelectorAll("[data-whole]")) whole.addEventListener("change", () => {
  partsOf(whole).forEach(box => { box.checked = whole.checked; });
  ask();
});
for (const box of scale ? [...boxes, scale] : boxes) box.addEventListener("change", () => {
  showWhole();
  ask();
});
showWhole();
drawShapes(JSON.parse(document.getElementById("first-drawing").textContent).drawing);
document.getElementById("as-booked").addEventListener("click", () => {
  boxes.forEach((box, i) => { box.checked = booked.boxes[i]; });
  showWhole();
  if (scale) scale.checked = booked.scale;
  ask();
});
form.addEventListener("submit", () => {
  for (const off of switchedOff()) {
    const field = document.createElement("input");
    field.type = "hidden";
    field.name = "off";
    field.value = off;
    form.append(field);
  }
});
document.getElementById("one-more")?.addEventListener("change", event => { if (event.target.value) oneMore({ mark: event.target.value }); });
if (scale) drawing.addEventListener("click", event => {
  const mark = event.target.closest("[data-target]");
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing.getScreenCTM().inverse());
  oneMore(mark ? { mark: mark.dataset.target } : { x: at.x, y: at.y });
});
