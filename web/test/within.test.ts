import { whileAlive, within } from '../src/storage/within.ts';

const late = (): Error => new Error('too late');
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const settled = async <T>(work: Promise<T>, afterMs: number): Promise<T | string> => {
  const told = work.catch((error: unknown) => (error as Error).message);
  await jest.advanceTimersByTimeAsync(afterMs);
  return Promise.race([told, Promise.resolve('still waiting')]);
};

test('what does not answer in time is given up', async () => {
  expect(await settled(within(new Promise(() => undefined), 100, late), 101)).toBe('too late');
  expect(await settled(within(pause(50), 100, late), 200)).toBeUndefined();
});

test('what goes on piece by piece may take longer than one piece, and is given up once it falls silent', async () => {
  const pieces = (count: number, ms: number) =>
    whileAlive(
      async (alive) => {
        for (let n = 0; n < count; n++) {
          await pause(ms);
          alive();
        }
        return count;
      },
      100,
      late,
    );
  expect(await settled(pieces(10, 90), 1000)).toBe(10);
  expect(await settled(pieces(10, 110), 120)).toBe('too late');
  expect(jest.getTimerCount()).toBeLessThanOrEqual(1);
});
