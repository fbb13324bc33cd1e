import { readInks } from './ink-names';

describe('inks as people type them', () => {
  test.each([
    ['CMYK', ['C', 'M', 'Y', 'K']],
    ['cmyk', ['C', 'M', 'Y', 'K']],
    ['C M Y K', ['C', 'M', 'Y', 'K']],
    ['C, M, Y, K', ['C', 'M', 'Y', 'K']],
    ['4', ['C', 'M', 'Y', 'K']],
    ['4c', ['C', 'M', 'Y', 'K']],
    ['four colours', ['C', 'M', 'Y', 'K']],
    ['K', ['K']],
    ['black', ['K']],
    ['Cyan + Magenta', ['C', 'M']],
    ['CMYK gold', ['C', 'M', 'Y', 'K', 'gold']],
    ['K, moss green', ['K', 'moss green']],
    ['K; deep  green ;', ['K', 'deep green']],
    ['CMYK, K', ['C', 'M', 'Y', 'K']],
    ['4 + gloss varnish', ['C', 'M', 'Y', 'K', 'gloss varnish']],
    ['K gold', ['K gold']],
    ['KK', ['KK']],
    ['Mycelium', ['Mycelium']],
    ['my', ['M', 'Y']],
    ['', []],
  ])('inks typed as %s are %p', (text, inks) => {
    expect(readInks(text)).toEqual(inks);
  });
});
