import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import type { AdhesiveBound } from '../../product/adhesive';
import { PAGES_OF_A_FOLD } from '../../product/bound';
import type { JobSpec } from '../../product/job-spec';
import type { FindingArgs, Remedy } from '../finding';
import { type ConsumeContext, type OwnRule, wishPath } from '../process';
import { feedersShort, formEmpty, pagesOdd, sectionsCannot } from '../section-rules';
import { sectionsGathered, sizesSay } from '../sections-chosen';
import { hopperOrder, insertComesAfter, isTwoUp, textSections } from '../hoppers';

const boundOf = (cx: ConsumeContext): AdhesiveBound | undefined => cx.parts[0]?.traits?.adhesive;
const hundredths = (mm: number): number => Math.round(mm * 100) / 100;
/** A remedy that changes the order in one place. */
const wishes = (cx: ConsumeContext, spec: JobSpec, says: string, key: string, value: unknown, args: FindingArgs = {}): Remedy => ({
  do: 'edit',
  says,
  args,
  edits: [editAt(spec, wishPath(cx, key), value)],
});
const isTwoUpAsked = (cx: ConsumeContext): boolean => cx.parts[0]?.traits?.bound?.twoUp !== undefined;

/** Nobody said whether the pages named hold the insert. */
const countNotSaid: OwnRule = {
  code: 'bind.countNotSaid',
  find: (cx, spec) => {
    const bound = boundOf(cx);
    if (bound?.insert?.counted !== null) return [];
    return [
      {
        level: 'release',
        args: { pages: bound.pagesAsked, insert: bound.insert.pages },
        remedies: [
          wishes(cx, spec, 'remedy.insertBeside', 'insertCounted', 'beside', { pages: bound.pagesAsked, insert: bound.insert.pages }),
          wishes(cx, spec, 'remedy.insertIn', 'insertCounted', 'in', { pages: bound.pagesAsked, insert: bound.insert.pages }),
        ],
      },
    ];
  },
};

/** The insert is wished inside a section: it comes behind it, or before it. */
const insertInside: OwnRule = {
  code: 'bind.insertInside',
  find: (cx, spec) => {
    const insert = boundOf(cx)?.insert;
    // Where nobody said a place it comes between sections.
    if (insert?.after == null) return [];
    const text = hopperOrder(cx).filter((h) => h.part === cx.parts[0]);
    const { sections, isBetween } = insertComesAfter(text, insert.after);
    if (isBetween) return [];
    const lastPage = (hopper: number): number => Math.max(0, ...(text[hopper - 1]?.pages ?? []).flatMap((p) => p ?? []));
    const places = [lastPage(sections - 1), lastPage(sections)].filter((page) => page > 0);
    return [
      {
        level: 'decide',
        args: { after: insert.after, section: sections, places: places.join(' or ') },
        remedies: places.map((page) => wishes(cx, spec, 'remedy.insertAfter', 'insertAfter', page, { page })),
      },
    ];
  },
};

/** Come-and-go, and what lies as far from either end of the book is not alike. */
const pairsUnlike: OwnRule = {
  code: 'bind.pairsUnlike',
  find: (cx, spec) => {
    if (cx.parts[0]?.traits?.bound?.twoUp !== 'comeAndGo' || !isTwoUp(cx)) return [];
    const order = hopperOrder(cx);
    const unlike = order.find((h, i) => {
      const other = order.at(-1 - i);
      return other && (other.part !== h.part || other.pages.length !== h.pages.length);
    });
    if (!unlike) return [];
    return [
      {
        level: 'release',
        args: { what: unlike.section.name, place: unlike.position, all: order.length, other: order.length + 1 - unlike.position },
        remedies: [wishes(cx, spec, 'remedy.headToFoot', 'twoUp', 'headToFoot'), wishes(cx, spec, 'remedy.oneUp', 'twoUp', 'none')],
      },
    ];
  },
};

