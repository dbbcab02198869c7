// The list of jobs: found as one types, and marked where lines of a job wait on this very device.
import { own } from "../pocket/store.js";
import { heard, reached } from "../frame/patience.js";
import { handIsUp } from "../frame/press.js";

const PAUSE = 180;
const form = document.getElementById("find");
const words = document.getElementById("words");
const unanswered = document.getElementById("unanswered");
let asked = 0;
let pause = 0;

async function markWaiting() {
  for (const row of document.querySelectorAll("[data-job]")) {
    const lines = (await own(row.dataset.job)).length;
    const mark = row.querySelector("[data-waits]");
    mark.hidden = lines === 0;
    mark.textContent = lines === 1 ? "1 line waits on this device" : `${lines} lines wait on this device`;
  }
}

async function find() {
  const mine = ++asked;
  const address = `/job?${new URLSearchParams(new FormData(form))}`;
  const answer = await reached(heard(address, { headers: { "X-Part": "table" } }));
  const table = answer?.ok && !answer.redirected ? await reached(answer.text()) : null;
  await handIsUp();
  // A slow answer to what was typed before does not take the place of a later one; a sign-in page is none.
  if (mine !== asked) return;
  unanswered.hidden = table !== null;
  if (table === null) return;
  document.getElementById("jobs").outerHTML = table;
  history.replaceState(null, "", address);
  markWaiting();
}

words.addEventListener("input", () => {
  clearTimeout(pause);
  pause = setTimeout(find, PAUSE);
});
markWaiting();
