import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm, practiceValue } from '../../plant/practice';
import type { Step } from '../../flow/net';
import type { LossTerms } from '../../flow/solve-backward';
import { PILE_SHEETS, PILES } from '../../stock/pile';
import type { PartVersion } from '../../product/versions';
import { printsOf } from '../../layout/form';
import { INK_IN_ALL } from '../../ink/ink-mass';
import { type LossesSaid, OFFSET_SETUP, VERSION_SETUP } from '../../counts/loss-terms';
import { type Consumed, type Draft, type DraftContext, type Process, limitTerm, lossTable, setting } from '../process';
import { onwards } from '../batch';
import { fitsWorkStyle } from '../../layout/work-style';
import { type Pass, formsOfRun, inkMasses, inksOf, plateRemakes, pressAbility, unitInks } from '../press-inks';
import { REGISTER_ABILITIES } from '../register-of';
import { lossNumbers } from '../single-step';
import { ownSetupTerm, runningLossTerm, stepLosses } from '../step-losses';
import { caliperTerm } from '../stock-terms';
import { repeatFactor, timeAndCost } from '../time-and-cost';
import { offsetPanel, offsetPaper, offsetSummary } from './offset-page';
import { pressScene } from './offset-scene';
import { OFFSET_RULES } from './offset-rules';
import { inPass, NONE, passesOf, registersOf, runsByPass } from './passes';

/** Whose setting a run finds in the press: of the version before it in the pass, or of the pass before where the same plates stay. */
function keepsFrom(run: Pass, runs: readonly Pass[], before: Pass | null, cx: DraftContext): { keepsFrom?: Id<'step'> } {
  const last = runs[runs.indexOf(run) - 1];
  if (last) return { keepsFrom: last.id };
  if (run.again && cx.keeps !== null) return { keepsFrom: cx.keeps };
  return run.samePlates && before ? { keepsFrom: before.id } : {};
}

/** What a run loses: the form's setup; of a form that is in the press a part; of the next version the plates changed. */
const passLosses = (cx: DraftContext, run: Pass): LossTerms =>
  stepLosses<string, DraftContext>(inPass(cx, run), run.id, (cx): LossesSaid<string> => {
    const running = {
      runningPpm: runningLossTerm(cx, 'offset.runningPpm'),
      table: lossTable(cx, run.inks.length),
      samples: setting(cx, 'samples', practiceTerm(cx.plant, 'offset.samples')),
    };
    const perUnit = practiceTerm(cx.plant, 'offset.setupUnitSheets');
    if (run.again)
      return { setup: { formula: VERSION_SETUP, terms: { changed: typed(run.hung.length, 'plate', 'versions'), perUnit } }, ...running };
    return {
      setup: {
        formula: OFFSET_SETUP,
        terms: {
          fourColour: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'offset.setupFourSheets')),
          perUnit,
          inks: typed(unitInks(run.inks, cx.machine).length, '1', 'colours'),
          factor: run.samePlates ? practiceTerm(cx.plant, 'offset.setupSamePlates') : repeatFactor(cx),
        },
        own: ownSetupTerm(cx),
      },
      ...running,
    };
  });

