// What runs, and the oven as it is.
import { button, clock, h, letter } from "./dom.js";
import { heat, inside } from "./day.js";
import { ovenReading, probePart, roomReading } from "./devices.js";
import { degrees, from, hour, stretch } from "./words.js";
import { doubled, readyBySight, roomBySight } from "./rise.js";

const what = (e) => (e.moment.what === "touch" ? e.step.touches[e.touch].title : e.moment.what === "look" ? "first look" : e.step.load
  ? (e.step.load.isProof ? "risen" : "out") : "ready");

function one(bench, e, place) {
  const moment = e.rings ? Math.min(e.due, e.moment.at) : e.moment.at;
  return h("li", { class: `bench-clock ${e.rings ? "is-ringing" : ""}` },
    h("div", { class: "bench-clock-head" }, letter(e.bake), h("span", { class: "bench-clock-name" }, e.step.title),
      h("small", {}, e.bake.name)),
    h("div", { class: "bench-clock-time" }, clock(moment), h("span", {}, `${what(e)} ${hour(moment)}`),
      e.moment.what !== "done" ? h("small", {}, `done by ${hour(e.due)}`) : e.stand.looks > 0 ? h("small", {},
        `looked ${e.stand.looks}×`) : null),
    probePart(bench, e, button),
    e.stand.answeredUntil > bench.now ? h("p", { class: "bench-stay" }, `Somebody comes by ${hour(e.stand.answeredUntil)}.`) : null,
    h("details", { class: "bench-clock-more", "data-key": `clock-${e.step.id}` },
      h("summary", { "data-key": `clock-sum-${e.step.id}` }, place <= 9 ? `Say more (${place})` : "Say more"),
      h("div", { class: "bench-touches" },
        button(`c-done-${e.step.id}`, e.step.load && !e.step.load.isProof ? "Out" : "Ready", () => bench.done(e)),
        e.touch >= 0 ? button(`c-touch-${e.step.id}`, e.step.touches[e.touch].title, () => bench.tell("touched", e.step.id,
          { number: e.touch })) : null,
        [3, 5, 10].map((m) => button(`c-more${m}-${e.step.id}`, `${m} more`, () => bench.tell("needsMore", e.step.id, { minutes: m }))),
        button(`c-other-${e.step.id}`, "Other …", () => bench.askMore(e)),
        e.step.kind === "first rise" || e.step.kind === "proof" ? button(`c-high-${e.step.id}`, "How high is it?",
          () => bench.askHeight(e)) : null),
      e.stand.heights.length > 0 ? h("div", { class: "bench-text" }, heights(bench, e)) : null,
      e.step.doneTests.length > 0 ? h("p", { class: "bench-done-test" }, e.step.doneTests.join(" ")) : null,
      e.step.isSafety ? h("p", { class: "bench-caution" },
        `Not before ${hour(e.from + e.step.low * 60000)}: it is that long to be safe to eat.`) : null));
}

// What was seen of a rising dough, and when it is ready by that and by the model together.
function heights(bench, e) {
  const last = e.stand.heights.at(-1);
  const seen = `${last.height} × as high at ${hour(last.said.at)}`;
  if (last.height >= doubled) return [seen, ": it has doubled."];
  const looks = e.stand.heights.map((x) => ({ at: x.said.at, height: x.height }));
  const ready = readyBySight(e.step, e.from, looks);
  // What one dough shows of the room goes for the others; a rise in the oven shows nothing of it.
  const room = bench.sheet.ovens[0]?.room;
  const bySight = e.step.load || room === undefined || bench.devices.fresh("room", bench.now) ? null
    : roomBySight(e.step, e.from, looks, room);
  const said = bench.state.rooms.at(-1)?.celsius ?? room;
  const minutes = Math.round((ready - bench.now) / 60000);
  return [`${seen}. Ready about ${hour(ready)}, ${from(ready, bench.now)}. `,
    minutes >= 1 && Math.abs(ready - e.due) > 120000
      ? button(`c-sight-${e.step.id}`, `Count with ${hour(ready)}`, () => bench.tell("needsMore", e.step.id, { minutes })) : null,
    bySight !== null && Math.abs(bySight - said) >= 1 ? [` It rises as in a room of ${degrees(bySight)}. `,
      button(`c-room-${e.step.id}`, `Use ${degrees(bySight)} for all rises`,
        () => bench.tell("room", null, { value: bySight }))] : null];
}

/** All clocks in one line, for a phone: whatever is looked at, they stay in sight. */
export const stripPart = (bench) => h("ul", { class: "bench-strip", "aria-hidden": "true" }, bench.clocks.map((e) =>
  h("li", { class: e.rings ? "is-ringing" : "" }, letter(e.bake), clock(e.rings ? Math.min(e.due, e.moment.at) : e.moment.at))));

