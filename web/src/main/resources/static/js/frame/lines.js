// Booked lines in a table: each in its place, by its key; a line that came again replaces what stood there.
import { drawn } from "./draw.js";

export const body = () => document.getElementById("lines");
export const rows = () => [...body().querySelectorAll("tr[data-line]")];

function put(line, template) {
  const fresh = drawn(template, line).firstElementChild;
  const old = body().querySelector(`tr[data-line="${CSS.escape(line.key)}"]`);
  if (old) return old.replaceWith(fresh);
  const next = rows().find(row => Number(row.dataset.place) > line.place);
  body().insertBefore(fresh, next ?? null);
}

/** Puts lines that came into their places; whole: nothing else stands. */
export function putLines(lines, whole) {
  if (whole) rows().forEach(row => row.remove());
  const template = body().querySelector("template[data-line]");
  lines.forEach(line => put(line, template));
}
