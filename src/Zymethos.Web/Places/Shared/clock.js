// Hours of the day in the kitchen's own clock. The field is plain text; this adds keys and, on focus, hours and quarters to touch.

/** Minutes of the day that a text says, or null. The server reads what is sent; this only helps while typing. */
export function read(text) {
  const plain = text.trim().toLowerCase();
  if (plain === "noon" || plain === "midday") return 720;
  if (plain === "midnight") return 0;
  const typed = /^(\d{1,2})(?:\s?h|(?:\s?[:.h]\s?)?(\d{2}))?(?:\s?([ap])\.?\s?m?\.?)?$/.exec(plain);
  if (!typed || (!typed[2] && !typed[3] && !plain.includes("h"))) return null;
  let hour = Number(typed[1]);
  const minute = Number(typed[2] ?? 0);
  if (typed[3]) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (typed[3] === "p" ? 12 : 0);
  }
  return hour < 24 && minute < 60 ? (hour * 60) + minute : null;
}

/** Minutes of the day as the clock shows them. */
export function say(minutes, face) {
  const day = ((minutes % 1440) + 1440) % 1440;
  const hour = Math.floor(day / 60);
  const minute = String(day % 60).padStart(2, "0");
  return face === "12" ? `${((hour + 11) % 12) + 1}:${minute} ${hour < 12 ? "am" : "pm"}` : `${String(hour).padStart(2, "0")}:${minute}`;
}

let choices = null;

function put(field, minutes) {
  field.value = say(minutes, field.dataset.clock);
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.dispatchEvent(new Event("change", { bubbles: true }));
}

function close() {
  choices?.remove();
  choices = null;
}

function mark(field) {
  const minutes = read(field.value);
  for (const button of choices?.querySelectorAll("button") ?? []) {
    const on = minutes !== null
      && (button.dataset.hour ? Number(button.dataset.hour) === Math.floor(minutes / 60) : Number(button.dataset.minute) === minutes % 60);
    button.classList.toggle("is-on", on);
  }
}

function choice(field, text, key, value, change) {
  const button = document.createElement("button");
  button.type = "button";
  button.tabIndex = -1;
  button.textContent = text;
  button.dataset[key] = value;
  button.addEventListener("pointerdown", event => {
    event.preventDefault();
    put(field, change(read(field.value)));
    mark(field);
    if (key === "minute") close();
  });
  return button;
}

function open(field) {
  close();
  choices = document.createElement("div");
  choices.className = "clock-choices";
  choices.setAttribute("aria-hidden", "true");
  const hours = document.createElement("div");
  hours.className = "clock-hours";
  for (let hour = 0; hour < 24; hour++) {
    const words = field.dataset.clock === "12" ? say(hour * 60, "12").replace(":00 ", " ") : String(hour).padStart(2, "0");
    hours.append(choice(field, words, "hour", hour, now => (hour * 60) + ((now ?? 0) % 60)));
  }
  const quarters = document.createElement("div");
  quarters.className = "clock-minutes";
  for (const minute of [0, 15, 30, 45])
    quarters.append(choice(field, `:${String(minute).padStart(2, "0")}`, "minute", minute,
      now => (Math.floor((now ?? 540) / 60) * 60) + minute));
  choices.append(hours, quarters);
  field.after(choices);
  mark(field);
}

document.addEventListener("focusin", event => {
  const field = event.target.closest?.("input[data-clock]");
  if (field && !field.readOnly) open(field);
  else close();
});

document.addEventListener("focusout", event => {
  const field = event.target.closest?.("input[data-clock]");
  if (!field) return;
  const minutes = read(field.value);
  if (minutes !== null) field.value = say(minutes, field.dataset.clock);
  setTimeout(() => { if (!document.activeElement?.matches("input[data-clock]")) close(); }, 0);
});

document.addEventListener("input", event => {
  const field = event.target.closest?.("input[data-clock]");
  if (field) mark(field);
});

document.addEventListener("keydown", event => {
  const field = event.target.closest?.("input[data-clock]");
  if (!field) return;
  if (event.key === "Escape" || event.key === "Enter") close();
  const step = { ArrowUp: 5, ArrowDown: -5, PageUp: 60, PageDown: -60 }[event.key];
  if (!step) return;
  event.preventDefault();
  const now = read(field.value);
  put(field, now === null ? 540 : Math.round((now + step) / 5) * 5);
  mark(field);
});
