import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  editAt,
  type Edit,
  type Family,
  type FamilyId,
  familyOf,
  type JobSpec,
  type Plant,
  type Scene,
  type WishField,
  say,
} from '@druckerei/core';
import { EditValue } from '../shared/edit-value';
import { type PictureField, PictureFields } from '../shared/picture-fields';

interface Made {
  id: string;
  family: Family<FamilyId>;
  wish: Readonly<Record<string, unknown>>;
}
interface Row {
  field: WishField;
  label: string;
  text: string;
  options: { value: string; says: string }[];
}
interface Listed {
  id: string;
  name: string;
  [key: string]: string | number;
}

/** What the customer wants: sizes on the picture of the finished product, the rest beside it, each edited in place. */
@Component({
  selector: 'dk-product-form',
  imports: [EditValue, PictureFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './product-form.html',
  styleUrl: './product-form.scss',
})
export class ProductForm {
  protected readonly say = say;
  readonly spec = input.required<JobSpec>();
  readonly plant = input.required<Plant>();
  readonly picture = input<Scene | null>(null);
  readonly refused = input<Record<string, string>>({});
  readonly locked = input(false);
  readonly edits = output<Edit[]>();

  protected readonly made = computed((): Made | null => {
    const found = Object.entries(this.spec().products).find(([, p]) => p.kind === 'made');
    return found?.[1].kind === 'made' ? { id: found[0], family: familyOf(found[1].family), wish: found[1].wish } : null;
  });

  protected readonly rows = computed((): Row[] => {
    const made = this.made();
    if (!made) return [];
    return made.family.fields
      .filter((f) => !f.onPicture)
      .map((field) => ({
        field,
        label: made.family.words.fields[field.key] ?? field.key,
        text: this.textOf(field, made.wish[field.key]),
        options: field.options?.(this.plant()) ?? [],
      }));
  });

  protected readonly onPicture = computed((): PictureField[] => {
    const made = this.made();
    return (made?.family.fields ?? [])
      .filter((f) => f.onPicture)
      .map((field) => {
        const text = this.textOf(field, made?.wish[field.key]);
        return {
          key: field.key,
          label: made?.family.words.fields[field.key] ?? field.key,
          kind: field.kind === 'length' ? 'length' : 'count',
          text,
          display: text,
          refused: this.why(field.key),
        };
      });
  });

  protected readonly foils = computed(() => this.listed('foils'));
  protected readonly pieces = computed(() => this.listed('applied'));
  protected set(key: string, value: unknown): void {
    const made = this.made();
    if (made) this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key], value)]);
  }
  protected setIn(key: string, id: string, prop: string, value: unknown): void {
    const made = this.made();
    if (made) this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key, id, prop], value)]);
  }
  protected drop(key: string, id: string): void {
    const made = this.made();
    if (made) this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key, id], undefined)]);
  }
  protected setInks(key: string, text: string | number | undefined): void {
    this.set(
      key,
      String(text ?? '')
        .split(/[,;]+/)
        .map((s) => s.trim())
        .filter(Boolean),
    );
  }

  protected addFoil(): void {
    this.add('foils', 'f', { name: `foil ${this.foils().length + 1}`, widthMm: 40, heightMm: 30 });
  }
  protected addPiece(): void {
    this.add('applied', 'p', { name: `piece ${this.pieces().length + 1}`, secondsEach: 8, each: 1, supply: { from: 'buy', leadDays: 2 } });
  }
  protected why(key: string): string | null {
    const made = this.made();
    const at = `products.${made?.id ?? ''}.wish.${key}`;
    return Object.entries(this.refused()).find(([path]) => path === at || path.startsWith(`${at}.`))?.[1] ?? null;
  }

  private add(key: string, prefix: string, value: object): void {
    const made = this.made();
    if (!made) return;
    const there = Object.keys((made.wish[key] as Record<string, unknown> | undefined) ?? {});
    let n = there.length + 1;
    while (there.includes(`${prefix}${n}`)) n++;
    this.edits.emit([editAt(this.spec(), ['products', made.id, 'wish', key, `${prefix}${n}`], value)]);
  }

  private listed(key: string): Listed[] {
    return Object.entries((this.made()?.wish[key] ?? {}) as Record<string, Record<string, string | number>>).map(([id, v]) => ({
      ...v,
      id,
      name: String(v['name'] ?? ''),
    }));
  }

  private textOf(field: WishField, value: unknown): string {
    if (Array.isArray(value)) return value.join(', ');
    if (typeof value === 'number') return String(value);
    return typeof value === 'string' ? value : '';
  }
}
