import type { Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import type { PracticeKey } from '../../plant/practice';
import { practiceTerm } from '../../plant/practice';
import { BEAD_MM, GLUE_KG, GLUER_GROSS, GLUER_NET } from '../../finishing/folder-gluer';
import { PRICE_OF } from '../../form/plates';
import type { Gluing, GlueWork } from '../../product/die-line/gluing';
import { type ConsumeContext, type Process, setting } from '../process';
import { SETUP_BY_WORK } from './glue-setup';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { isSetAlready, repeatFactor, timeAndCost } from '../time-and-cost';
import { gluePanel, gluePaper, glueSummary } from './glue-page';
import { GLUE_RULES } from './glue-rules';
import { glueScene } from './glue-scene';

declare module '../../product/part' {
  interface Traits {
    /** Folded and glued on a folder-gluer. */
    glued: Gluing;
    /** The code a reader looks at on every blank: look-alikes share a form. */
    readerCode: string;
  }
}

const LOSSES = { setup: 'glue.setupSheets', running: 'glue.runningPpm', samples: 'glue.samples', again: 'glue.againSheets' } as const;
const LOSSES_OF_LININGS = { ...LOSSES, setup: 'glue.liningSetupSheets', samples: 'glue.liningSamples' } as const;

/** Speed, gap, most and setup by how hard a blank is to fold. */
const KEYS: Readonly<Record<GlueWork, Record<'speed' | 'gap' | 'most' | 'setup', PracticeKey>>> = {
  lining: { speed: 'glue.liningSpeed', gap: 'glue.liningGapMm', most: 'glue.liningMost', setup: 'glue.liningSetupS' },
  seam: { speed: 'glue.seamSpeed', gap: 'glue.seamGapMm', most: 'glue.seamMost', setup: 'glue.seamSetupS' },
  autoBottom: { speed: 'glue.autoBottomSpeed', gap: 'glue.autoBottomGapMm', most: 'glue.autoBottomMost', setup: 'glue.autoBottomSetupS' },
  fourCorner: { speed: 'glue.fourCornerSpeed', gap: 'glue.fourCornerGapMm', most: 'glue.fourCornerMost', setup: 'glue.fourCornerSetupS' },
};

/** Folder-gluer: blanks run one after another, creases are broken and folded by belts, glue lies in beads, pressed until it holds. */
export const glue: Process = {
  id: 'glue',
  rules: GLUE_RULES,
  losses: LOSSES,
  againS: 'glue.againS',
  suits: (_machine, parts) => parts.every((p) => p.traits?.glued !== undefined),
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, cx.parts[0]?.traits?.glued?.work === 'lining' ? LOSSES_OF_LININGS : LOSSES),
      cautions: ['belts', 'repetition'],
    }),
  consume(cx) {
    const { ledger, id } = cx;
    const gluing = cx.parts[0]?.traits?.glued;
    const keys = KEYS[gluing?.work ?? 'seam'];
    ledger.figure(idOf(id, 'runMm'), RUN_MM, { extent: typed(gluing?.runMm ?? 0, 'mm', 'die line') });
    ledger.figure(idOf(id, 'gross'), GLUER_GROSS, {
      metresAMinute: practiceTerm(cx.plant, keys.speed),
      extentMm: fig(idOf(id, 'runMm')),
      gapMm: practiceTerm(cx.plant, keys.gap),
      mostAnHour: practiceTerm(cx.plant, keys.most),
    });
    ledger.figure(idOf(id, 'rate'), GLUER_NET, { gross: fig(idOf(id, 'gross')), share: practiceTerm(cx.plant, 'glue.netShare') });
    ledger.figure(
      idOf(id, 'beadMm'),
      BEAD_MM,
      Object.fromEntries((gluing?.beads ?? []).map((b) => [b.name, typed(b.jointMm, 'mm', 'die line')])),
    );
    ledger.figure(idOf(id, 'glueKg'), GLUE_KG, {
      beadMm: fig(idOf(id, 'beadMm')),
      gPerM: practiceTerm(cx.plant, 'glue.gPerM'),
      blanks: fig(idOf(id, 'run')),
    });
    ledger.figure(idOf(id, 'glueCost'), PRICE_OF, { number: fig(idOf(id, 'glueKg')), price: practiceTerm(cx.plant, 'glue.pricePerKg') });
    ledger.figure(idOf(id, 'setupOfWorkS'), SETUP_BY_WORK, {
      usualS: practiceTerm(cx.plant, isSetAlready(cx) ? 'glue.againS' : keys.setup),
      factor: isSetAlready(cx) ? typed(1, '1', 'same outline') : repeatFactor(cx),
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, perHour: rateTerm(cx), setupFactor: setting(cx, 'setupS', fig(idOf(id, 'setupOfWorkS'))) }),
        { figure: idOf(id, 'glueCost'), kind: 'goods', fixed: false },
      ],
    };
  },
  paper: gluePaper,
  scene: glueScene,
  panel: gluePanel,
  summary: glueSummary,
};

/** As set on the step, else what the belts allow over a shift. */
const rateTerm = (cx: ConsumeContext): Term =>
  typeof cx.settings['perHour'] === 'number' ? typed(cx.settings['perHour'], '1/h', 'perHour') : fig(idOf(cx.id, 'rate'));

/** The blank along the creases the belts fold. */
const RUN_MM = {
  id: 'glue.runMm',
  unit: 'mm',
  source: 'geometry of the die line',
  of: ({ extent }: Record<'extent', number>) => extent,
} as const;
