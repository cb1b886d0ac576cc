// A long search tells how it goes; each better plan is drawn, and when it ends the day is shown as it stands. The
// browser asks again by itself when the line breaks.
let heard = null;
const listen = () => {
  const search = document.querySelector("[data-search]");
  if (heard && heard.url.endsWith(search?.dataset.search ?? " ")) return;
  heard?.close();
  heard = null;
  if (!search) return;
  heard = new EventSource(search.dataset.search);
  heard.onmessage = (event) => {
    const news = JSON.parse(event.data);
    search.querySelector("[data-words]").textContent = news.words;
    search.querySelector("progress").value = news.share;
    if (String(news.found) !== search.dataset.found) {
      search.dataset.found = news.found;
      htmx.ajax("GET", search.dataset.best, { target: search.querySelector("[data-drawn]"), swap: "innerHTML" });
    }
    if (news.state !== "waiting" && news.state !== "running") {
      heard?.close();
      htmx.ajax("GET", search.dataset.again, { target: "#planning", swap: "outerHTML" });
    }
  };
};
document.addEventListener("DOMContentLoaded", listen);
document.body.addEventListener("htmx:afterSettle", listen);
listen();
