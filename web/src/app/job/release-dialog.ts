import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { type Finding, findingKey, findingSays, findingTitle, say } from '@druckerei/core';

/** Releasing lists what is undecided: each is decided here with a reason, which the release keeps. Blocking findings stand in the way. */
@Component({
  selector: 'dk-release-dialog',
  imports: [MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <h2 mat-dialog-title>{{ say('releaseDialog.releaseTheWholeJob') }}</h2>
    <mat-dialog-content>
      @if (blocking().length > 0) {
        <p>{{ say('releaseDialog.theseBlockTheReleaseSettle') }}</p>
        @for (f of blocking(); track key(f)) {
          <p class="chip level-release">{{ title(f) }}</p>
        }
      } @else {
        <p>{{ say('releaseDialog.oneSnapshotOfSpecificationPlan') }}</p>
        @for (f of undecided(); track key(f)) {
          <label class="decide"
            ><b>{{ title(f) }}</b
            ><span class="soft">{{ says(f) }}</span
            ><input
              class="field-input"
              #why
              [placeholder]="say('releaseDialog.whyItMayGoAhead')"
              [attr.aria-label]="'Reason: ' + title(f)"
              (input)="set(f, why.value)"
          /></label>
        } @empty {
          <p class="soft">{{ say('releaseDialog.nothingIsLeftToDecide') }}</p>
        }
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"
      ><button class="quiet" mat-dialog-close type="button">{{ say('releaseDialog.notYet') }}</button>
      <button class="act" type="button" [disabled]="!ready()" (click)="ref.close(reasons())">
        {{ say('releaseDialog.releaseNow') }}
      </button></mat-dialog-actions
    >`,
  styles: `
    .decide {
      display: grid;
      gap: 2px;
      margin: 10px 0;
    }
    mat-dialog-actions {
      gap: 8px;
    }
  `,
})
export class ReleaseDialog {
  protected readonly say = say;
  protected readonly ref = inject<MatDialogRef<ReleaseDialog, Record<string, string>>>(MatDialogRef);
  private readonly data = inject<{ findings: Finding[]; decided: string[] }>(MAT_DIALOG_DATA);
  protected readonly reasons = signal<Record<string, string>>({});
  protected readonly blocking = signal(this.data.findings.filter((f) => f.level === 'release')).asReadonly();
  protected readonly undecided = signal(
    this.data.findings.filter((f) => f.level === 'decide' && !this.data.decided.includes(findingKey(f))),
  ).asReadonly();
  protected readonly ready = computed(
    () => this.blocking().length === 0 && this.undecided().every((f) => (this.reasons()[findingKey(f)] ?? '').trim().length >= 3),
  );
  protected key = findingKey;
  protected title = (f: Finding): string => findingTitle(f.code, f.args);
  protected says = (f: Finding): string => findingSays(f.code, f.args);
  protected set(f: Finding, why: string): void {
    this.reasons.update((r) => ({ ...r, [findingKey(f)]: why }));
  }
}
