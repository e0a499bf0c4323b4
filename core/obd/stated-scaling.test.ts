import { ScanBuilder, emptyScan, fromHex, type Scan } from './index.ts';

function readingOf(...answers: [source: string, hex: string][]): Scan {
  const builder = new ScanBuilder(emptyScan());
  for (const [source, hex] of answers) builder.add({ source, payload: fromHex(hex) ?? [], isCan: true });
  return builder.finish();
}

const valueOf = (reading: Scan, pid: string, part?: string, source = '7E8') =>
  reading.values.find((v) => v.pid === pid && v.part === part && v.source === source)?.value;

describe('a control unit that states its largest values', () => {
  test('nothing stated: the scale of the standard', () => {
    const reading = readingOf(['7E8', '41 0B 80 4F 00 00 00 00']);
    expect(valueOf(reading, '0B')).toBe(128);
  });

  test('a manifold pressure up to 510 kPa: one step is 2 kPa, whichever was told first', () => {
    // 80 hex is 128 of 255 steps: 128 x 510 / 255 = 256 kPa.
    for (const hex of ['41 0B 80 4F 00 00 00 33', '41 4F 00 00 00 33 0B 80'])
      expect(valueOf(readingOf(['7E8', hex]), '0B')).toBe(256);
  });

  test.each([
    ['air flow up to 1,500 g/s', '41 10 0F A0 50 96 00 00 00', '10', undefined, (4000 * 1500) / 65_535],
    ['lambda up to 4', '41 24 40 00 40 00 4F 04 00 00 00', '24', 'lambda', (0x4000 * 4) / 65_535],
    ['voltage up to 16', '41 24 40 00 40 00 4F 00 10 00 00', '24', 'voltage', (0x4000 * 16) / 65_535],
    ['current up to 64', '41 34 80 00 C0 00 4F 00 00 40 00', '34', 'current', (0x4000 * 64) / 32_768],
    ['commanded lambda up to 4', '41 44 40 00 4F 04 00 00 00', '44', undefined, (0x4000 * 4) / 65_535],
  ] as const)('%s', (_, hex, pid, part, value) => {
    expect(valueOf(readingOf(['7E8', hex]), pid, part)).toBeCloseTo(value, 4);
  });

  test('it holds for the unit that said so, and for what it stored with a code', () => {
    const reading = readingOf(
      ['7E8', '41 4F 00 00 00 33 0B 40'],
      ['7E9', '41 0B 40'],
      ['7E8', '42 02 00 01 01'],
      ['7E8', '42 0B 00 80'],
    );
    expect(valueOf(reading, '0B')).toBe(128);
    expect(valueOf(reading, '0B', undefined, '7E9')).toBe(64);
    expect(reading.freezeFrames[0]?.values.find((v) => v.pid === '0B')?.value).toBe(256);
  });
});

describe('a control unit that states which oxygen sensors it has', () => {
  const named = (reading: Scan, pid: string) => reading.values.find((v) => v.pid === pid)?.name;

  test.each([
    ['41 13 03', '13', 'bank 1 sensor 1, bank 1 sensor 2'],
    ['41 13 33', '13', 'bank 1 sensor 1, bank 1 sensor 2, bank 2 sensor 1, bank 2 sensor 2'],
    ['41 13 00', '13', 'none'],
    ['41 1D 0D', '1D', 'bank 1 sensor 1, bank 2 sensor 1, bank 2 sensor 2'],
    ['41 1D C0', '1D', 'bank 4 sensor 1, bank 4 sensor 2'],
  ])('%s is a list of places', (hex, pid, places) => {
    expect(valueOf(readingOf(['7E8', hex]), pid)).toBe(places);
  });

  test('by PID 1D the third sensor is the first of bank 2, whichever was told first; by PID 13 or nothing it is of bank 1', () => {
    for (const hex of ['41 16 80 FF 1D 0F', '41 1D 0F 16 80 FF'])
      expect(named(readingOf(['7E8', hex]), '16')).toBe('Oxygen sensor, bank 2 sensor 1, voltage');
    expect(named(readingOf(['7E8', '41 13 0F 16 80 FF']), '16')).toBe(
      'Oxygen sensor, bank 1 sensor 3, voltage',
    );
    expect(named(readingOf(['7E8', '41 16 80 FF']), '16')).toBe('Oxygen sensor, bank 1 sensor 3, voltage');
    // What one unit states says nothing of another's.
    expect(named(readingOf(['7E9', '41 1D 0F'], ['7E8', '41 16 80 FF']), '16')).toBe(
      'Oxygen sensor, bank 1 sensor 3, voltage',
    );
  });
});
