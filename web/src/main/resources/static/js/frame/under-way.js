// Long work under way: asks how far it is; when it is done, shows the page again, or begins the download.
import { heard, reached } from "./patience.js";

const EVERY = 700;
const bar = document.getElementById("share");

/** A page that came of a form asks for what it waits for: nothing is sent again. */
function look() {
  const { page } = bar.dataset;
  if (page && page !== location.pathname) location.replace(page);
  else location.reload();
}

function finish() {
  if (bar.dataset.then === "download") {
    bar.value = 1;
    document.getElementById("under-way").hidden = true;
    document.getElementById("before").hidden = true;
    document.getElementById("made").hidden = false;
  }
  look();
}

async function ask() {
  const answer = await reached(heard(bar.dataset.url + location.search));
  // Asked again later where the line is gone.
  if (!answer) return setTimeout(ask, EVERY);
  if (!answer.ok || answer.redirected) return look();
  const { share, done, before } = await answer.json();
  bar.value = share;
  const queue = document.getElementById("before");
  if (queue) {
    queue.hidden = !before;
    queue.firstElementChild.textContent = before;
  }
  if (done) finish();
  else setTimeout(ask, EVERY);
}

setTimeout(ask, EVERY);
