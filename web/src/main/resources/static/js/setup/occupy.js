// The sheet of setting up: shows both values of the height, and what tilt, centring and air do to the chosen sights. The server computes.

const form = document.getElementById("occupy");
const echo = document.getElementById("height-echo");
const move = document.getElementById("move-echo");
let asked = 0;

const query = () => new URLSearchParams(new FormData(form));

async function answer(path) {
  const response = await fetch(form.dataset.url + path + "?" + query());
  return response.ok && !response.redirected ? response.json() : null;
}

async function show() {
  const mine = ++asked;
  const [both, effects] = await Promise.all([echo ? answer("/height") : null, answer("/effects")]);
  if (mine !== asked) return;
  if (both) {
    echo.textContent = both.fault ?? both.words ?? "";
    echo.classList.toggle("fault", Boolean(both.fault));
    move.textContent = both.move ?? "";
  }
  if (effects?.length) {
    document.getElementById("effects").replaceChildren(...effects.map(sentence => {
      const item = document.createElement("li");
      item.textContent = sentence;
      return item;
    }));
  }
}

function choose() {
  for (const [name, part] of [["orientation", "orientation"], ["start", "start"], ["method", "method"], ["keyed", "keyed"]]) {
    const chosen = form.elements[name].value;
    for (const field of form.querySelectorAll(`[data-${part}]`)) field.hidden = field.dataset[part] !== chosen;
  }
}

let resting;
form.addEventListener("input", () => {
  choose();
  clearTimeout(resting);
  resting = setTimeout(show, 150);
});
document.getElementById("ask-weather")?.addEventListener("click", async () => {
  const air = await answer("/weather");
  for (const name of ["temperature", "pressure"]) if (air?.[name]) form.elements[name].value = air[name];
  form.dispatchEvent(new Event("input", { bubbles: true }));
});
choose();
show();
