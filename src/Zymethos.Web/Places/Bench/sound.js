// Sounds of the Bench, made of sine waves on the spot, and the browser's own voice. A browser plays nothing before the first touch.
import * as keep from "./keep.js";

let context = null;

const tunes = {
  bell: { name: "Bell", notes: [[880, 0, 0.9], [1320, 0.02, 0.7], [1760, 0.04, 0.4]], wave: "sine" },
  wood: { name: "Wood block", notes: [[420, 0, 0.12], [420, 0.22, 0.12], [560, 0.44, 0.16]], wave: "triangle" },
  whistle: { name: "Kettle", notes: [[1900, 0, 0.35], [2150, 0.3, 0.5]], wave: "sine" },
  hum: { name: "Low hum", notes: [[196, 0, 0.5], [247, 0.45, 0.6]], wave: "sawtooth" },
};

export const names = Object.fromEntries(Object.entries(tunes).map(([key, tune]) => [key, tune.name]));

/** Whether the browser lets sounds through; it does after the first touch of the page. */
export const isAllowed = () => context?.state === "running";

export async function wake() {
  const Context = globalThis.AudioContext ?? globalThis.webkitAudioContext;
  if (!Context) return false;
  context ??= new Context();
  if (context.state !== "running") await Promise.race([context.resume(), new Promise((done) => setTimeout(done, 300))]);
  return context.state === "running";
}

export function play(which = keep.own("tune", "bell"), loud = keep.own("loud", 0.7)) {
  if (!isAllowed() || loud <= 0) return false;
  const tune = tunes[which] ?? tunes.bell;
  const begin = context.currentTime + 0.02;
  for (const [pitch, after, length] of tune.notes) {
    const [tone, gain] = [context.createOscillator(), context.createGain()];
    tone.type = tune.wave;
    tone.frequency.value = pitch;
    gain.gain.setValueAtTime(0.0001, begin + after);
    gain.gain.exponentialRampToValueAtTime(Math.max(0.001, loud * 0.6), begin + after + 0.015);
    gain.gain.exponentialRampToValueAtTime(0.0001, begin + after + length);
    tone.connect(gain).connect(context.destination);
    tone.start(begin + after);
    tone.stop(begin + after + length + 0.05);
  }
  return true;
}

export const shake = () => keep.own("shake", true) && navigator.userActivation?.hasBeenActive !== false && navigator.vibrate?.([250,
  120, 250]);

export const canSpeak = () => "speechSynthesis" in globalThis;

export function say(text) {
  if (!canSpeak()) return;
  speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = "en";
  speechSynthesis.speak(words);
}

let lock = null;
/** Keeps the screen awake while there is a clock; false where the browser will not. */
export async function stayAwake(wanted) {
  if (!("wakeLock" in navigator)) return false;
  try {
    if (wanted && !lock && document.visibilityState === "visible") {
      lock = await navigator.wakeLock.request("screen");
      lock.addEventListener("release", () => (lock = null));
    } else if (!wanted && lock) {
      await lock.release();
    }
    return true;
  } catch {
    return false;
  }
}
