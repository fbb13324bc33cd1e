import type { Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm, practiceValue } from '../../plant/practice';
import {
  CLOSED,
  INNERMOST_CREEP,
  LEAVES_KG,
  MEASURED_CREEP,
  PAPER_UM,
  ROUND_SCHOOL,
  STITCH_WIRE,
  WIRE_KG,
  WIRE_METRES,
} from '../../finishing/stitching';
import { PRICE_OF } from '../../form/plates';
import { type Draft, type DraftContext, type Process, limitTerm } from '../process';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { caliperTerm } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { copiesWaste, flatMasses } from '../gathered-masses';
import { sectionsSet, stockIdOf } from '../sections-chosen';
import { feederOrder } from './gathered';
import { stitchPanel, stitchPaper, stitchSummary } from './stitch-page';
import { STITCH_RULES } from './stitch-rules';
import { stitchScene } from './stitch-scene';
import { marginsOf } from './stitch-settings';

const LOSSES = { setup: 'stitch.setupCopies', running: 'stitch.runningPpm', samples: 'stitch.samples' } as const;

/** Gather in one another, stitch through the fold, trim three sides: one line of machines, one booklet a cycle. */
export const stitch: Process = {
  id: 'stitch',
  abilities: ['feeders', 'thickMm', 'opensFirstPages'],
  rules: STITCH_RULES,
  losses: LOSSES,
  asks: (cx) => {
    const set = sectionsSet(cx);
    return {
      section: marginsOf(cx),
      feeders: cx.machine.limits.feeders ?? practiceValue(cx.plant, 'stitch.feeders'),
      ...(set.length > 0 && { sections: set }),
    };
  },
  draft(cx): Draft {
    bookletFigures(cx);
    const [lead] = cx.parts;
    const draft = singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: ['stitchWire', 'trimKnives', 'rollers', 'paperDust'],
      makes: {
        section: null,
        bundle: {
          footprintMm: [lead?.widthMm ?? 0, lead?.heightMm ?? 0],
          pieces: 1,
          layerMm: cx.ledger.value(idOf(cx.id, 'closedMm')),
          paperMm2: 0,
          together: 1,
          kg: idOf(cx.id, 'copyKg'),
        },
      },
    });
    // What comes out is the booklet, no section any more.
    draft.flows = Object.fromEntries(Object.entries(draft.flows).map(([id, { section: _, ...flow }]) => [id, flow]));
    return draft;
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'wireM'), WIRE_METRES, {
      copies: fig(idOf(id, 'run')),
      stitches: typed(cx.parts[0]?.traits?.stitched?.stitches ?? 0, '1', 'stitches'),
      eachMm: fig(idOf(id, 'stitchMm')),
    });
    ledger.figure(idOf(id, 'wireKg'), WIRE_KG, {
      metres: fig(idOf(id, 'wireM')),
      diameterMm: practiceTerm(cx.plant, 'stitch.wireMm'),
      kgPerM3: practiceTerm(cx.plant, 'stitch.wireKgPerM3'),
    });
    ledger.figure(idOf(id, 'wireCost'), PRICE_OF, {
      number: fig(idOf(id, 'wireKg')),
      price: practiceTerm(cx.plant, 'stitch.wirePricePerKg'),
    });
    return {
      // Copies are of several papers: what is lost of them is weighed here.
      wasteKg: copiesWaste(cx, { run: idOf(id, 'run'), good: idOf(id, 'good') }),
      costs: [
        ...timeAndCost(cx, {
          step: id,
          forms: typed(feederOrder(cx).length, '1', 'feeders'),
          perFormS: practiceTerm(cx.plant, 'stitch.perFeederS'),
        }),
        { figure: idOf(id, 'wireCost'), kind: 'goods', fixed: false },
      ],
    };
  },
  paper: stitchPaper,
  scene: stitchScene,
  panel: stitchPanel,
  summary: stitchSummary,
};

/** Paper, thickness, creep, wire and mass of one booklet. */
function bookletFigures(cx: DraftContext): void {
  const { ledger, id, plant } = cx;
  const papers: Record<string, Term> = {};
  const masses: Record<string, Term> = {};
  let innermost: Term = typed(0, 'µm', 'none');
  for (const part of cx.parts) {
    const stockId = stockIdOf(cx, part);
    const stock = stockId === null ? null : (plant.stocks[stockId] ?? null);
    const caliperUm = caliperTerm({ shelf: cx.shelf, stockId, stock });
    const pages = part.traits?.bound?.pages ?? 0;
    const paper = idOf(idOf(id, part.role), 'paperUm');
    ledger.figure(paper, PAPER_UM, { sheets: typed(pages / 4, 'sheet', 'pages'), caliperUm });
    papers[part.role] = fig(paper);
    const kg = idOf(idOf(id, part.role), 'leavesKg');
    ledger.figure(kg, LEAVES_KG, {
      leaves: typed(pages / 2, '1', 'pages'),
      widthMm: typed(part.widthMm, 'mm', 'widthMm'),
      heightMm: typed(part.heightMm, 'mm', 'heightMm'),
      gsm: { value: stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${stockId ?? ''}` },
    });
    masses[part.role] = fig(kg);
    if (part.traits?.stitched) innermost = caliperUm;
  }
  ledger.figure(idOf(id, 'copyKg'), SUM, masses, 'kg');
  ledger.figure(idOf(id, 'gatheredKg'), SUM, flatMasses(cx), 'kg');
  ledger.figure(idOf(id, 'closedMm'), CLOSED, papers);
  const stitched = cx.parts.find((p) => p.traits?.stitched)?.traits?.stitched;
  const isDummy = stitched?.creep === 'dummy';
  ledger.figure(idOf(id, isDummy ? 'reckonedCreepMm' : 'creepMm'), INNERMOST_CREEP, {
    ...papers,
    innermostUm: innermost,
    school: typed(stitched?.creep === 'round' ? ROUND_SCHOOL : 1, '1', 'creep'),
  });
  if (isDummy) ledger.figure(idOf(id, 'creepMm'), MEASURED_CREEP, { measured: typed(stitched.dummyMm, 'mm', 'dummyMm') });
  ledger.figure(idOf(id, 'stitchMm'), STITCH_WIRE, {
    closedMm: fig(idOf(id, 'closedMm')),
    crownMm: practiceTerm(plant, 'stitch.crownMm'),
    clinchMm: practiceTerm(plant, 'stitch.clinchMm'),
  });
  ledger.figure(idOf(id, 'mostMm'), SUM, { most: limitTerm(cx, 'thickMm', practiceTerm(plant, 'stitch.mostMm')) }, 'mm');
}
