import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Scene, Shape } from '../scene/scene';
import { practiceTerm, practiceValue } from '../plant/practice';
import type { Flow, Port, Supply } from '../flow/net';
import { CLOCK_TIME, HANDS_TIME, SECONDS_EACH } from '../finishing/folding';
import { PRICE_OF } from '../form/plates';
import { STEP_SETUP } from '../counts/loss-terms';
import {
  type ConsumeContext,
  type Consumed,
  type DraftContext,
  type PanelRow,
  type Process,
  machineTerm,
  lossTable,
  setting,
  settingPath,
  settingRow,
} from './process';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';
import { ownSetupTerm, runningLossTerm, stepLosses } from './step-losses';

/** A piece put on by hand, so many on each copy. */
export interface AppliedPiece {
  id: Id<'piece'>;
  name: string;
  secondsEach: number;
  each: number;
  supply: Supply;
}
declare module '../product/part' {
  interface Traits {
    applied: AppliedPiece[];
    envelope: { name: string; sealed: boolean; supply: Supply };
  }
}

/** One thing done to a piece at the bench: seconds, and what is put on. */
interface Motion {
  key: string;
  name: string;
  seconds: Term;
  each: number;
  /** Where it comes from; null: nothing is put on. */
  supply: Supply | null;
  price: Term;
}

/** Work of hands as a process: what is done to each piece tells the rest. */
function handsProcess(id: Id<'process'>, motions: (cx: DraftContext) => Motion[], cautions: string[], joins = false): Process {
  const people = (cx: DraftContext): Term => setting(cx, 'people', machineTerm(cx, 'crew'));
  const rows = (cx: ConsumeContext): PanelRow[] => [
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    settingRow(cx, 'secondsEach', 'secondsEach', typed(cx.ledger.value(idOf(cx.id, 'secondsEach')), 's', 'motions'), {
      kind: 'seconds',
      unit: 's',
    }),
    { label: 'handsTime', figure: idOf(cx.id, 'handsS') },
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
    ...motions(cx)
      .filter((m) => m.supply)
      .map((m) => ({ label: 'suppliedPieces', text: m.name, figure: `${cx.id}.${m.key}.demand` })),
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
  ];
  return {
    id,
    losses: { setup: 'hands.setupPieces', running: 'hands.runningPpm' },
    ...(joins && { joins }),
    asks: () => ({}),
    draft(cx) {
      const losses = stepLosses(cx, cx.id, (cx) => ({
        setup: {
          formula: STEP_SETUP,
          terms: { fresh: practiceTerm(cx.plant, 'hands.setupPieces'), factor: typed(cx.keeps === null ? 1 : 0, '1', 'none') },
          own: ownSetupTerm(cx),
        },
        runningPpm: runningLossTerm(cx, 'hands.runningPpm'),
        table: lossTable(cx),
      }));
      const lead = cx.incoming[0]?.of;
      const also = motions(cx)
        .filter((m) => m.supply)
        .map((m): { port: Port; flow: Flow } => ({
          port: { flow: idOf(cx.id, m.key), per: m.each, spoilPpm: practiceValue(cx.plant, 'hands.pieceSpoilPpm') },
          flow: { unit: 'piece', part: lead?.part ?? '', item: lead?.item ?? '', perGood: m.each, supply: m.supply ?? { from: 'here' } },
        }));
      return singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses, also, cautions });
    },
    consume(cx): Consumed {
      const { ledger } = cx;
      const list = motions(cx);
      ledger.figure(idOf(cx.id, 'secondsEach'), SECONDS_EACH, Object.fromEntries(list.map((m) => [m.name, m.seconds])));
      ledger.figure(idOf(cx.id, 'handsS'), HANDS_TIME, {
        pieces: fig(idOf(cx.id, 'run')),
        secondsEach: setting(cx, 'secondsEach', fig(idOf(cx.id, 'secondsEach'))),
        rest: setting(cx, 'rest', practiceTerm(cx.plant, 'hands.restShare')),
      });
      ledger.figure(idOf(cx.id, 'clockS'), CLOCK_TIME, { handsS: fig(idOf(cx.id, 'handsS')), people: people(cx) });
      const goods = list
        .filter((m) => m.supply)
        .map((m) => {
          ledger.figure(`${cx.id}.${m.key}.cost`, PRICE_OF, { number: fig(`${cx.id}.${m.key}.demand`), price: m.price });
          return { figure: `${cx.id}.${m.key}.cost`, kind: 'goods' as const, fixed: false, per: `${cx.id}.${m.key}.demand` };
        });
      return { costs: [...goods, ...timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'clockS')), people: people(cx) })] };
    },
    paper: (cx) => [
      {
        department: 'bench',
        scene: true,
        rows: rows(cx),
        lists: [
          {
            title: 'motions',
            head: ['what', 'seconds', 'each'],
            rows: motions(cx).map((m) => [m.name, String(Math.round(termValue(cx, m.seconds) * 10) / 10), m.supply ? String(m.each) : '–']),
          },
        ],
        blanks: ['pieces counted in', 'spoilt, by reason'],
      },
    ],
    scene: (cx) => handsScene(cx, motions(cx), Math.max(Math.round(termValue(cx, people(cx))), 1)),
    panel: rows,
    summary: (cx) => ({ text: `${cx.machine.name} · ${Math.round(termValue(cx, people(cx)))} people` }),
  };
}

