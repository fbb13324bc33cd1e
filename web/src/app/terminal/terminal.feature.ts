import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { StepNow, Terminal } from '@druckerei/contract';
import type { Failure } from '../shared/api';
import type { Someone, Turned, Waiting } from './outbox';
import { withWaiting } from './with-waiting';

/** One decision a screen. */
export type Screen = 'machine' | 'who' | 'read' | 'queue' | 'sheet' | 'take' | 'run' | 'piles' | 'handover' | 'turned' | 'devices';

export const TerminalActions = createActionGroup({
  source: 'Terminal',
  events: {
    Opened: emptyProps(),
    'Machine chosen': props<{ machine: string | null }>(),
    /** What the device kept from before. */
    'Kept found': props<{ waiting: Waiting[]; sent: Waiting[]; turned: Turned[]; terminal: Terminal | null; people: Someone[] }>(),
    'People read': props<{ people: Someone[] }>(),
    'Signed on': props<{ person: Someone & { token: string } }>(),
    'Signed off': emptyProps(),
    'Screen chosen': props<{ screen: Screen }>(),
    'Step chosen': props<{ job: string; step: string }>(),
    'Pile chosen': props<{ pile: string | null }>(),
    /** Of a sheet parted into several orders: whose pieces are counted now. */
    'Order chosen': props<{ order: string | null }>(),
    /** A person wrote something down; kept on the device before anything else. */
    Wrote: props<{ entries: Waiting[] }>(),
    Kept: props<{ entries: Waiting[] }>(),
    'Send wanted': emptyProps(),
    /** The server answered for a batch. */
    Answered: props<{ ids: string[]; turned: Turned[]; at: number }>(),
    'Turned seen': props<{ id: string }>(),
    'Read wanted': emptyProps(),
    'Terminal read': props<{ terminal: Terminal; askedAt: number }>(),
    'Line down': props<{ failure: Failure }>(),
  },
});

export interface TerminalState {
  machine: string | null;
  person: (Someone & { token: string }) | null;
  people: Someone[];
  screen: Screen;
  /** The server's last word. */
  terminal: Terminal | null;
  /** Written here, and not in the server's last word yet: `sentAt` once it was taken. */
  waiting: { entry: Waiting; sentAt: number | null }[];
  turned: Turned[];
  chosen: { job: string; step: string } | null;
  /** The pile that is being laid, by step. */
  pile: string | null;
  /** The order whose pieces are counted, where a step parts a sheet into several; null: the first. */
  order: string | null;
  line: 'up' | { down: Failure };
}

/** What the server's last word does not hold yet: an answer may be late or lost though the entry is written. */
function notIn(terminal: Terminal, entries: readonly Waiting[]): Waiting[] {
  const known = new Set(terminal.newest);
  return entries.filter((e) => !known.has(e.id));
}

/** Sent before this program was started: the first word the server gives now has it. */
const LONG_AGO = 1;

const initial: TerminalState = {
  machine: null,
  person: null,
  people: [],
  screen: 'machine',
  terminal: null,
  waiting: [],
  turned: [],
  chosen: null,
  pile: null,
  order: null,
  line: 'up',
};

export const terminalFeature = createFeature({
  name: 'terminal',
  reducer: createReducer(
    initial,
    on(TerminalActions.machineChosen, (s, { machine }): TerminalState => ({
      ...s,
      machine,
      terminal: null,
      chosen: null,
      pile: null,
      order: null,
      screen: machine === null ? 'machine' : s.person ? 'queue' : 'who',
    })),
    on(TerminalActions.keptFound, (s, { waiting, sent, turned, terminal, people }): TerminalState => ({
      ...s,
      waiting: [...sent.map((entry) => ({ entry, sentAt: LONG_AGO })), ...waiting.map((entry) => ({ entry, sentAt: null }))],
      turned,
      terminal: s.terminal ?? terminal,
      people: s.people.length > 0 ? s.people : people,
    })),
    on(TerminalActions.peopleRead, (s, { people }): TerminalState => ({ ...s, people })),
    on(TerminalActions.signedOn, (s, { person }): TerminalState => ({ ...s, person, screen: 'read' })),
    on(TerminalActions.signedOff, (s): TerminalState => ({ ...s, person: null, screen: 'who' })),
    on(TerminalActions.screenChosen, (s, { screen }): TerminalState => ({ ...s, screen })),
    on(TerminalActions.stepChosen, (s, { job, step }): TerminalState => ({
      ...s,
      chosen: { job, step },
      ...(s.chosen?.job === job && s.chosen.step === step ? {} : { pile: null, order: null }),
      screen: 'sheet',
    })),
    on(TerminalActions.pileChosen, (s, { pile }): TerminalState => ({ ...s, pile })),
    on(TerminalActions.orderChosen, (s, { order }): TerminalState => ({ ...s, order, pile: null })),
    on(TerminalActions.kept, (s, { entries }): TerminalState => ({
      ...s,
      waiting: [...s.waiting, ...entries.map((entry) => ({ entry, sentAt: null }))],
    })),
    on(TerminalActions.answered, (s, { ids, turned, at }): TerminalState => {
      const gone = new Set(turned.map((t) => t.entry.id));
      const taken = new Set(ids);
      return {
        ...s,
        line: 'up',
        turned: [...s.turned, ...turned],
        waiting: s.waiting.flatMap((w) => (gone.has(w.entry.id) ? [] : [taken.has(w.entry.id) ? { ...w, sentAt: at } : w])),
      };
    }),
    on(TerminalActions.turnedSeen, (s, { id }): TerminalState => ({ ...s, turned: s.turned.filter((t) => t.entry.id !== id) })),
    on(TerminalActions.terminalRead, (s, { terminal, askedAt }): TerminalState =>
      terminal.machine === s.machine
        ? { ...s, terminal, line: askedAt > 0 ? 'up' : s.line, waiting: s.waiting.filter((w) => w.sentAt === null || w.sentAt >= askedAt) }
        : s,
    ),
    on(TerminalActions.lineDown, (s, { failure }): TerminalState => ({ ...s, line: { down: failure } })),
  ),
  extraSelectors: ({ selectTerminal, selectWaiting, selectChosen }) => {
    const selectNow = createSelector(selectTerminal, selectWaiting, (terminal, waiting) =>
      terminal === null
        ? null
        : withWaiting(
            terminal,
            notIn(
              terminal,
              waiting.map((w) => w.entry),
            ),
          ),
    );
    return {
      /** The terminal as it stands, with what has not come back yet. */
      selectNow,
      /** How many entries the server has not taken yet. */
      selectUnsent: createSelector(selectWaiting, (waiting) => waiting.filter((w) => w.sentAt === null).length),
      /** The step that is worked on: the one chosen, else the one that runs. */
      selectStep: createSelector(selectNow, selectChosen, (now, chosen): StepNow | null =>
        chosen === null
          ? (now?.steps.find((s) => s.times.state !== 'waiting' && s.times.state !== 'done') ?? null)
          : (now?.steps.find((s) => s.job === chosen.job && s.step === chosen.step) ?? null),
      ),
    };
  },
});
