import { foldCase } from '@pincer/core/case';
import type { Scan } from '@pincer/core/obd';
import { acceptCode } from '@pincer/core/vehicle';
import { CAR, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { scanView } from './index.ts';

const view = (...readings: Scan[]) => scanView(foldCase(makeCase(...readings.map((r) => scanEntry(r)))), CAR);
const changes = (...readings: Scan[]) =>
  view(...readings).units.flatMap((u) => u.codes.map((c) => [c.code, c.change]));

describe('a reading by control unit and state', () => {
  test('status byte and failure type in words, the lamp’s holder marked', () => {
    const reading: Scan = {
      ...makeScan([]),
      units: [
        { unit: '6A8', name: 'Brakes', hasAnswered: true },
        { unit: '6B8', name: 'Airbag', hasAnswered: true },
        {
          unit: '6F8',
          name: 'Climate',
          hasAnswered: false,
          why: 'it does not answer: not fitted, or asleep',
        },
      ],
      codes: [
        { code: 'C0031', state: 'confirmed', unit: '6A8', statusByte: 0xab, failureType: '13' },
        { code: 'U3003', state: 'confirmed', unit: '6A8', statusByte: 0x28, failureType: '16' },
      ],
    };
    const { units } = view(reading);
    expect(units.map((u) => [u.name, u.codes.length, u.why === null])).toEqual([
      ['Brakes', 2, true],
      ['Engine', 0, true],
      ['Airbag', 0, true],
      ['Climate', 0, false],
    ]);
    expect(units[0]?.codes[0]).toMatchObject({
      holdsLamp: true,
      words: ['confirmed', 'holds a light on', 'fails now', 'open circuit'],
    });
    expect(units[0]?.codes[1]).toMatchObject({
      holdsLamp: false,
      words: ['confirmed', 'failed since the last clear', 'stored, not failing now', 'voltage too low'],
    });
  });

  test('new, unchanged, gone and back since the readings before', () => {
    const a = makeScan(['P0302', 'P0171']);
    const b = makeScan(['P0302']);
    const c = makeScan(['P0302', 'P0171', 'P0420']);
    expect(changes(a)).toEqual([
      ['P0302', null],
      ['P0171', null],
    ]);
    expect(view(a, b).gone.map((g) => g.code)).toEqual(['P0171']);
    expect(changes(a, b, c)).toEqual([
      ['P0302', 'unchanged'],
      ['P0171', 'back'],
      ['P0420', 'new'],
    ]);
  });

  test('what was not read this time is not gone', () => {
    const cut = scanEntry({ ...makeScan([]), missing: [{ part: 'confirmed codes', why: 'cut' }] }, false);
    const seen = scanView(foldCase(makeCase(scanEntry(makeScan(['P0302'])), cut)), CAR);
    expect(seen.gone).toEqual([]);
    expect(seen.units[0]?.codes.map((c) => c.code)).toEqual(['P0302']);
  });

  test('accepted ones are marked, so that new ones are seen', () => {
    const car = acceptCode(CAR, 'P0171', 'cold-air intake', '2026-10-01T10:00:00.000Z');
    const state = foldCase(makeCase(scanEntry(makeScan(['P0302', 'P0171']))));
    expect(scanView(state, car).units[0]?.codes.map((c) => [c.code, c.isAccepted])).toEqual([
      ['P0302', false],
      ['P0171', true],
    ]);
  });
});

describe('a memory that was cleared lately', () => {
  const view = (values: Record<string, number>, ran?: string[]) =>
    scanView(foldCase(makeCase(scanEntry(makeScan([], values, ran ? { ran } : {})))), CAR).clearedLately;

  test('few kilometres and self-checks that have not run: said; a long time, or all of them ran: not', () => {
    expect(view({ '31': 11, '30': 1 }, ['misfire', 'fuel', 'components'])).toMatchObject({
      km: 11,
      warmUps: 1,
    });
    expect(view({ '31': 2_400 }, ['misfire', 'fuel', 'components'])).toBeNull();
    expect(view({ '31': 11 })).toBeNull();
    expect(view({}, ['misfire'])).toBeNull();
    expect(view({ '30': 2 }, ['misfire'])).toMatchObject({ km: null, warmUps: 2 });
  });
});

describe('the engine lamp, seen and commanded', () => {
  const apart = (mode: 'steady' | 'out' | null, ...codes: string[]) =>
    scanView(
      foldCase(
        makeCase(
          scanEntry(makeScan(codes)),
          ...(mode === null ? [] : [{ kind: 'lamp', lamp: 'engine', mode } as const]),
        ),
      ),
      CAR,
    ).lampApart;

  test('what is not alike is told, what nobody looked at or read is not', () => {
    expect(apart('out', 'P0302')).toBe('dark');
    expect(apart('steady')).toBe('lit');
    expect(apart('steady', 'P0302')).toBeNull();
    expect(apart('out')).toBeNull();
    expect(apart(null, 'P0302')).toBeNull();
    expect(
      scanView(foldCase(makeCase({ kind: 'lamp', lamp: 'engine', mode: 'out' })), CAR).lampApart,
    ).toBeNull();
  });
});
