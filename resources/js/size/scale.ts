/** From one ampere to twenty thousand, by tenfold: where an ampere stands on the ruler, in hundredths of its width. */
const MOST_A = 20000;

export const TICKS = [1, 10, 15, 30, 100, 200, 400, 1000, 5000, 20000];

export function at(amps: number): number {
  return (Math.log10(Math.min(MOST_A, Math.max(1, amps))) / Math.log10(MOST_A)) * 100;
}

/** Amps as they stand on the ruler. */
export function short(amps: number): string {
  return amps >= 1000
    ? `${(amps / 1000).toFixed(amps >= 10000 ? 0 : 1).replace(/\.0$/, '')} kA`
    : `${Math.round(amps * 10) / 10}`;
}