/** Sheet-fed offset: passes by work style, plates and ink of each, turn wait, setup and running loss of every pass. */
export const offset: Process = {
  id: 'offset',
  feeds: true,
  abilities: [
    'gripperMm',
    'tailMm',
    'sideMm',
    'colourBarMm',
    'pileMm',
    'units',
    'perfects',
    'unitsBeforeTurn',
    'turnUm',
    'coater',
    'lamps',
    'perPlateS',
    'zones',
    'zoneMm',
    ...REGISTER_ABILITIES,
  ],
  reach: 'sheet',
  rules: OFFSET_RULES,
  losses: { setup: 'offset.setupFourSheets', running: 'offset.runningPpm' },
  suits: (machine, parts) =>
    Math.max(...printsOf(parts.map((p) => p.colours)).map((inks) => unitInks(inks, machine).length)) <= (machine.limits.units ?? 0),
  // Sheets that are folded to sections are perfected where a press can.
  prefers: (machine, parts) =>
    parts.every((p) => p.traits?.bound === undefined || p.colours.some((inks) => inks.length === 0)) ||
    fitsWorkStyle('perfect', printsOf(parts.map((p) => p.colours)), pressAbility(machine)),
  asks: (cx) => ({
    gripperMm: cx.machine.limits.gripperMm ?? 0,
    tailMm: cx.machine.limits.tailMm ?? 0,
    sideMm: cx.machine.limits.sideMm ?? 0,
    colourBarMm: cx.machine.limits.colourBarMm ?? 0,
    ...(cx.machine.minSheetMm && { minSheetMm: cx.machine.minSheetMm }),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),

  draft(cx): Draft {
    const lead = cx.incoming[0];
    const draft: Draft = { steps: {}, flows: {}, tools: {}, out: [] };
    if (!lead) return draft;
    // What lies before the next pass: one batch, or one of each version.
    let piles: { version: PartVersion | null; flow: Id<'flow'>; by: Pass | null }[] = [{ version: cx.version, flow: lead.flow, by: null }];
    const passes = passesOf(cx);
    for (const runs of runsByPass(passes).values()) {
      piles = runs.map((run) => {
        const pile = piles.find((p) => p.version?.id === run.version?.id) ?? piles[0];
        const losses = passLosses(cx, run);
        const out = idOf(run.id, 'out');
        const before = pile?.by ?? null;
        draft.steps[run.id] = {
          losses,
          step: {
            process: cx.process,
            stone: cx.stone,
            takes: [{ flow: pile?.flow ?? lead.flow, per: 1 }],
            gives: [{ flow: out, per: 1 }],
            loss: lossNumbers(losses, cx.ledger),
            whole: true,
            machine: cx.machineId,
            needs: [],
            after: cx.formsFrom,
            waits: before ? [dryWait(cx, before.id, run.id, before.side === run.side ? 'pass' : 'turn')] : [],
            ...keepsFrom(run, runs, before, cx),
            inks: run.inks,
            prints: run.prints,
            cautions: ['nips', 'solvents', cx.inkSeries?.lampDried ? 'lamps' : 'powder'],
          },
        };
        const { supply: _, ...sheets } = lead.of;
        draft.flows[out] = { ...sheets, unit: 'sheet', ...(run.version && { version: run.version.id }) };
        return { version: run.version, flow: out, by: run };
      });
    }
    draft.out = piles.map(({ flow, version }) => {
      // Oxidising ink has to dry: of every pass this pile went through.
      const wet = passes.filter((p) => p.version === null || p.version.id === version?.id).map((p) => p.id);
      return onwards(cx.incoming, flow, { version: version?.id ?? null, ...(!cx.inkSeries?.lampDried && { wet }) });
    });
    return draft;
  },

  consume(cx): Consumed {
    const costs: Consumed['costs'] = [];
    const inkKg: Id<'figure'>[] = [];
    const plates: Id<'figure'>[] = [];
    for (const pass of passesOf(cx)) {
      costs.push(
        ...timeAndCost(cx, {
          step: pass.id,
          setupShare: pass.samePlates ? practiceValue(cx.plant, 'offset.setupSamePlates') : 1,
          ...formsOfRun(cx, pass),
          perFormS: limitTerm(cx, 'perPlateS', { value: 180, unit: 's', from: 'plant', at: 'practice' }),
        }),
      );
      for (const ink of inksOf(cx, pass)) {
        inkKg.push(ink.kg);
        costs.push(...ink.costs);
      }
      if (!pass.samePlates && pass.hung.length > 0) {
        plates.push(plateRemakes(cx, pass));
        costs.push({ figure: idOf(pass.id, 'remakeCost'), kind: 'form', fixed: false });
      }
    }
    const first = passesOf(cx)[0];
    if (first) {
      cx.ledger.figure(idOf(cx.id, 'perPile'), PILE_SHEETS, {
        heightMm: limitTerm(cx, 'pileMm', { value: 1_000, unit: 'mm', from: 'plant', at: 'practice' }),
        caliperUm: caliperTerm(cx),
      });
      cx.ledger.figure(idOf(cx.id, 'piles'), PILES, { sheets: fig(idOf(first.id, 'run')), perPile: fig(idOf(cx.id, 'perPile')) });
    }
    for (const { kg, runs } of inkMasses(passesOf(cx)))
      if (!cx.ledger.has(kg)) cx.ledger.figure(kg, INK_IN_ALL, Object.fromEntries(runs.map((run) => [run, fig(run)])));
    cx.ledger.figure(idOf(cx.id, 'inkKg'), INK_IN_ALL, Object.fromEntries(inkKg.map((id) => [id, fig(id)])));
    return { costs, inkKg, plates };
  },

  paper: offsetPaper,
  registers: registersOf,
  scene: pressScene,
  panel: offsetPanel,
  summary: offsetSummary,
};

/** Ink sets before the sheet is turned, or goes through the press once more on the same side. */
function dryWait(cx: DraftContext, after: Id<'step'>, step: Id<'step'>, why: 'turn' | 'pass'): Step['waits'][number] {
  const figure = idOf(step, 'waitS');
  cx.ledger.figure(figure, SUM, { wait: cx.inkSeries?.lampDried ? NONE : setting(cx, 'turnWaitS', practiceTerm(cx.plant, 'wait.turnS')) });
  return { after, figure, why };
}
