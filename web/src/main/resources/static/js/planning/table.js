// The planning table: a worker that carries the core. Plans are tried here, so that the page stays under the hand.
import * as core from "../pocket/core.js";

const ASKED = {
  site: text => core.planSite(text),
  tried: (text, whole) => core.planTried(text, whole),
  taken: (text, setup) => core.planTaken(text, setup),
  dragged: (northing, easting) => core.planDragged(northing, easting),
  seen: (northing, easting, reach) => core.planSeen(northing, easting, reach),
  ground: (text, setup, instrument, reflector, sets) => core.planGround(text, setup, instrument, reflector, sets),
  row: (northing, west, step, places) => core.planRow(northing, west, step, places),
  proposed: (text, instrument, reflector) => core.planProposed(text, instrument, reflector),
  reasons: text => core.planReasons(text),
  matrix: text => core.planMatrix(text),
  sketched: (one, distance, two, other, right) => core.planSketched(one, distance, two, other, right),
};

self.addEventListener("message", event => {
  const { id, ask, with: given } = event.data;
  try {
    self.postMessage({ id, answer: ASKED[ask](...given) });
  } catch (fault) {
    self.postMessage({ id, fault: String(fault?.message ?? fault) });
  }
});
