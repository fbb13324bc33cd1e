import { idOf } from '../../quantity/id-of';
import { practiceOf, practiceValue } from '../../plant/practice';
import { chromeLife } from '../../form/chrome-life';
import { COPPER_UM, isBaseFit, USUAL_STEP_UM, WIDEST_BAND } from '../../form/cylinder-set';
import type { JobSpec } from '../../product/job-spec';
import { editAt, type Edit } from '../../product/edit';
import type { EngravingWay, Engraved } from '../../product/roller';
import type { Finding, FindingArgs, Remedy } from '../finding';
import { type ConsumeContext, type OwnRule, wishPath } from '../process';
import { copperFigure, rollersOf } from './rollers';

/* What a foreman of the cylinder shop would say of an order and of what was measured. */

type Found = Omit<Finding, 'code' | 'at'>;
const change = (spec: JobSpec, says: string, args: FindingArgs, edits: [string[], unknown][]): Remedy => ({
  do: 'edit',
  says,
  args,
  edits: edits.map(([at, now]): Edit => editAt(spec, at, now)),
});
/** Where the order says something of one row. */
const rowPath = (cx: ConsumeContext, row: string, key: string): string[] => [...wishPath(cx, 'rows'), row, key];

/** A body that a bath or a lathe does not take: too long, too thick, too heavy. */
export const bodyOver: OwnRule = {
  code: 'cylinders.bodyOver',
  find: (cx) =>
    rollersOf(cx).flatMap(({ roller }): Found[] => {
      const { bodyFaceMm = Infinity, bodyMm = Infinity, bodyKg = Infinity } = cx.machine.limits;
      const sizes = [
        { what: 'face', is: roller.faceMm, most: bodyFaceMm, unit: 'mm' },
        { what: 'diameter', is: cx.ledger.value(roller.figures.diameterMm), most: bodyMm, unit: 'mm' },
        { what: 'mass', is: roller.bodyKg, most: bodyKg, unit: 'kg' },
      ];
      return sizes.flatMap(({ what, is, most, unit }): Found[] =>
        is > most ? [{ level: 'release', args: { name: roller.name, machine: cx.machine.name, what, is, most, unit }, remedies: [] }] : [],
      );
    }),
};

/** A base that would want more copper than holds, or less. */
export const baseUnfit: OwnRule = {
  code: 'cylinders.baseUnfit',
  find: (cx, spec) =>
    rollersOf(cx).flatMap(({ part, roller }): Found[] => {
      const figure = copperFigure(cx, roller);
      const um = cx.ledger.value(figure);
      if (!roller.plated || isBaseFit(um)) return [];
      return [
        {
          level: 'release',
          figure,
          args: { name: roller.name, um, ...COPPER_UM },
          remedies: newBases(cx, spec, part.role),
        },
      ];
    }),
};

/** New bases in place of those that do not suit: of one cylinder where its row says its base, else of all that share what the order says of them. */
function newBases(cx: ConsumeContext, spec: JobSpec, row: string): Remedy[] {
  const said = (at: string[]): boolean => editAt(spec, at, undefined).was !== undefined;
  const own = said(rowPath(cx, row, 'baseMm'));
  const rows = own ? [row] : cx.product.parts.map((p) => p.role).filter((r) => !said(rowPath(cx, r, 'baseMm')));
  const paths = [...(own ? [rowPath(cx, row, 'baseMm')] : [wishPath(cx, 'baseMm')]), ...rows.map((r) => rowPath(cx, r, 'base'))].filter(
    said,
  );
  return paths.length > 0
    ? [
        change(
          spec,
          'remedy.newBase',
          {},
          paths.map((at) => [at, undefined]),
        ),
      ]
    : [];
}

/** A band that leaves no room for blade and seals. */
export const bandWide: OwnRule = {
  code: 'cylinders.bandWide',
  find: (cx, spec) => {
    const [first] = rollersOf(cx);
    if (!first) return [];
    const endMm = practiceValue(cx.plant, 'cylinders.endMm');
    const { bandMm, faceMm } = first.roller;
    if (bandMm <= WIDEST_BAND.of({ faceMm, endMm }) + 1e-9) return [];
    const least = bandMm + 2 * endMm;
    return [
      {
        level: 'release',
        args: { band: bandMm, face: faceMm, least },
        remedies: [change(spec, 'remedy.longerFace', { mm: least }, [[wishPath(cx, 'faceMm'), least]])],
      },
    ];
  },
};

