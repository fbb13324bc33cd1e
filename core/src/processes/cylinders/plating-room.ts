import type { Formula, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import type { Measured } from '../../plant/plant';
import { practiceTerm } from '../../plant/practice';
import { COPPER_MASS, COPPER_WANTED } from '../../form/cylinder-set';
import { CHROME_TIME, PLATING_TIME } from '../../form/cylinder-time';
import { INK_COST } from '../../route/time-and-cost';
import { formatNumber } from '../../words/format';
import type { ConsumeContext } from '../process';
import { cell } from '../rows';
import { cylinderStage, minutesCell, mm, um, usualTime } from './cylinder-stage';
import { bandWide, baseUnfit, lifeShort } from './cylinder-rules';
import { copperFigure, rollersOf } from './rollers';

/* The bodies: received, plated, ground; chromed and polished once they are engraved. What is in the baths and how they are run is licensed people's and stands nowhere. */

/** How far a body may run out, and its ends differ, µm; how near its diameter is ground, mm. Common practice, no source. */
const [RUN_OUT_UM, TAPER_UM, GROUND_MM] = [20, 10, 0.01];

/** Bases from the store with their old image cut off, or new ones: measured before anything is laid on them. */
export const cylinderBase = cylinderStage({
  id: 'cylinderBase',
  department: 'plating',
  cautions: ['lathe', 'hoist'],
  begins: true,
  rules: [bandWide],
  time: (cx) => usualTime(cx, rollersOf(cx).some(({ roller }) => roller.base !== '') ? 'cylinders.oldBaseS' : 'cylinders.newBaseS'),
  measures: (cx) =>
    rollersOf(cx).flatMap(({ roller }) => {
      const baseMm = cx.ledger.value(roller.figures.baseMm);
      return [
        { key: 'runOut', unit: 'µm' as const, most: RUN_OUT_UM },
        { key: 'diameter', unit: 'mm.001' as const, aim: baseMm },
        { key: 'journals', unit: '1' as const, asked: true as const, least: 1 },
      ];
    }),
  table: {
    title: 'basesInHand',
    head: ['for', 'base', 'diameter by the order', 'face', 'old image'],
    line: (cx, { roller }) => [
      roller.name,
      roller.base === '' ? 'new, turned' : roller.base,
      `${cell(cx.ledger, roller.figures.baseMm, 3)} mm`,
      `${roller.faceMm} mm`,
      roller.base === '' ? 'none' : 'cut off',
    ],
  },
  blanks: ['from place', 'cone or journal damage'],
});

/** What the body that comes in was measured at where it was received; null: nobody has yet. */
function baseMeasured({ incoming, shelf }: ConsumeContext): Measured | null {
  const before = incoming[0]?.flow.replace(/\.out$/, '') ?? '';
  return shelf.measured?.[before]?.['diameter'] ?? null;
}
/** Once the base is measured, the copper goes by it. */
function copperAsMeasured(cx: ConsumeContext): void {
  const measured = baseMeasured(cx);
  const [of] = rollersOf(cx);
  if (!measured || !of) return;
  cx.ledger.figure(idOf(cx.id, 'copperUm'), COPPER_WANTED, {
    diameterMm: fig(of.roller.figures.diameterMm),
    baseMm: { value: measured.value, unit: 'mm.001', from: 'log', at: `measured by ${measured.by}` },
    chromeUm: um(of.roller.chromeUm, 'chromeUm'),
  });
}

/** Nickel and copper, by licensed people: what the base wants, and what is ground off again. */
export const copperPlate = cylinderStage({
  id: 'copperPlate',
  department: 'plating',
  cautions: ['baths', 'hoist'],
  rules: [baseUnfit],
  figures: copperAsMeasured,
  time(cx) {
    const [of] = rollersOf(cx);
    const copperUm = of ? fig(copperFigure(cx, of.roller)) : um(0, 'none');
    const grindOffUm = practiceTerm(cx.plant, 'cylinders.grindOffUm');
    cx.ledger.figure(idOf(cx.id, 'toPlateUm'), TO_PLATE, { copper: copperUm, grinding: grindOffUm });
    const figure = idOf(cx.id, 'platingS');
    cx.ledger.figure(figure, PLATING_TIME, {
      hangS: practiceTerm(cx.plant, 'cylinders.hangS'),
      copperUm,
      grindOffUm,
      perUmS: practiceTerm(cx.plant, 'cylinders.copperPerUmS'),
    });
    return figure;
  },
  uses(cx) {
    const [of] = rollersOf(cx);
    if (!of) return [];
    cx.ledger.figure(idOf(cx.id, 'copperKg'), COPPER_MASS, {
      diameterMm: fig(of.roller.figures.diameterMm),
      faceMm: mm(of.roller.faceMm, 'faceMm'),
      plateUm: fig(idOf(cx.id, 'toPlateUm')),
    });
    cx.ledger.figure(idOf(cx.id, 'copperCost'), METAL_COST, {
      kg: fig(idOf(cx.id, 'copperKg')),
      perKg: practiceTerm(cx.plant, 'cylinders.copperPerKg'),
    });
    return [{ figure: idOf(cx.id, 'copperCost'), kind: 'form', fixed: true }];
  },
  rows: (cx) => [
    ...rollersOf(cx).map(({ roller }) => ({ label: 'copperWanted', figure: copperFigure(cx, roller) })),
    { label: 'copperToPlate', figure: idOf(cx.id, 'toPlateUm') },
    { label: 'copperMass', figure: idOf(cx.id, 'copperKg') },
  ],
  measures: (cx) =>
    rollersOf(cx).flatMap(({ roller }) => [
      { key: 'thickness', unit: 'µm' as const, least: cx.ledger.value(copperFigure(cx, roller)) },
      { key: 'hardness', unit: '1' as const },
    ]),
  table: {
    title: 'copperByBody',
    head: ['for', 'base', 'base measures', 'copper wanted', 'to plate', 'diameter wanted', 'chrome to come', 'min'],
    line(cx, { roller }) {
      const measured = baseMeasured(cx);
      return [
        roller.name,
        roller.base === '' ? 'new' : roller.base,
        measured ? `${formatNumber(measured.value, 3, true)} mm` : `${cell(cx.ledger, roller.figures.baseMm, 3)} mm by the order`,
        `${cell(cx.ledger, copperFigure(cx, roller), 1)} µm`,
        `${cell(cx.ledger, idOf(cx.id, 'toPlateUm'), 1)} µm`,
        `${cell(cx.ledger, roller.figures.diameterMm, 3)} mm`,
        `${roller.chromeUm} µm`,
        minutesCell(cx),
      ];
    },
  },
  blanks: ['bath', 'start, end', 'signed (licensed)'],
});
/** What is laid on: what is wanted, and what is ground off again. Source: arithmetic. */
const TO_PLATE = { ...SUM, id: 'cylinders.toPlate', unit: 'µm' } as const;
const METAL_COST = { ...INK_COST, id: 'cylinders.metalCost' } as const;

/** What a body measures once it is ground: its chrome still comes on both sides. Source: arithmetic. */
const GROUND_DIAMETER: Formula<'diameterMm' | 'chromeUm'> = {
  id: 'cylinders.groundDiameter',
  unit: 'mm.001',
  source: 'arithmetic',
  of: ({ diameterMm, chromeUm }) => diameterMm - (2 * chromeUm) / 1_000,
};
const groundFigure = (cx: ConsumeContext): Id<'figure'> => idOf(cx.id, 'groundMm');

/** Ground and polished to the diameter under the chrome. */
export const bodyGrind = cylinderStage({
  id: 'bodyGrind',
  department: 'plating',
  cautions: ['lathe', 'hoist'],
  figures(cx) {
    for (const { roller } of rollersOf(cx))
      cx.ledger.figure(groundFigure(cx), GROUND_DIAMETER, {
        diameterMm: fig(roller.figures.diameterMm),
        chromeUm: um(roller.chromeUm, 'chromeUm'),
      });
  },
  time: (cx) => usualTime(cx, 'cylinders.grindS'),
  rows: (cx) => [{ label: 'groundDiameter', figure: groundFigure(cx) }],
  measures(cx) {
    const aim = cx.ledger.value(groundFigure(cx));
    return [
      { key: 'diameter', unit: 'mm.001', aim, least: aim - GROUND_MM, most: aim + GROUND_MM },
      { key: 'taper', unit: 'µm', most: TAPER_UM },
      { key: 'rz', unit: 'µm' },
    ];
  },
  table: {
    title: 'groundByBody',
    head: ['for', 'diameter ground', 'tolerance', 'taper at most', 'diameter over chrome'],
    line: (cx, { roller }) => [
      roller.name,
      `${cell(cx.ledger, groundFigure(cx), 3)} mm`,
      `±${GROUND_MM} mm`,
      `${TAPER_UM} µm`,
      `${cell(cx.ledger, roller.figures.diameterMm, 3)} mm`,
    ],
  },
  blanks: ['stone, grain', 'ground by'],
});

/** Of both layers that a cylinder is coated with before it is engraved: all bodies alike. */
const COATED = { title: 'coatedByBody', head: ['for', 'layer'] };
/** Zinc, for the laser. */
export const zincPlate = cylinderStage({
  id: 'zincPlate',
  department: 'plating',
  cautions: ['baths', 'hoist'],
  time: (cx) => usualTime(cx, 'cylinders.zincS'),
  measures: () => [{ key: 'thickness', unit: 'µm' }],
  table: { ...COATED, line: (_cx, { roller }) => [roller.name, 'zinc'] },
  blanks: ['bath', 'signed (licensed)'],
});
/** A resist, for what is etched: 3 to 5 µm. Common practice, no source. */
const RESIST_UM = { least: 3, most: 5 } as const;
export const resistCoat = cylinderStage({
  id: 'resistCoat',
  department: 'plating',
  cautions: ['solvents'],
  time: (cx) => usualTime(cx, 'cylinders.resistS'),
  measures: () => [{ key: 'thickness', unit: 'µm', ...RESIST_UM }],
  table: { ...COATED, line: (_cx, { roller }) => [roller.name, `resist, ${RESIST_UM.least} to ${RESIST_UM.most} µm`] },
  blanks: ['coated by', 'dry at'],
});

/** Chrome from this to that is hard and does not crack, µm. Common practice, no source. */
const CHROME_UM = { least: 5, most: 12 } as const;
/** Chrome, by licensed people: what the blade runs on. */
export const chromePlate = cylinderStage({
  id: 'chromePlate',
  department: 'plating',
  cautions: ['baths', 'hoist'],
  rules: [lifeShort],
  time(cx) {
    const figure = idOf(cx.id, 'chromeS');
    cx.ledger.figure(figure, CHROME_TIME, {
      hangS: practiceTerm(cx.plant, 'cylinders.chromeHangS'),
      chromeUm: um(rollersOf(cx)[0]?.roller.chromeUm ?? 0, 'chromeUm'),
      perUmS: practiceTerm(cx.plant, 'cylinders.chromePerUmS'),
    });
    return figure;
  },
  measures: (cx) => rollersOf(cx).map(({ roller }) => ({ key: 'thickness', unit: 'µm' as const, aim: roller.chromeUm, ...CHROME_UM })),
  table: {
    title: 'chromeByBody',
    head: ['for', 'chrome wanted', 'diameter over it', 'min'],
    line: (cx, { roller }) => [
      roller.name,
      `${roller.chromeUm} µm`,
      `${cell(cx.ledger, roller.figures.diameterMm, 3)} mm`,
      minutesCell(cx),
    ],
  },
  blanks: ['bath', 'signed (licensed)'],
});

/** As rough as ink and blade want it, µm. Common practice, no source. */
const RZ_UM = { least: 0.3, most: 0.6 } as const;
export const cylinderPolish = cylinderStage({
  id: 'cylinderPolish',
  department: 'plating',
  cautions: ['lathe', 'hoist'],
  time: (cx) => usualTime(cx, 'cylinders.polishS'),
  measures: () => [{ key: 'rz', unit: 'µm', ...RZ_UM }],
  table: {
    title: 'polishedByBody',
    head: ['for', 'Rz', 'diameter over chrome'],
    line: (cx, { roller }) => [roller.name, `${RZ_UM.least} to ${RZ_UM.most} µm`, `${cell(cx.ledger, roller.figures.diameterMm, 3)} mm`],
  },
  blanks: ['polished by'],
});
