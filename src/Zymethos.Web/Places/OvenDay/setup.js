// Putting a day together: pieces and batches follow each other, and the Enter key does what the field is for.

document.addEventListener("input", event => {
  const field = event.target;
  const row = field.closest?.("tr[data-yield]");
  if (!row) return;
  const of = Number(row.dataset.yield) || 1;
  const number = Number(field.value.trim());
  const pieces = row.querySelector("[data-pieces]");
  const batches = row.querySelector("[data-batches]");
  const was = row.querySelector("input[type=hidden]");
  if (!Number.isInteger(number) || number < 1) return;
  if (field === pieces) {
    batches.value = Math.ceil((number / of) - 1e-9);
    was.value = batches.value;
  } else if (field === batches) {
    pieces.value = Math.floor((number * of) + 1e-9);
  }
});

document.addEventListener("keydown", event => {
  const field = event.target;
  if (event.key !== "Enter" || !(field instanceof HTMLInputElement)) return;
  const setup = field.closest("[data-setup]");
  if (!setup) return;
  event.preventDefault();
  if (field.id === "setup-find") setup.querySelector(".setup-find")?.click();
  else setup.querySelector("#plan-button")?.click();
});

// From the search down into what was found and back.
document.addEventListener("keydown", event => {
  if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
  const pick = event.target.closest?.(".setup-pick");
  if (!pick) return;
  const stops = [pick.querySelector("#setup-find"), ...pick.querySelectorAll(".setup-find")];
  const at = stops.indexOf(event.target);
  const next = stops[at + (event.key === "ArrowDown" ? 1 : -1)];
  if (at < 0 || !next) return;
  event.preventDefault();
  next.focus();
});
