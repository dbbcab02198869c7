// The page of a setup: keys, echo, booking. It draws and listens; the server computes and judges.
// A pointing keeps its key until the server has acknowledged it, so that a retry after a lost answer is stored once.

const main = () => document.getElementById("content");
const url = () => main().dataset.url;
const waitingName = () => "waiting " + url();
const typedName = () => "typed " + url();
const FIELDS = ["circle", "zenith", "slope"];
const RETRY_AFTER = 2000;
let asked = 0;
let sending = false;

function headers() {
  return {
    [document.querySelector("meta[name=csrf-header]").content]: document.querySelector("meta[name=csrf]").content,
    "X-Requested-With": "fetch",
  };
}

function say(sentence) {
  document.getElementById("message").textContent = sentence;
}

/** Puts the page the server answered in the place of this one. */
function replace(html) {
  const page = new DOMParser().parseFromString(html, "text/html");
  const fresh = page.getElementById("content");
  if (!fresh?.dataset.url) return false;
  main().replaceWith(document.adoptNode(fresh));
  const way = page.querySelector(".way");
  if (way) document.querySelector(".way")?.replaceWith(document.adoptNode(way));
  document.querySelector(".way .here")?.scrollIntoView({ block: "nearest", inline: "nearest" });
  begin();
  return true;
}

async function post(path, body) {
  return fetch(url() + path, { method: "POST", headers: headers(), body });
}

function showFaults(faults) {
  for (const field of FIELDS) {
    const echo = document.getElementById("echo-" + field);
    if (faults[field]) {
      echo.textContent = faults[field];
      echo.classList.add("fault");
    }
  }
  const elsewhere = Object.entries(faults).filter(([field]) => !FIELDS.includes(field)).map(([, sentence]) => sentence);
  say(elsewhere.join(" "));
  const first = FIELDS.find(field => faults[field]);
  if (first) document.getElementById(first).focus();
}

function showWaiting(on) {
  document.getElementById("waiting").hidden = !on;
}

/** Sends what waits; keeps it while the server cannot be reached, or asks for the sign-in. */
async function send() {
  const waiting = localStorage.getItem(waitingName());
  if (!waiting || sending) return;
  sending = true;
  try {
    const answer = await post("/reading", new URLSearchParams(waiting));
    if (answer.status === 422) {
      localStorage.removeItem(waitingName());
      showWaiting(false);
      showFaults(await answer.json());
    } else if (answer.ok && !answer.redirected && replace(await answer.text())) {
      localStorage.removeItem(waitingName());
      localStorage.removeItem(typedName());
      showWaiting(false);
    } else {
      showWaiting(true);
      say("The line waits: the sign-in has expired or the server refused it. Sign in again in another tab, then book once more. Nothing typed is lost.");
    }
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    showWaiting(true);
    say("The server cannot be reached. The line waits here and goes out by itself.");
    setTimeout(send, RETRY_AFTER);
  } finally {
    sending = false;
  }
}

function book(event) {
  event.preventDefault();
  if (!document.getElementById("circle").value.trim()) {
    const take = document.getElementById("take");
    if (take && FIELDS.every(field => !document.getElementById(field).value.trim())) return take.click();
    showFaults({ circle: "Empty: expected the horizontal circle" });
    return;
  }
  if (!localStorage.getItem(waitingName())) {
    localStorage.setItem(waitingName(), new URLSearchParams(new FormData(document.getElementById("live"))).toString());
  }
  send();
}

/** What is typed, as understood; a fault stands under its digits. */
async function understand() {
  const mine = ++asked;
  const live = document.getElementById("live");
  if (!live) return;
  const typed = Object.fromEntries(FIELDS.map(field => [field, live.elements[field].value]));
  localStorage.setItem(typedName(), JSON.stringify({ ...typed, sentence: document.getElementById("sentence").textContent }));
  let answer;
  try {
    answer = await fetch(url() + "/understood?" + new URLSearchParams(typed));
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    return;
  }
  if (!answer.ok || answer.redirected || mine !== asked) return;
  const understood = await answer.json();
  for (const field of FIELDS) echo(field, understood[field], typed[field]);
}

