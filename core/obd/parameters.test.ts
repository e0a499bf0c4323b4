import fc from 'fast-check';
import {
  PARAMETERS,
  decodeParameter,
  encodeParameter,
  fromHex,
  parameterLength,
  supportBitmap,
  supportedPids,
} from './index.ts';

/** Worked examples: PID, data bytes, part or null, value, unit. */
const EXAMPLES: [number, string, string | null, number | string | null, string][] = [
  [0x04, 'FF', null, 100, '%'],
  [0x05, '00', null, -40, '°C'],
  [0x05, '7B', null, 83, '°C'],
  [0x06, '80', null, 0, '%'],
  [0x07, '00', null, -100, '%'],
  [0x09, 'FF', null, 99.21875, '%'],
  [0x0a, 'FF', null, 765, 'kPa'],
  [0x0b, '65', null, 101, 'kPa'],
  [0x0c, '1A F8', null, 1726, 'rpm'],
  [0x0d, '52', null, 82, 'km/h'],
  [0x0e, '80', null, 0, '°'],
  [0x0f, '34', null, 12, '°C'],
  [0x10, '0F A0', null, 40, 'g/s'],
  [0x14, '5A 80', 'voltage', 0.45, 'V'],
  [0x14, '5A FF', 'short-term trim', null, '%'],
  [0x15, '8C 80', 'short-term trim', 0, '%'],
  [0x1c, '06', null, 'EOBD (Europe)', ''],
  [0x1c, 'F0', null, 'reserved (240)', ''],
  [0x1f, '02 58', null, 600, 's'],
  [0x21, '00 0B', null, 11, 'km'],
  [0x22, '0C 5A', null, 249.798, 'kPa'],
  [0x23, '01 90', null, 4000, 'kPa'],
  [0x24, '80 00 40 00', 'lambda', 1, 'λ'],
  [0x24, '80 00 40 00', 'voltage', 2, 'V'],
  [0x2d, '80', null, 0, '%'],
  [0x32, 'FF FC', null, -1, 'Pa'],
  [0x34, '80 00 80 00', 'current', 0, 'mA'],
  [0x3c, '11 94', null, 410, '°C'],
  [0x42, '37 DC', null, 14.3, 'V'],
  [0x43, '00 FF', null, 100, '%'],
  [0x44, '80 00', null, 1, 'λ'],
  [0x4f, '02 05 80 FF', 'manifold pressure', 2550, 'kPa'],
  [0x50, '64 00 00 00', null, 1000, 'g/s'],
  [0x51, '04', null, 'diesel', ''],
  [0x54, '80 00', null, -32768, 'Pa'],
  [0x5c, '82', null, 90, '°C'],
  [0x5d, '69 00', null, 0, '°'],
  [0x5e, '00 64', null, 5, 'L/h'],
  [0x61, '7D', null, 0, '%'],
  [0x66, '01 01 40 00 00', 'sensor A', 10, 'g/s'],
  [0x66, '01 01 40 12 34', 'sensor B', null, 'g/s'],
  [0x67, '03 7B 7D', 'sensor 2', 85, '°C'],
  [0x69, '07 80 40 80 00 00 00', 'error A', 0, '%'],
  [0x70, '03 0C 80 0C 00 00 00 00 00 00', 'commanded A', 100, 'kPa'],
  [0x7a, '01 FF 9C 00 00 00 00', 'pressure difference', -1, 'kPa'],
  [0x83, '03 00 64 FF FF 00 00 00 00', 'bank 1 sensor 1', 100, 'ppm'],
  [0x83, '03 00 64 FF FF 00 00 00 00', 'bank 1 sensor 2', null, 'ppm'],
  [0x70, '04 00 00 00 00 00 00 00 00 02', 'control A', 'closed loop', ''],
  [0x74, '01 2E E0 00 00', 'turbocharger A', 120_000, 'rpm'],
  [0x74, '01 2E E0 00 00', 'turbocharger B', null, 'rpm'],
  [0x7d, '05', 'in an area that is excepted', 'yes', ''],
  [0x81, `01 00 00 0E 10 00 00 00 3C${' 00'.repeat(32)}`, 'strategy 1, timer 1', 3600, 's'],
  [0x8a, `10${' 00'.repeat(36)} 00 00 00 3C`, 'strategy 20, timer 2', 60, 's'],
  [0x88, '00 81 00 00 01 F4 27 10 00 00 00 00 00', 'reagent level too low', 'yes', ''],
  [0x88, '00 81 00 00 01 F4 27 10 00 00 00 00 00', 'inducement', 'active', ''],
  [0x8b, '7F 03 80 01 2C 02 58', 'soot towards the next regeneration', 50.1960784, '%'],
  [0x8b, '7F 03 80 01 2C 02 58', 'mean distance between regenerations', 600, 'km'],
  [0x8b, '01 03 80 01 2C 02 58', 'mean distance between regenerations', null, 'km'],
  [0x8c, `11 33 33 ${'00 00 '.repeat(3)}20 00${' 00'.repeat(6)}`, 'bank 1 sensor 1 oxygen', 20, '%'],
  [0x8c, `11 33 33 ${'00 00 '.repeat(3)}20 00${' 00'.repeat(6)}`, 'bank 1 sensor 1 lambda', 1.000015, 'λ'],
  [0x8f, '03 01 FF 9C 00 00 00', 'bank 1 signal', -1, '%'],
  [0x90, '52 00 0A', 'light', 'steady', ''],
  [0x92, '03 01', 'injected quantity 1', 'open loop', ''],
  [0x94, '03 21 00 18 00 00 00 00 00 00 00 00', 'inducement level 3', 'ready', ''],
  [0x94, '03 21 00 18 00 00 00 00 00 00 00 00', 'reagent quality wrong for', 24, 'h'],
  [0x9a, '07 01 64 00 FF 38', 'battery voltage', 400, 'V'],
  [0x9a, '07 01 64 00 FF 38', 'battery current', -20, 'A'],
  [0x9b, '3F 82 3C FF', 'reagent', 'right', ''],
  [0x9b, '3F 82 3C FF', 'concentration', 32.5, '%'],
  [0x9f, '02 00 80 00 00 00 00 00 00', 'system B bank 1', 50.1960784, '%'],
  [0xa3, '02 00 00 FF FE 00 00 00 00', 'sensor A, wide range', -4, 'Pa'],
  [0xa5, '03 64 27 10 ', 'used this trip', 5, 'L'],
  [0xa9, '01 01 00 00', 'antilock brakes switched off', 'yes', ''],
  [0xc5, '0C 5A 00 00', 'sensor A', 249.798, 'kPa'],
  [0xa4, '03 30 03 E8', 'gear', 3, ''],
  [0xa4, '03 30 03 E8', 'ratio', 1, ''],
  [0xa6, '00 19 B2 4C', null, 168_404.4, 'km'],
];

