import fc from 'fast-check';
import { NO_SOURCE } from '@pincer/core/obd';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { foldCase, isFullByHand, scanOfFindings, unreadParts, type WholeList } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const line = { line: 1, text: '' };
const findings = (codes: readonly string[], checks = false) => ({
  vin: null,
  values: [],
  codes: codes.map((text) => {
    const [code = '', state = 'confirmed'] = text.split(':');
    return { code, state: state as 'confirmed' | 'pending', word: state, ...line };
  }),
  monitors: checks ? [{ monitor: 'misfire' as const, complete: true, ...line }] : [],
});
const typed = (codes: readonly string[], whole: readonly WholeList[] = [], checks = false): Step => {
  const scan = scanOfFindings(findings(codes, checks), whole);
  return { kind: 'scan', via: 'hand', isComplete: isFullByHand(scan), scan };
};
const told: Step = { kind: 'clear-told', by: 'hand-held' };
const standing = (...steps: Step[]) => foldCase(makeCase(...steps)).standing;
const failing = (...steps: Step[]) =>
  standing(...steps)
    .codes.filter((c) => c.clearedBy === null)
    .map((c) => c.code.code)
    .sort();

describe('what is typed off a reader’s screen', () => {
  test('a list that is said to be whole replaces the typed list before it, and only that', () => {
    expect(failing(typed(['P0302', 'P0171']), typed(['P0302'], ['confirmed']))).toEqual(['P0302']);
    expect(failing(typed(['P0302', 'P0171']), typed(['P0302']))).toEqual(['P0171', 'P0302']);
    expect(failing(typed(['P0302', 'P0171:pending']), typed([], ['confirmed']))).toEqual(['P0171']);
  });

  test('a full reading by hand names codes, stored conditions and self-checks', () => {
    const full = (whole: readonly WholeList[], checks: boolean) =>
      isFullByHand(scanOfFindings(findings(['P0302'], checks), whole));
    expect(full(['confirmed', 'pending', 'freeze-frames'], true)).toBe(true);
    expect(full(['confirmed', 'pending'], true)).toBe(false);
    expect(full(['confirmed', 'pending', 'freeze-frames'], false)).toBe(false);
  });

  test('whatever is typed, a code that the adapter read and nobody erased stays', () => {
    const whole = fc.subarray<WholeList>(['confirmed', 'pending', 'permanent', 'freeze-frames']);
    const codes = fc.subarray(['P0171', 'P0420', 'P0442:pending']);
    fc.assert(
      fc.property(fc.array(fc.tuple(codes, whole), { maxLength: 4 }), (readings) => {
        const steps = readings.map(([c, w]) => typed(c, w));
        expect(failing(scanEntry(makeScan(['P0302'])), ...steps)).toContain('P0302');
      }),
      { numRuns: 60 },
    );
  });
});

describe('a clear that the owner tells', () => {
  test('erases what the standard reaches, as one that was seen does; units beyond keep theirs', () => {
    const reading = makeScan(['P0302']);
    const brakes = scanEntry({
      ...makeScan(['C0031']),
      codes: [{ code: 'C0031', state: 'confirmed', unit: '6A8' }],
      units: [{ unit: '6A8', name: 'Brakes', hasAnswered: true }],
    });
    expect(failing(scanEntry(reading), brakes, told)).toEqual(['C0031']);
    const seen = standing(scanEntry(reading), { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' });
    const same = standing(scanEntry(reading), told);
    expect(same.codes.map((c) => c.clearedBy !== null)).toEqual(seen.codes.map((c) => c.clearedBy !== null));
    expect([...same.parts].map(([key, p]) => [key, p.status])).toEqual(
      [...seen.parts].map(([key, p]) => [key, p.status]),
    );
    expect(same.clears[0]).toMatchObject({ way: 'told', unit: null, readSince: null });
  });

  test('permanent codes stay, the lamp is asked about again', () => {
    const s = standing(
      { kind: 'lamp', lamp: 'engine', mode: 'steady' },
      scanEntry(makeScan(['P0302', 'P0302:permanent'])),
      told,
    );
    expect(s.codes.filter((c) => c.code.state === 'permanent').map((c) => c.clearedBy)).toEqual([null]);
    expect(s.lamps.get('engine')?.clearedBy).not.toBeNull();
  });

  test('parts wait until somebody reads or types them whole; a typed list alone does not end the wait', () => {
    const before = scanEntry(makeScan(['P0302']));
    const parts = ['confirmed', 'pending', 'readiness'] as const;
    expect(unreadParts(standing(before, told), parts)).toEqual([...parts]);
    expect(unreadParts(standing(before, told, typed([])), parts)).toEqual([...parts]);
    expect(unreadParts(standing(before, told, typed([], ['confirmed', 'pending'])), parts)).toEqual([
      'readiness',
    ]);
    expect(unreadParts(standing(before, told, typed([], ['confirmed', 'pending'], true)), parts)).toEqual([]);
  });

  test('what comes back on the screen comes back; a file says nothing of when', () => {
    const before = scanEntry(makeScan(['P0302']));
    const after = (step: Step) => standing(before, told, step).clears[0];
    expect(
      after(typed(['P0302:pending'], ['confirmed', 'pending']))?.returned.map((r) => r.code.unit),
    ).toEqual([NO_SOURCE]);
    const file: Step = { kind: 'scan', via: 'file', isComplete: false, scan: makeScan(['P0302']) };
    expect(after(file)).toMatchObject({ returned: [], readSince: null });
  });
});

describe('the battery’s lead', () => {
  const off: Step = { kind: 'battery-off' };
  const before = scanEntry(makeScan(['P0302', 'P0420']));

  test('until somebody reads, the codes count as they were', () => {
    expect(failing(before, off)).toEqual(['P0302', 'P0420']);
    expect(standing(before, off).clears[0]).toMatchObject({ way: 'battery-off', readSince: null });
  });

  test('one code kept is a memory kept; none, and it was emptied', () => {
    expect(standing(before, off, scanEntry(makeScan(['P0420']))).clears).toEqual([]);
    const emptied = standing(before, off, scanEntry(makeScan([])));
    expect(emptied.clears[0]?.erased.map((e) => e.code.code).sort()).toEqual(['P0302', 'P0420']);
    expect(emptied.clears[0]?.readSince).toBe('ent_3');
  });

  test('a file between says nothing of it', () => {
    const file: Step = { kind: 'scan', via: 'file', isComplete: false, scan: makeScan(['P0302']) };
    expect(standing(before, off, file).clears[0]).toMatchObject({ readSince: null });
  });
});
