import { machinesFor } from '../plant/plant';
import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { copiesUp } from '../layout/layout';
import { CYCLES_OF_METRES, RUNNING_PPM } from '../counts/loss-terms';
import {
  type ConsumeContext,
  type Consumed,
  type Draft,
  type DraftContext,
  limitTerm,
  type PanelRow,
  type Process,
  lossTable,
  setting,
  settingPath,
  wordSetting,
} from './process';
import { filmList, formsOfRun, INK_IN_ALL, inkRows, inksOf, inInkOrder, type Pass, plateRemakes, pressAbility } from './press-inks';
import { versionRuns } from './version-runs';
import { toleranceOf } from '../register/register-of-step';
import { registerOfInks, REGISTER_ABILITIES } from './register-of';
import { singleStep } from './single-step';
import { repeatFactor, timeAndCost } from './time-and-cost';
import { ofForm, webTime } from './web-time';
import { runningLossTerm, stepLosses } from './step-losses';

const passOf = (cx: DraftContext): Pass => {
  const inks = inInkOrder(cx, cx.prints[0]);
  const [run] = versionRuns(cx, inks, false, 'nothing');
  return {
    version: cx.version,
    hung: inks,
    again: false,
    ...run,
    id: cx.id,
    of: cx.id,
    side: 'front',
    inks,
    prints: [{ side: 'front', inks }],
    samePlates: false,
  };
};

/** Losses of web stones: metres to set up, new or repeat, as whole repeats. */
export const webSetup = (
  cx: DraftContext,
  metres: Term,
): { formula: typeof CYCLES_OF_METRES; terms: Record<'metres' | 'factor' | 'repeatMm', Term> } => ({
  formula: CYCLES_OF_METRES,
  terms: { metres, factor: repeatFactor(cx), repeatMm: fig(ofForm(cx, 'repeatMm')) },
});
/** Of the next version the press takes as much of its setup as it changes of its plates. */
const pressSetup = (cx: DraftContext): ReturnType<typeof webSetup> => {
  const { again, hung, inks } = passOf(cx);
  const setup = webSetup(cx, setting(cx, 'setupMetres', practiceTerm(cx.plant, 'web.setupMetres')));
  if (!again) return setup;
  const factor: Term = { value: inks.length > 0 ? hung.length / inks.length : 0, unit: '1', from: 'family', at: 'plates changed' };
  return { ...setup, terms: { ...setup.terms, factor } };
};

