import { Sending } from './sending';

const edit = (now: number) => ({ at: ['name'], was: 0, now });

describe('a save that nobody answered', () => {
  it('is sent again with its key, alone, though more is pending by now', () => {
    const sending = new Sending();
    const first = sending.of('j1', [edit(1)]);
    expect(sending.of('j1', [edit(1), edit(2)])).toEqual(first);
    sending.answered();
    const next = sending.of('j1', [edit(2)]);
    expect(next.edits).toEqual([edit(2)]);
    expect(next.key).not.toBe(first.key);
  });
  it('is another one for another job, and where what was pending was undone', () => {
    const sending = new Sending();
    const first = sending.of('j1', [edit(1)]);
    expect(sending.of('j2', [edit(1)]).key).not.toBe(first.key);
    const again = sending.of('j1', [edit(1)]);
    expect(sending.of('j1', [edit(3)]).key).not.toBe(again.key);
  });
});
