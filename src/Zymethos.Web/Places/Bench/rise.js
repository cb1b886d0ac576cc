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

// Baker's yeast by the warmth of its dough, as a share of its fastest; as on the server (YeastRate): the cardinal temperature model with
// inflection (Rosso and others, J. Theor. Biol. 162, 1993).
const [least, best, hottest] = [1, 33, 45];
export function yeastRate(celsius) {
  if (celsius <= least || celsius >= hottest) return 0;
  return ((celsius - hottest) * (celsius - least) ** 2)
    / ((best - least) * ((best - least) * (celsius - best) - (best - hottest) * (best + least - 2 * celsius)));
}

/** How warm the room is by what is seen of a rise in it: at that warmth the model would have it ready then. Null where none fits. */
export function roomBySight(step, from, heights, room) {
  const pace = (step.likely * 60000) / (readyBySight(step, from, heights) - from);
  const wanted = yeastRate(room) * pace;
  let [low, high] = [5, best];
  if (wanted <= yeastRate(low) || wanted >= yeastRate(high)) return null;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (yeastRate(middle) < wanted) low = middle;
    else high = middle;
  }
  return Math.round(low * 2) / 2;
}
