// Adds only what the server cannot: every page works without any of this.

// Only what the server calls a page is put into one: words meant to be read never become part of it.
document.body.addEventListener("htmx:beforeSwap", (event) => {
  const type = event.detail.xhr.getResponseHeader("Content-Type") ?? "";
  if (event.detail.xhr.status !== 204 && !type.startsWith("text/html")) event.detail.shouldSwap = false;
});

// A rejected set-up must be seen, even when it stood folded away.
document.body.addEventListener("htmx:afterSettle", (event) => {
  const wrong = event.target.querySelector?.("[aria-invalid=true]");
  if (!wrong) return;
  wrong.closest("details")?.setAttribute("open", "");
  wrong.focus();
});

// A failed request says so where the answer would have stood.
const complain = (event) => {
  const said = document.getElementById("said");
  if (said) said.textContent = event.type === "htmx:sendError"
    ? "The server does not answer. What you typed is still here; try again in a moment."
    : event.detail.xhr?.status === 503 ? "Too many are planning, or the database does not answer. "
      + "What you typed is still here; try again in half a minute."
    : "That did not work. What you typed is still here; try again.";
};
document.body.addEventListener("htmx:sendError", complain);
document.body.addEventListener("htmx:responseError", complain);

document.addEventListener("click", (event) => {
  if (event.target instanceof Element && event.target.closest("[data-print]")) window.print();
});

// A device knows its time zone; the field can still be changed.
for (const field of document.querySelectorAll("[data-own-zone]"))
  if (!field.value) field.value = Intl.DateTimeFormat().resolvedOptions().timeZone ?? "";
