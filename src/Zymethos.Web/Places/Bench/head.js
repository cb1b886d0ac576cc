// The head of the Bench: the hour, who holds the device, whether the server is there; and what has to be said.
import * as keep from "./keep.js";
import * as sound from "./sound.js";
import { h } from "./dom.js";
import { hour } from "./words.js";

export function headPart(bench) {
  const waiting = bench.waitingIds.size;
  const line = bench.isShut ? "Shut out" : bench.line.isUp ? "" : `Without the server${waiting > 0 ? `: ${waiting} ${waiting === 1
    ? "touch waits" : "touches wait"}` : ""}`;
  return h("div", { class: "bench-head" },
    h("span", { class: "bench-hour" }, hour(bench.now)),
    h("span", { class: "bench-name" }, bench.sheet.title),
    line ? h("span", { class: "bench-line-state", role: "status" }, line) : null,
    bench.sheet.people.length > 1 && !bench.isHelper ? h("span", { class: "bench-people", role: "group",
      "aria-label": "Who holds this device" }, bench.sheet.people.map((p, i) =>
      h("button", { type: "button", class: `touch ${i === bench.person ? "is-on" : ""}`, "aria-pressed": i === bench.person ? "true"
        : "false", "data-key": `me-${i}`,
        on: { click: () => { bench.person = i; keep.keepOwn("me", p); bench.draw(); } } }, p))) : bench.isHelper ? h("span", {},
          bench.helper) : null,
    h("button", { type: "button", class: "touch quiet-touch", "data-key": "undo", on: { click: () => bench.undoLast() },
      disabled: bench.events.length === 0 }, "Undo"),
    h("span", { class: "bench-wide" }, elsewhere(bench, "head")));
}

export function elsewhere(bench, where) {
  return [
    bench.isHelper ? null : h("a", { class: "touch quiet-touch", href: `/bench/${bench.session}/helpers` }, "Who helps"),
    bench.isHelper || where === "head" ? null : h("a", { class: "touch quiet-touch", href: "/bench?stay=true" }, "Other work"),
    h("button", { type: "button", class: "touch quiet-touch", "data-key": `keys-${where}`, "aria-label": "Keys",
      on: { click: () => bench.showKeys() } }, "?"),
  ];
}

export function notesPart(bench) {
  const rings = bench.clocks.some((c) => c.rings);
  return h("div", {},
    bench.isAway ? h("p", { class: "note" }, "This day is put away. You can look at it; what you touch is still kept.") : null,
    rings && !sound.isAllowed() ? h("div", { class: "note is-refused" }, h("p", {},
      "The browser keeps sounds back until you touch the page."),
      h("button", { type: "button", class: "touch", "data-key": "wake",
        on: { click: async () => { await sound.wake(); bench.tryOut(); bench.draw(); } } }, "Let it ring")) : null,
    bench.notes.map((n, i) => h("div", { class: `note ${n.isWrong ? "is-refused" : ""}`, role: "status" }, h("p", {}, n.words),
      h("button", { type: "button", class: "touch quiet-touch", "data-key": `note-${i}`,
        on: { click: () => { bench.notes = bench.notes.filter((x) => x !== n); bench.draw(); } } }, "All right"))));
}

/** Another order for the rest. */
export const offerPart = (bench) => h("div", {}, bench.offer
  ? h("div", { class: "note bench-offer", role: "status" },
    h("p", {}, h("strong", {}, "Another order would be better. "), bench.offer.words),
    h("div", { class: "bench-touches" },
      h("button", { type: "button", class: "touch main-touch", "data-key": "take", on: { click: () => bench.takeOffer() } },
        "Take this order"),
      h("button", { type: "button", class: "touch", "data-key": "leave", on: { click: () => bench.leaveOffer() } }, "Stay as it is")))
  : null);
