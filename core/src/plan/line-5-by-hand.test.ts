import { coatWindows, sleeveDieLine, sleeveGluing, sleeveSizes, trayPlaces, traysInside } from '../product/die-line/sleeve';
import type { SleeveAsk } from '../product/die-line/sleeve-ask';
import { measureDieLine } from '../product/die-line/die-line';
import { outlineFault } from '../layout/outline-faults';
import { copiesUp } from '../layout/layout';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { RADIO_PLAYS, type RadioPlay, sleeveSpec } from './line-5.fixture';
import { planned } from './plan';
import { gangRowsOf } from './readings/gang-rows';
import { ticketPages } from './readings/ticket';

/*
 * Six radio plays in board sleeves, worked with a pencil: two panels, both lined, one tray of 136 × 122 × 5.2 mm, board of 0.40 mm, 600 to 6,000 sleeves on two
 * forms of eight places. Source: common practice, no source; the arithmetic is checked here step by step.
 */
const PLAY: SleeveAsk = {
  style: 'twoPanels',
  lining: 'bonded',
  widthMm: 136,
  heightMm: 122,
  depthMm: 5.2,
  trays: [2],
  bookletMm: 0,
  caliperMm: 0.4,
};
const PLAYS = Object.keys(RADIO_PLAYS) as RadioPlay[];

