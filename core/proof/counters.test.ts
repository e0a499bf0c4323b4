import { foldCase } from '@pincer/core/case';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { counterChecks } from './index.ts';

type Entries = Parameters<typeof makeCase>;
const scan = (km: number, warmUps = 3) => scanEntry(makeScan(['P0302'], { '31': km, '30': warmUps }));
const CLEAR = { kind: 'clear-told', by: 'hand-held' } as const;
const DRIVE = { kind: 'drive', metConditions: 'yes', cameBack: 'no' } as const;
const ids = (...entries: Entries) => counterChecks(foldCase(makeCase(...entries))).map((c) => c.id);

describe('the car’s counters against what is in the log', () => {
  test('a clear that was told and did not reset the distance was not carried out', () => {
    expect(ids(scan(4_000), CLEAR, scan(4_020))).toEqual(['not-reset']);
    expect(ids(scan(4_000), CLEAR, scan(12))).toEqual([]);
    // A few kilometres say nothing: it may have been driven since.
    expect(ids(scan(3), CLEAR, scan(9))).toEqual([]);
  });

  test('more than can be driven since the clear', () => {
    expect(ids(CLEAR, scan(5_000))).toEqual(['too-far']);
  });

  test('somebody cleared it between two readings', () => {
    expect(ids(scan(900), scan(15))).toEqual(['cleared-between']);
    expect(ids(scan(900), CLEAR, scan(15))).toEqual([]);
    expect(ids(scan(900), { kind: 'battery-off' }, scan(15))).toEqual([]);
  });

  test('drives that did not warm it up', () => {
    expect(ids(scan(900), CLEAR, DRIVE, DRIVE, DRIVE, DRIVE, scan(30, 1))).toEqual(['fewer-warm-ups']);
    expect(ids(scan(900), CLEAR, DRIVE, DRIVE, scan(30, 1))).toEqual([]);
  });

  test('without counters nothing is said', () => {
    expect(ids(scanEntry(makeScan([])), CLEAR, scanEntry(makeScan([])))).toEqual([]);
  });
});
