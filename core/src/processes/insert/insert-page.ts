import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { type Scene, type Shape, boxAround } from '../../scene/scene';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { machineRow, runningLossRow, settingRow, setupKindRow } from '../rows';

const tenths = (mm: number): string => `${Math.round(mm * 10) / 10} mm`;
const insertsOf = (cx: ConsumeContext): NonNullable<NonNullable<ConsumeContext['parts'][number]['traits']>['inserts']> | undefined =>
  cx.parts[0]?.traits?.inserts;

function codeOf(cx: ConsumeContext): string {
  const { discCode = '' } = insertsOf(cx) ?? {};
  return discCode === '' ? '–' : discCode;
}

export const insertPanel = (cx: ConsumeContext, byHand: boolean): PanelRow[] => [
  machineRow(cx),
  { label: 'traysIn', figure: idOf(idOf(cx.id, 'trays'), 'demand') },
  { label: 'discsIn', figure: idOf(idOf(cx.id, 'discs'), 'demand') },
  { label: 'discCode', text: codeOf(cx) },
  { label: 'shrinkFilm', figure: idOf(cx.id, 'filmM') },
  ...(byHand
    ? [settingRow(cx, 'secondsEach', 'secondsEach', practiceTerm(cx.plant, 'insert.handsS'), { kind: 'seconds', unit: 's' })]
    : []),
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
  setupKindRow(cx),
];

export const insertSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({ text: cx.machine.name });

export const insertPaper = (cx: ConsumeContext): PaperPage[] => {
  const inserts = insertsOf(cx);
  return [
    {
      department: 'bench',
      scene: true,
      rows: [
        { label: 'piecesIn', figure: idOf(cx.id, 'run') },
        { label: 'stopAt', figure: idOf(cx.id, 'need') },
        {
          label: 'trayMm',
          text: inserts && inserts.trays.length > 0 ? inserts.trayMm.map((mm) => Math.round(mm * 10) / 10).join(' × ') + ' mm' : '–',
        },
        { label: 'closedMm', text: inserts ? inserts.closedMm.map((mm) => Math.round(mm * 10) / 10).join(' × ') + ' mm' : '–' },
        ...insertPanel(cx, false),
      ],
      lists: [
        {
          title: 'trayPlaces',
          head: ['tray', 'on panel', 'from the left, seen from inside', 'from the foot', 'glue'],
          rows: (inserts?.trays ?? []).map((t, i) => [
            String(i + 1),
            String(t.panel),
            tenths(t.xMm),
            tenths(t.yMm),
            t.onPrint ? 'in the window, not on the coat' : 'on the bare board',
          ]),
        },
      ],
      blanks: [
        'disc code read and equal to the sleeve’s; another one: stop',
        'discs counted in',
        'discs returned',
        'trays used, trays spoilt',
        'closed thickness measured',
        'film seam and tunnel heat',
      ],
    },
  ];
};

/** The sleeve open as it comes to the line, seen from inside: trays and discs where they lie. */
export function insertScene(cx: ConsumeContext): Scene {
  const inserts = insertsOf(cx);
  if (!inserts) return { title: 'insert', says: 'Nothing is put in.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const [w, h] = inserts.openMm;
  const text = Math.max(w, h) / 24;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'sleeve' },
    ...inserts.foldsMm.map((x): Shape => ({ kind: 'line', role: 'fold', x1: x, y1: 0, x2: x, y2: h })),
    { kind: 'text', role: 'label', x: w / 2, y: h + text * 1.4, text: 'foot', sizeMm: text, anchor: 'middle' },
    ...inserts.trays.flatMap((t, i): Shape[] => {
      const [x, y] = [t.xMm, h - t.yMm - t.heightMm];
      const radius = Math.min(t.widthMm, t.heightMm) / 2 - 1;
      const [cx0, cy0] = [x + t.widthMm / 2, y + t.heightMm / 2];
      return [
        { kind: 'rect', role: 'strike', x, y, w: t.widthMm, h: t.heightMm, ref: `tray ${i + 1}` },
        ...(inserts.discs > i
          ? [{ kind: 'circle' as const, role: 'copy' as const, cx: cx0, cy: cy0, r: radius, ref: `disc ${i + 1}` }]
          : []),
        { kind: 'text', role: 'label', x: cx0, y: cy0, text: `tray ${i + 1}`, sizeMm: text, anchor: 'middle' },
      ];
    }),
  ];
  return {
    title: 'trays and discs',
    says: `The open sleeve with ${inserts.trays.length} trays and ${inserts.discs} discs; closed it is ${inserts.closedMm.map((mm) => Math.round(mm * 10) / 10).join(' by ')} millimetres.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
