import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Edit, editAt } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { FORMULAS, label } from '../../words/en';
import { JobSpecSchema } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { planned } from '../plan';
import { editSays } from './edit-says';
import { idSays, termSays } from './id-says';

const ORDERS = JSON.parse(readFileSync(join(__dirname, '../../../../demo/orders.json'), 'utf8')) as { spec: unknown }[];
const SPECS = ORDERS.map((o) => JobSpecSchema.parse(o.spec));

/** What only a program says: camelCase, ids with dots, keys with @, seconds since 1970. */
const ofPrograms = (said: string): boolean => /[a-z][A-Z]|[a-z0-9]\.[a-z]|@|\d{9}|undefined|\[object/.test(said);

it.each(SPECS.map((spec) => [spec.name, spec] as const))('every working says in words what went into it: %s', (_name, spec) => {
  const { plan } = planned(spec, LINDMOOR, SHELF);
  const said = Object.values(plan.figures).flatMap((f) =>
    Object.entries(f.terms).flatMap(([name, term]) => [
      FORMULAS[f.formula]?.terms?.[name] ?? termSays(name, plan.stones),
      ...('from' in term ? [label(term.from)] : []),
    ]),
  );
  expect(said.length).toBeGreaterThan(100);
  expect([...new Set(said.filter(ofPrograms))]).toEqual([]);
});

/** Every value a specification holds, as if it had just been typed. */
function edits(spec: JobSpec): Edit[] {
  const walk = (value: unknown, at: string[]): string[][] =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? [...(at.length > 1 ? [at] : []), ...Object.entries(value).flatMap(([key, v]) => walk(v, [...at, key]))]
      : [at];
  return walk(spec, []).map((at) => ({ ...editAt(spec, at, undefined), now: editAt(spec, at, undefined).was }));
}

it.each([...SPECS, everything()].map((spec) => [spec.name, spec] as const))('the history says every change in words: %s', (_name, spec) => {
  const said = edits(spec).flatMap((edit) => {
    const { place, was } = editSays(edit, spec, LINDMOOR);
    return [place, was].filter(ofPrograms).map((s) => `${edit.at.join('/')}: ${s}`);
  });
  expect(said).toEqual([]);
});

/** A card on which everything was set that can be. */
function everything(): JobSpec {
  const spec = cardSpec(10_000);
  const stones = planned(spec, LINDMOOR, SHELF).plan.stones;
  const at = stones.flatMap((s) => s.panel).flatMap((row) => (row.edit?.at[1] === 'settings' ? [row.edit.at] : []));
  const settings: JobSpec['choices']['settings'] = {};
  for (const [, , id = '', name = ''] of at) settings[id] = { ...settings[id], [name]: 3 };
  return JobSpecSchema.parse({
    ...spec,
    name: 'Everything set',
    choices: {
      ...spec.choices,
      settings: { ...settings, 'card.card.cut': { ...settings['card.card.cut'], returnBy: '2026-12-03', waitS: 7_200 } },
      machine: { 'card.card.print': 'press3' },
      layout: {
        'card.card': {
          value: { cells: [{ x: 0, y: 0, nx: 2, ny: 2, dx: 300, dy: 150, turn: 0 }] },
          by: 'planner',
          question: 'b'.repeat(40),
        },
      },
      supply: { 'card.envelope': { from: 'buy', leadDays: 3 } },
      aim: { i1: 12_000 },
      route: { drop: ['card.card.foil'] },
      process: { 'card.card.cut': 'guillotine' },
      certainty: 0.95,
    },
    overrides: { 'card.card.print.back.setupCycles': { value: 200, reason: 'by experience', by: 'Planner', until: 1_796_000_000 } },
    decisions: { 'risk.short@job': { by: 'Planner', reason: 'the customer takes what comes', at: 1_796_000_000 } },
    gates: { g1: { kind: 'fileProof', version: 'v2', who: 'customer', by: '2026-12-03T14:00', holds: 'card.card.print' } },
    again: 2403,
  });
}

it('says a wait in hours, a share in per cent and a decision without its figures', () => {
  const spec = everything();
  const was = (at: string[]) => editSays(editAt(spec, at, undefined), spec, LINDMOOR);
  expect(was(['choices', 'settings', 'card.card.cut', 'waitS'])).toEqual({ place: 'wait before, Cut', was: '2 h', now: 'nothing' });
  expect(was(['decisions', 'risk.short@job', 'reason']).place).toBe('decided, … in 100 such jobs fall short');
});

it('calls a pass, an ink and a setting of a stone by their words', () => {
  const { stones } = planned(cardSpec(), LINDMOOR, SHELF).plan;
  expect(termSays('card.card.print.back.setupS', stones)).toBe('Print, back, setup time');
  expect(termSays('wait turn 1', stones)).toBe('ink dries before turning');
  expect(termSays('i2', stones)).toBe('order line 2');
  expect(idSays('card.card.print.back.setupCycles', cardSpec())).toBe('Print, back, setup');
});
