// Pan, zoom and tap on the plan. Symbols and lettering keep their size; the scale bar says what it is now.
import { answerTo, begin, listen, told } from "../frame/act.js";
import { draw as drawView } from "../frame/draw.js";
import { Layer } from "../plan/layer.js";

listen({ show: view => { drawView(view); } });
begin();

const plan = document.getElementById("plan");
const canvas = document.getElementById("plan-canvas");
const sheet = { width: 1000, height: 620 };
const NEAREST = canvas ? 400 : 40;
let view = { x: 0, y: 0, zoom: 1 };
let layer = null;
let waiting = false;
/** The size the symbols were last given: the hand that only drags changes none of them. */
let sized = 0;
/** How often a point was asked for: of several taps the last one is answered. */
let tapped = 0;
const symbols = plan ? plan.querySelectorAll(".symbol") : [];

/** How large a unit of the sheet is on a screen narrower than the sheet: lettering would shrink with it. */
const narrowed = () => Math.min(1, plan.clientWidth / sheet.width);

/** Many moves of the hand make one picture. */
function draw() {
  if (waiting) return;
  waiting = true;
  requestAnimationFrame(() => {
    waiting = false;
    drawNow();
  });
}

function drawNow() {
  plan.setAttribute("viewBox", `${view.x} ${view.y} ${sheet.width / view.zoom} ${sheet.height / view.zoom}`);
  const narrow = narrowed() || 1;
  const size = 1 / (view.zoom * narrow);
  plan.classList.toggle("near", view.zoom * narrow >= 2);
  if (sized !== size) symbols.forEach(s => s.setAttribute("transform", `translate(${s.dataset.x} ${s.dataset.y}) scale(${size})`));
  sized = size;
  const place = (selector, x, y) => plan.querySelector(selector)
    .setAttribute("transform", `translate(${view.x + x / view.zoom} ${view.y + y / view.zoom}) scale(${size})`);
  place(".north", 955, 40);
  place(".bar", 40, 590);
  bar(narrow);
  if (layer) {
    layer.shows = { detail: !plan.classList.contains("without-detail"), names: !plan.classList.contains("without-names") };
    const frame = plan.getBoundingClientRect();
    const matrix = plan.getScreenCTM();
    layer.draw({ a: matrix.a, e: matrix.e - frame.left, f: matrix.f - frame.top }, frame.width, frame.height);
  }
}

/** The bar halves as the view doubles, so that it stays on the sheet and its number stays true. */
function bar(narrow) {
  const group = plan.querySelector(".bar");
  const whole = Number(group.dataset.length);
  const words = document.getElementById("bar-words");
  words.dataset.whole ??= words.textContent;
  const halvings = Math.max(0, Math.floor(Math.log2(view.zoom)));
  const part = 2 ** halvings;
  const length = whole * view.zoom * narrow / part;
  document.getElementById("bar-line").setAttribute("d", `M0 -5V5M0 0H${length}M${length} -5V5`);
  const [number, ...unit] = words.dataset.whole.split(" ");
  words.textContent = [String(Number(number) / part), ...unit].join(" ");
}

function zoomAt(x, y, times) {
  const zoom = Math.min(NEAREST, Math.max(1, view.zoom * times));
  view.x += x * (1 / view.zoom - 1 / zoom);
  view.y += y * (1 / view.zoom - 1 / zoom);
  view.zoom = zoom;
  draw();
}

const onSheet = event => new DOMPoint(event.clientX, event.clientY).matrixTransform(plan.getScreenCTM().inverse());

/** Picture points of the sheet under the pointer. */
function under(event) {
  const at = onSheet(event);
  return { x: (at.x - view.x) * view.zoom, y: (at.y - view.y) * view.zoom };
}

function say(numbers, address) {
  const link = document.createElement("a");
  link.href = address;
  link.textContent = "how it came about";
  document.getElementById("plan-numbers").replaceChildren(numbers + " ", link);
}

function choose(symbol) {
  tapped++;
  plan.querySelectorAll(".chosen").forEach(s => s.classList.remove("chosen"));
  symbol.classList.add("chosen");
  say(symbol.dataset.numbers, symbol.getAttribute("href"));
}

async function chooseOnCanvas(event) {
  const name = layer?.nearest(onSheet(event), plan.getScreenCTM().a);
  if (!name) return;
  const mine = ++tapped;
  const known = told(await answerTo("numbers", { name }));
  if (known && mine === tapped) say(known.numbers, known.url);
}

async function fetchLayer() {
  const points = told(await answerTo("layer"));
  if (!points) return;
  layer = new Layer(canvas, { names: [], x: [], y: [], sign: [], lines: [], ...points });
  canvas.dataset.ready = "1";
  draw();
}

function follow() {
  let last = null;
  let moved = false;
  plan.addEventListener("wheel", event => {
    event.preventDefault();
    const at = under(event);
    zoomAt(at.x, at.y, event.deltaY < 0 ? 1.25 : 0.8);
  }, { passive: false });
  plan.addEventListener("pointerdown", event => { last = event; moved = false; });
  plan.addEventListener("pointermove", event => {
    if (!last || event.buttons === 0) return;
    const scale = plan.getScreenCTM().a;
    view.x -= (event.clientX - last.clientX) / scale;
    view.y -= (event.clientY - last.clientY) / scale;
    moved ||= Math.hypot(event.clientX - last.clientX, event.clientY - last.clientY) > 3;
    last = event;
    draw();
  });
  plan.addEventListener("pointerup", event => {
    if (!moved && layer && !event.target.closest(".symbol")) chooseOnCanvas(event);
    last = null;
  });
  plan.querySelectorAll(".symbol").forEach(symbol => {
    symbol.addEventListener("click", event => {
      event.preventDefault();
      if (!moved) choose(symbol);
    });
    symbol.addEventListener("focus", () => choose(symbol));
  });
}

/** What is switched off is not drawn: on the plan by its class, on the canvas by what the layer is told. */
function switchLayers() {
  document.querySelectorAll("[data-layer-switch]").forEach(box => box.addEventListener("change", () => {
    plan.classList.toggle(`without-${box.dataset.layerSwitch}`, !box.checked);
    draw();
  }));
}

if (plan) {
  follow();
  switchLayers();
  document.getElementById("zoom-in").addEventListener("click", () => zoomAt(sheet.width / 2, sheet.height / 2, 1.5));
  document.getElementById("zoom-out").addEventListener("click", () => zoomAt(sheet.width / 2, sheet.height / 2, 1 / 1.5));
  document.getElementById("zoom-all").addEventListener("click", () => { view = { x: 0, y: 0, zoom: 1 }; draw(); });
  new ResizeObserver(draw).observe(plan);
  if (canvas) fetchLayer();
  else plan.dataset.ready = "1";
}
