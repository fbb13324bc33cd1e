import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { boxesFilled, sharedInBox } from '../../finishing/rolls-wound';
import { CLOCK_TIME, HANDS_TIME, SECONDS_EACH } from '../../finishing/folding';
import { PRICE_OF } from '../../form/plates';
import type { JobSpec } from '../../product/job-spec';
import { editAt } from '../../product/edit';
import type { PartVersion } from '../../product/versions';
import { formatNumber } from '../../words/format';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import {
  type Consumed,
  type ConsumeContext,
  type DraftContext,
  type OwnRule,
  type PanelRow,
  type PaperPage,
  type Process,
  machineTerm,
  setting,
} from '../process';
import { settingRow } from '../rows';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';

/** A design and how many of it lie in a box. */
export interface InBox {
  version: PartVersion;
  aBox: number;
}
/** The setting of how many of a design lie in a box. */
const boxSetting = (version: Id<'version'>): string => `aBox.${version}`;

/** Designs in a box: as somebody set them, else in the ratio of what is ordered. */
export function inBox(cx: Pick<DraftContext, 'parts' | 'versions' | 'settings'>): InBox[] {
  const shared = sharedInBox(
    cx.versions.map((v) => v.quantity),
    cx.parts[0]?.traits?.wound?.aBox ?? 0,
  );
  return cx.versions.map((version, i) => {
    const set = cx.settings[boxSetting(version.id)];
    return { version, aBox: typeof set === 'number' && set >= 1 ? Math.floor(set) : (shared[i] ?? 1) };
  });
}

