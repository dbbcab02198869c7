// Acts of a page: what a form or a button stands for is posted, and the page drawn as it is then; faults stand under their fields.
import { draw, firstView, shown } from "./draw.js";
import { forget, restore } from "./drafts.js";
import { heard, reached, THINKING } from "./patience.js";
import { handIsUp } from "./press.js";
import { isReasoned, postTo } from "./token.js";
import { onChange } from "../pocket/strip.js";

/** How the page takes a view up: see listen. */
let page = { show: view => { draw(view, () => {}); }, extra: () => ({}) };

export const main = () => document.getElementById("content");
export const url = () => main().dataset.url;

/** Says a sentence above the page: what is at fault, or what became of an act. */
export function say(sentence, done = false) {
  const message = document.getElementById("message");
  // A booked line says nothing most of the time: what stands need not be laid out again.
  if (!sentence && !message.textContent) return;
  message.className = done ? "said" : "message";
  message.textContent = sentence;
  if (sentence) message.scrollIntoView({ block: "nearest" });
}

/** An answer that is a view; anything else is a page that nobody asked for, such as the sign-in. */
export async function viewOf(answer) {
  const isView = answer.ok && !answer.redirected && answer.headers.get("Content-Type")?.startsWith("application/json");
  return isView ? answer.json() : null;
}

/** Whether what was typed is at fault, field by field. */
export const isAtFault = answer => answer.status === 422 && !isReasoned(answer);

/** Why something was refused, as the server says it; nothing where it only asks for the sign-in. */
export async function reasonOf(answer) {
  if (isReasoned(answer)) return (await answer.json()).detail;
  if (answer.status === 403) return "This belongs to another account than the one that is signed in now: nothing was booked. What is typed stays.";
  return answer.status >= 500 ? "The program failed at this: nothing was booked. What is typed stays; try once more." : undefined;
}

export function post(path, values) {
  const body = new URLSearchParams(values);
  Object.entries({ ...shown(), ...page.extra() }).forEach(([name, value]) => body.set(name, value));
  // Whoever goes on to another page at once has booked all the same.
  return postTo(url() + path, body, { keepalive: true });
}

/** Shows what an act has become. */
export function taken(view) {
  say(view.message ?? "", true);
  if (view.leave) return location.assign(view.leave);
  if (view.at) history.replaceState(null, "", view.at);
  show(view);
}

/** Draws a view, and puts what it says was typed, and what of that is at fault, into the forms it was typed in. */
function show(view) {
  page.show(view);
  for (const form of main().querySelectorAll("form[data-typed]")) {
    for (const [name, value] of Object.entries(view.parts.typed ?? {})) put(form.elements[name], value);
    putFaults(form, view.parts.faults ?? {});
  }
}

/** What was typed into a field that is folded away is shown. */
function put(field, value) {
  if (!field) return;
  if (field.type === "checkbox") field.checked = true;
  else field.value = value;
  field.closest("details")?.setAttribute("open", "");
}

/** The names that a field offers, asked for when somebody is about to choose one: every page would carry them otherwise. */
async function offer(list) {
  if (list.dataset.asked) return;
  const answer = await answerTo(list.dataset.offered);
  if (!answer) return;
  list.dataset.asked = "yes";
  list.replaceChildren(...(answer.names ?? []).map(name => new Option("", name)));
}

/** Puts each fault under its field; what belongs to no field of the form is said above the page. */
function putFaults(form, faults) {
  clearFaults(form);
  const elsewhere = [];
  for (const [name, sentence] of Object.entries(faults)) {
    const doubt = form.querySelector(`[data-doubt="${CSS.escape(name)}"]`);
    const field = form.elements[name];
    if (doubt) {
      doubt.hidden = false;
      doubt.querySelector(".fault").textContent = sentence;
    } else if (field?.after && field.type !== "hidden") {
      const under = document.createElement("p");
      Object.assign(under, { className: "fault", id: "fault-" + name, textContent: sentence });
      field.setAttribute("aria-describedby", under.id);
      (field.closest(".pair") ?? field).after(under);
      field.closest("details")?.setAttribute("open", "");
    } else {
      elsewhere.push(sentence);
    }
  }
  if (elsewhere.length || !form.matches("[data-typed]")) say(elsewhere.join(" "));
  form.querySelector(".fault:not(:empty)")?.scrollIntoView({ block: "nearest" });
  form.dispatchEvent(new CustomEvent("faults"));
}

