import { childOf } from '../../plant/plant';
import { practiceValue } from '../../plant/practice';
import { turnForAlikeMm } from '../../layout/web-repeat';
import { sideBySide } from '../../layout/designs-on-web';
import { IN_TURN, laneSetting } from '../../layout/rolls-on-web-layouter';
import { GROUND } from '../../ink/ink-order';
import type { JobSpec } from '../../product/job-spec';
import { editAt, type Edit } from '../../product/edit';
import type { WoundRoll } from '../../product/wound-roll';
import type { Finding, FindingArgs, Remedy } from '../finding';
import { type ConsumeContext, type OwnRule, wishPath } from '../process';
import { ofForm } from '../web-time';
import { gravurePass } from './gravure-pass';
import { cylindersOf } from './cylinder-tools';
import { cupOf, SOLVENT_LEFT } from './thinned-ink';

/* What a foreman of the gravure press would say of an order. */

type Found = Omit<Finding, 'code' | 'at'>;
const change = (spec: JobSpec, says: string, args: FindingArgs, edits: [string[], unknown][]): Remedy => ({
  do: 'edit',
  says,
  args,
  edits: edits.map(([at, now]): Edit => editAt(spec, at, now)),
});
const wound = (cx: ConsumeContext): WoundRoll | undefined => cx.parts[0]?.traits?.wound;
/** There is a web it could be laid on: without a stock nothing of it is known. */
const isLaid = (cx: ConsumeContext): boolean => cx.ledger.has(ofForm(cx, 'repeats'));
const tenth = (n: number): number => Math.round(n * 10) / 10;
const hundredth = (n: number): number => Math.round(n * 100) / 100;

/** The pattern is to begin alike, rolls are cut by length, and the repeat does not divide it: it walks from roll to roll. */
const DRIFTS_MM = 2;
const patternWalks: OwnRule = {
  code: 'gravure.patternWalks',
  find: (cx, spec) => {
    const roll = wound(cx);
    const figure = ofForm(cx, 'driftMm');
    const driftMm = cx.ledger.value(figure);
    if (!isLaid(cx) || !roll?.alike || roll.cut !== 'length' || Math.abs(driftMm) <= DRIFTS_MM) return [];
    return [{ level: 'decide', figure, args: { mm: tenth(driftMm) }, remedies: [ofAlikeTurn(cx, spec, roll), byMark(cx, spec)] }];
  },
};
const byMark = (cx: ConsumeContext, spec: JobSpec): Remedy => change(spec, 'remedy.cutAtMark', {}, [[wishPath(cx, 'cut'), 'mark']]);
/** Another first turn, with which the length holds whole repeats. */
function ofAlikeTurn(cx: ConsumeContext, spec: JobSpec, roll: WoundRoll): Remedy {
  const turnMm = turnForAlikeMm({
    lengthMm: roll.lengthMm,
    repeats: cx.ledger.value(ofForm(cx, 'repeats')),
    strainPpm: practiceValue(cx.plant, 'gravure.strainPpm'),
  });
  const to = Math.ceil(turnMm * 1000 - 1e-6) / 1000;
  return change(spec, 'remedy.firstTurn', { mm: to }, [[wishPath(cx, 'turnMm'), to]]);
}

/** Rolls cut at the mark come out shorter than was ordered, or longer than they may be. */
const markMisses: OwnRule = {
  code: 'gravure.markMisses',
  find: (cx, spec) => {
    const roll = wound(cx);
    if (roll?.cut !== 'mark' || !isLaid(cx)) return [];
    const figure = ofForm(cx, 'lengthMm');
    const off = cx.ledger.value(figure) - roll.lengthMm;
    const mayMm = (roll.lengthMm * roll.overPercent) / 100;
    // A thousandth of a millimetre is nobody's.
    if (off >= -1e-3 && off <= mayMm + 1e-3) return [];
    return [
      {
        level: 'decide',
        figure,
        args: { mm: tenth(Math.abs(off)), way: off < 0 ? 'short' : 'over', lengthMm: roll.lengthMm },
        remedies: [ofAlikeTurn(cx, spec, roll)],
      },
    ];
  },
};