/** Two copies as one length were asked and could not be laid: no sheet holds them, or the paper is too heavy to fold so. */
const notTwoUp: OwnRule = {
  code: 'bind.notTwoUp',
  find: (cx, spec) =>
    isTwoUpAsked(cx) && !isTwoUp(cx) && cx.forms.every((f) => f.layout !== null)
      ? [
          {
            level: 'release',
            args: { made: sizesSay(textSections(cx)) },
            remedies: [
              ...(cx.parts[0]?.traits?.bound?.twoUp === 'comeAndGo' ? [wishes(cx, spec, 'remedy.headToFoot', 'twoUp', 'headToFoot')] : []),
              wishes(cx, spec, 'remedy.oneUp', 'twoUp', 'none'),
            ],
          },
        ]
      : [],
};

/** Longer, with what the sheet leaves, than the binder takes. */
const tooLong: OwnRule = {
  code: 'bind.tooLong',
  find: (cx, spec) => {
    const [length, most] = [cx.ledger.value(idOf(cx.id, 'lengthMm')), cx.ledger.value(idOf(cx.id, 'mostLengthMm'))];
    return length > most + 1e-9
      ? [
          {
            level: 'release',
            figure: idOf(cx.id, 'lengthMm'),
            args: { lengthMm: hundredths(length), mostMm: most, overMm: hundredths(length - most) },
            remedies: isTwoUpAsked(cx) ? [wishes(cx, spec, 'remedy.oneUp', 'twoUp', 'none')] : [],
          },
        ]
      : [];
  },
};

/** Thinner or thicker than adhesive and clamp hold. */
const thickness: OwnRule = {
  code: 'bind.thickness',
  find: (cx) => {
    const [block, most] = [cx.ledger.value(idOf(cx.id, 'blockMm')), cx.ledger.value(idOf(cx.id, 'mostMm'))];
    const least = practiceValue(cx.plant, 'bind.leastMm');
    return block > 0 && (block < least || block > most)
      ? [{ level: 'release', figure: idOf(cx.id, 'blockMm'), args: { blockMm: hundredths(block), least, most }, remedies: [] }]
      : [];
  },
};

/** So thin that wire holds it too, or so thick that thread holds it longer. */
const boundOtherwise: OwnRule = {
  code: 'bind.otherwise',
  find: (cx) => {
    const block = cx.ledger.value(idOf(cx.id, 'blockMm'));
    const [stitched, sewn] = [practiceValue(cx.plant, 'bind.stitchedToMm'), practiceValue(cx.plant, 'bind.sewnFromMm')];
    return block > 0 && (block <= stitched || block >= sewn)
      ? [
          {
            level: 'know',
            figure: idOf(cx.id, 'blockMm'),
            args: { blockMm: hundredths(block), way: block <= stitched ? 'stitched' : 'sewn' },
            remedies: [],
          },
        ]
      : [];
  },
};

/** The cover was drawn for a spine, and the bulk is the catalogue's. */
const spineByCatalogue: OwnRule = {
  code: 'bind.spineByCatalogue',
  find: (cx) => {
    const bound = boundOf(cx);
    if (!bound || bound.artSpineMm === 0 || bound.dummyMm > 0) return [];
    const [block, spine] = [cx.ledger.value(idOf(cx.id, 'blockMm')), cx.ledger.value(idOf(cx.id, 'spineMm'))];
    return [
      {
        level: 'decide',
        figure: idOf(cx.id, 'spineMm'),
        args: {
          offMm: hundredths(practiceValue(cx.plant, 'bind.bulkShare') * block),
          spineMm: hundredths(spine),
          artMm: bound.artSpineMm,
        },
        remedies: [],
      },
    ];
  },
};

/** The cover is cut and scored for another spine than the paper makes now. */
const spineMoved: OwnRule = {
  code: 'bind.spineMoved',
  find: (cx, spec) => {
    const laid = cx.parts.find((p) => p.traits?.spread)?.traits?.spread?.spineMm ?? 0;
    const spine = cx.ledger.value(idOf(cx.id, 'spineMm'));
    return laid > 0 && Math.abs(spine - laid) > practiceValue(cx.plant, 'bind.spineOffMm')
      ? [
          {
            level: 'decide',
            figure: idOf(cx.id, 'spineMm'),
            args: { spineMm: hundredths(spine), laidMm: hundredths(laid) },
            remedies: [wishes(cx, spec, 'remedy.blockMeasured', 'dummyMm', hundredths(cx.ledger.value(idOf(cx.id, 'blockMm'))))],
          },
        ]
      : [];
  },
};

