// What is going on and what comes next, from the sheet, the state, the clock, and how the server last expected the day to go on. With a
// server it says what the server's own rule says; without one it goes on from there by the same order of thought: what is done comes out
// first, then what would spoil, then the plan's order.
import { isGoing, isOver, standOf } from "./fold.js";

const minute = 60000;
// So near to its setting an oven counts as having it, in degrees Celsius; as on the server (OvenNow).
const near = 5;

/** A step with how it stands and when it is expected. */
function entry(sheet, state, rest, step, now) {
  const stand = standOf(state, step.id);
  const expected = rest?.steps[step.id];
  const inferred = stand.started === null && expected?.begun;
  const from = stand.started?.at ?? expected?.from ?? null;
  const over = isOver(stand) || (stand.done === null && stand.dueAt === null && expected?.over === true && stand.started === null);
  const going = !over && (isGoing(stand) || Boolean(inferred));
  const away = stand.pausedFor + (stand.pausedSince !== null ? Math.max(0, now - stand.pausedSince) : 0);
  const due = from === null ? null : stand.warmAt?.at ?? stand.dueAt ?? (going && step.load
    ? Math.max(from + step.likely * minute, expected?.due ?? 0)
    // A rise goes by the room's own warmth, where a thermometer says it.
    : going && step.rise && expected?.due ? expected.due
    : from + step.likely * minute + away);
  return { step, stand, expected, from, due, over, going, bake: sheet.bakes[step.bake] };
}

/** All steps as they stand, waits that end by themselves ended, what goes before something begun over. */
export function entries(sheet, state, rest, now) {
  const all = new Map(sheet.steps.map((s) => [s.id, entry(sheet, state, rest, s, now)]));
  // What goes before something that has begun is over, though nobody said so.
  const before = new Map();
  for (const e of all.values()) for (const l of e.step.links) before.set(l.to, [...(before.get(l.to) ?? []), { from: e.step.id, ...l }]);
  const seen = new Set();
  const close = (id) => {
    if (seen.has(id)) return;
    seen.add(id);
    for (const l of before.get(id) ?? []) {
      const e = all.get(l.from);
      e.over = true;
      e.going = false;
      close(l.from);
    }
  };
  for (const e of all.values()) if (e.going || e.over) close(e.step.id);
  // Waits that nobody has to begin go on from where what is before them ended.
  for (const e of sorted(all, before)) {
    e.before = before.get(e.step.id) ?? [];
    e.readyAt = 0;
    e.closes = Infinity;
    e.isReady = true;
    for (const l of e.before) {
      const b = all.get(l.from);
      if (!b.over) {
        e.isReady = false;
        continue;
      }
      const end = b.stand.done?.at ?? b.stand.skipped?.at ?? b.expected?.until ?? now;
      e.readyAt = Math.max(e.readyAt, end + l.least * minute);
      if (l.most !== undefined && l.most !== null) e.closes = Math.min(e.closes, end + l.most * minute);
    }
    if (e.over || e.step.byHand || e.step.load) continue;
    if (!e.going) {
      if (e.before.length === 0 || !e.isReady || e.readyAt > now) continue;
      e.from = e.readyAt;
      e.due = e.from + e.step.likely * minute;
      e.going = true;
    }

    // What nobody has to look at when its time is over, and what can wait then, is over.
    const canWait = e.step.stay >= 60 || e.stand.started === null;
    if (e.due <= now && canWait && e.step.touches.length === 0 && e.stand.dueAt === null) {
      e.going = false;
      e.over = true;
      e.stand = { ...e.stand, done: { at: e.due, who: "", event: "" } };
    }
  }
  return all;
}

function sorted(all, before) {
  const order = [];
  const seen = new Set();
  const visit = (id) => {
    if (seen.has(id)) return;
    seen.add(id);
    for (const l of before.get(id) ?? []) visit(l.from);
    order.push(all.get(id));
  };
  for (const id of all.keys()) visit(id);
  return order;
}

