import type { Formula } from '../quantity/figure';

/* A pair of embossing rollers: the male stands up and presses the stock into the female. */

/**
 * How wide the female is cut for a male of a width: the stock lies on both flanks.
 *
 * `male + 2 × k × caliper`. Source: geometry; k 0.8 to 1.2, common practice, no source.
 * @example FEMALE_WIDTH.of({ maleMm: 0.8, caliperMm: 0.3, k: 1 }) // 1.4
 */
export const FEMALE_WIDTH: Formula<'maleMm' | 'caliperMm' | 'k'> = {
  id: 'form.femaleWidth',
  unit: 'mm.001',
  source: 'geometry',
  of: ({ maleMm, caliperMm, k }) => maleMm + 2 * k * caliperMm,
};
/**
 * How deep the tool is for a height on the stock, which springs back.
 *
 * `height / share that stays`. Source: 0.6 to 0.8 stays, common practice, no source; a try on the true stock wins.
 * @example EMBOSSING_DEPTH.of({ heightMm: 0.25, stays: 0.7 }) // 0.3571
 */
export const EMBOSSING_DEPTH: Formula<'heightMm' | 'stays'> = {
  id: 'form.embossingDepth',
  unit: 'mm.001',
  source: 'common practice, no source',
  of: ({ heightMm, stays }) => (stays > 0 ? heightMm / stays : 0),
};
/**
 * Area that is milled away: of the female its motifs, of the male the ground round them.
 *
 * `pads × width × height × share`, for the male the share that is no motif. Source: arithmetic.
 * @example MILLED_AREA.of({ motifs: 1, widthMm: 100, heightMm: 100, share: 1 }) // 100
 */
export const MILLED_AREA: Formula<'motifs' | 'widthMm' | 'heightMm' | 'share'> = {
  id: 'form.milledArea',
  unit: 'cm²',
  source: 'arithmetic',
  of: ({ motifs, widthMm, heightMm, share }) => (motifs * widthMm * heightMm * share) / 100,
};
