import { pseudo, PSEUDO_MARKS } from './pseudo-words';

const marked = (text: string): boolean => text.startsWith(PSEUDO_MARKS[0]) && text.endsWith(PSEUDO_MARKS[1]);

describe('a language that does not exist', () => {
  test.each([
    ['accents and marks', 'Orders', '⟦Órdérs··⟧'],
    ['keeps what is to be filled in', '{0} of {1}', '⟦{0} óf {1}····⟧'],
    ['leaves nothing alone', '', ''],
  ])('%s', (_name, text, spoken) => {
    expect(pseudo(text)).toBe(spoken);
  });
  it('is a third longer, as translations often are', () => {
    for (const text of ['Undo', 'Compare stocks and presses', 'x'.repeat(90)])
      expect(pseudo(text).length - 2).toBeGreaterThanOrEqual(Math.ceil((text.length * 4) / 3));
  });
  it('reaches sentences, findings, remedies, formulas, units and the words of families', () => {
    jest.isolateModules(() => {
      // Own copies of the catalogue, so that no other test hears of it.

      const own = require('./pseudo-words') as typeof import('./pseudo-words');

      const words = require('../words') as typeof import('../words');

      const { FAMILIES } = require('./registry') as typeof import('./registry');
      own.speakPseudo();
      expect(words.say('jobPage.undo')).toBe('⟦Úndó··⟧');
      const place = { timeZone: 'UTC', currency: 'EUR' };
      for (const text of [
        words.label('stock'),
        words.findingTitle('bleed.small', { bleedMm: 2, least: 3 }),
        words.findingSays('bleed.small', { bleedMm: 2, least: 3 }),
        words.FORMULAS['flow.run']?.reads ?? '',
        words.CAUTIONS['knife'] ?? '',
        words.PRACTICE_WORDS['layout.gripperMm'] ?? '',
        words.formatFigure(5, 'sheet', place).unit,
        FAMILIES['folded-card'].words.stones['print'] ?? '',
        FAMILIES['label-sheet'].words.name,
      ])
        expect(marked(text)).toBe(true);
      expect(words.findingTitle('bleed.small', { bleedMm: 2, least: 3 })).toContain('2 mm');
    });
  });
});
