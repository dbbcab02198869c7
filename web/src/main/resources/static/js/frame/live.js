// The line in hand, wherever something is booked: its keys, its echo, and its way to the server.
// A pointing keeps its key until the server has acknowledged it, so that a retry after a lost answer is stored once.
import { change, isAtFault, listen, main, post, reasonOf, say, taken, url, viewOf } from "./act.js";
import { atTheInstrument, readBack } from "./instrument.js";
import { keepKeyboardAway, strike } from "./keys.js";
import { heard, reached } from "./patience.js";
import { handIsUp } from "./press.js";
import { angle, slope } from "./shape.js";
import { isReasoned } from "./token.js";

export const FIELDS = ["circle", "zenith", "slope"];
const RETRY_AFTER = 2000;
/** Who hears nothing for so long, in milliseconds, is told that the line waits. */
const SLOW = 5000;
/** After so many milliseconds without a digit what stands there is what was meant. */
const HAND_RESTS = 500;
/** What waits belongs to who booked it, on this page: another account neither shows nor sends it. */
const account = () => document.querySelector("meta[name=account]")?.content ?? "";
const waitingName = () => `waiting ${account()} ${url()}`;
const typedName = () => `typed ${account()} ${url()}`;
/** How the page takes an answer up: see wire. */
let page = null;
let asked = 0;
let sending = false;
let focused = null;

export const input = name => document.getElementById(name);
export const isBlank = () => FIELDS.every(name => !input(name).value.trim());
const form = () => document.getElementById("live");

function showFaults(faults) {
  for (const name of FIELDS) {
    const echo = document.getElementById("echo-" + name);
    if (faults[name]) {
      echo.textContent = faults[name];
      echo.classList.add("fault");
    }
  }
  const again = document.getElementById("again");
  if (again) again.value = faults.again ?? "";
  delete faults.again;
  const elsewhere = Object.entries(faults).filter(([name]) => !FIELDS.includes(name)).map(([, sentence]) => sentence);
  say(elsewhere.join(" "));
  const first = FIELDS.find(name => faults[name]);
  if (first) input(first).focus();
}

/** A line that waits goes out as it stands: it may be stored already, and only its answer be lost. Whoever sees it wrong strikes it out then. */
function showWaiting(on) {
  document.getElementById("waiting").hidden = !on;
  form()?.querySelectorAll("input").forEach(box => { box.readOnly = on; });
}

/** A line that is stored must not stand in the fields again: whoever booked it once more would store it twice. */
function forgetTyped() {
  localStorage.removeItem(waitingName());
  localStorage.removeItem(typedName());
}

/** Whether the fields still hold what was posted: a fault of older digits must not stand under newer ones. */
function stands(posted) {
  const then = new URLSearchParams(posted);
  return FIELDS.every(name => input(name).value === (then.get(name) ?? ""));
}

/** Says that a line waits, and why. */
function waits(why) {
  showWaiting(true);
  say(`${why} The line waits here and goes out by itself.`);
}

/** Sends what waits; keeps it while the server cannot be reached, or asks for the sign-in. */
async function send() {
  const waiting = localStorage.getItem(waitingName());
  if (!waiting || sending) return;
  sending = true;
  const slow = setTimeout(waits, SLOW, "There is no answer yet.");
  try {
    const answer = await reached(post(page.path, new URLSearchParams(waiting)));
    clearTimeout(slow);
    if (answer) return await settle(waiting, answer);
    waits("The server cannot be reached.");
    setTimeout(send, RETRY_AFTER);
  } finally {
    clearTimeout(slow);
    sending = false;
  }
}

async function settle(waiting, answer) {
  if (isAtFault(answer)) {
    localStorage.removeItem(waitingName());
    showWaiting(false);
    const faults = await answer.json();
    say("");
    if (!form()) say(Object.values(faults).join(" "));
    else if (stands(waiting)) showFaults(faults);
    else understand();
    return;
  }
  const view = await viewOf(answer);
  if (view) {
    forgetTyped();
    showWaiting(false);
    taken(view);
    readBack(view.parts.last?.spoken);
  } else if (isReasoned(answer) && answer.status !== 503) {
    // It will not be booked as it is, however long it waits.
    localStorage.removeItem(waitingName());
    showWaiting(false);
    say(await reasonOf(answer));
  } else if (answer.status === 503) {
    waits(await reasonOf(answer) ?? "The server does not answer just now.");
    setTimeout(send, RETRY_AFTER);
  } else {
    showWaiting(true);
    say(await reasonOf(answer)
      ?? "The line waits: the sign-in has expired. Sign in again in another tab, as the same person, then book once more. Nothing typed is lost.");
  }
}

