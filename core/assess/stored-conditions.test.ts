import { DEFAULT_OWNER } from '@pincer/core/case';
import { tell } from '@pincer/core/words';
import fc from 'fast-check';
import { foldCase, type Entry } from '@pincer/core/case';
import { windowOfFrame, UNKNOWN_ENGINE } from '@pincer/core/signals';
import { CAR, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { frameSentence, storedConditions } from './index.ts';
import { atLeast, circumstanceOf } from './stored-conditions.ts';

type Values = Readonly<Record<string, number>>;
const frameOf = (values: Values) => {
  const [frame] = makeScan([], {}, { frame: { code: 'P0302', values } }).freezeFrames;
  if (!frame) throw new Error('No frame was made.');
  return windowOfFrame(frame, UNKNOWN_ENGINE);
};
const stored = (...frames: Values[]) =>
  makeCase(
    ...frames.map((values) => scanEntry(makeScan(['P0302'], {}, { frame: { code: 'P0302', values } }))),
  );

describe('the stored moment as a sentence', () => {
  test.each<[string, Values, string]>([
    [
      'warm in traffic',
      { '05': 88, '04': 22, '0D': 38, '0C': 1450, '1F': 300 },
      'Warm, in traffic, light load, 38 km/h, 1,450 rpm, 5 minutes after the start.',
    ],
    [
      'cold idle just after the start',
      { '05': 6, '04': 30, '0D': 0, '0C': 1120, '1F': 14 },
      'Cold, idling, light load, 1,120 rpm, 14 seconds after the start.',
    ],
    [
      'a pull on the open road',
      { '05': 91, '04': 82, '0D': 96, '0C': 3200, '1F': 1500 },
      'Warm, on the open road, high load, 96 km/h, 3,200 rpm, 25 minutes after the start.',
    ],
    ['half warm', { '05': 60, '0D': 30, '0C': 1800 }, 'Half warm, in traffic, 30 km/h, 1,800 rpm.'],
    ['revved standing', { '05': 85, '0D': 0, '0C': 2500 }, 'Warm, stationary, revving, 2,500 rpm.'],
    ['engine off', { '05': 20, '0D': 0, '0C': 0 }, 'Cold, standing, engine off.'],
    ['a coolant sensor at its limit says nothing', { '05': -40, '0D': 0, '0C': 740 }, 'Idling, 740 rpm.'],
    ['nothing that tells', { '33': 100 }, 'No useful conditions were stored.'],
  ])('%s', (_, values, sentence) => {
    expect(tell(frameSentence(frameOf(values)), DEFAULT_OWNER)).toBe(sentence);
  });

  test.each([
    ['imperial', '50 mph'],
    ['mixed', '50 mph'],
    ['metric', '80 km/h'],
  ] as const)('speeds in the owner’s units: %s, %s', (units, speed) => {
    const sentence = frameSentence(frameOf({ '0D': 80, '0C': 2000 }));
    expect(tell(sentence, { units, words: 'british' })).toContain(speed);
  });
});

describe('as evidence', () => {
  test.each<[string, Values, ReturnType<typeof circumstanceOf>]>([
    [
      'cold and loaded',
      { '05': 20, '04': 70, '0D': 40, '0C': 1900 },
      { cold: true, load: true, idle: false },
    ],
    ['warm and idling', { '05': 90, '04': 20, '0D': 0, '0C': 740 }, { cold: false, load: false, idle: true }],
    ['between the two says nothing', { '05': 68, '04': 45 }, { cold: null, load: null, idle: null }],
  ])('%s', (_, values, expected) => expect(circumstanceOf(frameOf(values))).toEqual(expected));
});

describe('how often by accident', () => {
  test.each([
    [1, 1, 0.3, 0.3],
    [3, 3, 0.3, 0.027],
    [2, 3, 0.5, 0.5],
    [0, 5, 0.2, 1],
    [4, 5, 0.1, 5 * 0.1 ** 4 * 0.9 + 0.1 ** 5],
  ])('at least %d of %d at %d', (k, n, p, expected) => expect(atLeast(k, n, p)).toBeCloseTo(expected, 12));

  test('it is a chance, and falls with each more that is asked for', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, p) => {
        const tails = Array.from({ length: n + 1 }, (_, k) => atLeast(k, n, p));
        expect(tails[0]).toBeCloseTo(1, 9);
        tails.forEach((t, k) => {
          expect(t).toBeGreaterThanOrEqual(0);
          if (k > 0) expect(t).toBeLessThanOrEqual((tails[k - 1] ?? 1) + 1e-12);
        });
      }),
    );
  });
});

