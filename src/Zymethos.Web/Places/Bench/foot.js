// Below the fold: what was said and putting it right, whole recipes, what came of it, settings of this device.
import { button, h, letter } from "./dom.js";
import * as keep from "./keep.js";
import * as sound from "./sound.js";
import { photoPart } from "./photo.js";
import { takenBack } from "./fold.js";
import { degrees, hour } from "./words.js";

const kinds = {
  started: "began", done: "done", needsMore: "needs more", touched: "done part-way", skipped: "left out", paused: "left for a while",
  resumed: "went on", taken: "taken over", dial: "dial", ovenEmpty: "looked into the oven", answered: "in a minute", used: "really used",
  height: "how high", pieces: "pieces", looks: "looks", darker: "darker", toChange: "to change", ended: "the day ended",
  door: "oven door opened", probeIn: "probe put in", warm: "warm enough in the middle", photo: "picture",
};

// What thermometers say of themselves would bury what people said; it stands in the drawing of the oven.
const unsaid = new Set(["undone", "corrected", "heat", "room"]);

function words(bench, e) {
  const step = e.step ? bench.sheet.steps.find((s) => s.id === e.step) : null;
  const of = step ? `“${step.title}” (${bench.sheet.bakes[step.bake].name})` : e.number != null && bench.sheet.bakes[e.number]
    && ["used", "pieces", "looks", "darker", "toChange", "photo"].includes(e.kind) ? bench.sheet.bakes[e.number].name : "";
  const more = e.kind === "needsMore" ? `, ${e.minutes} min` : e.kind === "dial" ? ` ${e.value > 0 ? degrees(e.value) : "off"}`
    : e.kind === "used" ? ` ${e.text} ${e.value} g` : e.kind === "height" ? ` ${e.value} ×` : e.kind === "pieces" ? ` ${e.value}`
      : e.text && e.kind !== "photo" ? ` ${e.text}` : "";
  return `${kinds[e.kind] ?? e.kind}${more} ${of}`;
}

export function saidPart(bench) {
  const known = new Map(bench.events.map((e) => [e.id, e]));
  const gone = takenBack(known);
  const list = bench.events.filter((e) => !unsaid.has(e.kind)).sort((a, b) => b.at - a.at);
  return h("details", { class: "bench-fold", "data-key": "said" }, h("summary", { "data-key": "said-sum" },
    `What was said (${list.length})`),
    h("ul", { class: "bench-said" }, list.slice(0, 60).map((e) => {
      const right = bench.events.filter((c) => c.kind === "corrected" && c.target === e.id && !gone.has(c.id)).sort((a,
        b) => a.at - b.at).at(-1);
      const undo = bench.events.findLast((u) => u.kind === "undone" && u.target === e.id && !gone.has(u.id));
      return h("li", { class: gone.has(e.id) ? "is-gone" : "" },
        h("span", { class: "when" }, hour(right?.newAt ?? e.at)),
        h("span", {}, words(bench, e), h("small", {}, [e.who || e.kind === "door" || e.kind === "warm" || (e.kind === "done" && e.text)
          ? ` ${e.who || e.device || ""}` : "", right?.newAt ? `, said first: ${hour(e.at)}` : "",
          bench.waitingIds.has(e.id) ? ", not told yet" : "", gone.has(e.id) ? ", taken back" : ""].join(""))),
        gone.has(e.id) ? button(`redo-${e.id}`, "Bring it back", () => bench.tell("undone", null, { target: undo.id }), "quiet-touch") : [
          button(`right-${e.id}`, "Another time …", () => bench.askTime(e), "quiet-touch"),
          button(`undo-${e.id}`, "Take it back", () => bench.tell("undone", null, { target: e.id }), "quiet-touch")]);
    })));
}

