import fc from 'fast-check';
import { foldCase } from '@pincer/core/case';
import type { ReadCode } from '@pincer/core/obd';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { clearOrder, unitClears, type UnitToClear } from './index.ts';

const code = (statusByte: number): ReadCode => ({
  code: 'C0031',
  state: 'confirmed',
  unit: '6A8',
  statusByte,
});
const BRAKES = { answer: '6A8', name: 'Brakes' };

/** A case in which the brakes were cleared by themselves, and told this afterwards. */
const cleared = (after: ReadCode[] | undefined, outcome: 'agreed' | 'refused' = 'agreed') =>
  foldCase(
    makeCase(
      scanEntry({
        ...makeScan([]),
        codes: [code(0x28)],
        parts: [{ unit: '6A8', part: 'confirmed', state: 'known' }],
      }),
      {
        kind: 'clear',
        afterScan: 'ent_0',
        outcome,
        agreedBy: ['6A8'],
        unit: BRAKES,
        ...(after ? { after } : {}),
      },
    ),
  );
const result = (...args: Parameters<typeof cleared>) => {
  const state = cleared(...args);
  // The scan’s own id, whatever the helper called it.
  const scan = state.scans[0]?.id ?? '';
  const entries = state.entries.map((e) => (e.kind === 'clear' ? { ...e, afterScan: scan } : e));
  return unitClears({ ...state, entries })[0]?.result;
};

describe('what a control unit’s memory did', () => {
  test('told apart: clean, came straight back, did not clear, refused, not known', () => {
    expect(result([])).toBe('clean');
    // Fails at this moment: bit 0.
    expect(result([code(0x2b)])).toBe('came-back');
    // Set anew by another unit: the byte is another one.
    expect(result([code(0x2c)])).toBe('came-back');
    // Byte for byte the old record.
    expect(result([code(0x28)])).toBe('not-cleared');
    expect(result(undefined)).toBe('not-known');
    expect(result([], 'refused')).toBe('refused');
  });

  test('what came back stands again at once; what went is gone and read', () => {
    const back = cleared([code(0x2b)]).standing;
    expect(back.codes.filter((c) => c.clearedBy === null).map((c) => c.code.code)).toEqual(['C0031']);
    expect(back.clears[0]?.returned.map((r) => r.code.code)).toEqual(['C0031']);
    const clean = cleared([]).standing;
    expect(clean.codes.filter((c) => c.clearedBy === null)).toEqual([]);
    expect(clean.clears[0]?.readSince).not.toBeNull();
    // Not read again: nobody knows, and nothing is taken for clean.
    expect(cleared(undefined).standing.clears[0]?.readSince).toBeNull();
  });
});

describe('the order of clearing', () => {
  const unit = (id: string, waitsFor?: string[]): UnitToClear => ({ id, name: id, answer: id, waitsFor });
  const ids = (list: UnitToClear[]) => list.map((u) => u.id);

  test('as in the map, the gateway last, a unit after those that hold it', () => {
    expect(
      ids(
        clearOrder(
          ['gateway', 'brakes', 'body'].map((i) => unit(i)),
          new Set(),
        ),
      ),
    ).toEqual(['brakes', 'body', 'gateway']);
    const units = [unit('brakes', ['instruments']), unit('body'), unit('instruments', ['engine'])];
    expect(ids(clearOrder(units, new Set()))).toEqual(['body', 'instruments', 'brakes']);
  });

  test('in a second round what held out comes last, in the opposite order', () => {
    const units = ['a', 'b', 'c', 'd'].map((i) => unit(i));
    expect(ids(clearOrder(units, new Set(['a', 'c'])))).toEqual(['b', 'd', 'c', 'a']);
  });

  test('any map: every unit once, also where they wait for each other in a circle', () => {
    const NAMES = ['a', 'b', 'c', 'd', 'gateway'];
    fc.assert(
      fc.property(
        fc.array(fc.subarray(NAMES), { minLength: 5, maxLength: 5 }),
        fc.subarray(NAMES),
        (waits, held) => {
          const units = NAMES.map((id, i) => unit(id, waits[i]));
          expect(ids(clearOrder(units, new Set(held))).sort()).toEqual([...NAMES].sort());
        },
      ),
    );
  });
});
