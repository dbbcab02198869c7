// What a device does beside the instrument: it stays awake, and on wish reads back aloud and shakes when a line is booked, so that eyes stay at the eyepiece.

const NAME = "read back";
/** Milliseconds. */
const SHAKE = 60;
const box = () => document.getElementById("read-back");

async function stayAwake() {
  if (document.visibilityState !== "visible" || !navigator.wakeLock) return;
  try {
    await navigator.wakeLock.request("screen");
  } catch (refused) {
    // A device that saves its battery keeps its own rules.
    if (!(refused instanceof DOMException)) throw refused;
  }
}

/** Says the words of a booked line with the device's own voice, where that was asked for on this device. */
export function readBack(words) {
  if (!words || localStorage.getItem(NAME) !== "yes") return;
  navigator.vibrate?.(SHAKE);
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(words));
}

/** Wires a page at the instrument once. */
export function atTheInstrument() {
  stayAwake();
  document.addEventListener("visibilitychange", stayAwake);
  if (!box()) return;
  box().checked = localStorage.getItem(NAME) === "yes";
  box().addEventListener("change", () => localStorage.setItem(NAME, box().checked ? "yes" : "no"));
}
