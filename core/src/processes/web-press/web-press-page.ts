import { idOf } from '../../quantity/id-of';
import { machinesFor } from '../../plant/plant';
import { toleranceOf } from '../../register/register-of-step';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath, wordSetting } from '../process';
import { filmList, inkRows } from '../press-inks';
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
    rows: panelRows(cx).filter((r) => !['inkOf', 'inkKg', 'remakes'].includes(r.label)),
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

export function panelRows(cx: ConsumeContext): PanelRow[] {
  const choice = (key: string, text: string, options: string[]): PanelRow => ({
    label: key === 'repeat' ? 'setupKind' : key,
    text,
    edit: { at: settingPath(cx, key), kind: 'choice', options: options.map((value) => ({ value, says: value })) },
  });
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
    { label: 'repeatMm', figure: ofForm(cx, 'repeatMm'), edit: { at: settingPath(cx, 'repeatMm'), kind: 'length' } },
    { label: 'teeth', figure: ofForm(cx, 'teeth') },
    { label: 'lanes', figure: ofForm(cx, 'lanes') },
    { label: 'sheetsARepeat', figure: ofForm(cx, 'sheetsARepeat') },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'rolls', figure: idOf(cx.id, 'rolls') },
    { label: 'lostARoll', figure: idOf(cx.id, 'batchLost'), edit: { at: settingPath(cx, 'spliceMetres'), kind: 'count' } },
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    ...inkRows(cx, (s) => s.lampDried),
    choice('repeat', wordSetting(cx, 'repeat', 'new'), ['new', 'repeat']),
    { label: 'inkKg', figure: idOf(cx.id, 'inkKg') },
    ...passOf(cx).inks.map((ink) => ({ label: 'inkOf', text: ink, figure: `${cx.id}.ink.${ink}.kg` })),
    { label: 'remakes', figure: idOf(cx.id, 'remakes') },
  ];
}
