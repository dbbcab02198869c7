// How a job stands on this device: what is on it, what waits and since when, what was set aside; and taking it along.
// A page that shows a book to which others have added asks for its view again.

import { handIsUp } from "../frame/press.js";

const INTERVAL = 10000;
const account = document.querySelector("meta[name=account]")?.content;
const job = location.pathname.match(/^\/job\/([0-9a-f-]{36})/)?.[1];
const strip = document.getElementById("pocket");
const channel = new BroadcastChannel("pocket");
const clock = at => new Date(at).toTimeString().slice(0, 5);
const count = (number, one, many) => `${number} ${number === 1 ? one : many}`;
const heard = new Set();

/** Calls a function whenever others have added to the book that the page shows. */
export const onChange = listener => heard.add(listener);

async function ask(what, key = "") {
  const registration = await navigator.serviceWorker.ready;
  registration.active.postMessage({ ask: what, job, key });
}

function words({ taken, waiting, since, away, signIn, out, clock: off }) {
  if (!taken) return "";
  const sent = waiting
    ? `${count(waiting, "line waits", "lines wait")} since ${clock(since)}`
    : `all sent, ${clock(taken.sentAt)}`;
  const why = out ? ": you are no member of this job any more" : signIn ? ": sign in to send" : away && waiting ? ": no connection" : "";
  const differs = off ? `. This device's clock is ${count(Math.round(Math.abs(off) / 60000), "minute", "minutes")} ${off > 0 ? "ahead" : "behind"}` : "";
  return `On this device; ${sent}${why}${differs}`;
}

/** One thing is done with a line at a time: it is told anew when that is done. */
function press(words, what, key) {
  const button = document.createElement("button");
  Object.assign(button, { type: "button", className: "quiet", textContent: words });
  button.addEventListener("click", () => {
    const line = button.closest("li");
    line.dataset.told = "";
    line.querySelectorAll("button").forEach(either => { either.disabled = true; });
    ask(what, key);
  });
  return button;
}

/** A line that no longer fits: what was booked, why it does not fit, and what can be done. */
function setAside({ key, words: booked, at, reason }) {
  const line = document.createElement("li");
  line.append(`Set aside, booked ${clock(at)}: ${booked}. ${reason} `, press("Book it again", "again", key), press("I have read it", "lay-by", key));
  return line;
}

/** A line that is told as it was stays as it stands: nothing is taken from beneath a hand. */
function showAside(lines) {
  const list = document.getElementById("pocket-aside");
  const stood = new Map([...list.children].map(line => [line.dataset.told, line]));
  const stand = lines.map(line => {
    const told = JSON.stringify(line);
    const here = stood.get(told) ?? setAside(line);
    here.dataset.told = told;
    return here;
  });
  if (stand.length !== list.children.length || stand.some((line, at) => line !== list.children[at])) list.replaceChildren(...stand);
}

async function show(standing) {
  await handIsUp();
  const said = words(standing);
  strip.hidden = !said;
  strip.classList.toggle("waits", standing.waiting > 0);
  document.getElementById("pocket-words").textContent = said;
  showAside(standing.aside ?? []);
  const section = document.getElementById("take-along");
  if (!section) return;
  document.getElementById("take").hidden = Boolean(standing.taken);
  document.getElementById("let-go").hidden = !standing.taken || standing.waiting > 0;
  document.getElementById("taken-words").textContent = standing.taken ? `${said}, up to entry ${standing.taken.entries}.` : "";
}

/** Says why a device takes nothing along, where somebody would ask it to. */
function cannot(why) {
  const said = document.getElementById("taken-words");
  if (!said) return;
  said.textContent = why;
}

const register = () => navigator.serviceWorker.register(strip.dataset.worker, { type: "module", scope: "/" });

async function take() {
  const said = document.getElementById("taken-words");
  said.textContent = "Taking it along …";
  try {
    await register();
  } catch (refused) {
    if (!(refused instanceof TypeError || refused instanceof DOMException)) throw refused;
    // Without a connection the worker that is here goes on; without any this browser cannot.
    if (!navigator.serviceWorker.controller) return cannot("This browser cannot take a job along: its workers take no modules.");
  }
  return ask("take-along");
}

/** Nothing is loaded where nothing was taken along: the worker comes with the first job. */
async function begin() {
  if (!window.isSecureContext || !navigator.serviceWorker) {
    return cannot("A device takes a job along only from this very machine, or over TLS.");
  }
  channel.addEventListener("message", ({ data }) => {
    if (data.job !== job || (data.carrier && data.carrier !== account)) return;
    if (data.failed) cannot("It could not be taken along: the server cannot be reached, or the sign-in has expired. Nothing on this device changed.");
    else if (data.changed) heard.forEach(listener => listener());
    else show(data);
  });
  document.getElementById("take")?.addEventListener("click", take);
  document.getElementById("let-go")?.addEventListener("click", () => ask("let-go"));
  const here = await navigator.serviceWorker.getRegistration("/");
  if (!here) return null;
  // A worker of a version before is renewed where the server is reached; else it goes on.
  if (navigator.onLine) register().catch(unreachable => { if (!(unreachable instanceof TypeError)) throw unreachable; });
  window.addEventListener("online", () => ask("stand"));
  setInterval(() => ask("stand"), INTERVAL);
  return ask("stand");
}

if (job && strip) begin();
