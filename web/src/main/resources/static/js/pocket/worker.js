// The worker of a device: pages and acts of a job that was taken along are answered here, by the same core as on the server, and sent behind the user's back.
import * as core from "./core.js";
import { begun, reached } from "../frame/patience.js";
import { carrier, inTurn, opened } from "./book.js";
import { again, layBy, letGo, renew, send, takeAlongIfReached, tellPages, tokenOf } from "./exchange.js";
import { bareOf, placeOf } from "./places.js";
import { elsewhere, inTheme, kept, looks, signingIn, signingOut } from "./shell.js";
import * as store from "./store.js";

const START = "/pocket";

const json = (text, status = 200, more = {}) => new Response(text, { status, headers: { "Content-Type": "application/json", ...more } });
const refused = (faults, revision = "") => json(JSON.stringify(faults), 422, { Revision: revision });

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
  const fields = { TITLE: escaped(page.title), SETUP: escaped(place.setup), HERE: url.pathname, PAGE: id, VIEW: page.view, CSRF: tokenOf(taken.id) };
  const text = (await inTheme(bare.text)).replace(/__(TITLE|SETUP|HERE|PAGE|VIEW|CSRF)__/g, (all, name) => fields[name]);
  const headers = { "Content-Type": "text/html;charset=UTF-8" };
  if (bare.policy) headers["Content-Security-Policy"] = bare.policy;
  return new Response(text, { headers });
}

async function actOf(taken, place, request) {
  const typed = Object.fromEntries(new URLSearchParams(await request.text()));
  const said = core.act(taken.id, place.room, place.setup, place.act, JSON.stringify(typed), carrier(taken));
  if (!said) return new Response("", { status: 404 });
  const { entries, faults, view, revision } = JSON.parse(said);
  // A page that is behind is told what it has not shown.
  if (faults) return refused(faults, String(revision));
  try {
    if (entries.length) await store.keep(taken.id, entries);
  } catch (full) {
    // What is not on the device is not booked.
    core.close(taken.id);
    return refused({ message: `This device could not keep the line (${full?.message ?? full}): nothing is booked.` });
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

/** The device first; what it has not taken along is the server's, and what it may no longer answer by itself too. */
async function placed(request, place, url) {
  const taken = await carried(place.job);
  if (!taken) return elsewhere(request);
  if (await store.mayWorkNow(taken.carrier.account)) return inTurn(place.job, () => answer(taken, place, request, url));
  if (!place.act) return elsewhere(request);
  return await reached(begun(request))
    ?? refused({ message: "Your sign-in on this device has ended, and the server cannot be reached: nothing is booked. What waits stays here; sign in to go on." });
}

self.addEventListener("install", event => event.waitUntil(self.skipWaiting()));
self.addEventListener("activate", event => event.waitUntil(self.clients.claim().then(renew)));
self.addEventListener("fetch", event => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== location.origin) return;
  const place = placeOf(url.pathname, request.method);
  if (place) event.respondWith(placed(request, place, url));
  else if (url.pathname.startsWith("/parts/") || url.pathname === "/favicon.svg") event.respondWith(kept(request));
  else if (url.pathname === "/sign-in" && request.method === "POST") event.respondWith(signingIn(request));
  else if (url.pathname === "/sign-out" && request.method === "POST") event.respondWith(signingOut(request));
  else if (url.pathname === "/looks" && request.method === "POST") event.respondWith(looks(request));
  else if (request.mode === "navigate") event.respondWith(elsewhere(request));
});

const ASKED = {
  "take-along": takeAlongIfReached,
  "let-go": letGo,
  again,
  "lay-by": layBy,
  stand: async id => { await tellPages(id); if (await store.job(id)) send(id); },
};
self.addEventListener("message", event => {
  const { ask, job, key } = event.data;
  if (ASKED[ask]) event.waitUntil(ASKED[ask](job, key));
});
