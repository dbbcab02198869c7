// The books that are open in the core of this device: what the server told, and what waits laid on top.
import * as core from "./core.js";
import * as store from "./store.js";

/** One thing after the other on each job. */
const turns = new Map();

export function inTurn(job, work) {
  const turn = (turns.get(job) ?? Promise.resolve()).then(work, work);
  turns.set(job, turn.catch(() => {}));
  return turn;
}

export const carrier = taken => JSON.stringify({ ...taken.carrier, now: new Date().toISOString() });

/** Lines that wait, of whoever carries the job now: another account's wait until that account takes it along again. */
export const ownOf = async taken => (await store.own(taken.id)).filter(line => line.entry.by === taken.carrier.account);

/** Opens a job in the core, with what waits laid on top; what no longer fits is set aside. */
export async function opened(taken) {
  if (core.isOpen(taken.id)) return;
  const [told, own] = await Promise.all([store.told(taken.id), ownOf(taken)]);
  const { aside } = JSON.parse(core.open(taken.id, JSON.stringify(told), JSON.stringify(own.map(line => line.entry)), carrier(taken)));
  await settle(taken, [], own, aside);
}

/** What was told, or has arrived there, waits no more; what no longer fits is kept as people read it, with its reason. */
export async function settle(taken, entries, own, aside, arrived = []) {
  const reasons = new Map(aside.map(({ key, reason }) => [key, reason]));
  const stored = new Set([...entries, ...arrived].map(({ key }) => key));
  const settled = own.filter(line => stored.has(line.entry.key) || reasons.has(line.entry.key));
  if (!entries.length && !settled.length) return;
  const refused = settled.map(line => line.entry).filter(entry => reasons.has(entry.key));
  const words = refused.length ? JSON.parse(core.words(taken.id, JSON.stringify(refused))) : [];
  await store.settle(taken, entries, settled.map(line => line.number), refused.map((entry, i) => ({ ...entry, reason: reasons.get(entry.key), words: words[i] })));
}
