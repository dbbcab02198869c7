// The page of a setup: what can be struck out, taken by the station, or called for out of the order.
import { answerTo, begin, change, say, told } from "../frame/act.js";
import { draw, shown } from "../frame/draw.js";
import { live, wire } from "../frame/live.js";
import { asksForAll, drawLines } from "./lines.js";

let striking = null;
const panel = () => document.getElementById("strike-panel");

function openStrike(opener) {
  striking = opener.dataset.set ? { set: opener.dataset.set } : { line: opener.dataset.line };
  document.getElementById("strike-title").textContent = `${striking.set ? opener.getAttribute("aria-label") : "Strike out"}: why?`;
  panel().hidden = false;
  panel().querySelector("button").focus();
  panel().scrollIntoView({ block: "nearest" });
}

/** What was called for out of the order, as the server is to take it up. */
function aside() {
  const form = document.getElementById("live");
  if (!form?.elements.aside.value) return {};
  const fields = ["target", "role", "face", "reflector", "height", "heightTo", "aside"];
  return Object.fromEntries(fields.map(name => [name, form.elements[name].value]));
}

/** Shows what the simulated station displays, to be read and typed. */
async function showDisplay() {
  const { since } = shown();
  const display = told(await answerTo("display", aside()));
  // A line that was booked meanwhile has put away what is displayed of the one before.
  if (!display || shown().since !== since) return;
  if (display.message) return say(display.message);
  document.querySelectorAll("[data-shown]").forEach(place => { place.textContent = display[place.dataset.shown] ?? ""; });
  document.getElementById("display").hidden = false;
  document.getElementById("circle").focus({ preventScroll: true });
}

/** The marks that may be meant, asked for when somebody is about to choose one: every line booked would carry them otherwise. */
async function offerMarks() {
  const answer = await answerTo("offered");
  if (answer) document.getElementById("aside-marks").replaceChildren(...(answer.names ?? []).map(name => new Option("", name)));
}

/** Draws a view, and puts away what belonged to the one before. */
function show(view) {
  const drawn = draw(view, drawLines);
  if (panel()) panel().hidden = true;
  document.getElementById("display").hidden = true;
  document.querySelector(".something-else").open = false;
  if (drawn.includes("live")) live();
}

const CLICKS = {
  ".open-strike": openStrike,
  ".restore": button => change("/restore", { line: button.dataset.line }),
  "[data-reason]": button =>
    change("/strike", { ...striking, reason: button.dataset.reason, other: document.getElementById("other-reason").value }),
  "#strike-cancel": () => { panel().hidden = true; },
  "#show-display": showDisplay,
  "#show-earlier": () => document.getElementById("book").classList.toggle("whole"),
};

wire({ path: "/reading", show, aside, extra: () => (asksForAll() ? { whole: "yes" } : {}), clicks: CLICKS });
begin();
panel()?.addEventListener("submit", event => event.preventDefault());
document.querySelector(".something-else").addEventListener("toggle", event => { if (event.target.open) offerMarks(); });
document.getElementById("book").addEventListener("click", event => {
  if (!event.target.closest("button, a")) event.currentTarget.classList.toggle("whole");
});
