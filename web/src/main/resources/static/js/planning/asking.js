// Asks the planning table, which works beside the page; whoever stops a long search gets a fresh one.

export class Table {
  #worker;
  #waiting = new Map();
  #next = 0;
  #site = null;

  constructor() {
    this.#begin();
  }

  #begin() {
    this.#worker = new Worker(new URL("./table.js", import.meta.url), { type: "module" });
    this.#worker.addEventListener("message", event => {
      const { id, answer, fault } = event.data;
      const { done, failed } = this.#waiting.get(id) ?? {};
      this.#waiting.delete(id);
      if (fault === undefined) done?.(answer);
      else failed?.(new Error(fault));
    });
  }

  ask(ask, ...given) {
    const id = ++this.#next;
    return new Promise((done, failed) => {
      this.#waiting.set(id, { done, failed });
      this.#worker.postMessage({ id, ask, with: given });
    });
  }

  /** Lays the site on it. */
  lay(site) {
    this.#site = site;
    return this.ask("site", site);
  }

  /** Ends whatever is under way; what was asked is answered by a fault that says so. */
  stop() {
    this.#worker.terminate();
    for (const { failed } of this.#waiting.values()) failed(new Error("stopped"));
    this.#waiting.clear();
    this.#begin();
    return this.lay(this.#site);
  }
}
