import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Scene } from '@druckerei/core';
import { EditValue, type EditKind } from './edit-value';

/** A value that is edited on a drawing: at the middle of the line that carries its key. */
export interface PictureField {
  key: string;
  label: string;
  kind: EditKind;
  text: string;
  display: string;
  refused: string | null;
}

/** A drawing whose sizes are edited where they stand. */
@Component({
  selector: 'dk-picture-fields',
  imports: [EditValue],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="scene().says">
      @for (s of scene().shapes; track $index) {
        @switch (s.kind) {
          @case ('path') {
            <polygon [attr.class]="s.role" [attr.points]="s.points.join(' ')" />
          }
          @case ('rect') {
            <rect [attr.class]="s.role" [attr.x]="s.x" [attr.y]="s.y" [attr.width]="s.w" [attr.height]="s.h" />
          }
          @case ('text') {
            <text [attr.class]="s.role" [attr.x]="s.x" [attr.y]="s.y" [attr.font-size]="s.sizeMm" [attr.text-anchor]="s.anchor">
              {{ s.text }}
            </text>
          }
          @case ('line') {
            <line [attr.class]="s.role" [attr.x1]="s.x1" [attr.y1]="s.y1" [attr.x2]="s.x2" [attr.y2]="s.y2" />
          }
        }
      }
    </svg>
    @for (f of placed(); track f.key) {
      <span class="on" [style.left.%]="f.left" [style.top.%]="f.top"
        ><span class="soft">{{ f.label }}</span
        ><dk-edit-value
          [label]="f.label"
          [kind]="f.kind"
          [value]="f.text"
          [display]="f.display"
          [locked]="locked()"
          [refused]="f.refused"
          (changed)="changed.emit({ key: f.key, value: $event })"
      /></span>
    }`,
  styleUrl: './picture-fields.scss',
})
export class PictureFields {
  readonly scene = input.required<Scene>();
  readonly fields = input.required<PictureField[]>();
  readonly locked = input(false);
  readonly changed = output<{ key: string; value: number | string | undefined }>();
  protected readonly box = computed(() => {
    const { x, y, w, h } = this.scene().box;
    return `${x} ${y} ${w} ${h}`;
  });
  /** In percent of the drawing's box; a field without a line stands in its corner. */
  protected readonly placed = computed(() => {
    const { box, shapes } = this.scene();
    return this.fields().map((field) => {
      const line = shapes.find((s) => s.kind === 'line' && s.ref === field.key);
      const [x, y] =
        line?.kind === 'line' ? [(line.x1 + line.x2) / 2, (line.y1 + line.y2) / 2] : [box.x + box.w * 0.85, box.y + box.h * 0.08];
      return { ...field, left: (100 * (x - box.x)) / box.w, top: (100 * (y - box.y)) / box.h };
    });
  });
}
