// A load or a pair of hands dragged along the trace is held at the hour where it is let go, in steps of five minutes. A finger
// holds still for a moment first, so that moving the drawing moves no step; before that it pushes the drawing along. By keyboard the same
// is typed in the panel.
const hold = 300;
const least = 8;
let drag = null;

const barOf = (target) => target.closest?.("svg[data-drag] .loads a, svg[data-drag] .hands a");

const take = () => {
  drag.taken = true;
  drag.link.classList.add("is-dragged");
};

const forget = () => {
  if (!drag) return;
  clearTimeout(drag.wait);
  drag.link.classList.remove("is-dragged");
  drag = null;
};

document.addEventListener("pointerdown", (event) => {
  const link = barOf(event.target);
  if (!link || event.button !== 0 || drag) return;
  const svg = link.closest("svg");
  drag = {
    link, svg, pointer: event.pointerId, x: event.clientX, minutes: 0, moved: false, taken: false,
    scale: svg.viewBox.baseVal.width / svg.getBoundingClientRect().width, strip: svg.closest(".trace-scroll"),
  };
  if (event.pointerType === "touch") drag.wait = setTimeout(take, hold);
  else drag.taken = true;
});

document.addEventListener("pointermove", (event) => {
  if (drag?.pointer !== event.pointerId) return;
  const by = event.clientX - drag.x;
  if (!drag.moved && Math.abs(by) < least) return;
  drag.moved = true;
  if (!drag.taken) {
    // The finger did not wait: it looks along the day.
    clearTimeout(drag.wait);
    if (drag.strip) drag.strip.scrollLeft -= by;
    drag.x = event.clientX;
    return;
  }
  drag.minutes = Math.round(by * drag.scale / Number(drag.svg.dataset.hour) * 12) * 5;
  drag.link.classList.add("is-dragged");
  drag.link.setAttribute("transform", `translate(${drag.minutes / 60 * Number(drag.svg.dataset.hour)} 0)`);
});

document.addEventListener("pointerup", (event) => {
  if (drag?.pointer !== event.pointerId) return;
  const { link, svg, minutes, moved, taken } = drag;
  forget();
  if (!moved) return;
  // The click that ends a drag opens nothing.
  link.addEventListener("click", (click) => { click.preventDefault(); click.stopImmediatePropagation(); }, { capture: true, once: true });
  if (!taken || minutes === 0) { link.removeAttribute("transform"); return; }
  // The moment itself goes along, whatever day it falls on; reckoned as if there were no time zones, since the kitchen's own time is meant.
  const at = new Date(Date.parse(`${link.dataset.start}:00Z`) + minutes * 60000).toISOString().slice(0, 16);
  const token = document.querySelector("input[name=__RequestVerificationToken]")?.value;
  htmx.ajax("POST", "/oven-day?handler=Hand", {
    target: "#planning", swap: "outerHTML", source: "#planning",
    values: { date: svg.dataset.date, Step: link.dataset.task, Do: "pin", Value: at,
        __RequestVerificationToken: token, seen: document.querySelector("#planning input[name=seen]")?.value ?? "" },
  });
});

// A finger that has waited moves a step: the browser may not push the drawing along with it. Styles alone (touch-action) do not reach what
// is inside a drawing, so that it would, and take the finger for itself.
document.addEventListener("touchmove", (event) => { if (drag?.taken && event.cancelable) event.preventDefault(); }, { passive: false });

// The device took the finger for something of its own, a scroll or a call: nothing was dragged.
document.addEventListener("pointercancel", (event) => {
  if (drag?.pointer !== event.pointerId) return;
  drag.link.removeAttribute("transform");
  forget();
});
document.addEventListener("contextmenu", (event) => { if (drag?.taken && barOf(event.target)) event.preventDefault(); });
document.addEventListener("dragstart", (event) => { if (event.target.closest?.("svg[data-drag] a")) event.preventDefault(); });
