import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const closing = (...steps: Step[]) => assess(makeCase(...steps), CAR, NOW).closing;
const lit: Step = { kind: 'lamp', lamp: 'engine', mode: 'steady' };
const clear: Step = { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' };
const good: Step = { kind: 'drive', metConditions: 'yes', cameBack: 'no' };
const repair: Step = { kind: 'repair', cause: 'coil-boot:2', cost: 14 };

describe('closing as fixed', () => {
  test('not with the light commanded on, nor after a return; a light that was seen is asked about', () => {
    expect(closing(scanEntry(makeScan(['P0302'])), repair).fixedBlocked?.id).toBe('commanded');
    expect(closing(lit, repair).fixedBlocked?.id).toBe('seen');
    expect(closing({ ...lit, mode: 'out' }, repair).fixedBlocked).toBeNull();
    expect(
      closing(scanEntry(makeScan(['P0302'])), repair, clear, good, scanEntry(makeScan(['P0302:pending'])))
        .fixedBlocked?.id,
    ).toBe('returned');
    // What the car commands now outranks what was seen before.
    expect(closing(lit, scanEntry(makeScan([])), repair).fixedBlocked).toBeNull();
  });

  test('unproven is possible and says what is lacking; proven lacks nothing', () => {
    const begun = [scanEntry(makeScan(['P0302'])), repair, clear] as const;
    expect(closing(...begun)).toMatchObject({ isProven: false, lacks: 'The codes were not read since.' });
    expect(closing(...begun, scanEntry(makeScan([]))).lacks).toMatch(/self-check “Misfire” has not run/);
    expect(closing(...begun, good, good, good, good, scanEntry(makeScan([])))).toMatchObject({
      isProven: true,
      lacks: null,
      cost: 14,
      causes: [{ id: 'coil-boot:2' }],
    });
  });
});
