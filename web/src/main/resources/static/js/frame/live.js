// The line in hand, wherever something is booked: its keys, its echo, and its way to the server.
// A pointing keeps its key until the server has acknowledged it, so that a retry after a lost answer is stored once.

export const FIELDS = ["circle", "zenith", "slope"];
const RETRY_AFTER = 2000;
/** What waits belongs to who booked it, on this page: another account neither shows nor sends it. */
const account = () => document.querySelector("meta[name=account]")?.content ?? "";
const waitingName = () => `waiting ${account()} ${url()}`;
const typedName = () => `typed ${account()} ${url()}`;
let page = { path: "/reading", begin: () => {} };
let asked = 0;
let sending = false;
let field = null;

export const main = () => document.getElementById("content");
export const url = () => main().dataset.url;
export const input = name => document.getElementById(name);
export const isBlank = () => FIELDS.every(name => !input(name).value.trim());

export function headers() {
  return {
    [document.querySelector("meta[name=csrf-header]").content]: document.querySelector("meta[name=csrf]").content,
    "X-Requested-With": "fetch",
  };
}

export function say(sentence) {
  document.getElementById("message").textContent = sentence;
}

/** Puts the page the server answered in the place of this one; before it comes up, what it settles is let go. */
export function replace(html, settled = () => {}) {
  const answer = new DOMParser().parseFromString(html, "text/html");
  const fresh = answer.getElementById("content");
  if (!fresh?.dataset.url) return false;
  settled();
  main().replaceWith(document.adoptNode(fresh));
  const way = answer.querySelector(".way");
  if (way) document.querySelector(".way")?.replaceWith(document.adoptNode(way));
  document.querySelector(".way .here")?.scrollIntoView({ block: "nearest", inline: "nearest" });
  page.begin();
  return true;
}

export async function post(path, body) {
  return fetch(url() + path, { method: "POST", headers: headers(), body });
}

/** Posts what somebody decided, and shows the page as it is then. */
export async function change(path, values) {
  const answer = await post(path, new URLSearchParams({ key: crypto.randomUUID(), ...values }));
  if (answer.status === 422) {
    const faults = await answer.json();
    return say(faults.message ?? Object.values(faults).join(" "));
  }
  if (!answer.ok || answer.redirected || !replace(await answer.text())) {
    say("That could not be booked: sign in again in another tab, then try once more.");
  }
}

export function showFaults(faults) {
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

function showWaiting(on) {
  document.getElementById("waiting").hidden = !on;
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

/** Sends what waits; keeps it while the server cannot be reached, or asks for the sign-in. */
async function send() {
  const waiting = localStorage.getItem(waitingName());
  if (!waiting || sending) return;
  sending = true;
  try {
    const answer = await post(page.path, new URLSearchParams(waiting));
    if (answer.status === 422) {
      localStorage.removeItem(waitingName());
      showWaiting(false);
      const faults = await answer.json();
      if (stands(waiting)) showFaults(faults);
      else understand();
    } else if (answer.ok && !answer.redirected && replace(await answer.text(), forgetTyped)) {
      showWaiting(false);
    } else if (answer.status === 503) {
      showWaiting(true);
      say("The database does not answer just now. The line waits here and goes out by itself.");
      setTimeout(send, RETRY_AFTER);
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
  if (!input("circle").value.trim()) {
    const take = document.getElementById("take");
    if (take && isBlank()) return take.click();
    showFaults({ circle: "Empty: expected the horizontal circle" });
    return;
  }
  if (!localStorage.getItem(waitingName())) {
    const line = new URLSearchParams(new FormData(document.getElementById("live")));
    // When it was read, not when it arrives.
    line.set("readAt", new Date().toISOString());
    localStorage.setItem(waitingName(), line.toString());
  }
  send();
}

/** What is typed, as understood; a fault stands under its digits. */
export async function understand() {
  const mine = ++asked;
  const live = document.getElementById("live");
  if (!live) return;
  const typed = Object.fromEntries(FIELDS.map(name => [name, live.elements[name].value]));
  localStorage.setItem(typedName(), JSON.stringify({ ...typed, sentence: document.getElementById("sentence").textContent }));
  let answer;
  try {
    answer = await fetch(main().dataset.understood + "?" + new URLSearchParams(typed));
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    return;
  }
  if (!answer.ok || answer.redirected || mine !== asked) return;
  const understood = await answer.json();
  for (const name of FIELDS) echo(name, understood[name], typed[name]);
}

function echo(name, understood, typed) {
  const line = document.getElementById("echo-" + name);
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
  const at = field && document.contains(field) ? field : input("circle");
  at.focus();
  if (key === "next") return next(at);
  if (key === "back") at.value = at.value.slice(0, -1);
  else at.value += key === "blank" ? " " : key;
  understand();
}

function next(at) {
  const following = FIELDS[FIELDS.indexOf(at.name) + 1];
  if (following) input(following).focus();
  else document.getElementById("live").requestSubmit();
}

/** Posts what a button stands for, once, with what stands in hand. */
export function actPosts(aside) {
  document.querySelectorAll(".act-post").forEach(button => button.addEventListener("click", async () => {
    button.disabled = true;
    await change(button.dataset.path, { ...(button.dataset.aside ? aside() : {}), ...(button.dataset.all ? { all: "1" } : {}) });
    button.disabled = false;
  }));
  document.querySelectorAll(".act-form").forEach(form => form.addEventListener("submit", event => {
    event.preventDefault();
    change(form.dataset.path, Object.fromEntries(new FormData(form, event.submitter)));
  }));
}

/**
 * Wires the line in hand of a page that has just come up.
 * @param settings path: where a line is posted; begin: called whenever another page has come up
 */
export function live(settings) {
  page = settings;
  field = null;
  const form = document.getElementById("live");
  const touch = matchMedia("(pointer: coarse)").matches;
  if (form) {
    form.addEventListener("submit", book);
    form.addEventListener("input", understand);
    for (const name of FIELDS) {
      const box = input(name);
      if (touch) box.inputMode = "none";
      box.addEventListener("focus", () => { field = box; });
      box.addEventListener("keydown", event => {
        if (event.key === "Enter") {
          event.preventDefault();
          const take = document.getElementById("take");
          if (take && isBlank()) take.click();
          else next(box);
        }
      });
    }
    const kept = JSON.parse(localStorage.getItem(typedName()) ?? "null");
    if (kept && kept.sentence === document.getElementById("sentence").textContent) {
      for (const name of FIELDS) form.elements[name].value = kept[name];
      understand();
    }
    input("circle").focus({ preventScroll: true });
    form.scrollIntoView({ block: "nearest" });
  }
  document.querySelectorAll("[data-key]").forEach(key => key.addEventListener("click", () => press(key.dataset.key)));
  if (localStorage.getItem(waitingName())) {
    showWaiting(true);
    send();
  }
}
