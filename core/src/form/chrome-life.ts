/** White and metallic inks wear chrome twice as fast. Common practice, no source. */
const ROUGH = /white|gold|silver|bronze|metallic/i;
const ROUGH_SHARE = 0.5;

/**
 * Turns that the chrome of a cylinder lasts: as the works says, half of it under white and metallic inks. Source: common practice, no source.
 * @param turns of other inks
 * @example chromeLife(2_000_000, 'gold') // 1000000
 */
export const chromeLife = (turns: number, ink: string): number => turns * (ROUGH.test(ink) ? ROUGH_SHARE : 1);
