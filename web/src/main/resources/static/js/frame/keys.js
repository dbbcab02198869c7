// Own keys under the thumb, where a finger points: a system keyboard would hide half the page.

const byFinger = () => matchMedia("(pointer: coarse)").matches;

/** What a key does to a field. */
export function strike(field, key) {
  if (key === "back") field.value = field.value.slice(0, -1);
  else field.value += key === "blank" ? " " : key;
}

/** No keyboard of the system comes up for a field that has keys of our own. */
export function keepKeyboardAway(field) {
  if (byFinger()) field.inputMode = "none";
}

/**
 * Gives the number fields of a form the keys: they are shown while one of those fields is in hand.
 * @param keys the keys
 * @param beyond what the key "next" does on the last field that is seen
 */
export function giveKeys(form, keys, beyond) {
  const numbers = () => [...form.querySelectorAll("input.n")].filter(field => field.offsetParent);
  let inHand = null;
  form.addEventListener("focusin", ({ target }) => {
    // A button that is pressed must not move away from under the finger.
    if (!target.matches("input, select, textarea")) return;
    inHand = target.matches("input.n") ? target : null;
    keys.hidden = !inHand || !byFinger();
    if (!inHand) return;
    keepKeyboardAway(inHand);
    inHand.scrollIntoView({ block: "nearest" });
  });
  form.addEventListener("pointerdown", ({ target }) => { if (target.matches("input.n")) keepKeyboardAway(target); });
  keys.addEventListener("click", ({ target }) => {
    const { key } = target.dataset;
    if (!key || !inHand) return;
    if (key === "next") {
      const following = numbers()[numbers().indexOf(inHand) + 1];
      return following ? following.focus() : beyond();
    }
    strike(inHand, key);
    inHand.focus();
    inHand.dispatchEvent(new Event("input", { bubbles: true }));
  });
  keys.hidden = true;
}
