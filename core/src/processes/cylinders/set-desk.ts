import type { Formula, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceOf, practiceTerm } from '../../plant/practice';
import { bottleneck, leavesStages, REMAKE_CHANCE } from '../../form/cylinder-making';
import { WEB_STRAIN } from '../../form/cylinder-set';
import { PRICE_OF } from '../../form/plates';
import { PLATING_TIME, SET_PROOF_TIME } from '../../form/cylinder-time';
import type { Part } from '../../product/part';
import { formatDuration, formatNumber } from '../../words/format';
import { PROCESS_WORDS } from '../../words/en';
import type { ConsumeContext, PanelRow } from '../process';
import { cell } from '../rows';
import { cylinderStage, stageFigure, um, usualTime } from './cylinder-stage';
import { proofElse, remakeLikely, stationTwice, stepFalls } from './cylinder-rules';
import { stationsScene } from './engraving-scene';
import { type OneRoller, rollersOf, stationCell } from './rollers';

/* Looked at, proved, compared, put away; and what a fault costs wherever it is found. */

/** What making one again takes where the microscope finds it: cut off, copper anew where it has any, ground, its image cut again, looked at. */
function againAfterLook(cx: ConsumeContext, { part, roller }: OneRoller): Record<string, Term> {
  const { ledger, plant } = cx;
  const plating = idOf(part.id, 'againPlatingS');
  if (roller.plated)
    ledger.figure(plating, PLATING_TIME, {
      hangS: practiceTerm(plant, 'cylinders.hangS'),
      copperUm: practiceTerm(plant, 'cylinders.againUm'),
      grindOffUm: practiceTerm(plant, 'cylinders.grindOffUm'),
      perUmS: practiceTerm(plant, 'cylinders.copperPerUmS'),
    });
  const stages = IMAGE_STAGES.map((id) => stageFigure(part, id)).filter((figure) => ledger.has(figure));
  return {
    oldBaseS: practiceTerm(plant, 'cylinders.oldBaseS'),
    ...(roller.plated && { plating: fig(plating) }),
    grindS: practiceTerm(plant, 'cylinders.grindS'),
    ...Object.fromEntries(stages.map((figure) => [figure, fig(figure)])),
    inspectS: practiceTerm(plant, 'cylinders.inspectS'),
  };
}
/** What brings the image on a body. */
const IMAGE_STAGES = ['zincPlate', 'resistCoat', 'stylusEngrave', 'laserEngrave', 'resistExpose', 'cylinderEtch', 'rollerMill'];
/** Every place a cylinder goes through before the proof, in their order. */
const STAGES = ['cylinderBase', 'copperPlate', 'bodyGrind', ...IMAGE_STAGES, 'cylinderInspect', 'chromePlate', 'cylinderPolish'];
const AGAIN = { ...SUM, id: 'cylinders.again' } as const;

/** Under the microscope: walls, missing cells, the smallest there is; burrs taken off. One that fails goes back to its base. */
export const cylinderInspect = cylinderStage({
  id: 'cylinderInspect',
  department: 'inspection',
  cautions: ['hoist'],
  figures(cx) {
    for (const of of rollersOf(cx)) cx.ledger.figure(idOf(of.part.id, 'againS'), AGAIN, againAfterLook(cx, of));
  },
  time: (cx) => usualTime(cx, 'cylinders.inspectS'),
  rows: (cx) => rollersOf(cx).map(({ part }) => ({ label: 'againTime', figure: idOf(part.id, 'againS') })),
  measures(cx) {
    const { value, pm } = practiceOf(cx.plant, 'cylinders.wallUm');
    return rollersOf(cx).flatMap(({ part }) => [
      ...(part.traits?.engraved
        ? [
            { key: 'wall', unit: 'µm' as const, least: value - pm },
            { key: 'missingCells', unit: '1' as const, asked: true as const, most: 0 },
          ]
        : []),
      { key: 'smallestWhole', unit: '1' as const, asked: true as const, least: 1 },
    ]);
  },
  table: {
    title: 'lookAt',
    head: ['station', 'of', 'smallest line', 'smallest type', 'wall by the order', 'if it fails: from its base, min'],
    line: (cx, { part, roller }) => [
      stationCell({ part, roller }),
      roller.name,
      smallestLine(cx, part),
      part.traits?.engraved?.typePt ? `${part.traits.engraved.typePt} pt` : 'not said',
      part.traits?.engraved ? `${cell(cx.ledger, idOf(part.id, 'wallUm'), 1)} µm` : '–',
      formatNumber(cx.ledger.value(idOf(part.id, 'againS')) / 60, 1),
    ],
  },
  blanks: ['deburred', 'accepted, or back to its base: cut off, made again'],
});

