import { inject, Injectable, signal } from '@angular/core';
import type { BoardEffect, BoardMachine, BoardMove } from '@druckerei/contract';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import type { Place } from './board-scale';

/** A place that is tried; what it comes to, once that is known. */
interface Tried {
  place: Place;
  move: BoardMove;
  effect: BoardEffect | null;
}
/** Where a step could be done instead; null: it is asked. */
interface Machines {
  work: string;
  base: number;
  found: BoardMachine[] | null;
}

/** Moves of a board before they are made: the place that is tried, with what it would come to, and the machines that could take a step. */
@Injectable()
export class BoardMoves {
  private readonly server = inject(Server);
  private readonly triedNow = signal<Tried | null>(null);
  readonly tried = this.triedNow.asReadonly();
  private readonly machinesNow = signal<Machines | null>(null);

  /** Machines that could do a step instead, as asked for this version of the board; null: nobody asked. */
  machinesOf(work: string, base: number): BoardMachine[] | 'asked' | null {
    const known = this.machinesNow();
    if (known?.work !== work || known.base !== base) return null;
    return known.found ?? 'asked';
  }
  /** Those that nothing stands against. */
  able(work: string, base: number): ReadonlySet<string> {
    const known = this.machinesOf(work, base);
    return new Set(Array.isArray(known) ? known.flatMap((m) => (m.against === null ? [m.machine] : [])) : []);
  }
  /** Asks once for a step and a version; `then` when it is known. */
  askMachines(work: string, base: number, failed: (failure: Failure) => void, then?: () => void): void {
    if (this.machinesOf(work, base) !== null) {
      then?.();
      return;
    }
    const asked = { work, base, found: null };
    this.machinesNow.set(asked);
    this.server.send('board.machines', { query: { work } }).subscribe({
      next: (found) => {
        // Meanwhile another step may be asked about.
        if (this.machinesNow() !== asked) return;
        this.machinesNow.set({ work, base, found });
        then?.();
      },
      error: (failure: Failure) => {
        if (this.machinesNow() === asked) this.machinesNow.set(null);
        failed(failure);
      },
    });
  }

  try(base: number, work: string, place: Place, failed: (failure: Failure) => void): void {
    const move: BoardMove = 'first' in place ? { base, first: place.first } : { base, work, ...place };
    const tried = { place, move, effect: null };
    this.triedNow.set(tried);
    this.server.send('board.try', { body: move }).subscribe({
      next: (effect) => {
        // Meanwhile another place may be tried.
        this.triedNow.update((t) => (t === tried ? { ...t, effect } : t));
      },
      error: (failure: Failure) => {
        if (this.triedNow() === tried) this.triedNow.set(null);
        failed(failure);
      },
    });
  }
  leave(): void {
    this.triedNow.set(null);
  }
}