/** The lanes and their edges are wider than the web, or the band wider than the press's face; a turn that the press does not take. */
const doesNotFit: OwnRule = {
  code: 'gravure.doesNotFit',
  find: (cx) => {
    const { bodyFaceMm = Infinity, minRepeatMm = 0, maxRepeatMm = Infinity } = cx.machine.limits;
    const bandMm = cx.ledger.value(ofForm(cx, 'bandMm'));
    const turnMm = wound(cx)?.turnMm ?? 0;
    const found = (what: string, is: number, takes: number, figure: string): Found => ({
      level: 'release',
      figure,
      args: { what, is: tenth(is), takes: tenth(takes), machine: cx.machine.name },
      remedies: [],
    });
    return [
      ...(bandMm > bodyFaceMm ? [found('band', bandMm, bodyFaceMm, ofForm(cx, 'bandMm'))] : []),
      ...(turnMm < minRepeatMm ? [found('turn', turnMm, minRepeatMm, ofForm(cx, 'repeatMm'))] : []),
      ...(turnMm > maxRepeatMm ? [found('turn', turnMm, maxRepeatMm, ofForm(cx, 'repeatMm'))] : []),
    ];
  },
};

/** The opaque ground covers what was printed before it: first on paper, last in reverse on film. */
const groundCovers: OwnRule = {
  code: 'gravure.groundCovers',
  find: (cx, spec) => {
    const inks = [...gravurePass(cx).inks];
    const reverse = wound(cx)?.printed === 'reverse';
    const [ground, rest] = [inks.filter((i) => GROUND.test(i)), inks.filter((i) => !GROUND.test(i))];
    const right = reverse ? [...rest, ...ground] : [...ground, ...rest];
    if (ground.length === 0 || rest.length === 0 || right.every((ink, i) => ink === inks[i])) return [];
    return [
      {
        level: 'decide',
        args: { ground: ground.join(', '), place: reverse ? 'last' : 'first', order: right.join(', ') },
        remedies: [change(spec, 'remedy.groundFirst', { order: right.join(', ') }, [[wishPath(cx, 'inks'), right]])],
      },
    ];
  },
};

/** A trap has to be half as wide again as the register, or paper shows between colours. */
const TRAP_OF_REGISTER = 1.5;
const trapNarrow: OwnRule = {
  code: 'gravure.trapNarrow',
  find: (cx, spec) => {
    const roll = wound(cx);
    const registerMm = cx.machine.limits.registerMm ?? practiceValue(cx.plant, 'gravure.registerMm');
    const least = TRAP_OF_REGISTER * registerMm;
    if (!roll || gravurePass(cx).inks.length < 2 || roll.trapMm >= least - 1e-9) return [];
    const to = Math.ceil(least * 100 - 1e-6) / 100;
    return [
      {
        level: 'decide',
        args: { mm: hundredth(roll.trapMm), registerMm: hundredth(registerMm), least: to },
        remedies: [change(spec, 'remedy.widerTrap', { mm: to }, [[wishPath(cx, 'trapMm'), to]])],
      },
    ];
  },
};

/** Cylinders of another job that are made for another turn, for a narrower band or for other inks than the web now has. */
const cylindersElse: OwnRule = {
  code: 'gravure.cylindersElse',
  find: (cx) => {
    const supply = cx.tools[cylindersOf(cx)]?.supply;
    const made = supply?.from === 'job' ? childOf(cx.shelf, supply.job)?.cylinders : undefined;
    const roll = wound(cx);
    if (!made || !roll) return [];
    const bandMm = cx.ledger.value(ofForm(cx, 'bandMm'));
    const hung = gravurePass(cx).hung.join(', ');
    const off = [
      ...(Math.abs(made.turnMm - roll.turnMm) > 5e-4 ? [{ what: 'first turn', made: `${made.turnMm} mm`, now: `${roll.turnMm} mm` }] : []),
      ...(made.bandMm < bandMm - 0.05 ? [{ what: 'band', made: `${made.bandMm} mm`, now: `${tenth(bandMm)} mm` }] : []),
      ...(made.inks.join(', ') === hung ? [] : [{ what: 'inks', made: made.inks.join(', '), now: hung }]),
    ];
    return off.map((args): Found => ({ level: 'start', args, remedies: [{ do: 'ask', says: 'remedy.reviseCylinders', desk: 'planner' }] }));
  },
};

