import fc from 'fast-check';
import { encodeLegacy, fromHex, splitIsoTp, toHex } from '@pincer/core/obd';
import { interpretLines } from './answers.ts';

const said = (...lines: string[]) => interpretLines(lines.map((text, i) => ({ text, line: i + 1 })));
const answers = (...lines: string[]) =>
  said(...lines).answers.map((a) => `${a.source} ${toHex(a.payload)}${a.isCan ? '' : ' older'}`);

describe('one answer, however it is printed', () => {
  test.each([
    ['11-bit, spaces', ['7E8 04 41 0C 1A F8'], ['7E8 410C1AF8']],
    ['11-bit, none', ['7E804410C1AF8'], ['7E8 410C1AF8']],
    ['11-bit with the data length', ['7E8 8 04 41 0C 1A F8 AA AA AA'], ['7E8 410C1AF8']],
    ['lower case', ['7e8 04 41 0c 1a f8'], ['7E8 410C1AF8']],
    ['29-bit, spaces in its id', ['18 DA F1 10 04 41 0C 1A F8'], ['18DAF110 410C1AF8']],
    ['29-bit, none', ['18DAF11004410C1AF8'], ['18DAF110 410C1AF8']],
    ['no headers', ['41 0C 1A F8'], ['unknown 410C1AF8 older']],
    ['no headers, its length printed', ['04 41 0C 1A F8 AA AA AA'], ['unknown 410C1AF8 older']],
    ['after a search', ['SEARCHING...7E8 04 41 0C 1A F8'], ['7E8 410C1AF8']],
    ['after an initialisation', ['BUS INIT: ...OK', '7E8 04 41 0C 1A F8'], ['7E8 410C1AF8']],
    ['two units', ['7E8 03 41 0D 00', '7E9 03 41 0D 00'], ['7E8 410D00', '7E9 410D00']],
  ])('%s', (_, lines, expected) => expect(answers(...lines)).toEqual(expected));

  test('an older message with a right checksum, and one with a wrong one', () => {
    const bytes = encodeLegacy(0x10, [0x41, 0x05, 0x7b]);
    expect(answers(toHex(bytes))).toEqual(['10 41057B older']);
    const wrong = [...bytes.slice(0, -1), ((bytes.at(-1) ?? 0) + 1) & 0xff];
    const result = said(toHex(wrong));
    expect(result.answers).toEqual([]);
    expect(result.errors).toMatchObject([{ kind: 'checksum', line: 1 }]);
  });
});

describe('long answers', () => {
  const VIN = fromHex('490201 5A5A395452314634364348303030333032'.replaceAll(' ', '')) ?? [];

  test('in frames, with another unit between them', () => {
    const [first, ...rest] = splitIsoTp(VIN, 0xaa).map((f) => `7E8 ${toHex(f)}`);
    expect(answers(first ?? '', '7E9 03 7F 09 12', ...rest).sort()).toEqual([
      '7E8 ' + toHex(VIN),
      '7E9 7F0912',
    ]);
  });

  test('a part that was lost is said, and nothing half is believed', () => {
    const frames = splitIsoTp(VIN, 0xaa).map((f) => `7E8 ${toHex(f)}`);
    const result = said(...frames.filter((_, i) => i !== 1));
    expect(result.answers).toEqual([]);
    expect(result.errors[0]).toMatchObject({ kind: 'sequence-gap' });
    expect(said(...frames.slice(0, 2)).errors).toMatchObject([{ kind: 'incomplete' }]);
    expect(said(...frames.slice(1)).errors.every((e) => e.kind === 'stray-frame')).toBe(true);
  });

  test('numbered lines without headers; their length ends them', () => {
    expect(
      answers('014', '0: 49 02 01 5A 5A 39', '1: 54 52 31 46 34 36 43', '2: 48 30 30 30 33 30 32'),
    ).toEqual([`unknown ${toHex(VIN)}`]);
    expect(said('014', '0: 49 02 01 5A 5A 39').errors).toMatchObject([{ kind: 'incomplete' }]);
    expect(said('014').errors).toMatchObject([{ kind: 'incomplete' }]);
    expect(said('0: 49 02 01').errors).toMatchObject([{ kind: 'incomplete' }]);
    expect(said('014', '0: 49 02 01 5A 5A 39', '2: 48').errors.map((e) => e.kind)).toContain('sequence-gap');
    expect(said('006', '0: XX', '0: 49 02 01 5A 5A 39').errors.map((e) => e.kind)).toContain('garbled');
  });

  test('two units answering at length without headers: both are read, and the guess is said', () => {
    const result = said('008', '008', '0: 49 04 01 41 41 41', '0: 49 04 01 42 42 42', '1: 41 41', '1: 42 42');
    expect(result.answers).toHaveLength(2);
    expect(result.errors.map((e) => e.kind)).toContain('unknown-source');
  });
});

describe('error texts and noise', () => {
  test.each([
    ['NO DATA', 'no-data'],
    ['UNABLE TO CONNECT', 'unable-to-connect'],
    ['SEARCHING...UNABLE TO CONNECT', 'unable-to-connect'],
    ['CAN ERROR', 'can-error'],
    ['BUFFER FULL', 'buffer-full'],
    ['<RX ERROR', 'data-error'],
    ['STOPPED', 'stopped'],
    ['LV RESET', 'low-voltage-reset'],
    ['?', 'unknown-command'],
  ])('“%s”', (text, code) => {
    const { faults, errors } = said(text);
    expect(faults[0]?.code).toBe(code);
    expect(errors[0]?.message).not.toBe('');
  });

  test.each([['7E8 04 41 0C 1A F'], ['7E8 04 41 0C 1A FG'], ['FFF 04 41 0C 1A F8'], ['hello'], ['1']])(
    'damaged: “%s” is said to be damaged, and not guessed',
    (text) => {
      const result = said(text);
      expect(result.answers).toEqual([]);
      expect(result.faults).toMatchObject([{ code: 'garbled' }]);
    },
  );

  test('prompts’ leftovers and settings’ answers are no answers of the car', () => {
    expect(said('', '   ', 'OK', 'SEARCHING...')).toEqual({
      answers: [],
      faults: [],
      errors: [],
      frames: [],
      lineCount: 0,
    });
  });

  test('whatever comes, it ends without an exception, and every error says something', () => {
    const piece = fc.oneof(
      fc.constantFrom(
        '7E8 ',
        '18DAF110',
        '0:',
        '1:',
        '014',
        '41 0C',
        'NO DATA',
        '?',
        '>',
        'SEARCHING...',
        '7E9 10 14 ',
      ),
      fc.string({ maxLength: 8 }),
      fc.uint8Array({ maxLength: 9 }).map((b) => toHex([...b])),
    );
    fc.assert(
      fc.property(
        fc.array(
          fc.array(piece, { maxLength: 4 }).map((p) => p.join('')),
          { maxLength: 8 },
        ),
        (lines) => {
          const result = said(...lines);
          for (const a of result.answers) expect(a.payload.length).toBeGreaterThan(0);
          for (const e of result.errors) expect(e.message.length).toBeGreaterThan(5);
        },
      ),
      { numRuns: 400 },
    );
  });
});
