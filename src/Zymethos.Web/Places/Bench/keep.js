// What this device keeps: sheet, news and events by session, and touches that wait to be told. Without IndexedDB it keeps them in memory.
const name = "zymethos-bench";
let opening = null;
const memory = { sessions: new Map(), waiting: new Map() };

function open() {
  opening ??= new Promise((done) => {
    if (!("indexedDB" in globalThis)) return done(null);
    const asked = indexedDB.open(name, 1);
    asked.onupgradeneeded = () => {
      asked.result.createObjectStore("sessions", { keyPath: "id" });
      asked.result.createObjectStore("waiting", { keyPath: "place", autoIncrement: true }).createIndex("session", "session");
    };
    asked.onsuccess = () => done(asked.result);
    asked.onerror = () => done(null);
    asked.onblocked = () => done(null);
  });
  return opening;
}

async function run(store, mode, what) {
  const db = await open();
  if (!db) return undefined;
  return new Promise((done, failed) => {
    const transaction = db.transaction(store, mode, { durability: "strict" });
    const asked = what(transaction.objectStore(store));
    transaction.oncomplete = () => done(asked?.result);
    transaction.onerror = () => failed(transaction.error);
    transaction.onabort = () => failed(transaction.error);
  });
}

export async function session(id) {
  return (await open()) ? run("sessions", "readonly", (s) => s.get(id)) : memory.sessions.get(id);
}

export async function keepSession(value) {
  if (await open()) await run("sessions", "readwrite", (s) => s.put(value));
  else memory.sessions.set(value.id, value);
}

/** Takes a day off this device; what waits to be told stays. */
export async function forget(id) {
  if (await open()) await run("sessions", "readwrite", (s) => s.delete(id));
  else memory.sessions.delete(id);
}

/** A touch that waits to be told; it is kept before anything else happens with it. */
export async function wait(session, event) {
  if (await open()) await run("waiting", "readwrite", (s) => s.add({ session, event }));
  else memory.waiting.set(event.id, { session, event, place: event.id });
}

export async function waiting(session) {
  if (await open()) return run("waiting", "readonly", (s) => s.index("session").getAll(session));
  return [...memory.waiting.values()].filter((w) => w.session === session);
}

export async function toldAll(places) {
  if (await open()) await run("waiting", "readwrite", (s) => places.map((p) => s.delete(p)).at(-1));
  else for (const p of places) memory.waiting.delete(p);
}

const setting = (key) => `bench.${key}`;
export function own(key, otherwise) {
  try {
    const text = localStorage.getItem(setting(key));
    return text === null ? otherwise : JSON.parse(text);
  } catch {
    return otherwise;
  }
}

export function keepOwn(key, value) {
  try {
    localStorage.setItem(setting(key), JSON.stringify(value));
  } catch {
    // A device that keeps nothing still works until it is reloaded.
  }
}
