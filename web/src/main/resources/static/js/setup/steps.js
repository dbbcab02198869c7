// Setting up on a phone: one act on a screen, the next one under the thumb, choices before text, own keys for numbers. On wider screens the sheet stands whole.
import { markChosen, offer, optionsOf } from "../frame/choices.js";
import { giveKeys } from "../frame/keys.js";

const form = document.getElementById("occupy");
const steps = () => [...document.querySelectorAll("#content [data-step]")];
const numbered = () => [...new Set(steps().map(step => Number(step.dataset.step)).filter(Boolean))].sort((a, b) => a - b);
let at = 1;

const headOf = number => form.querySelector(`li[data-step="${number}"] h2`)?.textContent ?? "";

function show(number) {
  at = number;
  for (const step of steps()) step.classList.toggle("away", step.dataset.step !== String(number));
  const all = numbered();
  const following = all[all.indexOf(number) + 1];
  const head = form.querySelector(`li[data-step="${number}"] h2`);
  if (head) head.dataset.place = `${all.indexOf(number) + 1} of ${all.length}`;
  document.getElementById("step-back").hidden = number === all[0];
  const next = document.getElementById("step-next");
  next.hidden = !following;
  next.textContent = following ? `Next: ${headOf(following)}` : "";
  document.getElementById("step-begin").classList.toggle("away", number < 5);
  next.classList.toggle("second", number >= 5);
  document.getElementById("keys").hidden = true;
}

function go(by) {
  const all = numbered();
  show(all[Math.min(Math.max(all.indexOf(at) + by, 0), all.length - 1)]);
  document.getElementById("content").scrollIntoView();
}

/** What is at fault is shown, whichever act it stands in. */
function toFault() {
  const faulty = form.querySelector(".fault:not(:empty)")?.closest("[data-step]");
  if (!faulty) return;
  show(Number(faulty.dataset.step));
  faulty.querySelector(".fault:not(:empty)").scrollIntoView({ block: "center" });
}

/** The choices, after a view was drawn: marks, instruments and reflectors are those of the book. */
export function offerChoices() {
  if (!form) return;
  for (const select of form.querySelectorAll("#method, #station, #instrument, select[name$='-reflector']")) offer(select, optionsOf(select));
  const known = optionsOf(form.elements.station);
  for (const name of form.querySelectorAll("input[name^='back-'][list]")) offer(name, known);
}

export function beginSteps() {
  if (!form) return;
  document.getElementById("step-back").addEventListener("click", () => go(-1));
  document.getElementById("step-next").addEventListener("click", () => go(1));
  form.addEventListener("faults", toFault);
  form.addEventListener("input", () => markChosen(form));
  form.addEventListener("click", ({ target }) => {
    const offered = target.closest("[data-fill]");
    if (!offered) return;
    for (const [name, value] of new URLSearchParams(offered.dataset.fill)) form.elements[name].value = value;
    form.dispatchEvent(new Event("input", { bubbles: true }));
  });
  giveKeys(form, document.getElementById("keys"), () => go(1));
  show(1);
}