/** What the eye looks for: the finest line of the artwork; of a roller of a pair its line. */
function smallestLine(cx: ConsumeContext, { id, traits }: Part): string {
  if (traits?.embossing) return `${cell(cx.ledger, idOf(id, 'widthMm'), 3)} mm`;
  return traits?.engraved?.finestUm ? `${traits.engraved.finestUm} µm` : 'not said';
}

/** When a set has gone through the shop, and where it is held up; null: nothing is known of its stages. */
function setInShop(cx: ConsumeContext): { elapsedS: number; held: string } | null {
  const { ledger } = cx;
  const seconds = rollersOf(cx).map(({ part }) =>
    STAGES.map((id) => (ledger.has(stageFigure(part, id)) ? ledger.value(stageFigure(part, id)) : 0)),
  );
  const held = STAGES[bottleneck(seconds)];
  const last = leavesStages(seconds).at(-1)?.at(-1);
  return held === undefined || last === undefined ? null : { elapsedS: last, held };
}
const shopRows = (cx: ConsumeContext): PanelRow[] => {
  const shop = setInShop(cx);
  return shop
    ? [
        { label: 'setThrough', text: formatDuration(shop.elapsedS) },
        { label: 'setHeldBy', text: PROCESS_WORDS[shop.held] ?? shop.held },
      ]
    : [];
};

/** The first of two that somebody said. */
const said = (...of: (string | undefined)[]): string => of.find((o) => o !== undefined && o !== '') ?? '–';
const proofOn = (cx: ConsumeContext): PanelRow[] => {
  const set = cx.parts[0]?.traits?.rollerSet;
  return [
    { label: 'provedOn', text: said(set?.proofStock, set?.stock) },
    { label: 'provedWith', text: said(set?.proofInk, set?.ink) },
  ];
};

/** A set bought in place of made. Source: arithmetic. */
const BOUGHT_SET = { ...PRICE_OF, id: 'cylinders.boughtSet' } as const;
/** When it comes: working days are five of seven. Source: arithmetic. */
const BOUGHT_AT: Formula<'from' | 'days'> = {
  id: 'cylinders.boughtAt',
  unit: 'moment',
  source: 'arithmetic',
  of: ({ from, days }) => from + Math.round((days * 7 * 86_400) / 5),
};

