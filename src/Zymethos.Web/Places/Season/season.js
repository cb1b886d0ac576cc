import { paintWeek } from "./week.js";

// Long drawings open where today is.
for (const strip of document.querySelectorAll("[data-look]")) strip.scrollLeft = Number(strip.dataset.look);

for (const table of document.querySelectorAll("[data-week]")) paintWeek(table);
