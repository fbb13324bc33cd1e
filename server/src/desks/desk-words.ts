import { type DeskWords, flagsOf } from '@druckerei/core';
import type { Db } from '../db/pool';
import { many } from '../db/rows';
import { contentsOf, mixtureOf, readBases } from '../kitchen/contents';
import { ACCEPTED } from '../kitchen/kitchen.queries';
import { LAST_READINGS } from '../register/register.queries';
import { formsOfJob } from '../tools/forms-of-job';
import { TOTAL_INK } from '../zones/zones.queries';

/** What the desks have to say of a job; null where they know nothing of it. */
export async function desksOf(db: Db, job: string): Promise<Omit<DeskWords, 'approved'> | null> {
  const desks: Omit<DeskWords, 'approved'> = { inks: {}, forms: {}, register: [] };
  const [accepted, forms, readings, totals] = await Promise.all([
    many(db, ACCEPTED, [[job]]),
    formsOfJob(db, job),
    many(db, LAST_READINGS, [job]),
    many(db, TOTAL_INK, [job]),
  ]);
  const bases = accepted.length > 0 ? await readBases(db) : [];
  for (const { ink, batch, accepted: yes } of accepted) {
    const mix = mixtureOf(await contentsOf(db, batch), bases);
    const flags = mix ? flagsOf(mix.of) : null;
    desks.inks[ink] = { accepted: yes, ...(flags && { fast: flags.fast, lowMigration: flags.lowMigration }) };
  }
  for (const card of forms) {
    if (card.stone === null || card.kind !== 'plate') continue;
    const at = (desks.forms[card.stone] ??= { versions: [], kept: 0 });
    if (card.state !== 'planned') at.versions.push(card.version);
    if (card.kept) at.kept++;
  }
  for (const { step, facts } of readings)
    for (const { ink, advice } of facts.colours)
      if (advice.remedies.length > 0)
        desks.register.push({ step, ink, leftMm: advice.afterMm, toleranceMm: facts.toleranceMm, remedy: advice.remedies[0] ?? '' });
  const read = totals.flatMap(({ step, percent }) => (percent === null ? [] : [[step, percent] as const]));
  if (read.length > 0) desks.totalInk = Object.fromEntries(read);
  const silent = accepted.length === 0 && Object.keys(desks.forms).length === 0 && desks.register.length === 0 && !desks.totalInk;
  return silent ? null : desks;
}
