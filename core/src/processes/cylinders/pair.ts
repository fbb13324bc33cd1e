import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm } from '../../plant/practice';
import { EMBOSSING_DEPTH, FEMALE_WIDTH, MILLED_AREA } from '../../form/embossing-pair';
import { MILLING_TIME } from '../../form/cylinder-time';
import type { Embossing } from '../../product/roller';
import { type ConsumeContext, setting } from '../process';
import { cell, says, settingRow } from '../rows';
import { cylinderStage, minutesCell, mm, timeOf, usualTime } from './cylinder-stage';
import { pairScene } from './engraving-scene';
import { type OneRoller, rollersOf } from './rollers';

/* A pair of embossing rollers: milled, tried on the true stock. */

/** Sizes of the tool: the male as the motif has it, the female with room for the stock, both as deep as the relief wants. */
function pairFigures(cx: ConsumeContext): void {
  for (const { part } of rollersOf(cx)) {
    const embossing = part.traits?.embossing;
    if (!embossing) continue;
    const at = (key: string): Id<'figure'> => idOf(part.id, key);
    const male = mm(embossing.maleMm, 'maleMm');
    if (embossing.is === 'female')
      cx.ledger.figure(at('widthMm'), FEMALE_WIDTH, {
        maleMm: male,
        caliperMm: mm(embossing.caliperMm, 'caliperMm'),
        k: practiceTerm(cx.plant, 'cylinders.clearance'),
      });
    else cx.ledger.figure(at('widthMm'), { ...SUM, id: 'cylinders.maleWidth' }, { male }, 'mm.001');
    cx.ledger.figure(at('depthMm'), EMBOSSING_DEPTH, {
      heightMm: mm(embossing.reliefMm, 'reliefMm'),
      stays: practiceTerm(cx.plant, 'cylinders.stays'),
    });
    cx.ledger.figure(at('milledCm2'), MILLED_AREA, {
      motifs: typed(embossing.motifs, '1', 'motifs'),
      widthMm: mm(embossing.widthMm, 'motifWidthMm'),
      heightMm: mm(embossing.heightMm, 'motifHeightMm'),
      share: typed(embossing.is === 'female' ? embossing.motifShare : 1 - embossing.motifShare, '1', 'motifPercent'),
    });
  }
}
const motifsSay = (of: Embossing | undefined): string => (of ? `${of.motifs} of ${of.widthMm} × ${of.heightMm} mm` : '');
const reliefUm = ({ part }: OneRoller): number => (part.traits?.embossing?.reliefMm ?? 0) * 1_000;

/** Milled in one go, where nobody set more. Common practice, no source. */
const ONE_PASS = { value: 1, unit: '1', from: 'family', at: 'one pass' } as const;

/** Of the female the motifs are milled away, of the male the ground round them. */
export const rollerMill = cylinderStage({
  id: 'rollerMill',
  department: 'cylinders',
  images: true,
  cautions: ['lathe', 'eyes', 'hoist'],
  figures: pairFigures,
  time(cx) {
    const milling = idOf(cx.id, 'millingS');
    const [of] = rollersOf(cx);
    cx.ledger.figure(milling, MILLING_TIME, {
      passes: setting(cx, 'passes', ONE_PASS),
      cm2: of?.part.traits?.embossing ? fig(idOf(of.part.id, 'milledCm2')) : typed(0, 'cm²', 'none'),
      stepOverMm: practiceTerm(cx.plant, 'cylinders.millStepMm'),
      feedMmPerS: practiceTerm(cx.plant, 'cylinders.millFeedMmPerS'),
    });
    return timeOf(cx, { ready: practiceTerm(cx.plant, 'cylinders.millReadyS'), milling: fig(milling) });
  },
  rows: (cx) => [
    settingRow(cx, 'millPasses', 'passes', ONE_PASS, { kind: 'count' }),
    ...rollersOf(cx).flatMap(({ part }) =>
      ['widthMm', 'depthMm', 'milledCm2'].map((key) => ({ label: `pair.${key}`, figure: idOf(part.id, key) })),
    ),
  ],
  measures: (cx) =>
    rollersOf(cx).map(({ part }) => ({ key: 'depth', unit: 'µm' as const, aim: 1_000 * cx.ledger.value(idOf(part.id, 'depthMm')) })),
  table: {
    title: 'milledByBody',
    head: ['roller', 'line width', 'depth', 'motifs', 'milled away', 'passes', 'teeth', 'one turn', 'min'],
    line: (cx, { part, roller }) => [
      roller.name,
      `${cell(cx.ledger, idOf(part.id, 'widthMm'), 3)} mm`,
      `${cell(cx.ledger, idOf(part.id, 'depthMm'), 3)} mm`,
      motifsSay(part.traits?.embossing),
      `${cell(cx.ledger, idOf(part.id, 'milledCm2'), 1)} cm²`,
      says(setting(cx, 'passes', ONE_PASS)),
      String(part.traits?.embossing?.teeth ?? ''),
      `${cell(cx.ledger, roller.figures.turnMm, 3)} mm`,
      minutesCell(cx),
    ],
  },
  blanks: ['cutter', 'start, end', 'edges whole, deburred'],
  scene: pairScene,
});

/** A relief may be off so much of its height. Common practice, no source. */
const RELIEF_OFF = 0.2;
/** Where on the band its height is measured. */
const PLACES = ['drive side', 'left of the middle', 'right of the middle', 'far side'];
/** The pair on the try-out stand, with the true stock between its rollers: height, fit, cracks. */
export const rollerTry = cylinderStage({
  id: 'rollerTry',
  department: 'inspection',
  cautions: ['nips', 'hoist'],
  time: (cx) => usualTime(cx, 'cylinders.tryS'),
  measures(cx) {
    const [of] = rollersOf(cx);
    const aim = of ? reliefUm(of) : 0;
    return [
      ...PLACES.map((place, i) => ({
        key: `relief.${i + 1}`,
        of: place,
        unit: 'µm' as const,
        aim,
        least: aim * (1 - RELIEF_OFF),
        most: aim * (1 + RELIEF_OFF),
      })),
      { key: 'cracks', unit: '1' as const, asked: true as const, most: 0 },
      { key: 'sampleKept', unit: '1' as const, asked: true as const, least: 1 },
    ];
  },
  rows: (cx) => {
    const [of] = rollersOf(cx);
    return [
      { label: 'triedOn', text: of?.part.traits?.rollerSet?.stock ?? '' },
      { label: 'caliperPressed', text: `${of?.part.traits?.embossing?.caliperMm ?? 0} mm` },
    ];
  },
  table: {
    title: 'triedPair',
    head: ['roller', 'line width', 'depth of tool', 'relief wanted', 'teeth', 'one turn'],
    line: (cx, { part, roller }) => [
      roller.name,
      `${cell(cx.ledger, idOf(part.id, 'widthMm'), 3)} mm`,
      `${cell(cx.ledger, idOf(part.id, 'depthMm'), 3)} mm`,
      `${part.traits?.embossing?.reliefMm ?? 0} mm`,
      String(part.traits?.embossing?.teeth ?? ''),
      `${cell(cx.ledger, roller.figures.turnMm, 3)} mm`,
    ],
  },
  blanks: ['gap set', 'stock lot', 'female fits male all round'],
  scene: pairScene,
});
