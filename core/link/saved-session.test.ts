import { milOf } from '@pincer/core/obd';
import fc from 'fast-check';
import { scanSchema, type Scan } from '@pincer/core/obd';
import { decodeFileText, decodeSavedSession, interpretLines, isNothingFound } from './index.ts';

/** One session written in every way that terminals and settings write it. */
function session(echo: boolean, spaces: boolean, headers: boolean, newline: string): string {
  const put = (hex: string) => (spaces ? hex.match(/../g)?.join(' ') : hex) ?? '';
  const single = (payload: string, unit = '7E8') => {
    const length = (payload.length / 2).toString(16).toUpperCase().padStart(2, '0');
    if (!headers) return put(payload);
    return `${unit}${spaces ? ' ' : ''}${put(length + payload.padEnd(14, '0'))}`;
  };
  const vin = headers
    ? ['1014490201314434', '2147503030523535', '2242313233343536'].map(
        (f) => `7E8${spaces ? ' ' : ''}${put(f)}`,
      )
    : [
        '014',
        `0:${spaces ? ' ' : ''}${put('490201314434')}`,
        `1:${spaces ? ' ' : ''}${put('47503030523535')}`,
        `2:${spaces ? ' ' : ''}${put('42313233343536')}`,
      ];
  const exchanges: [string, string[]][] = [
    ['ATZ', ['STAND-IN v1.0']],
    ['ATRV', ['12.6V']],
    ['0100', ['SEARCHING...', single('4100BE3EB811')]],
    ['ATDPN', ['A6']],
    ['0101', [single('410182076504')]],
    ['03', [single('430203020171')]],
    ['07', ['NO DATA']],
    ['0902', vin],
    ['010C', [single('410C1AF8')]],
  ];
  return (
    exchanges
      .map(
        ([request, lines]) => `>${echo ? request : ''}${newline}${lines.join(newline)}${newline}${newline}`,
      )
      .join('') + '>'
  );
}

function expectTheSession(r: Scan, unit: string): void {
  expect(r.vin).toBe('1D4GP00R55B123456');
  expect(milOf(r)).toEqual({ on: true, count: 2 });
  expect(r.codes).toEqual([
    { code: 'P0302', state: 'confirmed', unit },
    { code: 'P0171', state: 'confirmed', unit },
  ]);
  expect(r.values.find((v) => v.pid === '0C')).toMatchObject({
    service: '01',
    value: 1726,
    unit: 'rpm',
    source: unit,
    raw: 6904,
  });
  expect(r.errors.map((e) => e.kind)).toEqual(['no-data']);
}

