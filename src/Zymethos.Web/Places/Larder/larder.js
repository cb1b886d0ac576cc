import { keepPage } from "../Shared/without-net.js";

// Ticks of the shopping list. They count at once on this phone, are told when there is a net, in order and with the time at which they were
// made, and show what the other phone has ticked meanwhile.
const state = document.getElementById("tick-state");
if (state) {
  keepPage("/larder/shopping");
  const key = `zymethos-ticks-${state.dataset.kitchen}`;
  const address = state.dataset.ticks;
  const token = document.querySelector("input[name=__RequestVerificationToken]").value;
  const boxes = () => [...document.querySelectorAll("input[data-line]")];
  const waiting = () => JSON.parse(localStorage.getItem(key) || "[]");
  const keep = (ticks) => localStorage.setItem(key, JSON.stringify(ticks));
  let telling = false;

  const show = (lines) => {
    const untold = new Set(waiting().map((t) => t.line));
    const isIn = new Set(lines);
    for (const box of boxes()) if (!untold.has(box.dataset.line)) box.checked = isIn.has(box.dataset.line);
  };

  const tell = async () => {
    if (telling) return;
    telling = true;
    try {
      const ticks = waiting();
      const answer = ticks.length
        ? await fetch(address, {
            method: "POST",
            headers: { "Content-Type": "application/json", "X-Form-Token": token },
            body: JSON.stringify(ticks),
          })
        : await fetch(address, { headers: { Accept: "application/json" } });
      if (!answer.ok) throw new Error(String(answer.status));
      const lines = await answer.json();
      // What was ticked while this was on its way is still to be told.
      keep(waiting().slice(ticks.length));
      state.textContent = "";
      show(lines);
    } catch {
      const count = waiting().length;
      state.textContent = count
        ? `No net: ${count === 1 ? "one tick is" : `${count} ticks are`} kept on this phone and told later.`
        : "No net: what the other phone ticks is not shown.";
    } finally {
      telling = false;
    }
  };

  for (const tick of waiting()) {
    const box = boxes().find((b) => b.dataset.line === tick.line);
    if (box) box.checked = tick.in;
  }
  document.addEventListener("change", (e) => {
    if (!e.target.dataset?.line) return;
    keep([...waiting(), { line: e.target.dataset.line, in: e.target.checked, at: Date.now() }]);
    tell();
  });
  window.addEventListener("online", tell);
  setInterval(() => { if (!document.hidden) tell(); }, 4000);
  if (waiting().length) tell();
}

// The number under the bars, read by the phone's camera where its browser can; typing it always works.
const scan = document.getElementById("scan");
if (scan && "BarcodeDetector" in window && navigator.mediaDevices?.getUserMedia) {
  const [code, name, much, wrong] = ["s-code", "s-name", "s-much", "stock-wrong"].map((id) => document.getElementById(id));
  const [box, picture] = ["scanner", "scan-picture"].map((id) => document.getElementById(id));
  scan.hidden = false;
  let stream = null;

  const stop = () => {
    for (const track of stream?.getTracks() ?? []) track.stop();
    stream = null;
    box.hidden = true;
    scan.focus();
  };

  const found = async (value) => {
    stop();
    code.value = value;
    const answer = await fetch(`/larder?handler=Code&code=${encodeURIComponent(value)}`, { headers: { Accept: "application/json" } });
    if (!answer.ok) {
      wrong.textContent = "This package is new here: say what it is and how much, once.";
      name.focus();
      return;
    }
    const known = await answer.json();
    wrong.textContent = "";
    if (!name.value) name.value = known.name;
    if (!much.value) much.value = known.much;
    much.focus();
  };

  const look = async (detector) => {
    while (stream) {
      const codes = await detector.detect(picture).catch(() => []);
      if (codes.length) return found(codes[0].rawValue);
      await new Promise((next) => { setTimeout(next, 150); });
    }
  };

  scan.addEventListener("click", async () => {
    try {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
    } catch {
      wrong.textContent = "The camera may not be used here. Type the number under the bars.";
      code.focus();
      return;
    }
    box.hidden = false;
    picture.srcObject = stream;
    await picture.play().catch(() => {});
    look(new window.BarcodeDetector({ formats: ["ean_13", "ean_8", "upc_a", "itf"] }));
  });
  document.getElementById("scan-stop").addEventListener("click", stop);
}
