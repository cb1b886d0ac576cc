// The Bench: a day worked through on this device, with or without the server.
import * as keep from "./keep.js";
import * as sound from "./sound.js";
import { clocks, entries, hands, outlook } from "./day.js";
import { deviceWords, tick, tryOut } from "./alarm.js";
import { askHeight } from "./height.js";
import { askMore, askTime, askUsed } from "./ask.js";
import { closingPart, devicePart, recipesPart, saidPart } from "./foot.js";
import { clocksPart, ovenPart, stripPart } from "./side.js";
import { elsewhere, headPart, notesPart, offerPart } from "./head.js";
import { Devices } from "./devices.js";
import { fold, read } from "./fold.js";
import { h, place } from "./dom.js";
import { keepPage } from "../Shared/without-net.js";
import { hour, running, speakFor, stretch } from "./words.js";
import { Line } from "./line.js";
import { lookAtTraces, tracePart } from "./trace.js";
import { nextPart, nowPart } from "./now.js";
import { shortcuts } from "./shortcuts.js";

const host = document.getElementById("bench");
const id = () => crypto.randomUUID?.() ?? "10000000-1000-4000-8000-100000000000".replace(/[018]/g, (c) =>
  (c ^ (crypto.getRandomValues(new Uint8Array(1))[0] & (15 >> (c / 4)))).toString(16));

class Bench {
  constructor() {
    this.session = host.dataset.session;
    this.isHelper = host.dataset.isHelper === "1";
    this.helper = host.dataset.helper;
    this.byId = new Map();
    this.waitingIds = new Set();
    this.rest = null;
    this.offer = null;
    this.notes = [];
    this.rang = 0;
    this.line = new Line(this.session, (news) => this.hear(news), (state) => this.stand(state),
      (readings) => this.measure(readings));
    this.devices = new Devices();
    this.deviceName = keep.own("device", null) ?? `device ${id().slice(0, 4)}`;
    keep.keepOwn("device", this.deviceName);
  }

  async begin() {
    const kept = await keep.session(this.session).catch(() => undefined);
    if (kept) {
      this.sheet = kept.sheet;
      this.rest = kept.rest;
      this.line.seq = kept.seq;
      this.line.plan = kept.sheet.plan;
      this.line.base = kept.off ?? 0;
      for (const document of kept.events) this.know(document);
    }
    for (const w of await keep.waiting(this.session)) this.knowOwn(w.event);
    if (!this.sheet && !(await this.fetchSheet())) {
      host.replaceChildren(h("p", { class: "note is-refused", role: "alert" },
        "The Bench has not been opened on this device before, and Zymethos cannot be reached. Open it once with the server there."));
      setTimeout(() => location.reload(), 5000);
      return;
    }
    speakFor(this.sheet);
    this.person = Math.max(0, this.sheet.people.indexOf(keep.own("me", host.dataset.helper || this.sheet.people[0])));
    this.layOut();
    this.draw();
    this.line.listen();
    this.line.catchUp();
    setInterval(() => tick(this), 1000);
    shortcuts(this);
  }

  get me() {
    return this.isHelper ? host.dataset.helper : this.sheet.people.length > 1 ? this.sheet.people[this.person]
      : this.sheet.people[0] ?? "";
  }

  get now() {
    return Date.now() + this.line.off;
  }

  get events() {
    return [...this.byId.values()];
  }

  know(document) {
    const e = read(document);
    this.byId.set(e.id, e);
    this.waitingIds.delete(e.id);
  }

  // Until the server has put its time right, a touch of this device counts by the server's clock as this device knows it.
  knowOwn(document) {
    const e = read(document);
    this.byId.set(e.id, { ...e, at: e.at + this.line.off, newAt: e.newAt === null ? null : e.newAt + this.line.off });
    this.waitingIds.add(e.id);
  }

  async fetchSheet() {
    try {
      const answer = await this.line.call("sheet");
      if (!answer.ok) return false;
      this.sheet = await answer.json();
      this.line.plan = this.sheet.plan;
      return true;
    } catch {
      return false;
    }
  }

