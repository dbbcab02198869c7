// The jobs that this device has taken along, as it keeps them itself: the page stands without a connection.
import { jobs, own } from "./store.js";

const taken = await jobs();
document.getElementById("none").hidden = taken.length > 0;
document.getElementById("jobs").append(...await Promise.all(taken.map(async ({ id, name, sentAt }) => {
  const waiting = (await own(id)).length;
  const item = document.createElement("li");
  const link = document.createElement("a");
  link.href = `/job/${id}/setup`;
  link.textContent = name;
  const sent = new Date(sentAt).toLocaleString();
  item.append(link, waiting ? `: ${waiting === 1 ? "1 line waits" : `${waiting} lines wait`}, last sent ${sent}` : `: all sent, ${sent}`);
  return item;
})));
