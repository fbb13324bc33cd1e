/// <reference lib="webworker" />
import { comparedWith, movedBetween, type Planned, planned, propose, riskCurve, sceneOf, substitutes } from '@druckerei/core/planning';
import { applyEdits, type JobSpec, type Plan, type Plant, pulledOf, riverOf, type Shelf } from '@druckerei/core';
import type { Answer, Ask, Preview } from './plan-messages';

/* The only place in the browser that calls plan(). Keeps the last plan for drawings, previews and comparisons. */

let last: { spec: JobSpec; plant: Plant; shelf: Shelf; planned: Planned } | null = null;
let comparing = 0;
const say = (answer: Answer): void => {
  postMessage(answer);
};

addEventListener('message', ({ data }: MessageEvent<Ask>) => {
  const seq = 'seq' in data ? data.seq : 0;
  try {
    answer(data);
  } catch (error) {
    say({ kind: 'failed', seq, says: error instanceof Error ? error.message : String(error) });
  }
});

function answer(ask: Ask): void {
  switch (ask.kind) {
    case 'plan': {
      const from = performance.now();
      last = { spec: ask.spec, plant: ask.plant, shelf: ask.shelf, planned: planned(ask.spec, ask.plant, ask.shelf) };
      const { plan } = last.planned;
      say({
        kind: 'planned',
        seq: ask.seq,
        planning: { plan, river: riverOf(plan) },
        scene: ask.stone === null ? null : sceneOf(last.planned, ask.stone),
        ms: performance.now() - from,
      });
      break;
    }
    case 'scene':
      say({ kind: 'scene', stone: ask.stone, scene: last && sceneOf(last.planned, ask.stone) });
      break;
    case 'preview':
      if (last) {
        const applied = applyEdits(last.spec, ask.edits);
        say({
          kind: 'previewed',
          seq: ask.seq,
          before: previewOf(last.planned.plan),
          after: applied.ok ? previewOf(planned(applied.made, last.plant, last.shelf).plan) : null,
        });
      }
      break;
    case 'moved':
      if (last)
        say({ kind: 'moved', seq: ask.seq, moved: movedBetween(last.planned.plan, planned(last.spec, ask.plant, last.shelf).plan) });
      break;
    case 'risk':
      if (last) say({ kind: 'risk', seq: ask.seq, curve: riskCurve(last.spec, last.plant, last.shelf, ask.item) });
      break;
    case 'compare':
      comparing = ask.seq;
      compareNext(
        ask.seq,
        last ? propose(last.spec, last.plant, last.shelf) : null,
        last ? substitutes(last.spec, last.plant, last.shelf) : null,
      );
      break;
    case 'cancel':
      comparing = 0;
      break;
  }
}

/** One proposal at a time, with a breath between, so that a cancel or a new plan gets in. */
function compareNext(seq: number, proposals: ReturnType<typeof propose> | null, others: ReturnType<typeof substitutes> | null): void {
  const wanted = comparing === seq && last;
  const next = wanted ? proposals?.next() : undefined;
  const other = wanted && next?.done ? others?.next() : undefined;
  if (next && !next.done && last) {
    const row = comparedWith(next.value, last.spec, last.plant, last.shelf);
    if (row) say({ kind: 'compared', seq, row, done: false });
  } else if (other && !other.done) say({ kind: 'substitute', seq, row: other.value });
  else return say({ kind: 'compared', seq, row: null, done: true });
  setTimeout(() => {
    compareNext(seq, proposals, others);
  }, 0);
}

function previewOf(plan: Plan): Preview {
  const total = (key: keyof Plan['totals']): number => plan.figures[plan.totals[key] ?? '']?.value ?? 0;
  return {
    ...pulledOf(plan),
    money: total('money'),
    readyAt: total('readyAt'),
    plates: total('plates'),
    chance: total('chance'),
    worst: plan.findings.find((f) => f.level === 'release')?.code ?? null,
  };
}