  /** A touch: kept on this device first, then shown, then told. */
  async tell(kind, step, more = {}) {
    sound.wake();
    const event = { id: id(), kind, at: new Date().toISOString(), who: this.me || undefined, device: this.deviceName, ...more };
    if (step) event.step = step;
    try {
      await keep.wait(this.session, event);
    } catch {
      this.note("This device has no room left to keep what you touch. It is shown, but would be lost with the page: free some room.",
        true);
    }
    this.knowOwn(event);
    if (kind !== "undone") this.last = event;
    this.draw();
    if (await this.line.tell()) await this.line.ask();
  }

  done(e) {
    if (e.step.isSafety && this.now < e.from + e.step.low * 60000) {
      this.note(`“${e.step.title}” is that long so that it is safe to eat: not before ${hour(e.from + e.step.low * 60000)}.`, true);
      this.draw();
      return;
    }
    this.tell("done", e.step.id);
  }

  // Dough, towel and water are out: what stood in the cold oven has ended, and the step that takes it out with it.
  async clear(c) {
    if (c.step.clears) {
      if (!c.stand.started) await this.tell("started", c.step.id);
      await this.tell("done", c.step.id);
    } else {
      await this.tell("done", c.step.id);
    }
  }

  undoLast() {
    const target = this.last && this.byId.has(this.last.id) ? this.last : this.events.filter((e) => e.device === this.deviceName
      && e.kind !== "undone"
      && !this.events.some((u) => u.kind === "undone" && u.target === e.id)).sort((a, b) => b.at - a.at)[0];
    if (target) this.tell("undone", null, { target: target.id });
    this.last = null;
  }

  askMore = (e) => askMore(this, e);
  askHeight = (e) => askHeight(this, e);
  askUsed = (bake, line) => askUsed(this, bake, line);
  askTime = (e) => askTime(this, e);

  readOut(e) {
    const { step } = e;
    const amounts = step.amounts.map((l) => `${l.amount} ${l.ingredient}`);
    sound.say([step.title, step.text, ...amounts, ...step.doneTests.map((t) => `Done when ${t}`)].join(". "));
  }

  async putAway() {
    await this.tell("ended", null);
    try {
      const answer = await this.line.call("away", { method: "POST", body: "{}" });
      if (answer.ok) location.href = "/bench?stay=true";
    } catch {
      this.note("Zymethos cannot be reached. The day is marked as ended here; put it away when it is back.", true);
    }
  }

  /** What devices say now. */
  measure(readings) {
    const isNew = this.devices.take(readings);
    lookAtTraces(this);
    if (isNew) this.draw();
  }

  async hear(news) {
    const before = new Set(this.byId.keys());
    for (const document of news.events) this.know(document);
    if (news.plan !== this.line.plan && await this.fetchSheet()) this.note("The order of the rest has been changed.");
    const others = news.events.filter((e) => !before.has(e.id.toLowerCase()) && e.device !== this.deviceName);
    if (others.length > 0 && before.size > 0) this.announce(others.slice(-2).map((e) => this.spoken(e)).join(". "));
    // What a probe has ended is said aloud: nobody touched it.
    const byProbe = others.filter((e) => (e.kind === "done" || e.kind === "warm") && !e.who && e.text);
    if (byProbe.length > 0 && before.size > 0) {
      for (const e of byProbe) this.note(`${this.titleOf(e.step)}: ${e.text} in the middle, says ${e.device}.`);
      sound.play();
      sound.shake();
    }
    this.waitsForRest = !news.rest;
    if (!news.rest) {
      // Many are at work: what was touched is kept and shown, how the day goes on comes in a moment.
      this.draw();
      this.save();
      setTimeout(() => this.line.ask(), 2000);
      return;
    }
    const stale = this.rest === null || news.events.length > 0 || this.rest.at < news.rest.at;
    this.rest = news.rest;
    this.isAway = news.isAway;
    this.draw();
    this.save();
    if (stale && (news.events.length > 0 || !this.chance || this.now - this.chance.at > 300000)) this.lookForOffer();
  }

