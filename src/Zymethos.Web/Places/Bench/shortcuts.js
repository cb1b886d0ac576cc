// One letter each, for a keyboard, a pedal that sends Enter, or big buttons.
import { h } from "./dom.js";

const keys = {
  Enter: ["what the big button says", (bench) => bench.mainTouch()],
  " ": ["the same", (bench) => bench.mainTouch()],
  d: ["done with what is in hand", (bench) => bench.hands.at[0] && bench.done(bench.hands.at[0])],
  m: ["the most urgent needs 5 more", (bench) => bench.clocks[0] && bench.tell("needsMore", bench.clocks[0].step.id, { minutes: 5 })],
  t: ["turned, folded: what the most urgent wants part-way", (bench) => {
    const e = bench.clocks.find((c) => c.touch >= 0);
    if (e) bench.tell("touched", e.step.id, { number: e.touch });
  }],
  a: ["in a minute", (bench) => {
    const e = bench.clocks.find((c) => c.rings);
    if (e) bench.tell("answered", e.step.id, { minutes: 1 });
  }],
  p: ["leave it for now, or go on", (bench) => {
    const [e] = bench.hands.at;
    if (e) bench.tell(e.stand.pausedSince === null ? "paused" : "resumed", e.step.id);
  }],
  r: ["read it out", (bench) => (bench.hands.at[0] ?? bench.hands.next[0]) && bench.readOut(bench.hands.at[0] ?? bench.hands.next[0])],
  u: ["undo the last touch", (bench) => bench.undoLast()],
  "?": ["this list", () => show()],
};

export function shortcuts(bench) {
  document.addEventListener("keydown", (e) => {
    if (e.ctrlKey || e.altKey || e.metaKey || e.isComposing || document.querySelector("dialog[open]")) return;
    const at = e.target.closest("input, select, textarea, button, a, summary");
    // What has the keyboard's own meaning where it is keeps it.
    if (at && (e.key === "Enter" || e.key === " " || at.matches("input, select, textarea"))) return;
    if (/^[1-9]$/.test(e.key)) {
      const c = bench.clocks[Number(e.key) - 1];
      if (c) bench.done(c);
      return;
    }
    const key = keys[e.key] ?? keys[e.key.toLowerCase()];
    if (!key) return;
    e.preventDefault();
    key[1](bench);
  });
}

export function show() {
  const names = { " ": "Space", Enter: "Enter" };
  const dialog = h("dialog", { class: "bench-ask" }, h("form", { method: "dialog" }, h("h2", {}, "Keys"),
    h("dl", { class: "bench-keys" }, Object.entries(keys).map(([key, [what]]) => [h("dt", {}, names[key] ?? key), h("dd", {}, what)]),
      h("dt", {}, "1 to 9"), h("dd", {}, "out, or ready: the clock in that place")),
    h("button", { class: "touch main-touch" }, "Back to work")));
  dialog.addEventListener("close", () => dialog.remove());
  document.body.append(dialog);
  dialog.showModal();
}
