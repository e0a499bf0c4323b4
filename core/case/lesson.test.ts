import { makeCase } from '../test/make-case.ts';
import { lessonOf } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const lesson = (...steps: Step[]) => lessonOf(makeCase(...steps));
const fixed: Step = { kind: 'closed', outcome: 'fixed', cause: 'coil-boot:2', isProven: true };

describe('what a closed case teaches', () => {
  test('the cause without its cylinder, what it cost and took', () => {
    expect(
      lesson({ kind: 'repair', cause: 'coil-boot:2', cost: 14, minutes: 30 }, { ...fixed, cost: 99 }),
    ).toMatchObject({ cause: 'coil-boot', cost: 14, minutes: 30, isProven: true });
    // Told at the end only, where the repair itself says nothing.
    expect(lesson({ kind: 'repair', cause: 'coil-boot:2' }, { ...fixed, cost: 99 })).toMatchObject({
      cost: 99,
      minutes: null,
    });
    // A workshop’s bill is no price of a part.
    expect(
      lesson({ kind: 'repair', cause: 'coil-boot:2', by: 'workshop', cost: 210 }, { ...fixed, cost: 210 }),
    ).toMatchObject({ cost: null, shop: 210, minutes: null });
    expect(
      lesson({ kind: 'repair', cause: 'coil-boot:2', by: 'workshop' }, { ...fixed, cost: 210 }),
    ).toMatchObject({
      cost: null,
      shop: 210,
    });
    // Money spent on what it was not is no price of what it was.
    expect(lesson({ kind: 'repair', cause: 'plug:2', cost: 32 }, fixed)).toMatchObject({ cost: null });
  });

  test.each<[string, Step[]]>([
    ['open', [{ kind: 'repair', cause: 'coil-boot:2' }]],
    ['closed without a cause', [{ kind: 'closed', outcome: 'fixed' }]],
    ['given up', [{ kind: 'closed', outcome: 'given-up', cause: 'coil-boot:2' }]],
    ['opened again by a lamp', [fixed, { kind: 'lamp', lamp: 'engine', mode: 'steady' }]],
    [
      'opened again by a fault seen on a drive',
      [fixed, { kind: 'drive', metConditions: 'yes', cameBack: 'yes' }],
    ],
  ])('nothing: %s', (_, steps) => {
    expect(lesson(...steps)).toBeNull();
  });

  test('a good drive afterwards opens nothing', () => {
    expect(lesson(fixed, { kind: 'drive', metConditions: 'yes', cameBack: 'no' })?.cause).toBe('coil-boot');
  });

  test('struck out, it is forgotten', () => {
    const record = makeCase(fixed);
    const struck = {
      kind: 'retracted',
      id: 'ent_8',
      at: '2026-11-03T10:00:00.000Z',
      entry: 'ent_1',
      reason: 'wrong',
    } as const;
    expect(lessonOf({ ...record, entries: [...record.entries, struck] })).toBeNull();
  });
});
