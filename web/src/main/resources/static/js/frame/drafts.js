// What is typed into forms and not yet taken in, kept on this device, for whoever typed it: a reload, an error page and an expired sign-in lose nothing.

const account = () => document.querySelector("meta[name=account]")?.content ?? "";
const nameOf = form => `draft ${account()} ${form.getAttribute("action") ?? location.pathname + form.dataset.path}`;
const read = name => JSON.parse(localStorage.getItem(name) ?? "null");
const write = (name, draft) => localStorage.setItem(name, JSON.stringify(draft));
const fieldsOf = form => [...form.elements].filter(e => e.name && !["hidden", "submit", "checkbox"].includes(e.type));

/** Keeps what stands in a form; sent: it is on its way, and the page that answers knows whether it was taken in. */
export function keep(form, sent) {
  const chosen = fieldsOf(form).filter(e => e.type !== "radio" || e.checked);
  write(nameOf(form), { sent, values: Object.fromEntries(chosen.map(e => [e.name, e.value])) });
}

/** What was taken in is no draft any more. */
export function forget(form) {
  localStorage.removeItem(nameOf(form));
}

/** Of several choices one is ticked; what each of them stands for is not changed. */
function put(field, value) {
  if (field.type === "radio") field.checked = field.value === value;
  else field.value = value;
}

/** Puts what was typed before a reload back into its form, unless the page itself shows it with its faults. */
export function restore(form) {
  const draft = read(nameOf(form));
  if (!draft || form.querySelector(".fault:not(:empty)")) return;
  if (draft.sent) forget(form);
  else fieldsOf(form).filter(e => draft.values[e.name]).forEach(e => put(e, draft.values[e.name]));
}

/** What was sent but met the sign-in or an error page was not taken in: those drafts are open again. */
export function reopen() {
  Object.keys(localStorage).filter(name => name.startsWith("draft ")).forEach(name => write(name, { ...read(name), sent: false }));
}
