import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Scene, Shape } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { IMAGING_TIME, PLATES, PLATES_OF_VERSIONS, platesOfInk, PRICE_OF } from '../form/plates';
import { inkOrder } from '../ink/ink-order';
import { pressPasses, WORK_STYLES } from '../layout/work-style';
import { type ConsumeContext, type DraftContext, type Process, setting, settingRow } from './process';
import { NOTHING_LOST } from './single-step';
import { timeAndCost } from './time-and-cost';

/** The plates of a part as forms: front and back apart where there are two forms, one set where the form carries both sides. */
export function plateSets(cx: Pick<DraftContext, 'workStyle' | 'prints'>): { side: string; inks: string[] }[] {
  return pressPasses(cx.workStyle, cx.prints, { units: 1e3, perfects: true })
    .filter((p) => !p.samePlates)
    .flatMap((p) => p.prints)
    .map(({ side, inks }) => ({
      side: WORK_STYLES[cx.workStyle].forms === 1 && WORK_STYLES[cx.workStyle].sides === 2 ? 'both' : side,
      inks,
    }))
    .map(({ side, inks }) => ({ side, inks: inkOrder(inks, 'blackFirst') }));
}

/** Plates: how many, imaged and checked by when. No pieces pass this stone; the press waits for it. */
export const platemaking: Process = {
  id: 'platemaking',
  asks: () => ({}),
  draft(cx) {
    plateSets(cx).forEach((set, i) => {
      const own = set.inks.map((ink) => platesOfInk(ink, cx.versions).length);
      const changed = own.filter((n) => n > 1).reduce((a, b) => a + b, 0);
      if (changed === 0) cx.ledger.figure(`${cx.id}.plates.${i}`, PLATES, { inks: typed(set.inks.length, '1', `colours:${set.side}`) });
      else
        cx.ledger.figure(`${cx.id}.plates.${i}`, PLATES_OF_VERSIONS, {
          unchanged: typed(own.filter((n) => n === 1).length, 'plate', `colours:${set.side}`),
          changed: typed(changed, 'plate', `versions:${set.side}`),
        });
    });
    const plates = plateSets(cx).map((_, i) => fig(`${cx.id}.plates.${i}`));
    const kept = cx.shelf.desks?.forms[cx.id]?.kept ?? 0;
    cx.ledger.figure(idOf(cx.id, 'plates'), PLATES_IN_ALL, {
      ...Object.fromEntries(plates.map((t, i) => [`set ${i + 1}`, t])),
      // Forms that lie in the tool store from a job before are not made again.
      ...(kept > 0 && { kept: { value: -kept, unit: 'plate', from: 'shelf', at: 'forms kept' } as const }),
    });
    const step = {
      process: cx.process,
      stage: cx.stone,
      takes: [],
      gives: [],
      loss: NOTHING_LOST,
      whole: true,
      machine: cx.machineId,
      needs: [{ gate: `proof:${cx.id}` }],
      waits: [],
      cautions: ['laser'],
    };
    return { steps: { [cx.id]: { step, losses: {} } }, flows: {}, tools: {}, out: [], makesForms: [cx.id] };
  },
  consume(cx) {
    const { ledger, id } = cx;
    const plates = fig(idOf(id, 'plates'));
    ledger.figure(idOf(id, 'imagingS'), IMAGING_TIME, {
      plates,
      each: setting(cx, 'imagingS', practiceTerm(cx.plant, 'plate.imagingS')),
      wedge: practiceTerm(cx.plant, 'plate.wedgeS'),
    });
    ledger.figure(idOf(id, 'cost'), PRICE_OF, { number: plates, price: practiceTerm(cx.plant, 'plate.price') });
    return {
      costs: [...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'imagingS')) }), { figure: idOf(id, 'cost'), kind: 'form', fixed: true }],
      plates: [idOf(id, 'plates')],
    };
  },
  forms: (cx) =>
    plateSets(cx).map((s) => ({
      ...s,
      plates: s.inks.flatMap((ink) => platesOfInk(ink, cx.versions).map((version) => ({ ink, version }))),
    })),
  scene(cx): Scene {
    const shapes: Shape[] = [];
    const press = cx.layout?.sheetMm ?? [740, 600];
    plateSets(cx).forEach((set, row) => {
      shapes.push({
        kind: 'text',
        role: 'strong',
        x: 0,
        y: row * 130 + 12,
        text: set.side === 'both' ? 'one form, both sides' : `form ${row + 1}, ${set.side}`,
        sizeMm: 11,
      });
      set.inks.forEach((ink, i) => {
        const [x, y] = [i * 104, row * 130 + 22];
        shapes.push(
          { kind: 'rect', role: 'unit', x, y, w: 92, h: 74, ref: `plate ${ink} ${set.side}` },
          { kind: 'rect', role: 'ink', ink, x: x + 10, y: y + 12, w: 72, h: 44 },
          { kind: 'rect', role: 'gripper', x, y: y + 64, w: 92, h: 10 },
        );
        for (const hole of [x + 20, x + 72]) shapes.push({ kind: 'circle', role: 'unit', cx: hole, cy: y + 69, r: 2.5 });
        shapes.push({ kind: 'text', role: 'inkName', x: x + 46, y: y + 90, text: platesSay(cx, ink), sizeMm: 11, anchor: 'middle' });
      });
    });
    return {
      title: 'plates',
      says:
        plateSets(cx)
          .map((s) => `${s.side}: ${s.inks.map((ink) => platesSay(cx, ink)).join(', ')}`)
          .join('; ') + `; for a sheet of ${press[0]} by ${press[1]} millimetres`,
      box: { x: -10, y: -6, w: Math.max(...plateSets(cx).map((s) => s.inks.length * 104), 300) + 20, h: plateSets(cx).length * 130 + 10 },
      toScale: false,
      shapes,
    };
  },
  panel: (cx) => [
    { label: 'plates', figure: idOf(cx.id, 'plates') },
    ...plateSets(cx).map((s) => ({
      label: s.side === 'both' ? 'formBoth' : s.side === 'front' ? 'formFront' : 'formBack',
      text: s.inks.join(' '),
    })),
    { label: 'imaging', figure: idOf(cx.id, 'runS') },
    settingRow(cx, 'imagingEach', 'imagingS', practiceTerm(cx.plant, 'plate.imagingS'), { kind: 'seconds', unit: 's' }),
    { label: 'cost', figure: idOf(cx.id, 'cost') },
  ],
  paper: (cx) => [
    {
      department: 'prepress',
      scene: true,
      rows: platemaking.panel(cx),
      lists: [
        {
          title: 'forms',
          head: ['form', 'ink', 'artwork', 'for', 'checked'],
          rows: plateSets(cx).flatMap((s) =>
            s.inks.flatMap((ink) =>
              platesOfInk(ink, cx.versions).map((version) => [
                s.side,
                ink,
                cx.shelf.desks?.approved ?? 'not approved yet',
                version || 'all',
                '☐ scratches  ☐ smallest element',
              ]),
            ),
          ),
        },
      ],
      blanks: ['proof number and date', 'wedge measured (aim 50 % = 50 % on the plate)', 'register holes punched', 'remakes: cause, time'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'plates'), text: cx.machine.name }),
};

/** An ink, and how many plates of it are made where versions have plates of their own. */
const platesSay = (cx: ConsumeContext, ink: string): string => {
  const plates = platesOfInk(ink, cx.versions).length;
  return plates > 1 ? `${ink} × ${plates}` : ink;
};

const PLATES_IN_ALL = {
  id: 'form.platesInAll',
  unit: 'plate',
  source: 'arithmetic',
  of: (t: Record<string, number>) => Object.values(t).reduce((a, b) => a + b, 0),
} as const;