export function recipesPart(bench) {
  return h("details", { class: "bench-fold", "data-key": "recipes" }, h("summary", { "data-key": "recipes-sum" },
    "Whole amounts and allergens"),
    bench.sheet.bakes.map((bake, i) => h("section", {}, h("h3", {}, letter(bake), " ", bake.name),
      bake.allergens.map((a) => h("p", { class: "bench-caution" }, a)),
      (bake.guides ?? []).map((g) => h("p", { class: "bench-text" }, h("a", { href: g.address }, g.title), " ", g.says)),
      h("p", { class: "bench-text" }, bake.batches > 1 ? `For one batch of ${bake.batches}:` : "For the batch:"),
      h("ul", { class: "bench-amounts" }, bake.lines.map((line, n) => h("li", {}, h("span", { class: "bench-amount" }, line.amount),
        h("span", {}, line.what, bench.state.bakes[i]?.used[line.key || line.ingredient] !== undefined
          ? h("small", {}, ` really ${bench.state.bakes[i].used[line.key || line.ingredient]} g`) : ""),
        line.ingredient ? button(`used-${i}-${n}`, "Really …", () => bench.askUsed(i, line), "quiet-touch") : null))))));
}

// Five words, and places of a tray.
const looks = ["pale", "golden", "brown", "dark", "uneven"];
const places = ["back", "front", "left", "right", "edge", "base"];

export function closingPart(bench) {
  return h("details", { class: "bench-fold", "data-key": "closing", open: bench.isDone }, h("summary", { "data-key": "closing-sum" },
    "What came of it"),
    bench.sheet.bakes.map((bake, i) => {
      const came = bench.state.bakes[i] ?? { pieces: null, looks: "", darker: [], toChange: "" };
      const row = (label, list, kind, isOn) => h("fieldset", {}, h("legend", {}, label), h("div", { class: "bench-touches" },
        list.map((w) =>
        h("button", {
          type: "button", class: `touch ${isOn(w) ? "is-on" : ""}`, "aria-pressed": isOn(w) ? "true" : "false",
            "data-key": `${kind}-${i}-${w}`,
          on: { click: () => bench.tell(kind, null, { number: i, text: w }) },
        }, w))));
      return h("section", {}, h("h3", {}, letter(bake), " ", bake.name),
        h("label", { class: "bench-line" }, `Pieces (meant: ${bake.pieces} ${bake.pieceName})`, h("input", {
          class: "form-control short", type: "number", min: "0", max: "5000", inputmode: "numeric", value: came.pieces ?? "",
            "data-key": `pieces-${i}`,
          on: { change: (x) => x.target.value !== "" && bench.tell("pieces", null, { number: i, value: Number(x.target.value) }) },
        })),
        row("How it looks", looks, "looks", (w) => came.looks === w),
        row("Where it is darker", places, "darker", (w) => came.darker.includes(w)),
        photoPart(bench, i, came.photos ?? []),
        h("label", { class: "bench-line" }, "To change next time", h("input", {
          class: "form-control", type: "text", maxlength: "500", value: came.toChange, "data-key": `change-${i}`,
          on: { change: (x) => bench.tell("toChange", null, { number: i, text: x.target.value }) },
        })));
    }),
    bench.isHelper ? null : h("p", {}, button("away", "Put the Bench away", () => bench.putAway(), "main-touch")));
}

export function devicePart(bench) {
  const tune = keep.own("tune", "bell");
  return h("details", { class: "bench-fold", "data-key": "device" }, h("summary", { "data-key": "device-sum" },
    "This device: sounds, voice, screen"),
    h("div", { class: "bench-device" },
      h("label", { class: "bench-line" }, "Sound", h("select", { class: "form-select", "data-key": "tune",
        on: { change: (x) => { keep.keepOwn("tune", x.target.value); bench.tryOut(); } } },
        Object.entries(sound.names).map(([key, name]) => h("option", { value: key, selected: key === tune }, name)))),
      h("label", { class: "bench-line" }, "How loud", h("input", { type: "range", min: "0", max: "1", step: "0.1",
        value: String(keep.own("loud", 0.7)), "data-key": "loud",
        on: { change: (x) => { keep.keepOwn("loud", Number(x.target.value)); bench.tryOut(); } } })),
      button("try", "Try it out", () => bench.tryOut()),
      toggle("shake", "Shake the phone too", true), sound.canSpeak() ? toggle("voice", "Say alarms aloud", false) : null,
      toggle("awake", "Keep the screen on while something runs", true)),
    h("p", { class: "bench-text" }, bench.deviceWords()));
}

const toggle = (key, label, otherwise) => h("label", { class: "bench-tick" }, h("input", { type: "checkbox", class: "form-check-input",
  "data-key": `set-${key}`,
  checked: keep.own(key, otherwise), on: { change: (x) => keep.keepOwn(key, x.target.checked) } }), label);