describe('the sleeve', () => {
  const of = sleeveSizes(PLAY);
  const die = measureDieLine(sleeveDieLine(PLAY));
  it('has panels of 139 × 124, a spine of 6.7, and is 7.1 thick closed', () => {
    expect(of.panels.map((p) => p.widthMm)).toEqual([139, 139]);
    expect(of.spinesMm[0]).toBeCloseTo(6.7, 9);
    expect(of.closedMm.map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([139, 124, 7.1]);
  });
  it('has a blank of 284.7 × 246.2 mm, 69,026.52 mm², 20.71 g on 300 g/m²', () => {
    expect([die.widthMm, die.heightMm]).toEqual([expect.closeTo(284.7, 9), expect.closeTo(246.2, 9)]);
    expect(die.areaMm2).toBeCloseTo(69_026.52, 6);
    expect((die.areaMm2 * 300) / 1e6).toBeCloseTo(20.71, 2);
  });
  it('carries its tray in the middle of the second lining, free of coat beneath it', () => {
    // (139 − 136) ÷ 2 from the spine, whose far crease is at 145.7; (124 − 122) ÷ 2 from the foot.
    const size = { panel: 2, widthMm: 136, heightMm: 122, onPrint: true };
    expect(traysInside(PLAY)).toEqual([{ ...size, xMm: expect.closeTo(147.2, 9), yMm: expect.closeTo(1, 9) }]);
    // Seen from the printed side it is the left panel; the lining's foot is its upper edge, at 122.6.
    expect(trayPlaces(PLAY)).toEqual([{ ...size, xMm: expect.closeTo(1.5, 9), yMm: expect.closeTo(122.6 - 1 - 122, 9) }]);
    expect(coatWindows(PLAY)).toEqual([expect.objectContaining({ widthMm: 128, heightMm: 114 })]);
  });
  it('is glued in three rows of P − 17 on each lining, its strip along the belts', () => {
    const gluing = sleeveGluing(PLAY);
    expect(gluing?.runMm).toBeCloseTo(284.7, 9);
    expect(gluing?.beads.map((b) => Math.round((b.jointMm - 10) * 10) / 10)).toEqual([122, 122, 122, 122, 122, 122]);
  });
});

const made = planned(JobSpecSchema.parse(sleeveSpec()), LINDMOOR, SHELF);
const value = (id: string): number => made.plan.figures[id]?.value ?? NaN;
const rows = gangRowsOf(made.plan, sleeveSpec());

describe('six radio plays on two forms', () => {
  it('lie 4 × 2 on 610 × 1,020, turned, one in a lane after another', () => {
    expect(value('plays.places')).toBe(8);
    expect([value('plays.A.usableWidth'), value('plays.A.usableDepth')]).toEqual([1_008, 582]);
    const outline = made.plan.parts['fog.blank']!.traits!.blank!.die.outline;
    for (const name of ['A', 'B']) {
      const layout = made.plan.forms[`plays.${name}`]!.layout!;
      expect(layout.cells.every((c) => c.turn === 90 || c.turn === 270)).toBe(true);
      expect(outlineFault(layout, { outline, gapMm: 5, usable: { x: 6, y: 12, widthMm: 1_008, heightMm: 582 } })).toBeNull();
    }
    expect(copiesUp(made.plan.forms['plays.B']!.layout!)).toBe(7);
  });
  it('need blanks by their own gluing, tray line and packing: 651, 1,060, 1,570, 2,080, 3,100, 6,221 with what breaking out loses', () => {
    expect(PLAYS.map((p) => value(`${p}.blank.insert.run`))).toEqual([617, 1_021, 1_525, 2_029, 3_037, 6_061]);
    // The largest order sets the gluer up with 80, the others with 20 each.
    expect(PLAYS.map((p) => value(`${p}.blank.glue.run`))).toEqual([649, 1_057, 1_566, 2_075, 3_093, 6_208]);
    const withHammer = PLAYS.map((p) => Math.ceil(value(`${p}.blank.glue.run`) / 0.998 - 1e-9));
    expect(withHammer).toEqual([651, 1_060, 1_570, 2_080, 3_100, 6_221]);
    expect(withHammer.reduce((a, b) => a + b, 0)).toBe(14_682);
  });
  it('run 1,570 and 354 good sheets, back through die, coat and press 1,997 and 645', () => {
    expect(['A', 'B'].map((f) => value(`plays.breakOut.${f}.run`))).toEqual([1_570, 354]);
    expect(['A', 'B'].map((f) => value(`plays.die.${f}.run`))).toEqual([1_684, 381]);
    expect(['A', 'B'].map((f) => value(`plays.coat.${f}.run`))).toEqual([1_726, 401]);
    expect(['A', 'B'].map((f) => value(`plays.print.${f}.run`))).toEqual([1_997, 645]);
  });
  it('leave 57, 2, 0, 198, 40, 59 blanks over, less what breaking out takes of them', () => {
    // By the sheets that are broken out: 2 × 353 − 649, 3 × 353 − 1,057, 1,566 − 1,566, 1,566 + 2 × 353 − 2,075, 2 × 1,566 − 3,093, 4 × 1,566 − 6,208.
    expect(rows[0]!.members.map((m) => m.over)).toEqual([57, 2, 0, 197, 39, 56]);
    expect(rows[0]!.members.map((m) => m.mostOver)).toEqual([60, 100, 150, 200, 300, 600]);
  });
  it('bring 3,053 trays and 3,007 discs for 3,000 sleeves; discs come back out of spoilt ones', () => {
    expect([value('mill.blank.insert.trays.demand'), value('mill.blank.insert.discs.demand')]).toEqual([3_053, 3_007]);
  });
  it('are glued at 10,500 an hour: 23,395 by the belts, capped at 15,000', () => {
    expect((60_000 * 150) / (284.7 + 100)).toBeCloseTo(23_395, 0);
    expect([value('mill.blank.glue.gross'), value('mill.blank.glue.rate')]).toEqual([15_000, 10_500]);
  });
  it('stand 50 in a case 360 long inside, 60 cases of 3,000', () => {
    expect([value('mill.blank.pack.perCarton'), value('mill.blank.pack.cartons')]).toEqual([50, 60]);
    expect(value('mill.blank.pack.thickness')).toBeCloseTo(7.2, 9);
  });
  it('pay each form by their copies on it, to the cent', () => {
    const [gang] = rows;
    const cost = gang!.forms.reduce((sum, f) => sum + f.cost, 0);
    expect(gang!.members.reduce((sum, m) => sum + m.share, 0)).toBeCloseTo(cost, 2);
    const [a, b] = gang!.forms.map((f) => f.cost) as [number, number];
    expect(gang!.members.find((m) => m.product === 'lantern')?.share).toBeCloseTo(a / 8 + (2 * b) / 7, 1);
  });
  it('balance: what the forms give is what orders take and what is over', () => {
    for (const m of rows[0]!.members) {
      const given = ['A', 'B'].reduce((sum, f, i) => sum + (m.copies[i] ?? 0) * value(`plays.breakOut.${f}.good`), 0);
      expect(given).toBe(m.needed + m.over);
    }
    expect(made.ledger.missing).toEqual([]);
  });
  it('hang one die and one form of the coat: the second form pays neither', () => {
    expect(Object.keys(made.plan.tools).filter((t) => made.plan.tools[t]?.kind === 'cutting die')).toEqual(['plays.die.die']);
    expect(value('plays.die.die.cycles')).toBe(1_684 + 381);
    expect([value('plays.die.A.setupS'), value('plays.die.B.setupS')]).toEqual([4_500, 600]);
    expect([value('plays.coat.A.setupS'), value('plays.coat.B.setupS')]).toEqual([1_800, 600]);
    expect(made.plan.steps['plays.die.B']?.keepsFrom).toBe('plays.die.A');
    expect(made.plan.steps['mill.blank.glue']?.keepsFrom).toBe('orchard.blank.glue');
  });
  it('wait 36 hours for the ink before the lamps, and no more behind them', () => {
    expect(value('plays.coat.A.waitS')).toBe(36 * 3600);
    expect(made.plan.steps['plays.die.A']?.waits).toEqual([]);
  });
  it('have pages for every machine, every order its own', () => {
    const pages = ticketPages(made);
    expect(new Set(pages.map((p) => p.department))).toEqual(
      new Set(['store', 'prepress', 'ink', 'press', 'dieCutting', 'breaking', 'gluing', 'bench', 'packing']),
    );
    expect(pages.filter((p) => p.department === 'gluing').length).toBeGreaterThanOrEqual(6);
  });
});

describe('a gang on several forms', () => {
  it('runs a form longer where somebody set it, and the others as short as that lets them', () => {
    const forms = [{ copies: { 'fog.blank': 4, 'harbour.blank': 4 }, run: 400 }, { copies: { 'fog.blank': 4, 'harbour.blank': 4 } }];
    const { plan } = planned(JobSpecSchema.parse(sleeveSpec(forms, { fog: 1_000, harbour: 3_000 })), LINDMOOR, SHELF);
    const at = (id: string): number => plan.figures[id]?.value ?? NaN;
    expect(at('plays.breakOut.A.need')).toBe(400);
    const needed = at('harbour.blank.glue.run');
    expect(at('plays.breakOut.B.need')).toBe(Math.ceil((needed - 1_600) / 4));
  });
  it('falls back to one form, and says so, where an order lies on none', () => {
    const { plan } = planned(
      JobSpecSchema.parse(sleeveSpec([{ copies: { 'fog.blank': 4 } }, { copies: { 'fog.blank': 8 } }], { fog: 600, harbour: 1_000 })),
      LINDMOOR,
      SHELF,
    );
    expect(Object.keys(plan.forms)).toEqual(['plays']);
  });
});
