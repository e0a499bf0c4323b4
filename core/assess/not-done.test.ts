import { DEFAULT_OWNER, NOT_DONE, foldCase, type CaseRecord } from '@pincer/core/case';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { assess, handover } from './index.ts';

const WET: Parameters<typeof makeCase> = [
  { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
  saw('sign:shakes'),
  scanEntry(makeScan(['P0302'], { '0C': 740, '0D': 0, '05': 21 })),
];
const view = (record: CaseRecord) => assess(record, CAR, NOW);
const before = view(makeCase(...WET));
const first = before.checks[0]?.id ?? '';

describe('a check that has no result', () => {
  test.each(NOT_DONE)('%s: costs nothing and says nothing', (reason) => {
    const after = view(makeCase(...WET, { kind: 'check-not-done', check: first, reason }));
    expect(after.causes).toEqual(before.causes);
    expect(after.allowance).toEqual(before.allowance);
    expect(after.facts).toEqual(before.facts);
    expect(after.options).toEqual(before.options);
  });

  test.each(['could-not', 'unsure'] as const)(
    '%s: another comes next, and it can still be done',
    (reason) => {
      const after = view(makeCase(...WET, { kind: 'check-not-done', check: first, reason }));
      expect(after.checks[0]?.id).toBe(before.checks[1]?.id);
      expect(after.checks.at(-1)).toMatchObject({ id: first, notDone: reason, isWorthIt: false });
      expect(after.checks).toHaveLength(before.checks.length);
    },
  );

  test('what the vehicle has no part for is not offered again', () => {
    const after = view(makeCase(...WET, { kind: 'check-not-done', check: first, reason: 'has-none' }));
    expect(after.checks.map((c) => c.id)).toEqual(
      before.checks.map((c) => c.id).filter((id) => id !== first),
    );
  });

  test('what was found before still holds, and a result that comes later counts', () => {
    const soft = { kind: 'check', check: 'pedal-hold', outcome: 'something' } as const;
    const left = { kind: 'check-not-done', check: 'pedal-hold', reason: 'unsure' } as const;
    const lamp = { kind: 'lamp', lamp: 'engine', mode: 'steady' } as const;
    expect(view(makeCase(lamp, left)).allowance.level).not.toBe('stop-here');
    for (const entries of [[soft], [soft, left], [left, soft]])
      expect(view(makeCase(lamp, ...entries)).allowance.level).toBe('stop-here');
    expect(foldCase(makeCase(left, soft)).standing.checksNotDone.size).toBe(0);
  });

  test('the handover tells the workshop what could not be done', () => {
    const record = makeCase(...WET, { kind: 'check-not-done', check: first, reason: 'could-not' });
    const sheet = handover(foldCase(record), CAR, DEFAULT_OWNER, view(record), false);
    expect(sheet.parts.find((p) => p.title === 'Not touched')?.lines).toContain(
      `${before.checks[0]?.title}: could not be done.`,
    );
  });
});
