// The review of a setup: switches of the marks that fix or orient it are answered in place. The core computes; this fills the cells and keeps the focus.
import { answerTo, begin, listen, main, told } from "../frame/act.js";
import { draw, drawn } from "../frame/draw.js";
import { handIsUp } from "../frame/press.js";

let booked = { boxes: [], scale: false };
let asked = 0;
let askedMore = 0;

const switches = () => document.getElementById("switches");
const drawing = () => document.getElementById("drawing");
/** A free station's only. */
const scale = () => document.getElementById("scale");
const boxes = () => [...switches().querySelectorAll("[data-off]")];
const partsOf = whole => [...whole.closest("td").querySelectorAll("[data-off]")];
const switchedOff = () => boxes().filter(box => !box.checked).map(box => box.dataset.off).join("\n");

/** Without a position there is nothing to draw. */
function drawShapes(shapes) {
  const filled = shapes ? drawn(document.getElementById("resection-shapes"), shapes).firstElementChild.children : [];
  drawing().replaceChildren(...filled);
}

function fillCells({ cells, out = [], drawing: shapes }) {
  for (const cell of main().querySelectorAll("[data-cell]")) {
    cell.textContent = cells[cell.dataset.cell] ?? "";
    cell.classList.toggle("out", out.includes(cell.dataset.cell));
  }
  drawShapes(shapes);
}

async function answer(question, query) {
  const filling = await answerTo(question, query);
  await handIsUp();
  return filling;
}

/** What is switched, also in the form that would book it: not there for whoever only reads. */
function takingPart() {
  const switched = { off: switchedOff(), scale: String(scale()?.checked ?? false) };
  const form = switches().querySelector("form");
  for (const [name, value] of Object.entries(form ? switched : {})) form.elements[name].value = value;
  return switched;
}

async function whatIf() {
  const mine = ++asked;
  const now = await answer("what-if", takingPart());
  // Without an answer the numbers are those of before the switch: that is said.
  if (mine === asked && told(now)) fillCells(now);
}

async function oneMore(query) {
  const mine = ++askedMore;
  const more = await answer("one-more", query);
  // A slow answer about one mark does not stand under another.
  if (mine !== askedMore || !told(more)) return;
  document.getElementById("one-more-words").textContent = more.words;
  if (more.drawing) drawShapes(more.drawing);
}

/** A mark's own switch stands for all its parts; where some are off it stands between. */
function showWhole() {
  for (const whole of switches().querySelectorAll("[data-whole]")) {
    const parts = partsOf(whole);
    whole.checked = parts.some(box => box.checked);
    whole.indeterminate = whole.checked && parts.some(box => !box.checked);
  }
}

function switched({ target }) {
  if (target.id === "one-more") return target.value ? oneMore({ mark: target.value }) : null;
  if (target.matches("[data-whole]")) partsOf(target).forEach(box => { box.checked = target.checked; });
  if (!target.matches("[data-whole], [data-off], #scale")) return null;
  showWhole();
  return whatIf();
}

function asBooked() {
  boxes().forEach((box, at) => { box.checked = booked.boxes[at]; });
  if (scale()) scale().checked = booked.scale;
  showWhole();
  whatIf();
}

/** A tap on the drawing asks for one more mark there: one of the job's, or that very place. */
function tapped(event) {
  if (!scale() || !drawing().contains(event.target)) return;
  const mark = event.target.closest("[data-target]");
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing().getScreenCTM().inverse());
  oneMore(mark ? { mark: mark.dataset.target } : { x: at.x, y: at.y });
}

function show(view) {
  draw(view);
  const { tested } = view.parts;
  if (!tested) return;
  ["mw-100", "resection"].forEach(name => main().classList.toggle(name, switches() !== null));
  if (!switches()) return;
  fillCells(tested);
  showWhole();
  booked = { boxes: boxes().map(box => box.checked), scale: scale()?.checked ?? false };
  takingPart();
}

listen({ show, clicks: { "#as-booked": asBooked } });
begin();
main().addEventListener("change", switched);
main().addEventListener("click", tapped);
