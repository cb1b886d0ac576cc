// A question with one field, at the place where it is asked.
import { h } from "./dom.js";

/** Asks; the answer as text, or null when there is none. Steps are offered as touches: held back below zero, added above. */
export function ask(question, field, steps = []) {
  return new Promise((done) => {
    const input = h("input", { class: "form-control", required: true, inputmode: "decimal", id: "bench-answer", ...field });
    const dialog = h("dialog", { class: "bench-ask" }, h("form", { method: "dialog" }, h("label", { for: "bench-answer" }, question),
      input,
      steps.length === 0 ? null : h("div", { class: "bench-touches" }, steps.map((by) => h("button", { class: "touch", type: "button",
        on: { click: () => { input.value = String(Math.max(0, Math.round((Number(input.value) + by) * 10) / 10)); } } },
      by < 0 ? `${-by} g held back` : `${by} g added`))),
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

export async function askMore(bench, e) {
  const minutes = await ask(`How many minutes more for “${e.step.title}”?`, { type: "number", min: 1, max: 600, value: 15 });
  if (minutes) bench.tell("needsMore", e.step.id, { minutes: Number(minutes) });
}

// Grams of an egg without its shell by size (USDA FoodData, SR Legacy, household weights; from memory).
const eggs = [["small", 38], ["medium", 44], ["large", 50], ["extra large", 56], ["jumbo", 63]];

/** How many, and what one weighs: eggs by their size, cans by what stands on them. */
function askCounted(line) {
  return new Promise((done) => {
    const isEgg = /\begg/i.test(line.ingredient);
    const number = (id, label, value) => [h("label", { for: id }, label), h("input", { class: "form-control", id, type: "number",
      required: true, min: "0", max: "10000", step: "0.1", inputmode: "decimal", value: String(value) })];
    const each = number("bench-each", isEgg ? "Grams of one, without its shell" : `Grams of one, as it says on the ${line.unit || "pack"}`,
      Math.round(line.grams / line.count * 10) / 10);
    const sizes = isEgg ? h("div", { class: "bench-touches" }, eggs.map(([name, grams]) => h("button", { class: "touch", type: "button",
      on: { click: () => { each[1].value = String(grams); } } }, `${name}, ${grams} g`))) : null;
    const count = number("bench-count", `How many went in? (${line.ingredient})`, line.count);
    const dialog = h("dialog", { class: "bench-ask" }, h("form", { method: "dialog" }, count, sizes, each,
      h("div", { class: "bench-touches" }, h("button", { class: "touch main-touch", value: "yes" }, "Say so"),
        h("button", { class: "touch", value: "no", formnovalidate: true }, "Never mind"))));
    dialog.addEventListener("close", () => {
      done(dialog.returnValue === "yes" ? Number(count[1].value) * Number(each[1].value) : null);
      dialog.remove();
    });
    document.body.append(dialog);
    dialog.showModal();
    count[1].select();
  });
}

export async function askUsed(bench, bake, line) {
  if (line.count) {
    const counted = await askCounted(line);
    if (counted !== null) bench.tell("used", null, { number: bake, text: line.key || line.ingredient,
      value: Math.round(counted * 10) / 10 });
    return;
  }
  const used = bench.state.bakes[bake]?.used[line.key || line.ingredient];
  const grams = await ask(`How many grams of ${line.ingredient} really went in?`, { type: "number", min: 0, max: 100000, step: 0.1,
    value: used ?? line.grams ?? "" }, line.grams ? [-25, -10, 10, 25] : []);
  if (grams) bench.tell("used", null, { number: bake, text: line.key || line.ingredient, value: Number(grams) });
}

export async function askTime(bench, e) {
  const ago = await ask("How many minutes ago was it?", { type: "number", min: 0, max: 1000, value: Math.max(0,
    Math.round((bench.now - e.at) / 60000)) });
  if (ago !== null && ago !== "") bench.tell("corrected", null, { target: e.id,
    newAt: new Date(Date.now() - Number(ago) * 60000).toISOString() });
}
