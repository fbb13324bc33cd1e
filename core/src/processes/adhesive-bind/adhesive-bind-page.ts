import { idOf } from '../../quantity/id-of';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { ADHESIVES } from '../../product/adhesive';
import { TWO_UP } from '../../product/bound';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath, wishPath } from '../process';
import { machineRow, runningLossRow, settingRow, setupKindRow } from '../rows';
import { sectionsRow } from '../sections-chosen';
import { coverScene, spreadSizes } from './cover-spread';
import { hopperList } from '../hopper-list';
import { booksACycle, hopperOrder, isTwoUp, textSections } from '../hoppers';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** What of the order is decided at the binder: it replans folds, forms, sheets and plates. */
const wishRow = (cx: ConsumeContext, label: string, key: string, now: string, words: readonly string[], said = ''): PanelRow => ({
  label,
  text: said + now,
  edit: { at: wishPath(cx, key), kind: 'choice', options: words.map((value) => ({ value, says: said + value })) },
});

export function adhesiveBindPanel(cx: ConsumeContext): PanelRow[] {
  const bound = cx.parts[0]?.traits?.adhesive;
  return [
    machineRow(cx),
    wishRow(cx, 'boundAs', 'twoUp', isTwoUp(cx) ? (cx.parts[0]?.traits?.bound?.twoUp ?? 'none') : 'none', ['none', ...TWO_UP], 'bound.'),
    ...sectionsRow(cx, textSections(cx)),
    {
      label: 'feedersUsed',
      text: `${hopperOrder(cx).length} of ${cx.machine.limits.feeders ?? practiceValue(cx.plant, 'bind.feeders')}`,
    },
    wishRow(cx, 'adhesive', 'adhesive', bound?.adhesive ?? 'hotMelt', ADHESIVES),
    wishRow(cx, 'spineFolds', 'folds', bound?.milled ? 'milled' : 'notched', ['milled', 'notched']),
    { label: 'blockThick', figure: idOf(cx.id, 'blockMm'), edit: { at: wishPath(cx, 'dummyMm'), kind: 'length' } },
    { label: 'spineWide', figure: idOf(cx.id, 'spineMm') },
    { label: 'bindLength', figure: idOf(cx.id, 'lengthMm') },
    { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
    settingRow(cx, 'cooling', 'coolingS', practiceTerm(cx.plant, bound?.adhesive === 'pur' ? 'bind.purCoolS' : 'bind.hotMeltCoolS'), {
      kind: 'seconds',
      unit: 's',
    }),
    { label: 'conveyor', figure: idOf(cx.id, 'conveyorM') },
    settingRow(cx, 'glueFilm', 'filmMm', practiceTerm(cx.plant, bound?.adhesive === 'pur' ? 'bind.purFilmMm' : 'bind.filmMm'), {
      kind: 'length',
      unit: 'mm',
    }),
    { label: 'glueMass', figure: idOf(cx.id, 'glueKg') },
    { label: 'copyMass', figure: idOf(cx.id, 'copyKg') },
    { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
    runningLossRow(cx),
    setupKindRow(cx),
  ];
}

export const adhesiveBindSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: `${cx.machine.name} · ${hopperOrder(cx).length} hoppers${booksACycle(cx) === 2 ? ' · two-up' : ''}`,
});

export function adhesiveBindPaper(cx: ConsumeContext): PaperPage[] {
  const bound = cx.parts[0]?.traits?.adhesive;
  const sizes = spreadSizes(cx);
  const scores = sizes?.scoresMm.map(mm).join(', ') ?? '–';
  return [
    {
      department: 'binding',
      scene: true,
      more: [coverScene(cx)],
      rows: [
        { label: 'clampOpens', text: mm(cx.ledger.value(idOf(cx.id, 'blockMm'))) },
        { label: 'spineWide', text: mm(cx.ledger.value(idOf(cx.id, 'spineMm'))) },
        { label: 'spineWorked', text: bound?.milled ? `milled ${mm(bound.trims.grindMm)}` : `notched ${mm(bound?.trims.grindMm ?? 0)}` },
        { label: 'scorePlaces', text: `${scores} from the left edge, outside up` },
        { label: 'coverPiece', text: sizes ? `${mm(sizes.widthMm)} wide` : '–' },
        ...((bound?.flapMm ?? 0) > 0
          ? [{ label: 'faceBefore', text: `to ${mm(cx.parts[0]?.widthMm ?? 0)} from the spine, before the cover with its flaps is put on` }]
          : []),
        { label: 'glueHeat', text: 'as the maker of the glue says' },
        // What stands above in the machine's terms stands here once.
        ...adhesiveBindPanel(cx).filter(({ label }) => !['blockThick', 'spineWide', 'spineFolds'].includes(label)),
      ],
      lists: [hopperList(cx)],
      blanks: [
        'first block read page by page, signed by',
        'thickness of the first block measured',
        'five books: pages pulled, laid flat (destroyed)',
        'missing, double, wrong, turned: counted by hopper, cleared by',
      ],
    },
  ];
}
