// What stands on this device without any job: its start page, and the styles, scripts and fonts of every page kept.
import { begun, heard, LEAVING, reached } from "../frame/patience.js";
import * as store from "./store.js";

const SHELL = "shell";
const START = "/pocket";

/** An answer to be kept; a page that says what failed, or asks for the sign-in, is none. */
export async function sound(address) {
  const answer = await heard(address);
  if (!answer.ok || answer.redirected) throw new TypeError(`${address} answered ${answer.status}`);
  return answer;
}

/** What a part names itself: scripts their imports, styles their fonts. */
function namedIn(address, text) {
  const names = address.endsWith(".js") ? text.matchAll(/^import .*"(\.[^"]+)";$/gm)
    : address.endsWith(".css") ? text.matchAll(/url\("?([^")]+)"?\)/g) : [];
  return [...names].map(([, name]) => new URL(name, location.origin + address)).filter(url => url.origin === location.origin).map(url => url.pathname);
}

/** Keeps the start page, and what it and the bare pages name, and what that names: styles, scripts, fonts. */
export async function keepShell(pages) {
  const shell = await self.caches.open(SHELL);
  await shell.put(START, await sound(START));
  const start = await (await shell.match(START)).text();
  const open = [start, ...pages.map(bare => bare.text)]
    .flatMap(text => [...text.matchAll(/(?:href|src)="(\/parts\/[^"]+|\/favicon\.svg)"/g)].map(([, address]) => address));
  const seen = new Set();
  while (open.length) {
    const address = open.pop();
    if (seen.has(address)) continue;
    seen.add(address);
    await shell.put(address, await sound(address));
    open.push(...namedIn(address, await (await shell.match(address)).text()));
  }
}

export async function kept(request) {
  return await self.caches.match(request) ?? fetch(request);
}

/** A page in the theme that was chosen on this device. */
export async function inTheme(text) {
  const theme = await store.theme();
  return theme ? text.replace(/data-theme="[^"]*"/, `data-theme="${theme}"`) : text;
}

/** A page that is kept says who is signed in here now, not who was when it was kept. */
async function startPage() {
  const start = await self.caches.match(START);
  if (!start) return null;
  const who = encodeURIComponent(await store.account());
  const text = (await inTheme(await start.text())).replace(/(<meta name="account" content=")[^"]*"/, `$1${who}"`);
  return new Response(text, { headers: start.headers });
}

/** Whoever signs in may be somebody else: until their first page says who, this device answers for nobody. Without a connection nobody has. */
export async function signingIn(request) {
  const answer = await reached(begun(request));
  if (answer) await store.signedIn("");
  return answer ?? startPage();
}

/** Whoever signs out is signed out here at once; where the server cannot be reached it is told when it is. */
export async function signingOut(request) {
  const answer = await reached(begun(request, LEAVING));
  if (!answer) await store.oweSignOut(true);
  return answer ?? startPage();
}

/** Tells the server that whoever it takes for signed in on this device has signed out. */
async function signOut() {
  const page = await (await heard("/account")).text();
  const [, token] = page.match(/name="csrf" content="([^"]+)"/) ?? [];
  const answer = await heard("/sign-out", { method: "POST", body: new URLSearchParams({ _csrf: token ?? "" }), redirect: "manual" });
  await store.oweSignOut(!answer.ok && answer.type !== "opaqueredirect");
}

/** What the server answers; where it cannot be reached, the start page says that what was asked for is the office's. */
export async function elsewhere(request) {
  try {
    if (await store.signOutIsDue()) await signOut();
    // How long a file takes that is sent along cannot be known here.
    return await (request.method === "GET" ? begun(request) : fetch(request));
  } catch (unreachable) {
    const start = request.mode === "navigate" && await startPage();
    if (!start) throw unreachable;
    return start;
  }
}

/** A theme is chosen at the server and on this device, so that glare is no matter of a connection. */
export async function looks(request) {
  const theme = new URLSearchParams(await request.clone().text()).get("theme");
  if (["day", "night", "sun"].includes(theme)) await store.choose(theme);
  const answer = await reached(begun(request));
  return answer && answer.status !== 403 ? answer : Response.redirect(request.referrer || START, 303);
}
