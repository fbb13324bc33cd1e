/* What a search feels of the work that waits for a piece, without laying it. */

/** Two kinds of slack that differ by no more are felt as one, s. House rule. */
const ALIKE_S = 900;

/** By how much something may end later before that costs anything, s; what a second more costs then. */
export interface Felt {
  slackS: number;
  worth: number;
}
/** Nothing waits. */
export function reset(felt: Felt): void {
  felt.slackS = Infinity;
  felt.worth = 0;
}
/** Adds what costs so much a second once it is so much later. What waits for a piece alone adds up; what waits for another as well is counted there too: of those the dearest. */
export function meet(felt: Felt, slackS: number, worth: number, isAlone: boolean): void {
  if (worth <= 0) return;
  if (slackS < felt.slackS - ALIKE_S) {
    felt.slackS = slackS;
    felt.worth = worth;
  } else if (slackS <= felt.slackS + ALIKE_S) {
    felt.slackS = Math.min(slackS, felt.slackS);
    felt.worth = isAlone ? felt.worth + worth : Math.max(felt.worth, worth);
  }
}
/**
 * What it is thought to cost when a piece ends so many seconds later; below 0 what it saves when it ends sooner.
 * @example feltBy({ slackS: 600, worth: 0.5 }, 1_000) // 200
 */
export const feltBy = ({ slackS, worth }: Felt, byS: number): number =>
  (byS > 0 ? Math.max(0, byS - slackS) : slackS <= 0 ? byS : 0) * worth;
