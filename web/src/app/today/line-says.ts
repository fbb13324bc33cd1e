import type { TodayKind, TodayLine } from '@druckerei/contract';
import { findingTitle, formatDuration, formatMoment, formatNumber, label, say, type ScreenKey, UNIT_WORDS } from '@druckerei/core/words';
import type { Params } from '@angular/router';

/** A line of today as it stands on the page: what it is about, what there is to know of it, how pressing, and where it is mended. */
export interface Said {
  key: string;
  picture: string | null;
  subject: string;
  says: string;
  right: string;
  /** In fail or watch colour; '' is calm. */
  grave: '' | 'fail' | 'watch';
  link: readonly string[];
  query: Params;
}
const unit = (u: string, n: number): string => UNIT_WORDS[u]?.[n === 1 ? 0 : 1] ?? u;

type Why = Extract<TodayLine, { kind: 'late' }>['why'];
function whySays(why: Why): string {
  switch (why.kind) {
    case 'gate':
      return say('today.because.gate', label(`gate.${why.gate}`), why.who);
    case 'paper':
      return say('today.because.paper', why.name);
    case 'child':
      return say('today.because.child', why.number, why.title);
    case 'finding':
      return findingTitle(why.finding.code, why.finding.args);
    case 'work':
      return say('today.because.work', formatDuration(why.machineS));
  }
}

