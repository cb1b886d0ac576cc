// Keeps the Bench's page and the shopping list's, scripts, styles and fonts for when there is no net. What a day holds and what was ticked
// is kept by the pages themselves, and what they tell and ask never comes from here.
const name = "bench-1";
const isOfTheDay = /\/(events|news|stream|offer|order|away)$/;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (e) => e.waitUntil((async () => {
  for (const key of await caches.keys()) if (key.startsWith("bench-") && key !== name) await caches.delete(key);
  await self.clients.claim();
})()));

async function keep(request, answer) {
  if (answer.ok && answer.type === "basic" && !answer.redirected) await (await caches.open(name)).put(request, answer.clone());
  return answer;
}

const soon = (promise, ms) => Promise.race([promise, new Promise((_, no) => setTimeout(() => no(new Error("too slow")), ms))]);

async function page(request) {
  try {
    return await soon(fetch(request).then((a) => keep(request, a)), 4000);
  } catch {
    return (await caches.match(request, { ignoreVary: true })) ?? Response.error();
  }
}

async function file(request) {
  const there = await caches.match(request, { ignoreVary: true });
  const fresh = fetch(request).then((a) => keep(request, a));
  if (!there) return fresh;
  fresh.catch(() => {});
  // What carries its version never changes; what does not is asked for first, as long as the server answers.
  if (new URL(request.url).searchParams.has("v")) return there;
  return soon(fresh, 4000).catch(() => there);
}

// What the page was made of before this worker was there.
self.addEventListener("message", (e) => {
  if (Array.isArray(e.data?.keep))
    e.waitUntil(Promise.allSettled(e.data.keep.filter((url) => new URL(url).origin === location.origin).map(async (url) => {
      if (!(await caches.match(url, { ignoreVary: true }))) await keep(new Request(url), await fetch(url,
        { credentials: "same-origin" }));
    })));
});

self.addEventListener("fetch", (e) => {
  const url = new URL(e.request.url);
  if (e.request.method !== "GET" || url.origin !== location.origin || isOfTheDay.test(url.pathname)
    || url.pathname.includes("/join/")) return;
  if (e.request.mode === "navigate") e.respondWith(page(e.request));
  else if (/^\/(places|lib|fonts)\//.test(url.pathname) || /\.(svg|webmanifest)$/.test(url.pathname)) e.respondWith(file(e.request));
});
