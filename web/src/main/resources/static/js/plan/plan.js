// Pan, zoom and tap on the plan. Symbols and lettering keep their size; the scale bar says what it is now.

const plan = document.getElementById("plan");
const sheet = { width: 1000, height: 620 };
const NEAREST = 40;
let view = { x: 0, y: 0, zoom: 1 };

function draw() {
  plan.setAttribute("viewBox", `${view.x} ${view.y} ${sheet.width / view.zoom} ${sheet.height / view.zoom}`);
  const size = 1 / view.zoom;
  plan.classList.toggle("near", view.zoom >= 2);
  plan.querySelectorAll(".symbol").forEach(s => s.setAttribute("transform", `translate(${s.dataset.x} ${s.dataset.y}) scale(${size})`));
  const place = (selector, x, y) => plan.querySelector(selector)
    .setAttribute("transform", `translate(${view.x + x * size} ${view.y + y * size}) scale(${size})`);
  place(".north", 955, 40);
  place(".bar", 40, 590);
  bar();
}

/** The bar halves as the view doubles, so that it stays on the sheet and its number stays true. */
function bar() {
  const group = plan.querySelector(".bar");
  const whole = Number(group.dataset.length);
  const words = document.getElementById("bar-words");
  words.dataset.whole ??= words.textContent;
  const halvings = Math.max(0, Math.floor(Math.log2(view.zoom)));
  const part = 2 ** halvings;
  const length = whole * view.zoom / part;
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

/** Picture points of the sheet under the pointer. */
function under(event) {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(plan.getScreenCTM().inverse());
  return { x: (at.x - view.x) * view.zoom, y: (at.y - view.y) * view.zoom };
}

function choose(symbol) {
  plan.querySelectorAll(".chosen").forEach(s => s.classList.remove("chosen"));
  symbol.classList.add("chosen");
  const line = document.getElementById("plan-numbers");
  const link = document.createElement("a");
  link.href = symbol.getAttribute("href");
  link.textContent = "how it came about";
  line.replaceChildren(symbol.dataset.numbers + " ", link);
}

if (plan) {
  plan.addEventListener("wheel", event => {
    event.preventDefault();
    const at = under(event);
    zoomAt(at.x, at.y, event.deltaY < 0 ? 1.25 : 0.8);
  }, { passive: false });
  let last = null;
  let moved = false;
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
  plan.addEventListener("pointerup", () => { last = null; });
  plan.querySelectorAll(".symbol").forEach(symbol => {
    symbol.addEventListener("click", event => {
      event.preventDefault();
      if (!moved) choose(symbol);
    });
    symbol.addEventListener("focus", () => choose(symbol));
  });
  document.getElementById("zoom-in").addEventListener("click", () => zoomAt(sheet.width / 2, sheet.height / 2, 1.5));
  document.getElementById("zoom-out").addEventListener("click", () => zoomAt(sheet.width / 2, sheet.height / 2, 1 / 1.5));
  document.getElementById("zoom-all").addEventListener("click", () => { view = { x: 0, y: 0, zoom: 1 }; draw(); });
}
