// Pictures of what came of a bake: made smaller on this device, so that they go quickly and without the place they were taken at, and
// drawn anew by the server whatever comes.
import { h } from "./dom.js";

const longest = 1600;
const mostBytes = 10000000;

/** A picture no larger than a screen; the file itself where the browser cannot draw it. */
async function smaller(file) {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
    const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
    const canvas = h("canvas", { width: String(Math.round(picture.width * scale)), height: String(Math.round(picture.height * scale)) });
    canvas.getContext("2d").drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await new Promise((done) => canvas.toBlob((blob) => done(blob ?? file), "image/jpeg", 0.86));
  } catch {
    return file;
  }
}

async function send(bench, bake, file, field) {
  const id = crypto.randomUUID();
  const blob = await smaller(file);
  const say = (words) => { bench.photoSaid = { bake, words }; field.value = ""; field.blur(); bench.draw(); };
  if (blob.size > mostBytes) return say("A picture is at most 10 MB.");
  say("Sending the picture …");
  try {
    const answer = await fetch(`/bench/${bench.session}/photos/${id}`, { method: "PUT", body: blob, headers: { "X-Bench": "1" },
      credentials: "same-origin" });
    if (answer.ok) {
      say("");
      return bench.tell("photo", null, { number: bake, text: id });
    }
    const problem = await answer.json().catch(() => ({}));
    return say(problem.detail ?? "The picture was not taken. Try it again.");
  } catch {
    return say("Zymethos cannot be reached. Take the picture again when it is back.");
  }
}

export function photoPart(bench, bake, photos) {
  const said = bench.photoSaid?.bake === bake ? bench.photoSaid.words : "";
  return h("div", { class: "bench-photos" },
    photos.map((id, i) => h("a", { href: `/bench/${bench.session}/photos/${id}`, target: "_blank", rel: "noopener" },
      h("img", { src: `/bench/${bench.session}/photos/${id}`, alt: `Picture ${i + 1} of ${bench.sheet.bakes[bake].name}`,
        loading: "lazy" }))),
    h("label", { class: "bench-line" }, "A picture", h("input", { class: "form-control", type: "file",
      accept: "image/jpeg,image/png,image/webp", capture: "environment", "data-key": `photo-${bake}`,
      on: { change: (x) => x.target.files[0] && send(bench, bake, x.target.files[0], x.target) } })),
    said ? h("p", { class: "bench-stay", role: "status" }, said) : null);
}