/** How a line is said, as of a moment and in the zone of the works. */
export const lineSays = (line: TodayLine, asOf: number, zone: string): Said => ({
  picture: 'drawn' in line && line.drawn !== undefined ? `/api/jobs/${line.job}/picture.svg?version=${line.drawn}` : null,
  ...inWords(line, asOf, zone),
});
function inWords(line: TodayLine, asOf: number, zone: string): Omit<Said, 'picture'> {
  const about = 'number' in line ? `${line.number} ${line.title}` : '';
  const job = (view?: string) => ({
    link: 'job' in line ? ['/jobs', line.job] : [],
    query: view === undefined ? {} : { view },
    subject: about,
  });
  const inStock = 'stock' in line ? { link: ['/stock'], query: { stock: line.stock } } : { link: [], query: {} };
  const calm = { grave: '' as const, query: {} };
  switch (line.kind) {
    case 'late':
      return {
        ...job(line.why.kind === 'gate' ? 'gates' : undefined),
        key: line.job,
        says: whySays(line.why),
        right: say(line.passed ? 'today.isLateBy' : 'today.lateBy', formatDuration(line.lateS)),
        grave: 'fail',
      };
    case 'gate':
      return {
        ...job('gates'),
        key: `${line.job} ${line.gate} ${line.version}`,
        says: say(line.refused ? 'today.gateRefused' : 'today.gate', label(`gate.${line.gate}`), line.version, line.who),
        right: line.byAt === null ? say('today.noDate') : say('today.by', formatMoment(line.byAt, zone)),
        grave: line.late || line.refused ? 'fail' : 'watch',
      };
    case 'blocked': {
      const first = findingTitle(line.finding.code, line.finding.args);
      return {
        ...job(),
        key: line.job,
        says: line.blocking > 1 ? say('today.moreBlock', first, line.blocking - 1) : first,
        right: '',
        grave: 'fail',
      };
    }
    case 'child':
      return {
        ...{ link: ['/jobs', line.child], query: {}, subject: about, key: line.child, right: '', grave: 'watch' },
        says: say('today.child', line.childNumber, line.childTitle),
      };
    case 'ready':
      return {
        ...job(),
        key: line.job,
        says: line.customer,
        right: line.dueAt === null ? say('today.noDate') : say('today.due', formatMoment(line.dueAt, zone)),
        grave: '',
      };
    case 'short':
      return { ...job('floor'), key: line.job, says: findingTitle(line.finding.code, line.finding.args), right: '', grave: 'watch' };
    case 'goes':
      return {
        ...job('deliveries'),
        key: line.job,
        says: `${formatNumber(line.quantity)} ${line.pieces}, ${say(line.ready ? 'today.isMade' : 'today.notMade')}`,
        right: formatMoment(line.dueAt, zone),
        grave: line.ready ? '' : 'fail',
      };
    case 'order':
      return {
        ...inStock,
        key: line.stock,
        subject: line.name,
        says: say('today.short', formatNumber(line.short), unit(line.unit, line.short)),
        right: say('today.orderBy', formatMoment(line.orderByAt, zone)),
        grave: line.late ? 'fail' : 'watch',
      };
    case 'comes':
      return {
        ...inStock,
        key: `${line.stock} ${line.day} ${line.quantity}`,
        subject: line.name,
        says: `${formatNumber(line.quantity)} ${unit(line.unit, line.quantity)}`,
        right: line.late ? say('today.comes', line.day) : say('today.comesToday'),
        grave: line.late ? 'fail' : '',
      };
    case 'pull':
      return {
        ...inStock,
        key: `${line.job} ${line.lot}`,
        subject: about,
        says: `${line.name}, ${line.place ? say('today.lot', line.lot, line.place) : say('today.lotOnly', line.lot)}`,
        right: `${formatNumber(line.quantity)} ${unit(line.unit, line.quantity)}`,
        grave: '',
      };
    case 'stopped':
      return {
        ...{ link: ['/floor'], query: {}, key: line.machine, subject: about, grave: 'fail' },
        says: say('today.stopped', line.name, label(`stop.${line.reason}`)),
        right: line.sinceAt === null ? '' : formatDuration(asOf - line.sinceAt),
      };
    case 'next': {
      const missing = [
        ...(line.waits.length > 0 ? [say('today.waitsFor', line.waits.join(', '))] : []),
        ...(line.locked.length > 0 ? [say('today.inkLocked', line.locked.join(', '))] : []),
        ...(line.dryAt !== null && line.dryAt > asOf ? [say('today.dryAt', formatMoment(line.dryAt, zone))] : []),
      ];
      return {
        ...{ link: ['/floor'], query: {}, key: `${line.machine} ${line.job} ${line.step}` },
        subject: say('today.next.step', line.name, about),
        says: say('today.next.step', line.step, missing.length > 0 ? missing.join(' · ') : say('today.allThere')),
        right: line.runs ? say('today.next.runs') : formatMoment(line.startAt, zone),
        grave: missing.length > 0 && !line.runs ? 'watch' : '',
      };
    }
    case 'ink':
      return {
        ...{ link: ['/kitchen', line.job, line.ink], query: {}, key: `${line.job} ${line.ink}` },
        ...{
          subject: line.ink,
          says: `${about}, ${label(`kitchen.stands.${line.stands}`)}`,
          right: say('today.kg', formatNumber(line.kg, 2)),
        },
        grave: line.stands === 'adjust' ? 'fail' : 'watch',
      };
    case 'backup':
      return {
        ...{ ...calm, link: ['/settings', 'history'], key: line.kind, subject: say('today.backup') },
        says: line.failed ? say('today.backupFailed', line.failed) : '',
        right: line.at === null ? say('today.noBackup') : say('today.ago', formatDuration(asOf - line.at)),
        grave: line.late || line.failed ? 'fail' : '',
      };
    case 'disk':
      return {
        ...{ ...calm, link: ['/settings', 'history'], key: line.kind, subject: say('today.disk'), says: '' },
        ...{ right: `${formatNumber(line.freeBytes / 1e9, 1)} GB`, grave: line.low ? 'fail' : '' },
      };
    case 'clock':
      return {
        ...{ ...calm, link: ['/settings', 'history'], key: line.kind, subject: say('today.clock'), says: '' },
        ...{ right: formatDuration(line.backS), grave: 'fail' },
      };
    case 'refused':
      return {
        ...{ ...calm, link: ['/settings', 'people'], key: line.kind, subject: say('today.refused'), says: line.names.join(', ') },
        ...{ right: formatNumber(line.times), grave: 'watch' },
      };
  }
}

/** The heads of the page and the kinds that stand under each, in the order they are read. */
export const SECTIONS = [
  { id: 'late', head: 'today.late', none: 'today.late.none', kinds: ['late'] },
  { id: 'waits', head: 'today.waits', none: 'today.waits.none', kinds: ['gate', 'blocked', 'child'] },
  { id: 'floor', head: 'today.floor', none: 'today.floor.none', kinds: ['stopped', 'short'] },
  { id: 'release', head: 'today.release', none: 'today.release.none', kinds: ['ready'] },
  { id: 'next', head: 'today.next', none: 'today.next.none', kinds: ['next'] },
  { id: 'inks', head: 'today.inks', none: 'today.inks.none', kinds: ['ink'] },
  { id: 'pull', head: 'today.pull', none: 'today.pull.none', kinds: ['pull'] },
  { id: 'paper', head: 'today.paper', none: 'today.paper.none', kinds: ['order', 'comes'] },
  { id: 'out', head: 'today.out', none: 'today.out.none', kinds: ['goes'] },
  { id: 'house', head: 'today.house', none: 'today.house.none', kinds: ['backup', 'disk', 'clock', 'refused'] },
] as const satisfies readonly { id: string; head: ScreenKey; none: ScreenKey; kinds: readonly TodayKind[] }[];