/** Designs brought together: so many of each in a box. */
export const assort: Process = {
  id: 'assort',
  joinsVersions: true,
  asks: () => ({}),
  rules: [{ code: 'assort.limits', find: limits }],
  draft(cx) {
    const box = inBox(cx);
    const all = box.reduce((sum, b) => sum + b.aBox, 0);
    const incoming = cx.incoming.map((b) => ({ ...b, times: box.find((d) => d.version.id === b.version)?.aBox ?? all }));
    const lead = incoming[0]?.of;
    return singleStep(
      { ...cx, incoming },
      {
        takesPer: 1,
        givesPer: all,
        unit: 'piece',
        perGood: 1,
        whole: true,
        losses: {},
        cautions: ['lifting'],
        also: [
          {
            port: { flow: idOf(cx.id, 'boxes'), per: 1 },
            flow: { unit: 'piece', part: lead?.part ?? '', item: lead?.item ?? '', perGood: 1 / all, supply: { from: 'buy', leadDays: 5 } },
          },
        ],
        makes: { version: null },
      },
    );
  },
  consume(cx): Consumed {
    const { ledger, id } = cx;
    const all = inBox(cx).reduce((sum, b) => sum + b.aBox, 0);
    const rollS = practiceTerm(cx.plant, 'assort.rollS');
    const rolls = 'value' in rollS ? { ...rollS, value: rollS.value * all, ...(rollS.pm !== undefined && { pm: rollS.pm * all }) } : rollS;
    ledger.figure(idOf(id, 'secondsEach'), SECONDS_EACH, { rolls, box: practiceTerm(cx.plant, 'assort.boxS') });
    ledger.figure(idOf(id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(id, 'run')),
      secondsEach: setting(cx, 'secondsEach', fig(idOf(id, 'secondsEach'))),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    ledger.figure(idOf(id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    ledger.figure(idOf(id, 'boxCost'), PRICE_OF, {
      number: fig(idOf(id, 'boxes.demand')),
      price: practiceTerm(cx.plant, 'assort.boxPrice'),
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')), people: setting(cx, 'people', machineTerm(cx, 'crew')) }),
        { figure: idOf(id, 'boxCost'), kind: 'goods', fixed: false },
      ],
    };
  },
  scene: assortScene,
  panel: assortPanel,
  paper: (cx): PaperPage[] => [
    {
      department: 'packing',
      scene: true,
      rows: assortPanel(cx).filter((r) => r.label !== 'inABox'),
      lists: [
        {
          title: 'designsInBox',
          head: ['design', 'in a box', 'wanted', 'counted in', 'left over'],
          rows: inBox(cx).map(({ version, aBox }) => [
            version.name,
            String(aBox),
            formatNumber(cx.ledger.value(idOf(cx.id, 'run')) * aBox),
            '',
            '',
          ]),
        },
      ],
      blanks: ['boxes filled', 'label of the box', 'rests stored at'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: 'boxes' }),
};

function assortPanel(cx: ConsumeContext): PanelRow[] {
  const { limits, boxes } = asOrdered(cx);
  return [
    { label: 'boxesFilled', figure: idOf(cx.id, 'boxes.demand') },
    ...inBox(cx).map(({ version, aBox }): PanelRow => ({
      label: 'inABox',
      text: `${aBox} ${version.name}`,
      edit: { at: ['choices', 'settings', cx.stone, boxSetting(version.id)], kind: 'count' },
    })),
    { label: 'limitingDesign', text: limits ? `${limits}: ${formatNumber(boxes)} boxes` : 'none, all come out even' },
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    { label: 'secondsABox', figure: idOf(cx.id, 'secondsEach') },
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ];
}

/** Boxes that the ordered rolls fill: which design limits them, where they do not come out even, and what is left of each. */
function asOrdered(cx: ConsumeContext): { boxes: number; limits: string; left: { name: string; left: number }[] } {
  const box = inBox(cx);
  const { boxes, limits, left } = boxesFilled(box.map(({ version, aBox }) => ({ rolls: version.quantity, aBox })));
  const rests = left.map((n, i) => ({ name: box[i]?.version.name ?? '', left: n }));
  return { boxes, limits: rests.every((r) => r.left === 0) ? '' : (box[limits]?.version.name ?? ''), left: rests };
}

/** Ordered so, boxes do not come out even: one design limits them, of the others rolls are left. */
function limits(cx: ConsumeContext, spec: JobSpec): ReturnType<OwnRule['find']> {
  const { boxes, limits: name, left } = asOrdered(cx);
  if (name === '') return [];
  const edits = inBox(cx).flatMap(({ version, aBox }) =>
    Object.entries(spec.items).flatMap(([id, item]) =>
      item.versions[version.id] && boxes > 0 ? [editAt(spec, ['items', id, 'versions', version.id, 'quantity'], boxes * aBox)] : [],
    ),
  );
  return [
    {
      level: 'know',
      figure: idOf(cx.id, 'run'),
      args: {
        design: name,
        boxes,
        left: left
          .filter((r) => r.left > 0)
          .map((r) => `${formatNumber(r.left)} of ${r.name}`)
          .join(', '),
      },
      remedies:
        edits.length > 0 && Object.keys(spec.items).length === 1 ? [{ do: 'edit', says: 'remedy.evenBoxes', args: { boxes }, edits }] : [],
    },
  ];
}

/** Rolls drawn in a box at most. */
const MOST_DRAWN = 120;

/** A box with the rolls of each design standing in it. */
function assortScene(cx: ConsumeContext): Scene {
  const box = inBox(cx);
  const all = box.reduce((sum, b) => sum + b.aBox, 0);
  // Of very many each stands for its share.
  const share = Math.min(1, MOST_DRAWN / all);
  const rolls = box.flatMap(({ version, aBox }) => Array.from({ length: Math.max(Math.round(aBox * share), 1) }, () => version.name));
  const across = Math.max(Math.ceil(Math.sqrt(rolls.length)), 1);
  const [r, gap] = [16, 4];
  const shapes: Shape[] = [
    {
      kind: 'rect',
      role: 'carton',
      x: -gap,
      y: -gap,
      w: across * (2 * r + gap) + gap,
      h: Math.ceil(rolls.length / across) * (2 * r + gap) + gap,
      ref: 'box',
    },
    ...rolls.flatMap((name, i): Shape[] => {
      const [x, y] = [r + (i % across) * (2 * r + gap), r + Math.floor(i / across) * (2 * r + gap)];
      return [
        { kind: 'circle', role: 'roll', cx: x, cy: y, r, ref: name },
        {
          kind: 'text',
          role: 'label',
          x,
          y: y + 3,
          text: name,
          sizeMm: Math.min(8, (2.6 * r) / Math.max(name.length, 1)),
          anchor: 'middle',
        },
      ];
    }),
  ];
  return {
    title: 'mixed box',
    says: `A box holds ${box.map(({ version, aBox }) => `${aBox} of ${version.name}`).join(', ')}.`,
    box: boxAround(shapes, 10),
    toScale: false,
    shapes,
  };
}
