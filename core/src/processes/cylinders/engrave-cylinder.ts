import type { Formula, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { type PracticeKey, practiceTerm } from '../../plant/practice';
import { CELL_DEPTH, CELL_FILM, CELL_VOLUME, CELL_WALL, CELLS, CELLS_A_TURN } from '../../form/engraved-cells';
import { CELLS_TIME, EXPOSING_TIME } from '../../form/cylinder-time';
import { type ConsumeContext, limitTerm, type PanelRow, type Process, setting } from '../process';
import { cell, says, settingRow } from '../rows';
import { type CylinderStage, cylinderStage, minutesCell, mm, um, usualTime } from './cylinder-stage';
import { artworkFine, filmOff, readingWrong, wallThin } from './cylinder-rules';
import { engravingScene } from './engraving-scene';
import { type OneRoller, rollersOf } from './rollers';

/** Where the band begins, from the drive side. Source: arithmetic. */
const BAND_BEGINS: Formula<'faceMm' | 'bandMm'> = {
  id: 'cylinders.bandBegins',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ faceMm, bandMm }) => (faceMm - bandMm) / 2,
};

/** Cells of a cylinder, and what they hold: they belong to the cylinder, not to the step. */
function cellFigures(cx: ConsumeContext): void {
  const { ledger } = cx;
  for (const { part, roller } of rollersOf(cx)) {
    const engraved = part.traits?.engraved;
    if (!engraved) continue;
    const screen = { linesPerCm: typed(engraved.linesPerCm, '1', 'linesPerCm'), angleDeg: typed(engraved.angleDeg, '1', 'angleDeg') };
    const bandMm = mm(roller.bandMm, 'bandMm');
    const turnMm = fig(roller.figures.turnMm);
    const at = (key: string): Id<'figure'> => idOf(part.id, key);
    ledger.figure(at('beginMm'), BAND_BEGINS, { faceMm: mm(roller.faceMm, 'faceMm'), bandMm });
    ledger.figure(at('cells'), CELLS, { ...screen, bandMm, turnMm });
    ledger.figure(at('cellsATurn'), CELLS_A_TURN, { ...screen, turnMm });
    const widthUm = um(engraved.cellUm, 'cellUm');
    ledger.figure(at('wallUm'), CELL_WALL, { ...screen, widthUm });
    if (engraved.way !== 'stylus') continue;
    ledger.figure(at('depthUm'), CELL_DEPTH, { widthUm, stylusDeg: typed(engraved.stylusDeg, '1', 'stylusDeg') });
    ledger.figure(at('volumeUm'), CELL_VOLUME, { ...screen, widthUm, depthUm: fig(at('depthUm')) });
    ledger.figure(at('filmUm'), CELL_FILM, { volumeUm: fig(at('volumeUm')), transfer: practiceTerm(cx.plant, 'cylinders.transfer') });
  }
}
const cellRows = (cx: ConsumeContext): PanelRow[] =>
  rollersOf(cx).flatMap(({ part, roller }) => [
    { label: 'turnPrints', figure: roller.figures.turnMm },
    ...['cells', 'cellsATurn', 'beginMm', 'wallUm', 'depthUm', 'volumeUm', 'filmUm']
      .filter((key) => cx.ledger.has(idOf(part.id, key)))
      .map((key) => ({ label: `cylinder.${key}`, figure: idOf(part.id, key) })),
  ]);

/** What is alike of all three ways: the same page, the same look at a test cut. */
const engraving = (of: Pick<CylinderStage, 'id' | 'cautions' | 'time'> & Partial<CylinderStage>): Process =>
  cylinderStage({
    department: 'cylinders',
    images: true,
    rules: [artworkFine, readingWrong, filmOff, wallThin],
    figures: cellFigures,
    rows: cellRows,
    measures: (cx) =>
      rollersOf(cx).flatMap(({ part }) => [
        { key: 'cell100', unit: 'µm' as const, ...(part.traits?.engraved && { aim: part.traits.engraved.cellUm }) },
        { key: 'cell50', unit: 'µm' as const },
        { key: 'cell5', unit: 'µm' as const },
      ]),
    table: { title: 'engravedByBody', head: HEAD, line: engravingLine },
    blanks: ['test cut signed', 'start, end', 'stops'],
    scene: (cx) => engravingScene([cx]),
    drawing: engravingScene,
    ...of,
  });
