// Around every page: shortcuts, and drafts, so that nothing typed is lost to a reload, an error page or an expired sign-in.

import { carriedBy, letGo, signedIn } from "../pocket/store.js";
import { keep, reopen, restore } from "./drafts.js";
import { watchTables } from "./tables.js";
import { heard, LEAVING } from "./patience.js";
import { shareSignIn } from "./token.js";

const shortcuts = document.getElementById("shortcuts");
const opener = document.getElementById("show-shortcuts");

function toggleShortcuts() {
  shortcuts.hidden = !shortcuts.hidden;
  opener.setAttribute("aria-expanded", String(!shortcuts.hidden));
}

opener?.addEventListener("click", toggleShortcuts);

document.addEventListener("keydown", event => {
  const typing = event.target.closest("input, select, textarea");
  if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "?" && opener) toggleShortcuts();
  if (event.key === "s") document.getElementById("strike-last")?.click();
  if (event.key === "n") (document.querySelector("main .act") ?? document.querySelector(".way .next a"))?.focus();
});

shareSignIn();

if (location.pathname === "/sign-in" || document.querySelector("[data-failed]")) reopen();

const draftOf = event => event.target.closest?.("form[data-draft]");
document.addEventListener("input", event => { if (draftOf(event)) keep(draftOf(event), false); });
document.addEventListener("submit", event => { if (draftOf(event)) keep(draftOf(event), event.target.hasAttribute("action")); });
document.querySelectorAll("form[data-draft]").forEach(restore);

/** A second tap on a button, before the page that answers the first one is here, is the same act. */
const SAME_ACT = 2000;
document.addEventListener("submit", event => {
  const form = event.target;
  if (form.method !== "post" || event.defaultPrevented) return;
  if (form.dataset.sent) return event.preventDefault();
  form.dataset.sent = "yes";
  setTimeout(() => { delete form.dataset.sent; }, SAME_ACT);
});

/** What was said of digits says nothing of newer ones; what is ticked was said of what stands beside it. */
document.addEventListener("input", ({ target }) => {
  if (!target.name || target.type === "checkbox") return;
  const under = target.form?.querySelector(`p.fault#fault-${CSS.escape(target.name)}`);
  if (!under) return;
  under.remove();
  target.removeAttribute("aria-describedby");
});

watchTables(document.getElementById("content"));

/** On a small screen the way is longer than the page: where the page stands in it is in view. */
document.querySelector(".way .here")?.scrollIntoView({ block: "nearest", inline: "center" });

/** A page that a device has kept was drawn in the theme of then. */
const { theme } = document.documentElement.dataset;
for (const button of document.querySelectorAll("button[name=theme]")) button.setAttribute("aria-pressed", String(button.value === theme));

const account = document.querySelector("meta[name=account]")?.content ?? "";

/** Whose device this is now: the worker answers for what this account took along. */
if (account && "indexedDB" in window) signedIn(account);

function linesHere() {
  return Object.keys(localStorage).filter(name => name.startsWith(`waiting ${account} `)).length;
}

function tellWaiting(form, waiting) {
  const told = document.createElement("span");
  told.className = "fault";
  told.setAttribute("role", "alert");
  told.textContent = `${waiting === 1 ? "1 line waits" : `${waiting} lines wait`} on this device, for you alone, until you sign in here again. Sign out all the same?`;
  form.prepend(told);
}

/** A page that a device has kept may hold none, or one of an earlier sign-in. */
async function freshToken() {
  try {
    const page = await (await heard("/account", {}, LEAVING)).text();
    return page.match(/name="csrf" content="([^"]+)"/)?.[1];
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    return "";
  }
}

/** Lines that wait are told before somebody signs out, and stay on this device, for this account; where all is sent nothing stays. */
async function leave(form) {
  const { carried, waiting } = await carriedBy(account);
  const lines = linesHere() + waiting;
  if (lines && !form.querySelector(".fault")) return tellWaiting(form, lines);
  if (!waiting) await Promise.all(carried.map(taken => letGo(taken.id)));
  await signedIn("");
  const token = await freshToken();
  if (token && form.elements._csrf) form.elements._csrf.value = token;
  return form.submit();
}

document.getElementById("sign-out")?.addEventListener("submit", event => {
  event.preventDefault();
  leave(event.currentTarget);
});
