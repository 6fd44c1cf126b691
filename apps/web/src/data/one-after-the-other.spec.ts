import { expect, it } from 'vitest';
import { oneAfterTheOther } from './one-after-the-other';

/** Work that ends when it is told to. */
function slow() {
  const begun: string[][] = [];
  const ends: ((error?: Error) => void)[] = [];
  const work = (told: ReadonlySet<string>): Promise<void> => {
    begun.push([...told]);
    return new Promise((resolve, reject) => ends.push((error) => (error ? reject(error) : resolve())));
  };
  const end = async (error?: Error): Promise<void> => {
    ends.shift()!(error);
    await new Promise((resolve) => setTimeout(resolve));
  };
  return { begun, work, end };
}

it('what is told while it works is done together, once, when it is over; a failure stops nothing', async () => {
  const { begun, work, end } = slow();
  const { tell } = oneAfterTheOther<string>(work);
  tell(['book']);
  for (let i = 0; i < 100; i++) tell(['book', 'haul']);
  expect(begun).toEqual([['book']]);
  await end(new Error('no signal'));
  expect(begun).toEqual([['book'], ['book', 'haul']]);
  await end();
  expect(begun).toHaveLength(2);
  tell(['fields']);
  expect(begun[2]).toEqual(['fields']);
});
it('begins nothing more once it was stopped', async () => {
  const { begun, work, end } = slow();
  const { tell, stop } = oneAfterTheOther<string>(work);
  tell(['book']);
  tell(['haul']);
  stop();
  await end();
  tell(['fields']);
  expect(begun).toEqual([['book']]);
});
