// While a finger or the mouse presses nothing may move beneath it, or the click goes to what came there: what is to be said waits.
let pressing = false;
let waiting = [];

function pressed() { pressing = true; }

function released() {
  pressing = false;
  // The click comes right behind; whoever waited comes after it.
  setTimeout(() => {
    waiting.forEach(goOn => goOn());
    waiting = [];
  });
}

document.addEventListener("pointerdown", pressed, true);
document.addEventListener("pointerup", released, true);
document.addEventListener("pointercancel", released, true);

/** Waits until nothing is pressed; mostly that is at once. */
export async function handIsUp() {
  if (pressing) await new Promise(goOn => waiting.push(goOn));
}
