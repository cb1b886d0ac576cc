// Adds only what the server cannot: the page works without any of this.
(() => {
  "use strict";

  // Touching a step in the drawing or the list shows its reasons; on a narrow page the panel may be far away, so it is brought into view.
  document.body.addEventListener("htmx:afterSwap", (event) => {
    if (event.target.id !== "why") return;
    const panel = event.target;
    const box = panel.getBoundingClientRect();
    if (box.bottom < 120 || box.top > window.innerHeight - 120) {
      panel.scrollIntoView({ block: "start", behavior: matchMedia("(prefers-reduced-motion: reduce)").matches ? "auto" : "smooth" });
    }
    const step = panel.querySelector("[data-step]")?.getAttribute("data-step");
    for (const chosen of document.querySelectorAll(".is-chosen")) chosen.classList.remove("is-chosen");
    if (step) {
      for (const match of document.querySelectorAll(`[data-task="${CSS.escape(step)}"]`)) match.classList.add("is-chosen");
    }
  });

  // A rejected set-up must be seen, even when it stood folded away.
  document.body.addEventListener("htmx:afterSettle", (event) => {
    const wrong = event.target.querySelector?.("[aria-invalid=true]");
    if (!wrong) return;
    wrong.closest("details")?.setAttribute("open", "");
    wrong.focus();
  });

  // Scaling: the field that is touched decides, the slider writes into the first one, and the others follow the sheet.
  const decide = (event) => {
    const form = event.target.closest?.("[data-scale]");
    if (!form) return;
    let field = event.target;
    if (field.dataset.slides) {
      const times = form.querySelector(`#${field.dataset.slides}`);
      times.value = field.value;
      field = times;
    }
    const decides = field.dataset.decides;
    if (decides) form.querySelector(`input[name="Form.By"][value="${decides}"]`).checked = true;
  };
  document.addEventListener("input", decide, true);
  document.addEventListener("change", decide, true);
  document.body.addEventListener("htmx:afterSettle", () => {
    const follow = document.querySelector("[data-follow]");
    const form = document.querySelector("[data-scale]");
    if (!follow || !form) return;
    // An answer to what was touched before may come after another field was: it no longer decides anything.
    if (form.querySelector('input[name="Form.By"]:checked')?.value !== follow.dataset.by) { follow.remove(); return; }
    for (const field of form.querySelectorAll("[data-decides]")) {
      if (field.dataset.decides !== follow.dataset.by && field !== document.activeElement && follow.dataset[field.id] !== undefined) field.value = follow.dataset[field.id];
    }
    const slide = form.querySelector("[data-slides]");
    if (slide && document.activeElement !== slide) slide.value = follow.dataset.times;
    follow.remove();
  });

  // A long search tells how it goes; each better plan is drawn, and when it ends the day is shown as it stands. The browser asks again by itself when the line breaks.
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

  // A load or a pair of hands dragged along the trace is held at the hour where it is let go, in steps of five minutes. By keyboard the same is typed in the panel.
  let drag = null;
  document.addEventListener("pointerdown", (event) => {
    const link = event.target.closest?.("svg[data-drag] .loads a, svg[data-drag] .hands a");
    if (!link || event.button !== 0) return;
    const svg = link.closest("svg");
    drag = { link, svg, x: event.clientX, scale: svg.viewBox.baseVal.width / svg.getBoundingClientRect().width, moved: false, minutes: 0 };
  });
  document.addEventListener("pointermove", (event) => {
    if (!drag) return;
    const by = (event.clientX - drag.x) * drag.scale;
    if (!drag.moved && Math.abs(by) < 8) return;
    drag.moved = true;
    drag.minutes = Math.round(by / Number(drag.svg.dataset.hour) * 12) * 5;
    drag.link.classList.add("is-dragged");
    drag.link.setAttribute("transform", `translate(${drag.minutes / 60 * Number(drag.svg.dataset.hour)} 0)`);
  });
  document.addEventListener("pointerup", () => {
    if (!drag?.moved) { drag = null; return; }
    const { link, svg, minutes } = drag;
    drag = null;
    link.classList.remove("is-dragged");
    // The click that ends a drag opens nothing.
    link.addEventListener("click", (event) => { event.preventDefault(); event.stopImmediatePropagation(); }, { capture: true, once: true });
    if (minutes === 0) { link.removeAttribute("transform"); return; }
    const [hour, minute] = link.dataset.start.split(":").map(Number);
    const at = ((hour * 60 + minute + minutes) % 1440 + 1440) % 1440;
    const pad = (n) => String(n).padStart(2, "0");
    const token = document.querySelector("input[name=__RequestVerificationToken]")?.value;
    htmx.ajax("POST", "/oven-day?handler=Hand", {
      target: "#planning", swap: "outerHTML", source: "#planning",
      values: { date: svg.dataset.date, Step: link.dataset.task, Do: "pin", Value: `${pad(Math.floor(at / 60))}:${pad(at % 60)}`, __RequestVerificationToken: token },
    });
  });
  document.addEventListener("dragstart", (event) => { if (event.target.closest?.("svg[data-drag] a")) event.preventDefault(); });

  // Long drawings open where today is.
  for (const strip of document.querySelectorAll("[data-look]")) strip.scrollLeft = Number(strip.dataset.look);

  // A failed request says so where the answer would have stood.
  const complain = (event) => {
    const said = document.getElementById("said");
    if (said) said.textContent = event.type === "htmx:sendError"
      ? "The server does not answer. What you typed is still here; try again in a moment."
      : "That did not work. What you typed is still here; try again.";
  };
  document.body.addEventListener("htmx:sendError", complain);
  document.body.addEventListener("htmx:responseError", complain);

  document.addEventListener("click", (event) => {
    if (event.target instanceof Element && event.target.closest("[data-print]")) window.print();
  });
})();
