import { describedCodes } from '@pincer/core/codes';
import { MONITOR_NAMES } from '@pincer/core/obd';
import { selfCheckOf } from './index.ts';

describe('the self-check that finds a code', () => {
  test.each([
    ['P0302', 'Misfire', 'drive'],
    ['P0171', 'Fuel system', 'drive'],
    ['P0420', 'Catalyst', 'some-drives'],
    ['P0442', 'EVAP system', 'some-drives'],
    ['P0133', 'Oxygen sensor', 'some-drives'],
    ['P0135', 'Oxygen sensor heater', 'drive'],
    ['P0401', 'EGR', 'some-drives'],
    ['P2002', 'Particulate filter', 'some-drives'],
    ['P0411', 'Secondary air', 'some-drives'],
    // A wire shows as soon as the ignition is on.
    ['P0118', 'Components', 'key-on'],
    ['P0102', 'Components', 'key-on'],
    ['P0353', 'Components', 'key-on'],
  ])('%s: %s, %s', (code, name, within) => {
    expect(selfCheckOf(code)).toMatchObject({ name, within });
  });

  test('other systems than the engine’s have none that the standard tells of', () => {
    for (const code of ['C0035', 'B0020', 'U0121']) expect([code, selfCheckOf(code)]).toEqual([code, null]);
  });

  test('every engine code that is described has one, with monitors that the standard names', () => {
    const named = new Set<string>(Object.keys(MONITOR_NAMES));
    for (const { code } of describedCodes()) {
      if (!code.startsWith('P')) continue;
      const check = selfCheckOf(code);
      expect([code, check?.monitors.every((m) => named.has(m))]).toEqual([code, true]);
      expect(check?.runs).toMatch(/^[a-z]/);
    }
  });
});
