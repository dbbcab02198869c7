// The jobs that this device has taken along, as it keeps them itself: the page stands without a connection, also in the place of one that needs it.
import { account, aside, jobs, mayWorkNow, own, signOutIsDue } from "./store.js";

const day = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric", hour: "2-digit", minute: "2-digit" });
const at = instant => day.format(new Date(instant));
const count = (number, one, many) => `${number} ${number === 1 ? one : many}`;

function readLater({ at: booked, words, reason }) {
  const item = document.createElement("li");
  item.textContent = `Set aside, booked ${at(booked)}: ${words}. ${reason}`;
  return item;
}

async function row({ id, name, sentAt }) {
  const [waiting, refused] = await Promise.all([own(id), aside(id)]);
  const item = document.createElement("li");
  const link = document.createElement("a");
  link.href = `/job/${id}/setup`;
  link.textContent = name;
  const lines = waiting.length ? `${count(waiting.length, "line waits", "lines wait")}, last sent ${at(sentAt)}` : `all sent, ${at(sentAt)}`;
  item.append(link, `: ${lines}`);
  if (refused.length) {
    const list = document.createElement("ul");
    list.append(...refused.map(readLater));
    item.append(list);
  }
  return item;
}

/** What one person took along is nobody else's, not even its name; that lines of theirs wait is said. */
async function show() {
  const who = await account();
  const all = await jobs();
  const taken = all.filter(job => job.carrier.account === who);
  const ofOthers = await Promise.all(all.filter(job => !taken.includes(job)).map(job => own(job.id)));
  document.getElementById("none").hidden = taken.length > 0;
  document.getElementById("others").hidden = !ofOthers.some(lines => lines.length > 0);
  const signedOut = !who && await signOutIsDue();
  document.getElementById("signed-out").hidden = !signedOut;
  document.getElementById("elsewhere").hidden = signedOut || location.pathname === "/pocket";
  document.getElementById("ended").hidden = await mayWorkNow(who);
  if (!who) document.querySelectorAll(".house-looks > a, #sign-out").forEach(ofSomebody => { ofSomebody.hidden = true; });
  document.getElementById("jobs").append(...await Promise.all(taken.map(row)));
}

show();
