// The token that every post carries: that of the sign-in the page came with, or of a later one of the same person.
import { heard, THINKING } from "./patience.js";

const meta = name => document.querySelector(`meta[name=${name}]`);

const headers = () => ({ [meta("csrf-header").content]: meta("csrf").content, "X-Requested-With": "fetch" });

/** Takes up the token of a later sign-in; whether it is of the same person: nobody else books what was typed here. */
function takeUp(account, token) {
  if (!token || !account || account !== meta("account")?.content) return false;
  meta("csrf").content = token;
  document.querySelectorAll("input[name=_csrf]").forEach(field => { field.value = token; });
  return true;
}

async function renewed() {
  const page = await (await heard("/account")).text();
  const read = name => page.match(new RegExp(`name="${name}" content="([^"]+)"`))?.[1];
  return takeUp(read("account"), read("csrf"));
}

const SIGNING_IN = "signing in";

/** Whoever signs in on one page goes on with it on those that stand open beside it: told once by the first page behind the sign-in. */
export function shareSignIn() {
  const channel = new BroadcastChannel("sign-in");
  channel.addEventListener("message", ({ data }) => takeUp(data.account, data.token));
  if (location.pathname === "/sign-in") {
    document.addEventListener("submit", () => sessionStorage.setItem(SIGNING_IN, "yes"));
  } else if (sessionStorage.getItem(SIGNING_IN) && meta("account")) {
    sessionStorage.removeItem(SIGNING_IN);
    channel.postMessage({ account: meta("account").content, token: meta("csrf").content });
  }
}

/** Whether an answer says why something was refused: problem details, RFC 9457. */
export const isReasoned = answer => Boolean(answer.headers.get("Content-Type")?.startsWith("application/problem+json"));

/** Posts; where the sign-in of the page has expired and the same person has signed in again since, once more. */
export async function postTo(address, body, more = {}) {
  const send = () => heard(address, { method: "POST", headers: headers(), body, ...more }, THINKING);
  const answer = await send();
  const isOld = [401, 403].includes(answer.status) && !isReasoned(answer);
  return isOld && await renewed() ? send() : answer;
}
