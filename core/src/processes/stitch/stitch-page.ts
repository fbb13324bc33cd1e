import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import { says } from '../rows';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, setting, settingPath, wordSetting } from '../process';
import { choiceRow, machineRow, runningLossRow, settingRow, setupKindRow } from '../rows';
import { stitchPlacesMm } from '../../finishing/stitch-places';
import { centreSpread, foliosSay } from '../../signature/folios';
import { sectionsRow } from '../sections-chosen';
import { feederOrder, textSections } from './gathered';
import { opens } from './stitch-settings';

export const stitchPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  ...sectionsRow(cx, textSections(cx)),
  { label: 'feedersUsed', text: `${feederOrder(cx).length} of ${cx.machine.limits.feeders ?? practiceValue(cx.plant, 'stitch.feeders')}` },
  choiceRow(cx, 'lapOn', 'lapOn', wordSetting(cx, 'lapOn', opens(cx)), ['high', 'low']),
  settingRow(cx, 'lap', 'lapMm', practiceTerm(cx.plant, 'stitch.lapMm'), { kind: 'length', unit: 'mm' }),
  settingRow(cx, 'trimFace', 'faceMm', practiceTerm(cx.plant, 'stitch.faceMm'), { kind: 'length', unit: 'mm' }),
  settingRow(cx, 'trimHead', 'headMm', practiceTerm(cx.plant, 'stitch.headMm'), { kind: 'length', unit: 'mm' }),
  settingRow(cx, 'trimFoot', 'footMm', practiceTerm(cx.plant, 'stitch.footMm'), { kind: 'length', unit: 'mm' }),
  { label: 'closedBooklet', figure: idOf(cx.id, 'closedMm') },
  { label: 'creep', figure: idOf(cx.id, 'creepMm') },
  { label: 'stitchWire', figure: idOf(cx.id, 'stitchMm') },
  { label: 'wireLength', figure: idOf(cx.id, 'wireM') },
  { label: 'wireMass', figure: idOf(cx.id, 'wireKg') },
  { label: 'copyMass', figure: idOf(cx.id, 'copyKg') },
  { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
  setupKindRow(cx),
];

export const stitchSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: `${cx.machine.name} · ${feederOrder(cx).length} feeders`,
});

const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;

export function stitchPaper(cx: ConsumeContext): PaperPage[] {
  const [lead] = cx.parts;
  const stitched = cx.parts.find((p) => p.traits?.stitched)?.traits?.stitched;
  const trims = (['faceMm', 'headMm', 'footMm'] as const).map((name) =>
    says(setting(cx, name, practiceTerm(cx.plant, `stitch.${name}`)), 'mm'),
  );
  return [
    {
      department: 'binding',
      scene: true,
      rows: [
        { label: 'copiesIn', figure: idOf(cx.id, 'run') },
        { label: 'stopAt', figure: idOf(cx.id, 'need') },
        { label: 'trimmedSize', text: `${lead?.widthMm ?? 0} × ${lead?.heightMm ?? 0} mm` },
        { label: 'trims', text: `face ${trims[0]}, head ${trims[1]}, foot ${trims[2]}` },
        {
          label: 'stitchPlaces',
          text: stitched
            ? `${stitchPlacesMm(lead?.heightMm ?? 0, stitched.stitches, stitched.fromHeadMm)
                .map(mm)
                .join(', ')} from the head${stitched.loops ? '; loops' : ''}`
            : '–',
        },
        { label: 'wireDiameter', text: mm(practiceValue(cx.plant, 'stitch.wireMm')) },
        ...stitchPanel(cx),
      ],
      lists: [
        {
          title: 'feederOrder',
          head: ['feeder', 'drops', 'how many', 'pages', 'open in the middle', 'first page'],
          rows: feederOrder(cx).map(({ section, part }, i) => [
            String(i + 1),
            part === lead ? section.name : `${section.name}, scored here`,
            formatNumber(Math.ceil(cx.ledger.value(idOf(cx.id, 'run')) - 1e-9)),
            foliosSay(section.pages),
            centreSpread(section),
            String(section.pages[0] ?? 'blank'),
          ]),
        },
      ],
      blanks: [
        'first copy read page by page, signed by',
        'stitch bent open: both ends bite',
        'width, height, square of one within 1 mm',
        'one copy pulled at each thousand',
        'missing, double, wrong: counted by feeder',
      ],
    },
  ];
}