export function clocksPart(bench) {
  return h("section", { class: "bench-clocks", "aria-labelledby": "bench-clocks-head" },
    h("h2", { id: "bench-clocks-head" }, bench.clocks.length === 0 ? "Nothing runs" : "Running"),
    h("ul", {}, bench.clocks.map((e, i) => one(bench, e, i + 1))));
}

export function ovenPart(bench) {
  return h("section", { class: "bench-oven", "aria-labelledby": "bench-oven-head" },
    h("h2", { id: "bench-oven-head" }, bench.sheet.ovens.length > 1 ? "Ovens" : "Oven"),
    bench.sheet.ovens.map((oven, i) => {
      const there = heat(bench.sheet, bench.state, i, bench.now);
      const { baking, cold } = inside(bench.all, i);
      const isMeasured = bench.devices.fresh("oven", bench.now, i);
      const said = isMeasured && !(there?.dial > 0) ? there?.isDialKnown ? "set to off" : "nobody said what it is set to"
        : isMeasured ? there.readyAt > bench.now ? `set to ${degrees(there.dial)}, there about ${hour(there.readyAt)}, ${from(there.readyAt,
          bench.now)}` : `set to ${degrees(there.dial)}`
        : there === null ? (baking.length > 0 ? "hot" : "cold, as far as anybody said")
        : there.dial <= 0 ? `off, about ${degrees(there.celsius)}`
          : there.readyAt > bench.now
            ? `about ${degrees(there.celsius)} of ${degrees(there.dial)}, there ${hour(there.readyAt)}, ${from(there.readyAt, bench.now)}`
            : `${degrees(there.dial)}`;
      const share = there ? Math.max(0, Math.min(1, (there.celsius - oven.room) / (240 - oven.room))) : 0;
      return h("div", { class: "bench-oven-one" },
        oven.name ? h("h3", {}, oven.name) : null,
        ovenReading(bench, i),
        hotWithDough(bench, i, cold),
        h("p", { class: "bench-oven-heat" }, there === null ? null : h("progress", { max: "100", value: String(Math.round(share * 100)),
          "aria-label": "Heat, estimated" }), there === null ? null : " ", said),
        cold.length > 0 ? h("p", { class: "bench-caution" }, h("strong", {}, "Dough in it: no heat. "),
          cold.map((c) => c.bake.name).join(", ")) : null,
        baking.length === 0 ? h("p", { class: "bench-text" }, "Nothing bakes.")
          : h("ul", {}, baking.map((e) => h("li", {}, letter(e.bake), " ", e.step.title, h("small", {},
            ` out ${hour(e.due)}, ${from(e.due, bench.now)}${e.step.load.shelf ? `, ${e.step.load.shelf}` : ""}`)))),
        there && there.dial > 0 && baking.length === 0 && !bench.dials.some((d) => d.oven === i && d.celsius > 0 && d.at > bench.now)
          ? button(`off-${i}`, "It is off now", () => bench.tell("dial", null, { number: i, value: 0 }), "quiet-touch") : null);
    }),
    roomReading(bench),
    promise(bench),
    (bench.rest?.missed ?? []).map((m) => h("p", { class: "bench-stay" }, m)));
}

// A dial that nobody meant to turn: the thermometer sees it before the dough does.
function hotWithDough(bench, oven, cold) {
  const reading = bench.devices.fresh("oven", bench.now, oven);
  return cold.length > 0 && reading && reading.value > 45 ? h("p", { class: "bench-caution", role: "alert" },
    h("strong", {}, `It is ${degrees(reading.value)} in there with ${cold.map((c) => c.bake.name).join(" and ")}. `),
    "Turn it off, and take the dough out.") : null;
}

/** By when all is ready and how sure that is; looked at anew a moment after every touch, when its turn has come. */
function promise(bench) {
  if (bench.waitsForRest) return h("p", { class: "bench-text", role: "status" },
    "Busy just now: how the day goes on will show in a moment. What you touch is kept.");
  if (!bench.rest) return null;
  const { chance } = bench;
  return h("p", { class: "bench-promise" },
    chance ? `All ready by ${hour(chance.readyBy)}, likely ${hour(chance.likely)}. `
      + `The rest goes well on ${Math.round(chance.together * 100)} of 100 days.` : `All ready about ${hour(bench.rest.likely)}.`,
    bench.isLooking ? " Looking whether another order is better …" : "",
    bench.line.isUp ? "" : ` As of ${hour(bench.rest.at)}, ${stretch(bench.now - bench.rest.at)} ago.`);
}
