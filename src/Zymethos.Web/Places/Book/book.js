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
    if (field.dataset.decides !== follow.dataset.by && field !== document.activeElement
      && follow.dataset[field.id] !== undefined) field.value = follow.dataset[field.id];
  }
  const slide = form.querySelector("[data-slides]");
  if (slide && document.activeElement !== slide) slide.value = follow.dataset.times;
  follow.remove();
});
