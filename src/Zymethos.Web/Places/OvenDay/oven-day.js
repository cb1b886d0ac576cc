import "./drag.js";
import "./search.js";
import "./setup.js";

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

// The run sheet of one person; the oven's dial is everybody's.
document.addEventListener("click", (event) => {
  const chosen = event.target.closest?.("[data-person]");
  if (!chosen) return;
  for (const button of chosen.parentElement.querySelectorAll("[data-person]")) {
    button.classList.toggle("is-taken", button === chosen);
    button.setAttribute("aria-pressed", String(button === chosen));
  }
  for (const row of chosen.closest(".sheet").querySelectorAll("tbody tr")) {
    const who = row.dataset.who ?? "";
    row.hidden = chosen.dataset.person !== "" && who !== "" && !who.split("|").includes(chosen.dataset.person);
  }
});
