// The page of a setup: what can be struck out, taken by the station, or called for out of the order.
import { actPosts, change, live, say, url } from "../frame/live.js";

let striking = null;

function openStrike(opener) {
  const panel = document.getElementById("strike-panel");
  striking = opener.dataset.set ? { set: opener.dataset.set } : { line: opener.dataset.line };
  document.getElementById("strike-title").textContent =
    striking.set ? "Strike out the whole set " + striking.set + ": why?" : "Strike out: why?";
  panel.hidden = false;
  panel.querySelector("button").focus();
  panel.scrollIntoView({ block: "nearest" });
}

/** What was called for out of the order, as the server is to take it up. */
function aside() {
  const form = document.getElementById("live");
  if (!form?.elements.aside.value) return {};
  return Object.fromEntries(["target", "role", "face", "reflector", "height", "heightTo"].map(name => [name, form.elements[name].value]));
}

/** Shows what the simulated station displays, to be read and typed. */
async function showDisplay() {
  const answer = await fetch(url() + "/display?" + new URLSearchParams(aside()));
  const shown = await answer.json();
  if (!answer.ok || shown.message) return say(shown.message ?? "");
  document.querySelectorAll("[data-shown]").forEach(place => { place.textContent = shown[place.dataset.shown] ?? ""; });
  document.getElementById("display").hidden = false;
  document.getElementById("circle").focus({ preventScroll: true });
}

/** The marks that may be meant, asked for when somebody is about to choose one: every line booked would carry them otherwise. */
async function offerMarks() {
  const answer = await fetch(url() + "/offered");
  if (!answer.ok || answer.redirected) return;
  document.getElementById("aside-marks").replaceChildren(...(await answer.json()).map(name => new Option("", name)));
}

function begin() {
  live({ path: "/reading", begin });
  actPosts(aside);
  document.querySelectorAll(".open-strike").forEach(opener => opener.addEventListener("click", () => openStrike(opener)));
  document.querySelectorAll(".restore").forEach(button => button.addEventListener("click", () => change("/restore", { line: button.dataset.line })));
  document.querySelectorAll("[data-reason]").forEach(button => button.addEventListener("click", () =>
    change("/strike", { ...striking, reason: button.dataset.reason, other: document.getElementById("other-reason").value })));
  document.getElementById("strike-cancel").addEventListener("click", () => { document.getElementById("strike-panel").hidden = true; });
  document.getElementById("strike-panel").addEventListener("submit", event => event.preventDefault());
  document.querySelector(".something-else").addEventListener("toggle", event => { if (event.target.open) offerMarks(); });
  document.getElementById("show-display")?.addEventListener("click", showDisplay);
  document.querySelectorAll(".order-form").forEach(form => form.addEventListener("submit", event => {
    event.preventDefault();
    change("/order", Object.fromEntries(new FormData(form)));
  }));
  document.getElementById("show-earlier")?.addEventListener("click", () => document.getElementById("book").classList.toggle("whole"));
  document.getElementById("book").addEventListener("click", event => {
    if (!event.target.closest("button")) event.currentTarget.classList.toggle("whole");
  });
}

begin();
