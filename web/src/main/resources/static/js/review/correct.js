// Shows only the fields that belong to what is corrected, and ticks lines together: of a target, with a reflector, from line to line, by time.

const what = document.getElementById("what");
const boxes = [...document.querySelectorAll("[data-target]")];
const picked = id => document.getElementById(id)?.value ?? "";

function choose() {
  for (const part of document.querySelectorAll("[data-for]")) part.hidden = !part.dataset.for.split(" ").includes(what.value);
}

/** Hours and minutes of a line, as the clock beside the reader shows them. */
function clock(at) {
  return at ? new Date(at).toTimeString().slice(0, 5) : "";
}

function isMeant({ target, reflector, number, at }) {
  return (!picked("pick") || target === picked("pick"))
    && (!picked("pick-pole") || reflector === picked("pick-pole"))
    && (!picked("pick-from") || Number(number) >= Number(picked("pick-from")))
    && (!picked("pick-to") || Number(number) <= Number(picked("pick-to")))
    && (!picked("pick-after") || (at && clock(at) >= picked("pick-after")))
    && (!picked("pick-before") || (at && clock(at) <= picked("pick-before")));
}

function tick(which) {
  for (const box of boxes) box.checked = which(box.dataset);
  count();
  ask();
}

function count() {
  const ticked = boxes.filter(box => box.checked).length;
  document.getElementById("ticked").textContent = ticked === 1 ? "1 line ticked" : ticked + " lines ticked";
}

/** What would move is said of what was typed then; of anything else it is asked anew before it is booked. */
function ask() {
  for (const id of ["moved", "confirm"]) document.getElementById(id)?.setAttribute("hidden", "");
}

what.addEventListener("change", choose);
document.getElementById("correct").addEventListener("input", event => event.target.id === "reason" || ask());
document.getElementById("pick").addEventListener("change", () => tick(isMeant));
document.getElementById("tick").addEventListener("click", () => tick(isMeant));
document.getElementById("untick").addEventListener("click", () => tick(() => false));
boxes.forEach(box => box.addEventListener("change", count));
choose();
count();
document.getElementById("correct").dataset.drawn = "";

export {};