/** Cylinders of one shaft must grow from station to station, or the web goes slack. */
export const stepFalls: OwnRule = {
  code: 'cylinders.stepFalls',
  find: (cx, spec) => {
    const [first, ...more] = rollersOf(cx);
    const drive = first?.part.traits?.engraved?.drive;
    if (!first || more.length === 0 || drive !== 'shaft' || first.roller.stepUm > 0) return [];
    return [
      {
        level: 'release',
        args: { step: first.roller.stepUm },
        remedies: [change(spec, 'remedy.stepUp', { um: USUAL_STEP_UM }, [[wishPath(cx, 'stepUm'), USUAL_STEP_UM]])],
      },
    ];
  },
};

/** Two cylinders for one station. */
export const stationTwice: OwnRule = {
  code: 'cylinders.stationTwice',
  find: (cx) => {
    const seen = new Map<number, string>();
    return rollersOf(cx).flatMap(({ part, roller }): Found[] => {
      const other = seen.get(roller.station);
      seen.set(roller.station, roller.name);
      return other !== undefined && part.traits?.engraved
        ? [{ level: 'release', args: { station: roller.station, one: other, other: roller.name }, remedies: [] }]
        : [];
    });
  },
};

/** The finest that a way of engraving holds: type in points, lines in µm; 0: it holds any that is printed. Common practice, no source. */
const FINEST: Readonly<Record<EngravingWay, { typePt: number; lineUm: number }>> = {
  stylus: { typePt: 5, lineUm: 100 },
  laser: { typePt: 4, lineUm: 0 },
  etch: { typePt: 3, lineUm: 30 },
};
const holds = (way: EngravingWay, { typePt, finestUm }: Pick<Engraved, 'typePt' | 'finestUm'>): boolean =>
  (typePt === 0 || typePt >= FINEST[way].typePt) && (finestUm === 0 || finestUm >= FINEST[way].lineUm);

/** Artwork finer than the way it is engraved holds: edges come out as a saw. */
export const artworkFine: OwnRule = {
  code: 'cylinders.artworkFine',
  find: (cx, spec) =>
    rollersOf(cx).flatMap(({ part, roller }): Found[] => {
      const engraved = part.traits?.engraved;
      if (!engraved || holds(engraved.way, engraved)) return [];
      const other = (['laser', 'etch'] as const).find((way) => holds(way, engraved));
      return [
        {
          level: 'decide',
          args: { name: roller.name, way: engraved.way, pt: engraved.typePt, um: engraved.finestUm, ...limitsSaid(engraved.way) },
          remedies: other ? [change(spec, 'remedy.engraveBy', { way: other }, [[rowPath(cx, part.role, 'way'), other]])] : [],
        },
      ];
    }),
};
const limitsSaid = (way: EngravingWay): { leastPt: number; leastUm: number } => ({
  leastPt: FINEST[way].typePt,
  leastUm: FINEST[way].lineUm,
});

/** Print on the surface wants the image mirrored, print on the back of clear film right. */
export const readingWrong: OwnRule = {
  code: 'cylinders.readingWrong',
  find: (cx, spec) => {
    const [first] = rollersOf(cx);
    const { reading } = first?.part.traits?.engraved ?? {};
    const printedOn = first?.part.traits?.rollerSet?.printedOn;
    if (!reading || !printedOn) return [];
    const right = printedOn === 'filmBack' ? 'right' : 'mirrored';
    return reading === right
      ? []
      : [
          {
            level: 'release',
            args: { reading, printedOn },
            remedies: [change(spec, 'remedy.turnReading', {}, [[wishPath(cx, 'reading'), right]])],
          },
        ];
  },
};

