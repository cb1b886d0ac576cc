/**
 * Keeps the page that is open, and all that it is made of, so that it opens anew where there is no net.
 * @param {string} scope The path below which such pages lie.
 */
export function keepPage(scope) {
  const keep = async () => {
    if (!("serviceWorker" in navigator) || !isSecureContext) return;
    const { active, installing, waiting } = await navigator.serviceWorker.register("/bench-worker.js", { scope });
    const files = performance.getEntriesByType("resource").map((r) =>
      r.name).filter((n) => /\/(places|lib|fonts)\/|\.(svg|webmanifest)$/.test(new URL(n).pathname));
    (active ?? waiting ?? installing).postMessage({ keep: [location.href, ...new Set(files)] });
  };
  const start = () => keep().catch(() => {});
  if (document.readyState === "complete") start();
  else addEventListener("load", start);
}
