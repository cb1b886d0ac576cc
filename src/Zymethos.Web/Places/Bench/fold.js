// The state of a session from its events: the same rules as on the server (BenchState), so that a device alone reckons as both do together.

const byTime = (a, b) => a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

const fresh = () => ({
  started: null, done: null, skipped: null, dueAt: null, warmAt: null, looks: 0, touches: {}, pausedSince: null, pausedFor: 0, takenBy: "",
  answeredUntil: null, heights: [], alsoSaid: [],
});

export const isOver = (stand) => stand.done !== null || stand.skipped !== null;
export const isGoing = (stand) => stand.started !== null && !isOver(stand);

/** An event as it travels, with its moments as numbers. */
export const read = (document) => ({
  ...document, at: Date.parse(document.at), newAt: document.newAt ? Date.parse(document.newAt) : null, id: document.id.toLowerCase(),
  target: document.target?.toLowerCase() ?? null,
});

/** Ids of events that are taken back. Taking back counts for what was said before it, and may be taken back itself. */
export function takenBack(known) {
  const gone = new Set();
  for (const e of [...known.values()].filter((e) => e.kind === "undone").sort(byTime).reverse()) {
    const what = e.target && known.get(e.target);
    if (!gone.has(e.id) && what && byTime(what, e) < 0) gone.add(e.target);
  }
  return gone;
}

function standing(known) {
  const gone = takenBack(known);
  const right = new Map();
  for (const c of [...known.values()].filter((e) => e.kind === "corrected" && e.target && !gone.has(e.id)).sort(byTime)) {
    const e = known.get(c.target);
    if (e && byTime(e, c) < 0) right.set(c.target, [...(right.get(c.target) ?? []), c]);
  }
  return [...known.values()].filter((e) => e.kind !== "undone" && e.kind !== "corrected" && !gone.has(e.id)).map((event) => {
    let { at, who = "" } = event;
    for (const c of right.get(event.id) ?? []) {
      at = c.newAt ?? at;
      who = c.who || who;
    }
    return { event, said: { at, who, event: event.id } };
  }).sort((a, b) => a.said.at - b.said.at || (a.event.id < b.event.id ? -1 : 1));
}

const paused = (stand, until) =>
  stand.pausedSince !== null && until > stand.pausedSince ? stand.pausedFor + (until - stand.pausedSince) : stand.pausedFor;

function moved(stand, e, said) {
  switch (e.kind) {
    case "started":
      return stand.started === null || stand.skipped !== null
        ? { ...stand, started: said, skipped: null } : { ...stand, alsoSaid: [...stand.alsoSaid, said] };
    case "done":
      return isOver(stand) ? { ...stand, alsoSaid: [...stand.alsoSaid, said] }
        : { ...stand, done: said, pausedFor: paused(stand, said.at), pausedSince: null, answeredUntil: null };
    case "needsMore":
      return e.minutes == null ? stand
        : { ...stand, dueAt: said.at + e.minutes * 60000, warmAt: null, looks: stand.looks + 1, done: null, answeredUntil: null };
    case "touched":
      if (e.number == null) return stand;
      return e.number in stand.touches ? { ...stand, alsoSaid: [...stand.alsoSaid, said] }
        : { ...stand, touches: { ...stand.touches, [e.number]: said }, answeredUntil: null };
    case "skipped":
      return isOver(stand) ? stand : { ...stand, skipped: said };
    case "paused":
      return isGoing(stand) && stand.pausedSince === null ? { ...stand, pausedSince: said.at } : stand;
    case "resumed":
      return stand.pausedSince === null ? stand : { ...stand, pausedFor: paused(stand, said.at), pausedSince: null };
    case "taken":
      return { ...stand, takenBy: said.who };
    case "answered":
      return e.minutes == null ? stand : { ...stand, answeredUntil: said.at + e.minutes * 60000 };
    case "warm":
      return isOver(stand) ? stand : { ...stand, warmAt: said, answeredUntil: null };
    case "height":
      return e.value == null ? stand : { ...stand, heights: [...stand.heights, { said, height: e.value }] };
    default:
      return stand;
  }
}

// Each batch's mix has its own amount, and they add up; what is said without a mix is all of it.
function used(bake, e) {
  const by = { ...bake.usedBy?.[e.text] };
  if (e.step) { delete by[""]; by[e.step] = e.value; }
  const all = e.step ? by : { "": e.value };
  const sum = Object.keys(all).sort().reduce((s, k) => s + all[k], 0);
  return { ...bake, usedBy: { ...bake.usedBy, [e.text]: all }, used: { ...bake.used, [e.text]: sum } };
}

function told(bake, e) {
  switch (e.kind) {
    case "pieces": return { ...bake, pieces: e.value ?? null };
    case "looks": return { ...bake, looks: e.text ?? "" };
    case "toChange": return { ...bake, toChange: e.text ?? "" };
    case "darker": {
      if (!e.text) return bake;
      const there = bake.darker.includes(e.text);
      return { ...bake, darker: there ? bake.darker.filter((d) => d !== e.text) : [...bake.darker, e.text].sort() };
    }
    case "photo": return e.text && !bake.photos.includes(e.text) ? { ...bake, photos: [...bake.photos, e.text].sort() } : bake;
    case "used": return e.text && e.value != null ? used(bake, e) : bake;
    default: return bake;
  }
}

const ofBake = new Set(["pieces", "looks", "darker", "toChange", "used", "photo"]);

/** Folds events, in whatever order and however often each is there. */
export function fold(events) {
  const known = new Map();
  for (const e of events) {
    const there = known.get(e.id);
    if (!there || byTime(e, there) < 0) known.set(e.id, e);
  }
  const state = { steps: {}, bakes: {}, dials: [], lookedInto: {}, ended: null, heats: [], doors: [], rooms: [],
    probes: {} };
  for (const { event: e, said } of standing(known)) {
    if (e.kind === "dial" && e.number != null && e.value != null) state.dials.push({ oven: e.number, celsius: e.value, said });
    else if (e.kind === "ovenEmpty" && e.number != null) state.lookedInto[e.number] = said;
    else if (e.kind === "ended") state.ended ??= said;
    else if (e.kind === "heat") {
      if (e.number != null && e.value != null)
        state.heats.push({ oven: e.number, celsius: e.value, isSteady: e.text === "steady", said, device: e.device ?? "" });
    } else if (e.kind === "door") {
      if (e.number != null) state.doors.push({ oven: e.number, said });
    } else if (e.kind === "room") {
      if (e.value != null) state.rooms.push({ celsius: e.value, said });
    } else if (e.kind === "probeIn") {
      if (e.text && e.step) state.probes[e.text] = { step: e.step, said };
    } else if (ofBake.has(e.kind) && e.number != null)
      state.bakes[e.number] = told(state.bakes[e.number] ?? { pieces: null, looks: "", darker: [], toChange: "", used: {}, photos: [] }, e);
    else if (e.step) state.steps[e.step] = moved(state.steps[e.step] ?? fresh(), e, said);
  }
  return state;
}

/** How a step stands; untouched where nobody spoke of it. */
export const standOf = (state, id) => state.steps[id] ?? fresh();

/** The dial of an oven as it was set last; null while nobody spoke of it. */
export const dialOf = (state, oven) => state.dials.findLast((d) => d.oven === oven) ?? null;
