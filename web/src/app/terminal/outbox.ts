import { Injectable } from '@angular/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Terminal } from '@druckerei/contract';
import { type FloorEntry, NO_TIMES } from '@druckerei/core';

/** An entry as it waits on the device: with the token of the person who wrote it. */
export type Waiting = FloorEntry & { by: string };
/** An entry the server would not take, with its reason. */
export interface Turned {
  entry: Waiting;
  says: string;
}
export interface Someone {
  id: string;
  fullName: string;
  initials: string;
}
/** Who signed on here before: the token that vouches for entries, and what a PIN is checked against while the line is down. */
export interface KnownHere extends Someone {
  token: string;
  salt: string;
  check: string;
}

interface Kept extends DBSchema {
  /** In the order they were written. */
  waiting: { key: number; value: Waiting };
  /** Taken by the server, and not in its last word that is kept here: shown until it is. */
  sent: { key: string; value: Waiting };
  turned: { key: string; value: Turned };
  terminals: { key: string; value: Terminal };
  people: { key: string; value: KnownHere };
}

/** What a terminal keeps on its device: entries that wait for the line, entries that were turned away, the last word of the server, and who signed on here. */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly db: Promise<IDBPDatabase<Kept>> = openDB<Kept>('druckerei-terminal', 1, {
    upgrade(db) {
      db.createObjectStore('waiting', { autoIncrement: true });
      db.createObjectStore('sent');
      db.createObjectStore('turned');
      db.createObjectStore('terminals');
      db.createObjectStore('people', { keyPath: 'id' });
    },
  });

  async write(entries: readonly Waiting[]): Promise<void> {
    const tx = (await this.db).transaction('waiting', 'readwrite', { durability: 'strict' });
    await Promise.all([...entries.map((e) => tx.store.add(e)), tx.done]);
  }
  /** The oldest that wait, at most so many; with how many wait in all. */
  async oldest(most: number): Promise<{ keys: number[]; entries: Waiting[] }> {
    const tx = (await this.db).transaction('waiting');
    const [keys, entries] = await Promise.all([tx.store.getAllKeys(null, most), tx.store.getAll(null, most)]);
    return { keys, entries };
  }
  async all(): Promise<Waiting[]> {
    return (await this.db).getAll('waiting');
  }
  /** The server has answered for these: what it took is kept as sent, what it turned away stays in sight. */
  async answered(keys: readonly number[], taken: readonly Waiting[], turned: readonly Turned[]): Promise<void> {
    const tx = (await this.db).transaction(['waiting', 'sent', 'turned'], 'readwrite', { durability: 'strict' });
    await Promise.all([
      ...turned.map((t) => tx.objectStore('turned').put(t, t.entry.id)),
      ...taken.map((e) => tx.objectStore('sent').put(e, e.id)),
      ...keys.map((k) => tx.objectStore('waiting').delete(k)),
      tx.done,
    ]);
  }
  async sent(): Promise<Waiting[]> {
    return (await this.db).getAll('sent');
  }
  async turned(): Promise<Turned[]> {
    return (await this.db).getAll('turned');
  }
  async forgetTurned(id: string): Promise<void> {
    await (await this.db).delete('turned', id);
  }

  /** The server's word about a machine; of what was sent only that stays which is not in it yet. */
  async keep(terminal: Terminal, notYet: ReadonlySet<string>): Promise<void> {
    const tx = (await this.db).transaction(['terminals', 'sent'], 'readwrite');
    const sent = await tx.objectStore('sent').getAllKeys();
    await Promise.all([
      tx.objectStore('terminals').put(terminal, terminal.machine),
      ...sent.filter((id) => !notYet.has(id)).map((id) => tx.objectStore('sent').delete(id)),
      tx.done,
    ]);
  }
  async kept(machine: string): Promise<Terminal | null> {
    const kept = await (await this.db).get('terminals', machine);
    // Kept by the program of before, its times may know less: what is missing is nothing yet.
    return kept ? { ...kept, steps: kept.steps.map((s) => ({ ...s, times: { ...NO_TIMES, ...s.times } })) } : null;
  }

  async remember(person: Someone & { token: string }, pin: string): Promise<void> {
    const salt = crypto.randomUUID();
    await (await this.db).put('people', { ...person, salt, check: await checkOf(pin, salt) });
  }
  async people(): Promise<KnownHere[]> {
    return (await this.db).getAll('people');
  }
  /** The person whose PIN this is, by what is remembered here. */
  async recognise(person: string, pin: string): Promise<KnownHere | null> {
    const known = await (await this.db).get('people', person);
    if (!known) return null;
    return known.check === (await checkOf(pin, known.salt)) ? known : null;
  }
}

const ROUNDS = 200_000;
/** PBKDF2 of a PIN (RFC 8018), so that the device does not hold it; slow, since four digits are soon tried. */
async function checkOf(pin: string, salt: string): Promise<string> {
  const bytes = new TextEncoder();
  const key = await crypto.subtle.importKey('raw', bytes.encode(pin), 'PBKDF2', false, ['deriveBits']);
  const bits = await crypto.subtle.deriveBits({ name: 'PBKDF2', hash: 'SHA-256', salt: bytes.encode(salt), iterations: ROUNDS }, key, 256);
  return Array.from(new Uint8Array(bits), (b) => b.toString(16).padStart(2, '0')).join('');
}
