// An outline traced with a finger or a pen: one line, closed when the finger is lifted.
const room = document.getElementById("trace");
if (room) {
  const line = room.querySelector("path");
  const kept = document.getElementById("Traced");
  let points = null;
  document.getElementById("tracing").hidden = false;

  const at = (e) => {
    const box = room.getBoundingClientRect();
    return [((e.clientX - box.left) * 320) / box.width, ((e.clientY - box.top) * 320) / box.height].map((n) => n.toFixed(1));
  };
  const show = (end) => {
    const path = points?.length ? `M${points.map((p) => p.join(" ")).join("L")}${end}` : "";
    line.setAttribute("d", path);
    return path;
  };

  room.addEventListener("pointerdown", (e) => {
    room.setPointerCapture(e.pointerId);
    points = [at(e)];
  });
  room.addEventListener("pointermove", (e) => {
    if (!points || !room.hasPointerCapture(e.pointerId) || points.length > 2500) return;
    const [x, y] = at(e);
    const [lastX, lastY] = points.at(-1);
    if (Math.hypot(x - lastX, y - lastY) < 1.5) return;
    points.push([x, y]);
    show("");
  });
  room.addEventListener("pointerup", () => { kept.value = points?.length > 2 ? show("Z") : ""; });
  document.getElementById("trace-clear").addEventListener("click", () => {
    points = null;
    kept.value = show("");
  });
}
