/** A number of states as one reads it; a power of ten where its digits say nothing. */
export function countWords(states: number): string {
  return states < 1e15 ? states.toLocaleString('en').replace(/,/g, ' ') : `about 10^${Math.round(Math.log10(states))}`;
}
