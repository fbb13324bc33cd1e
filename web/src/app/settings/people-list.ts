import { label, say } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatCheckbox, type MatCheckboxChange } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { LEAST_PASSWORD, type Person, ROLES } from '@druckerei/contract';
import type { Failure } from '../shared/api';
import { EditValue } from '../shared/edit-value';
import { InPlace } from '../shared/in-place';

type Change = Pick<Person, 'fullName' | 'initials' | 'roles' | 'active'> & { password?: string; pin?: string };

/** Who may sign in and what for; changes count at once. */
@Component({
  selector: 'dk-people-list',
  imports: [EditValue, InPlace, MatButton, MatCheckbox, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (refused(); as f) {
      <p class="note level-decide" role="alert">
        {{ f.detail ?? f.title }}
        @for (x of f.fields ?? []; track $index) {
          <span>{{ x.path }} {{ x.says }}. </span>
        }
      </p>
    }
    <table>
      <thead>
        <tr>
          <th>{{ say('peopleList.signsInAs') }}</th>
          <th>{{ say('peopleList.name') }}</th>
          <th>{{ say('peopleList.initials') }}</th>
          @for (r of roles; track r) {
            <th class="role">{{ word(r) }}</th>
          }
          <th>{{ say('peopleList.maySignIn') }}</th>
          <th>{{ say('peopleList.password') }}</th>
          <th>{{ say('peopleList.pin') }}</th>
        </tr>
      </thead>
      <tbody>
        @for (p of people(); track p.id) {
          <tr [class.gone]="!p.active">
            <th scope="row">{{ p.name }}</th>
            <td>
              <dk-edit-value
                [label]="p.name + say('peopleList.name2')"
                kind="text"
                [value]="p.fullName"
                (changed)="text(p, 'fullName', $event)"
              />
            </td>
            <td>
              <dk-edit-value
                [label]="p.name + say('peopleList.initials2')"
                kind="text"
                [value]="p.initials"
                (changed)="text(p, 'initials', $event)"
              />
            </td>
            @for (r of roles; track r) {
              <td class="role">
                <mat-checkbox [aria-label]="p.name + ', ' + word(r)" [checked]="p.roles.includes(r)" (change)="role(p, r, $event)" />
              </td>
            }
            <td class="role">
              <mat-checkbox [aria-label]="p.name + say('peopleList.maySignIn2')" [checked]="p.active" (change)="active(p, $event)" />
            </td>
            <td>
              @if (renewing() === p.id) {
                <form class="line" (submit)="renew($event, p, word.value)">
                  <input
                    matInput
                    dkInPlace
                    #word
                    type="password"
                    autocomplete="new-password"
                    [attr.aria-label]="say('peopleList.newPassword')"
                    minlength="10"
                    required
                  />
                  <button matButton type="submit">{{ say('peopleList.set') }}</button>
                  <button matButton type="button" (click)="renewing.set(null)">{{ say('peopleList.leaveIt') }}</button>
                </form>
              } @else {
                <button matButton type="button" (click)="renewing.set(p.id)">{{ say('peopleList.newPassword') }}</button>
              }
            </td>
            <td>
              <input
                matInput
                dkInPlace
                #pin
                class="short"
                type="password"
                inputmode="numeric"
                autocomplete="off"
                maxlength="8"
                [attr.aria-label]="p.name + say('peopleList.pin2')"
                [placeholder]="p.pin ? say('peopleList.pinSet') : say('peopleList.noPin')"
                (change)="setPin(p, pin)"
              />
            </td>
          </tr>
        }
      </tbody>
    </table>
    <h3>{{ say('peopleList.somebodyNew') }}</h3>
    <form class="line" [formGroup]="form" (ngSubmit)="enter()">
      <mat-form-field
        ><mat-label>{{ say('peopleList.signsInAs') }}</mat-label
        ><input matInput formControlName="name" required maxlength="60" autocomplete="off"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ say('peopleList.name') }}</mat-label
        ><input matInput formControlName="fullName" required maxlength="120" autocomplete="off"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ say('peopleList.initials') }}</mat-label
        ><input matInput formControlName="initials" class="short" required maxlength="4" autocomplete="off"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>{{ say('peopleList.role') }}</mat-label
        ><select matNativeControl formControlName="role">
          @for (r of roles; track r) {
            <option [value]="r">{{ word(r) }}</option>
          }
        </select></mat-form-field
      >
      <mat-form-field
        ><mat-label>{{ say('peopleList.firstPassword') }}</mat-label
        ><input matInput formControlName="password" type="password" autocomplete="new-password" minlength="10" required
      /></mat-form-field>
      <button matButton="filled" type="submit">{{ say('peopleList.enter') }}</button>
    </form>
    <p class="soft">
      {{ say('peopleList.aPersonWhoLeavesKeeps') }}
    </p>`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th {
      text-align: left;
      font-weight: 400;
      color: var(--soft);
    }
    tbody th {
      color: var(--ink);
      font-weight: 600;
    }
    th,
    td {
      border-bottom: 1px solid var(--line);
      padding: 4px 6px;
    }
    .role {
      text-align: center;
    }
    .role input {
      width: 24px;
      height: 24px;
      accent-color: var(--act);
    }
    .gone th,
    .gone dk-edit-value {
      opacity: 0.75;
      text-decoration: line-through;
    }
    .line {
      display: flex;
      gap: 14px;
      align-items: end;
      flex-wrap: wrap;
    }
    .short {
      width: 70px;
    }
    h3 {
      font-size: 15px;
      margin: 18px 0 6px;
    }
  `,
})
export class PeopleList {
  protected readonly say = say;
  readonly people = input.required<Person[]>();
  readonly refused = input<Failure | null>(null);
  readonly entered = output<{ name: string; fullName: string; initials: string; roles: Person['roles']; password: string }>();
  readonly changed = output<{ id: string; change: Change }>();
  protected readonly roles = ROLES;
  private readonly build = inject(NonNullableFormBuilder);
  protected readonly form = this.build.group({
    name: ['', Validators.required],
    fullName: ['', Validators.required],
    initials: ['', Validators.required],
    role: this.build.control<Person['roles'][number]>(ROLES[0]),
    password: ['', [Validators.required, Validators.minLength(LEAST_PASSWORD)]],
  });
  protected word = (role: Person['roles'][number]): string => label(`role.${role}`);
  protected readonly renewing = signal<string | null>(null);

