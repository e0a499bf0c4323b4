import fc from 'fast-check';
import { compareVins, withCheckDigit } from './index.ts';

const OURS = 'ZZ9TR1F46CH000302';

describe('the number that the car reports against the one on file', () => {
  test('same, whatever case and spaces the owner wrote', () => {
    expect(compareVins(OURS, ' zz9 tr1f4-6ch000302 ')).toMatchObject({ verdict: 'same', mayMean: [] });
  });

  test('one character off is likely a slip, and it says which', () => {
    const one = compareVins(OURS, 'ZZ9TR1F46CH000303');
    expect(one).toMatchObject({ verdict: 'different', differsAt: [17] });
    expect(one.sentence).toMatch(/character 17 differs/);
    expect(one.mayMean[0]).toMatch(/slip/);
    const other = compareVins(OURS, withCheckDigit('ZZ9KB2T40DM065011'));
    expect(other.differsAt.length).toBeGreaterThan(5);
    expect(other.mayMean[0]).toMatch(/another vehicle/);
    expect(other.mayMean.join(' ')).toMatch(/before you buy/);
  });

  test('unreadable is not different: too short, filled with zeros or question marks', () => {
    for (const reported of ['ZZ9TR1F46CH00030', '?'.repeat(17), 'ZZ9TR1F46CHOOO302', '-'.repeat(17)])
      expect([reported, compareVins(reported, OURS).verdict]).toEqual([reported, 'unreadable']);
    expect(compareVins('ZZ9TR1F46CH00030', OURS).mayMean[0]).toMatch(/read again/);
  });

  test('not reported, and nothing on file', () => {
    expect(compareVins(undefined, OURS).verdict).toBe('not-reported');
    expect(compareVins('  ', OURS).verdict).toBe('not-reported');
    expect(compareVins(OURS, undefined).verdict).toBe('not-on-file');
    expect(compareVins(OURS, '').verdict).toBe('not-on-file');
  });

  test('property: never an exception, and "same" only for equal numbers', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.string({ maxLength: 20 }), (a, b) => {
        const { verdict } = compareVins(a, b);
        if (verdict === 'same')
          expect(a.toUpperCase().replace(/[\s-]/g, '')).toBe(b.toUpperCase().replace(/[\s-]/g, ''));
      }),
    );
  });
});
