// Between this device and the server: taking a job along, sending what waits, taking in what others booked, and telling the pages how it stands.
import * as core from "./core.js";
import { heard } from "../frame/patience.js";
import { carrier, inTurn, opened, ownOf, settle } from "./book.js";
import { BARE } from "./places.js";
import { keepShell, sound } from "./shell.js";
import * as store from "./store.js";

const RETRY_AFTER = 5000;
/** A clock that differs by more is said. */
const CLOCKS_DIFFER = 120000;
/** So many lines go out at once. */
const MOST_AT_ONCE = 1000;
const channel = new BroadcastChannel("pocket");
const csrf = new Map();
const standing = new Map();

/** The server is away, or it asks for a sign-in; anything else is a fault. */
const isUnreached = fault => fault instanceof TypeError || fault instanceof SyntaxError;

/**
 * Takes a job along, or takes it along anew: its entries, who carries it, and the bare pages of the acts.
 * @param only the account that carries it, where it is taken anew without being asked for: nobody else becomes its carrier by that
 */
async function takeAlong(id, only = "") {
  const book = await (await sound(`/job/${id}/pocket/book`)).json();
  if (only && book.carrier.account !== only) return;
  csrf.set(id, [book.csrfHeader, book.csrf]);
  const pages = await Promise.all(BARE.map(async name => {
    const answer = await sound(`/job/${id}/pocket/page/${name}`);
    return { name, text: await answer.text(), policy: answer.headers.get("Content-Security-Policy") };
  }));
  // Only what is wholly here is taken along.
  await keepShell(pages);
  const now = new Date().toISOString();
  const taken = { id, name: book.name, carrier: book.carrier, upTo: book.upTo, takenAt: now, sentAt: now, worker: location.pathname };
  await store.takeAlong(taken, book.entries, pages, Boolean(only));
  if (!only) await store.signedIn(book.carrier.account);
  await store.mayWork(book.carrier.account, book.workUntil);
  core.close(id);
  await tellPages(id);
}

/** Asked for by a person, who is told where it cannot be done. */
export async function takeAlongIfReached(id) {
  try {
    await takeAlong(id);
  } catch (unreachable) {
    if (!isUnreached(unreachable)) throw unreachable;
    channel.postMessage({ job: id, failed: true });
  }
}

/** Pages and core are of one version: where the program was renewed, what was taken along is fetched anew; what waits stays. */
export async function renew() {
  for (const taken of await store.jobs()) {
    if (taken.worker === location.pathname) continue;
    try {
      await takeAlong(taken.id, taken.carrier.account);
    } catch (unreachable) {
      // Without a connection or a sign-in the next exchange tries again.
      if (!isUnreached(unreachable)) throw unreachable;
    }
  }
}

export async function letGo(id) {
  await inTurn(id, async () => {
    core.close(id);
    await store.letGo(id);
  });
  try {
    const [header, value] = await token(id);
    await heard(`/job/${id}/pocket/let-go`, { method: "POST", headers: { [header]: value } });
  } catch (unreachable) {
    // The list of jobs goes on saying when this device was last heard.
    if (!isUnreached(unreachable)) throw unreachable;
  }
  await tellPages(id);
}

/** How a job stands on this device, told to its pages. */
export async function tellPages(id) {
  const taken = await store.job(id);
  const [own, aside] = taken ? await Promise.all([ownOf(taken), store.aside(id)]) : [[], []];
  channel.postMessage({
    job: id,
    carrier: taken?.carrier.account,
    taken: taken ? { at: taken.takenAt, sentAt: taken.sentAt, entries: taken.upTo } : null,
    waiting: own.length,
    since: own[0]?.entry.at ?? "",
    aside: aside.filter(line => !line.laidBy).map(({ key, words, at, reason }) => ({ key, words, at, reason })),
    ...standing.get(id),
  });
}

/** What was set aside is laid on the book once more, with what it belongs to: the name may be free again, or the pen back. */
export async function again(id, key) {
  const taken = await store.job(id);
  await inTurn(id, async () => {
    await store.takeUpAgain(id, key);
    core.close(id);
    await opened(taken);
  });
  await tellPages(id);
  channel.postMessage({ job: id, changed: true });
  send(id);
}

/** What was set aside was read, and needs nothing more: it stays on the device's start page. */
export async function layBy(id, key) {
  await inTurn(id, () => store.layBy(id, key));
  await tellPages(id);
}

