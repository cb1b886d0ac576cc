// The step in hand, big, and what comes after it.
import { button, clock, h, letter } from "./dom.js";
import { dividePart, weighPart } from "./weigh.js";
import { heat, inside, unsafe, whyNot } from "./day.js";
import { probePart } from "./devices.js";
import { degrees, degreesBy, from, hour, stretch } from "./words.js";

const serious = (step, isStart) => step.cautions.map((c) =>
  h("p", { class: "bench-caution" }, h("strong", {}, c.short), isStart ? `: ${c.text}` : ""));

function amounts(bench, e) {
  // While it is weighed, one line after the other stands in the panel.
  if (e.step.amounts.length === 0 || bench.weighing?.step === e.step.id) return null;
  const by = bench.state.bakes[e.step.bake]?.usedBy ?? {};
  const really = (line) => { const of = by[line.key || line.ingredient]; return of?.[e.step.id] ?? of?.[""]; };
  return h("ul", { class: "bench-amounts", "aria-label": "What goes in" }, e.step.amounts.map((line) =>
    h("li", {}, h("span", { class: "bench-amount" }, line.amount), h("span", {}, line.what,
      really(line) !== undefined ? h("small", {}, ` really ${really(line)} g`) : ""))));
}

function follows(bench, e) {
  const at = e.step.links.filter((l) => l.most !== undefined && l.most !== null && l.most <= 15).map((l) => bench.all.get(l.to));
  return at.map((f) => {
    const most = e.step.links.find((l) => l.to === f.step.id).most;
    return h("p", { class: "bench-follows" }, h("strong", {}, most === 0 ? "Then at once: " : `Then within ${most} min: `), f.step.title);
  });
}

const doneTests = (step) => step.doneTests.length === 0 ? null
  : h("p", { class: "bench-done-test" }, h("strong", {}, "Done when "), step.doneTests.join(" "));

/** Everything that can be said of a step, for the big card. */
function body(bench, e, isStart) {
  return [
    h("p", { class: "bench-bake" }, letter(e.bake), " ", e.bake.name),
    h("h2", { class: "bench-title" }, e.step.title),
    e.step.text ? h("p", { class: "bench-text" }, e.step.text) : null,
    amounts(bench, e),
    e.step.said ? h("p", { class: "bench-said" }, e.step.said) : null,
    e.step.child ? h("p", { class: "bench-said" }, e.step.child) : null,
    serious(e.step, isStart),
    doneTests(e.step),
    probePart(bench, e, button),
    isStart ? weighPart(bench, e) : null,
    isStart ? dividePart(bench, e) : null,
    follows(bench, e),
  ];
}

function hotEnough(bench, e) {
  const load = e.step.load;
  if (!load || load.isProof || load.isOff) return null;
  const there = heat(bench.sheet, bench.state, load.index, bench.now);
  const reading = bench.devices.fresh("oven", bench.now, load.index);
  if (!there && !reading) return h("p", { class: "bench-text" }, `The oven should be at ${load.dial}.`);
  const celsius = reading?.value ?? there.celsius;
  const at = `The oven is at ${reading || there?.measuredAt ? "" : "about "}${degrees(celsius)}`;
  if (Math.abs(celsius - load.celsius) <= 5) return h("p", { class: "bench-text" }, `${at}.`);
  if (!there || Math.abs(there.dial - load.celsius) > 4) return h("p", { class: "bench-text" },
    `${at}${there?.dial > 0 ? `, set to ${degrees(there.dial)}` : ""}; this wants ${load.dial}.`);
  if (there.isSteady) return h("p", { class: "bench-caution" }, h("strong", {}, `${at} and climbs no more`),
    `, set to ${degrees(there.dial)}. Turn it ${degreesBy(load.celsius - celsius)}, or bake by sight.`);
  // Its thermostat swings about what it is set to.
  if (there.readyAt <= bench.now) return h("p", { class: "bench-text" }, `${at}, set to ${degrees(there.dial)}.`);
  return h("p", { class: "bench-caution" }, h("strong", {}, at),
    ` of ${load.dial}, there ${hour(there.readyAt)}, ${from(there.readyAt, bench.now)}.`);
}

const who = (e) => e.stand.takenBy || e.stand.started?.who || "";

/** Somebody else's work, for taking it over. */
function takeOver(bench, e) {
  const by = who(e);
  return bench.sheet.people.length > 1 && by !== bench.me && bench.me
    ? button(`take-${e.step.id}`, by ? `I take this from ${by}` : "I take this", () => bench.tell("taken", e.step.id), "quiet-touch")
      : null;
}

