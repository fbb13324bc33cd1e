import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { floorTolerant } from '../../quantity/round-tolerant';
import { practiceTerm } from '../../plant/practice';
import { type Process, lossTable, setting } from '../process';
import { singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { webSetup } from '../web-press/web-press';
import { edgeTrim, webTime } from '../web-time';
import { sheeterPanel, sheeterPaper, sheeterSummary } from './sheeter-page';
import { sheetScene } from './sheeter-scene';

/** Slits in the liner of one sheet, so far apart. Source: arithmetic. */
const BACK_SLITS: Formula<'widthMm' | 'everyMm'> = {
  id: 'sheeter.backSlits',
  unit: 'cut',
  source: 'arithmetic',
  of: ({ widthMm, everyMm }) => (everyMm > 0 ? Math.max(floorTolerant(widthMm / everyMm) - (widthMm % everyMm === 0 ? 1 : 0), 0) : 0),
};
/** Lines of perforation on one sheet: between columns and between rows. Source: arithmetic. */
const PERFORATIONS: Formula<'across' | 'along' | 'asked'> = {
  id: 'sheeter.perforations',
  unit: 'cut',
  source: 'arithmetic',
  of: ({ across, along, asked }) => (asked > 0 ? across - 1 + along - 1 : 0),
};

/** Sheeter: perforates, slits the liner, cuts the web to sheets, in one run. */
export const sheeter: Process = {
  id: 'sheeter',
  abilities: ['maxWebMm', 'rollChangeS'],
  losses: { running: 'sheeter.runningPpm' },
  asks: () => ({}),
  draft(cx) {
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: webSetup(cx, setting(cx, 'setupMetres', practiceTerm(cx.plant, 'sheeter.setupMetres'))),
      runningPpm: runningLossTerm(cx, 'sheeter.runningPpm'),
      table: lossTable(cx),
    }));
    const form = cx.layout?.web;
    const perSheet = (cx.parts[0]?.traits?.web?.across ?? 1) * (cx.parts[0]?.traits?.web?.along ?? 1);
    return singleStep(cx, {
      takesPer: 1,
      givesPer: form ? form.lanes * form.around : 1,
      unit: 'sheet',
      perGood: 1 / perSheet,
      whole: true,
      losses,
      cautions: ['sheeterKnife', 'nips'],
    });
  },
  consume(cx) {
    const web = cx.parts[0]?.traits?.web;
    const asked = (value: number, unit: '1' | 'mm', at: string) => ({ value, unit, from: 'typed', at }) as const;
    cx.ledger.figure(idOf(cx.id, 'backSlits'), BACK_SLITS, {
      widthMm: { value: cx.layout?.web?.sheetMm[0] ?? 0, unit: 'mm', from: 'family', at: 'layout' },
      everyMm: asked(web?.backSlitMm ?? 0, 'mm', 'backSlitMm'),
    });
    cx.ledger.figure(idOf(cx.id, 'perforations'), PERFORATIONS, {
      across: asked(web?.across ?? 1, '1', 'across'),
      along: asked(web?.along ?? 1, '1', 'along'),
      asked: asked(web?.perforated ? 1 : 0, '1', 'perforated'),
    });
    return { costs: timeAndCost(cx, { step: cx.id, runS: webTime(cx, true) }), ...edgeTrim(cx) };
  },
  scene: sheetScene,
  panel: sheeterPanel,
  paper: sheeterPaper,
  summary: sheeterSummary,
};
