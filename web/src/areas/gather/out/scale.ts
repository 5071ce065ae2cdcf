/** Reading is what a scale shows: it swings, and then it stands. */
export interface Reading {
  grams: number;
  steady: boolean;
}

const tickMs = 160;
const ticks = 9;

/**
 * readScale is a stand-in for a kitchen scale: it weighs nothing real. It swings towards about what was to be
 * picked and stands still, as a scale does on which a basket is set down, and tells each reading. It needs no
 * network. It returns how to stop it.
 */
export function readScale(about: number, tell: (reading: Reading) => void): () => void {
  const true_ = Math.max(1, Math.round(about * (0.9 + 0.2 * Math.random())));
  let tick = 0;
  const timer = window.setInterval(() => {
    tick++;
    const swing = Math.exp(-tick / 2.5) * Math.cos(tick * 1.7);
    const steady = tick >= ticks;
    tell({ grams: steady ? true_ : Math.max(0, Math.round(true_ * (1 + 0.5 * swing))), steady });
    if (steady) window.clearInterval(timer);
  }, tickMs);
  return () => window.clearInterval(timer);
}
