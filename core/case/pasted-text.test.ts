import fc from 'fast-check';
import { scanSchema } from '@pincer/core/obd';
import {
  READER_CHECKS,
  READER_VALUES,
  READER_WORDS,
  findInText,
  isNothingInText,
  readerNumber,
  scanOfFindings,
  stateOfWord,
} from './index.ts';

const codesOf = (text: string) => findInText(text).codes.map((c) => [c.code, c.state]);

describe('words that readers use', () => {
  test('each has one meaning, and none has two', () => {
    const all = Object.values(READER_WORDS).flat();
    expect(new Set(all).size).toBe(all.length);
    expect(stateOfWord(' Maturing ')).toBe('pending');
    expect(stateOfWord('sporadic')).toBe('history');
    expect(stateOfWord('happy')).toBeNull();
  });
});

describe('what is found in a text', () => {
  test('a printed report', () => {
    const found = findInText(
      [
        'VIN: ZZ9TR1F46CH000302',
        'Stored codes: 2',
        'P0302  CYL 2 MISFIRE',
        'P0300',
        '',
        'PENDING',
        'Codes: P0352 maturing',
        'Freeze frame',
        'RPM 1910  LOAD 62.0 %',
        'ECT 72 F',
        'VSS: 25 MPH',
        'STFT1 +2,3 %',
        'MIS OK  FUE OK CCM OK',
        'CAT INC  EVAP: not ready',
        'O2S RDY',
      ].join('\n'),
    );
    expect(found.codes.map((c) => [c.code, c.state, c.line])).toEqual([
      ['P0302', 'confirmed', 3],
      ['P0300', 'confirmed', 4],
      ['P0352', 'pending', 7],
    ]);
    expect(found.vin).toMatchObject({ text: 'ZZ9TR1F46CH000302', isCheckDigitRight: true, line: 1 });
    expect(Object.fromEntries(found.values.map((v) => [v.pid, v.value]))).toEqual({
      '0C': 1910,
      '04': 62,
      '05': 22.22,
      '0D': 40.23,
      '06': 2.3,
    });
    expect(Object.fromEntries(found.monitors.map((m) => [m.monitor, m.complete]))).toEqual({
      misfire: true,
      fuel: true,
      components: true,
      catalyst: false,
      evaporative: false,
      'oxygen-sensor': true,
    });
  });

  test.each<[string, string, [string, string | null][]]>([
    [
      'a message',
      'hi, the guy read p0171 and p0174 off it, says both are active',
      [
        ['P0171', 'confirmed'],
        ['P0174', 'confirmed'],
      ],
    ],
    ['an invoice', 'Fault memory read out, U0100 sporadic. Labour 0.5 h', [['U0100', 'history']]],
    [
      'the nearer word counts',
      'P0420 pending, P0302 stored',
      [
        ['P0420', 'pending'],
        ['P0302', 'confirmed'],
      ],
    ],
    ['no word at all', 'P0442', [['P0442', null]]],
    ['not confirmed', 'P0442 (not confirmed)', [['P0442', null]]],
    [
      'a heading ends at an empty line',
      'Pending codes\nP0442\n\nP0455',
      [
        ['P0442', 'pending'],
        ['P0455', null],
      ],
    ],
    ['the same twice is once', 'P0302 stored\nP0302 stored', [['P0302', 'confirmed']]],
    ['part numbers and plates are no codes', 'part BP0302X, 7P0302, A-P0302, plate HVC1234', []],
    ['impossible codes are none', 'P4302 P03G2 PO302', []],
  ])('%s', (_, text, codes) => {
    expect(codesOf(text)).toEqual(codes);
  });

  test('a text with nothing in it says so', () => {
    for (const text of ['', 'See you on Thursday at 5.', 'oil 4 litres, filter'])
      expect(isNothingInText(findInText(text))).toBe(true);
  });

  test('findings become a reading that fits the schema; stored conditions go with the confirmed code', () => {
    const reading = scanOfFindings(findInText('P0302 confirmed\nRPM 1910\nMIS OK'));
    expect(scanSchema.parse(reading)).toEqual(reading);
    expect(reading.freezeFrames[0]).toMatchObject({ code: 'P0302', values: [{ pid: '0C', value: 1910 }] });
  });

  test('codes put into any text are found again, on their line', () => {
    const word = fc.stringMatching(/^[a-oq-z ]{0,20}$/);
    const code = fc.stringMatching(/^[PCBU][0-3][0-9A-F]{3}$/);
    fc.assert(
      fc.property(fc.array(fc.tuple(word, code, word), { minLength: 1, maxLength: 6 }), (rows) => {
        const text = rows.map(([a, c, b]) => `${a} ${c} ${b}`).join('\n');
        const found = findInText(text).codes;
        for (const [i, [, c]] of rows.entries())
          expect(found.some((f) => f.code === c && f.line <= i + 1)).toBe(true);
      }),
    );
  });

  test('no text crashes it, not even an endless one', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (t) =>
        expect(scanSchema.safeParse(scanOfFindings(findInText(t))).success).toBe(true),
      ),
    );
    expect(isNothingInText(findInText('RPM '.repeat(20_000) + 'A1'.repeat(20_000)))).toBe(true);
  });
});

describe('abbreviations on a reader’s screen', () => {
  test('each is found by the paste reader as what the pad takes it for', () => {
    expect(READER_VALUES.length).toBeGreaterThan(8);
    for (const v of READER_VALUES)
      expect(findInText(`${v.abbreviation} 42 ${v.unit}`).values).toMatchObject([
        { pid: v.pid, value: 42, unit: v.unit },
      ]);
    for (const c of READER_CHECKS)
      expect(findInText(`${c.abbreviation} INC`).monitors).toMatchObject([
        { monitor: c.monitor, complete: false },
      ]);
  });

  test('other units are converted alike, typed or pasted', () => {
    expect(readerNumber('05', 50, '°F')).toBe(10);
    expect(readerNumber('0D', 25, 'mph')).toBe(40.23);
    expect(readerNumber('10', 1, 'lb/min')).toBe(7.56);
    expect(findInText('ECT 50 °F').values[0]?.value).toBe(10);
    expect(findInText('VSS: 25 MPH').values[0]?.value).toBe(40.23);
    expect(readerNumber('0C', 740, 'rpm')).toBe(740);
  });
});
