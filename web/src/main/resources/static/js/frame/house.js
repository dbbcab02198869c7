// Around every page: shortcuts, and drafts, so that nothing typed is lost to a reload, an error page or an expired sign-in.

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

/** What a device keeps belongs to who typed it: the next one to sign in here neither sees nor sends it. */
const account = document.querySelector("meta[name=account]")?.content ?? "";
const draftOf = form => `draft ${account} ${form.getAttribute("action")}`;
const read = name => JSON.parse(localStorage.getItem(name) ?? "null");
const write = (name, draft) => localStorage.setItem(name, JSON.stringify(draft));

/** What was sent but met the sign-in or an error page was not taken in: those drafts are open again. */
if (location.pathname === "/sign-in" || document.querySelector("[data-failed]")) {
  Object.keys(localStorage).filter(name => name.startsWith("draft ")).forEach(name => write(name, { ...read(name), sent: false }));
}

/** Keeps what is typed until the server has taken it in; a page that answers with faults shows it itself. */
function keepDraft(form) {
  const name = draftOf(form);
  const fields = [...form.elements].filter(e => e.name && !["hidden", "submit", "checkbox"].includes(e.type));
  const draft = read(name);
  const faulty = form.querySelector(".fault") !== null;
  if (draft?.sent && !faulty) localStorage.removeItem(name);
  if (draft && !draft.sent && !faulty) {
    fields.filter(e => draft.values[e.name]).forEach(e => { e.value = draft.values[e.name]; });
  }
  const keep = sent => write(name, { sent, values: Object.fromEntries(fields.map(e => [e.name, e.value])) });
  form.addEventListener("input", () => keep(false));
  form.addEventListener("submit", () => keep(true));
}

document.querySelectorAll("form[data-draft]").forEach(keepDraft);

/** Lines that wait are told before somebody signs out: they stay on this device, for this account. */
document.getElementById("sign-out")?.addEventListener("submit", event => {
  const form = event.currentTarget;
  const waiting = Object.keys(localStorage).filter(name => name.startsWith(`waiting ${account} `)).length;
  if (!waiting || form.querySelector(".fault")) return;
  event.preventDefault();
  const told = document.createElement("span");
  told.className = "fault";
  told.setAttribute("role", "alert");
  told.textContent = `${waiting === 1 ? "1 line waits" : `${waiting} lines wait`} on this device, for you alone, until you sign in here again. Sign out all the same?`;
  form.prepend(told);
});

export {};
