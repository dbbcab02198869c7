// The shape of a typed number: what is sound is echoed at once, as it is understood. Whatever is not, or can be read in
// several ways, is null here: what to say of it is the server's. Held against the server's own reading by a test.

const PARTED = /^(\d{1,3})\s*[°d:\s-]\s*(\d{1,3})\s*['′m:\s-]\s*(\d{1,3}(?:[.,]\d*)?)\s*(?:"|″|''|s)?$/;
const DEGREES_AND_MINUTES = /^(\d{1,3})\s*[°d:\s-]\s*(\d{1,3})\s*['′m]?$/;
const DEGREES = /^(\d{1,3})$/;
const RUN_TOGETHER = /^(\d{3})(\d\d)(\d\d(?:[.,]\d*)?)$/;
const DECIMAL = /^(\d{1,3})(?:[.,](\d*))?$/;
const LENGTH = /^(0|[1-9]\d{0,5})(?:[.,](\d{0,3}))?$/;
const LONGEST = 40;

const whole = fraction => fraction.replace(",", ".").replace(/\.$/, "");

function dms(text) {
  const [, degrees, minutes = "0", seconds = "0"] =
    PARTED.exec(text) ?? DEGREES_AND_MINUTES.exec(text) ?? DEGREES.exec(text) ?? RUN_TOGETHER.exec(text) ?? [];
  const second = whole(seconds);
  const beyond = Number(degrees) > 360 || (Number(degrees) === 360 && Number(minutes) + Number(second) > 0);
  if (degrees === undefined || Number(minutes) > 59 || Number(second) >= 60 || beyond) return null;
  // Three digits of a second below 60, such as 005, are for the server.
  if (/^\d{3}/.test(second)) return null;
  return `${Number(degrees)}°${String(Number(minutes)).padStart(2, "0")}'${/^\d(?!\d)/.test(second) ? "0" : ""}${second}"`;
}

function decimal(text, turn, sign) {
  const [, units, fraction = ""] = DECIMAL.exec(text) ?? [];
  if (units === undefined || Number(`${units}.${fraction || "0"}`) > turn) return null;
  return units + (fraction ? `.${fraction}` : "") + sign;
}

const ANGLES = {
  dms,
  gon: text => decimal(text, 400, " gon"),
  deg: text => decimal(text, 360, "°"),
};

/** The echo of an angle in the job's unit (dms, gon or deg); empty for nothing typed; null where the server has to say. */
export function angle(typed, unit) {
  const text = typed.trim();
  if (text.length > LONGEST) return null;
  return text ? ANGLES[unit](text) : "";
}

/** The echo of one slope distance above 0, to the thousandth of the job's unit. */
export function slope(typed, sign) {
  const text = typed.trim();
  if (!text) return "";
  const [, units, fraction = ""] = LENGTH.exec(text) ?? [];
  if (units === undefined || Number(units) + Number(fraction) === 0) return null;
  return `${units}.${fraction.padEnd(3, "0")} ${sign}`;
}
