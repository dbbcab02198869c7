// Shows only the fields that belong to what is corrected, and ticks the lines of a target together.

const what = document.getElementById("what");

function choose() {
  for (const part of document.querySelectorAll("[data-for]")) part.hidden = !part.dataset.for.split(" ").includes(what.value);
}

what.addEventListener("change", choose);
document.getElementById("pick")?.addEventListener("change", event => {
  for (const box of document.querySelectorAll("[data-target]")) box.checked = box.dataset.target === event.target.value;
});
choose();
