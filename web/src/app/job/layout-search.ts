import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { type Edit, formatNumber, say } from '@druckerei/core';
import type { SearchState } from '../planner/searcher';

/** Looks for a layout with more copies than straight cuts give; its progress, its result with how sure it is, and the way to take it. */
@Component({
  selector: 'dk-layout-search',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatProgressBar],
  template: `@switch (shown().kind) {
    @case ('idle') {
      @if (!locked()) {
        <button type="button" matButton (click)="searchAsked.emit()">{{ say('layoutSearch.searchAnyLayout') }}</button>
      }
    }
    @case ('searching') {
      <span role="status">{{ progress() }}</span>
      <mat-progress-bar mode="determinate" [value]="done() * 100" [attr.aria-label]="say('layoutSearch.search')" />
      <button type="button" matButton (click)="cancelled.emit()">{{ say('layoutSearch.cancel') }}</button>
    }
    @case ('found') {
      <span role="status">{{ result() }}</span>
      @if (better() && !locked()) {
        <button type="button" matButton (click)="take.emit(edits())">{{ say('layoutSearch.takeIt') }}</button>
      }
      <button type="button" matButton (click)="cancelled.emit()">{{ say('layoutSearch.close') }}</button>
    }
    @case ('failed') {
      <span role="alert" class="fail">{{ failure() }}</span>
      <button type="button" matButton (click)="searchAsked.emit()">{{ say('layoutSearch.tryAgain') }}</button>
    }
  }`,
  styles: `
    mat-progress-bar {
      width: 110px;
    }
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: center;
      font-size: 13px;
      padding-top: 6px;
    }
  `,
})
export class LayoutSearch {
  protected readonly say = say;
  readonly part = input.required<string>();
  readonly state = input.required<SearchState>();
  readonly locked = input(false);
  readonly searchAsked = output();
  readonly cancelled = output();
  readonly take = output<Edit[]>();
  /** A search for another part is none of this drawing's business. */
  protected readonly shown = computed((): SearchState => {
    const s = this.state();
    return s.kind === 'idle' || s.part !== this.part() ? { kind: 'idle' } : s;
  });
  private readonly found = computed(() => {
    const s = this.shown();
    return s.kind === 'found' ? s.found : null;
  });
  protected readonly done = computed(() => {
    const s = this.shown();
    return s.kind === 'searching' ? s.done / s.of : 1;
  });
  protected readonly progress = computed(() => {
    const s = this.shown();
    if (s.kind !== 'searching') return '';
    const bound = s.bound === null ? '' : say('layoutSearch.atMost', formatNumber(s.bound));
    return say('layoutSearch.searchingOf', formatNumber(s.done), formatNumber(s.of), bound);
  });
  protected readonly better = computed(() => {
    const f = this.found();
    return f !== null && f.found > f.now && f.edits.length > 0;
  });
  protected readonly edits = computed(() => this.found()?.edits ?? []);
  protected readonly result = computed(() => {
    const f = this.found();
    if (!f) return '';
    const sure =
      f.found === f.bound ? say('layoutSearch.provedNoneHoldsMore') : say('layoutSearch.notProvedGap', formatNumber(f.bound - f.found));
    if (f.found <= f.now) return say('layoutSearch.noLayoutWithMoreThan', formatNumber(f.now), sure);
    const cut = f.cuttable ? say('layoutSearch.straightCutsTakeItApart') : say('layoutSearch.forADieNoStraight');
    return say('layoutSearch.upInsteadOf', formatNumber(f.found), formatNumber(f.now), sure, cut);
  });
  protected readonly failure = computed(() => {
    const s = this.shown();
    return s.kind === 'failed' ? s.says : '';
  });
}