describe('saved adapter sessions', () => {
  for (const echo of [true, false])
    for (const spaces of [true, false])
      for (const headers of [true, false])
        for (const newline of ['\r\n', '\r', '\n'])
          test(`echo ${echo}, spaces ${spaces}, headers ${headers}, line end ${JSON.stringify(newline)}`, () => {
            const r = decodeSavedSession(session(echo, spaces, headers, newline));
            expectTheSession(r, headers ? '7E8' : 'unknown');
            if (echo) expect(r.adapterVolts).toBe(12.6);
          });

  test('the terminal’s own echo above the adapter’s is no second request', () => {
    const r = decodeSavedSession('>010C\n010C\n7E8 04 41 0C 1A F8\n\n>');
    expect(r.values).toHaveLength(1);
    expect(r.errors).toEqual([]);
  });

  test('29-bit ids', () => {
    const spaced = decodeSavedSession('>03\n18 DA F1 10 04 43 01 03 02\n18 DA F1 18 02 43 00\n>');
    expect(spaced.codes).toEqual([{ code: 'P0302', state: 'confirmed', unit: '18DAF110' }]);
    expect(decodeSavedSession('>03\n18DAF1100443010302\n>').codes).toEqual(spaced.codes);
  });

  test('several control units interleaved', () => {
    const r = decodeSavedSession(
      '>03\n7E8 10 0A 43 04 03 01 03 02\n7E9 02 43 00\n7E8 21 03 03 03 04 00 00 00\n>',
    );
    expect(r.codes.map((c) => c.code)).toEqual(['P0301', 'P0302', 'P0303', 'P0304']);
  });

  test('the older protocols, with and without headers', () => {
    const headers = decodeSavedSession(
      '>03\n48 6B 10 43 01 33 00 00 00 00 3A\n>0902\n48 6B 10 49 02 01 00 00 00 31 40\n>',
    );
    expect(headers.codes).toEqual([{ code: 'P0133', state: 'confirmed', unit: '10' }]);
    expect(decodeSavedSession('>03\n43 01 33 00 00 00 00\n>').codes[0]).toMatchObject({
      code: 'P0133',
      unit: 'unknown',
    });
    const kwp = decodeSavedSession('>010C\n84 F1 11 41 0C 1A F8 E5\n>');
    expect(kwp.values[0]).toMatchObject({ value: 1726, source: '11' });
  });

  test('a wrong checksum is an error with its line, and the answer is not used', () => {
    const r = decodeSavedSession('>010C\n48 6B 10 41 0C 1A F8 00\n>');
    expect(r.values).toEqual([]);
    expect(r.errors).toEqual([expect.objectContaining({ kind: 'checksum', line: 2 })]);
  });

  test.each([
    ['?', 'unknown-command'],
    ['NO DATA', 'no-data'],
    ['CAN ERROR', 'can-error'],
    ['BUS INIT: ...ERROR', 'bus-init'],
    ['BUS INIT: ERROR', 'bus-init'],
    ['BUS ERROR', 'bus-error'],
    ['BUS BUSY', 'bus-busy'],
    ['FB ERROR', 'feedback'],
    ['UNABLE TO CONNECT', 'unable-to-connect'],
    ['STOPPED', 'stopped'],
    ['BUFFER FULL', 'buffer-full'],
    ['7E8 06 41 00 BE <DATA ERROR', 'data-error'],
    ['7E8 06 41 <RX ERROR', 'data-error'],
    ['LV RESET', 'low-voltage-reset'],
    ['ACT ALERT', 'power-alert'],
    ['ERR94', 'adapter-error'],
    ['SEARCHING...UNABLE TO CONNECT', 'unable-to-connect'],
    ['7E8 06 41 00 BE', 'malformed-frame'],
    ['what is this', 'garbled'],
  ])('%s is an error of the kind %s, with a sentence', (text, kind) => {
    const { errors, answers } = interpretLines([{ text, line: 4 }]);
    expect(errors).toHaveLength(1);
    expect(errors[0]).toMatchObject({ kind, line: 4 });
    expect(errors[0]?.message).toMatch(/^[A-Z].*\.$/);
    expect(answers).toEqual([]);
  });

  test('a part that never came: the answer is not whole, and nothing is made up', () => {
    const r = decodeSavedSession('>0902\n7E8 10 14 49 02 01 31 44 34\n7E8 22 42 31 32 33 34 35 36\n>');
    expect(r.vin).toBeUndefined();
    expect(r.errors[0]).toMatchObject({ kind: 'sequence-gap' });
    const short = decodeSavedSession('>0902\n014\n0: 49 02 01 31 44 34\n1: 47 50 30 30 52 35 35\n>');
    expect(short.vin).toBeUndefined();
    expect(short.errors[0]).toMatchObject({ kind: 'incomplete' });
  });

  test('a request with the number of answers to wait for is a request, not an answer', () => {
    const r = decodeSavedSession('>010C1\n7E8 04 41 0C 1A F8\n>0902 5\nNO DATA\n>');
    expect(r.values).toHaveLength(1);
    expect(r.errors.map((e) => e.kind)).toEqual(['no-data']);
  });

  test('formatting off: the length byte of a frame is not taken for a service', () => {
    expect(decodeSavedSession('>010C\n04 41 0C 1A F8 00 00 00\n>').values[0]).toMatchObject({ value: 1726 });
  });

  test('a text with nothing in it says so', () => {
    for (const text of ['', 'Dear friend,\nhow are you?\n', '>\n>\n'])
      expect(isNothingFound(decodeFileText(text))).toBe(true);
    expect(isNothingFound(decodeFileText('>0100\nUNABLE TO CONNECT\n>'))).toBe(false);
  });

  test('a candump log is told from a session, other traffic is passed over', () => {
    const r = decodeFileText(
      [
        '(1.0) can0 7DF#0201030000000000',
        '(1.1) can0 0F0#1122334455667788',
        '(1.2) can0 7E8#0443010302000000',
        '(1.3) can0 7E8#03410D5200000000',
        '(1.4) can0 junk',
      ].join('\n'),
    );
    expect(r.codes).toEqual([{ code: 'P0302', state: 'confirmed', unit: '7E8' }]);
    expect(r.values[0]).toMatchObject({ pid: '0D', value: 82 });
    expect(r.errors).toEqual([expect.objectContaining({ kind: 'malformed', line: 5 })]);
  });

  test('bytes lost, doubled or added: never a crash, always a valid reading', () => {
    const whole = session(true, true, true, '\r\n');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.constantFrom('lose', 'double', 'noise')), {
          maxLength: 12,
        }),
        (hits) => {
          let text = whole;
          for (const [at, what] of hits) {
            const c =
              what === 'lose'
                ? ''
                : what === 'double'
                  ? (text[at] ?? '').repeat(2)
                  : `${text[at] ?? ''}\u0007#`;
            text = text.slice(0, at) + c + text.slice(at + 1);
          }
          expect(scanSchema.safeParse(decodeFileText(text)).success).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) =>
        expect(scanSchema.safeParse(decodeFileText(text)).success).toBe(true),
      ),
    );
  });
});

