// Asking over a line that may be dead without having been closed: it answers nothing and refuses nothing, and who waits for it waits for ever.

/** So long nothing comes, in milliseconds, and the line is taken for dead. A slow answer that goes on coming is not cut off. */
const SILENCE = 20000;
/** What goes out is not seen going: it has its time in advance, by the slowest line that still carries. Characters a millisecond. */
const SLOWEST = 1;

/**
 * Asks, and has the answer when all of it is here.
 * @throws TypeError where the line is away, or falls silent
 */
export async function heard(address, options = {}) {
  const line = new AbortController();
  let silence;
  const waitFor = time => {
    clearTimeout(silence);
    silence = setTimeout(() => line.abort(new TypeError(`${address}: the line fell silent`)), time);
  };
  waitFor(SILENCE + (options.body?.length ?? 0) / SLOWEST);
  try {
    const answer = await fetch(address, { ...options, signal: line.signal });
    const coming = answer.clone().body?.getReader();
    while (coming && !(await coming.read()).done) waitFor(SILENCE);
    return answer;
  } catch (fault) {
    // Whoever reads an answer that is cut off is told of the cut, and not why.
    line.signal.throwIfAborted();
    throw fault;
  } finally {
    clearTimeout(silence);
  }
}