  titleOf(step) {
    return this.sheet.steps.find((s) => s.id === step)?.title ?? "";
  }

  spoken(e) {
    const title = this.titleOf(e.step);
    return `${e.who || e.device || "Somebody"}: ${title || e.kind} ${e.kind === "started" ? "begun" : e.kind === "done" ? "done" : ""}`;
  }

  save() {
    if (this.isShut) return Promise.resolve();
    return keep.keepSession({
      id: this.session, sheet: this.sheet, rest: this.rest, seq: this.line.seq, off: this.line.off, keptAt: Date.now(),
      events: this.events.filter((e) => !this.waitingIds.has(e.id)).map((e) => ({ ...e, at: new Date(e.at).toISOString(),
        newAt: e.newAt === null ? undefined : new Date(e.newAt).toISOString(), target: e.target ?? undefined })),
    }).catch(() => this.note("This device has no room left to keep the day for when the server is away.", true));
  }

  /** Whether another order would be better is asked a moment after the last touch, by the device that made it. */
  lookForOffer(wait = 1500) {
    clearTimeout(this.offerTimer);
    this.offerTimer = setTimeout(async () => {
      this.isLooking = true;
      this.draw();
      try {
        const answer = await this.line.call("offer");
        if (answer.status === 503) this.lookForOffer(4000);
        if (answer.ok) {
          const weighed = await answer.json();
          this.chance = { ...weighed, at: this.now };
          this.offer = weighed.words ? weighed : null;
        }
      } catch {
        this.offer = null;
      }
      this.isLooking = false;
      this.draw();
    }, wait);
  }

  async takeOffer() {
    const { plan, starts } = this.offer;
    this.offer = null;
    try {
      const answer = await this.line.call("order", { method: "POST", body: JSON.stringify({ plan, starts }) });
      if (!answer.ok) this.note("That order does not fit any more; the day goes on as it was.", true);
    } catch {
      this.note("Zymethos cannot be reached; the day goes on as it was.", true);
    }
    await this.line.ask();
  }

  leaveOffer() {
    this.offer = null;
    this.draw();
  }

  stand(state) {
    if (state.isShut) {
      this.isShut = true;
      // Whoever was a guest takes nothing home.
      if (this.isHelper) keep.forget(this.session).then(() => globalThis.caches?.delete("bench-1")).catch(() => {});
      this.note(this.isHelper ? "Your pass has ended. What you see is how the day stood then."
        : "You are signed out here. Sign in to tell what you touch.", true);
    }
    if (state.refused) this.note(`Not kept: ${state.refused.map((r) => r.why).join(" ")}`, true);
    if (state.clockOff && this.line.speed === 1) {
      const off = `${stretch(Math.abs(state.clockOff) * 1000)} ${state.clockOff > 0 ? "fast" : "slow"}`;
      this.note(`The clock of this device is ${off}. What you touch is put right by the server's clock.`);
    }
    if (this.sheet && this.wasUp !== state.isUp) {
      this.wasUp = state.isUp;
      this.draw();
    }
  }

  note(words, isWrong = false) {
    if (!this.notes.some((n) => n.words === words)) this.notes = [...this.notes.slice(-2), { words, isWrong,
      at: Date.now() }];
  }

  announce(words) {
    this.parts?.live.replaceChildren(words);
  }