/** The token of the last exchange; empty before the first one. */
export const tokenOf = id => csrf.get(id)?.[1] ?? "";

async function token(id) {
  if (!csrf.has(id)) {
    const book = await (await heard(`/job/${id}/pocket/book?after=${Number.MAX_SAFE_INTEGER}`)).json();
    csrf.set(id, [book.csrfHeader, book.csrf]);
  }
  return csrf.get(id);
}

/** So many lines, and those that belong together together: all but the last of them have their number behind their key. */
function first(own) {
  let end = Math.min(own.length, MOST_AT_ONCE);
  while (end < own.length && /\/\d+$/.test(own[end - 1].entry.key)) end++;
  return own.slice(0, end);
}

/** What waits goes out, what others booked comes in. Who has nothing to send only asks: a reader may do that too. */
async function exchange(taken, own) {
  if (!own.length) {
    const book = await answered(await heard(`/job/${taken.id}/pocket/book?after=${taken.upTo}`));
    if (!book || book.out) return book;
    csrf.set(taken.id, [book.csrfHeader, book.csrf]);
    return book.carrier.account === taken.carrier.account ? { ...book, arrived: [] } : null;
  }
  const [header, value] = await token(taken.id);
  const sent = await heard(`/job/${taken.id}/pocket/entries?` + new URLSearchParams({ after: taken.upTo, carrier: taken.carrier.account }), {
    method: "POST",
    headers: { [header]: value, "Content-Type": "application/json", "X-Requested-With": "fetch" },
    body: JSON.stringify({ entries: own.map(line => line.entry) }),
  });
  return answered(sent);
}

/** What the server answers; nothing where it asks for the sign-in. Whoever is no member any more is told so. */
async function answered(response) {
  if (response.status === 404) return { out: true };
  // A server whose database is away is as good as away itself: what waits goes out later.
  if (response.status >= 500) throw new TypeError(`the server answered ${response.status}`);
  return response.ok && !response.redirected ? response.json() : null;
}

/** One exchange with the server. */
async function sending(id) {
  const taken = await store.job(id);
  // What one person took along is not another one's to send.
  if (!taken || taken.carrier.account !== await store.account()) return;
  const waiting = await ownOf(taken);
  const own = first(waiting);
  let told = null;
  try {
    told = await exchange(taken, own);
  } catch (unreachable) {
    if (!isUnreached(unreachable)) throw unreachable;
    csrf.delete(id);
    standing.set(id, { away: unreachable instanceof TypeError, signIn: unreachable instanceof SyntaxError });
    await tellPages(id);
    if (own.length) setTimeout(() => send(id), RETRY_AFTER);
    return;
  }
  if (!told || told.out) {
    csrf.delete(id);
    standing.set(id, { signIn: !told, out: Boolean(told?.out) });
    await tellPages(id);
    return;
  }
  const clock = Date.now() - Date.parse(told.now);
  standing.set(id, { clock: Math.abs(clock) > CLOCKS_DIFFER ? clock : 0 });
  await store.mayWork(taken.carrier.account, told.workUntil);
  await inTurn(id, () => takeIn(taken, told));
  if (taken.worker !== location.pathname) await renew();
  await tellPages(id);
  if (told.entries.length) channel.postMessage({ job: id, changed: true });
  if (waiting.length > own.length) setTimeout(() => send(id), 0);
}

async function takeIn(taken, answered) {
  await opened(taken);
  const mine = await ownOf(taken);
  const { aside } = JSON.parse(core.tell(taken.id, JSON.stringify(answered.entries), carrier(taken)));
  const after = { ...taken, upTo: answered.upTo, sentAt: new Date().toISOString() };
  const refused = answered.arrived.filter(line => !line.stored);
  await store.settle(after, answered.entries, [], []);
  await settle(after, answered.entries, mine, [...refused, ...aside], answered.arrived.filter(line => line.stored));
  if (refused.length) core.close(taken.id);
}

/** Sends what waits, one exchange at a time; what is booked meanwhile goes out behind it. */
const underWay = new Map();
export function send(id) {
  if (underWay.has(id)) {
    underWay.set(id, true);
    return;
  }
  underWay.set(id, false);
  sending(id).finally(() => {
    const more = underWay.get(id);
    underWay.delete(id);
    if (more) send(id);
  });
}
