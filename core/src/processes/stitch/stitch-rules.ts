import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import type { Stitched } from '../../product/bound';
import { type Finding } from '../finding';
import { type ConsumeContext, type OwnRule, settingPath, wishPath } from '../process';
import { feedersShort, formEmpty, sectionsCannot } from '../section-rules';
import { feederOrder, textSections } from './gathered';
import { opens } from './stitch-settings';

type Found = Omit<Finding, 'code' | 'at'>;
const stitchedOf = (cx: ConsumeContext): Stitched | undefined => cx.parts.find((p) => p.traits?.stitched)?.traits?.stitched;
const tenths = (mm: number): number => Math.round(mm * 100) / 100;

/** Thicker than the machine closes its wire over. */
const tooThick: OwnRule = {
  code: 'stitch.tooThick',
  nr: 47,
  find: (cx) => {
    const [closed, most] = [cx.ledger.value(idOf(cx.id, 'closedMm')), cx.ledger.value(idOf(cx.id, 'mostMm'))];
    return closed > most + 1e-9
      ? [{ level: 'release', figure: idOf(cx.id, 'closedMm'), args: { closedMm: tenths(closed), mostMm: most }, remedies: [] }]
      : [];
  },
};

/** So thick that adhesive holds it better, and it lies flatter. */
const adhesiveToo: OwnRule = {
  code: 'stitch.adhesiveToo',
  find: (cx) => {
    const [closed, most] = [cx.ledger.value(idOf(cx.id, 'closedMm')), cx.ledger.value(idOf(cx.id, 'mostMm'))];
    const from = practiceValue(cx.plant, 'stitch.adhesiveFromMm');
    return closed >= from && closed <= most + 1e-9
      ? [{ level: 'know', figure: idOf(cx.id, 'closedMm'), args: { closedMm: tenths(closed), from }, remedies: [] }]
      : [];
  },
};

/** More sections and covers than the line has feeders. */
const tooManySections = feedersShort('stitch.feedersShort', (cx) => {
  const order = feederOrder(cx);
  return {
    has: cx.machine.limits.feeders ?? practiceValue(cx.plant, 'stitch.feeders'),
    needs: order.length,
    others: order.length - textSections(cx).length,
  };
});

/** The lap stands on the half that the feeders do not open. */
const lapOther: OwnRule = {
  code: 'stitch.lapOther',
  find: (cx, spec) => {
    const set = cx.settings['lapOn'];
    return typeof set === 'string' && set !== opens(cx)
      ? [
          {
            level: 'start',
            args: { opens: opens(cx) === 'low' ? 'first' : 'last' },
            remedies: [{ do: 'edit', says: 'remedy.lapAsOpened', args: {}, edits: [editAt(spec, settingPath(cx, 'lapOn'), undefined)] }],
          },
        ]
      : [];
  },
};

/** Leaves in the middle are cut so much narrower that what stands near the face comes to the knife. */
const creepCuts: OwnRule = {
  code: 'stitch.creepCuts',
  find: (cx, spec) => {
    const stitched = stitchedOf(cx);
    const creep = cx.ledger.value(idOf(cx.id, 'creepMm'));
    const clear = practiceValue(cx.plant, 'stitch.knifeClearMm');
    if (stitched?.cure !== 'none' || creep <= stitched.outerMm - clear) return [];
    return [
      {
        level: 'decide',
        figure: idOf(cx.id, 'creepMm'),
        args: { leftMm: tenths(stitched.outerMm - creep) },
        remedies: [{ do: 'edit', says: 'remedy.shiftPages', args: {}, edits: [editAt(spec, wishPath(cx, 'cure'), 'shift')] }],
      },
    ];
  },
};

/** A dummy that shows another creep than the papers say: the dummy counts. */
const dummyOff: OwnRule = {
  code: 'stitch.dummyOff',
  find: (cx) => {
    const stitched = stitchedOf(cx);
    const reckoned = cx.ledger.value(idOf(cx.id, 'reckonedCreepMm'));
    const share = practiceValue(cx.plant, 'stitch.dummyOffShare');
    if (stitched?.creep !== 'dummy' || Math.abs(stitched.dummyMm - reckoned) <= share * reckoned) return [];
    return [
      {
        level: 'decide',
        figure: idOf(cx.id, 'creepMm'),
        args: { dummyMm: stitched.dummyMm, reckonedMm: tenths(reckoned) },
        remedies: [],
      },
    ];
  },
};

/** A sheet of four pages alone in the middle is held by little. */
const pullsOut: OwnRule = {
  code: 'stitch.pullsOut',
  find: (cx) => {
    const order = feederOrder(cx).filter((s) => s.part === cx.parts[0]);
    return order.length > 1 && order[0]?.section.pages.length === 4 ? [{ level: 'know', args: {}, remedies: [] }] : [];
  },
};

/** A picture across the gutter that is not the middle of a section comes from two sheets. */
const spreadApart: OwnRule = {
  code: 'stitch.spreadApart',
  find: (cx): Found[] => {
    const middles = feederOrder(cx).map(({ section: { pages } }) => pages[pages.length / 2 - 1]);
    return (stitchedOf(cx)?.spreads ?? [])
      .filter((page) => !middles.includes(page))
      .slice(0, 1)
      .map((page) => ({ level: 'decide', args: { left: page, right: page + 1 }, remedies: [] }));
  },
};

/** A stitch so near to head or foot that the knife may meet it. */
const nearKnife: OwnRule = {
  code: 'stitch.nearKnife',
  find: (cx, spec) => {
    const [stitched, least] = [stitchedOf(cx), practiceValue(cx.plant, 'stitch.endClearMm')];
    return stitched && stitched.fromHeadMm < least
      ? [
          {
            level: 'decide',
            args: { fromMm: stitched.fromHeadMm, least },
            remedies: [
              { do: 'edit', says: 'remedy.stitchesIn', args: { least }, edits: [editAt(spec, wishPath(cx, 'stitchFromHeadMm'), least)] },
            ],
          },
        ]
      : [];
  },
};

/** Pages nobody printed: a stitched booklet has a multiple of four. */
const pagesOdd: OwnRule = {
  code: 'stitch.pagesOdd',
  nr: 46,
  find: (cx, spec) => {
    const [asked, bookPages] = [stitchedOf(cx)?.pagesAsked ?? 0, cx.parts[0]?.traits?.bound?.bookPages ?? 0];
    if (asked >= bookPages) return [];
    const fewer = asked - (asked % 4);
    return [
      {
        level: 'release',
        args: { pages: asked, blanks: bookPages - asked, drop: asked % 4 },
        remedies: [bookPages, fewer]
          .filter((pages) => pages >= 4)
          .map((pages) => ({
            do: 'edit' as const,
            says: pages > asked ? 'remedy.pagesBlank' : 'remedy.pagesDrop',
            args: { pages },
            edits: [editAt(spec, wishPath(cx, 'pages'), pages)],
          })),
      },
    ];
  },
};

export const STITCH_RULES: readonly OwnRule[] = [
  tooThick,
  adhesiveToo,
  tooManySections,
  lapOther,
  creepCuts,
  dummyOff,
  pullsOut,
  spreadApart,
  nearKnife,
  pagesOdd,
  formEmpty,
  sectionsCannot(textSections),
];
