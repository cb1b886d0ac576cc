// When a dough is ready, by what is seen of it: how much faster or slower it has risen than the model of its dose says.

// The dough has risen when it has doubled (common practice, no source; the done test decides).
export const doubled = 2;

// How far a kitchen's rises lie from the model, and how well a height is read, as spreads of a logarithm (by judgement, no source).
const spreadOfKitchen = 0.25;
const spreadOfLook = 0.15;
const every = 5;

/** Minutes after which the model has a share of the rise; beyond its end at the pace of the whole. */
function minutesOf(shares, likely, share) {
  if (!shares || shares.length === 0) return share * likely;
  let before = 0;
  for (let i = 0; i < shares.length; i++) {
    if (shares[i] >= share) return every * (i + (shares[i] > before ? (share - before) / (shares[i] - before) : 1));
    before = shares[i];
  }
  return likely * Math.max(1, share);
}

/** When it is ready, with every height seen weighing as much as another, and the model as one that nobody has looked at yet. */
export function readyBySight(step, from, heights) {
  let [sum, weight] = [0, 1 / spreadOfKitchen ** 2];
  for (const { at, height } of heights) {
    const share = (height - 1) / (doubled - 1);
    const real = (at - from) / 60000;
    if (real < 3 || share <= 0.02) continue;
    const model = minutesOf(step.rise, step.likely, Math.min(share, 1.5));
    sum += Math.log(real / Math.max(1, model)) / spreadOfLook ** 2;
    weight += 1 / spreadOfLook ** 2;
  }
  return from + step.likely * 60000 * Math.exp(sum / weight);
}
