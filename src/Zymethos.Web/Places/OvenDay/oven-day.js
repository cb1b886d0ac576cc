import "./drag.js";
import "./search.js";

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