/** The whole set on the proof press, with the customer's ink on the customer's stock. */
export const cylinderProof = cylinderStage({
  id: 'cylinderProof',
  department: 'press',
  cautions: ['nips', 'solvents', 'hoist'],
  rules: [stepFalls, stationTwice, proofElse, remakeLikely],
  time: (cx) => idOf(cx.id, 'provingS'),
  figures(cx) {
    const all = rollersOf(cx);
    const cylinders = typed(all.length, '1', 'rows');
    cx.ledger.figure(idOf(cx.id, 'provingS'), SET_PROOF_TIME, {
      readyS: practiceTerm(cx.plant, 'cylinders.proofReadyS'),
      cylinders,
      eachS: practiceTerm(cx.plant, 'cylinders.proofEachS'),
    });
    cx.ledger.figure(idOf(cx.id, 'againChance'), REMAKE_CHANCE, {
      ratePpm: practiceTerm(cx.plant, 'cylinders.againPpm'),
      cylinders,
    });
    cx.ledger.figure(idOf(cx.id, 'boughtCost'), BOUGHT_SET, { number: cylinders, price: practiceTerm(cx.plant, 'cylinders.boughtEach') });
    cx.ledger.figure(idOf(cx.id, 'boughtAt'), BOUGHT_AT, {
      from: { value: cx.shelf.asOf, unit: 'moment', from: 'shelf', at: 'clock' },
      days: practiceTerm(cx.plant, 'cylinders.boughtDays'),
    });
    const [first] = all;
    if (first && all.length > 1)
      cx.ledger.figure(idOf(cx.id, 'strain'), WEB_STRAIN, {
        stepUm: um(first.roller.stepUm, 'stepUm'),
        diameterMm: fig(first.roller.figures.diameterMm),
      });
    // What is found only here costs the chrome, the polish and another proof as well: of the cylinder that takes longest.
    const dearest = all
      .filter(({ part }) => cx.ledger.has(idOf(part.id, 'againS')))
      .sort((a, b) => cx.ledger.value(idOf(b.part.id, 'againS')) - cx.ledger.value(idOf(a.part.id, 'againS')))[0];
    if (!dearest) return;
    cx.ledger.figure(idOf(cx.id, 'againS'), AGAIN, {
      stripChromeS: practiceTerm(cx.plant, 'cylinders.stripChromeS'),
      again: fig(idOf(dearest.part.id, 'againS')),
      ...Object.fromEntries(
        ['chromePlate', 'cylinderPolish'].flatMap((id): [string, Term][] => {
          const figure = stageFigure(dearest.part, id);
          return cx.ledger.has(figure) ? [[id, fig(figure)]] : [];
        }),
      ),
      proving: fig(idOf(cx.id, 'provingS')),
      compareS: practiceTerm(cx.plant, 'cylinders.compareS'),
    });
  },
  rows: proofOn,
  weighs: (cx) => [
    ...shopRows(cx),
    ...(cx.ledger.has(idOf(cx.id, 'strain')) ? [{ label: 'webStrain', figure: idOf(cx.id, 'strain') }] : []),
    { label: 'againChance', figure: idOf(cx.id, 'againChance') },
    { label: 'againFromProof', figure: idOf(cx.id, 'againS') },
    { label: 'boughtSet', figure: idOf(cx.id, 'boughtCost') },
    { label: 'boughtAt', figure: idOf(cx.id, 'boughtAt') },
  ],
  table: {
    title: 'stations',
    head: ['station', 'ink', 'file', 'diameter', 'larger than the first', 'screen'],
    line: (cx, { part, roller }) => [
      stationCell({ part, roller }),
      roller.name,
      part.traits?.engraved?.version ?? '',
      `${cell(cx.ledger, roller.figures.diameterMm, 3)} mm`,
      `${Math.round((roller.station - 1) * roller.stepUm)} µm`,
      part.traits?.engraved ? `${part.traits.engraved.linesPerCm}/cm, ${part.traits.engraved.angleDeg}°` : '',
    ],
  },
  measures: (cx) => rollersOf(cx).map(({ part, roller }) => ({ key: `register.${part.role}`, of: roller.name, unit: 'µm' as const })),
  blanks: ['ink lot, seconds in the cup', 'stock lot', 'corrections by row'],
  scene: stationsScene,
});
/** Compared under standard light, accepted or sent back row by row; by somebody who has not engraved it. */
export const cylinderRelease = cylinderStage({
  id: 'cylinderRelease',
  approves: true,
  department: 'inspection',
  cautions: [],
  time: (cx) => usualTime(cx, 'cylinders.compareS'),
  measures: (cx) => [
    ...rollersOf(cx)
      .filter(({ part }) => part.traits?.engraved)
      .map(({ part, roller }) => ({ key: `deltaE.${part.role}`, of: roller.name, unit: '1' as const })),
    { key: 'accepted', unit: '1', asked: true, least: 1 },
  ],
  table: {
    title: 'comparedByRow',
    head: ['station', 'of', 'accept / correct / hold', 'what to correct'],
    line: (_cx, { part, roller }) => [stationCell({ part, roller }), roller.name, '', ''],
  },
  blanks: ['light: D50, ISO 3664', 'released by (not who engraved it)', 'on'],
});

/** Wrapped, and put into the store or sent. */
export const cylinderStore = cylinderStage({
  id: 'cylinderStore',
  department: 'cylinders',
  cautions: ['hoist'],
  time: (cx) => usualTime(cx, 'cylinders.storeS'),
  table: {
    title: 'cylindersStored',
    head: ['station', 'of', 'base', 'number given', 'place', 'owner', 'keeper'],
    line: (_cx, { part, roller }) => [
      stationCell({ part, roller }),
      roller.name,
      roller.base === '' ? 'new' : roller.base,
      '',
      part.traits?.rollerSet?.place ?? '',
      part.traits?.rollerSet?.owner ?? '',
      part.traits?.rollerSet?.keeper ?? '',
    ],
  },
  blanks: ['wrapped, ends protected', 'turns since chrome: 0', 're-chromed: 0', 'owner asked before it is scrapped'],
});
