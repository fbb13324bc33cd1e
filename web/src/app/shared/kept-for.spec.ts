import { signal } from '@angular/core';
import { keptFor } from './kept-for';

it('keeps what was typed while the same thing is read anew, and begins afresh with another', () => {
  const read = signal({ id: 'a', at: 1 });
  const typed = keptFor(
    () => read().id,
    (id) => `of ${id}`,
  );
  expect(typed()).toBe('of a');
  typed.set('mine');
  read.set({ id: 'a', at: 2 });
  expect(typed()).toBe('mine');
  read.set({ id: 'b', at: 3 });
  expect(typed()).toBe('of b');
});
