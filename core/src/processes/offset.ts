import { machinesFor } from '../plant/plant';
import { formatNumber } from '../words/format';
import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Scene, Shape } from '../scene/scene';
import { practiceTerm, practiceValue } from '../plant/practice';
import type { Step } from '../flow/net';
import type { LossTerms } from '../flow/solve-backward';
import { PILES, PILE_SHEETS } from '../stock/pile';
import { printsOf } from '../layout/form';
import { fitsWorkStyle, pressPasses, mayGang, WORK_STYLE_IDS, WORK_STYLES } from '../layout/work-style';
import { toleranceOf } from '../register/register-of-step';
import { type LossesSaid, OFFSET_SETUP, VERSION_SETUP } from '../counts/loss-terms';
import { SUM } from '../route/time-and-cost';
import {
  type ConsumeContext,
  type Consumed,
  type Draft,
  type DraftContext,
  type PanelRow,
  type PartVersion,
  type Process,
  limitTerm,
  lossTable,
  setting,
  settingPath,
  wordSetting,
  machineTerm,
  settingRow,
} from './process';
import {
  filmList,
  formsOfRun,
  INK_IN_ALL,
  inkRows,
  inksOf,
  inInkOrder,
  type Pass,
  plateRemakes,
  pressAbility,
  inkMasses,
  runSays,
} from './press-inks';
import { onwards } from './batch';
import { registerOfInks, REGISTER_ABILITIES } from './register-of';
import { runId, versionRuns } from './version-runs';
import { lossNumbers } from './single-step';
import { caliperTerm } from './stock-terms';
import { repeatFactor, timeAndCost } from './time-and-cost';
import { ownSetupTerm, runningLossTerm, stepLosses } from './step-losses';

const NONE = typed(0, 's', 'none');

/** The runs of the form through this press: passes by work style, with ids that tell their side; and each version of a pass that differs in it. */
export function passesOf(cx: DraftContext): Pass[] {
  const passes = pressPasses(cx.workStyle, cx.prints, pressAbility(cx));
  let apart = false;
  let last: PartVersion | null = null;
  return passes.flatMap((p, i) => {
    const prints = p.prints.map(({ side, inks }) => ({ side, inks: inInkOrder(cx, inks) }));
    const id = passes.length === 1 ? cx.id : `${cx.id}.${p.side}${passes.filter((q, j) => q.side === p.side && j < i).length || ''}`;
    const inks = prints.flatMap((side) => side.inks);
    const runs = versionRuns(cx, inks, apart, p.samePlates ? { version: last } : 'nothing');
    apart ||= runs.length > 1;
    last = runs.at(-1)?.version ?? null;
    return runs.map((run): Pass => ({ ...p, ...run, prints, inks, of: id, id: runId(id, run, cx) }));
  });
}

/** The runs of each pass, in the order they go through the press. */
function runsByPass(passes: readonly Pass[]): Map<string, Pass[]> {
  const by = new Map<string, Pass[]>();
  for (const run of passes) by.set(run.of, [...(by.get(run.of) ?? []), run]);
  return by;
}

/** Whose setting a run finds in the press: of the version before it in the pass, or of the pass before where the same plates stay. */
function keepsFrom(run: Pass, runs: readonly Pass[], before: Pass | null, cx: DraftContext): { keepsFrom?: Id<'step'> } {
  const last = runs[runs.indexOf(run) - 1];
  if (last) return { keepsFrom: last.id };
  if (run.again && cx.keeps !== null) return { keepsFrom: cx.keeps };
  return run.samePlates && before ? { keepsFrom: before.id } : {};
}