function clearFaults(form) {
  // What echoes a field stays where it is, whatever it says.
  form.querySelectorAll("p.fault:not(.echo)").forEach(under => under.remove());
  form.querySelectorAll("[data-doubt]").forEach(doubt => {
    doubt.querySelector(".fault").textContent = "";
    doubt.hidden = !doubt.querySelector("input").checked;
  });
}

/** A doubt was ticked away for what was typed then: anything else of its row, or of its form, is asked about anew. */
function doubtAnew({ target }) {
  if (!target.form || target.closest("[data-doubt]")) return;
  for (const doubt of target.form.querySelectorAll("[data-doubt]")) {
    const row = doubt.closest("tr");
    if (row && row !== target.closest("tr")) continue;
    doubt.querySelector("input").checked = false;
    doubt.querySelector(".fault").textContent = "";
    doubt.hidden = true;
  }
}

/** A form whose act was taken in stands as at first, folded away where it was. */
function cleared(form) {
  forget(form);
  delete form.dataset.key;
  form.reset();
  clearFaults(form);
  form.closest("details")?.removeAttribute("open");
}

/** What was refused may rest on what somebody else booked meanwhile: a page that is behind draws what it has not shown. */
async function catchUp(revision) {
  if (revision === shown().since) return;
  const answer = await reached(heard(`${url()}/view?` + new URLSearchParams([...new URLSearchParams(location.search), ...Object.entries(shown())])));
  const view = answer && await viewOf(answer);
  if (view) show({ ...view, gently: true });
}

const UNANSWERED = "There is no answer: the connection is gone, or the sign-in has expired. Nothing typed is lost; try once more.";

/** What the page's own address answers to a question; nothing where the connection is gone or the sign-in has expired. */
export async function answerTo(question, query = {}) {
  const answer = await reached(heard(`${url()}/${question}?` + new URLSearchParams(query), {}, THINKING));
  return answer && viewOf(answer);
}

/** Says where there was no answer, and no more once there is one again. */
export function told(answer) {
  if (!answer) say(UNANSWERED);
  else if (document.getElementById("message").textContent === UNANSWERED) say("");
  return answer;
}

/** Acts that had no answer, with their keys: done once more before anything else is answered, each is the same act. */
const unanswered = new Map();

/** Posts what somebody decided, and shows the page as it is then; faults stand in its form, where it came from one. */
export async function change(path, values, form = null) {
  const act = JSON.stringify([path, values]);
  const key = values.key ?? unanswered.get(act) ?? crypto.randomUUID();
  const answer = await reached(post(path, { ...values, key }));
  await handIsUp();
  if (!answer) {
    unanswered.set(act, key);
    return say("There was no answer: whether it is booked is not known. What is typed stays; try once more, it is booked once.");
  }
  unanswered.clear();
  if (isAtFault(answer)) {
    const faults = await answer.json();
    await catchUp(answer.headers.get("Revision"));
    return form ? putFaults(form, faults) : say(faults.message ?? Object.values(faults).join(" "));
  }
  const view = await viewOf(answer);
  if (answer.status === 401 && form?.matches("[data-draft]")) return location.assign("/sign-in?expired");
  if (!view) return say(await reasonOf(answer) ?? "That could not be booked: sign in again in another tab, as the same person, then try once more.");
  if (form) cleared(form);
  taken(view);
}

/** A second tap, or a try after a lost answer, is the same act: a form keeps its key until its act is taken in. */
async function submit(form, submitter) {
  if (form.dataset.busy) return;
  form.dataset.busy = "yes";
  form.dataset.key ??= crypto.randomUUID();
  try {
    await change(form.dataset.path, { key: form.dataset.key, ...Object.fromEntries(new FormData(form, submitter)) }, form);
  } finally {
    delete form.dataset.busy;
  }
}

/**
 * Hears a page once, whatever is drawn later: its forms, and what a click does.
 * @param settings show: draws a view; extra: what every post says beside; clicks: what a click does, by selector
 */
export function listen(settings) {
  page = { ...page, ...settings };
  onChange(() => catchUp(""));
  main().addEventListener("click", event => {
    for (const [selector, act] of Object.entries(settings.clicks ?? {})) {
      const pressed = event.target.closest(selector);
      if (pressed) act(pressed);
    }
  });
  main().addEventListener("input", doubtAnew);
  main().addEventListener("focusin", event => {
    if (event.target.list?.dataset.offered !== undefined) offer(event.target.list);
  });
  main().addEventListener("submit", event => {
    if (!event.target.matches(".act-form")) return;
    event.preventDefault();
    submit(event.target, event.submitter);
  });
}

/** Draws the first view of a page, and puts back what was being typed. */
export function begin() {
  show(firstView());
  main().querySelectorAll("form[data-draft]").forEach(restore);
}
