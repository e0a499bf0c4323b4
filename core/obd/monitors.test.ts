import fc from 'fast-check';
import { MONITOR_NAMES, decodeMonitorBytes, encodeMonitorBytes, type MonitorId } from './index.ts';

describe('self-checks (PID 01 and 41)', () => {
  test('a petrol car with the lamp on and two codes', () => {
    const status = decodeMonitorBytes([0x82, 0x07, 0x65, 0x04]);
    expect(status).toMatchObject({ lampOn: true, storedCodes: 2, ignition: 'spark' });
    expect(Object.fromEntries(status?.monitors.map((m) => [m.monitor, m.complete]) ?? [])).toEqual({
      misfire: true,
      fuel: true,
      components: true,
      catalyst: true,
      evaporative: false,
      'oxygen-sensor': true,
      'oxygen-heater': true,
    });
  });

  test('a diesel has its own list', () => {
    const status = decodeMonitorBytes([0x00, 0x0f, 0xeb, 0x01]);
    expect(status?.ignition).toBe('compression');
    expect(status?.monitors.filter((m) => !m.complete).map((m) => m.monitor)).toEqual(['nmhc-catalyst']);
    expect(status?.monitors.map((m) => m.monitor)).toContain('particulate-filter');
  });

  test('continuous checks may be unready too', () => {
    expect(decodeMonitorBytes([0, 0x77, 0, 0])?.monitors.every((m) => !m.complete)).toBe(true);
  });

  test('fewer than four bytes say nothing', () => {
    expect(decodeMonitorBytes([0x82, 0x07, 0x65])).toBeNull();
  });

  test('encode and decode are inverse for any set of checks', () => {
    const spark: MonitorId[] = [
      'misfire',
      'fuel',
      'components',
      'catalyst',
      'heated-catalyst',
      'evaporative',
      'secondary-air',
      'oxygen-sensor',
      'oxygen-heater',
      'egr',
    ];
    expect(spark.every((m) => m in MONITOR_NAMES)).toBe(true);
    fc.assert(
      fc.property(
        fc.subarray(spark),
        fc.array(fc.boolean(), { minLength: 10, maxLength: 10 }),
        fc.boolean(),
        fc.nat(127),
        (set, done, lampOn, storedCodes) => {
          const monitors = set.map((monitor, i) => ({ monitor, complete: done[i] ?? false }));
          const back = decodeMonitorBytes(
            encodeMonitorBytes({ lampOn, storedCodes, ignition: 'spark', monitors }),
          );
          expect(back).toEqual({ lampOn, storedCodes, ignition: 'spark', monitors });
        },
      ),
    );
  });
});
