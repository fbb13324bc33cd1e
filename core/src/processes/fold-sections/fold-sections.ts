import { fig, typed } from '../../quantity/ledger';
import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { BELT_RATE, SLOWEST } from '../../finishing/folding';
import { flatsACopy } from '../../signature/sheet-pages';
import { type Process } from '../process';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { speedTerm, timeAndCost } from '../time-and-cost';
import { foldSectionsPanel, foldSectionsPaper, foldSectionsSummary } from './fold-sections-page';
import { foldSectionsScene } from './fold-sections-scene';
import { foldStations, longestRunMm } from './folding-steps';

const LOSSES = { setup: 'fold.setupSheets', running: 'fold.runningPpm' } as const;

/** Flat sheets folded to sections, station by station: each section is a run of its own, as its stops may stay but its pages do not. */
export const foldSections: Process = {
  id: 'foldSections',
  feeds: true,
  abilities: ['beltMmPerS', 'foldStations'],
  losses: LOSSES,
  asks: ({ machine }) => (machine.limits.foldStations === undefined ? {} : { foldStations: machine.limits.foldStations }),
  draft(cx) {
    const { section } = cx;
    const draft = singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'section',
      perGood: section ? flatsACopy(section) : 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: ['rollers', 'paperDust'],
      makes: { section: section?.key ?? null },
    });
    // A sheet that is folded whole is a section from here on.
    if (section) for (const flow of Object.values(draft.flows)) flow.section = section.name;
    return draft;
  },
  consume(cx) {
    const { ledger, id, section } = cx;
    ledger.figure(idOf(id, 'beltRate'), BELT_RATE, {
      beltMmPerS: { value: cx.machine.limits.beltMmPerS ?? 1_000, unit: 'mm/s', from: 'plant', at: `machine:${cx.machineId}.beltMmPerS` },
      lengthMm: typed(section ? longestRunMm(section) : 0, 'mm', 'longest way through a station'),
      gapMm: practiceTerm(cx.plant, 'fold.gapMm'),
    });
    ledger.figure(idOf(id, 'rate'), SLOWEST, { belt: fig(idOf(id, 'beltRate')), machine: speedTerm(cx) }, '1/h');
    return {
      costs: timeAndCost(cx, {
        step: id,
        perHour: fig(idOf(id, 'rate')),
        forms: typed(section ? foldStations(section).length : 0, '1', 'stations'),
        perFormS: practiceTerm(cx.plant, 'sections.perStationS'),
      }),
    };
  },
  paper: foldSectionsPaper,
  scene: foldSectionsScene,
  panel: foldSectionsPanel,
  summary: foldSectionsSummary,
};