/** What a run loses: the form's setup; of a form that is in the press a part; of the next version the plates changed. */
const passLosses = (cx: DraftContext, run: Pass): LossTerms =>
  stepLosses<string, DraftContext>(cx, run.id, (cx): LossesSaid<string> => {
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
          inks: typed(run.inks.length, '1', 'colours'),
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
  abilities: [
    'gripperMm',
    'tailMm',
    'sideMm',
    'colourBarMm',
    'pileMm',
    'units',
    'perfects',
    'lamps',
    'perPlateS',
    'zones',
    'zoneMm',
    ...REGISTER_ABILITIES,
  ],
  reach: 'sheet',
  losses: { setup: 'offset.setupFourSheets', running: 'offset.runningPpm' },
  suits: (machine, parts) => Math.max(...printsOf(parts.map((p) => p.colours)).map((inks) => inks.length)) <= (machine.limits.units ?? 0),
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
            stage: cx.stone,
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

  paper: (cx) => [
    {
      department: 'ink',
      scene: false,
      rows: inkMasses(passesOf(cx)).map(({ says, kg }) => ({ label: 'inkOf', text: says, figure: kg })),
      lists: [
        {
          title: 'sequence',
          head: ['pass', 'inks in order', 'series'],
          rows: passesOf(cx).flatMap((p) =>
            p.prints.map(({ side, inks }) => [runSays(side, p), inks.join(' – '), cx.inkSeries?.name ?? '']),
          ),
        },
        filmList(
          cx,
          passesOf(cx).flatMap((p) => p.inks),
        ),
      ],
      blanks: ['draw-down measured, ΔE', 'left-over ink used', 'batch numbers'],
    },
    {
      department: 'press',
      scene: true,
      sheet: true,
      rows: pressRows(cx),
      lists: [
        {
          title: 'passes',
          head: [
            'pass',
            'units in order',
            ...(hasVersions(cx) ? ['plates to hang'] : []),
            'set-up sheets',
            'stop at good',
            'of it before the press in reserve',
          ],
          rows: passesOf(cx).flatMap((p) =>
            p.prints.map(({ side, inks }, i) => [
              runSays(side, p),
              inks.map((ink, u) => `${i === 0 ? u + 1 : (p.prints[0]?.inks.length ?? 0) + u + 1} ${ink}`).join('  '),
              ...(hasVersions(cx) ? [p.again ? inks.filter((ink) => p.hung.includes(ink)).join(' ') || 'none' : 'all'] : []),
              i === 0 ? whole(cx, idOf(p.id, 'setupCycles')) : '–',
              i === 0 ? whole(cx, idOf(p.id, 'good')) : '–',
              i === 0
                ? cx.ledger.has(idOf(p.id, 'reserve'))
                  ? `${whole(cx, idOf(p.id, 'reserve'))}: bring back what is not needed`
                  : 'none'
                : '–',
            ]),
          ),
        },
      ],
      blanks: [
        'colour OK sheet signed by',
        'register reached',
        'samples pulled',
        ...(passesOf(cx).some((p) => p.side !== passesOf(cx)[0]?.side) ? ['turned at'] : []),
        ...(hasVersions(cx) ? ['line cleared before each version, signed by', 'last sheet of each version kept'] : []),
      ],
    },
  ],
  registers: (cx, step) => {
    const passes = passesOf(cx);
    const at = passes.findIndex((p) => p.id === step);
    const pass = passes[at];
    return pass ? registerOfInks(cx, pass.prints, 'offset', at > 0) : null;
  },
  scene: pressScene,
  panel: panelRows,
  summary: (cx) => ({
    text: `${cx.machine.name} · ${[...new Set(passesOf(cx).map((p) => `${p.side} ${p.inks.join(' ')}`))].map((p) => p.slice(p.indexOf(' ') + 1)).join(' / ')}`,
  }),
};

/** Whether versions run apart on this press. */
const hasVersions = (cx: DraftContext): boolean => passesOf(cx).some((p) => p.version !== null);

/** Ink sets before the sheet is turned, or goes through the press once more on the same side. */
function dryWait(cx: DraftContext, after: Id<'step'>, step: Id<'step'>, why: 'turn' | 'pass'): Step['waits'][number] {
  const figure = idOf(step, 'waitS');
  cx.ledger.figure(figure, SUM, { wait: cx.inkSeries?.lampDried ? NONE : setting(cx, 'turnWaitS', practiceTerm(cx.plant, 'wait.turnS')) });
  return { after, figure, why };
}

const whole = (cx: ConsumeContext, figure: Id<'figure'>): string => formatNumber(Math.ceil(cx.ledger.value(figure) - 1e-9));

/** What the operator sets the press by: sheet, gripper and lay, series and how it dries, zones, register as it must hold, piles. */
function pressRows(cx: ConsumeContext): PanelRow[] {
  const { limits } = cx.machine;
  const [w, h] = cx.layout?.sheetMm ?? [0, 0];
  const passes = passesOf(cx);
  const style = WORK_STYLES[cx.workStyle];
  const of = passes[0] && offset.registers?.(cx, passes[0].id);
  return [
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'sheetSize', text: `${w} × ${h} mm, ${cx.stock?.gsm ?? 0} g/m²` },
    {
      label: 'gripper',
      text: `${w} mm edge, ${cx.layout?.gripperMm ?? 0} mm${style.secondGripper ? '; second pass grips the other edge' : ''}`,
    },
    { label: 'sideLay', text: style.layChanges && passes.length > 1 ? 'left; right after the turn' : 'left' },
    { label: 'workStyle', text: cx.workStyle },
    { label: 'inkSeries', text: cx.inkSeries?.name ?? '' },
    ...(cx.coatSeries ? [{ label: 'coatSeries', text: cx.coatSeries.name }] : []),
    { label: 'drying', text: cx.inkSeries?.lampDried ? 'lamps' : 'powder' },
    ...(limits.zones ? [{ label: 'zones', text: `${limits.zones}; presets from the zones desk` }] : []),
    ...(of ? [{ label: 'registerAim', text: `± ${toleranceOf(of)} mm against ${of.reference}` }] : []),
    { label: 'pileSheets', figure: idOf(cx.id, 'perPile') },
    { label: 'piles', figure: idOf(cx.id, 'piles') },
    ...passes
      .filter((p) => cx.ledger.has(idOf(p.id, 'waitS')))
      .map((p) => ({ label: 'waitBeforePass', text: runSays(p.side, p), figure: idOf(p.id, 'waitS') })),
    { label: 'setupKind', text: wordSetting(cx, 'repeat', 'new') },
  ];
}

