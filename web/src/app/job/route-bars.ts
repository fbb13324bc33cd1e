import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatTooltip } from '@angular/material/tooltip';
import { stoneName, formatDuration, formatMoment, assumptionSays, type Plan, say } from '@druckerei/core';

/** When each stone runs and waits: bars in time, one row a stone; and what the ready date rests on. */
@Component({
  selector: 'dk-route-bars',
  imports: [MatTooltip],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <div class="rows" role="img" [attr.aria-label]="says()">
      @for (r of rows(); track r.id) {
        <div class="row">
          <span class="name">{{ r.name }}</span><span class="track">
            @if (r.wait > 0) {
              <i class="wait" [style.left.%]="r.left - r.wait" [style.width.%]="r.wait" [matTooltip]="r.waitSays"></i>
            }
            <i class="bar" [style.left.%]="r.left" [style.width.%]="r.width"></i></span
          ><span class="when"
            >{{ r.from }} <span class="soft">{{ say('routeBars.to') }}</span> {{ r.to }}</span
          >
        </div>
      }
    </div>
    <p class="soft">{{ say('routeBars.stepsOneAfterAnotherInto', rests()) }}</p>`,
  styles: `
    .row {
      display: grid;
      grid-template-columns: 110px 1fr 250px;
      gap: 12px;
      align-items: center;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    .track {
      position: relative;
      height: 18px;
    }
    i {
      position: absolute;
      top: 2px;
      height: 14px;
      border-radius: 3px;
      min-width: 3px;
    }
    .bar {
      background: var(--river);
      border: 1px solid var(--act);
    }
    .wait {
      border: 1px dashed var(--watch);
    }
    .when {
      font-size: 13px;
    }
  `,
})
export class RouteBars {
  protected readonly say = say;
  readonly plan = input.required<Plan>();
  readonly timeZone = input.required<string>();
  protected readonly rows = computed(() => {
    const { stones, figures } = this.plan();
    const at = (id: string): number => figures[id]?.value ?? 0;
    const first = Math.min(...stones.map((s) => at(s.startAt)));
    const span = Math.max(Math.max(...stones.map((s) => at(s.endAt))) - first, 1);
    return stones.map((s) => {
      const wait = s.waitS.reduce((sum, id) => sum + at(id), 0);
      return {
        id: s.id,
        name: stoneName(s),
        left: (100 * (at(s.startAt) - first)) / span,
        width: (100 * (at(s.endAt) - at(s.startAt))) / span,
        wait: Math.min((100 * wait) / span, (100 * (at(s.startAt) - first)) / span),
        waitSays: say('routeBars.waits', formatDuration(wait)),
        from: formatMoment(at(s.startAt), this.timeZone()),
        to: formatMoment(at(s.endAt), this.timeZone()),
      };
    });
  });
  protected readonly says = computed(() =>
    this.rows()
      .map((r) => say('routeBars.fromTo', r.name, r.from, r.to))
      .join('; '),
  );
  protected readonly rests = computed(() =>
    this.plan()
      .assumptions.map((a) => assumptionSays(a, this.timeZone()))
      .join(', '),
  );
}
