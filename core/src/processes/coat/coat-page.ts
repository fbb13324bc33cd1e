import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { onEveryCopy, sheetScene } from '../../layout/sheet-scene';
import { topOnBlank } from '../../product/blank';
import type { Scene } from '../../scene/scene';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { ordersOnForm } from '../parted-step';
import { machineRow, runningLossRow, setupKindRow } from '../rows';

const tenths = (mm: number): string => `${Math.round(mm * 10) / 10} mm`;

export const coatPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'coatKind', text: cx.parts[0]?.traits?.lampCoat?.kind ?? '' },
  { label: 'coatMass', figure: idOf(cx.id, 'coatKg') },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
  setupKindRow(cx),
  { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
];

export const coatSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'coatKg'),
  text: cx.machine.name,
});

/** The sheet as it lies; what stays free of coat is marked on every copy. */
export function coatScene(cx: ConsumeContext): Scene {
  const sheet = sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'));
  if (!cx.layout) return sheet;
  const free = onEveryCopy(cx.layout, (id) => {
    const part = cx.parts.find((p) => p.id === id);
    return (part?.traits?.lampCoat?.windows ?? []).map((w) => ({ ...w, name: 'free of coat', yMm: topOnBlank(part, w) }));
  });
  return { ...sheet, title: 'coat', says: `${sheet.says} ${free.length} windows stay free of coat.`, shapes: [...sheet.shapes, ...free] };
}

export const coatPaper = (cx: ConsumeContext): PaperPage[] => {
  const [part] = cx.parts;
  const windows = part?.traits?.lampCoat?.windows ?? [];
  return [
    {
      department: 'press',
      scene: true,
      rows: [
        { label: 'coatForm', text: windows.length > 0 ? 'coatFormWindow' : 'coatFormFull' },
        { label: 'dryBefore', text: cx.wet.length > 0 ? 'dryOxidised' : 'dryByLamp' },
        ...coatPanel(cx),
      ],
      lists: [
        ...ordersOnForm(cx),
        ...(windows.length > 0
          ? [
              {
                title: 'coatWindows',
                head: ['window', 'from left', 'from top', 'size'],
                rows: windows.map((w, i) => [
                  String(i + 1),
                  tenths(w.xMm),
                  tenths(topOnBlank(part, w)),
                  `${Math.round(w.widthMm * 10) / 10} × ${tenths(w.heightMm)}`,
                ]),
              },
            ]
          : []),
      ],
      blanks: ['printed, dry since', 'crack test, folded both ways', 'peel test in the window', 'gloss measured', 'lamps: hours'],
    },
  ];
};
