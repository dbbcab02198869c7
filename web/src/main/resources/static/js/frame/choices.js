// Where few answers are possible they stand as large choices under the thumb: nothing is typed that can be chosen.

/** More than these are chosen from a list, or typed. */
const MOST = 12;

function press(field, value) {
  field.value = value;
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

function button(field, { value, words }) {
  const choice = document.createElement("button");
  Object.assign(choice, { type: "button", className: "choice", value, textContent: words });
  choice.addEventListener("click", () => press(field, field.value === value && !field.matches("select") ? "" : value));
  return choice;
}

function another(field, group) {
  const other = document.createElement("button");
  Object.assign(other, { type: "button", className: "choice quiet", textContent: "another name" });
  other.addEventListener("click", () => {
    group.classList.remove("instead");
    field.focus();
  });
  return other;
}

/**
 * Offers a field's answers as choices, or takes them away where there are too many.
 * @param options value and words of each
 */
export function offer(field, options) {
  let group = field.parentElement.querySelector(":scope > .choices");
  if (!group) {
    group = document.createElement("div");
    group.className = "choices";
    group.setAttribute("role", "group");
    group.setAttribute("aria-label", field.getAttribute("aria-label") ?? field.labels?.[0]?.textContent ?? "");
    field.before(group);
  }
  const few = options.length > 0 && options.length <= MOST;
  group.classList.toggle("instead", few);
  const others = field.matches("select") ? [] : [another(field, group)];
  group.replaceChildren(...(few ? [...options.map(option => button(field, option)), ...others] : []));
  mark(group, field);
}

function mark(group, field) {
  for (const choice of group.querySelectorAll(".choice[value]")) {
    choice.setAttribute("aria-pressed", String(choice.value === field.value));
  }
}

/** Shows which choices stand, whatever has changed the fields. */
export function markChosen(form) {
  for (const group of form.querySelectorAll(".choices")) mark(group, group.nextElementSibling);
}

/** The answers of a select that has any. */
export const optionsOf = select => [...select.options].filter(option => option.value).map(option => ({ value: option.value, words: option.textContent.trim() }));
