import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import { childOf } from '../../plant/plant';
import { practiceValue } from '../../plant/practice';
import { IN_TURN, laneSetting } from '../../layout/rolls-on-web-layouter';
import { toleranceOf } from '../../register/register-of-step';
import { inkRows } from '../press-inks';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { cell, pressRow, runningLossRow, setupKindRow } from '../rows';
import { ofForm } from '../web-time';
import { cylindersOf, stationTurns } from './cylinder-tools';
import { lanesOff, MOST_REELS_LISTED } from '../designs-off';
import { gravurePass, gravureRegister } from './gravure-pass';
import { cupOf, viscosityS } from './thinned-ink';

export const gravureSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${gravurePass(cx).inks.join(' ')}`,
});

/** Where the set of cylinders comes from. */
function fromSays(cx: ConsumeContext): string {
  const supply = cx.tools[cylindersOf(cx)]?.supply;
  if (supply?.from === 'store') return `store, ${supply.tool}`;
  if (supply?.from === 'job') return `job ${childOf(cx.shelf, supply.job)?.number ?? '–'}`;
  return supply?.from === 'customer' ? 'sent by the customer' : 'bought';
}

/** Which designs lie where: side by side or in turn, and in how many lanes each. */
function designRows(cx: ConsumeContext): PanelRow[] {
  if (cx.versions.length < 2) return [];
  const designs = cx.layout?.web?.designs;
  return [
    {
      label: 'designsRun',
      text: designs ? 'beside' : IN_TURN,
      edit: {
        at: ['choices', 'settings', cx.stone, 'designs'],
        kind: 'choice',
        options: ['beside', IN_TURN].map((value) => ({ value, says: value })),
      },
    },
    ...(designs ?? []).map(({ version, name, lanes }): PanelRow => ({
      label: 'lanesOf',
      text: `${cx.settings[laneSetting(version)] ?? lanes} ${name}`,
      edit: { at: ['choices', 'settings', cx.stone, laneSetting(version)], kind: 'count' },
    })),
  ];
}

export function gravurePanel(cx: ConsumeContext): PanelRow[] {
  const { inks } = gravurePass(cx);
  return [
    pressRow(cx),
    { label: 'turnFirst', figure: ofForm(cx, 'repeatMm') },
    { label: 'relaxedRepeat', figure: ofForm(cx, 'relaxedMm') },
    { label: 'driftARoll', figure: ofForm(cx, 'driftMm') },
    { label: 'lanes', figure: ofForm(cx, 'lanes') },
    ...designRows(cx),
    {
      label: 'laneDesigns',
      text: lanesOff(cx)
        .map((name, i) => `${i + 1} ${name || 'alike'}`)
        .join(', '),
    },
    { label: 'engravedBand', figure: ofForm(cx, 'bandMm') },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'goodMetres', figure: idOf(cx.id, 'goodMetres') },
    { label: 'readyMetres', figure: idOf(cx.id, 'readyMetres') },
    { label: 'rolls', figure: idOf(cx.id, 'rolls') },
    { label: 'lostARoll', figure: idOf(cx.id, 'batchLost'), edit: { at: settingPath(cx, 'rollMetres'), kind: 'count' } },
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    runningLossRow(cx),
    { label: 'breaksExpected', figure: idOf(cx.id, 'breaks') },
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    { label: 'reelMetres', figure: ofForm(cx, 'reelM'), edit: { at: ['choices', 'settings', cx.stone, 'reelMetres'], kind: 'count' } },
    ...inkRows(cx, (s) => s.thinned === true).filter((row) => row.label !== 'inkOrder'),
    { label: 'cup', text: cupOf(cx) || 'none named', edit: { at: settingPath(cx, 'cup'), kind: 'text' } },
    setupKindRow(cx),
    { label: 'inkReady', figure: idOf(cx.id, 'readyKg') },
    { label: 'inkBought', figure: idOf(cx.id, 'boughtKg') },
    { label: 'solventKg', figure: idOf(cx.id, 'solventKg') },
    ...inks.map((ink): PanelRow => ({ label: 'inkOf', text: ink, figure: `${cx.id}.ink.${ink}.onSheets` })),
    { label: 'cylindersFrom', text: fromSays(cx) },
    { label: 'rechromes', figure: idOf(cx.id, 'cylinders.rechromes') },
  ];
}

/** What ink kitchen and planner look at is no matter of who prints; lanes stand in a list of their own. */
const NOT_FOR_THE_PRESS = [
  ...['inkOf', 'inkReady', 'inkBought', 'solventKg', 'designsRun', 'lanesOf', 'laneDesigns', 'rechromes', 'press', 'relaxedRepeat'],
  ...['driftARoll', 'lostARoll', 'setupRepeats', 'runningLoss', 'breaksExpected', 'setupKind'],
];

export function gravurePaper(cx: ConsumeContext): PaperPage[] {
  const { inks, hung } = gravurePass(cx);
  const { plant, ledger } = cx;
  const { least, most } = viscosityS(cx);
  const seconds = `${formatNumber(least)} – ${formatNumber(most)} s`;
  const minutes = Math.round(practiceValue(plant, 'gravure.checkS') / 60);
  const of = gravureRegister(cx);
  const turns = stationTurns(cx);
  const kg = (ink: string, what: string): string => `${cell(ledger, `${cx.id}.ink.${ink}.${what}`, 1)} kg`;
  return [
    {
      department: 'ink',
      scene: false,
      rows: gravurePanel(cx).filter((r) => ['inkSeries', 'inkReady', 'inkBought', 'solventKg'].includes(r.label)),
      lists: [
        {
          title: 'inkByStation',
          head: [
            'station',
            'ink',
            'printed',
            'in pan and pipes',
            'bought',
            'comes back',
            `seconds, ${cupOf(cx) || 'cup …'}`,
            'left-overs first',
          ],
          rows: inks.map((ink, i) => [
            String(i + 1),
            ink,
            kg(ink, 'onSheets'),
            hung.includes(ink) ? `${formatNumber(practiceValue(plant, 'gravure.panKg'))} kg` : 'stands in it',
            kg(ink, 'bought'),
            kg(ink, 'returns'),
            seconds,
            '',
          ]),
        },
      ],
      blanks: [`viscosity and temperature, every ${minutes} min`, 'draw-down measured, ΔE', 'batch numbers', 'ink back in the can, kg'],
    },
    {
      department: 'press',
      scene: true,
      rows: gravurePanel(cx).filter((r) => !NOT_FOR_THE_PRESS.includes(r.label)),
      lists: [
        {
          title: 'stations',
          head: ['station', 'cylinder', 'one turn', 'colour', 'hung for this run'],
          rows: turns.map(({ ink, turnMm }, i) => [
            String(i + 1),
            '',
            `${formatNumber(turnMm, 3, true)} mm`,
            ink,
            hung.includes(ink) ? 'yes' : 'stays in',
          ]),
        },
        {
          title: 'lanesFromOperator',
          head: ['lane', 'design'],
          rows: lanesOff(cx).map((name, i) => [String(i + 1), name || 'alike in all lanes']),
        },
        {
          title: 'webBreak',
          head: ['what', 'how'],
          rows: [
            ['lost', 'counter − last good metre + web path + until it is in register again'],
            ['web path', `${formatNumber(practiceValue(plant, 'gravure.pathM'))} m`],
            ['until it is in register', `about ${formatNumber(practiceValue(plant, 'gravure.againM'))} m`],
            ['splice', 'flag both edges, write the metre on the reel card'],
          ],
        },
        {
          title: 'reelsWound',
          head: ['reel', 'counter at its start', 'counter at its end', 'splices at', 'faults from – to', 'signed'],
          rows: reelRows(cx),
        },
        {
          title: 'breaks',
          head: ['reel', 'counter', 'last good metre', 'cause', 'minutes', 'metres lost'],
          rows: Array.from({ length: 4 }, () => ['', '', '', '', '', '']),
        },
      ],
      blanks: [
        'tension at unwinder and reel',
        `register: reference ${of?.reference ?? 'none'}, limit ${of ? `± ${toleranceOf(of)} mm` : '–'}, reached`,
        'blades set, pressure',
        'colour OK cut signed by',
      ],
    },
  ];
}

/** A line for every reel of good web, and two for what a break or the end of a paper roll makes of it. */
function reelRows(cx: ConsumeContext): string[][] {
  const reels = Math.ceil(cx.ledger.value(idOf(cx.id, 'goodMetres')) / Math.max(cx.ledger.value(ofForm(cx, 'reelM')), 1));
  const lines = Math.min(reels, MOST_REELS_LISTED);
  const empty = ['', '', '', '', ''];
  return [
    ...Array.from({ length: lines }, (_, i) => [String(i + 1), ...empty]),
    ...(reels > lines ? [[`to ${formatNumber(reels)}, on sheets of their own`, ...empty]] : []),
    ...Array.from({ length: 2 }, () => ['', ...empty]),
  ];
}
