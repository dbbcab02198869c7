// Detail: what is chosen stays chosen; a change asks for what is drawn anew, and what is typed stays.
import { begin, main, say, url, viewOf } from "../frame/act.js";
import { draw, shown } from "../frame/draw.js";
import { putLines, rows } from "../frame/lines.js";
import { FIELDS, input, live, understand, wire } from "../frame/live.js";
import { heard, reached } from "../frame/patience.js";
import { handIsUp } from "../frame/press.js";

const CHOICES = ["code", "reflector", "join", "line", "built", "face", "up", "later", "all"];
const OWN = ["height", "along", "across", "up-offset"];
/** Letters on the live line, where only digits are typed. */
const LETTERS = {
  b: () => press("[data-choose-join=begin]"),
  e: () => press("[data-choose-join=close]"),
  p: () => step("[data-choose-reflector]"),
  k: () => step("[data-choose-code]"),
  o: openOffsets,
};

const form = () => document.getElementById("live");
const values = names => Object.fromEntries(names.map(name => [name, form().elements[name]?.value ?? ""]));

/** What is in hand, as the server is to take it up. */
function inHand() {
  return values([...CHOICES, ...OWN, "name", "angleOnly"]);
}

/** What is typed goes on while the answer is on its way: it is taken up as it stands then, and so is the field it is typed in. */
function showAround(view, ownHeight) {
  const typed = values([...FIELDS, ...OWN]);
  const at = form().contains(document.activeElement) ? document.activeElement.name : "";
  if (ownHeight === typed.height) delete typed.height;
  show(view);
  for (const [name, value] of Object.entries(typed)) if (value && form().elements[name]) form().elements[name].value = value;
  if (FIELDS.some(name => typed[name])) understand();
  form().elements[at]?.focus();
}

async function choose(changed) {
  const before = values(CHOICES);
  if (changed.code || changed.built) before.join = "";
  if (changed.join || changed.line) before.join = changed.join ?? "go-on";
  // A code or a reflector brings its own height.
  const ownHeight = changed.reflector || changed.code ? form().elements.height.value : null;
  const answer = await reached(heard(`${url()}/view?` + new URLSearchParams({ ...before, ...changed, ...shown() })));
  const view = answer && await viewOf(answer);
  if (!view) {
    return say(answer
      ? "The page cannot be changed: sign in again in another tab. Nothing typed is lost."
      : "The server cannot be reached: nothing was changed. What is typed stays; try once more.");
  }
  await handIsUp();
  // A line that was booked meanwhile stands in ink already: it is asked for anew, as things are now.
  if (Number(view.revision) < Number(shown().since)) return choose(changed);
  return form() ? showAround(view, ownHeight) : show(view);
}

function press(selector) {
  document.querySelector(selector)?.click();
}

/** The next of a row of choices. */
function step(selector) {
  const all = [...document.querySelectorAll(selector)];
  const at = all.findIndex(one => one.getAttribute("aria-pressed") === "true");
  all[(at + 1) % all.length]?.click();
}

function openOffsets() {
  document.getElementById("offsets").open = true;
  input("along").focus();
}

/** The last lines; those before them stay away until they are asked for. */
function drawLines(view) {
  return (lines, whole) => {
    putLines(lines, whole);
    rows().filter(row => Number(row.dataset.place) < view.parts.earlier.from).forEach(row => row.remove());
  };
}

function show(view) {
  draw(view, drawLines(view));
  document.querySelector(".something-else").open = false;
  if (form()) live();
  main().querySelectorAll(".code-choice[aria-pressed=true]").forEach(chosen => chosen.scrollIntoView({ block: "nearest", inline: "nearest" }));
}

function sightUnplaced(button) {
  form().elements.name.value = button.dataset.waiting;
  document.getElementById("sentence").textContent = button.dataset.sentence;
  input("circle").focus();
}

const CLICKS = { "[data-waiting]": sightUnplaced };
for (const name of CHOICES) {
  CLICKS[`[data-choose-${name}]`] = button => choose({ [name]: button.getAttribute("data-choose-" + name) });
}

main().addEventListener("keydown", event => {
  const { name } = event.target;
  const act = FIELDS.includes(name) && !event.ctrlKey && !event.altKey && !event.metaKey && LETTERS[event.key];
  if (act) {
    event.preventDefault();
    act();
  }
  if (event.key === "Enter" && [...OWN, "name"].includes(name) && event.target.form === form()) {
    event.preventDefault();
    input("circle").focus();
  }
});

wire({ path: "/shot", show, aside: inHand, extra: () => ({}), clicks: CLICKS });
begin();