/** Share of the film asked that cells may be off. Common practice, no source. */
const FILM_OFF = 0.2;
/** Cells that leave another film than the print asks for: lines that leave it. */
export const filmOff: OwnRule = {
  code: 'cylinders.filmOff',
  find: (cx, spec) =>
    rollersOf(cx).flatMap(({ part, roller }): Found[] => {
      const engraved = part.traits?.engraved;
      const figure = idOf(part.id, 'filmUm');
      if (!engraved || engraved.filmUm === 0 || !cx.ledger.has(figure)) return [];
      const film = cx.ledger.value(figure);
      if (Math.abs(film - engraved.filmUm) <= FILM_OFF * engraved.filmUm) return [];
      // The film goes with the square of the lines, the cell as wide as it is.
      const lines = Math.round(engraved.linesPerCm * Math.sqrt(engraved.filmUm / film));
      const isThere = lines >= 20 && lines <= 120;
      return [
        {
          level: 'decide',
          figure,
          args: { name: roller.name, film, asked: engraved.filmUm },
          remedies: isThere ? [change(spec, 'remedy.screen', { lines }, [[rowPath(cx, part.role, 'linesPerCm'), lines]])] : [],
        },
      ];
    }),
};

/** Cells so wide that no wall is left between them for the blade. */
export const wallThin: OwnRule = {
  code: 'cylinders.wallThin',
  find: (cx, spec) =>
    rollersOf(cx).flatMap(({ part, roller }): Found[] => {
      const engraved = part.traits?.engraved;
      const figure = idOf(part.id, 'wallUm');
      if (!engraved || !cx.ledger.has(figure)) return [];
      const { value, pm } = practiceOf(cx.plant, 'cylinders.wallUm');
      const [wall, least] = [cx.ledger.value(figure), value - pm];
      if (wall >= least - 1e-9) return [];
      const cellUm = Math.floor(engraved.cellUm + wall - value);
      return [
        {
          level: 'decide',
          figure,
          args: { name: roller.name, wall, least },
          remedies: cellUm > 0 ? [change(spec, 'remedy.cellNarrower', { um: cellUm }, [[rowPath(cx, part.role, 'cellUm'), cellUm]])] : [],
        },
      ];
    }),
};

/** A proof on another stock or ink than the print has says little of it. */
export const proofElse: OwnRule = {
  code: 'cylinders.proofElse',
  find: (cx, spec) => {
    const set = cx.parts[0]?.traits?.rollerSet;
    if (!set) return [];
    const differs = (print: string, proof: string): boolean => print !== '' && proof !== '' && print.trim() !== proof.trim();
    const edits: [string[], unknown][] = [
      ...(differs(set.stock, set.proofStock) ? [[wishPath(cx, 'proofStock'), set.stock] as [string[], unknown]] : []),
      ...(differs(set.ink, set.proofInk) ? [[wishPath(cx, 'proofInk'), set.ink] as [string[], unknown]] : []),
    ];
    return edits.length === 0
      ? []
      : [
          {
            level: 'decide',
            args: { stock: set.stock, proofStock: set.proofStock, ink: set.ink, proofInk: set.proofInk },
            remedies: [change(spec, 'remedy.proofAlike', {}, edits)],
          },
        ];
  },
};

/** From this chance on that one of a set is made again, time for it is wanted. Common practice, no source. */
const CHANCE_PPM = 250_000;
/** A set of which one is likely made again, and no time left for it. */
export const remakeLikely: OwnRule = {
  code: 'cylinders.remakeLikely',
  find: (cx) => {
    const chance = cx.ledger.value(idOf(cx.id, 'againChance'));
    const due = cx.shelf.due[cx.parts[0]?.item ?? ''];
    if (chance < CHANCE_PPM || due === undefined || !cx.ledger.has(idOf(cx.id, 'againS'))) return [];
    const slackS = due - cx.ledger.value('total.readyAt');
    const againS = cx.ledger.value(idOf(cx.id, 'againS'));
    return slackS >= againS
      ? []
      : [{ level: 'know', figure: idOf(cx.id, 'againChance'), args: { percent: chance / 10_000, hours: againS / 3_600 }, remedies: [] }];
  },
};

/** A run is a little longer than planned. Common practice, no source. */
const SPARE = 1.05;
/** The run is longer than the chrome lasts. */
export const lifeShort: OwnRule = {
  code: 'cylinders.lifeShort',
  find: (cx) =>
    rollersOf(cx).flatMap(({ part, roller }): Found[] => {
      const turns = part.traits?.rollerSet?.runTurns ?? 0;
      const life = chromeLife(practiceValue(cx.plant, 'cylinders.lifeTurns'), roller.name);
      return part.traits?.engraved && turns * SPARE > life
        ? [{ level: 'decide', args: { name: roller.name, turns, life }, remedies: [] }]
        : [];
    }),
};
