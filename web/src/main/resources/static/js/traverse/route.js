// Choosing a route on the plan: the field holds it, the drawing shows it, and either changes the other.

const plan = document.getElementById("route-plan");
const field = document.getElementById("route");
const choices = new Map([...(plan?.querySelectorAll("[data-mark]") ?? [])].map(mark => [mark.dataset.mark, mark]));

const route = () => field.value.split(/[,;\n]/).map(name => name.trim()).filter(Boolean);

function show() {
  const stations = route();
  const known = stations.map(name => choices.get(name)).filter(Boolean);
  document.getElementById("route-line").setAttribute("d", known.map((mark, i) => `${i ? "L" : "M"}${mark.dataset.x} ${mark.dataset.y}`).join(""));
  for (const [name, mark] of choices) {
    const places = stations.flatMap((station, i) => (station === name ? [i + 1] : []));
    mark.classList.toggle("chosen", places.length > 0);
    mark.setAttribute("aria-pressed", String(places.length > 0));
    mark.setAttribute("aria-label", places.length ? `${name}, station ${places.join(" and ")} of the route` : name);
  }
}

/** Adds the mark at the end; the last one, chosen again, is taken away. */
function choose(name) {
  const stations = route();
  if (stations.at(-1) === name) stations.pop();
  else stations.push(name);
  field.value = stations.join(", ");
  show();
}

if (plan) {
  plan.addEventListener("click", event => {
    const mark = event.target.closest("[data-mark]");
    if (mark) choose(mark.dataset.mark);
  });
  plan.addEventListener("keydown", event => {
    const mark = event.target.closest("[data-mark]");
    if (!mark || (event.key !== "Enter" && event.key !== " ")) return;
    event.preventDefault();
    choose(mark.dataset.mark);
  });
  field.addEventListener("input", show);
  show();
}

export {};
