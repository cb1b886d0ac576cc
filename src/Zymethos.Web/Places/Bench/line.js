// The line to the server: tells touches in order, hears what others do, goes on trying.
import * as keep from "./keep.js";

const most = 200;
const patience = 12000;

export class Line {
  constructor(session, onNews, onState, onReadings) {
    this.session = session;
    this.onNews = onNews;
    this.onState = onState;
    this.seq = 0;
    this.onReadings = onReadings;
    this.base = 0;
    this.heardAt = Date.now();
    this.speed = 1;
    this.isUp = false;
    this.telling = null;
    this.lastHeard = 0;
    this.pause = 1000;
  }

  /** By how many milliseconds the server's clock is before this device's; a server that tries out a day goes faster. */
  get off() {
    return this.base + (this.speed - 1) * (Date.now() - this.heardAt);
  }

  path(what) {
    return `/bench/${this.session}/${what}`;
  }

  async call(what, init = {}) {
    const gone = new AbortController();
    const timer = setTimeout(() => gone.abort(), patience);
    try {
      return await fetch(this.path(what), {
        ...init, signal: gone.signal, cache: "no-store", credentials: "same-origin", redirect: "error",
        headers: { Accept: "application/json", ...(init.body ? { "Content-Type": "application/json", "X-Bench": "1" } : {}) },
      });
    } finally {
      clearTimeout(timer);
    }
  }

  /** Tells what waits, in order; once at a time. Resolves when nothing waits or the server cannot be reached. */
  tell() {
    this.telling ??= this.tellAll().finally(() => (this.telling = null));
    return this.telling;
  }

  async tellAll() {
    for (;;) {
      const waiting = (await keep.waiting(this.session)).slice(0, most);
      if (waiting.length === 0) return true;
      let answer;
      try {
        answer = await this.call("events", {
          method: "POST", body: JSON.stringify({ sentAt: new Date().toISOString(), events: waiting.map((w) => w.event) }),
        });
      } catch {
        return this.down();
      }
      if (answer.status === 404 || answer.status === 401 || answer.status === 403) {
        this.onState({ isUp: false, isShut: true });
        return false;
      }
      if (!answer.ok) return this.down();
      const told = await answer.json();
      this.up();
      const settled = new Set([...told.kept, ...told.refused.map((r) => r.id)].map((id) => id.toLowerCase()));
      await keep.toldAll(waiting.filter((w) => settled.has(w.event.id)).map((w) => w.place));
      if (told.refused.length > 0) this.onState({ isUp: true, refused: told.refused });
      if (Math.abs(told.clockOff) > 60) this.onState({ isUp: true, clockOff: told.clockOff });
    }
  }

  async ask() {
    let answer;
    try {
      answer = await this.call(`news?after=${this.seq}`);
    } catch {
      return this.down();
    }
    if (answer.status === 404 || answer.status === 401 || answer.status === 403) {
      this.onState({ isUp: false, isShut: true });
      return false;
    }
    if (!answer.ok) return this.down();
    const news = await answer.json();
    [this.base, this.heardAt, this.speed] = [news.now - Date.now(), Date.now(), news.speed ?? 1];
    this.seq = Math.max(this.seq, news.seq);
    this.up();
    await this.onNews(news);
    return true;
  }

  up() {
    this.isUp = true;
    this.pause = 1000;
    this.lastHeard = Date.now();
    this.onState({ isUp: true });
  }

  down() {
    this.isUp = false;
    this.onState({ isUp: false });
    return false;
  }

  /** Listens for ever. */
  listen() {
    const open = () => {
      this.stream?.close();
      this.stream = new EventSource(this.path("stream"));
      this.stream.onmessage = (e) => {
        const stir = JSON.parse(e.data);
        this.lastHeard = Date.now();
        if (stir.readings) this.onReadings(stir.readings);
        if (!this.isUp || stir.seq > this.seq || stir.plan !== this.plan) this.catchUp();
      };
      this.stream.onerror = () => {
        this.down();
        this.stream.close();
        setTimeout(open, (this.pause = Math.min(this.pause * 1.6, 8000)));
      };
    };
    open();
    // A line can be dead without a word.
    setInterval(() => {
      if (Date.now() - this.lastHeard > 15000) {
        this.lastHeard = Date.now();
        open();
        this.catchUp();
      }
    }, 5000);
    addEventListener("online", () => {
      open();
      this.catchUp();
    });
    addEventListener("offline", () => this.down());
    document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && this.catchUp());
  }

  async catchUp() {
    if (await this.tell()) await this.ask();
  }
}
