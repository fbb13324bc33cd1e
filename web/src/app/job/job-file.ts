import { computed, DestroyRef, Directive, ElementRef, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { filter, take } from 'rxjs';
import { jobFeature } from './job.feature';

/** A list of the job as a file. The server writes what it has, so what was just changed is saved before it is asked. */
@Directive({ selector: 'a[dkJobFile]', host: { '[attr.href]': 'href()', download: '', '(click)': 'take($event)' } })
export class JobFile {
  private readonly store = inject(Store);
  private readonly link = inject<ElementRef<HTMLAnchorElement>>(ElementRef).nativeElement;
  private readonly destroyed = inject(DestroyRef);
  readonly job = input.required<string>();
  /** Which list, by its name on the server. */
  readonly dkJobFile = input.required<string>();
  protected readonly href = computed(() => `/api/jobs/${this.job()}/${this.dkJobFile()}`);
  private readonly save = this.store.selectSignal(jobFeature.selectSave);

  protected take(click: Event): void {
    if (this.save() === 'saved') return;
    click.preventDefault();
    this.store
      .select(jobFeature.selectSave)
      .pipe(
        filter((save) => save === 'saved'),
        take(1),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe(() => this.link.click());
  }
}
