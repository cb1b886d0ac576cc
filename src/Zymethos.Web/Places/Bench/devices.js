// What the kitchen's devices say now. Without any of them nothing here is shown.
import { degrees, hour } from "./words.js";
import { h } from "./dom.js";

// A device that has said nothing for so long is called silent; what it said is not shown as if it were so still.
const silentAfter = 90000;

export class Devices {
  constructor() {
    this.said = [];
  }

  /** Takes what the server says; whether it is worth drawing again. */
  take(readings) {
    const before = JSON.stringify(this.said.map((r) => [r.device, r.value, r.trouble]));
    this.said = readings;
    return before !== JSON.stringify(readings.map((r) => [r.device, r.value, r.trouble]));
  }

  of(kind, oven = null) {
    return this.said.filter((r) => r.kind === kind && (oven === null || r.oven === oven));
  }

  /** One that speaks and is believed; null where there is none. */
  fresh(kind, now, oven = null) {
    return this.of(kind, oven).find((r) => r.isBelieved && now - r.at < silentAfter) ?? null;
  }

  /** What has to be said of a device: what is wrong with it, or that it is silent. */
  trouble(r, now) {
    return now - r.at >= silentAfter ? `${r.title} has said nothing since ${hour(r.at)}.` : r.trouble ? `${r.title}: ${r.trouble}` : "";
  }
}

/** What an oven's thermometer says, and what is wrong with it. */
export function ovenReading(bench, oven) {
  const [r] = bench.devices.of("oven", oven);
  if (!r) return null;
  const trouble = bench.devices.trouble(r, bench.now);
  return h("p", { class: "bench-reading" },
    bench.now - r.at < silentAfter ? h("strong", {}, degrees(r.value)) : null,
    bench.now - r.at < silentAfter ? ` by ${r.title}` : null,
    trouble ? h("span", { class: "bench-stay" }, ` ${trouble}`) : null);
}

/** How warm the kitchen is, and what else is wrong with devices that no oven shows. */
export function roomReading(bench) {
  const room = bench.devices.fresh("room", bench.now);
  const troubles = bench.devices.said.filter((r) => r.kind !== "oven").map((r) => bench.devices.trouble(r, bench.now))
    .filter((t) => t);
  return room || troubles.length > 0 ? h("div", { class: "bench-reading" },
    room ? h("p", { class: "bench-text" }, "The kitchen: ", h("strong", {}, degrees(room.value))) : null,
    troubles.map((t) => h("p", { class: "bench-stay" }, t))) : null;
}

/** The probe beside a step that is done by its warmth. */
export function probePart(bench, e, button) {
  const { target } = e.step;
  const [probe] = bench.devices.of("core");
  if (target === null || target === undefined || !probe) return null;
  const isIn = bench.state.probes[probe.device]?.step === e.step.id;
  const trouble = bench.devices.trouble(probe, bench.now);
  return h("div", { class: "bench-probe" },
    isIn ? h("p", {}, h("strong", {}, degrees(probe.value)), ` of ${degrees(target)} in the middle`,
      h("progress", { max: "100", value: String(Math.round(Math.max(0, Math.min(1, (probe.value - 15) / (target - 15))) * 100)),
        "aria-label": "Warmth in the middle" }))
      : button(`probe-${e.step.id}`, `${probe.title} is in it`, () => bench.tell("probeIn", e.step.id, { text: probe.device })),
    isIn && trouble ? h("p", { class: "bench-stay" }, trouble) : null);
}
