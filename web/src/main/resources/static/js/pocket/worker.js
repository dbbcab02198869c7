// The worker of a device: pages and acts of a job that was taken along are answered here, by the same core as on the server, and sent behind the user's back.
import * as core from "./core.js";
import { BARE, bareOf, placeOf } from "./places.js";
import * as store from "./store.js";

const SHELL = "shell";
const START = "/pocket";
const RETRY_AFTER = 5000;
/** A clock that differs by more is said. */
const CLOCKS_DIFFER = 120000;
const channel = new BroadcastChannel("pocket");
/** One thing after the other on each job. */
const turns = new Map();
const csrf = new Map();
const standing = new Map();

const json = (text, status = 200) => new Response(text, { status, headers: { "Content-Type": "application/json" } });

function inTurn(job, work) {
  const turn = (turns.get(job) ?? Promise.resolve()).then(work, work);
  turns.set(job, turn.catch(() => {}));
  return turn;
}

const carrier = taken => JSON.stringify({ ...taken.carrier, now: new Date().toISOString() });

/** Lines that wait, of whoever carries the job now: another account's wait until that account takes it along again. */
const ownOf = async taken => (await store.own(taken.id)).filter(line => line.entry.by === taken.carrier.account);

/** Opens a job in the core, with what waits laid on top; what no longer fits is set aside. */
async function opened(taken) {
  if (core.isOpen(taken.id)) return;
  const [told, own] = await Promise.all([store.told(taken.id), ownOf(taken)]);
  const { aside } = JSON.parse(core.open(taken.id, JSON.stringify(told), JSON.stringify(own.map(line => line.entry)), carrier(taken)));
  await setAside(taken, [], own, aside);
}

/** What was told, or has arrived there, waits no more; what no longer fits is kept with its reason. */
function setAside(taken, entries, own, aside, arrived = []) {
  const reasons = new Map(aside.map(({ key, reason }) => [key, reason]));
  const stored = new Set([...entries, ...arrived].map(({ key }) => key));
  const settled = own.filter(line => stored.has(line.entry.key) || reasons.has(line.entry.key));
  const refused = settled.filter(line => reasons.has(line.entry.key)).map(line => ({ ...line.entry, reason: reasons.get(line.entry.key) }));
  if (!entries.length && !settled.length) return null;
  return store.settle(taken, entries, settled.map(line => line.number), refused);
}

/** An answer to be kept; a page that says what failed, or asks for the sign-in, is none. */
async function sound(address) {
  const answer = await fetch(address);
  if (!answer.ok || answer.redirected) throw new TypeError(`${address} answered ${answer.status}`);
  return answer;
}

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
  await store.takeAlong(taken, book.entries, pages);
  await store.signedIn(book.carrier.account);
  core.close(id);
  await tellPages(id);
}

/** What a part names itself: scripts their imports, styles their fonts. */
function namedIn(address, text) {
  const names = address.endsWith(".js") ? text.matchAll(/^import .*"(\.[^"]+)";$/gm)
    : address.endsWith(".css") ? text.matchAll(/url\("?([^")]+)"?\)/g) : [];
  return [...names].map(([, name]) => new URL(name, location.origin + address)).filter(url => url.origin === location.origin).map(url => url.pathname);
}

