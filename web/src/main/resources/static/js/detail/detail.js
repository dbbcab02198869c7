// Detail: what is chosen stays chosen; a change asks the server for the page as it is then, and what is typed stays.
import { actPosts, FIELDS, input, live, main, replace, say, understand, url } from "../frame/live.js";

const CHOICES = ["code", "reflector", "join", "line", "built", "face", "up", "later", "all"];
const OWN = ["height", "along", "across", "up-offset"];
/** Letters on the live line, where only digits are typed. */
const LETTERS = { b: () => press("[data-choose-join=begin]"), e: () => press("[data-choose-join=close]"), p: () => step("[data-choose-reflector]"), k: () => step("[data-choose-code]"), o: openOffsets };

const form = () => document.getElementById("live");
const values = names => Object.fromEntries(names.map(name => [name, form().elements[name]?.value ?? ""]));

/** What is in hand, as the server is to take it up. */
function inHand() {
  return values([...CHOICES, ...OWN, "name", "angleOnly"]);
}

async function choose(changed) {
  const typed = values([...FIELDS, ...OWN]);
  const before = values(CHOICES);
  if (changed.code || changed.built) before.join = "";
  if (changed.join || changed.line) before.join = changed.join ?? "go-on";
  if (changed.reflector || changed.code) delete typed.height;
  const answer = await fetch(url() + "?" + new URLSearchParams({ ...before, ...changed }));
  if (!answer.ok || answer.redirected || !replace(await answer.text())) {
    return say("The page cannot be changed: sign in again in another tab. Nothing typed is lost.");
  }
  for (const [name, value] of Object.entries(typed)) if (value && form().elements[name]) form().elements[name].value = value;
  if (FIELDS.some(name => typed[name])) understand();
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

function begin() {
  live({ path: "/shot", begin });
  actPosts(inHand);
  for (const name of CHOICES) {
    document.querySelectorAll(`[data-choose-${name}]`).forEach(button =>
      button.addEventListener("click", () => choose({ [name]: button.getAttribute("data-choose-" + name) })));
  }
  FIELDS.forEach(name => input(name).addEventListener("keydown", event => {
    const act = !event.ctrlKey && !event.altKey && !event.metaKey && LETTERS[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  }));
  for (const name of [...OWN, "name"]) {
    form().elements[name]?.addEventListener("keydown", event => {
      if (event.key === "Enter") {
        event.preventDefault();
        input("circle").focus();
      }
    });
  }
  main().querySelectorAll("[data-waiting]").forEach(button => button.addEventListener("click", () => {
    form().elements.name.value = button.dataset.waiting;
    document.getElementById("sentence").textContent = "Sight " + button.dataset.waiting + ": circle and zenith are enough.";
    input("circle").focus();
  }));
  main().querySelectorAll(".code-choice[aria-pressed=true]").forEach(chosen => chosen.scrollIntoView({ block: "nearest", inline: "nearest" }));
}

begin();
