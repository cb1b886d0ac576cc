// Free hours painted on a usual week: each weekday is a strip that is dragged over, or set with the arrow keys. The rows of the table hold
// what is kept; the strips only write into them and follow them, so that typing and painting are one thing.
import { read, say } from "../Shared/clock.js";

const step = 30;
const day = 1440;

const rowsOf = (table) => [...table.querySelectorAll("tbody tr")].filter((r) => r.querySelector("input[name$='.From']"));

class Strip {
  constructor(row) {
    this.from = row.querySelector("input[name$='.From']");
    this.until = row.querySelector("input[name$='.Until']");
    this.name = row.querySelector("th").textContent.trim();
    this.box = document.createElement("div");
    this.box.className = "week-day";
    const label = document.createElement("span");
    label.className = "week-name";
    label.textContent = this.name;
    label.setAttribute("aria-hidden", "true");
    this.track = document.createElement("div");
    this.track.className = "week-track";
    this.track.tabIndex = 0;
    this.track.setAttribute("role", "slider");
    this.track.setAttribute("aria-valuemin", "0");
    this.track.setAttribute("aria-valuemax", String(day));
    this.track.setAttribute("aria-label", `Free on ${this.name}`);
    this.paint = document.createElement("div");
    this.paint.className = "week-paint";
    this.track.append(this.paint);
    this.box.append(label, this.track);
    for (const field of [this.from, this.until]) {
      field.addEventListener("input", () => this.show());
      field.addEventListener("change", () => this.show());
    }
    this.track.addEventListener("pointerdown", (event) => this.begin(event));
    this.track.addEventListener("pointermove", (event) => this.move(event));
    this.track.addEventListener("pointerup", () => { this.at = null; });
    this.track.addEventListener("pointercancel", () => { this.at = null; });
    this.track.addEventListener("keydown", (event) => this.key(event));
    this.show();
  }

  get range() {
    const [a, b] = [read(this.from.value), read(this.until.value)];
    return a === null || b === null ? null : [a, b <= a ? b + day : b];
  }

  set range(pair) {
    const face = this.from.dataset.clock;
    this.from.value = pair ? say(pair[0], face) : "";
    this.until.value = pair ? say(pair[1], face) : "";
    this.show();
  }

  show() {
    const range = this.range;
    this.paint.hidden = range === null;
    // Styles by script are the page's own; only those in its text are refused.
    if (range) {
      this.paint.style.left = `${range[0] / day * 100}%`;
      this.paint.style.width = `${(Math.min(range[1], day) - range[0]) / day * 100}%`;
    }
    this.track.setAttribute("aria-valuenow", String(range ? Math.min(range[1], day) : 0));
    this.track.setAttribute("aria-valuetext", range ? `from ${this.from.value} until ${this.until.value}` : "not free");
  }

  minute(event) {
    const at = this.track.getBoundingClientRect();
    return Math.max(0, Math.min(day, Math.round((event.clientX - at.left) / at.width * day / step) * step));
  }

  begin(event) {
    this.track.setPointerCapture(event.pointerId);
    this.at = this.minute(event);
    // A touch inside what is painted wipes it; a drag paints anew.
    const range = this.range;
    this.wipes = range !== null && this.at > range[0] && this.at < range[1];
    if (this.wipes) this.range = null;
  }

  move(event) {
    if (this.at === null || this.at === undefined) return;
    const now = this.minute(event);
    if (now === this.at) return;
    this.range = [Math.min(now, this.at), Math.max(now, this.at)];
  }

  key(event) {
    const by = { ArrowRight: step, ArrowUp: step, ArrowLeft: -step, ArrowDown: -step }[event.key];
    if (event.key === "Delete" || event.key === "Backspace") this.range = null;
    else if (by === undefined) return;
    else {
      const [a, b] = this.range ?? [18 * 60, 21 * 60];
      const moved = event.shiftKey ? [Math.max(0, a + by), b] : [a, Math.min(day + a - step, b + by)];
      if (this.range === null) this.range = [a, b];
      else if (moved[1] - moved[0] >= step) this.range = moved;
    }
    event.preventDefault();
  }
}

export function paintWeek(table) {
  const week = document.createElement("div");
  week.className = "week";
  const hours = document.createElement("div");
  hours.className = "week-hours";
  hours.setAttribute("aria-hidden", "true");
  const rows = rowsOf(table);
  const face = rows[0]?.querySelector("input[name$='.From']").dataset.clock;
  for (const hour of [6, 12, 18]) {
    const mark = document.createElement("span");
    mark.textContent = say(hour * 60, face);
    mark.style.left = `${hour / 24 * 100}%`;
    hours.append(mark);
  }
  week.append(hours, ...rows.map((row) => new Strip(row).box));
  const hint = document.createElement("p");
  hint.className = "hint";
  hint.textContent = "Paint your free hours: drag over a day, touch it to wipe it. With keys: arrows move the end, with Shift "
    + "the beginning, Delete wipes.";
  table.before(week, hint);
}
