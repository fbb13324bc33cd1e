import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { DatePipe } from '@angular/common';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatTabNavPanel } from '@angular/material/tabs';
import { Store } from '@ngrx/store';
import type { Person } from '@druckerei/contract';
import {
  type CartonStyleCard as HouseStyle,
  editAt,
  formatNumber,
  machineScene,
  type PackCard as Pack,
  type Plant,
  PROCESS_WORDS,
  sceneSvg,
  type Stock,
  type Place,
  say,
} from '@druckerei/core';
import { PROCESSES } from '@druckerei/core/planning';
import { sessionFeature } from '../session/session.feature';
import { Shortcuts } from '../shared/shortcuts';
import { Units } from '../shared/units';
import { type View, Views } from '../shared/views';
import { CalendarCard } from './calendar-card';
import { at, type RowContext } from './card-rows';
import { CartonStyleCard } from './carton-style-card';
import { InkCard } from './ink-card';
import { LossesCard } from './losses-card';
import { MachineCard } from './machine-card';
import { MovesPanel } from './moves-panel';
import { NewMachine } from './new-machine';
import { PackCard } from './pack-card';
import { AccountRecord } from './account-record';
import { BackupList } from './backup-list';
import { PeopleList } from './people-list';
import { PracticeList } from './practice-list';
import { SettingsActions, settingsFeature } from './settings.feature';
import { StockCard } from './stock-card';

const SECTIONS = [
  { id: 'machines', says: say('settingsPage.machines') },
  { id: 'stocks', says: say('settingsPage.stocks') },
  { id: 'packs', says: say('settingsPage.packs') },
  { id: 'styles', says: say('settingsPage.styles') },
  { id: 'inks', says: say('settingsPage.inks') },
  { id: 'losses', says: say('settingsPage.losses') },
  { id: 'practice', says: say('settingsPage.practice2') },
  { id: 'calendar', says: say('settingsPage.calendar') },
  { id: 'people', says: say('settingsPage.people2') },
  { id: 'history', says: say('settingsPage.changesSoFar2') },
] as const;

/** A card in the list at the left: its id is its place in the plant. */
interface Listed {
  id: string;
  name: string;
  says: string;
  picture: string | null;
  changed: boolean;
}

