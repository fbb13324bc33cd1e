import { oneAtATime } from './one-at-a-time';

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

it('does work on one thing one after the other, in the order asked, and on two things at once', async () => {
  const heard: string[] = [];
  const work = (name: string, ms: number) => async () => {
    heard.push(`${name} begins`);
    await pause(ms);
    heard.push(`${name} ends`);
  };
  await Promise.all([oneAtATime('a', work('a1', 40)), oneAtATime('a', work('a2', 1)), oneAtATime('b', work('b1', 5))]);
  expect(heard).toEqual(['a1 begins', 'b1 begins', 'b1 ends', 'a1 ends', 'a2 begins', 'a2 ends']);
});
it('goes on with the next where one fails, and says to each its own', async () => {
  const said = await Promise.allSettled([
    oneAtATime('a', () => Promise.reject(new Error('no'))),
    oneAtATime('a', () => Promise.resolve(7)),
  ]);
  expect(said).toMatchObject([{ status: 'rejected' }, { status: 'fulfilled', value: 7 }]);
});
