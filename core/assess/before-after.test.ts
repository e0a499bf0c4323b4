import { assess } from '@pincer/core/assess';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';

type Entries = Parameters<typeof makeCase>;
const IDLE = { '0C': 800, '0D': 0, '05': 92, '0F': 25, '03': 2, '1F': 900 };
const LEAN = { ...IDLE, '06': 4, '07': 22 };
const SOUND = { ...IDLE, '06': 1, '07': 2 };
const REPAIR = { kind: 'repair', cause: 'vacuum-hose-off' } as const;
const rows = (...entries: Entries) => assess(makeCase(...entries), CAR, NOW).beforeAfter;

describe('before and after', () => {
  test('what was odd then, and is sound now, with its figures', () => {
    const [row, ...more] = rows(
      scanEntry(makeScan(['P0171'], LEAN)),
      REPAIR,
      scanEntry(makeScan([], SOUND)),
    ).filter((r) => r.before.scale !== undefined);
    if (!row) throw new Error('Nothing was odd.');
    expect(row.before).toMatchObject({ verdict: 'odd' });
    expect(row.now).toMatchObject({ verdict: 'sound' });
    expect(row.before.scale?.value).toBeGreaterThan(row.before.scale?.high ?? Infinity);
    expect(row.now?.scale?.value).toBeLessThan(row.now?.scale?.high ?? 0);
    for (const r of more) expect(['odd', 'impossible']).toContain(r.before.verdict);
  });

  test('not measured again is said, and nothing is compared before anything was done', () => {
    expect(rows(scanEntry(makeScan(['P0171'], LEAN)), REPAIR).every((r) => r.now === null)).toBe(true);
    expect(rows(scanEntry(makeScan(['P0171'], LEAN)), REPAIR).length).toBeGreaterThan(0);
    expect(rows(scanEntry(makeScan(['P0171'], LEAN)))).toEqual([]);
  });

  test('what went out of order only afterwards is no row: it is a new finding', () => {
    expect(rows(scanEntry(makeScan(['P0171'], SOUND)), REPAIR, scanEntry(makeScan(['P0171'], LEAN)))).toEqual(
      [],
    );
  });
});
