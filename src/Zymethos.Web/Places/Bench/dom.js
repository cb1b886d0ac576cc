// Elements without a library: h("button", { class: "big", on: { click } }, "Done").
export function h(tag, attributes = {}, ...children) {
  const element = document.createElement(tag);
  for (const [key, value] of Object.entries(attributes)) {
    if (value === null || value === undefined || value === false) continue;
    if (key === "on") for (const [name, act] of Object.entries(value)) element.addEventListener(name, act);
    else element.setAttribute(key, value === true ? "" : value);
  }
  element.append(...children.flat(4).filter((c) => c !== null && c !== undefined && c !== false && c !== ""));
  return element;
}

/** Puts a part of the page in place of its like when it says something else, and leaves finger and keyboard where they are. */
export function place(host, part) {
  const text = part.outerHTML;
  if (host.dataset.said === text && host.firstChild) return false;
  // Nobody's words are taken from under their fingers; what is new is drawn when they have left the field.
  if (host.contains(document.activeElement) && document.activeElement.matches("input:not([type=checkbox]), textarea, select")) return false;
  const focused = host.contains(document.activeElement) ? document.activeElement.dataset.key : null;
  const open = new Set([...host.querySelectorAll("details[open][data-key]")].map((d) => d.dataset.key));
  host.replaceChildren(part);
  host.dataset.said = text;
  for (const d of host.querySelectorAll("details[data-key]")) if (open.has(d.dataset.key)) d.open = true;
  if (focused) host.querySelector(`[data-key="${CSS.escape(focused)}"]`)?.focus({ preventScroll: true });
  return true;
}

/** A clock that is filled every second. */
export const clock = (until, kind = "until") => h("span", { class: "clock-run", "data-at": String(Math.round(until)),
  "data-kind": kind });

export const button = (key, words, click, kind = "") => h("button", { type: "button", class: `touch ${kind}`, "data-key": key,
  on: { click } }, words);

export const letter = (bake) => h("span", { class: "letter", title: bake.name }, bake.letter);
