import { CARS } from '@pincer/simulator';
import { judgeRun, type Weather } from '../confusion.ts';

/** What a day and a place can be like. */
const WEATHERS: readonly [string, Weather][] = [
  ['a hard frost by the sea', { outside: -22, airPressure: 103.1, heightM: 5 }],
  ['a heat wave', { outside: 41, airPressure: 99.2, heightM: 120 }],
  ['a village at 2,100 m', { outside: 4, airPressure: 78.9, heightM: 2_100 }],
];

describe.each(CARS.map((c) => [c.title, c] as const))('%s, sound', (_, plan) => {
  test.each(WEATHERS)(
    'nothing is odd in %s',
    async (__, weather) => {
      const judgements = await judgeRun(plan, null, weather, 3);
      expect(judgements.filter((j) => j.verdict === 'odd' || j.verdict === 'impossible')).toEqual([]);
      expect(judgements.filter((j) => j.verdict === 'sound').length).toBeGreaterThan(20);
    },
    60_000,
  );
});