function book() {
  if (!input("circle").value.trim()) {
    const take = document.getElementById("take");
    if (take && isBlank()) return take.click();
    showFaults({ circle: "Empty: expected the horizontal circle" });
    return;
  }
  if (!localStorage.getItem(waitingName())) {
    const line = new URLSearchParams(new FormData(form()));
    // When it was read, not when it arrives.
    line.set("readAt", new Date().toISOString());
    localStorage.setItem(waitingName(), line.toString());
  }
  send();
}

/** What is typed, as understood. What has no sound shape is asked about once the hand rests; a fault stands under its digits. */
export function understand() {
  const mine = ++asked;
  if (!form()) return;
  const typed = Object.fromEntries(FIELDS.map(name => [name, form().elements[name].value]));
  localStorage.setItem(typedName(), JSON.stringify({ ...typed, sentence: document.getElementById("sentence").textContent }));
  const { angles, lengths } = main().dataset;
  const echoes = { circle: angle(typed.circle, angles), zenith: angle(typed.zenith, angles), slope: slope(typed.slope, lengths) };
  for (const name of FIELDS) echo(name, { echo: echoes[name] ?? "" }, typed[name]);
  const unsound = FIELDS.filter(name => echoes[name] === null);
  if (unsound.length) setTimeout(() => { if (mine === asked) ask(unsound, typed, mine); }, HAND_RESTS);
}

async function ask(unsound, typed, mine) {
  const answer = await reached(heard(main().dataset.understood + "?" + new URLSearchParams(unsound.map(name => [name, typed[name]]))));
  if (!answer?.ok || answer.redirected || mine !== asked) return;
  const understood = await answer.json();
  await handIsUp();
  if (mine === asked) unsound.forEach(name => echo(name, understood[name], typed[name]));
}

function echo(name, understood, typed) {
  const line = document.getElementById("echo-" + name);
  // The last line of all was booked while the answer was on its way: its field is gone.
  if (!line) return;
  line.classList.toggle("fault", Boolean(understood?.fault));
  line.replaceChildren();
  if (understood?.fault && understood.to > understood.from) {
    const faulty = document.createElement("mark");
    faulty.textContent = typed.slice(understood.from, understood.to);
    line.append(typed.slice(0, understood.from), faulty, typed.slice(understood.to), " ");
  }
  line.append(understood?.fault ?? understood?.echo ?? "");
}

function press(key) {
  const at = focused && document.contains(focused) ? focused : input("circle");
  at.focus();
  if (key === "next") return next(at);
  if (at.readOnly) return null;
  strike(at, key);
  return understand();
}

function next(at) {
  const following = FIELDS[FIELDS.indexOf(at.name) + 1];
  if (following) input(following).focus();
  else form().requestSubmit();
}

/** Posts what a button stands for, once, with what stands in hand. */
async function actPost(button) {
  button.disabled = true;
  const { path, aside, all } = button.dataset;
  await change(path, { ...(aside ? page.aside() : {}), ...(all ? { all: "1" } : {}) });
  button.disabled = false;
}

/**
 * Wires a page once: whatever is drawn later is heard too.
 * @param settings path: where a line is posted; show: draws a view; aside: what stands in hand, for the simulated station; extra: what every post says beside;
 *   clicks: what a click does, by selector
 */
export function wire(settings) {
  page = settings;
  atTheInstrument();
  listen({
    show: page.show,
    extra: page.extra,
    clicks: { "[data-key]": key => press(key.dataset.key), ".act-post": actPost, ...page.clicks },
  });
  main().addEventListener("submit", event => {
    if (event.target !== form()) return;
    event.preventDefault();
    book();
  });
}

function wireField(box) {
  keepKeyboardAway(box);
  box.addEventListener("focus", () => { focused = box; });
  box.addEventListener("keydown", event => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    const take = document.getElementById("take");
    if (take && isBlank()) take.click();
    else next(box);
  });
}

/** Takes up a line in hand that has just been drawn: with what was typed for it before a reload. */
export function live() {
  const at = focused?.name;
  focused = null;
  if (form()) {
    form().addEventListener("input", understand);
    FIELDS.forEach(name => wireField(input(name)));
    const kept = JSON.parse(localStorage.getItem(typedName()) ?? "null");
    if (kept && kept.sentence === document.getElementById("sentence").textContent) {
      for (const name of FIELDS) form().elements[name].value = kept[name];
      understand();
    }
    // The same line, drawn anew under a hand that types, is typed on where it was.
    input((!isBlank() && at) || "circle").focus({ preventScroll: true });
    form().querySelector(".live-fields").scrollIntoView({ block: "nearest" });
  }
  if (localStorage.getItem(waitingName())) {
    showWaiting(true);
    send();
  }
}