/** Web press: one repeat a cycle, every colour dried by a lamp after its unit, a join with every roll. */
export const webPress: Process = {
  id: 'webPress',
  abilities: [
    'minWebMm',
    'maxWebMm',
    'minRepeatMm',
    'maxRepeatMm',
    'gearPitchMm',
    'edgeTrimMm',
    'maxRollKg',
    'maxRollDiameterMm',
    'coreMm',
    'rollChangeS',
    'units',
    'lamps',
    'perPlateS',
    'zones',
    'zoneMm',
    ...REGISTER_ABILITIES,
  ],
  reach: 'web',
  tellsVersions: true,
  losses: { running: 'web.runningPpm' },
  suits: (machine, parts) => parts.every((p) => p.colours[0].length <= (machine.limits.units ?? 0)),
  asks: () => ({}),
  draft(cx): Draft {
    const repeatMm = fig(ofForm(cx, 'repeatMm'));
    // A web is not cut for a fault: it runs through, and is taken out where sheets or rolls are parted.
    const running = runningLossTerm(cx, 'web.runningPpm');
    const table = lossTable(cx, cx.prints[0].length);
    const runThrough = cx.faultsTakenOut && table?.inForce !== true;
    if (runThrough) cx.ledger.figure(idOf(cx.id, 'runningPpm'), RUNNING_PPM, { ppm: running });
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: pressSetup(cx),
      ...(!runThrough && { runningPpm: runningLossTerm(cx, 'web.runningPpm') }),
      table,
      batch: {
        cycles: { batch: fig(ofForm(cx, 'usableRollMm')), perCycle: repeatMm },
        lost: {
          metres: setting(cx, 'spliceMetres', practiceTerm(cx.plant, 'web.spliceMetres')),
          factor: typed(1, '1', 'none'),
          repeatMm,
        },
      },
    }));
    return singleStep(cx, {
      inks: passOf(cx).inks,
      prints: passOf(cx).prints,
      takesPer: (cx.layout?.sheetMm[1] ?? 0) / 1000,
      givesPer: 1,
      unit: 'repeat',
      perGood: 1 / Math.max(cx.layout ? copiesUp(cx.layout) : 1, 1),
      whole: true,
      losses,
      after: cx.formsFrom,
      cautions: ['nips', 'solvents', ...(cx.inkSeries?.lampDried ? ['lamps'] : [])],
      ...(runThrough && { makes: { faults: fig(idOf(cx.id, 'runningPpm')) } }),
    });
  },
  registers: (cx) => registerOfInks(cx, passOf(cx).prints, 'web-offset', false),
  consume(cx): Consumed {
    const pass = passOf(cx);
    const inks = inksOf(cx, pass);
    cx.ledger.figure(idOf(cx.id, 'inkKg'), INK_IN_ALL, Object.fromEntries(inks.map(({ kg }) => [kg, fig(kg)])));
    const plates: Id<'figure'>[] = pass.hung.length > 0 ? [plateRemakes(cx, pass)] : [];
    return {
      costs: [
        ...timeAndCost(cx, {
          step: cx.id,
          ...formsOfRun(cx, pass),
          perFormS: limitTerm(cx, 'perPlateS', { value: 240, unit: 's', from: 'plant', at: 'practice' }),
          runS: webTime(cx, true),
        }),
        ...inks.flatMap((ink) => ink.costs),
        ...plates.map(() => ({ figure: idOf(cx.id, 'remakeCost'), kind: 'form' as const, fixed: false })),
      ],
      inkKg: inks.map(({ kg }) => kg),
      plates,
    };
  },
  scene: webScene,
  panel: panelRows,
  paper: (cx) => [
    {
      department: 'ink',
      scene: false,
      rows: passOf(cx).inks.map((ink) => ({ label: 'inkOf', text: ink, figure: `${cx.id}.ink.${ink}.kg` })),
      lists: [
        {
          title: 'sequence',
          head: ['units in order', 'series', 'fit for food'],
          rows: [[passOf(cx).inks.join(' – '), cx.inkSeries?.name ?? '', cx.inkSeries?.lowMigration ? 'yes' : 'no']],
        },
        filmList(cx, passOf(cx).inks),
      ],
      blanks: ['draw-down measured, ΔE', 'left-over ink used', 'batch numbers'],
    },
    {
      department: 'press',
      scene: true,
      rows: panelRows(cx).filter((r) => !['inkOf', 'inkKg', 'remakes'].includes(r.label)),
      lists: [
        {
          title: 'breaks',
          head: ['roll', 'at metre', 'back to the last good metre', 'repeats lost', 'signed'],
          rows: Array.from({ length: 4 }, () => ['', '', '', '', '']),
        },
      ],
      blanks: ['tension at unwinder and rewinder', `register aim: ${aimSays(cx)}, reached`, 'colour OK cut signed by', 'splices marked'],
    },
  ],
  summary: (cx) => ({ text: `${cx.machine.name} · ${passOf(cx).inks.join(' ')}` }),
};

/** Register as it must hold: what the artwork asks where that is finer than the press holds. */
const aimSays = (cx: ConsumeContext): string => {
  const of = webPress.registers?.(cx, cx.id);
  return of ? `± ${toleranceOf(of)} mm` : 'one colour';
};

function panelRows(cx: ConsumeContext): PanelRow[] {
  const choice = (key: string, text: string, options: string[]): PanelRow => ({
    label: key === 'repeat' ? 'setupKind' : key,
    text,
    edit: { at: settingPath(cx, key), kind: 'choice', options: options.map((value) => ({ value, says: value })) },
  });
  return [
    {
      label: 'press',
      text: cx.machine.name,
      edit: {
        at: ['choices', 'machine', cx.stone],
        kind: 'choice',
        options: machinesFor(cx.plant, cx.process).map(([value, m]) => ({ value, says: m.name })),
      },
    },
    { label: 'repeatMm', figure: ofForm(cx, 'repeatMm'), edit: { at: settingPath(cx, 'repeatMm'), kind: 'length' } },
    { label: 'teeth', figure: ofForm(cx, 'teeth') },
    { label: 'lanes', figure: ofForm(cx, 'lanes') },
    { label: 'sheetsARepeat', figure: ofForm(cx, 'sheetsARepeat') },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'rolls', figure: idOf(cx.id, 'rolls') },
    { label: 'lostARoll', figure: idOf(cx.id, 'batchLost'), edit: { at: settingPath(cx, 'spliceMetres'), kind: 'count' } },
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    ...inkRows(cx, (s) => s.lampDried),
    choice('repeat', wordSetting(cx, 'repeat', 'new'), ['new', 'repeat']),
    { label: 'inkKg', figure: idOf(cx.id, 'inkKg') },
    ...passOf(cx).inks.map((ink) => ({ label: 'inkOf', text: ink, figure: `${cx.id}.ink.${ink}.kg` })),
    { label: 'remakes', figure: idOf(cx.id, 'remakes') },
  ];
}

