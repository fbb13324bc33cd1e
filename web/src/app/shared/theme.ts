import { Injectable, signal } from '@angular/core';

export type ThemeChoice = 'system' | 'light' | 'dark';
const KEY = 'druckerei.theme';

/** Light, dark, or as the system says; kept in this browser. */
@Injectable({ providedIn: 'root' })
export class Theme {
  readonly choice = signal<ThemeChoice>((localStorage.getItem(KEY) as ThemeChoice | null) ?? 'system');

  constructor() {
    this.apply();
  }

  choose(choice: ThemeChoice): void {
    this.choice.set(choice);
    localStorage.setItem(KEY, choice);
    this.apply();
  }

  private apply(): void {
    const choice = this.choice();
    if (choice === 'system') delete document.documentElement.dataset['theme'];
    else document.documentElement.dataset['theme'] = choice;
  }
}