describe('what is odd in a saved text is said, never swallowed', () => {
  const parts = (r: Scan) => r.parts.map((p) => `${p.unit} ${p.part} ${p.state}`).sort();

  test('a positive answer with no codes is “no codes”, on CAN, on the older protocols and by control unit', () => {
    expect(parts(decodeSavedSession('>03\n7E8 02 43 00\n>'))).toEqual(['7E8 confirmed empty']);
    expect(parts(decodeSavedSession('>07\n48 6B 10 47 00 00 00 00 00 00 0A\n>'))).toEqual([
      '10 pending empty',
    ]);
    expect(parts(decodeSavedSession('>1902FF\n6A8 03 59 02 FF\n>'))).toEqual([
      '6A8 confirmed empty',
      '6A8 history empty',
      '6A8 pending empty',
    ]);
    expect(isNothingFound(decodeFileText('>03\n7E8 02 43 00\n>'))).toBe(false);
  });

  test('a list whose count does not fit its bytes is not read, and says so by line', () => {
    const r = decodeSavedSession('>03\n43 02 01 43\n>');
    expect(r.codes).toEqual([]);
    expect(parts(r)).toEqual(['unknown confirmed not-read']);
    expect(r.errors).toMatchObject([{ kind: 'incomplete', line: 2 }]);
  });

  test('without prompts: requests are seen by their looks, and the answers are theirs', () => {
    const r = decodeSavedSession(
      '0100\n7E8 06 41 00 BE 3E B8 11\n03\n7E8 04 43 01 03 02\n0101\n7E8 06 41 01 81 07 65 04',
    );
    expect(r.codes.map((c) => c.code)).toEqual(['P0302']);
    expect(milOf(r)).toEqual({ on: true, count: 1 });
    expect(r.errors).toEqual([]);
  });

  test('an answer of the car under a command to the adapter is the car’s', () => {
    const r = decodeSavedSession('>ATDPN\nA6\n7E8 04 43 01 03 02\n>');
    expect(r.protocol).toMatch(/11-bit/);
    expect(r.codes.map((c) => c.code)).toEqual(['P0302']);
  });

  test('text that looks like something else is reported line by line, beyond a number only counted', () => {
    const r = decodeSavedSession(
      '>ATZ\nSTAND-IN v1.0\n>03\n7E8 04 43 01 03 02\nLAMP LIT SINCE MONDAY\n>\n20 26 11 03\n>',
    );
    expect(r.codes.map((c) => c.code)).toEqual(['P0302']);
    expect(r.errors.map((e) => [e.kind, e.line])).toEqual([
      ['not-understood', 5],
      ['not-understood', 7],
    ]);
    const long = decodeSavedSession(Array.from({ length: 1000 }, () => 'LOREM IPSUM').join('\n'));
    expect(long.errors.length).toBeLessThan(210);
    expect(long.errors.at(-1)?.message).toMatch(/^800 more lines/);
  });
});

describe('files of many megabytes', () => {
  test('a hundred thousand bad lines are a number, not a list', () => {
    const { errors } = decodeFileText('>03\n7E8 04 43 01 03 02\n>' + 'zzzz is no answer\n'.repeat(100_000));
    expect(errors.length).toBeLessThan(300);
    expect(errors.some((e) => /more/.test(e.message))).toBe(true);
    const frames = '(1600000000.1) can0 7E8#03410C1AF8\n'.repeat(100_000);
    expect(decodeFileText(frames).errors.length).toBeLessThan(300);
  });

  test('of a reading that is told a thousand times the last few are kept', () => {
    const text = Array.from(
      { length: 1_000 },
      (_, i) => `(1600000000.${i}) can0 7E8#04410C${i.toString(16).padStart(4, '0').toUpperCase()}000000`,
    ).join('\n');
    const speeds = decodeFileText(text).values.filter((v) => v.pid === '0C');
    expect(speeds.length).toBeLessThanOrEqual(8);
    expect(speeds.at(-1)?.value).toBeCloseTo(999 / 4);
  });
});
