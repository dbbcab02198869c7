// Asking over a line that may be gone, or dead without having been closed: that one answers nothing and refuses nothing, and who waits for it waits for ever.

/** So long nothing comes, in milliseconds, and the line is taken for dead. A slow answer that goes on coming is not cut off. */
const SILENCE = 20000;
/** The same where the server may think: it says by itself what takes it longer than half a minute. */
export const THINKING = 45000;
/** And whoever signs out: what is theirs is closed on this device whatever the line does. */
export const LEAVING = 5000;
/** What goes out is not seen going: it has its time in advance, by the slowest line that still carries. Bytes a millisecond. */
const SLOWEST = 1;

function sizeOf(body) {
  if (body instanceof FormData) return [...body.values()].reduce((sum, value) => sum + (value.size ?? value.length), 0);
  return body ? String(body).length : 0;
}

/**
 * Asks, and has the answer when all of it is here.
 * @param silence milliseconds, where the server may think for longer
 * @throws TypeError where the line is away, or falls silent
 */
export async function heard(address, options = {}, silence = SILENCE) {
  const line = new AbortController();
  let ending;
  const waitFor = time => {
    clearTimeout(ending);
    ending = setTimeout(() => line.abort(new TypeError(`${address}: the line fell silent`)), time);
  };
  waitFor(silence + sizeOf(options.body) / SLOWEST);
  try {
    const answer = await fetch(address, { ...options, signal: line.signal });
    const coming = answer.clone().body?.getReader();
    while (coming && !(await coming.read()).done) waitFor(silence);
    return answer;
  } catch (fault) {
    // Whoever reads an answer that is cut off is told of the cut, and not why.
    line.signal.throwIfAborted();
    throw fault;
  } finally {
    clearTimeout(ending);
  }
}

/**
 * Asks for what is shown as it comes: only that an answer begins is waited for.
 * @throws TypeError where the line is away, or no answer has begun
 */
export function begun(request, silence = THINKING) {
  let ending;
  const fallen = new Promise((_, failed) => {
    ending = setTimeout(() => failed(new TypeError(`${request.url}: the line fell silent`)), silence);
  });
  return Promise.race([fetch(request), fallen]).finally(() => clearTimeout(ending));
}

/** An answer, or nothing where the line is gone. */
export async function reached(sent) {
  try {
    return await sent;
  } catch (unreachable) {
    if (!(unreachable instanceof TypeError)) throw unreachable;
    return null;
  }
}
