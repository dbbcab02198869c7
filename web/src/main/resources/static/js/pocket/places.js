// Which addresses of a job a device answers itself, and what each asks of it.

const OF_JOB = ["mark", "setup", "setout", "review", "plan", "detail"];
const OF_SETUP = ["turning", "detail", "review"];
/** Beneath these rooms, but the office's alone. */
const ELSEWHERE = ["glance", "correct", "how", "form"];

/** A name as it stands in an address: signs that mean something there are a tilde and their bytes. */
function named(segment) {
  return decodeURIComponent(decodeURIComponent(segment).replace(/%/g, "%25").replace(/~([0-9A-F]{2})/g, "%$1"));
}

/** The bare page that a room is filled into. */
export const BARE = ["mark", "setup", "setout", "reviews", "plan", "turning", "detail", "review"];
export const bareOf = ({ room, setup }) => (room === "review" && !setup ? "reviews" : room);

/**
 * What an address asks for: a page of a room, a question to it, or an act.
 * @returns nothing where a device does not answer it
 */
export function placeOf(pathname, method) {
  const [, beneath, job, room, ...rest] = pathname.split("/");
  if (beneath !== "job" || !job || rest.length > 2 || rest.some(part => ELSEWHERE.includes(part))) return null;
  const posts = method === "POST";
  const hasSetup = OF_SETUP.includes(room) && rest.length > (posts && room === "review" ? 1 : 0);
  if (!hasSetup && !OF_JOB.includes(room)) return null;
  const [setup, last] = hasSetup ? [named(rest[0]), rest[1]] : ["", rest[0]];
  if (!hasSetup && rest.length > 1) return null;
  if (posts) return last ? { job, room, setup, act: last } : null;
  return last ? { job, room, setup, question: last } : { job, room, setup };
}