  layOut() {
    const part = (name, tag = "div") => h(tag, { class: `bench-part-${name}` });
    this.parts = {
      head: part("head", "header"), strip: part("strip"), notes: part("notes"), first: part("first"), now: part("now"),
      offer: part("offer"), next: part("next"), clocks: part("clocks"), oven: part("oven"), foot: part("foot"),
      live: h("p", { class: "visually-hidden", role: "status", "aria-live": "polite" }),
      loud: h("p", { class: "visually-hidden", role: "alert" }),
    };
    const { head, strip, notes, first, now, offer, next, clocks: side, oven, foot, live, loud } = this.parts;
    for (const [name, isHeld] of [["pointerdown", true], ["pointerup", false], ["pointercancel", false]])
      addEventListener(name, () => (isHeld ? (this.isHeld = true) : setTimeout(() => this.letGo(), 60)), { passive: true });
    host.addEventListener("focusout", () => setTimeout(() => this.draw(), 60));
    host.replaceChildren(host.querySelector("h1"), head, strip, notes, first, h("div", { class: "bench-board" },
      h("div", { class: "bench-left" }, now, offer, next), h("div", { class: "bench-right" }, side, oven)), foot, live, loud);
  }

  letGo() {
    this.isHeld = false;
    if (!this.isDue) return;
    this.isDue = false;
    this.draw();
  }

  reckon() {
    this.state = fold(this.events);
    this.all = entries(this.sheet, this.state, this.rest, this.now);
    this.clocks = clocks(this.all, this.now);
    // With a server its own word goes; without one the day is reckoned on from here.
    this.starts = this.line.isUp ? null : outlook(this.sheet, this.all, this.now);
    this.hands = this.handsOf(this.person);
    this.isDone = [...this.all.values()].every((e) => e.over);
    this.dials = (this.rest?.dials ?? []).map((d) => this.starts ? { ...d, at: d.at + this.delayOf(d) } : d).filter((d) => {
      const told = this.state.dials.findLast((x) => x.oven === d.oven);
      return !told || told.said.at < this.rest.at || Math.abs(told.celsius - d.celsius) > 3;
    });
  }

  // A dial waits for the load that it is set for.
  delayOf(dial) {
    const next = [...this.all.values()].filter((e) => !e.over && !e.going && e.step.load?.index === dial.oven && !e.step.load.isProof
      && e.expected?.from >= dial.at).sort((a, b) => a.expected.from - b.expected.from)[0];
    return next ? Math.max(0, this.starts.get(next.step.id) - next.expected.from) : 0;
  }

  handsOf(person) {
    return hands(this.sheet, this.all, this.rest, person, this.now, this.starts);
  }

  draw() {
    if (!this.parts) return;
    // Nothing moves away under a finger.
    if (this.isHeld) {
      this.isDue = true;
      return;
    }
    this.reckon();
    // What is no more than news goes by itself.
    this.notes = this.notes.filter((n) => n.isWrong || Date.now() - n.at < 90000);
    place(this.parts.head, headPart(this));
    place(this.parts.strip, stripPart(this));
    place(this.parts.notes, notesPart(this));
    place(this.parts.now, nowPart(this));
    // An order that is offered stands first, unless something rings.
    const rings = this.clocks.some((c) => c.rings);
    place(this.parts.first, rings ? h("div") : offerPart(this));
    place(this.parts.offer, rings ? offerPart(this) : h("div"));
    place(this.parts.next, nextPart(this));
    place(this.parts.clocks, clocksPart(this));
    place(this.parts.oven, ovenPart(this));
    place(this.parts.foot, h("div", {}, recipesPart(this), tracePart(this), saidPart(this), closingPart(this), devicePart(this),
      h("p", { class: "bench-narrow" }, elsewhere(this, "foot"))));
    this.fill();
  }

  fill() {
    for (const run of host.querySelectorAll(".clock-run")) {
      const at = Number(run.dataset.at);
      run.textContent = run.dataset.kind === "usual" ? (at >= this.now ? `${running(at - this.now)} left`
        : `${running(at - this.now)} over`) : running(at - this.now);
      run.classList.toggle("is-late", at < this.now);
    }
  }

  tryOut = tryOut;
  deviceWords = deviceWords;

  mainTouch() {
    host.querySelector(".bench-now .main-touch")?.click();
  }

  showKeys() {
    import("./shortcuts.js").then((s) => s.show());
  }
}

if (host?.dataset.session) {
  new Bench().begin();
  keepPage("/bench");
}
