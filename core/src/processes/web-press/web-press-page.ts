import { idOf } from '../../quantity/id-of';
import { toleranceOf } from '../../register/register-of-step';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { filmList, inkRows } from '../press-inks';
import { pressRow, runningLossRow, setupKindRow } from '../rows';
import { ofForm } from '../web-time';
import { passOf, webRegister } from './web-pass';

export const webPressPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'ink',
    scene: false,
    rows: passOf(cx).inks.map((ink) => ({ label: 'inkOf', text: ink, figure: `${cx.id}.ink.${ink}.kg` })),
    lists: [
      {
        title: 'sequence',
        head: ['units in order', 'series', 'fit for food'],
        rows: [[passOf(cx).inks.join(' – '), cx.inkSeries?.name ?? '', cx.inkSeries?.lowMigration ? 'yes' : 'no']],
      },
      filmList(cx, passOf(cx).inks),
    ],
    blanks: ['draw-down measured, ΔE', 'left-over ink used', 'batch numbers'],
  },
  {
    department: 'press',
    scene: true,
    rows: webPressPanel(cx).filter((r) => !['inkOf', 'inkKg', 'remakes'].includes(r.label)),
    lists: [
      {
        title: 'breaks',
        head: ['roll', 'at metre', 'back to the last good metre', 'repeats lost', 'signed'],
        rows: Array.from({ length: 4 }, () => ['', '', '', '', '']),
      },
    ],
    blanks: ['tension at unwinder and rewinder', `register aim: ${aimSays(cx)}, reached`, 'colour OK cut signed by', 'splices marked'],
  },
];

export const webPressSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${passOf(cx).inks.join(' ')}`,
});

/** Register as it must hold: what the artwork asks where that is finer than the press holds. */
const aimSays = (cx: ConsumeContext): string => {
  const of = webRegister(cx);
  return of ? `± ${toleranceOf(of)} mm` : 'one colour';
};

export function webPressPanel(cx: ConsumeContext): PanelRow[] {
  return [
    pressRow(cx),
    { label: 'repeatMm', figure: ofForm(cx, 'repeatMm'), edit: { at: settingPath(cx, 'repeatMm'), kind: 'length' } },
    { label: 'teeth', figure: ofForm(cx, 'teeth') },
    { label: 'lanes', figure: ofForm(cx, 'lanes') },
    { label: 'sheetsARepeat', figure: ofForm(cx, 'sheetsARepeat') },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'rolls', figure: idOf(cx.id, 'rolls') },
    { label: 'lostARoll', figure: idOf(cx.id, 'batchLost'), edit: { at: settingPath(cx, 'spliceMetres'), kind: 'count' } },
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    runningLossRow(cx),
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    ...inkRows(cx, (s) => s.lampDried),
    setupKindRow(cx),
    { label: 'inkKg', figure: idOf(cx.id, 'inkKg') },
    ...passOf(cx).inks.map((ink) => ({ label: 'inkOf', text: ink, figure: `${cx.id}.ink.${ink}.kg` })),
    { label: 'remakes', figure: idOf(cx.id, 'remakes') },
  ];
}
