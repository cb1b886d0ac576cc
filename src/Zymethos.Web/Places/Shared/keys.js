// One letter each where no field has the keyboard, a list of them under "?", and a way to turn them off: some who speak to their computer
// send letters without meaning to (WCAG 2.1.4). The Bench has keys of its own.
const off = "zymethos.keys.off";
const isOff = () => localStorage.getItem(off) === "1";
const ways = () => [...document.querySelectorAll("[data-key]")].filter((e) => e.dataset.key.length === 1);

const element = (name, attributes = {}, ...inside) => {
  const made = document.createElement(name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
  made.append(...inside);
  return made;
};

function show() {
  const toggle = element("button", { class: "btn btn-plain", type: "button" },
    isOff() ? "Use the letters again" : "Turn the letters off");
  toggle.addEventListener("click", () => {
    localStorage.setItem(off, isOff() ? "0" : "1");
    dialog.close();
  });
  const list = element("dl", { class: "key-list" });
  for (const way of ways())
    list.append(element("dt", {}, way.dataset.key), element("dd", {}, way.dataset.keySays ?? way.textContent.trim()));
  for (const [key, says] of [["/", "the page's search or first field"], ["?", "this list"], ["Tab", "the next thing on the page"],
    ["Enter", "what has the frame around it"], ["Esc", "away with a list or a question"]])
    list.append(element("dt", {}, key), element("dd", {}, says));
  const dialog = element("dialog", { class: "keys", "aria-labelledby": "keys-head" },
    element("h2", { id: "keys-head" }, "Keys"), list,
    element("p", {}, element("a", { href: "/help" }, "Help"), " · ", element("a", { href: "/words" }, "Words")),
    element("form", { method: "dialog", class: "key-ends" }, toggle, element("button", { class: "btn btn-crust" }, "Close")));
  dialog.addEventListener("close", () => dialog.remove());
  document.body.append(dialog);
  dialog.showModal();
}

document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.altKey || event.metaKey || event.isComposing || event.defaultPrevented) return;
  if (!(event.target instanceof Element) || event.target.closest("input, select, textarea, [contenteditable], dialog")) return;
  if (event.key === "?") {
    event.preventDefault();
    show();
    return;
  }
  if (isOff()) return;
  if (event.key === "/") {
    const field = document.querySelector("main [role=search] input:not([type=hidden]), main input[type=search], main input[type=text], "
      + "main textarea");
    if (!field) return;
    event.preventDefault();
    field.focus();
    return;
  }
  const way = ways().find((w) => w.dataset.key === event.key);
  // A drawing that is touched may have letters of its own.
  if (!way || event.target.closest("[data-own-keys]")) return;
  event.preventDefault();
  way.click();
});

for (const door of document.querySelectorAll("[data-keys-door]")) door.addEventListener("click", show);
