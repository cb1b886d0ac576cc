// Weighing at the Bench: one ingredient after another into the bowl, and a dough into equal pieces. With a scale that speaks it fills
// by itself; without one what the scale shows is typed.
import { button, h } from "./dom.js";

// So far off an amount does not matter (common practice, no source): three of a hundred, and never less than a kitchen scale that shows
// whole grams can see.
const fine = 0.03;
const unseen = 0.5;

// Below this a spoon is better than the scale, as in the Book.
const bySpoon = 5;

/** What is to be said of so much poured, of so much wanted. */
export function poured(grams, wanted) {
  const over = grams - wanted;
  const slack = Math.max(unseen, wanted * fine);
  if (over < -slack) return { kind: "short", words: `${round(-over)} g to go` };
  if (Math.abs(over) <= unseen) return { kind: "right", words: "Right." };
  const times = grams / wanted;
  const by = `${round(Math.abs(over))} g ${over > 0 ? "over" : "under"}: ${times.toFixed(2)} times the amount`;
  if (Math.abs(over) <= slack) return { kind: "right", words: `${by}, fine.` };
  return times <= 1.1 ? { kind: "over", words: `${by}. Take a little out, or leave it and watch the dough.` }
    : { kind: "over", words: `${by}. Take it out again.` };
}

/** What is to be said of a piece that should weigh so much. */
export function piece(grams, wanted) {
  const off = grams - wanted;
  if (Math.abs(off) <= Math.max(unseen, wanted * fine)) return { kind: "right", words: "Good." };
  return off < 0 ? { kind: "short", words: `${round(-off)} g too little` } : { kind: "over", words: `${round(off)} g too much` };
}

const round = (grams) => (Math.abs(grams) < 10 ? Math.round(grams * 10) / 10 : Math.round(grams));

/** The lines of a step that can be weighed. */
const lines = (step) => step.amounts.filter((l) => l.grams >= bySpoon);
const spoons = (step) => step.amounts.filter((l) => !(l.grams >= bySpoon));

const scaleOf = (bench) => bench.devices.fresh("scale", bench.now);

export function beginWeighing(bench, e) {
  bench.weighing = { step: e.step.id, place: 0, tare: scaleOf(bench)?.value ?? 0, typed: null };
  ask(bench, e);
  bench.draw();
}

export function beginDividing(bench, e) {
  const total = bench.sheet.bakes[e.step.bake].lines.reduce((sum, l) => sum + (l.grams ?? 0), 0);
  const batches = Math.max(1, bench.sheet.bakes[e.step.bake].batches);
  bench.dividing = { step: e.step.id, total: Math.round(total * batches), pieces: bench.sheet.bakes[e.step.bake].pieces, place: 1,
    tare: scaleOf(bench)?.value ?? 0, typed: null };
  bench.draw();
}

// A scale with a display of its own may show what is wanted.
function ask(bench, e) {
  const [scale, line] = [scaleOf(bench), lines(e.step)[bench.weighing.place]];
  if (scale && line) bench.line.call("weigh", { method: "POST", body: JSON.stringify({ device: scale.device, grams: line.grams }) })
    .catch(() => {});
}

const net = (bench, work) => {
  const scale = scaleOf(bench);
  return scale ? scale.value - work.tare : work.typed;
};

function reading(bench, work, say, label) {
  const grams = net(bench, work);
  if (scaleOf(bench))
    return h("p", { class: `bench-weight is-${say(grams).kind}` }, h("strong", {}, `${round(grams)} g`), ` ${say(grams).words}`);
  return h("div", {}, h("label", { class: "bench-line" }, label, h("input", { class: "form-control short", type: "number", min: "0",
    max: "100000", step: "0.1", inputmode: "decimal", value: work.typed ?? "", "data-key": "typed-weight",
    on: { change: (x) => { work.typed = x.target.value === "" ? null : Number(x.target.value); x.target.blur(); bench.draw(); } } })),
    grams === null ? null : h("p", { class: `bench-weight is-${say(grams).kind}` }, say(grams).words));
}

const bySpoonPart = (e) => spoons(e.step).length === 0 ? null : h("p", {}, h("strong", {}, "Not on the scale: "),
  spoons(e.step).map((l) => `${l.amount} ${l.what}`.trim()).join("; "));