/** What a ringing clock asks for. */
function alarm(bench, e) {
  const turn = e.touch >= 0 && e.moment.what === "touch" && e.moment.at <= bench.now;
  const late = bench.now - (turn ? e.moment.at : e.isLook ? e.lookAt : e.due);
  const out = e.step.load ? (e.step.load.isProof ? "Risen" : "Out") : "Ready";
  return h("section", { class: "bench-card is-ringing", "aria-label": `Now: ${e.step.title}` },
    h("p", { class: "bench-bake" }, letter(e.bake), " ", e.bake.name),
    h("h2", { class: "bench-title" }, turn ? e.step.touches[e.touch].title
      : e.isLook ? `First look: ${e.step.title}` : e.step.load && !e.step.load.isProof ? `Done? ${e.step.title}` : e.step.title),
    turn ? h("p", { class: "bench-text" }, e.step.title) : doneTests(e.step),
    !turn && e.stand.warmAt ? h("p", { class: "bench-text" }, `It is as warm in the middle as it should be, since ${
      hour(e.stand.warmAt.at)}.`) : null,
    h("p", { class: "bench-stay" }, late > 60000 ? `Rang ${stretch(late)} ago. ` : "", turn ? "" : e.isLook
      ? `Usually out ${hour(e.due)}, ${from(e.due, bench.now)}.`
      : late > (e.step.stay + 1) * 60000 ? "That is longer than it can wait: see to it now." : e.step.lost),
    serious(e.step, false),
    h("div", { class: "bench-touches" },
      turn ? button(`touched-${e.step.id}`, "Done it", () => bench.tell("touched", e.step.id, { number: e.touch }), "main-touch")
        : button(`done-${e.step.id}`, out, () => bench.done(e), "main-touch"),
      turn ? null : [3, 5, 10].map((m) => button(`more${m}-${e.step.id}`, `${m} more`, () => bench.tell("needsMore", e.step.id,
        { minutes: m }))),
      turn ? null : button(`other-${e.step.id}`, "Other …", () => bench.askMore(e)),
      e.isLook ? button(`asplanned-${e.step.id}`, "Not yet, as planned", () => bench.tell("answered", e.step.id,
        { minutes: Math.max(1, Math.ceil((e.due - bench.now) / 60000)) })) : null,
      button(`soon-${e.step.id}`, "In a minute", () => bench.tell("answered", e.step.id, { minutes: 1 })),
    ));
}

function dialCard(bench, d) {
  const oven = bench.sheet.ovens[d.oven];
  const isOn = d.celsius > 0;
  const { cold } = inside(bench.all, d.oven);
  const looked = bench.state.lookedInto[d.oven];
  const clearing = cold.map((c) => [...bench.all.values()].find((e) => e.step.clears === c.step.id) ?? c);
  let warn = null;
  let touches;
  if (isOn && cold.length > 0) {
    warn = h("p", { class: "bench-caution" }, h("strong", {}, "No heat yet: "),
      `${cold.map((c) => c.bake.name).join(" and ")} stands in it, with its towel and pan of water.`);
    touches = clearing.map((c) => button(`clear-${c.step.id}`, `${c.bake.name}: all of it is out`, () => bench.clear(c), "main-touch"));
  } else if (isOn && !looked) {
    warn = h("p", { class: "bench-caution" }, h("strong", {}, "Look inside first: "),
      "pans, dough, a towel, anything that is kept in it.");
    touches = button(`empty-${d.oven}`, "I looked: it is empty", () => bench.tell("ovenEmpty", null, { number: d.oven }), "main-touch");
  } else {
    touches = button(`dial-${d.oven}`, isOn ? `It is set to ${degreesOf(bench, d)}` : "It is off",
      () => bench.tell("dial", null, { number: d.oven, value: d.celsius }), "main-touch");
  }
  return h("section", { class: "bench-card is-dial", "aria-label": `Oven: ${oven.name} ${d.text}, ${hour(d.at)}` },
    h("div", { class: "bench-dial-row" },
      h("div", {}, h("h2", { class: "bench-dial-title" }, oven.name ? `${oven.name}: ${d.text}` : d.text),
        h("p", { class: "bench-text" }, `${hour(d.at)}, ${from(d.at, bench.now)}`)),
      touches),
    warn);
}

const degreesOf = (bench, d) => bench.sheet.steps.find((s) => s.load && Math.abs(s.load.celsius - d.celsius) < 4)?.load.dial
  || degrees(d.celsius);

function atWork(bench, e) {
  const paused = e.stand.pausedSince !== null;
  return h("section", { class: "bench-card is-at", "aria-label": `In hand: ${e.step.title}` },
    body(bench, e, true),
    h("p", { class: "bench-time" }, paused ? "Left for a while. " : `Since ${hour(e.from)}, usually until ${hour(e.due)}: `,
      paused ? "" : clock(e.due, "usual")),
    h("div", { class: "bench-touches" },
      button(`done-${e.step.id}`, "Done", () => bench.tell("done", e.step.id), "main-touch"),
      paused ? button(`resume-${e.step.id}`, "Go on with it", () => bench.tell("resumed", e.step.id))
        : button(`pause-${e.step.id}`, "Leave it for now", () => bench.tell("paused", e.step.id)),
      button(`aloud-${e.step.id}`, "Read it out", () => bench.readOut(e)),
      takeOver(bench, e)));
}

