import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import { fitsWorkStyle, mayWork, WORK_STYLE_IDS, WORK_STYLES } from '../../layout/work-style';
import { toleranceOf } from '../../register/register-of-step';
import { type ConsumeContext, type DraftContext, type PanelRow, type PaperPage, type Process, machineTerm, wordSetting } from '../process';
import { filmList, inkMasses, inkRows, pressAbility, runSays, unitInks } from '../press-inks';
import { ordersOnForm } from '../parted-step';
import { pressRow, runningLossRow, settingRow, setupKindRow } from '../rows';
import { passesOf, registersOf, unitsOfPass } from './passes';
import { formAsk } from '../../product/part';
import { pagesScene } from '../pages-scene';

export const offsetPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'ink',
    scene: false,
    rows: inkMasses(passesOf(cx)).map(({ says, kg }) => ({ label: 'inkOf', text: says, figure: kg })),
    lists: [
      {
        title: 'sequence',
        head: ['pass', 'inks in order', 'series'],
        rows: passesOf(cx).flatMap((p) => p.prints.map(({ side, inks }) => [runSays(side, p), inks.join(' – '), cx.inkSeries?.name ?? ''])),
      },
      filmList(
        cx,
        passesOf(cx).flatMap((p) => p.inks),
      ),
    ],
    blanks: ['draw-down measured, ΔE', 'left-over ink used', 'batch numbers'],
  },
  {
    department: 'press',
    scene: true,
    sheet: true,
    ...backOf(cx),
    rows: pressRows(cx),
    lists: [
      ...ordersOnForm(cx),
      {
        title: 'passes',
        head: [
          'pass',
          'units in order',
          ...(hasVersions(cx) ? ['plates to hang'] : []),
          'set-up sheets',
          'stop at good',
          'of it before the press in reserve',
        ],
        rows: passesOf(cx).flatMap((p) =>
          p.prints.map(({ side, inks }, i) => [
            runSays(side, p),
            unitsOfPass(p, pressAbility(cx.machine))
              .filter((u) => u.side === side)
              .map(({ ink, unit }) => `${unitOf(cx, ink, unit)} ${ink}`)
              .join('  '),
            ...(hasVersions(cx) ? [p.again ? inks.filter((ink) => p.hung.includes(ink)).join(' ') || 'none' : 'all'] : []),
            i === 0 ? whole(cx, idOf(p.id, 'setupCycles')) : '–',
            i === 0 ? whole(cx, idOf(p.id, 'good')) : '–',
            i === 0
              ? cx.ledger.has(idOf(p.id, 'reserve'))
                ? `${whole(cx, idOf(p.id, 'reserve'))}: bring back what is not needed`
                : 'none'
              : '–',
          ]),
        ),
      },
    ],
    blanks: [
      'colour OK sheet signed by',
      'register reached',
      'samples pulled',
      ...(passesOf(cx).some((p) => p.side !== passesOf(cx)[0]?.side) ? ['turned at'] : []),
      ...(hasVersions(cx) ? ['line cleared before each version, signed by', 'last sheet of each version kept'] : []),
    ],
  },
];

/** Of sections the pages of the other side too. */
const backOf = (cx: ConsumeContext): Pick<PaperPage, 'more'> => (cx.layout?.imposed ? { more: [pagesScene(cx, 'back')] } : {});

/** Where the work style of a form is kept: under its own name, or under that of its gang. */
const styleKept = ({ form }: ConsumeContext): string => (form?.oneOf ? form.slot : (form?.id ?? ''));

/** The unit an ink stands in; what is laid by the coater stands there. */
const unitOf = (cx: DraftContext, ink: string, unit: number): string => (unitInks([ink], cx.machine).length > 0 ? String(unit) : 'coater:');

