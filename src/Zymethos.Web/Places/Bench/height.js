// How high a dough stands: by eye, by the marks of a jar, or by three touches on a picture of it.
import { h } from "./dom.js";

const most = 5;

/** How many times as high as when it began, from where it stands on a scale; null where that cannot be. */
export function timesHigher(base, began, now) {
  const [before, after] = [began - base, now - base];
  if (![base, began, now].every(Number.isFinite) || Math.abs(before) < 1e-9 || before * after <= 0) return null;
  const times = after / before;
  return times > most || times < 0.2 ? null : Math.round(times * 100) / 100;
}

const field = (id, label, attributes) => [h("label", { for: id }, label), h("input", { class: "form-control", id, type: "number", min: "0",
  max: "100000", step: "0.01", inputmode: "decimal", ...attributes })];

/** Three touches on a picture: where the jar's floor is, where the dough stood, where it stands. */
function onPicture(done) {
  const marks = [];
  const names = ["the floor of the jar", "where the dough stood at the beginning", "where it stands now"];
  const say = h("p", { role: "status" }, `Touch ${names[0]}.`);
  const canvas = h("canvas", { class: "bench-marks", width: "320", height: "10" });
  let picture = null;
  const draw = () => {
    const pen = canvas.getContext("2d");
    if (picture) pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
    pen.lineWidth = 3;
    for (const y of marks) {
      pen.strokeStyle = "#fff";
      pen.strokeRect(-5, y - 1, canvas.width + 10, 3);
      pen.strokeStyle = "#000";
      pen.strokeRect(-5, y, canvas.width + 10, 1);
    }
  };
  canvas.addEventListener("click", (e) => {
    if (!picture) return;
    if (marks.length === 3) marks.length = 0;
    const box = canvas.getBoundingClientRect();
    marks.push((e.clientY - box.top) / box.height * canvas.height);
    draw();
    if (marks.length < 3) {
      say.textContent = `Touch ${names[marks.length]}.`;
      return;
    }
    const times = timesHigher(...marks);
    say.textContent = times === null ? "Those three do not fit; touch them again, the floor first." : `${times} times as high.`;
    if (times !== null) done(times);
  });
  const file = h("input", { class: "form-control", type: "file", accept: "image/*", capture: "environment", id: "bench-jar" });
  file.addEventListener("change", async () => {
    try {
      picture = await createImageBitmap(file.files[0], { imageOrientation: "from-image" });
      const scale = Math.min(1, 640 / Math.max(picture.width, picture.height));
      [canvas.width, canvas.height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
      marks.length = 0;
      draw();
    } catch {
      say.textContent = "That is no picture that can be shown here.";
    }
  });
  return h("details", { class: "bench-fold" }, h("summary", {}, "By three touches on a picture"), h("label", { for: "bench-jar" },
    "A picture from the side"), file, say, canvas);
}

/** Asks how high it stands, and tells it. */
export function askHeight(bench, e) {
  const key = `${bench.session} ${e.step.id}`;
  const kept = bench.jars?.[key];
  const [label, times] = field("bench-answer", "How many times as high as when it began?", { max: String(most), step: "0.05", value: "1.5",
    required: true });
  const [beganLabel, began] = field("bench-began", "Mark at the beginning", { value: kept ?? "" });
  const [nowLabel, now] = field("bench-now", "Mark now", {});
  const reckon = () => {
    const value = timesHigher(0, Number(began.value), Number(now.value));
    if (began.value && now.value && value !== null) times.value = String(value);
  };
  for (const input of [began, now]) input.addEventListener("input", reckon);
  const dialog = h("dialog", { class: "bench-ask" }, h("form", { method: "dialog" }, label, times,
    h("details", { class: "bench-fold", open: kept !== undefined }, h("summary", {}, "By the marks of a jar"), beganLabel, began, nowLabel,
      now),
    onPicture((value) => { times.value = String(value); }),
    h("div", { class: "bench-touches" }, h("button", { class: "touch main-touch", value: "yes" }, "Say so"),
      h("button", { class: "touch", value: "no", formnovalidate: true }, "Never mind"))));
  dialog.addEventListener("close", () => {
    if (dialog.returnValue === "yes" && times.value) {
      bench.jars = { ...bench.jars, ...(began.value ? { [key]: began.value } : {}) };
      bench.tell("height", e.step.id, { value: Number(times.value) });
    }
    dialog.remove();
  });
  document.body.append(dialog);
  dialog.showModal();
  times.select();
}
