import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { channelMm, creaseRuleHeightMm, creaseRuleMm } from '../../form/cutting-die';
import { nickPlaces } from '../../form/nicks';
import { copiesUp, cutByDie } from '../../layout/layout';
import { pathLength } from '../../product/die-line/points';
import type { Crease } from '../../product/die-line/die-line';
import { ordersOnForm } from '../parted-step';
import {
  type ConsumeContext,
  type PanelRow,
  type PaperPage,
  type Process,
  type ProcessContext,
  settingPath,
  wordSetting,
} from '../process';
import { choiceRow, machineRow, runningLossRow, setupKindRow } from '../rows';
import { caliperUmOf } from '../stock-terms';
import { boxFromSides, firstKnifeMm, inTenths } from './die-cut-scene';
import { dieOf, wasteFacesOf } from './die-of';

/** How the blanks come out of their sheet: in the press, or by hand with a hammer; the family's route follows it. */
export const SEPARATED = ['blanking', 'hammer'] as const;

/** Whether somebody said that neighbours may share a cut, as the colour is the same on both sides of it. */
const COMMON_CUTS = ['apart', 'shared'] as const;
export const sharesCuts = (cx: ProcessContext): boolean => wordSetting(cx, 'commonCuts', COMMON_CUTS[0]) === 'shared';

export const dieCutPanel = (cx: ConsumeContext): PanelRow[] => {
  const t = caliperUmOf(cx) / 1000;
  return [
    machineRow(cx),
    choiceRow(cx, 'separate', 'separate', wordSetting(cx, 'separate', SEPARATED[0]), SEPARATED),
    choiceRow(cx, 'commonCuts', 'commonCuts', wordSetting(cx, 'commonCuts', COMMON_CUTS[0]), COMMON_CUTS),
    { label: 'cutMetres', figure: idOf(cx.id, 'cutM') },
    { label: 'creaseMetres', figure: idOf(cx.id, 'creaseM') },
    { label: 'dieForce', figure: idOf(cx.id, 'forceKn') },
    { label: 'dieLoad', figure: idOf(cx.id, 'load') },
    { label: 'creaseRule', text: t > 0 ? `${creaseRuleMm(t)} mm thick, ${creaseRuleHeightMm(t)} mm high` : '–' },
    { label: 'nicks', figure: idOf(cx.id, 'nicks') },
    { label: 'rubber', figure: idOf(cx.id, 'rubberM') },
    ...cx.parts.slice(0, 1).flatMap((p) => (p.traits?.panels ?? []).map(({ name, figure }) => ({ label: name, figure }))),
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
    runningLossRow(cx),
    setupKindRow(cx),
    { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
    { label: 'skeleton', figure: idOf(cx.id, 'skeletonKg') },
  ];
};

export const dieCutSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'forceKn'),
  text: cx.machine.name,
});

export function dieCutPaper(cx: ConsumeContext): PaperPage[] {
  const [leftMm, rightMm] = boxFromSides(cx);
  return [
    {
      department: 'dieCutting',
      scene: true,
      rows: [
        ...cx.parts.slice(0, 1).flatMap((p) => (p.traits?.cutBy ? [{ label: 'dieNumber', text: p.traits.cutBy }] : [])),
        { label: 'sameEdge', text: 'sameEdgeAsPrinted' },
        { label: 'firstKnife', text: `${firstKnifeMm(cx)} mm from the gripper edge` },
        { label: 'dieBox', text: `${leftMm} mm from the lay side, ${rightMm} mm from the other` },
        { label: 'printToDie', text: `±${practiceValue(cx.plant, 'dieCut.printToDieMm')} mm` },
        ...dieCutPanel(cx),
      ],
      lists: [...ordersOnForm(cx), channelList(cx), nickList(cx), ...pinList(cx)],
      blanks: [
        'die number',
        'counter plate, stripping frame, blanking grid there',
        'patch sheet there, kept with the die afterwards',
        'creases folded both ways, every 1,000 sheets',
        'print to die measured',
        'first good sheet signed by',
      ],
    },
  ];
}

/** Channels of the counter plate: as wide as the board and the grain ask, crease by crease class. */
function channelList(cx: ConsumeContext): PaperPage['lists'][number] {
  const die = dieOf(cx);
  const caliperMm = caliperUmOf(cx) / 1000;
  const byChannel = new Map<string, { of: string; mm: number; count: number; lengthMm: number }>();
  for (const crease of die?.creases ?? []) {
    const across = caliperMm > 0 ? acrossGrain(crease, cx) : false;
    const mm = caliperMm > 0 ? channelMm({ caliperMm, acrossGrain: across }) : 0;
    const key = `${crease.class} ${mm}`;
    const row = byChannel.get(key) ?? { of: crease.class, mm, count: 0, lengthMm: 0 };
    row.count++;
    row.lengthMm += pathLength([crease.from, crease.to], false);
    byChannel.set(key, row);
  }
  return {
    title: 'channels',
    head: ['creases', 'a blank', 'length a blank', 'channel', 'depth'],
    rows: [...byChannel.values()].map((r) => [
      r.of,
      String(r.count),
      `${inTenths(r.lengthMm)} mm`,
      r.mm > 0 ? `${r.mm} mm` : '–',
      caliperMm > 0 ? `${Math.round(caliperMm * 100) / 100} mm` : '–',
    ]),
  };
}

/** Whether the grain runs across a crease: as the blank's grain side says. */
const acrossGrain = ({ from, to }: Crease, { parts }: ConsumeContext): boolean => {
  const alongX = Math.abs(to[0] - from[0]) > Math.abs(to[1] - from[1]);
  const grain = parts[0]?.grainAlong;
  return grain !== null && grain !== undefined && (grain === 'width') !== alongX;
};

/** Waste that the stripping frame pushes out, face by face; nothing where the waste comes off as one web. */
function pinList(cx: ConsumeContext): PaperPage['lists'] {
  const faces = wasteFacesOf(cx);
  if (faces.length === 0) return [];
  return [
    {
      title: 'stripPins',
      head: ['waste face', 'size', 'pins from the lay side', 'pins from the gripper edge'],
      rows: faces.map(({ w, h, pins }, i) => [
        String(i + 1),
        `${w} × ${h} mm`,
        pins.map(([x]) => `${x} mm`).join(', '),
        pins.map(([, y]) => `${y} mm`).join(', '),
      ]),
    },
  ];
}

/** Where each blank is nicked, from its lower left corner as it stands upright. */
function nickList(cx: ConsumeContext): PaperPage['lists'][number] {
  const die = dieOf(cx);
  const [left, low] = [Math.min(...(die?.outline ?? []).map((p) => p[0])), Math.min(...(die?.outline ?? []).map((p) => p[1]))];
  const places = cx.layout ? copiesUp(cutByDie(cx.layout)) : 0;
  return {
    title: 'nicks',
    head: ['nick', 'from left', 'from foot', 'edge', 'width', 'on the sheet'],
    rows: die
      ? nickPlaces(die).map(({ at, edge }, i) => [
          String(i + 1),
          `${inTenths(at[0] - left)} mm`,
          `${inTenths(at[1] - low)} mm`,
          edge,
          '0.5 mm',
          String(places),
        ])
      : [],
  };
}
