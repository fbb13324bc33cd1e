import { BreakpointObserver } from '@angular/cdk/layout';
import { Component, ChangeDetectionStrategy } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatBottomSheet } from '@angular/material/bottom-sheet';
import { MAT_DIALOG_DATA, MatDialog } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { EMPTY, of } from 'rxjs';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { Sheets } from '../shared/sheet';
import { provideSignedIn } from '../session/signed-in.fixture';
import { WaitingSteps } from './waiting-steps';

@Component({ selector: 'dk-part', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
class Part {}

const step = (number: number, state: string, waits: string[]) => ({
  ...{ job: `j${number}`, number, title: 'Menu', step: 'card.card.print.front', name: 'Print, front', startAt: 1_790_000_000 },
  ...{ setupS: 1_500, runS: 1_800, goodWanted: 5_000, waits, times: { state }, units: { givesPer: 1, givesUnit: 'sheet' } },
});

describe('what waits at a machine', () => {
  it('is listed in its order with what is missing; what runs is not among it', async () => {
    const steps = [step(2412, 'running', []), step(2413, 'waiting', ['plates']), step(2414, 'waiting', [])];
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        provideSignedIn('press'),
        { provide: Changes, useValue: { changes$: EMPTY } },
        { provide: MAT_DIALOG_DATA, useValue: { id: 'press3', name: 'Press 3' } },
        { provide: ApiCaller, useValue: { call: () => of({ timeZone: 'UTC', steps }) } },
      ],
    });
    const f = TestBed.createComponent(WaitingSteps);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    expect(host.textContent).toContain('Waits at Press 3');
    const rows = [...host.querySelectorAll('li')].map((li) => li.textContent.replace(/\s+/g, ' '));
    expect(rows).toHaveLength(2);
    expect(rows[0]).toContain('2413');
    expect(rows[0]).toContain('waits for plates');
    expect(rows[1]).not.toContain('waits for');
  });
  it.each([
    [true, 'from below'],
    [false, 'as a dialog'],
  ])('on a small screen: %s, comes %s', (small) => {
    const [sheet, dialog] = [{ open: jest.fn() }, { open: jest.fn() }];
    TestBed.configureTestingModule({
      providers: [
        { provide: BreakpointObserver, useValue: { isMatched: () => small } },
        { provide: MatBottomSheet, useValue: sheet },
        { provide: MatDialog, useValue: dialog },
      ],
    });
    TestBed.inject(Sheets).open(Part, { id: 'x' }, 'Part');
    expect([sheet.open.mock.calls.length, dialog.open.mock.calls.length]).toEqual(small ? [1, 0] : [0, 1]);
  });
});
