// Long work under way: asks how far it is, and shows the page again when it is done.

const EVERY = 700;
const bar = document.getElementById("share");

async function ask() {
  const answer = await fetch(bar.dataset.url + location.search);
  if (!answer.ok || answer.redirected) return location.reload();
  const { share, done } = await answer.json();
  bar.value = share;
  if (done) location.reload();
  else setTimeout(ask, EVERY);
}

setTimeout(ask, EVERY);