describe('what recurs', () => {
  const COLD = [
    { '05': 12, '0C': 1900, '0D': 41 },
    { '05': 18, '0C': 1905, '0D': 42 },
    { '05': 15, '0C': 1910, '0D': 44 },
    { '05': 13, '0C': 1912, '0D': 46 },
  ];
  const words = (record: Parameters<typeof foldCase>[0], vehicle = CAR) =>
    Object.fromEntries(
      (storedConditions(foldCase(record), vehicle)?.recurring ?? []).map((r) => [r.id, r.word]),
    );

  test('two moments are too few, whatever they share; none stored is nothing', () => {
    expect(words(stored(...COLD.slice(0, 2)))).toMatchObject({ cold: 'too few to say' });
    expect(storedConditions(foldCase(makeCase(scanEntry(makeScan(['P0302'])))), CAR)).toBeNull();
  });

  test('one that differs turns “always” into “mostly”, and only where that is still more than accident', () => {
    const warm = { '05': 90, '0C': 1900, '0D': 45 };
    const more = [...COLD, { '05': 14, '0C': 1920, '0D': 40 }, { '05': 16, '0C': 1930, '0D': 39 }];
    expect(words(stored(...COLD))).toMatchObject({ cold: 'always' });
    // Three might be an accident: several circumstances are looked at together.
    expect(words(stored(...COLD.slice(0, 3)))).toMatchObject({ cold: 'no more than usual' });
    expect(words(stored(...more, warm))).toMatchObject({ cold: 'mostly' });
    expect(words(stored(...COLD.slice(0, 1), warm, { ...warm, '0D': 50 }))).toMatchObject({
      cold: 'no more than usual',
    });
  });

  test('below half of the moments it is not “mostly”, but more often than usual', () => {
    const just = (run: number, coolant: number) => ({ '05': coolant, '0C': 1900, '0D': 41, '1F': run });
    const list = Array.from({ length: 12 }, (_, i) => just(i < 5 ? 30 + i : 900 + i, 90));
    expect(words(stored(...list))['just-started']).toBe('more often than usual');
  });

  test('one moment that was stored with two codes happened once', () => {
    const values = COLD[0] as Record<string, number>;
    const twice = makeCase(
      ...['P0302', 'P0300'].map((code) =>
        scanEntry(makeScan(['P0302', 'P0300'], {}, { frame: { code, values } })),
      ),
    );
    expect(storedConditions(foldCase(twice), CAR)?.occurrences).toBe(1);
  });

  test('of a self-check that runs on a warm engine only, a cold moment is no accident of use', () => {
    const lean = (values: Record<string, number>) =>
      scanEntry(makeScan(['P0171'], {}, { frame: { code: 'P0171', values } }));
    const found = storedConditions(foldCase(makeCase(...COLD.slice(0, 3).map(lean))), CAR)?.recurring;
    expect(found?.find((r) => r.id === 'cold')).toMatchObject({ usual: 0.02, word: 'always' });
  });

  test('how the car is driven comes from a quarter of an hour of recordings before anything else', () => {
    const recording = (
      seconds: number,
      coolant: number,
    ): Omit<Extract<Entry, { kind: 'recording' }>, 'id' | 'at'> => ({
      kind: 'recording',
      recording: `rec_${coolant}`,
      title: 'Chosen readings',
      seconds,
      samples: 10,
      channels: [],
      marks: [],
      windows: [
        {
          state: 'driving',
          seconds,
          stats: {
            coolant: {
              count: 10,
              mean: coolant,
              min: coolant,
              max: coolant,
              first: coolant,
              last: coolant,
              swings: 0,
            },
          },
        },
      ],
    });
    const withRecordings = (...list: ReturnType<typeof recording>[]) => {
      const record = stored(...COLD);
      const more = makeCase(...list).entries.map((e, i) => ({ ...e, id: `ent_r${i}` }));
      return storedConditions(
        foldCase({ ...record, entries: [...record.entries, ...more] }),
        CAR,
      )?.recurring.find((r) => r.id === 'cold');
    };
    // Cold for 900 of 1,200 seconds: three cold moments are then no wonder.
    expect(withRecordings(recording(900, 20), recording(300, 90))).toMatchObject({
      usual: 0.75,
      usualFrom: 'recordings',
      word: 'no more than usual',
    });
    expect(withRecordings(recording(300, 20))).toMatchObject({ usualFrom: 'guess', word: 'always' });
  });

  test('a code that is known and accepted takes its moments with it', () => {
    const accepted = {
      ...CAR,
      acceptedCodes: [{ code: 'P0302', reason: 'gas conversion', since: '2026-01-01T00:00:00.000Z' }],
    };
    expect(storedConditions(foldCase(stored(...COLD)), accepted)).toBeNull();
  });
});