/** What runs, the most urgent first: what bakes or rises, with its next moment. */
export function clocks(all, now) {
  return [...all.values()].filter((e) => e.going && !(e.step.isWork && !e.step.load)).map((e) => {
    const touch = e.step.touches.findIndex((_, i) => !(i in e.stand.touches));
    const touchAt = touch >= 0 && e.from !== null ? e.from + e.step.touches[touch].after * minute : Infinity;
    const isBake = e.step.load && !e.step.load.isProof && !e.step.load.isOff;
    const lookAt = isBake && e.stand.looks === 0 && e.step.low < e.step.likely ? e.from + e.step.low * minute : Infinity;
    const moment = [
      { at: touchAt, what: "touch", number: touch }, { at: lookAt > now ? lookAt : Infinity, what: "look" }, { at: e.due, what: "done" },
    ].sort((a, b) => a.at - b.at)[0];
    const isLook = lookAt <= now && e.due > now && touchAt > now;
    return { ...e, moment, lookAt, touch, isLook, rings: (e.due <= now || touchAt <= now || isLook) && !(e.stand.answeredUntil > now) };
  }).sort((a, b) => Math.min(a.moment.at, a.due) - Math.min(b.moment.at, b.due));
}

// Minutes from one heat to another, up at full power or down with the door ajar.
const turning = (body, from, to) => Math.abs(from - to) <= near ? 0
  : from < to ? body.shut * Math.log((body.ceiling - from) / (body.ceiling - to))
    : body.ajar * Math.log((from - body.room) / Math.max(1, to - body.room));

/**
 * When each step can begin from how things stand, for when no server says it: not before what is before it is over, nor into an oven that
 * has something of another heat in it; else when it was expected last. Loads keep the order in which they were expected.
 */
export function outlook(sheet, all, now) {
  const starts = new Map();
  const end = (e) => e.over ? e.stand.done?.at ?? e.expected?.until ?? now : e.going ? Math.max(now, e.due ?? now)
    : start(e) + e.step.likely * minute;
  const start = (e) => {
    const known = starts.get(e.step.id);
    if (known !== undefined) return known;
    starts.set(e.step.id, now);
    const at = e.before.reduce((latest, l) => Math.max(latest, end(all.get(l.from)) + l.least * minute), Math.max(now,
      e.expected?.from ?? now));
    starts.set(e.step.id, at);
    return at;
  };
  const hot = (e) => e.step.load && !e.step.load.isProof && !e.step.load.isOff;
  sheet.ovens.forEach((body, oven) => {
    let last = null;
    const loads = [...all.values()].filter((e) => !e.over && e.step.load?.index === oven)
      .sort((a, b) => (a.going ? 0 : 1) - (b.going ? 0 : 1) || (a.expected?.from ?? 0) - (b.expected?.from ?? 0));
    for (const e of loads) {
      const own = e.going ? e.from : start(e);
      const differs = last && (!hot(e) || !hot(last) || Math.abs(last.step.load.celsius - e.step.load.celsius) > near);
      const wait = differs && hot(e) && hot(last) ? turning(body, last.step.load.celsius, e.step.load.celsius) * minute : 0;
      if (!e.going) starts.set(e.step.id, differs ? Math.max(own, end(last) + wait) : own);
      if (!last || end(e) >= end(last)) last = e;
    }
  });
  for (const e of all.values()) if (!e.over && !e.going) start(e);
  return starts;
}

/** What somebody is at, and what they do next: the server's own order where it is there and still fits, else by the same thought. */
export function hands(sheet, all, rest, person, now, starts = null) {
  const at = [...all.values()].filter((e) => e.going && e.step.isWork);
  const mine = at.filter((e) => {
    const who = e.stand.takenBy || e.stand.started?.who || "";
    return who === "" || who === sheet.people[person] || !sheet.people.includes(who);
  });
  const planned = new Map();
  for (const a of rest?.acts ?? []) {
    if (a.need === 0 && !planned.has(a.step)) planned.set(a.step, a);
  }
  const taken = (e) => e.stand.takenBy && e.stand.takenBy !== sheet.people[person] && sheet.people.includes(e.stand.takenBy);
  const theirs = (e) => {
    if (e.stand.takenBy === sheet.people[person]) return true;
    const a = planned.get(e.step.id);
    return !a || a.who === person || sheet.people.length === 1;
  };
  const when = (e) => Math.max(planned.get(e.step.id)?.from ?? e.expected?.from ?? e.readyAt, starts?.get(e.step.id) ?? 0);
  const next = [...all.values()]
    .filter((e) => !e.over && !e.going && (e.step.byHand || e.step.load) && !taken(e) && theirs(e))
    .map((e) => ({ ...e, when: Math.max(when(e), e.isReady ? e.readyAt : 0) }))
    .sort((a, b) => {
      // What would spoil goes first, when its window closes before the other could be over.
      const soon = (x) => x.isReady && x.closes < now + 15 * minute;
      if (soon(a) !== soon(b)) return soon(a) ? -1 : 1;
      if (a.isReady !== b.isReady && Math.abs(a.when - b.when) < minute) return a.isReady ? -1 : 1;
      return a.when - b.when;
    });
  return { at: mine, next };
}