/** Side by side one design comes out far over, because the other has to run longer. */
const OVER_SHARE = 0.1;
const besideOver: OwnRule = {
  code: 'gravure.besideOver',
  find: (cx, spec) => {
    const designs = cx.layout?.web?.designs ?? [];
    const wanted = designs.map((d) => ({ ...d, rolls: cx.versions.find((v) => v.id === d.version)?.quantity ?? 0 }));
    const { over } = sideBySide(wanted);
    const most = wanted
      .map((d, i) => ({ name: d.name, over: over[i] ?? 0, share: d.rolls > 0 ? (over[i] ?? 0) / d.rolls : 0 }))
      .sort((a, b) => b.share - a.share)[0];
    if (!most || most.share <= OVER_SHARE) return [];
    return [
      {
        level: 'decide',
        args: { design: most.name, over: most.over, percent: Math.round(most.share * 100) },
        remedies: [change(spec, 'remedy.inTurn', {}, [[['choices', 'settings', cx.stone, 'designs'], IN_TURN]])],
      },
    ];
  },
};

/** Somebody set more lanes than there are: they do not count. */
const lanesOver: OwnRule = {
  code: 'gravure.lanesOver',
  find: (cx, spec) => {
    const web = cx.layout?.web;
    const settings = spec.choices.settings[cx.stone] ?? {};
    const byHand = (web?.designs ?? []).filter((d) => Object.hasOwn(settings, laneSetting(d.version)));
    const asked = (web?.designs ?? []).reduce((sum, d) => sum + Number(settings[laneSetting(d.version)] ?? 1), 0);
    if (!web || byHand.length === 0 || asked <= web.lanes) return [];
    const edits = byHand.map((d): [string[], unknown] => [['choices', 'settings', cx.stone, laneSetting(d.version)], undefined]);
    return [{ level: 'decide', args: { set: asked, lanes: web.lanes }, remedies: [change(spec, 'remedy.lanesFound', {}, edits)] }];
  },
};

/** Seconds say nothing without the cup they were taken with. */
const noCup: OwnRule = {
  code: 'gravure.noCup',
  find: (cx) => {
    const measured = Object.keys(cx.shelf.measured?.[cx.id] ?? {}).some((key) => key.startsWith('viscosity'));
    return measured && cupOf(cx) === ''
      ? [{ level: 'start', args: {}, remedies: [{ do: 'ask', says: 'remedy.nameCup', desk: 'ink' }] }]
      : [];
  },
};

/** Children or food come near: nothing is wound before what is left of the solvent was measured. */
const noSolventReading: OwnRule = {
  code: 'gravure.noSolvent',
  find: (cx) => {
    const printed = (cx.shelf.counted[cx.id]?.run ?? 0) > 0;
    if (!wound(cx)?.solventLimit || !printed || cx.shelf.measured?.[cx.id]?.[SOLVENT_LEFT]) return [];
    return [{ level: 'start', args: {}, remedies: [{ do: 'ask', says: 'remedy.measureSolvent', desk: 'ink' }] }];
  },
};

export const GRAVURE_RULES: readonly OwnRule[] = [
  patternWalks,
  markMisses,
  doesNotFit,
  groundCovers,
  trapNarrow,
  cylindersElse,
  besideOver,
  lanesOver,
  noCup,
  noSolventReading,
];