const HEAD = [
  'station',
  'ink',
  'file',
  'reads',
  'band begins, drive side',
  'turn',
  'lines, angle',
  'cells a turn',
  'stylus',
  'cell at 100 %',
  'heads',
  'min',
];
function engravingLine(cx: ConsumeContext, { part, roller }: OneRoller): string[] {
  const engraved = part.traits?.engraved;
  const at = (key: string, digits: number): string => cell(cx.ledger, idOf(part.id, key), digits);
  return [
    String(roller.station),
    roller.name,
    engraved?.version ?? '',
    engraved?.reading ?? '',
    `${at('beginMm', 1)} mm`,
    `${cell(cx.ledger, roller.figures.turnMm, 3)} mm`,
    `${engraved?.linesPerCm ?? '–'}/cm, ${engraved?.angleDeg ?? '–'}°`,
    at('cellsATurn', 0),
    engraved?.way === 'stylus' ? `${engraved.stylusDeg}°` : (engraved?.way ?? ''),
    `${engraved?.cellUm ?? '–'} µm`,
    engraved?.way === 'etch' ? '–' : says(headsOf(cx)),
    minutesCell(cx),
  ];
}

/** Cells cut or burnt one by one: at so many a second a head. */
function cellsTime(cx: ConsumeContext, rate: PracticeKey): Id<'figure'> {
  const figure = idOf(cx.id, 'engravingS');
  const [of] = rollersOf(cx);
  cx.ledger.figure(figure, CELLS_TIME, {
    mountS: practiceTerm(cx.plant, 'cylinders.mountS'),
    cells: of && cx.ledger.has(idOf(of.part.id, 'cells')) ? fig(idOf(of.part.id, 'cells')) : typed(0, '1', 'none'),
    perS: limitTerm(cx, 'cellsPerS', practiceTerm(cx.plant, rate)),
    heads: headsOf(cx),
  });
  return figure;
}
const ONE_HEAD = { value: 1, unit: '1', from: 'plant', at: 'practice' } as const;
const headsOf = (cx: ConsumeContext): ReturnType<typeof setting> => setting(cx, 'heads', limitTerm(cx, 'heads', ONE_HEAD));
const headsRow = (cx: ConsumeContext): PanelRow => settingRow(cx, 'heads', 'heads', limitTerm(cx, 'heads', ONE_HEAD), { kind: 'count' });

/** Cut into copper by a stylus. */
export const stylusEngrave = engraving({
  id: 'stylusEngrave',
  cautions: ['lathe', 'hoist'],
  abilities: ['heads', 'cellsPerS'],
  time: (cx) => cellsTime(cx, 'cylinders.stylusPerS'),
  rows: (cx) => [headsRow(cx), ...cellRows(cx)],
});
/** Burnt into zinc by a laser in its closed housing. */
export const laserEngrave = engraving({
  id: 'laserEngrave',
  cautions: ['laser', 'hoist'],
  abilities: ['heads', 'cellsPerS'],
  time: (cx) => cellsTime(cx, 'cylinders.laserPerS'),
  rows: (cx) => [headsRow(cx), ...cellRows(cx)],
});
/** A resist exposed by a laser, for the etch. */
export const resistExpose = engraving({
  id: 'resistExpose',
  cautions: ['laser', 'hoist'],
  time(cx) {
    const figure = idOf(cx.id, 'exposingS');
    const [of] = rollersOf(cx);
    cx.ledger.figure(figure, EXPOSING_TIME, {
      bandMm: mm(of?.roller.bandMm ?? 0, 'bandMm'),
      turnMm: of ? fig(of.roller.figures.turnMm) : mm(0, 'none'),
      perM2S: practiceTerm(cx.plant, 'cylinders.exposePerM2S'),
    });
    return figure;
  },
});

/** Etched, the resist stripped, by licensed people: even in depth. */
export const cylinderEtch = cylinderStage({
  id: 'cylinderEtch',
  department: 'plating',
  cautions: ['baths', 'hoist'],
  time: (cx) => usualTime(cx, 'cylinders.etchS', 'cylinders.stripS'),
  measures: () => [{ key: 'depth', unit: 'µm' }],
  table: {
    title: 'etchedByBody',
    head: ['station', 'ink', 'file', 'cell at 100 %'],
    line: (_cx, { part, roller }) => [
      String(roller.station),
      roller.name,
      part.traits?.engraved?.version ?? '',
      `${part.traits?.engraved?.cellUm ?? '–'} µm`,
    ],
  },
  blanks: ['resist whole; if not: stripped and coated anew, the copper stays', 'bath', 'start, end', 'signed (licensed)'],
});