const termValue = (cx: DraftContext, term: Term): number => ('fig' in term ? cx.ledger.value(term.fig) : term.value);

/** Pieces put on by hand: a ribbon, a seal, a tipped-in sample. */
export const applyByHand = handsProcess(
  'apply',
  (cx) =>
    (cx.parts[0]?.traits?.applied ?? []).map((p) => ({
      key: p.id,
      name: p.name,
      seconds: typed(p.secondsEach * p.each, 's', `applied:${p.id}`),
      each: p.each,
      supply: p.supply,
      price: practiceTerm(cx.plant, 'piece.price'),
    })),
  ['repetition'],
);

/** Into the envelope, and sealed. */
export const envelope = handsProcess(
  'envelope',
  (cx) => {
    const wanted = cx.parts[0]?.traits?.envelope;
    if (!wanted) return [];
    return [
      {
        key: 'envelopes',
        name: wanted.name,
        seconds: practiceTerm(cx.plant, 'hands.insertS'),
        each: 1,
        supply: wanted.supply,
        price: practiceTerm(cx.plant, 'envelope.price'),
      },
      ...(wanted.sealed
        ? [
            {
              key: 'seal',
              name: 'seal',
              seconds: practiceTerm(cx.plant, 'hands.sealS'),
              each: 0,
              supply: null,
              price: practiceTerm(cx.plant, 'piece.price'),
            },
          ]
        : []),
    ];
  },
  ['repetition'],
);

/** Products put together by hand into a set. */
export const assemble = handsProcess(
  'assemble',
  (cx) =>
    cx.incoming.map((f, i) => ({
      key: `part${i + 1}`,
      name: f.flow,
      seconds: practiceTerm(cx.plant, 'hands.insertS'),
      each: 1,
      supply: null,
      price: practiceTerm(cx.plant, 'piece.price'),
    })),
  ['repetition'],
  true,
);

/** People at the bench, what each piece gets, and the seconds as bars to one scale. */
function handsScene(cx: ConsumeContext, motions: Motion[], people: number): Scene {
  const shapes: Shape[] = [];
  const shown = Math.min(people, 12);
  for (let i = 0; i < shown; i++)
    shapes.push(
      { kind: 'circle', role: 'person', cx: 18 + i * 30, cy: 14, r: 7, ref: `person ${i + 1}` },
      {
        kind: 'path',
        role: 'person',
        points: [
          [8 + i * 30, 40],
          [12 + i * 30, 25],
          [24 + i * 30, 25],
          [28 + i * 30, 40],
        ],
        closed: true,
      },
    );
  shapes.push({ kind: 'rect', role: 'pallet', x: 0, y: 42, w: Math.max(shown * 30 + 6, 200), h: 5 });
  const total = Math.max(...motions.map((m) => termValue(cx, m.seconds)), 1);
  motions.forEach((m, i) => {
    const y = 64 + i * 24;
    const s = termValue(cx, m.seconds);
    shapes.push(
      { kind: 'rect', role: 'bar', x: 0, y, w: (240 * s) / total, h: 12, ref: m.name },
      { kind: 'text', role: 'strong', x: 4, y: y + 9.5, text: `${m.name}, ${Math.round(s * 10) / 10} s`, sizeMm: 9 },
    );
  });
  return {
    title: 'hands',
    says: `${people} people; each piece: ${motions.map((m) => `${m.name} ${termValue(cx, m.seconds)} seconds`).join(', ')}`,
    box: { x: -6, y: 0, w: Math.max(shown * 30 + 18, 262), h: 72 + motions.length * 24 },
    toScale: false,
    shapes,
  };
}