/** The web's way from the unwinder through the units, each with its lamp, past the camera to the rewinder; below, one repeat with its lanes, to scale. */
function webScene(cx: ConsumeContext): Scene {
  const { inks } = passOf(cx);
  const units = Math.max(pressAbility(cx).units, inks.length);
  const pitch = 62;
  const end = 70 + units * pitch;
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: 26, cy: 66, r: 26, ref: 'unwinder' },
    { kind: 'circle', role: 'core', cx: 26, cy: 66, r: 5 },
    { kind: 'line', role: 'web', x1: 26, y1: 40, x2: end + 70, y2: 40, ref: 'web' },
    { kind: 'line', role: 'splice', x1: 58, y1: 32, x2: 64, y2: 48, ref: 'splice' },
    { kind: 'text', role: 'label', x: 61, y: 60, text: 'splice', sizeMm: 11, anchor: 'middle' },
    { kind: 'rect', role: 'unit', x: end, y: 16, w: 26, h: 16, ref: 'camera' },
    { kind: 'text', role: 'label', x: end + 13, y: 11, text: 'camera', sizeMm: 11, anchor: 'middle' },
    { kind: 'circle', role: 'roll', cx: end + 70, cy: 66, r: 26, ref: 'rewinder' },
    { kind: 'circle', role: 'core', cx: end + 70, cy: 66, r: 5 },
  ];
  for (let u = 0; u < units; u++) {
    const x = 76 + u * pitch;
    const ink = inks[u];
    shapes.push({ kind: 'circle', role: 'unit', cx: x + 18, cy: 62, r: 15, ref: `unit ${u + 1}` });
    if (ink === undefined) continue;
    shapes.push(
      { kind: 'circle', role: 'ink', ink, cx: x + 18, cy: 22, r: 12 },
      { kind: 'text', role: 'inkName', x: x + 18, y: 92, text: ink, sizeMm: 11, anchor: 'middle' },
      { kind: 'rect', role: 'lamp', x: x + 38, y: 26, w: 12, h: 8, ref: `lamp ${u + 1}` },
    );
  }
  shapes.push(...repeatShapes(cx, 112, end + 96));
  const lanes = cx.ledger.value(ofForm(cx, 'lanes'));
  return {
    title: 'way of the web',
    says: `Web from the unwinder through ${inks.length} units (${inks.join(', ')}), a lamp after each, past the camera; repeat ${Math.round(cx.ledger.value(ofForm(cx, 'repeatMm')) * 10) / 10} millimetres, ${lanes} lanes, ${Math.max(cx.ledger.value(idOf(cx.id, 'rolls')) - 1, 0)} splices.`,
    box: boxAround(shapes, 8),
    toScale: false,
    shapes,
  };
}

/** Sheets of a repeat that are drawn. */
const MOST_SHEETS_DRAWN = 120;

/** One repeat lying down: the web's width upward, its running length to the right; sheets with their pieces as rows. */
function repeatShapes(cx: ConsumeContext, top: number, most: number): Shape[] {
  const web = cx.layout?.web;
  const part = cx.parts[0];
  if (!cx.layout || !web || !part?.traits?.web) return [];
  const [widthMm, repeatMm] = cx.layout.sheetMm;
  const k = Math.min(most / repeatMm, 260 / widthMm);
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: top, w: repeatMm * k, h: widthMm * k, ref: 'repeat' }];
  const [sheetW, sheetL] = web.sheetMm;
  // A repeat mistyped by a thousand holds thousands of sheets: nobody reads them, and no drawing holds them.
  for (const c of cx.layout.cells.slice(0, MOST_SHEETS_DRAWN)) {
    const left = c.x - part.traits.web.edgeMm;
    shapes.push({
      kind: 'rect',
      role: 'copy',
      x: (c.y - part.traits.web.edgeMm) * k,
      y: top + left * k,
      w: sheetL * k,
      h: sheetW * k,
      ref: `sheet of ${c.nx * c.ny}`,
    });
    for (let i = 1; i < Math.min(c.nx, 40); i++) {
      const y = top + (c.x + i * c.dx) * k;
      shapes.push({
        kind: 'line',
        role: 'perforation',
        x1: (c.y - part.traits.web.edgeMm) * k,
        y1: y,
        x2: (c.y - part.traits.web.edgeMm + sheetL) * k,
        y2: y,
      });
    }
    for (let j = 1; j < Math.min(c.ny, 60); j++) {
      const x = (c.y + j * c.dy) * k;
      shapes.push({ kind: 'line', role: 'perforation', x1: x, y1: top + left * k, x2: x, y2: top + (left + sheetW) * k });
    }
  }
  shapes.push(
    { kind: 'line', role: 'dimension', x1: 0, y1: top + widthMm * k + 8, x2: repeatMm * k, y2: top + widthMm * k + 8, ref: 'repeatMm' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: top + widthMm * k + 22,
      text: `repeat ${Math.round(repeatMm * 10) / 10} mm, ${web.teeth} teeth · ${web.lanes} ${web.lanes === 1 ? 'lane' : 'lanes'} on ${widthMm} mm · ${web.around} around`,
      sizeMm: 11,
      anchor: 'start',
    },
  );
  return shapes;
}
