// Times, heats and stretches in the kitchen's own words.
let sheet = { zone: "UTC", hours12: false, fahrenheit: false };
let hours = null;

export function speakFor(own) {
  sheet = own;
  try {
    hours = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23", timeZone: sheet.zone });
  } catch {
    hours = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
  }
}

export function hour(at) {
  const text = hours.format(at);
  if (!sheet.hours12) return text;
  const [h, m] = text.split(":").map(Number);
  return `${(h + 11) % 12 + 1}:${String(m).padStart(2, "0")} ${h < 12 ? "am" : "pm"}`;
}

/** "25 min", "1 h 10 min". */
export function stretch(ms) {
  const minutes = Math.max(0, Math.round(ms / 60000));
  if (minutes < 60) return `${minutes} min`;
  return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

/** "in 25 min", "now", "8 min ago". */
export function from(at, now) {
  const minutes = Math.round((at - now) / 60000);
  if (minutes === 0) return "now";
  return minutes > 0 ? `in ${stretch(at - now)}` : `${stretch(now - at)} ago`;
}

/** A clock that runs down, and up again after nothing is left: "12:05", "+1:40", "1:02:00". */
export function running(ms) {
  const late = ms < 0;
  const seconds = late ? Math.floor(-ms / 1000) : Math.ceil(ms / 1000);
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const text = h > 0 ? `${h}:${String(m).padStart(2, "0")}:${String(s).padStart(2, "0")}` : `${m}:${String(s).padStart(2, "0")}`;
  return late ? `+${text}` : text;
}

/** A difference: "12 °C higher". */
export const degreesBy = (celsius) => `${Math.abs(Math.round(sheet.fahrenheit ? celsius * 1.8 : celsius))} ${
  sheet.fahrenheit ? "°F" : "°C"} ${celsius >= 0 ? "higher" : "lower"}`;

export const degrees = (celsius) =>
  sheet.fahrenheit ? `${Math.round((celsius * 9) / 5 + 32)} °F` : `${Math.round(celsius)} °C`;
