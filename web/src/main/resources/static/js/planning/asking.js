// Asks the planning table, which works beside the page; whoever stops a long search gets a fresh one.

import { main } from "./desk.js";

const waiting = new Map();
let worker = null;
let last = 0;
let site = null;

function begin() {
  worker = new Worker(main.dataset.table, { type: "module" });
  worker.addEventListener("message", event => {
    const { id, answer, fault } = event.data;
    const { done, failed } = waiting.get(id) ?? {};
    waiting.delete(id);
    if (fault === undefined) done?.(answer);
    else failed?.(new Error(fault));
  });
}

export function ask(what, ...given) {
  if (!worker) begin();
  const id = ++last;
  return new Promise((done, failed) => {
    waiting.set(id, { done, failed });
    worker.postMessage({ id, ask: what, with: given });
  });
}

/** Lays the site on the table. */
export function lay(text) {
  site = text;
  return ask("site", site);
}

/** For whoever is not to be told that it was stopped: nothing is answered then. */
export function unlessStopped(fault) {
  if (fault.message !== "stopped") throw fault;
}

/** Ends whatever is under way; who asked is told that it was stopped. */
export function stop() {
  worker.terminate();
  for (const { failed } of waiting.values()) failed(new Error("stopped"));
  waiting.clear();
  begin();
  return lay(site);
}