/** A dummy of another thickness than the papers say: the dummy counts. */
const dummyOff: OwnRule = {
  code: 'bind.dummyOff',
  find: (cx) => {
    const dummy = boundOf(cx)?.dummyMm ?? 0;
    const reckoned = cx.ledger.value(idOf(cx.id, 'reckonedMm'));
    const share = practiceValue(cx.plant, 'bind.dummyOffShare');
    return dummy > 0 && Math.abs(dummy - reckoned) > share * reckoned
      ? [
          {
            level: 'decide',
            figure: idOf(cx.id, 'blockMm'),
            args: { dummyMm: dummy, reckonedMm: hundredths(reckoned) },
            remedies: [],
          },
        ]
      : [];
  },
};

/** Gloss coating lets go of hot-melt: leaves pull out. */
const coatedInsert: OwnRule = {
  code: 'bind.coatedInsert',
  find: (cx, spec) => {
    if (boundOf(cx)?.adhesive !== 'hotMelt') return [];
    const gloss = sectionsGathered(cx).find(({ form }) => cx.plant.stocks[form.stock ?? '']?.surface === 'gloss');
    return gloss
      ? [{ level: 'decide', args: { what: gloss.section.name }, remedies: [wishes(cx, spec, 'remedy.pur', 'adhesive', 'pur')] }]
      : [];
  },
};

/** Four pages alone at an end of the book tear off. */
const loneFour: OwnRule = {
  code: 'bind.loneFour',
  find: (cx) => {
    const made = textSections(cx);
    return made.length > 1 && [made[0], made.at(-1)].includes(PAGES_OF_A_FOLD) ? [{ level: 'decide', args: {}, remedies: [] }] : [];
  },
};

/** The conveyor is too short for the rate: the line runs as fast as a book cools. */
const conveyorShort: OwnRule = {
  code: 'bind.conveyorShort',
  find: (cx) => {
    const { conveyorM } = cx.machine.limits;
    const needs = cx.ledger.value(idOf(cx.id, 'conveyorM'));
    if (conveyorM === undefined || needs <= conveyorM + 1e-9) return [];
    return [
      {
        level: 'decide',
        figure: idOf(cx.id, 'conveyorM'),
        args: {
          hasM: conveyorM,
          needsM: hundredths(needs),
          coolingS: cx.ledger.value(idOf(cx.id, 'coolingS')),
          perHour: Math.floor(cx.ledger.value(idOf(cx.id, 'rate'))),
        },
        remedies: [],
      },
    ];
  },
};

/** Flaps are folded in before head and foot are cut: a book at a time. */
const flapsTwoUp: OwnRule = {
  code: 'bind.flapsTwoUp',
  find: (cx, spec) =>
    (boundOf(cx)?.flapMm ?? 0) > 0 && isTwoUpAsked(cx)
      ? [{ level: 'release', args: {}, remedies: [wishes(cx, spec, 'remedy.oneUp', 'twoUp', 'none')] }]
      : [],
};

export const ADHESIVE_BIND_RULES: readonly OwnRule[] = [
  countNotSaid,
  insertInside,
  pairsUnlike,
  notTwoUp,
  tooLong,
  feedersShort('bind.feedersShort', (cx) => ({
    has: cx.machine.limits.feeders ?? practiceValue(cx.plant, 'bind.feeders'),
    needs: hopperOrder(cx).length,
    others: hopperOrder(cx).length - textSections(cx).length,
  })),
  thickness,
  boundOtherwise,
  spineByCatalogue,
  spineMoved,
  dummyOff,
  coatedInsert,
  loneFour,
  conveyorShort,
  flapsTwoUp,
  pagesOdd('bind.pagesOdd', (cx) => boundOf(cx)?.pagesAsked ?? 0),
  formEmpty,
  sectionsCannot(textSections),
];