describe('service 01 parameters', () => {
  test.each(EXAMPLES)('PID %i, %s, part %s', (pid, hex, part, value, unit) => {
    const rows = decodeParameter('01', pid, fromHex(hex) ?? [], '7E8');
    const row = rows.find((r) => (r.part ?? null) === part);
    expect(row).toBeDefined();
    expect(row?.unit).toBe(unit);
    if (typeof value === 'number') expect(row?.value).toBeCloseTo(value, 5);
    else expect(row?.value).toBe(value);
  });

  test('enumerations carry their number in raw', () => {
    const [first, second] = decodeParameter('01', 0x03, [0x02, 0x00], '7E8');
    expect(first).toMatchObject({ value: 'closed loop', raw: 2 });
    expect(second).toMatchObject({ value: 'not in use', raw: 0 });
  });

  test('raw is the number as sent, before any scale', () => {
    expect(decodeParameter('01', 0x0c, [0x1a, 0xf8], '7E8')[0]?.raw).toBe(0x1af8);
    expect(
      decodeParameter('01', 0x65, [0x02, 0x02], '7E8').find(
        (r) => r.part === 'automatic transmission in neutral',
      ),
    ).toMatchObject({
      value: 'in park or neutral',
      raw: 1,
    });
  });

  test('the table is in order, without doubles, and every part fits its bytes', () => {
    expect(PARAMETERS.length).toBeGreaterThan(150);
    expect(PARAMETERS.filter((p) => p.parts.length === 0)).toEqual([]);
    const pids = PARAMETERS.map((p) => p.pid);
    expect(pids).toEqual([...new Set(pids)].sort((a, b) => a - b));
    for (const p of PARAMETERS) {
      expect(parameterLength(p.pid)).toBe(p.bytes);
      for (const part of p.parts) expect(part.at + part.size).toBeLessThanOrEqual(p.bytes);
      expect(new Set(p.parts.map((x) => x.part)).size).toBe(p.parts.length);
    }
  });

  test('a value that is encoded comes back within half a step', () => {
    const scaled = PARAMETERS.filter((p) => p.parts.every((x) => !x.names));
    fc.assert(
      fc.property(fc.constantFrom(...scaled), fc.double({ min: 0, max: 1, noNaN: true }), (p, share) => {
        const values = p.parts.map((part) => {
          const steps = part.mask === undefined ? 256 ** part.size - 1 : part.mask >> part.shift;
          const low = part.isSigned ? -(steps + 1) / 2 : 0;
          // The highest number is kept for "not available" in some, so stay one below.
          return (low + Math.floor(share * (steps - 1))) * part.scale + part.offset;
        });
        const rows = decodeParameter('01', p.pid, encodeParameter(p.pid, values), '7E8');
        p.parts.forEach((part, i) => {
          expect(Math.abs(Number(rows[i]?.value) - (values[i] ?? 0))).toBeLessThanOrEqual(
            Math.abs(part.scale) / 2 + 1e-6,
          );
        });
      }),
    );
  });

  test('support bitmaps both ways', () => {
    expect(supportedPids(0x00, [0xbe, 0x3e, 0xb8, 0x11])).toEqual([
      0x01, 0x03, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0e, 0x0f, 0x11, 0x13, 0x14, 0x15, 0x1c, 0x20,
    ]);
    fc.assert(
      fc.property(
        fc.constantFrom(0x00, 0x20, 0x40, 0xa0),
        fc.uniqueArray(fc.integer({ min: 1, max: 32 })),
        (base, offsets) => {
          const pids = offsets.map((o) => base + o).sort((a, b) => a - b);
          expect(supportedPids(base, supportBitmap(base, pids))).toEqual(pids);
        },
      ),
    );
  });

  test('short data leave the missing parts out instead of guessing', () => {
    expect(decodeParameter('01', 0x24, [0x80, 0x00], '7E8').map((r) => r.part)).toEqual(['lambda']);
  });
});