function pressScene(cx: ConsumeContext): Scene {
  const units = pressAbility(cx).units;
  const shapes: Shape[] = [];
  passesOf(cx).forEach((pass, row) => {
    const y = row * 110;
    shapes.push({
      kind: 'text',
      role: 'strong',
      x: 0,
      y: y + 10,
      text:
        pass.side === 'both'
          ? runSays('front and back in one pass', pass)
          : `${runSays(pass.side, pass)}${pass.samePlates ? ', same plates' : ''}`,
      sizeMm: 10,
    });
    shapes.push(
      { kind: 'rect', role: 'pile', x: 0, y: y + 56, w: 34, h: 34, ref: 'feeder' },
      { kind: 'line', role: 'arrow', x1: 34, y1: y + 70, x2: 48 + units * 62, y2: y + 70 },
    );
    for (let u = 0; u < units; u++) {
      const x = 48 + u * 62;
      const ink = pass.inks[u];
      shapes.push({ kind: 'rect', role: 'unit', x, y: y + 20, w: 52, h: 70, ref: `unit ${u + 1}` });
      if (ink === undefined) continue;
      shapes.push(
        { kind: 'circle', role: 'ink', ink, cx: x + 26, cy: y + 42, r: 14 },
        { kind: 'circle', role: 'unit', cx: x + 26, cy: y + 71, r: 12 },
      );
      shapes.push({ kind: 'text', role: 'inkName', x: x + 26, y: y + 102, text: ink, sizeMm: 11, anchor: 'middle' });
    }
    shapes.push({ kind: 'rect', role: 'pile', x: 54 + units * 62, y: y + 46, w: 34, h: 44, ref: 'delivery' });
  });
  return {
    title: 'units and inks',
    says: passesOf(cx)
      .map((p) => `${runSays(p.side, p)}: ${p.inks.join(', ')} in ${units} units`)
      .join('; '),
    box: { x: -8, y: -6, w: units * 62 + 104, h: passesOf(cx).length * 110 + 8 },
    toScale: false,
    shapes,
  };
}

function panelRows(cx: ConsumeContext): PanelRow[] {
  const styles = WORK_STYLE_IDS.filter((s) => fitsWorkStyle(s, cx.prints, pressAbility(cx)) && (cx.parts.length < 2 || mayGang(s)));
  const first = passesOf(cx)[0];
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
    {
      label: 'workStyle',
      text: cx.workStyle,
      edit: { at: ['choices', 'workStyle', cx.form?.id ?? ''], kind: 'choice', options: styles.map((value) => ({ value, says: value })) },
    },
    ...inkRows(cx, (s) => !s.lampDried || (cx.machine.limits.lamps ?? 0) > 0),
    {
      label: 'setupKind',
      text: wordSetting(cx, 'repeat', 'new'),
      edit: {
        at: settingPath(cx, 'repeat'),
        kind: 'choice',
        options: [
          { value: 'new', says: 'new' },
          { value: 'repeat', says: 'repeat' },
        ],
      },
    },
    ...(first
      ? [
          { label: 'setupSheets', figure: idOf(first.id, 'setupCycles') },
          {
            label: 'runningLoss',
            figure: idOf(first.id, 'runningPpm'),
            edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' as const },
          },
        ]
      : []),
    settingRow(cx, 'speed', 'perHour', machineTerm(cx, 'netPerHour'), { kind: 'count', unit: 'an hour' }),
    { label: 'inkKg', figure: idOf(cx.id, 'inkKg') },
    ...inkMasses(passesOf(cx)).map(({ ink, says, kg }, _, masses) => ({
      label: 'inkOf',
      text: masses.filter((m) => m.ink === ink).length > 1 ? says : ink,
      figure: kg,
    })),
    { label: 'piles', figure: idOf(cx.id, 'piles') },
    ...passesOf(cx)
      .filter((p) => !p.samePlates)
      .map((p, _, { length }) => ({ label: 'remakes', ...(length > 1 && { text: runSays(p.side, p) }), figure: idOf(p.id, 'remakes') })),
  ];
}
