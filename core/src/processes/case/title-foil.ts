import type { Draft, DraftContext, OwnRule } from '../process';
import { typed } from '../../quantity/ledger';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import type { CaseTitle } from '../../product/sewn';
import { bookStep } from '../book-step';
import { dieId, dieTool, foilAndDies } from '../foil/foil-and-dies';
import type { Lanes } from '../foil/foil-areas';
import { limitTerm, wishPath } from '../process';
import { caseFigures } from './case-figures';
import { caseScene } from './case-make';
import { openCaseOf, openCaseScene, titleBox } from './case-scene';

type Struck = CaseTitle & { key: string };
const titlesOf = (cx: DraftContext): Struck[] => (caseFigures(cx)?.cased.titles ?? []).map((title) => ({ ...title, key: title.id }));
/** A case is struck alone: one die in one lane. */
const alone = ({ widthMm, heightMm }: CaseTitle): Lanes => ({
  lanes: 1,
  dies: 1,
  pitchMm: heightMm,
  imageMm: heightMm,
  laneWidthMm: widthMm,
});
const hundredths = (mm: number): number => Math.round(mm * 100) / 100;

/** A title wider than its place leaves room for. */
const tooWide: OwnRule = {
  code: 'titleFoil.tooWide',
  find: (cx, spec) => {
    const made = caseFigures(cx);
    if (!made) return [];
    const roomOf = (place: CaseTitle['place']): number =>
      place === 'spine' ? made.mm('stripWidth') - practiceValue(cx.plant, 'titleFoil.besideMm') : made.mm('boardWidth');
    return titlesOf(cx)
      .filter(({ place, widthMm, heightMm }) => widthMm > roomOf(place) + 1e-9 || heightMm > made.mm('boardHeight') + 1e-9)
      .map(({ id, name, place, widthMm }) => {
        const most = Math.max(Math.floor(roomOf(place) * 10) / 10, 1);
        return {
          level: 'decide' as const,
          args: { name, place, widthMm, roomMm: hundredths(roomOf(place)), stripMm: hundredths(made.mm('stripWidth')) },
          remedies:
            widthMm > most
              ? [
                  {
                    do: 'edit' as const,
                    says: 'remedy.titleWidth',
                    args: { name, mm: most },
                    edits: [editAt(spec, [...wishPath(cx, 'titles'), id, 'widthMm'], most)],
                  },
                ]
              : [],
        };
      });
  },
};

/** Titles struck on the cases with foil from heated dies. */
export const titleFoil = bookStep({
  id: 'titleFoil',
  abilities: ['perDieS'],
  rules: [tooWide],
  losses: { setup: 'titleFoil.setupCycles', running: 'titleFoil.runningPpm' },
  unit: 'piece',
  cautions: ['platen', 'heat'],
  figures: caseFigures,
  tools: (cx): Draft['tools'] =>
    Object.fromEntries(
      titlesOf(cx).map((title) => {
        const at = dieId(cx.id, title);
        return [at, dieTool(cx, at, title, typed(1, 'copy', 'one case at a time'))];
      }),
    ),
  uses: (cx) => ({ costs: titlesOf(cx).flatMap((title) => foilAndDies(cx, title, alone(title))) }),
  time: (cx) => ({
    forms: typed(titlesOf(cx).length, '1', 'titles'),
    perFormS: limitTerm(cx, 'perDieS', practiceTerm(cx.plant, 'titleFoil.perDieS')),
  }),
  rows: (cx) =>
    titlesOf(cx).map((title) => ({ label: 'titleOn', text: `${title.name}: ${title.place}, ${title.widthMm} × ${title.heightMm} mm` })),
  page: (cx) => {
    const open = openCaseOf(cx.product.parts);
    return {
      rows: [{ label: 'foilHeat', text: 'heat and dwell as the maker of the foil says for this covering' }],
      lists: [
        {
          title: 'titlePlaces',
          head: ['title', 'on', 'size', 'from the left edge of its board or strip', 'from the head of the boards'],
          rows: titlesOf(cx).map((title) => {
            if (!open) return [title.name, title.place, `${title.widthMm} × ${title.heightMm} mm`, '–', '–'];
            const box = titleBox(open, title);
            const left = title.place === 'spine' ? (open.stripMm - title.widthMm) / 2 : (open.boardMm[0] - title.widthMm) / 2;
            return [
              title.name,
              title.place,
              `${title.widthMm} × ${title.heightMm} mm`,
              `${hundredths(left)} mm`,
              `${hundredths(box.y - open.turnInMm)} mm`,
            ];
          }),
        },
      ],
    };
  },
  blanks: ['foil: kind, lot', 'first pull signed by', 'rub test when cold', 'die: number, condition'],
  scene: (cx) => {
    const open = openCaseOf(cx.product.parts);
    return open ? openCaseScene(open, titlesOf(cx)) : caseScene(cx);
  },
  says: (cx) => `${titlesOf(cx).length} dies`,
});