  protected text(p: Person, key: 'fullName' | 'initials', value: unknown): void {
    if (typeof value === 'string') this.change(p, { [key]: value });
  }
  protected role(p: Person, role: Person['roles'][number], { checked, source }: MatCheckboxChange): void {
    this.change(p, { roles: checked ? [...p.roles, role] : p.roles.filter((r) => r !== role) });
    source.checked = p.roles.includes(role); // shown as it is until the server has said yes
  }
  protected active(p: Person, { checked, source }: MatCheckboxChange): void {
    this.change(p, { active: checked });
    source.checked = p.active;
  }
  protected renew(e: Event, p: Person, password: string): void {
    e.preventDefault();
    this.change(p, { password });
    this.renewing.set(null);
  }
  protected setPin(p: Person, pin: HTMLInputElement): void {
    if (pin.value !== '') this.change(p, { pin: pin.value });
    pin.value = '';
  }
  protected enter(): void {
    const { name, fullName, initials, role, password } = this.form.getRawValue();
    if (this.form.invalid) this.form.markAllAsTouched();
    else this.entered.emit({ name: name.trim(), fullName: fullName.trim(), initials: initials.trim(), roles: [role], password });
  }
  private change({ id, fullName, initials, roles, active }: Person, more: Partial<Change>): void {
    this.changed.emit({ id, change: { fullName, initials, roles, active, ...more } });
  }
}