/** The plant as the works sets it: nothing counts before one has seen which open jobs it moves, and put it in force with a reason. */
@Component({
  selector: 'dk-settings-page',
  imports: [
    AccountRecord,
    BackupList,
    CalendarCard,
    CartonStyleCard,
    DatePipe,
    MatTabNavPanel,
    RouterLink,
    Views,
    LossesCard,
    MachineCard,
    MovesPanel,
    NewMachine,
    PackCard,
    InkCard,
    PeopleList,
    PracticeList,
    StockCard,
    MatButton,
    MatInputModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings-page.html',
  styleUrl: './settings-page.scss',
})
export class SettingsPage {
  protected readonly say = say;
  readonly section = input.required<string>();
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly units = inject(Units);
  protected readonly views: readonly View[] = SECTIONS.map((s) => ({ ...s, link: ['/settings', s.id], query: { card: null } }));
  private readonly me = this.store.selectSignal(sessionFeature.selectMe);
  protected readonly allowed = computed(() => this.me()?.roles.includes('admin') ?? false);
  protected readonly call = this.store.selectSignal(settingsFeature.selectCall);
  protected readonly plant = this.store.selectSignal(settingsFeature.selectPlant);
  private readonly inForce = this.store.selectSignal(settingsFeature.selectInForce);
  protected readonly edits = this.store.selectSignal(settingsFeature.selectEdits);
  protected readonly refused = this.store.selectSignal(settingsFeature.selectRefused);
  protected readonly trial = this.store.selectSignal(settingsFeature.selectTrial);
  protected readonly accepting = this.store.selectSignal(settingsFeature.selectAccept);
  protected readonly toMove = this.store.selectSignal(settingsFeature.selectToMove);
  protected readonly moving = this.store.selectSignal(settingsFeature.selectMoving);
  protected readonly left = this.store.selectSignal(settingsFeature.selectLeft);
  protected readonly history = this.store.selectSignal(settingsFeature.selectHistory);
  protected readonly people = this.store.selectSignal(settingsFeature.selectPeople);
  protected readonly record = this.store.selectSignal(settingsFeature.selectRecord);
  protected readonly keeping = this.store.selectSignal(settingsFeature.selectKeeping);
  protected readonly now = Date.now() / 1000;
  protected readonly personRefused = this.store.selectSignal(settingsFeature.selectPersonRefused);
  protected readonly reason = signal('');
  protected readonly sectionSays = computed(() => SECTIONS.find((s) => s.id === this.section())?.says ?? '');

  protected readonly failure = computed(() => {
    const c = this.call();
    return typeof c === 'object' ? c.failure : null;
  });
  protected readonly acceptFailure = computed(() => {
    const a = this.accepting();
    return typeof a === 'object' ? a.failure : null;
  });
  protected readonly tried = computed(() => this.trial() !== null && this.trial()?.running === false);
  protected readonly place = computed((): Place => ({
    timeZone: this.plant()?.timeZone ?? 'UTC',
    currency: this.plant()?.currency ?? 'EUR',
    units: this.units.system(),
  }));
  protected readonly context = computed((): RowContext | null => {
    const [plant, inForce] = [this.plant(), this.inForce()];
    return plant && inForce ? { plant, inForce, refused: this.refused() } : null;
  });
  /** What stands in the list at the left: machines and stocks with a small drawing, kinds of work by name. */
  protected readonly listed = computed((): Listed[] => {
    const plant = this.plant();
    if (!plant) return [];
    const changed = (below: string, id: string): boolean => this.edits().some((e) => e.at[0] === below && e.at[1] === id);
    const cards = (below: 'cartons' | 'pallets' | 'inks' | 'coats' | 'stocks' | 'cartonStyles', says: (card: never) => string): Listed[] =>
      Object.entries<{ name: string }>(plant[below] ?? {})
        .sort(([, a], [, b]) => a.name.localeCompare(b.name))
        .map(([id, card]) => ({
          id: `${below}/${id}`,
          name: card.name,
          says: says(card as never),
          picture: null,
          changed: changed(below, id),
        }));
    switch (this.section()) {
      case 'machines':
        return Object.entries(plant.machines)
          .sort(byRoute)
          .map(([id, m]) => ({
            id: `machines/${id}`,
            name: m.name,
            says: [...(m.retired ? [say('settingsPage.retired')] : []), ...m.processes.map((p) => PROCESS_WORDS[p] ?? p)].join(', '),
            picture: picture(m),
            changed: changed('machines', id),
          }));
      case 'stocks':
        return cards('stocks', sizeOf);
      case 'packs': {
        const size = (word: string) => (p: Pack) =>
          `${word}, ${formatNumber(p.widthMm)} × ${formatNumber(p.depthMm)} × ${formatNumber(p.heightMm)} mm`;
        return [...cards('cartons', size(say('settingsPage.carton'))), ...cards('pallets', size(say('settingsPage.pallet')))];
      }
      case 'styles':
        return cards('cartonStyles', ({ flapMm, tuckMm }: HouseStyle) => say('settingsPage.styleOf', flapMm ?? '–', tuckMm ?? '–'));
      case 'inks':
        return [...cards('inks', () => say('settingsPage.inkSeries')), ...cards('coats', () => say('settingsPage.coat'))];
    }
    return Object.values(PROCESSES)
      .filter((p) => p.losses)
      .map((p) => ({
        id: `spoilage/${p.id}`,
        name: PROCESS_WORDS[p.id] ?? p.id,
        says: plant.spoilage?.[p.id]?.school === 'table' ? say('settingsPage.byTable') : say('settingsPage.setupAndRunning'),
        picture: null,
        changed: changed('spoilage', p.id),
      }));
  });
  /** The card the address asks for. */
  readonly card = input<string>();
  protected readonly chosen = linkedSignal<{ section: string; first: string; asked: string | undefined }, string>({
    source: () => ({ section: this.section(), first: this.listed()[0]?.id ?? '', asked: this.card() }),
    computation: ({ section, first, asked }, before) => {
      if (asked !== undefined && asked !== before?.source.asked) return asked;
      return before?.source.section === section && before.value !== '' ? before.value : first;
    },
  });
  protected choose(id: string): void {
    this.chosen.set(id);
    void this.router.navigate([], { queryParams: { card: id } });
  }

  constructor() {
    if (this.allowed()) this.store.dispatch(SettingsActions.opened());
    inject(Shortcuts).use([
      {
        keys: '$mod+z',
        shown: 'Ctrl Z',
        says: say('settingsPage.undoTheLastChange'),
        run: () => {
          this.undo();
        },
      },
    ]);
  }

  protected set(path: string[], value: unknown): void {
    const plant = this.plant();
    if (plant) this.store.dispatch(SettingsActions.edited({ edits: [editAt(plant, path, value)] }));
  }
  protected undo(): void {
    this.store.dispatch(SettingsActions.undoAsked());
  }
  protected takeBack(): void {
    this.store.dispatch(SettingsActions.allTakenBack());
  }
  protected again(): void {
    this.store.dispatch(SettingsActions.opened());
  }
  protected tryIt(): void {
    this.store.dispatch(SettingsActions.tryAsked());
  }
  protected stop(): void {
    this.store.dispatch(SettingsActions.tryStopped());
  }
  protected accept(): void {
    if (this.reason().trim().length >= 3) {
      this.store.dispatch(SettingsActions.acceptAsked({ reason: this.reason().trim() }));
      this.reason.set('');
    }
  }
  protected move(): void {
    this.store.dispatch(SettingsActions.moveAsked());
  }
  protected enter(person: { name: string; fullName: string; initials: string; roles: Person['roles']; password: string }): void {
    this.store.dispatch(SettingsActions.personEntered({ person }));
  }
  protected changePerson(id: string, change: Pick<Person, 'fullName' | 'initials' | 'roles' | 'active'> & { password?: string }): void {
    this.store.dispatch(SettingsActions.personChanged({ id, change }));
  }
  /** Where the chosen card stands in the plant, and its id there. */
  protected readonly path = computed(() => this.chosen().split('/'));
  protected readonly cardId = computed(() => this.path()[1] ?? '');
  protected readonly machine = computed(() => this.plant()?.machines[this.cardId()] ?? null);
  protected readonly entering = signal(false);
  /** A card like the chosen one, to be changed. */
  protected copy(): void {
    const from = at(this.plant(), this.path());
    if (from === null || typeof from !== 'object' || !('name' in from)) return;
    this.add({ ...from, name: `${String(from.name)}, copy`.slice(0, 80), retired: undefined });
  }
  protected enterMachine(machine: Plant['machines'][string]): void {
    this.entering.set(false);
    this.add(machine);
  }
  private add(card: object): void {
    const [below = '', like = ''] = this.path();
    const id = freeId(at(this.plant(), [below]), like);
    this.set([below, id], JSON.parse(JSON.stringify(card)));
    this.chosen.set(`${below}/${id}`);
  }
  /** A carton style nobody has yet: built on the commonest. */
  protected newStyle(): void {
    const id = freeId(this.plant()?.cartonStyles, 'style');
    this.set(['cartonStyles', id], { name: say('settingsPage.newStyle'), base: 'reverse' });
    this.chosen.set(`cartonStyles/${id}`);
  }
  protected drop(): void {
    this.set(this.path(), undefined);
    this.chosen.set(this.listed()[0]?.id ?? '');
  }
  /** Planned on no more; or again. */
  protected retire(retired: boolean): void {
    this.set([...this.path(), 'retired'], retired ? true : undefined);
  }
  protected readonly n = formatNumber;
}

/** Machines in the order of the work. */
const ORDER = Object.keys(PROCESSES);
const place = (m: Plant['machines'][string]): number =>
  Math.min(...m.processes.map((p) => (ORDER.includes(p) ? ORDER.indexOf(p) : ORDER.length)));
const byRoute = ([, a]: [string, Plant['machines'][string]], [, b]: [string, Plant['machines'][string]]): number =>
  place(a) - place(b) || a.name.localeCompare(b.name);

const sizeOf = (s: Stock): string =>
  s.lengthMm === undefined
    ? `${formatNumber(s.widthMm, 1)} mm, ${s.form}`
    : `${formatNumber(s.lengthMm, 1)} × ${formatNumber(s.widthMm, 1)} mm, ${formatNumber(s.gsm)} g/m²`;

function freeId(cards: unknown, like: string): string {
  const taken = cards !== null && typeof cards === 'object' ? cards : {};
  let n = 2;
  while (Object.hasOwn(taken, `${like}-${n}`)) n++;
  return `${like}-${n}`;
}

/** A machine's nested sheets as a picture that needs no trust: an address with the drawing in it. */
function picture(machine: Plant['machines'][string]): string | null {
  const scene = machineScene(machine);
  if (!scene.toScale) return null;
  const shapes = scene.shapes.filter((s) => s.role === 'sheet' || s.role === 'copy');
  const [largest] = shapes;
  if (largest?.kind !== 'rect') return null;
  return `data:image/svg+xml,${encodeURIComponent(sceneSvg({ ...scene, shapes, box: { x: -8, y: -8, w: largest.w + 16, h: largest.h + 16 } }, largest.w / 40))}`;
}