export const offsetSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${[...new Set(passesOf(cx).map((p) => `${p.side} ${p.inks.join(' ')}`))].map((p) => p.slice(p.indexOf(' ') + 1)).join(' / ')}`,
});

/** Whether versions run apart on this press. */
const hasVersions = (cx: DraftContext): boolean => passesOf(cx).some((p) => p.version !== null);

export const whole = (cx: ConsumeContext, figure: Id<'figure'>): string => formatNumber(Math.ceil(cx.ledger.value(figure) - 1e-9));

/** A second gripper, for the second pass or behind the turn in the press. */
const otherEdge = (passes: number): string =>
  passes > 1 ? '; second pass grips the other edge' : '; behind the turn the other edge is gripped';

/** What the operator sets the press by: sheet, gripper and lay, series and how it dries, zones, register as it must hold, piles. */
function pressRows(cx: ConsumeContext): PanelRow[] {
  const { limits } = cx.machine;
  const [w, h] = cx.layout?.sheetMm ?? [0, 0];
  const passes = passesOf(cx);
  const style = WORK_STYLES[cx.workStyle];
  const of = passes[0] && registersOf(cx, passes[0].id);
  return [
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'sheetSize', text: `${w} × ${h} mm, ${cx.stock?.gsm ?? 0} g/m²` },
    {
      label: 'gripper',
      text: `${w} mm edge, ${cx.layout?.gripperMm ?? 0} mm${style.secondGripper ? otherEdge(passes.length) : ''}`,
    },
    { label: 'sideLay', text: style.layChanges && passes.length > 1 ? 'left; right after the turn' : 'left' },
    { label: 'workStyle', text: cx.workStyle },
    { label: 'inkSeries', text: cx.inkSeries?.name ?? '' },
    ...(cx.coatSeries ? [{ label: 'coatSeries', text: cx.coatSeries.name }] : []),
    { label: 'drying', text: cx.inkSeries?.lampDried ? 'lamps' : 'powder' },
    ...(limits.zones ? [{ label: 'zones', text: `${limits.zones}; presets from the zones desk` }] : []),
    ...(of ? [{ label: 'registerAim', text: `± ${toleranceOf(of)} mm against ${of.reference}` }] : []),
    { label: 'pileSheets', figure: idOf(cx.id, 'perPile') },
    { label: 'piles', figure: idOf(cx.id, 'piles') },
    ...passes
      .filter((p) => cx.ledger.has(idOf(p.id, 'waitS')))
      .map((p) => ({ label: 'waitBeforePass', text: runSays(p.side, p), figure: idOf(p.id, 'waitS') })),
    { label: 'setupKind', text: wordSetting(cx, 'repeat', 'new') },
  ];
}

export function offsetPanel(cx: ConsumeContext): PanelRow[] {
  const styles = WORK_STYLE_IDS.filter((s) => fitsWorkStyle(s, cx.prints, pressAbility(cx.machine)) && mayWork(s, formAsk(cx.parts)));
  const passes = passesOf(cx);
  return [
    pressRow(cx),
    {
      label: 'workStyle',
      text: cx.workStyle,
      edit: { at: ['choices', 'workStyle', styleKept(cx)], kind: 'choice', options: styles.map((value) => ({ value, says: value })) },
    },
    ...inkRows(cx, (s) => !s.thinned && (!s.lampDried || (cx.machine.limits.lamps ?? 0) > 0)),
    setupKindRow(cx),
    ...passes.flatMap((p): PanelRow[] => {
      const which = passes.length > 1 ? { text: runSays(p.side, p) } : {};
      return [
        { label: 'setupSheets', ...which, figure: idOf(p.id, 'setupCycles') },
        { ...runningLossRow({ ...cx, id: p.id }), ...which },
      ];
    }),
    settingRow(cx, 'speed', 'perHour', machineTerm(cx, 'netPerHour'), { kind: 'count', unit: 'an hour' }),
    { label: 'inkKg', figure: idOf(cx.id, 'inkKg') },
    ...inkMasses(passes).map(({ ink, says, kg }, _, masses) => ({
      label: 'inkOf',
      text: masses.filter((m) => m.ink === ink).length > 1 ? says : ink,
      figure: kg,
    })),
    { label: 'piles', figure: idOf(cx.id, 'piles') },
    ...passes
      .filter((p) => !p.samePlates)
      .map((p, _, { length }) => ({ label: 'remakes', ...(length > 1 && { text: runSays(p.side, p) }), figure: idOf(p.id, 'remakes') })),
  ];
}
