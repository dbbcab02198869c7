// Shows both values of the instrument height: as taped, and vertical to the axis. The server computes.

const form = document.getElementById("occupy");
const echo = document.getElementById("height-echo");
let asked = 0;

async function show() {
  const mine = ++asked;
  const query = new URLSearchParams({
    instrument: form.elements.instrument.value, height: form.elements.height.value, heightTo: form.elements.heightTo.value,
  });
  const answer = await fetch(form.dataset.heightUrl + "?" + query);
  if (!answer.ok || mine !== asked) return;
  const both = await answer.json();
  echo.textContent = both.fault ?? both.words ?? "";
  echo.classList.toggle("fault", Boolean(both.fault));
}

if (form?.elements.height) {
  for (const field of [form.elements.height, form.elements.heightTo, form.elements.instrument]) field.addEventListener("input", show);
}
