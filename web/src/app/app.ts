import { formatMoment, label, say } from '@druckerei/core/words';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatDialog, MatDialogModule } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { Store } from '@ngrx/store';
import { filter, map } from 'rxjs';
import type { UnitSystem } from '@druckerei/core/words';
import { SessionActions, sessionFeature } from './session/session.feature';
import { OwnPassword } from './session/own-password';
import { SignIn } from './session/sign-in';
import { Shortcuts } from './shared/shortcuts';
import { ShortcutsDialog } from './shared/shortcuts-dialog';
import { Line } from './shared/line';
import { Works } from './shared/works';
import { Theme } from './shared/theme';

/** The frame: name, what exists, who is here. Sign-in stands before everything; an expired session keeps the screen behind it. */
@Component({
  selector: 'dk-app',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, MatMenuModule, MatDialogModule, OwnPassword, SignIn, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` @if (!known()) {
      <p class="wait soft" role="status">{{ say('app.oneMoment') }}</p>
    } @else {
      @if (!me() || expired()) {
        <dk-sign-in />
      }
      @if (me()?.mustChange && !expired()) {
        <dk-own-password />
      } @else if (me(); as person) {
        <div [hidden]="expired()">
          <a class="skip" href="today" (click)="skip($event)">{{ say('app.skip') }}</a>
          <header [hidden]="atMachine()">
            <a class="name" routerLink="/today">{{ say('app.druckerei') }}</a>
            <nav [attr.aria-label]="say('app.main')">
              <a routerLink="/today" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.today') }}</a>
              <a routerLink="/orders" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.orders') }}</a>
              <a routerLink="/board" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.board') }}</a>
              <a routerLink="/floor" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.floor') }}</a>
              <a routerLink="/kitchen" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.kitchen') }}</a>
              <a routerLink="/register" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.register') }}</a>
              <a routerLink="/tools" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.tools') }}</a>
              <a routerLink="/stock" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.stock') }}</a>
              <a routerLink="/logbook" routerLinkActive="here" ariaCurrentWhenActive="page">{{ say('app.logbook') }}</a>
            </nav>
            <span class="space"></span>
            <button matButton="outlined" class="keys" type="button" (click)="showKeys()">
              {{ say('app.keys') }} <kbd class="kbd">?</kbd>
            </button>
            <button class="who" type="button" [matMenuTriggerFor]="menu" [attr.aria-label]="person.fullName + say('app.menu')">
              {{ person.initials }}
            </button>
            <mat-menu #menu="matMenu">
              <p class="person">
                {{ person.fullName }}<br /><span class="soft">{{ roles(person.roles) }}</span>
              </p>
              @if (person.roles.includes('admin')) {
                <a mat-menu-item routerLink="/settings">{{ say('app.settings') }}</a>
              }
              @for (t of themes; track t.choice) {
                <button mat-menu-item type="button" (click)="theme.choose(t.choice)">
                  {{ t.says }}{{ theme.choice() === t.choice ? ' ✓' : '' }}
                </button>
              }
              @for (u of units; track u.system) {
                <button mat-menu-item type="button" (click)="choose(u.system)">
                  {{ u.says }}{{ person.units === u.system ? ' ✓' : '' }}
                </button>
              }
              <button mat-menu-item type="button" (click)="changePassword()">{{ say('app.ownPassword') }}</button>
              <button mat-menu-item type="button" (click)="signOut()">{{ say('app.signOut') }}</button>
            </mat-menu>
          </header>
          @if (line.away() !== null && !atMachine()) {
            <p class="note level-decide away" role="alert" data-figures>{{ awaySays() }}</p>
          }
          <div id="content" tabindex="-1"><router-outlet /></div>
        </div>
      }
    }`,
  styles: `
    header[hidden] {
      display: none;
    }
    header {
      display: flex;
      align-items: center;
      gap: 22px;
      height: 46px;
      padding: 0 16px;
      background: var(--card);
      border-bottom: 1px solid var(--line);
    }
    .name {
      font:
        600 20px 'Source Serif 4 Variable',
        serif;
      color: var(--ink);
      text-decoration: none;
    }
    nav {
      min-width: 0;
      overflow-x: auto;
      white-space: nowrap;
    }
    nav a {
      display: inline-block;
      margin-right: 18px;
      line-height: 44px;
      color: var(--soft);
      text-decoration: none;
    }
    nav a.here {
      color: var(--ink);
      font-weight: 600;
      border-bottom: 2px solid var(--act);
    }
    .keys {
      padding: 3px 10px;
      color: var(--soft);
      font-size: 13px;
    }
    .who {
      width: 30px;
      height: 30px;
      border: 0;
      border-radius: 50%;
      background: var(--act-ground);
      color: var(--act);
      font-weight: 600;
      font-size: 12px;
      cursor: pointer;
      padding: 0;
    }
    .skip {
      position: absolute;
      left: 8px;
      top: -60px;
      z-index: 2;
      padding: 6px 12px;
      background: var(--card);
      border: 1px solid var(--act);
      border-radius: 8px;
    }
    .skip:focus {
      top: 6px;
    }
    #content:focus {
      outline: 0;
    }
    .away {
      margin-top: 6px;
    }
    .person {
      margin: 6px 16px 10px;
    }
    .wait {
      padding: 40px;
      text-align: center;
    }
  `,
})
export class App {
  protected readonly say = say;
  private readonly store = inject(Store);
  private readonly dialog = inject(MatDialog);
  protected readonly theme = inject(Theme);
  protected readonly line = inject(Line);
  private readonly zone = inject(Works).zone;
  protected readonly themes = [
    { choice: 'system', says: say('app.themeOfTheSystem') },
    { choice: 'light', says: say('app.light') },
    { choice: 'dark', says: say('app.dark') },
  ] as const;
  protected readonly units = [
    { system: 'metric', says: say('app.millimetresAndKilograms') },
    { system: 'imperial', says: say('app.inchesPoundsAndPoints') },
  ] as const;
  protected readonly me = this.store.selectSignal(sessionFeature.selectMe);
  protected readonly expired = this.store.selectSignal(sessionFeature.selectExpired);
  protected readonly known = computed(() => this.store.selectSignal(sessionFeature.selectKnown)());

  /** A machine's terminal fills the screen: it has a head of its own. */
  protected readonly atMachine = toSignal(
    inject(Router).events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map((e) => e.urlAfterRedirects.startsWith('/terminal')),
    ),
    { initialValue: false },
  );

  constructor() {
    this.store.dispatch(SessionActions.appOpened());
    inject(Shortcuts).use([
      {
        keys: 'Shift+?',
        also: '?',
        shown: '?',
        says: say('app.showTheKeys'),
        run: () => {
          this.showKeys();
        },
      },
    ]);
  }

  /** Past the head of the page, for who walks by keys. */
  protected skip(event: Event): void {
    event.preventDefault();
    document.getElementById('content')?.focus();
  }
  protected readonly awaySays = computed(() => say('app.serverAway', formatMoment((this.line.away() ?? 0) / 1000, this.zone())));
  protected roles = (of: readonly string[]): string => of.map((r) => label(`role.${r}`)).join(', ');
  protected showKeys(): void {
    this.dialog.open(ShortcutsDialog, { width: '440px' });
  }
  protected choose(units: UnitSystem): void {
    this.store.dispatch(SessionActions.unitsChosen({ units }));
  }
  protected changePassword(): void {
    this.dialog.open(OwnPassword, { ariaLabel: say('app.ownPassword') });
  }
  protected signOut(): void {
    this.store.dispatch(SessionActions.signOutAsked());
  }
}
