import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { formatNumber, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

interface Traced {
  batch: string;
  number: number;
  ink: string;
  job: string;
  jobNumber: number;
  title: string;
  kg: number;
  lots: { base: string; lot: string; kg: number }[];
}

/** Where a lot of a base ink went: batches and jobs; and every lot that lies in a batch with it. */
@Component({
  selector: 'dk-lot-trace',
  imports: [RouterLink, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<form (submit)="$event.preventDefault(); trace(lot.value)">
      <mat-form-field
        ><mat-label>{{ say('kitchen.lotNumber') }}</mat-label
        ><input matInput #lot maxlength="40" /></mat-form-field
      ><button type="submit" matButton="filled">{{ say('kitchen.traceIt') }}</button>
    </form>
    @if (failure(); as f) {
      <p class="fail" role="alert">{{ f.detail ?? f.title }}</p>
    }
    @if (found(); as rows) {
      <table class="lines">
        <tbody>
          @for (r of rows; track r.batch) {
            <tr data-figures>
              <td>{{ say('kitchen.batchNumber', r.number) }}</td>
              <td>{{ r.ink }}</td>
              <td>
                <a [routerLink]="['/jobs', r.job]">{{ r.jobNumber }} {{ r.title }}</a>
              </td>
              <td class="number">{{ number(r.kg, 3) }} kg</td>
              <td class="soft">
                @for (l of r.lots; track $index) {
                  {{ l.base }} {{ l.lot }}{{ $last ? '' : ', ' }}
                }
              </td>
            </tr>
          } @empty {
            <tr>
              <td class="soft">{{ say('kitchen.lotUnknown') }}</td>
            </tr>
          }
        </tbody>
      </table>
    }`,
  styles: `
    :host {
      display: block;
    }
    form {
      display: flex;
      gap: 14px;
      align-items: end;
    }
  `,
})
export class LotTrace {
  protected readonly say = say;
  protected readonly number = formatNumber;
  private readonly server = inject(Server);
  protected readonly found = signal<Traced[] | null>(null);
  protected readonly failure = signal<Failure | null>(null);

  protected trace(lot: string): void {
    if (lot.trim() === '') return;
    this.server.send('kitchen.trace', { params: { lot: lot.trim() } }).subscribe({
      next: (rows) => {
        this.failure.set(null);
        this.found.set(rows);
      },
      error: (f: Failure) => {
        this.failure.set(f);
      },
    });
  }
}
