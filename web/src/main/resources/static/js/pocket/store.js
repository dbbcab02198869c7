// What a device keeps: jobs taken along, their entries as the server told them, its own lines that wait, and what was set aside.

const NAME = "mark-turn";
const VERSION = 1;

let opened = null;

function open() {
  opened ??= new Promise((done, failed) => {
    const asked = indexedDB.open(NAME, VERSION);
    asked.onupgradeneeded = () => {
      const db = asked.result;
      db.createObjectStore("jobs", { keyPath: "id" });
      db.createObjectStore("told", { keyPath: ["job", "sequence"] });
      db.createObjectStore("own", { keyPath: "number", autoIncrement: true }).createIndex("job", "job");
      db.createObjectStore("aside", { keyPath: ["job", "key"] });
      db.createObjectStore("pages", { keyPath: ["job", "name"] });
      db.createObjectStore("who");
    };
    asked.onsuccess = () => done(asked.result);
    asked.onerror = () => failed(asked.error);
  });
  return opened;
}

const result = request => new Promise((done, failed) => {
  request.onsuccess = () => done(request.result);
  request.onerror = () => failed(request.error);
});

/** Does all of a change, or nothing of it. */
async function change(stores, write) {
  const db = await open();
  return new Promise((done, failed) => {
    const transaction = db.transaction(stores, "readwrite", { durability: "strict" });
    transaction.oncomplete = () => done();
    transaction.onerror = () => failed(transaction.error);
    transaction.onabort = () => failed(transaction.error);
    write(name => transaction.objectStore(name));
  });
}

async function read(store, ask) {
  const db = await open();
  return result(ask(db.transaction(store).objectStore(store)));
}

const beneath = job => IDBKeyRange.bound([job], [job, []]);

export const jobs = () => read("jobs", store => store.getAll());
export const job = id => read("jobs", store => store.get(id));
export const told = id => read("told", store => store.getAll(beneath(id)));
export const own = id => read("own", store => store.index("job").getAll(id));
export const aside = id => read("aside", store => store.getAll(beneath(id)));
export const page = (id, name) => read("pages", store => store.get([id, name]));

/** Who last was signed in on this device; empty where they signed out. */
export const account = async () => await read("who", store => store.get("account")) ?? "";
export const signedIn = name => change(["who"], store => store("who").put(name, "account"));

/** Whether somebody signed out here whom the server still takes for signed in: it could not be reached. */
export const signOutIsDue = async () => Boolean(await read("who", store => store.get("sign-out due")));
export const oweSignOut = due => change(["who"], store => store("who").put(due, "sign-out due"));

/** Until when an account may go on working here without a connection: the server said so when it was last reached. */
export const mayWork = (name, until) => change(["who"], store => store("who").put(until, `until ${name}`));
export async function mayWorkNow(name) {
  const until = await read("who", store => store.get(`until ${name}`));
  return !until || Date.now() < Date.parse(until);
}

/** The theme that was chosen on this device; nothing where none was. */
export const theme = () => read("who", store => store.get("theme"));
export const choose = name => change(["who"], store => store("who").put(name, "theme"));

/** The jobs that an account has taken along, and how many of its lines wait on this device. */
export async function carriedBy(name) {
  const carried = (await jobs()).filter(taken => taken.carrier.account === name);
  const waiting = await Promise.all(carried.map(async taken => (await own(taken.id)).length));
  return { carried, waiting: waiting.reduce((sum, lines) => sum + lines, 0) };
}

/** Changes what is kept of a job that is still here: what was let go meanwhile, as by whoever signs out, does not come back. */
function ifHere(store, id, write) {
  const here = store("jobs").get(id);
  here.onsuccess = () => { if (here.result) write(); };
}

/**
 * Takes a job along, with its entries and bare pages; what it held before of that job is replaced, but for its own lines.
 * @param anew whether it is here already
 */
export function takeAlong(taken, entries, pages, anew) {
  return change(["jobs", "told", "pages"], store => {
    const write = () => {
      store("told").delete(beneath(taken.id));
      store("jobs").put(taken);
      entries.forEach(entry => store("told").put({ ...entry, job: taken.id }));
      pages.forEach(bare => store("pages").put({ ...bare, job: taken.id }));
    };
    if (anew) ifHere(store, taken.id, write);
    else write();
  });
}

/** Keeps lines that were just booked: they are on the device when this is done. */
export function keep(id, lines) {
  return change(["own"], store => lines.forEach(entry => store("own").add({ job: id, entry })));
}

/** What the server told: entries behind those that are here; own lines that it has taken in, and those set aside, wait no more. */
export function settle(taken, entries, numbers, refused) {
  return change(["jobs", "told", "own", "aside"], store => ifHere(store, taken.id, () => {
    store("jobs").put(taken);
    entries.forEach(entry => store("told").put({ ...entry, job: taken.id }));
    numbers.forEach(number => store("own").delete(number));
    refused.forEach(line => store("aside").put({ ...line, job: taken.id }));
  }));
}

/** Lines that belong together share a key; all but the last have their number behind it. */
const shared = key => key.replace(/\/\d+$/, "");
const place = key => Number(key.match(/\/(\d+)$/)?.[1] ?? Infinity);

async function belongTogether(id, key) {
  const all = await aside(id);
  return all.filter(line => shared(line.key) === shared(key)).sort((a, b) => place(a.key) - place(b.key));
}

/** What was set aside, with what belongs to it, waits again, behind all that waits. */
export async function takeUpAgain(id, key) {
  const lines = await belongTogether(id, key);
  return change(["own", "aside"], store => {
    for (const { job: of, reason, words, laidBy, ...entry } of lines) {
      store("aside").delete([of, entry.key]);
      store("own").add({ job: of, entry });
    }
  });
}

/** What was set aside was read, and is shown no more beside the work. */
export async function layBy(id, key) {
  const lines = await belongTogether(id, key);
  return change(["aside"], store => lines.forEach(line => store("aside").put({ ...line, laidBy: true })));
}

/** Lets a job go from the device, with all that was set aside. */
export function letGo(id) {
  return change(["jobs", "told", "own", "aside", "pages"], store => {
    store("jobs").delete(id);
    for (const name of ["told", "aside", "pages"]) store(name).delete(beneath(id));
    const mine = store("own").index("job").openKeyCursor(IDBKeyRange.only(id));
    mine.onsuccess = () => {
      const cursor = mine.result;
      if (!cursor) return;
      store("own").delete(cursor.primaryKey);
      cursor.continue();
    };
  });
}
