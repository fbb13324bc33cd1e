import { JobSpecSchema } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { labelSpec } from '../line-2.fixture';
import { plan } from '../plan';
import { pressSheet } from '../../stock/press-sheet';
import { comesRight, sheetBeyond, stockBeyond, stocksOfGrade } from './resolve';

const stock = (id: string) => LINDMOOR.stocks[id]!;
const withChoices = (more: object) => JobSpecSchema.parse({ ...cardSpec(), choices: { ...cardSpec().choices, ...more } });

describe('what a machine takes', () => {
  const machine = { minSheetMm: [480, 340] as [number, number], maxSheetMm: [740, 530] as [number, number] };
  test.each([
    ['inside', [720, 520], 0, 0],
    ['as large as can be', [740, 530], 0, 0],
    ['too wide by 10', [750, 500], 10, 0],
    ['too deep by 30, too wide by 5', [745, 560], 30, 0],
    ['too small by 20', [470, 320], 0, 20],
  ] as const)('%s', (_name, sheet, overMm, underMm) => {
    expect(sheetBeyond(sheet, machine)).toEqual({ overMm, underMm });
  });
  it('takes everything where the card says nothing', () => {
    expect(sheetBeyond([3_000, 2_000], {})).toEqual({ overMm: 0, underMm: 0 });
  });
  it('reckons a roll by its width, a sheet by its long side across', () => {
    const web = LINDMOOR.machines['web7']!;
    expect(stockBeyond(stock('label162-330'), web)).toEqual({ overMm: 0, underMm: 0 });
    expect(stockBeyond({ ...stock('label162-330'), widthMm: 560 }, web)).toEqual({ overMm: 40, underMm: 0 });
    expect(stockBeyond({ ...stock('label162-330'), widthMm: 200 }, web)).toEqual({ overMm: 0, underMm: 50 });
    expect(pressSheet(stock('ivory300-520x720'))).toEqual([720, 520]);
  });
});

describe('the stock and the machine of a part', () => {
  const card = Object.values(plan(cardSpec(), LINDMOOR, SHELF).parts)[0]!;
  const label = Object.values(plan(labelSpec(1000), LINDMOOR, SHELF).parts)[0]!;
  it('are sheets for a sheet, rolls for a web, of the grade asked', () => {
    expect(comesRight(card, stock('ivory300-520x720'))).toBe(true);
    expect(comesRight(card, stock('label162-330'))).toBe(false);
    expect(comesRight(label, stock('label162-330'))).toBe(true);
    expect(comesRight(card, undefined)).toBe(false);
    for (const [, s] of stocksOfGrade(LINDMOOR, card)) expect([s.form, s.grade]).toEqual(['sheet', card.grade]);
    for (const [, s] of stocksOfGrade(LINDMOOR, label)) expect([s.form, s.grade]).toEqual(['roll', label.grade]);
  });
  it('are those chosen, where they can be; else those that suit, and a finding says so', () => {
    const large = plan(
      withChoices({ stock: { 'card.card': 'ivory300-700x1000' }, machine: { 'card.card.print': 'press5' } }),
      LINDMOOR,
      SHELF,
    );
    expect(large.forms['card.card']?.stock).toBe('ivory300-700x1000');
    expect(large.stones.find((s) => s.key === 'print')?.machine).toBe('press5');
    const wrong = plan(withChoices({ stock: { 'card.card': 'label162-330' }, machine: { 'card.card.print': 'knife1' } }), LINDMOOR, SHELF);
    expect(wrong.forms['card.card']?.stock).not.toBe('label162-330');
    expect(wrong.stones.find((s) => s.key === 'print')?.machine).not.toBe('knife1');
    expect(wrong.findings.filter((f) => f.code === 'choice.unknown').length).toBeGreaterThan(0);
  });
  it('says by which work no machine of the works can be found', () => {
    const { platen1: _gone, ...machines } = LINDMOOR.machines;
    const p = plan(cardSpec(), { ...LINDMOOR, machines }, SHELF);
    expect(p.findings.find((f) => f.code === 'machine.none')).toMatchObject({ level: 'release', at: 'card.card.foil' });
  });
});
