import { ChangeDetectionStrategy, Component, computed, effect, input, linkedSignal, output, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  type Edit,
  type Finding,
  findingKey,
  findingSays,
  findingTitle,
  formatDuration,
  formatMoment,
  formatNumber,
  type JobSpec,
  LEVEL_WORDS,
  remedySays,
  say,
} from '@druckerei/core';
import type { Preview } from '../planner/plan-messages';

/** What a foreman would say: gravest first. Opening a card previews its remedy; one more click applies it. */
@Component({
  selector: 'dk-findings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: ` <div class="top">
      <h2>{{ say('findings.findings') }}</h2>
      <span class="space"></span><span class="soft">{{ counted() }}</span>
    </div>
    @for (f of findings(); track key(f); let i = $index) {
      <article class="finding" [class]="'level-' + f.level">
        <button type="button" class="title" [attr.aria-expanded]="open() === key(f)" (click)="toggle(f)">
          <b>{{ levels[f.level] }}: {{ title(f) }}</b>
        </button>
        <p>{{ says(f) }}</p>
        @if (decided(f); as d) {
          <p>{{ say('findings.decidedBy', d.by, d.reason) }}</p>
        }
        @if (open() === key(f)) {
          @for (r of f.remedies; track $index) {
            @if (r.do === 'ask' && r.desk === 'floor') {
              <p class="remedy">
                <button type="button" matButton (click)="floorAsked.emit()">{{ remedy(r) }}</button>
              </p>
            } @else if (locked()) {
              <!-- what is released changes by a revision only -->
            } @else if (r.do === 'edit') {
              <p class="remedy">
                <button type="button" matButton (click)="apply.emit(r.edits)">{{ remedy(r) }}</button>
                @if (preview(); as p) {
                  <span>{{ change(p) }}</span>
                }
              </p>
            } @else if (r.do === 'search') {
              <p class="remedy">
                <button type="button" matButton (click)="searchAsked.emit(r.slot)">{{ remedy(r) }}</button>
              </p>
            } @else {
              <p class="remedy">{{ remedy(r) }}</p>
            }
          }
          @if (f.figure; as id) {
            <button type="button" matButton (click)="explain.emit(id)">{{ say('findings.showTheWorking') }}</button>
          }
        }
      </article>
    } @empty {
      <p class="soft">{{ say('findings.nothingToSay') }}</p>
    }`,
  styles: `
    .top {
      display: flex;
      align-items: baseline;
      margin-bottom: 6px;
    }
    .finding {
      border-radius: 7px;
      padding: 7px 10px;
      margin-bottom: 7px;
    }
    .finding p {
      margin: 2px 0 0;
      color: var(--ink);
    }
    .title {
      border: 0;
      background: none;
      padding: 0;
      text-align: left;
      cursor: pointer;
      color: inherit;
    }
    .finding .mat-mdc-button {
      color: var(--ink);
      text-decoration: underline;
    }
  `,
})
export class Findings {
  protected readonly say = say;
  readonly findings = input.required<Finding[]>();
  readonly spec = input.required<JobSpec>();
  readonly preview = input<{ before: Preview; after: Preview | null } | null>(null);
  readonly timeZone = input('UTC');
  readonly locked = input(false);
  /** The card asked for from beside its figure. */
  readonly asked = input<string | null>(null);
  readonly previewAsked = output<Edit[]>();
  readonly apply = output<Edit[]>();
  readonly explain = output<string>();
  /** The part whose layout is to be searched again. */
  readonly searchAsked = output<string>();
  /** What the floor has to say is seen, and settled, in its own view. */
  readonly floorAsked = output();
  protected readonly levels = LEVEL_WORDS;
  protected readonly open = linkedSignal<{ findings: Finding[]; asked: string | null }, string | null>({
    source: () => ({ findings: this.findings(), asked: this.asked() }),
    computation: ({ findings, asked }, before) => {
      const wish = asked !== (before?.source.asked ?? null) ? asked : (before?.value ?? null);
      return findings.some((f) => findingKey(f) === wish) ? wish : null;
    },
  });

  constructor() {
    // The open card's preview follows the plan, however the card was opened.
    effect(() => {
      const edit = this.findings()
        .find((f) => findingKey(f) === this.open())
        ?.remedies.find((r) => r.do === 'edit');
      untracked(() => {
        if (edit?.do === 'edit') this.previewAsked.emit(edit.edits);
      });
    });
  }
  protected readonly counted = computed(() => {
    const of = (level: string[]): number => this.findings().filter((f) => level.includes(f.level)).length;
    return [
      [of(['release', 'start', 'close']), say('findings.blocking')],
      [of(['decide']), say('findings.toDecide')],
      [of(['know']), say('findings.toKnow')],
    ]
      .filter(([n]) => n !== 0)
      .map(([n, w]) => `${n} ${w}`)
      .join(', ');
  });
  protected key = findingKey;
  protected title = (f: Finding): string => findingTitle(f.code, f.args);
  protected says = (f: Finding): string => findingSays(f.code, f.args);
  protected remedy = (r: Finding['remedies'][number]): string => remedySays(r.says, r.do === 'edit' ? r.args : {});
  protected decided = (f: Finding): { by: string; reason: string } | undefined => this.spec().decisions[findingKey(f)];

  protected toggle(f: Finding): void {
    this.open.update((key) => (key === findingKey(f) ? null : findingKey(f)));
  }

  /** What the remedy changes, in figures. */
  protected change({ before, after }: { before: Preview; after: Preview | null }): string {
    if (!after) return say('findings.cannotBeApplied');
    const signed = (n: number, decimals = 0): string => (n > 0 ? `+${formatNumber(n, decimals)}` : formatNumber(n, decimals));
    const parts = [
      after.pulled !== before.pulled
        ? `${signed(after.pulled - before.pulled)} ${after.pulledUnit === 'sheet' ? say('findings.sheets') : say('findings.metres')}`
        : '',
      Math.abs(after.money - before.money) >= 0.5 ? say('findings.cost', signed(after.money - before.money)) : '',
      after.readyAt !== before.readyAt
        ? say(
            after.readyAt > before.readyAt ? 'findings.readyLater' : 'findings.readySooner',
            formatDuration(Math.abs(after.readyAt - before.readyAt)),
            formatMoment(after.readyAt, this.timeZone()),
          )
        : '',
      Math.abs(after.chance - before.chance) > 0.005 ? say('findings.chance', formatNumber(after.chance * 100)) : '',
    ];
    return parts.filter(Boolean).join(' · ') || say('findings.changesNoTotal');
  }
}
