// A question with one field, at the place where it is asked.
import { h } from "./dom.js";

/** Asks; the answer as text, or null when there is none. */
export function ask(question, field) {
  return new Promise((done) => {
    const input = h("input", { class: "form-control", required: true, inputmode: "decimal", id: "bench-answer", ...field });
    const dialog = h("dialog", { class: "bench-ask" }, h("form", { method: "dialog" }, h("label", { for: "bench-answer" }, question), input,
      h("div", { class: "bench-touches" }, h("button", { class: "touch main-touch", value: "yes" }, "Say so"),
        h("button", { class: "touch", value: "no", formnovalidate: true }, "Never mind"))));
    dialog.addEventListener("close", () => {
      done(dialog.returnValue === "yes" ? input.value : null);
      dialog.remove();
    });
    document.body.append(dialog);
    dialog.showModal();
    input.select();
  });
}
