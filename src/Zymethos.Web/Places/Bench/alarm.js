// Every second: clocks run, and what rings stays loud on every device until somebody answers.
import * as keep from "./keep.js";
import * as sound from "./sound.js";
import { clocks } from "./day.js";
import { running } from "./words.js";

const alarmEvery = 4000;

export function tick(bench) {
  const minute = Math.floor(bench.now / 60000);
  const rings = bench.clocks.filter((c) => c.rings).map((c) => c.step.id).join();
  if (minute !== bench.minute || bench.all && ringsNow(bench) !== rings) {
    bench.minute = minute;
    bench.draw();
    if (bench.line.isUp && bench.rest && bench.now - bench.rest.at > 90000) bench.line.ask();
  } else {
    bench.fill();
  }
  sound.stayAwake(keep.own("awake", true) && bench.clocks.length > 0);
  ring(bench);
}

const ringsNow = (bench) => clocks(bench.all, bench.now).filter((c) => c.rings).map((c) => c.step.id).join();

function ring(bench) {
  const ringing = bench.clocks.filter((c) => c.rings);
  document.title = ringing.length > 0 ? `! ${ringing[0].step.title} · Bench`
    : `${bench.clocks[0] ? `${running(bench.clocks[0].moment.at - bench.now)} ` : ""}Bench`;
  if (ringing.length === 0 || bench.isAway) {
    bench.spokenFor = "";
    return;
  }
  const words = ringing.map((c) =>
    `${c.bake.name}, ${c.isLook ? "first look, " : ""}${c.step.title}. ${c.isLook ? "" : c.step.lost}`).join(" ");
  if (bench.spokenFor !== words) {
    bench.spokenFor = words;
    bench.parts.loud.replaceChildren(words);
    if (keep.own("voice", false)) setTimeout(() => sound.say(words), 1200);
  }
  if (Date.now() - bench.rang < alarmEvery) return;
  bench.rang = Date.now();
  sound.play();
  sound.shake();
}

export function tryOut() {
  sound.wake().then((isOn) => isOn && sound.play());
}

export function deviceWords() {
  const missing = [];
  if (!isSecureContext)
    missing.push("keep the day for when the server is away, and the screen awake (open Zymethos over HTTPS for that: ./start --lan)");
  else if (!("wakeLock" in navigator)) missing.push("keep the screen awake");
  if (!navigator.vibrate) missing.push("shake");
  return missing.length === 0 ? "This device can ring, shake, stay awake and work without the server."
    : `This device cannot ${missing.join(", or ")}.`;
}