function starts(bench, e) {
  const why = whyNot(bench.all, e, bench.now);
  const [wait] = unsafe(bench.all, e, bench.now);
  // Food that is not safe yet is not worked on, and what makes it safe, or the oven, is not left out.
  const mayBeLeftOut = !e.step.isSafety && !e.step.clears;
  const early = e.when > bench.now + 60000;
  const load = e.step.load;
  const words = !load ? "Begin" : load.isProof ? "It is in the cold oven" : load.isOff ? "It stays in, the oven is off" : "In";
  return h("section", { class: "bench-card", "aria-label": "Next for you" },
    early ? h("p", { class: "bench-free" }, "Nothing for your hands until ", h("strong", {}, hour(e.when)),
      `, ${from(e.when, bench.now)}. Then:`) : null,
    body(bench, e, true),
    load?.dial ? h("p", { class: "bench-text" },
      [load.dial, load.shelf, stretch(e.step.likely * 60000)].filter((w) => w).join(", ")) : null,
    hotEnough(bench, e),
    Number.isFinite(e.closes) ? h("p", { class: e.closes < bench.now + 1800000 ? "bench-stay" : "bench-text" },
      `Not later than ${hour(e.closes)}, ${from(e.closes, bench.now)}.`) : null,
    wait ? h("p", { class: "bench-caution" }, h("strong", {}, "Not yet: "),
      `“${wait.step.title}” is that long so that it is safe to eat.`)
      : why ? h("p", { class: "bench-text" }, why) : null,
    h("div", { class: "bench-touches" },
      wait ? null : button(`start-${e.step.id}`, why ? `${words} all the same` : words, () => bench.tell("started", e.step.id),
        why || early ? "" : "main-touch"),
      mayBeLeftOut ? button(`skip-${e.step.id}`, "Leave it out", () => bench.tell("skipped", e.step.id), "quiet-touch") : null,
      button(`aloud-${e.step.id}`, "Read it out", () => bench.readOut(e), "quiet-touch"),
      takeOver(bench, e)));
}

// A dial is not touched under a bake that is still in.
export const isDue = (bench, d) => d.at <= bench.now + 30000
  && (inside(bench.all, d.oven).baking.length === 0 || !bench.state.dials.some((x) => x.oven === d.oven));

/** What now: alarms, the dial, what is in hand, else what comes next. */
export function nowPart(bench) {
  const parts = [];
  const ringing = bench.clocks.filter((c) => c.rings);
  for (const e of ringing) parts.push(alarm(bench, e));
  for (const d of bench.dials.filter((d) => isDue(bench, d))) parts.push(dialCard(bench, d));
  const { at, next } = bench.hands;
  for (const e of at) parts.push(atWork(bench, e));
  const [first] = next;
  if (at.length === 0 && first) parts.push(starts(bench, first));
  if (parts.length === 0)
    parts.push(h("section", { class: "bench-card" }, h("h2", { class: "bench-title" }, bench.isDone ? "All done"
      : "Nothing for your hands"),
      h("p", { class: "bench-text" }, bench.isDone ? "Say below what came of it, and put the Bench away."
        : "What runs is on the right. It rings when it wants you.")));
  return h("div", { class: "bench-now" }, parts);
}

/** The next two for each, with when. */
export function nextPart(bench) {
  const lists = bench.sheet.people.map((person, i) => {
    const { at, next } = bench.handsOf(i);
    // What stands on the big card is not said again.
    const isMine = i === bench.person;
    const from = isMine && at.length === 0 ? 1 : 0;
    return { person, next: next.slice(from, from + 2), at: isMine ? [] : at };
  });
  const dial = bench.dials.find((d) => !isDue(bench, d));
  return h("section", { class: "bench-next", "aria-labelledby": "bench-next-head" },
    h("h2", { id: "bench-next-head" }, "Then"),
    lists.map(({ person, next, at }) => [
      bench.sheet.people.length > 1 ? h("h3", {}, person) : null,
      h("ol", {}, at.map((e) => h("li", { class: "is-at" }, h("span", { class: "when" }, "now"), letter(e.bake), h("span", {},
        e.step.title))),
        next.map((e) => h("li", {}, h("span", { class: "when" }, hour(Math.max(e.when, bench.now))), letter(e.bake),
          h("span", {}, e.step.load && !e.step.load.isProof ? `Into the oven: ${e.step.title}` : e.step.title,
            h("small", {}, ` ${from(Math.max(e.when, bench.now), bench.now)}, ${stretch(e.step.likely * 60000)}`)))),
        next.length === 0 && at.length === 0 ? h("li", {}, "Nothing more.") : null),
    ]),
    dial ? h("p", { class: "bench-dial-next" }, h("span", { class: "when" }, hour(dial.at)), dial.text, h("small", {},
      ` ${from(dial.at, bench.now)}`)) : null);
}