/** Whether a step may begin now, and why not. */
export function whyNot(all, e, now) {
  const missing = e.before.filter((l) => !all.get(l.from).over).map((l) => all.get(l.from).step.title);
  if (missing.length > 0) return `“${missing[0]}” is not done yet.`;
  if (e.readyAt > now) return "It is not ready yet.";
  return "";
}

/** Waits and heats that make food safe, and are not over: what follows them is not begun. */
export const unsafe = (all, e, now) => e.before.map((l) => all.get(l.from))
  .filter((b) => b.step.isSafety && !b.over && !(b.going && b.from + b.step.low * minute <= now));

/** What stands in an oven that must not get hot, and what bakes in it. */
export function inside(all, oven) {
  const there = [...all.values()].filter((e) => e.going && e.step.load && e.step.load.index === oven);
  // Dough in the cold oven stays there until somebody has ticked that it is out, whatever its time.
  const cold = [...all.values()].filter((e) => {
    if (!e.step.load?.isProof || e.step.load.index !== oven || e.stand.started === null && !e.going) return false;
    const clearing = [...all.values()].find((c) => c.step.clears === e.step.id);
    if (clearing) return !clearing.over || clearing.stand.skipped !== null;
    return !e.over;
  });
  return { baking: there.filter((e) => !e.step.load.isProof), cold };
}

/** How hot an oven is by its dial, the kitchen's figures and what its thermometer said last; null while nobody spoke of it. */
export function heat(sheet, state, oven, now) {
  const body = sheet.ovens[oven];
  const after = (from, dial, minutes) => {
    if (dial <= 0) return body.room + (from - body.room) * Math.exp(-minutes / body.shut);
    if (from <= dial) return Math.min(dial, body.ceiling - (body.ceiling - from) * Math.exp(-minutes / body.shut));
    return Math.max(dial, body.room + (from - body.room) * Math.exp(-minutes / body.ajar));
  };
  const readyFrom = (from, dial, at) => {
    return dial <= 0 ? null : at + minute * turning(body, from, dial);
  };
  const said = [...state.dials.filter((d) => d.oven === oven).map((d) => ({ said: d.said, dial: d.celsius })),
    ...state.heats.filter((x) => x.oven === oven).map((x) => ({ said: x.said, heat: x.celsius, isSteady: x.isSteady }))]
    .sort((a, b) => a.said.at - b.said.at || (a.said.event < b.said.event ? -1 : 1));
  if (said.length === 0) return null;
  let [celsius, dial, since, at, readyAt, measuredAt, isSteady, isDialKnown] = [body.room, 0, 0, null, null, null, false, false];
  for (const s of said) {
    if (at !== null) celsius = after(celsius, dial, Math.max(0, s.said.at - at) / minute);
    at = s.said.at;
    if (s.dial !== undefined) {
      [dial, since, measuredAt, isSteady, isDialKnown] = [s.dial, at, null, false, true];
      readyAt = readyFrom(celsius, dial, at);
      continue;
    }
    // It had its heat already and swings about it, or stands where it stands whatever the dial says: it stays ready.
    const wasReady = readyAt !== null && readyAt <= at && Math.abs(s.heat - dial) <= 4 * near;
    [celsius, measuredAt, isSteady] = [s.heat, at, s.isSteady];
    if (!wasReady) readyAt = s.isSteady && dial > 0 ? at : readyFrom(celsius, dial, at);
  }
  return { dial, since, celsius: after(celsius, dial, Math.max(0, now - at) / minute), readyAt, measuredAt, isSteady, isDialKnown };
}
