import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { filter, type Observable } from 'rxjs';
import type { ToolCard } from '@druckerei/contract';
import { label, say, TOOL_KINDS, type ToolKind, readNumber } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';

/** Fields of a tool in the order one reads them off it. */
const FIELDS = ['spec', 'version', 'widthMm', 'heightMm', 'life', 'used', 'place', 'owner', 'number'] as const;
type Field = (typeof FIELDS)[number];
const NUMBERS: readonly Field[] = ['widthMm', 'heightMm', 'life', 'used', 'number'];
const MAY_BE_EMPTY: readonly Field[] = ['version', 'widthMm', 'heightMm', 'number'];

/** Enters a tool that came into the store from elsewhere. What was typed stays until the store has taken it. */
@Component({
  selector: 'dk-enter-tool',
  imports: [MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2 mat-dialog-title>{{ say('tools.enterTitle') }}</h2>
    <form (submit)="$event.preventDefault(); send()">
      <mat-dialog-content>
        <label
          ><span class="soft">{{ say('tools.kind') }}</span>
          <select class="field-input" (change)="kind.set($any($event.target).value)">
            @for (k of kinds; track k) {
              <option [value]="k" [selected]="k === kind()">{{ label('tool.' + k) }}</option>
            }
          </select></label
        >
        @for (f of fields; track f) {
          <label
            ><span class="soft">{{ label('tools.field.' + f) }}</span>
            <input
              #cell
              class="field-input"
              maxlength="80"
              [attr.inputmode]="numbers.includes(f) ? 'decimal' : 'text'"
              [attr.aria-invalid]="wrong()[f] ? true : null"
              [value]="typed()[f]"
              (input)="type(f, cell.value)"
            />
            @if (wrong()[f]; as w) {
              <span class="fail" role="alert">{{ w }}</span>
            }
          </label>
        }
        @if (failure(); as f) {
          <p class="note level-decide" role="alert">{{ f }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button class="quiet" mat-dialog-close type="button">{{ say('reasonDialog.notYet') }}</button>
        <button class="act" type="submit" [disabled]="busy()">{{ say('tools.enterIt') }}</button>
      </mat-dialog-actions>
    </form>`,
  styles: `
    mat-dialog-content {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px 18px;
    }
    label {
      display: grid;
      gap: 2px;
      align-content: start;
    }
    p {
      grid-column: 1 / span 2;
    }
    mat-dialog-actions {
      gap: 8px;
    }
  `,
})
export class EnterTool {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly kinds = TOOL_KINDS;
  protected readonly fields = FIELDS;
  protected readonly numbers = NUMBERS;
  private readonly server = inject(Server);
  private readonly ref = inject<MatDialogRef<EnterTool, ToolCard>>(MatDialogRef);
  /** One key while the dialog stands: sent again after a lost answer it is the same tool. */
  private readonly key = crypto.randomUUID();
  protected readonly kind = signal<ToolKind>('cuttingDie');
  protected readonly typed = signal<Record<Field, string>>({
    spec: '',
    version: '',
    widthMm: '',
    heightMm: '',
    life: '500000',
    used: '0',
    place: '',
    owner: 'works',
    number: '',
  });
  protected readonly wrong = signal<Partial<Record<Field, string>>>({});
  protected readonly failure = signal<string | null>(null);
  protected readonly busy = signal(false);

  protected type(field: Field, text: string): void {
    this.typed.update((t) => ({ ...t, [field]: text }));
  }
  protected send(): void {
    if (this.busy()) return;
    const typed = this.typed();
    const wrong: Partial<Record<Field, string>> = {};
    for (const f of FIELDS) {
      if (typed[f].trim() === '') {
        if (!MAY_BE_EMPTY.includes(f)) wrong[f] = say('tools.isMissing');
      } else if (NUMBERS.includes(f) && Number.isNaN(readNumber(typed[f]))) wrong[f] = say('tools.noNumber');
    }
    this.wrong.set(wrong);
    this.failure.set(null);
    if (Object.keys(wrong).length > 0) return;
    const orNull = (f: Field): number | null => (typed[f].trim() === '' ? null : readNumber(typed[f]));
    this.busy.set(true);
    this.server
      .send('tools.enter', {
        body: {
          key: this.key,
          kind: this.kind(),
          spec: typed.spec,
          version: typed.version,
          widthMm: orNull('widthMm'),
          heightMm: orNull('heightMm'),
          life: readNumber(typed.life),
          used: readNumber(typed.used),
          place: typed.place,
          owner: typed.owner,
          number: orNull('number'),
        },
      })
      .subscribe({
        next: (card) => {
          this.ref.close(card);
        },
        error: (f: Failure) => {
          this.busy.set(false);
          this.wrong.set(Object.fromEntries((f.fields ?? []).map((x) => [x.path, x.says])));
          if (!f.fields?.length) this.failure.set(f.detail ?? f.title);
        },
      });
  }
}
/** Opens the dialog; the tool, once it is in the store. */
export const enterTool = (dialog: MatDialog): Observable<ToolCard> =>
  dialog
    .open<EnterTool, undefined, ToolCard>(EnterTool, { width: '560px' })
    .afterClosed()
    .pipe(filter((card) => card !== undefined));