/** The panel under a step's amounts; the touch that opens it where it is shut. */
export function weighPart(bench, e) {
  const all = lines(e.step);
  if (all.length === 0) return null;
  const work = bench.weighing;
  if (work?.step !== e.step.id)
    return button(`weigh-${e.step.id}`, "Weigh it out", () => beginWeighing(bench, e), "quiet-touch");
  const line = all[work.place];
  const stop = button("weigh-stop", "Stop weighing", () => { bench.weighing = null; bench.draw(); }, "quiet-touch");
  if (!line) return h("div", { class: "bench-weigh", role: "group", "aria-label": "Weighing" },
    h("p", {}, "Everything for the scale is weighed."), bySpoonPart(e),
    h("div", { class: "bench-touches" }, stop));
  const grams = net(bench, work);
  return h("div", { class: "bench-weigh", role: "group", "aria-label": "Weighing" },
    h("p", { class: "bench-weigh-what" }, h("strong", {}, line.ingredient), ` ${round(line.grams)} g`,
      h("small", {}, ` ${work.place + 1} of ${all.length}`)),
    reading(bench, work, (g) => poured(g, line.grams), `Grams of ${line.ingredient} in the bowl`),
    scaleOf(bench) ? h("progress", { max: "100", value: String(Math.round(Math.max(0, Math.min(1, (grams ?? 0) / line.grams)) * 100)),
      "aria-label": "Poured" }) : null,
    bySpoonPart(e),
    h("div", { class: "bench-touches" },
      button("weigh-next", "That is it, next", () => {
        // What nobody weighed is not said to have been used.
        const really = net(bench, work);
        if (really !== null) bench.tell("used", e.step.id, { number: e.step.bake, text: line.key || line.ingredient,
          value: Math.max(0, round(really)) });
        Object.assign(work, { place: work.place + 1, tare: scaleOf(bench)?.value ?? 0, typed: null });
        ask(bench, e);
        bench.draw();
      }, "main-touch"),
      scaleOf(bench) ? button("weigh-tare", "New bowl: count from here", () => { work.tare = scaleOf(bench).value; bench.draw(); }) : null,
      stop));
}

const divides = /\b(divid|shape|portion|scoop|piece|pieces|roll|balls?|cut)/i;

/** Equal pieces, one after another. */
export function dividePart(bench, e) {
  const bake = bench.sheet.bakes[e.step.bake];
  if (!e.step.isWork || bake.pieces < 2 || !divides.test(`${e.step.title} ${e.step.text}`)) return null;
  const work = bench.dividing;
  if (work?.step !== e.step.id)
    return button(`divide-${e.step.id}`, "Divide it equally", () => beginDividing(bench, e), "quiet-touch");
  const wanted = work.total / Math.max(1, work.pieces);
  const number = (label, key, value, set) => h("label", { class: "bench-line" }, label, h("input", { class: "form-control short",
    type: "number", min: "1", max: "100000", inputmode: "numeric", value: String(value), "data-key": key,
    on: { change: (x) => { if (Number(x.target.value) > 0) set(Number(x.target.value)); x.target.blur(); bench.draw(); } } }));
  const scale = scaleOf(bench);
  return h("div", { class: "bench-weigh", role: "group", "aria-label": "Dividing" },
    h("p", { class: "bench-weigh-what" }, h("strong", {}, `${round(wanted)} g each`), ` piece ${Math.min(work.place, work.pieces)} of ${
      work.pieces}`),
    h("div", { class: "bench-touches" },
      number("All the dough, g", "divide-total", work.total, (n) => (work.total = n)),
      scale ? button("divide-all", "It is all on the scale", () => { work.total = Math.max(1, Math.round(scale.value - work.tare));
        bench.draw(); }) : null,
      number("Pieces", "divide-pieces", work.pieces, (n) => (work.pieces = Math.round(n)))),
    reading(bench, work, (g) => piece(g, wanted), `Piece ${work.place}, g`),
    h("div", { class: "bench-touches" },
      button("divide-next", work.place < work.pieces ? "Next piece" : "That was the last",
        () => {
          if (work.place >= work.pieces) bench.dividing = null;
          else Object.assign(work, { place: work.place + 1, tare: scale?.value ?? 0, typed: null });
          bench.draw();
        }, "main-touch"),
      scale ? button("divide-tare", "Count from here", () => { work.tare = scale.value; bench.draw(); }) : null,
      button("divide-stop", "Stop dividing", () => { bench.dividing = null; bench.draw(); }, "quiet-touch")));
}
