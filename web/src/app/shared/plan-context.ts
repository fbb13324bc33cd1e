import { inject, Injectable } from '@angular/core';
import { type Observable, shareReplay } from 'rxjs';
import type { Plant, Shelf } from '@druckerei/core';
import { ApiCaller } from './api';

/** Plants by their hash: immutable, so each is read once. */
@Injectable({ providedIn: 'root' })
export class PlanContext {
  private readonly api = inject(ApiCaller);
  private readonly plants = new Map<string, Observable<Plant>>();

  plant(hash: string): Observable<Plant> {
    const known =
      this.plants.get(hash) ?? this.api.call('plants.read', { params: { hash } }).pipe(shareReplay({ bufferSize: 1, refCount: false }));
    this.plants.set(hash, known);
    return known;
  }

  current(): Observable<{ hash: string; shelf: Shelf }> {
    return this.api.call('plants.current', {});
  }
}
