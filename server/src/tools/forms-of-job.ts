import type { ToolCard } from '@druckerei/contract';
import { PRACTICE_DEFAULTS } from '@druckerei/core';
import { type FormWork, formWork, type Planned } from '@druckerei/core/planning';
import type { Db } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { ADD_CARD, type CardRow, FORMS_OF_JOB, NEXT_NUMBER, SET_STATE } from './tools.queries';

export const formsOfJob = (db: Db, job: string): Promise<CardRow[]> => many(db, FORMS_OF_JOB, [job]);

const LETTER: Record<ToolCard['kind'], string> = {
  plate: 'P',
  foilDie: 'F',
  cuttingDie: 'D',
  engravedDie: 'E',
  screen: 'S',
  cylinder: 'C',
};

/** A new card with the next number of its kind; gives the number. */
export async function addCard(db: Db, card: Omit<CardRow, 'id' | 'number' | 'title' | 'kept' | 'madeAt' | 'madeHow'>): Promise<string> {
  const n = (await maybeOne(db, NEXT_NUMBER))?.n ?? 0;
  const id = `${LETTER[card.kind]}-${n}`;
  await db.query(ADD_CARD, [
    id,
    card.kind,
    card.spec,
    card.state,
    card.place,
    card.life,
    card.job,
    card.stone,
    card.side,
    card.ink,
    card.version,
    card.widthMm,
    card.heightMm,
    card.press,
    card.steps,
    card.imagingS,
    card.wantedAt,
    card.replaces,
    card.registerHoles,
    card.owner,
    card.used,
  ]);
  return id;
}

/** Whether a plate is the one a plan wants: what it carries, its size, and its press, as far as they are known. No press's card says whose plates it takes too. */
const isFor = (c: CardRow, w: FormWork): boolean =>
  c.stone === w.stone &&
  c.side === w.side &&
  c.ink === w.ink &&
  (c.widthMm === null || (c.widthMm === w.sizeMm[0] && c.heightMm === w.sizeMm[1])) &&
  (c.press === '' || c.press === w.press);

/** Forms of a job that are made and that another plan of it would not use: plates of another size or press, dies of another drawing. */
export function formsLost(there: readonly CardRow[], now: Planned, then: Planned): CardRow[] {
  const work = formWork(then);
  return there.filter((c) => {
    if (c.state === 'planned') return false;
    if (c.kind === 'plate') return !work.some((w) => isFor(c, w));
    const use = c.stone ?? '';
    const was = now.plan.tools[use];
    return was !== undefined && was.spec !== then.plan.tools[use]?.spec;
  });
}

/**
 * Cards for every form a release wants made: plates one by one, bought dies as they are ordered. A form that has its card keeps it; a planned one that is no longer
 * wanted goes. `version` is the artwork somebody said yes to.
 */
export async function planForms(db: Db, job: string, made: Planned, version: string): Promise<void> {
  const there = await formsOfJob(db, job);
  const wanted = new Set<string>();
  for (const w of formWork(made)) {
    const known = there.find((c) => isFor(c, w));
    if (known) {
      wanted.add(known.id);
      continue;
    }
    const [widthMm, heightMm] = w.sizeMm;
    wanted.add(
      await addCard(db, {
        kind: 'plate',
        spec: `${w.ink}, ${w.side}`,
        state: 'planned',
        place: '',
        life: w.life,
        job,
        stone: w.stone,
        side: w.side,
        ink: w.ink,
        version,
        widthMm,
        heightMm,
        press: w.press,
        steps: w.steps,
        imagingS: w.imagingS,
        wantedAt: w.wantedAt,
        replaces: null,
        registerHoles: '',
        checks: null,
        owner: OWN,
        used: 0,
      }),
    );
  }
  for (const [use, { kind, spec, supply }] of Object.entries(made.plan.tools)) {
    if (supply.from === 'store') continue;
    const die = kind === 'cutting die' ? CUTTING_DIE : FOIL_DIE;
    const known = there.find((c) => c.stone === use && c.kind === die.kind);
    wanted.add(
      known?.id ?? (await addCard(db, { ...die, spec: `${kind}, ${spec}`, job, stone: use, version, steps: stepsWith(made, use) })),
    );
  }
  for (const c of there) if (c.state === 'planned' && !wanted.has(c.id)) await db.query(SET_STATE, [c.id, 'recycled', null, 0]);
}

/** The steps a tool runs on: of a gang every form's. */
const stepsWith = ({ plan }: Planned, use: string): string[] =>
  Object.entries(plan.steps).flatMap(([id, step]) => (step.needs.some((n) => n.tool === use) ? [id] : []));
/** The step a die runs on where only its use is known, which is called by it. */
export const stepOf = (use: string): string[] => [use.slice(0, use.lastIndexOf('.die'))];

const OWN = 'works';
/** A die, before anything is known of it. */
const DIE = {
  state: 'planned' as const,
  place: '',
  side: 'front',
  ink: '',
  widthMm: null,
  heightMm: null,
  press: '',
  imagingS: 0,
  wantedAt: null,
  replaces: null,
  registerHoles: '',
  checks: null,
  owner: OWN,
  used: 0,
};
const lifeOf = (key: 'foilDie.lifeCycles' | 'dieCut.lifeCycles'): number => PRACTICE_DEFAULTS[key].value;
export const FOIL_DIE = { ...DIE, kind: 'foilDie' as const, life: lifeOf('foilDie.lifeCycles') };
/** A cylinder; what it is and how long its chrome lasts says the job that makes it. */
export const CYLINDER = { ...DIE, kind: 'cylinder' as const };
export const CUTTING_DIE = { ...DIE, kind: 'cuttingDie' as const, life: lifeOf('dieCut.lifeCycles') };