/** Keeps the start page, and what it and the bare pages name, and what that names: styles, scripts, fonts. */
async function keepShell(pages) {
  const shell = await self.caches.open(SHELL);
  await shell.add(START);
  const start = await (await shell.match(START)).text();
  const open = [start, ...pages.map(bare => bare.text)]
    .flatMap(text => [...text.matchAll(/(?:href|src)="(\/(?:parts|webjars)\/[^"]+|\/favicon\.svg)"/g)].map(([, address]) => address));
  const seen = new Set();
  while (open.length) {
    const address = open.pop();
    if (seen.has(address)) continue;
    seen.add(address);
    await shell.add(address);
    open.push(...namedIn(address, await (await shell.match(address)).text()));
  }
}

const escaped = text => text.replace(/[&<>"']/g, sign => `&#${sign.charCodeAt(0)};`);

/** A page as the core shows it, filled into the bare one. */
async function pageOf(taken, place, url) {
  const id = crypto.randomUUID();
  const asked = JSON.stringify(Object.fromEntries(url.searchParams));
  const told = core.page(taken.id, place.room, place.setup, id, asked, carrier(taken));
  if (!told) return Response.redirect(START, 303);
  const page = JSON.parse(told);
  if (page.instead) return Response.redirect(page.instead, 303);
  const bare = await store.page(taken.id, bareOf(place));
  const fields = { TITLE: escaped(page.title), SETUP: escaped(place.setup), HERE: url.pathname, PAGE: id, VIEW: page.view };
  const text = bare.text.replace(/__(TITLE|SETUP|HERE|PAGE|VIEW)__/g, (all, name) => fields[name]);
  const headers = { "Content-Type": "text/html;charset=UTF-8" };
  if (bare.policy) headers["Content-Security-Policy"] = bare.policy;
  return new Response(text, { headers });
}

async function actOf(taken, place, request) {
  const typed = Object.fromEntries(new URLSearchParams(await request.text()));
  const said = core.act(taken.id, place.room, place.setup, place.act, JSON.stringify(typed), carrier(taken));
  if (!said) return new Response("", { status: 404 });
  const { entries, faults, view } = JSON.parse(said);
  if (faults) return json(JSON.stringify(faults), 422);
  try {
    if (entries.length) await store.keep(taken.id, entries);
  } catch (full) {
    // What is not on the device is not booked.
    core.close(taken.id);
    return json(JSON.stringify({ message: `This device could not keep the line (${full?.message ?? full}): nothing is booked.` }), 422);
  }
  await tellPages(taken.id);
  send(taken.id);
  return json(view);
}

async function answer(taken, place, request, url) {
  await opened(taken);
  if (place.act) return actOf(taken, place, request);
  if (!place.question) {
    send(taken.id);
    return pageOf(taken, place, url);
  }
  const asked = JSON.stringify(Object.fromEntries(url.searchParams));
  const said = core.answer(taken.id, place.room, place.setup, place.question, asked, carrier(taken));
  return said ? json(said) : new Response("", { status: 404 });
}

/** A job on this device, of whoever is signed in here: what one person took along is nobody else's. */
async function carried(id) {
  const taken = await store.job(id);
  return taken && taken.carrier.account === await store.account() ? taken : null;
}

/** The device first; what it has not taken along is the server's. */
async function placed(request, place, url) {
  const taken = await carried(place.job);
  if (!taken) return elsewhere(request);
  return inTurn(place.job, () => answer(taken, place, request, url));
}

/** The simulated station stands on the server: what waits is sent before, what it took is fetched behind, and the device shows it. */
async function measured(request, place) {
  const taken = await carried(place.job);
  if (!taken) return fetch(request);
  const body = await request.clone().text();
  await sending(place.job);
  const answered = await fetch(request);
  if (!answered.ok) return answered;
  await sending(place.job);
  const typed = Object.fromEntries(new URLSearchParams(body));
  const asked = JSON.stringify({ ...(place.room === "detail" ? typed : {}), page: typed.page, since: typed.since });
  return inTurn(place.job, () => json(core.answer(place.job, place.room, place.setup, "view", asked, carrier(taken))));
}

/** What the server answers; a page that it cannot be asked for is said to be the office's. */
async function elsewhere(request) {
  try {
    return await fetch(request);
  } catch (unreachable) {
    const start = request.mode === "navigate" && await self.caches.match(START);
    if (!start) throw unreachable;
    return start;
  }
}

async function kept(request) {
  return await self.caches.match(request) ?? fetch(request);
}

/** Pages and core are of one version: where the program was renewed, what was taken along is fetched anew; what waits stays. */
async function renew() {
  for (const taken of await store.jobs()) {
    if (taken.worker === location.pathname) continue;
    try {
      await takeAlong(taken.id, taken.carrier.account);
    } catch (unreachable) {
      // Without a connection or a sign-in the next exchange tries again.
      if (!(unreachable instanceof TypeError || unreachable instanceof SyntaxError)) throw unreachable;
    }
  }
}

self.addEventListener("install", event => event.waitUntil(self.skipWaiting()));
self.addEventListener("activate", event => event.waitUntil(self.clients.claim().then(renew)));
self.addEventListener("fetch", event => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== location.origin) return;
  const place = placeOf(url.pathname, request.method);
  const station = url.pathname.endsWith("/measure") && placeOf(url.pathname.replace(/\/measure$/, "/view"), "GET");
  if (place) event.respondWith(placed(request, place, url));
  else if (station) event.respondWith(measured(request, station));
  else if (url.pathname.startsWith("/parts/") || url.pathname.startsWith("/webjars/") || url.pathname === "/favicon.svg") event.respondWith(kept(request));
  else if (request.mode === "navigate" && request.method === "GET") event.respondWith(elsewhere(request));
});

/** How a job stands on this device, told to its pages. */
async function tellPages(id) {
  const taken = await store.job(id);
  const [own, aside] = taken ? await Promise.all([ownOf(taken), store.aside(id)]) : [[], []];
  channel.postMessage({
    job: id,
    taken: taken ? { at: taken.takenAt, sentAt: taken.sentAt, entries: taken.upTo } : null,
    waiting: own.length,
    since: own[0]?.entry.at ?? "",
    aside: aside.map(({ key, kind, at, reason }) => ({ key, kind, at, reason })),
    ...standing.get(id),
  });
}

async function token(id) {
  if (!csrf.has(id)) {
    const book = await (await fetch(`/job/${id}/pocket/book?after=${Number.MAX_SAFE_INTEGER}`)).json();
    csrf.set(id, [book.csrfHeader, book.csrf]);
  }
  return csrf.get(id);
}

/** One exchange with the server: what waits goes out, what others booked comes in. */
async function exchange(taken, own) {
  const [header, value] = await token(taken.id);
  const sent = await fetch(`/job/${taken.id}/pocket/entries?` + new URLSearchParams({ after: taken.upTo, carrier: taken.carrier.account }), {
    method: "POST",
    headers: { [header]: value, "Content-Type": "application/json", "X-Requested-With": "fetch" },
    body: JSON.stringify({ entries: own.map(line => line.entry) }),
  });
  return sent.ok && !sent.redirected ? sent.json() : null;
}

async function sending(id) {
  const taken = await store.job(id);
  if (!taken) return;
  const own = await ownOf(taken);
  let answered = null;
  try {
    answered = await exchange(taken, own);
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError || unreachable instanceof SyntaxError)) throw unreachable;
    csrf.delete(id);
    standing.set(id, { away: unreachable instanceof TypeError, signIn: unreachable instanceof SyntaxError });
    await tellPages(id);
    if (own.length) setTimeout(() => send(id), RETRY_AFTER);
    return;
  }
  if (!answered) {
    csrf.delete(id);
    standing.set(id, { signIn: true });
    await tellPages(id);
    return;
  }
  const clock = Date.now() - Date.parse(answered.now);
  standing.set(id, { clock: Math.abs(clock) > CLOCKS_DIFFER ? clock : 0 });
  const refused = answered.arrived.filter(line => !line.stored);
  await inTurn(id, async () => {
    await opened(taken);
    const mine = await ownOf(taken);
    const { aside } = JSON.parse(core.tell(id, JSON.stringify(answered.entries), carrier(taken)));
    const after = { ...taken, upTo: answered.upTo, sentAt: new Date().toISOString() };
    await store.settle(after, answered.entries, [], []);
    await setAside(after, answered.entries, mine, [...refused, ...aside], answered.arrived.filter(line => line.stored));
    if (refused.length) core.close(id);
  });
  if (taken.worker !== location.pathname) await renew();
  await tellPages(id);
  if (answered.entries.length) channel.postMessage({ job: id, changed: true });
}

/** Sends what waits, one exchange at a time; what is booked meanwhile goes out behind it. */
const underWay = new Map();
function send(id) {
  if (underWay.has(id)) {
    underWay.set(id, true);
    return;
  }
  underWay.set(id, false);
  sending(id).finally(() => {
    const again = underWay.get(id);
    underWay.delete(id);
    if (again) send(id);
  });
}

async function letGo(id) {
  await inTurn(id, async () => {
    core.close(id);
    await store.letGo(id);
  });
  await tellPages(id);
}

/** Asked for by a person, who is told where it cannot be done. */
async function takeAlongIfReached(id) {
  try {
    await takeAlong(id);
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError || unreachable instanceof SyntaxError)) throw unreachable;
    channel.postMessage({ job: id, failed: true });
  }
}

const ASKED = {
  "take-along": takeAlongIfReached,
  "let-go": letGo,
  stand: async id => { await tellPages(id); if (await store.job(id)) send(id); },
};
self.addEventListener("message", event => {
  const { ask, job } = event.data;
  if (ASKED[ask]) event.waitUntil(ASKED[ask](job));
});
