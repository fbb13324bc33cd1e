import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { type EarlyThing, type Finding, findingKey, findingSays, findingTitle, formatNumber, say, UNIT_WORDS } from '@druckerei/core';
import type { ReleaseAsk } from './job.feature';
import { InPlace } from '../shared/in-place';

export interface ReleaseData {
  /** Followed while the dialog is open: an answer may come in that moment. */
  findings: () => Finding[];
  decided: string[];
  things: EarlyThing[];
  /** Ids released early before; releasing them again revises that, with a reason. */
  early: string[];
  /** The whole was released before: this is a revision. */
  revising: boolean;
}

/** Releasing the whole job, or some things before the rest. What is undecided is decided here with a reason, which the release keeps; what blocks stands in the way. */
@Component({
  selector: 'dk-release-dialog',
  imports: [MatDialogModule, InPlace, MatButton, MatButtonToggleModule, MatCheckbox, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <h2 mat-dialog-title>
      {{ parts() ? say('releaseDialog.releaseSomeThingsBeforeTheRest') : say('releaseDialog.releaseTheWholeJob') }}
    </h2>
    <mat-dialog-content>
      <mat-button-toggle-group
        hideSingleSelectionIndicator
        [value]="parts()"
        [attr.aria-label]="say('releaseDialog.howMuch')"
        (change)="parts.set($event.value)"
      >
        <mat-button-toggle [value]="false">{{ say('releaseDialog.theWholeJob') }}</mat-button-toggle>
        <mat-button-toggle [value]="true">{{ say('releaseDialog.someThingsFirst') }}</mat-button-toggle>
      </mat-button-toggle-group>
      @if (blocking().length > 0) {
        <p>{{ say('releaseDialog.theseBlockTheReleaseSettle') }}</p>
        @for (f of blocking(); track key(f)) {
          <p class="chip level-release">{{ title(f) }}</p>
        }
      } @else if (parts()) {
        <p>{{ say('releaseDialog.theseAreBoughtAndMadeNow') }}</p>
        @for (t of data.things; track t.id) {
          <div class="thing">
            <mat-checkbox [checked]="chosen().has(t.id)" (change)="toggle(t.id)"
              >{{ t.name }}
              <span class="soft"
                >{{ amount(t) }}{{ data.early.includes(t.id) ? say('releaseDialog.releasedBefore') : '' }}</span
              ></mat-checkbox
            >
            <span class="soft">{{ t.leadDays > 0 ? say('releaseDialog.days', n(t.leadDays, 1)) : say('releaseDialog.here') }}</span>
          </div>
        }
      } @else {
        <p>{{ say('releaseDialog.oneSnapshotOfSpecificationPlan') }}</p>
        @for (f of undecided(); track key(f)) {
          <label class="decide"
            ><b>{{ title(f) }}</b
            ><span class="soft">{{ says(f) }}</span
            ><input
              matInput
              dkInPlace
              #why
              [placeholder]="say('releaseDialog.whyItMayGoAhead')"
              [attr.aria-label]="say('releaseDialog.reasonFor', title(f))"
              (input)="set(f, why.value)"
          /></label>
        } @empty {
          <p class="soft">{{ say('releaseDialog.nothingIsLeftToDecide') }}</p>
        }
      }
      @if (again() && blocking().length === 0) {
        <label class="decide"
          ><b>{{ say('releaseDialog.whyItIsReleasedAgain') }}</b
          ><input matInput dkInPlace #reason maxlength="300" (input)="because.set(reason.value)"
        /></label>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"
      ><button matButton="outlined" mat-dialog-close type="button">{{ say('releaseDialog.notYet') }}</button>
      <button matButton="filled" type="button" [disabled]="!ready()" (click)="ref.close(ask())">
        {{ say('releaseDialog.releaseNow') }}
      </button></mat-dialog-actions
    >`,
  styles: `
    .decide {
      display: grid;
      gap: 2px;
      margin: 10px 0;
    }
    .thing {
      display: flex;
      justify-content: space-between;
      align-items: center;
      border-bottom: 1px solid var(--line);
    }
    mat-dialog-actions {
      gap: 8px;
    }
  `,
})
export class ReleaseDialog {
  protected readonly say = say;
  protected readonly n = formatNumber;
  protected readonly ref = inject<MatDialogRef<ReleaseDialog, ReleaseAsk>>(MatDialogRef);
  protected readonly data = inject<ReleaseData>(MAT_DIALOG_DATA);
  protected readonly parts = signal(false);
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());
  protected readonly because = signal('');
  private readonly reasons = signal<Record<string, string>>({});
  /** Gates and what was released early hold the whole; things that go ahead are not held by them. */
  protected readonly blocking = computed(() =>
    this.data
      .findings()
      .filter((f) => f.level === 'release' && !(this.parts() && (f.code === 'frozen.changed' || f.code.startsWith('gate.')))),
  );
  protected readonly undecided = computed(() =>
    this.data.findings().filter((f) => f.level === 'decide' && !this.data.decided.includes(findingKey(f))),
  );
  protected readonly again = computed(() => (this.parts() ? this.data.early.some((id) => this.chosen().has(id)) : this.data.revising));
  protected readonly ready = computed(
    () =>
      this.blocking().length === 0 &&
      (!this.again() || this.because().trim().length >= 3) &&
      (this.parts() ? this.chosen().size > 0 : this.undecided().every((f) => (this.reasons()[findingKey(f)] ?? '').trim().length >= 3)),
  );
  protected readonly ask = computed((): ReleaseAsk => ({
    decisions: this.parts() ? {} : this.reasons(),
    ...(this.parts() && { scope: [...this.chosen()] }),
    ...(this.again() && { reason: this.because().trim() }),
  }));
  protected key = findingKey;
  protected title = (f: Finding): string => findingTitle(f.code, f.args);
  protected says = (f: Finding): string => findingSays(f.code, f.args);
  protected amount = (t: EarlyThing): string => `${formatNumber(t.amount)} ${UNIT_WORDS[t.unit]?.[t.amount === 1 ? 0 : 1] ?? t.unit}`;
  protected set(f: Finding, why: string): void {
    this.reasons.update((r) => ({ ...r, [findingKey(f)]: why }));
  }
  protected toggle(id: string): void {
    this.chosen.update((was) => (was.has(id) ? new Set([...was].filter((x) => x !== id)) : new Set([...was, id])));
  }
}
