// Long work under way: asks how far it is; when it is done, shows the page again, or begins the download.

const EVERY = 700;
const bar = document.getElementById("share");

function finish() {
  if (bar.dataset.then === "download") {
    bar.value = 1;
    document.getElementById("under-way").hidden = true;
    document.getElementById("before").hidden = true;
    document.getElementById("made").hidden = false;
  }
  location.reload();
}

async function ask() {
  const answer = await fetch(bar.dataset.url + location.search);
  if (!answer.ok || answer.redirected) return location.reload();
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

export {};
