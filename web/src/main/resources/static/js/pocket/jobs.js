// The jobs that this device has taken along, as it keeps them itself: the page stands without a connection.
import { jobs, own } from "./store.js";

async function row({ id, name, sentAt }) {
  const waiting = (await own(id)).length;
  const item = document.createElement("li");
  const link = document.createElement("a");
  link.href = `/job/${id}/setup`;
  link.textContent = name;
  const sent = new Date(sentAt).toLocaleString();
  const lines = waiting === 1 ? "1 line waits" : `${waiting} lines wait`;
  item.append(link, waiting ? `: ${lines}, last sent ${sent}` : `: all sent, ${sent}`);
  return item;
}

async function show() {
  const taken = await jobs();
  document.getElementById("none").hidden = taken.length > 0;
  document.getElementById("jobs").append(...await Promise.all(taken.map(row)));
}

show();
