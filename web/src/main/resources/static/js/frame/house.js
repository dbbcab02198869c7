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

const draftOf = form => "draft " + (form.getAttribute("action") || location.pathname);

/** A draft is kept while it is typed and dropped once the server has taken it: then the page that answers is another. */
function keepDraft(form) {
  const name = draftOf(form);
  const kept = JSON.parse(localStorage.getItem(name) ?? "null");
  const shown = [...form.elements].filter(e => e.name && !["hidden", "submit", "checkbox"].includes(e.type));
  const faulty = document.querySelector(".fault:not(.echo)") !== null;
  if (kept && !faulty && kept.sent) {
    localStorage.removeItem(name);
  } else if (kept && !faulty) {
    shown.filter(e => kept.values[e.name] !== undefined && kept.values[e.name] !== "").forEach(e => { e.value = kept.values[e.name]; });
  }
  const save = sent => localStorage.setItem(name, JSON.stringify({ sent, values: Object.fromEntries(shown.map(e => [e.name, e.value])) }));
  form.addEventListener("input", () => save(false));
  form.addEventListener("submit", () => save(false));
}

document.querySelectorAll("form[data-draft]").forEach(keepDraft);

/** A page that was reached by a form taken in carries no draft of it: the server says so by having moved on. */
export function draftTaken(form) {
  localStorage.removeItem(draftOf(form));
}
