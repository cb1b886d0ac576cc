// The oven's heat as it was beside the plan's: one drawing for each oven with a thermometer.
import { degrees, hour } from "./words.js";
import { h } from "./dom.js";

const [width, height, left, top, bottom] = [640, 190, 54, 12, 26];

const svg = (tag, attributes, ...children) => {
  const element = document.createElementNS("http://www.w3.org/2000/svg", tag);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
  element.append(...children);
  return element;
};

function one(bench, traces) {
  const all = [...traces.planned, ...traces.real];
  const [from, until] = [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[0]))];
  const most = Math.max(200, ...all.map((p) => p[1])) + 10;
  const x = (at) => left + ((at - from) / Math.max(1, until - from)) * (width - left - 8);
  const y = (celsius) => top + (1 - celsius / most) * (height - top - bottom);
  const path = (points) => points.map((p, i) => {
    // Where the thermometer was silent there is no line.
    const isGap = i === 0 || p[0] - points[i - 1][0] > 600000 && points === traces.real;
    return `${isGap ? "M" : "L"}${x(p[0]).toFixed(1)} ${y(p[1]).toFixed(1)}`;
  }).join("");
  const drawing = svg("svg", { viewBox: `0 0 ${width} ${height}`, class: "bench-trace", role: "img",
    "aria-label": "The heat of the oven as it was planned and as it was" });
  for (const c of [100, 150, 200, 250].filter((v) => v < most))
    drawing.append(svg("line", { x1: left, x2: width - 8, y1: y(c), y2: y(c), class: "grid" }),
      svg("text", { x: left - 6, y: y(c) + 5, "text-anchor": "end" }, degrees(c)));
  const step = 3600000 * Math.max(1, Math.ceil((until - from) / 3600000 / 6));
  for (let at = Math.ceil(from / step) * step; at < until; at += step)
    drawing.append(svg("text", { x: x(at), y: height - 8, "text-anchor": "middle" }, hour(at)));
  drawing.append(svg("path", { d: path(traces.planned), class: "planned" }), svg("path", { d: path(traces.real), class: "real" }));
  for (const d of bench.state.doors.filter((d) => d.oven === traces.oven && d.said.at >= from && d.said.at <= until))
    drawing.append(svg("line", { x1: x(d.said.at), x2: x(d.said.at), y1: top, y2: height - bottom, class: "door" }));
  const name = bench.sheet.ovens[traces.oven].name;
  return h("figure", { class: "bench-trace-figure" }, name ? h("figcaption", {}, name) : null, drawing,
    h("p", { class: "bench-text" }, h("span", { class: "key-planned" }), " as planned ", h("span", { class: "key-real" }), " as it was ",
      h("span", { class: "key-door" }), " door opened"));
}

export const tracePart = (bench) => {
  const traces = (bench.traces ?? []).filter((t) => t.real.length > 1);
  return traces.length === 0 ? null : h("details", { class: "bench-fold", "data-key": "traces" },
    h("summary", { "data-key": "traces-sum" }, "How the oven really went"), traces.map((t) => one(bench, t)));
};

/** Asks for the traces, where there is a thermometer; at most once a minute. */
export async function lookAtTraces(bench) {
  if (bench.devices.of("oven").length === 0 || bench.now - (bench.tracedAt ?? 0) < 60000) return;
  bench.tracedAt = bench.now;
  try {
    const answer = await bench.line.call("traces");
    if (answer.ok) bench.traces = await answer.json();
  } catch {
    // Without the server the last drawing stays.
  }
}
