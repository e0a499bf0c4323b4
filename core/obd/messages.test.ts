import fc from 'fast-check';
import { ScanBuilder, emptyScan, fromHex, scanSchema, type Scan, milOf } from './index.ts';

function read(...answers: [string, string, boolean?][]): Scan {
  const builder = new ScanBuilder(emptyScan());
  for (const [source, hex, isCan = true] of answers)
    builder.add({ source, payload: fromHex(hex) ?? [], isCan });
  return builder.finish();
}

describe('answers of the control units', () => {
  test('codes of each service get their state and their unit', () => {
    const r = read(['7E8', '43 02 01 43 01 96'], ['7E9', '47 01 07 00'], ['7E8', '4A 01 01 43']);
    expect(r.codes).toEqual([
      { code: 'P0143', state: 'confirmed', unit: '7E8' },
      { code: 'P0196', state: 'confirmed', unit: '7E8' },
      { code: 'P0700', state: 'pending', unit: '7E9' },
      { code: 'P0143', state: 'permanent', unit: '7E8' },
    ]);
  });

  test('older protocols have no count and fill up with zeros', () => {
    expect(read(['10', '43 01 33 00 00 00 00', false]).codes).toEqual([
      { code: 'P0133', state: 'confirmed', unit: '10' },
    ]);
  });

  test('a count that promises more than came is an error, and what came is kept', () => {
    const r = read(['7E8', '43 03 01 43']);
    expect(r.codes).toHaveLength(1);
    expect(r.errors[0]).toMatchObject({ kind: 'incomplete' });
  });

  test('several readings in one answer are told apart by their lengths', () => {
    const r = read(['7E8', '41 0C 1A F8 0D 52 05 7B']);
    expect(r.values.map((v) => [v.pid, v.value])).toEqual([
      ['0C', 1726],
      ['0D', 82],
      ['05', 83],
    ]);
  });

  test('a reading that is not described is kept raw when it stands alone, and stops a group', () => {
    expect(read(['7E8', '41 D5 12 34']).values[0]).toMatchObject({ pid: 'D5', value: null, raw: '1234' });
    expect(read(['7E8', '41 0D 52 D5 12']).errors[0]).toMatchObject({ kind: 'unknown-reading' });
  });

  test('lamps of all units are one: on if any is on, counts added', () => {
    const r = read(['7E8', '41 01 82 07 65 04'], ['7E9', '41 01 01 04 00 00']);
    expect(milOf(r)).toEqual({ on: true, count: 3 });
    expect(r.monitors.filter((m) => m.unit === '7E9')).toEqual([
      { unit: '7E9', span: 'since-clear', monitor: 'components', name: 'Components', complete: true },
    ]);
  });

  test('units that cannot be told apart: the lamp of either is on, a check has run only if it ran in both', () => {
    for (const answers of [
      ['41 01 82 07 65 04', '41 01 00 04 00 00'],
      ['41 01 00 04 00 00', '41 01 82 07 65 04'],
    ]) {
      const r = read(...answers.map((a): [string, string] => ['unknown', a]));
      expect(milOf(r)).toEqual({ on: true, count: 2 });
      expect(r.monitors.filter((m) => !m.complete).map((m) => m.monitor)).toEqual(['evaporative']);
      expect(r.monitors.filter((m) => m.monitor === 'components')).toHaveLength(1);
    }
  });

  test('monitors of this drive stand apart from those since the clear', () => {
    const r = read(['7E8', '41 01 00 07 65 00'], ['7E8', '41 41 00 07 65 65']);
    expect(r.monitors.filter((m) => m.span === 'this-cycle' && !m.complete).map((m) => m.monitor)).toEqual([
      'catalyst',
      'evaporative',
      'oxygen-sensor',
      'oxygen-heater',
    ]);
    expect(r.monitors.filter((m) => m.span === 'since-clear').every((m) => m.complete)).toBe(true);
  });

  test('stored conditions belong to the code that stored them', () => {
    const r = read(['7E8', '42 02 00 03 02'], ['7E8', '42 0C 00 1D D8 05 00 3E']);
    expect(r.freezeFrames).toHaveLength(1);
    expect(r.freezeFrames[0]).toMatchObject({ code: 'P0302', frame: 0, unit: '7E8' });
    expect(r.freezeFrames[0]?.values.map((v) => [v.service, v.pid, v.value])).toEqual([
      ['02', '0C', 1910],
      ['02', '05', 22],
    ]);
  });

  test('no code at the stored conditions means that there are none', () => {
    expect(read(['7E8', '42 02 00 00 00']).freezeFrames).toEqual([]);
  });

  test('on-board tests carry scaled values and limits', () => {
    const r = read(['7E8', '46 01 01 0A 0B B8 00 00 0F A0 21 80 0C 00 64 00 00 FF FF']);
    expect(r.values[0]).toMatchObject({
      service: '06',
      pid: '01',
      part: '01',
      unit: 'mV',
      value: 366,
      max: 488,
      raw: 3000,
    });
    expect(r.values[1]).toMatchObject({ pid: '21', part: '80', unit: 'V', value: 1 });
    // 0000 and FFFF say that there is no limit on that side; with signed scaling 8000 and 7FFF do.
    expect(r.values.map((v) => ['min' in v, 'max' in v])).toEqual([
      [false, true],
      [false, false],
    ]);
    const signed = read(['7E8', '46 3D 81 FE FF 9C 80 00 00 64']).values[0];
    expect(signed).toMatchObject({ value: -25, unit: 'Pa', max: 25 });
    expect(signed).not.toHaveProperty('min');
    const lower = read(['7E8', '46 3D 82 FE 00 64 00 00 7F FF']).values[0];
    expect(lower).toMatchObject({ value: 25, min: 0 });
    expect(lower).not.toHaveProperty('max');
  });

  test('the older protocols number the parts of the vehicle number, in any order', () => {
    const parts = [
      '49 02 01 00 00 00 31',
      '49 02 02 44 34 47 50',
      '49 02 03 30 30 52 35',
      '49 02 04 35 42 31 32',
      '49 02 05 33 34 35 36',
    ];
    expect(read(...parts.map((p): [string, string, boolean] => ['10', p, false])).vin).toBe(
      '1D4GP00R55B123456',
    );
    expect(read(...[...parts].reverse().map((p): [string, string, boolean] => ['10', p, false])).vin).toBe(
      '1D4GP00R55B123456',
    );
    const lost = read(
      ...parts.filter((_, i) => i !== 2).map((p): [string, string, boolean] => ['10', p, false]),
    );
    expect(lost.vin).toBeUndefined();
    expect(lost.errors[0]).toMatchObject({ kind: 'incomplete' });
  });

  test('calibration ids and verification numbers of several parts', () => {
    const text = (s: string) =>
      Array.from(s.padEnd(16, '\0'))
        .map((c) => c.charCodeAt(0).toString(16).padStart(2, '0'))
        .join(' ');
    const r = read(
      ['7E8', `49 04 02 ${text('TF14-A')} ${text('TF14-B')}`],
      ['7E8', '49 06 02 5E 1C 90 B7 00 00 00 01'],
    );
    expect(r.identities).toEqual([
      { unit: '7E8', calibrationIds: ['TF14-A', 'TF14-B'], verificationNumbers: ['5E1C90B7', '00000001'] },
    ]);
  });

  test('a refusal says why, in words; "more time" is not a refusal', () => {
    expect(read(['7E8', '7F 04 22']).errors[0]?.message).toMatch(/conditions are not right/);
    expect(read(['7E8', '7F 22 78']).errors).toEqual([]);
  });

  test('UDS codes keep status byte and failure type; checks that never failed are no codes', () => {
    const r = read(['7E8', '59 02 FF 01 71 00 2F 03 02 1A 24 04 20 00 50 C1 00 87 20']);
    expect(r.codes).toEqual([
      { code: 'P0171', state: 'confirmed', unit: '7E8', statusByte: 0x2f, failureType: '00' },
      { code: 'P0302', state: 'pending', unit: '7E8', statusByte: 0x24, failureType: '1A' },
      { code: 'U0100', state: 'history', unit: '7E8', statusByte: 0x20, failureType: '87' },
    ]);
  });

  test('no sequence of bytes crashes it, and the result always fits the schema', () => {
    const answer = fc.record({
      source: fc.constantFrom('7E8', '10', 'unknown'),
      payload: fc.oneof(
        fc.uint8Array({ maxLength: 40 }).map((a) => [...a]),
        // Likelier to get deep: a known service first.
        fc
          .tuple(
            fc.constantFrom(0x41, 0x42, 0x43, 0x46, 0x47, 0x49, 0x4a, 0x59, 0x7f),
            fc.uint8Array({ maxLength: 60 }),
          )
          .map(([s, a]) => [s, ...a]),
      ),
      isCan: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(answer, { maxLength: 12 }), (answers) => {
        const builder = new ScanBuilder(emptyScan());
        for (const a of answers) builder.add(a);
        expect(scanSchema.safeParse(builder.finish()).success).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});
