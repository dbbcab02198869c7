// The sheet of setting up: shows both values of the height, and what tilt, centring and air do to the chosen sights; asks for what belongs to what is chosen.
import { answerTo, begin, listen, told } from "../frame/act.js";
import { markChosen } from "../frame/choices.js";
import { draw } from "../frame/draw.js";
import { handIsUp } from "../frame/press.js";
import { beginSteps, offerChoices } from "./steps.js";

/** Not there for whoever only reads. */
const form = document.getElementById("occupy");
const echo = document.getElementById("height-echo");
/** After so many milliseconds without a sign what stands there is what was meant. */
const HAND_RESTS = 150;
let asked = 0;

const query = () => new URLSearchParams(new FormData(form));

const answer = question => answerTo(question, query());

async function judge() {
  const mine = ++asked;
  const [both, effects] = await Promise.all([echo ? answer("height") : null, answer("effects")]);
  await handIsUp();
  if (mine !== asked) return;
  // Without an answer nothing is said: what was said before was of other digits.
  if (echo) {
    echo.textContent = both?.fault ?? both?.words ?? "";
    echo.classList.toggle("fault", Boolean(both?.fault));
    document.getElementById("move-echo").textContent = both?.move ?? "";
  }
  document.getElementById("effects")?.replaceChildren(...(effects?.words ?? []).map(sentence => {
    const item = document.createElement("li");
    item.textContent = sentence;
    return item;
  }));
}

function choose() {
  for (const [name, part] of [["orientation", "orientation"], ["start", "start"], ["method", "method"], ["keyed", "keyed"]]) {
    const chosen = form.elements[name].value;
    for (const field of form.querySelectorAll(`[data-${part}]`)) field.hidden = !field.dataset[part].split(" ").includes(chosen);
  }
  for (const rows of form.querySelectorAll("table.grid tbody")) offerOneRow([...rows.rows]);
  for (const usual of form.querySelectorAll("details.usual")) sayValues(usual);
}

/** Of the rows for targets those that are filled, and one more. */
function offerOneRow(rows) {
  const filled = rows.map(row => row.querySelector("input").value !== "");
  rows.forEach((row, i) => {
    row.hidden = i > 0 && !filled[i] && !filled[i - 1];
    row.classList.toggle("filled", filled[i]);
  });
}

/** What is usual is folded; its summary says what it holds. */
function sayValues(usual) {
  const summary = usual.querySelector("summary");
  const head = summary.dataset.head ??= summary.textContent;
  const words = [...usual.querySelectorAll(".fields > div")].filter(part => !part.hidden).flatMap(part => {
    const field = part.querySelector("input, select");
    const label = part.querySelector("label").textContent.trim();
    if (field.type === "checkbox") return field.checked ? [label] : [];
    const value = field.tagName === "SELECT" ? field.selectedOptions[0].textContent : field.value;
    return value ? [label === head ? value : `${label}: ${value}`] : [];
  });
  summary.replaceChildren(head);
  if (usual.open) return;
  const values = document.createElement("span");
  values.className = "remark fw-normal ms-2";
  values.textContent = words.join("; ");
  summary.append(" ", values);
}

let resting;
function changed() {
  choose();
  clearTimeout(resting);
  resting = setTimeout(judge, HAND_RESTS);
}

async function readSensor() {
  const fields = [form.elements.temperature, form.elements.pressure];
  const before = fields.map(field => field.value);
  const air = told(await answer("weather"));
  // What was typed while the sensor was asked stays.
  fields.forEach((field, i) => { if (air?.[field.name] && field.value === before[i]) field.value = air[field.name]; });
  changed();
}

beginSteps();
listen({ show: view => { draw(view); offerChoices(); }, clicks: { "#ask-weather": readSensor } });
begin();
if (form) {
  form.addEventListener("input", changed);
  for (const usual of form.querySelectorAll("details.usual")) {
    usual.open = false;
    usual.addEventListener("toggle", () => sayValues(usual));
  }
  choose();
  judge();
  markChosen(form);
}
