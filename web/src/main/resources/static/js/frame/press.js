// While a finger or the mouse presses nothing may move beneath it, or the click goes to what came there: what is to be said waits.
let pressing = false;
let presses = 0;
let waiting = [];

function pressed() {
  presses++;
  pressing = true;
}

function released() {
  const press = presses;
  // The click comes right behind; whoever waited comes after it, in turn.
  setTimeout(() => {
    if (press !== presses) return;
    pressing = false;
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
