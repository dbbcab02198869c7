// The booked lines of a setup under their headings, earlier ones folded away while many stand above the one in hand.
import { drawn } from "../frame/draw.js";
import { body, putLines, rows } from "../frame/lines.js";

/** The line in hand must stand above the fold of a desk, whatever was booked before. */
const SHOWN = 8;

/** Whether the page was asked to show a long setup whole. */
export const asksForAll = () => new URLSearchParams(location.search).has("whole");

function drawHeadings() {
  body().querySelectorAll(".set-head").forEach(head => head.remove());
  const template = body().querySelector("template[data-heading]");
  let above = "";
  for (const row of rows()) {
    const { section, number, strikeSet } = row.dataset;
    if (section !== above) row.before(drawn(template, { section, set: number, strikeSet }));
    above = section;
  }
}

/** Folds lines away before the late ones, whole sets, but for what is out of its limit; none where all were asked for. */
function fold() {
  const all = rows();
  const first = asksForAll() ? 0 : Math.max(0, all.length - SHOWN);
  let begins = first;
  while (begins > 0 && all[begins - 1].dataset.section === all[first].dataset.section) begins--;
  if (first - begins >= SHOWN) begins = first;
  all.forEach((row, at) => row.classList.toggle("earlier", at < begins && !row.querySelector(".judged")));
  body().querySelectorAll(".set-head").forEach(head =>
    head.classList.toggle("earlier", head.nextElementSibling?.classList.contains("earlier") ?? false));
  const folded = all.filter(row => row.classList.contains("earlier")).length;
  document.getElementById("earlier").hidden = folded === 0;
  document.getElementById("folded").textContent = folded;
}

/** Draws lines that came: new ones in their place, changed ones in theirs. */
export function drawLines(lines, whole) {
  if (!whole && !lines.length) return;
  putLines(lines, whole);
  drawHeadings();
  fold();
}