function echo(field, understood, typed) {
  const line = document.getElementById("echo-" + field);
  line.classList.toggle("fault", Boolean(understood?.fault));
  line.replaceChildren();
  if (understood?.fault && understood.to > understood.from) {
    const faulty = document.createElement("mark");
    faulty.textContent = typed.slice(understood.from, understood.to);
    line.append(typed.slice(0, understood.from), faulty, typed.slice(understood.to), " ");
  }
  line.append(understood?.fault ?? understood?.echo ?? "");
}

let field = null;

function press(key) {
  const at = field && document.contains(field) ? field : document.getElementById("circle");
  at.focus();
  if (key === "next") return next(at);
  if (key === "back") at.value = at.value.slice(0, -1);
  else at.value += key === "blank" ? " " : key;
  understand();
}

function next(at) {
  const following = FIELDS[FIELDS.indexOf(at.name) + 1];
  if (following) document.getElementById(following).focus();
  else document.getElementById("live").requestSubmit();
}

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

async function change(path, values) {
  const answer = await post(path, new URLSearchParams({ key: crypto.randomUUID(), ...values }));
  if (answer.status === 422) return say((await answer.json()).message);
  if (!answer.ok || answer.redirected || !replace(await answer.text())) {
    say("That could not be booked: sign in again in another tab, then try once more.");
  }
}

/** What was called for out of the order, as the server is to take it up. */
function aside() {
  const live = document.getElementById("live");
  if (!live?.elements.aside.value) return {};
  return Object.fromEntries(["target", "role", "face", "reflector", "height", "heightTo"].map(name => [name, live.elements[name].value]));
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

function begin() {
  field = null;
  const live = document.getElementById("live");
  const touch = matchMedia("(pointer: coarse)").matches;
  if (live) {
    live.addEventListener("submit", book);
    live.addEventListener("input", understand);
    for (const name of FIELDS) {
      const input = document.getElementById(name);
      if (touch) input.inputMode = "none";
      input.addEventListener("focus", () => { field = input; });
      input.addEventListener("keydown", event => {
        if (event.key === "Enter") {
          event.preventDefault();
          const take = document.getElementById("take");
          if (take && FIELDS.every(other => !document.getElementById(other).value.trim())) take.click();
          else next(input);
        }
      });
    }
    const kept = JSON.parse(localStorage.getItem(typedName()) ?? "null");
    if (kept && kept.sentence === document.getElementById("sentence").textContent) {
      for (const name of FIELDS) live.elements[name].value = kept[name];
      understand();
    }
    document.getElementById("circle").focus({ preventScroll: true });
    live.scrollIntoView({ block: "nearest" });
  }
  document.querySelectorAll("[data-key]").forEach(key => key.addEventListener("click", () => press(key.dataset.key)));
  document.querySelectorAll(".open-strike").forEach(opener => opener.addEventListener("click", () => openStrike(opener)));
  document.querySelectorAll(".restore").forEach(button => button.addEventListener("click", () => change("/restore", { line: button.dataset.line })));
  document.querySelectorAll("[data-reason]").forEach(button => button.addEventListener("click", () =>
    change("/strike", { ...striking, reason: button.dataset.reason, other: document.getElementById("other-reason").value })));
  document.getElementById("strike-cancel").addEventListener("click", () => { document.getElementById("strike-panel").hidden = true; });
  document.getElementById("strike-panel").addEventListener("submit", event => event.preventDefault());
  document.querySelectorAll(".act-post").forEach(button => button.addEventListener("click", async () => {
    button.disabled = true;
    await change(button.dataset.path, { ...(button.dataset.aside ? aside() : {}), ...(button.dataset.all ? { all: "1" } : {}) });
    button.disabled = false;
  }));
  document.querySelectorAll(".act-form").forEach(form => form.addEventListener("submit", event => {
    event.preventDefault();
    change(form.dataset.path, Object.fromEntries(new FormData(form, event.submitter)));
  }));
  document.getElementById("show-display")?.addEventListener("click", showDisplay);
  document.querySelectorAll(".order-form").forEach(form => form.addEventListener("submit", event => {
    event.preventDefault();
    change("/order", Object.fromEntries(new FormData(form)));
  }));
  document.getElementById("book").addEventListener("click", event => {
    if (!event.target.closest("button")) event.currentTarget.classList.toggle("whole");
  });
  if (localStorage.getItem(waitingName())) {
    showWaiting(true);
    send();
  }
}

begin();
