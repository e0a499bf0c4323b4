import fc from 'fast-check';
import {
  crcChecksum,
  decodeLegacy,
  encodeLegacy,
  formatCandumpLine,
  fromHex,
  hasLegacyHeader,
  parseCandumpLine,
  scaleTestValue,
  signed,
  stateOfStatus,
  statusBits,
  sumChecksum,
  toHex,
  uintAt,
} from './index.ts';

describe('headers of the older protocols', () => {
  test('an ISO 9141-2 answer with its sum', () => {
    const bytes = fromHex('48 6B 10 41 00 BE 3E B8 11 C9') ?? [];
    expect(sumChecksum(bytes.slice(0, -1))).toBe(0xc9);
    expect(hasLegacyHeader(bytes)).toBe(true);
    expect(decodeLegacy(bytes)).toEqual({
      source: '10',
      payload: [0x41, 0x00, 0xbe, 0x3e, 0xb8, 0x11],
      isChecksumRight: true,
    });
  });

  test('a J1850 answer with its CRC', () => {
    const body = fromHex('48 6B 10 41 05 7B') ?? [];
    expect(decodeLegacy([...body, crcChecksum(body)]).isChecksumRight).toBe(true);
    expect(decodeLegacy([...body, crcChecksum(body) ^ 1]).isChecksumRight).toBe(false);
  });

  test('ISO 14230 with the length in the format byte and in a byte of its own', () => {
    const short = fromHex('84 F1 11 41 0C 1A F8') ?? [];
    expect(decodeLegacy([...short, sumChecksum(short)])).toMatchObject({
      source: '11',
      payload: [0x41, 0x0c, 0x1a, 0xf8],
      isChecksumRight: true,
    });
    const long = fromHex('80 F1 11 04 41 0C 1A F8') ?? [];
    expect(decodeLegacy([...long, sumChecksum(long)])).toMatchObject({
      payload: [0x41, 0x0c, 0x1a, 0xf8],
      isChecksumRight: true,
    });
  });

  test('a headerless answer for reading 6B is not taken for a header', () => {
    expect(hasLegacyHeader(fromHex('41 6B 0F 50 51 52 53') ?? [])).toBe(false);
  });

  test('encode and decode are inverse; one wrong bit is seen', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 2, maxLength: 7 }), fc.nat(7), (data, bit) => {
        const bytes = encodeLegacy(0x10, [...data]);
        expect(decodeLegacy(bytes)).toMatchObject({
          source: '10',
          payload: [...data],
          isChecksumRight: true,
        });
        const broken = [...bytes];
        broken[4] = (broken[4] ?? 0) ^ (1 << bit);
        const sum = sumChecksum(broken.slice(0, -1));
        expect(sum).not.toBe(broken.at(-1));
      }),
    );
  });
});

describe('CAN logs', () => {
  const good: [string, string, string, number | null][] = [
    ['(1436509052.249713) can0 7E8#06410000000000AA', '7E8', '06410000000000AA', 1436509052.249713],
    ['(0.5) vcan0 18DAF110#037F0112', '18DAF110', '037F0112', 0.5],
    ['  can0  7E8   [8]  06 41 00 BE 3E B8 11 AA', '7E8', '064100BE3EB811AA', null],
    [" (002.100) can0  7E9   [3]  02 43 00   '.C.'", '7E9', '024300', 2.1],
    ['can1  18DAF111  [2]  01 44', '18DAF111', '0144', null],
    ['7E8#0341057B', '7E8', '0341057B', null],
    ['(1.0) can0 123#', '123', '', 1],
  ];
  test.each(good)('%s', (text, id, hex, seconds) => {
    const parsed = parseCandumpLine(text, 3);
    expect(parsed).toEqual({ kind: 'frame', frame: { id, data: fromHex(hex), line: 3 }, seconds });
  });

  test.each([
    '',
    '# a comment',
    '(1.0) can0 7DF#R',
    '(1.0) can0 20000080#0000000000000000',
    'can0  7DF   [0]  remote request',
  ])('nothing to decode: %s', (text) => {
    expect(parseCandumpLine(text, 1)).toEqual({ kind: 'skipped' });
  });

  test.each(['hello', '(1.0) can0 7E8#0', '(1.0) can0 7E8#XY', 'can0  7E8  [8]  06 41', '(1.0) can0 7E'])(
    'bad: %s',
    (text) => {
      expect(parseCandumpLine(text, 1).kind).toBe('bad');
    },
  );

  test('write and read are inverse', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('7E8', '18DAF110'),
        fc.uint8Array({ maxLength: 8 }),
        fc.nat(1e6),
        (id, data, seconds) => {
          const parsed = parseCandumpLine(formatCandumpLine({ id, data: [...data] }, seconds), 1);
          expect(parsed).toEqual({ kind: 'frame', frame: { id, data: [...data], line: 1 }, seconds });
        },
      ),
    );
  });

  test('no text crashes it', () => {
    fc.assert(
      fc.property(fc.string(), (text) =>
        expect(['frame', 'skipped', 'bad']).toContain(parseCandumpLine(text, 1).kind),
      ),
    );
  });
});

describe('small change', () => {
  test('hexadecimal text both ways', () => {
    expect(fromHex('0x')).toBeNull();
    expect(fromHex('ABC')).toBeNull();
    fc.assert(fc.property(fc.uint8Array(), (a) => expect(fromHex(toHex([...a]))).toEqual([...a])));
  });

  test('numbers of bytes', () => {
    expect(uintAt([0x12, 0x34, 0x56], 1, 2)).toBe(0x3456);
    expect(uintAt([0x12], 0, 2)).toBeNull();
    expect(uintAt([0xff, 0xff, 0xff, 0xff], 0, 4)).toBe(4294967295);
    expect([signed(0x7fff, 2), signed(0x8000, 2), signed(0xff, 1)]).toEqual([32767, -32768, -1]);
  });

  test('unit and scaling ids of on-board tests', () => {
    expect(scaleTestValue(0x16, 0x0190)).toEqual({ value: 0, unit: '°C' });
    expect(scaleTestValue(0x96, 0xfff6)).toEqual({ value: -1, unit: '°C' });
    expect(scaleTestValue(0x07, 0x0bb8)).toEqual({ value: 750, unit: 'rpm' });
    expect(scaleTestValue(0x7b, 42)).toEqual({ value: 42, unit: '' });
  });

  test('UDS status bits in words and as one state', () => {
    expect(statusBits(0xaf)).toEqual([
      'testFailed',
      'testFailedThisOperationCycle',
      'pendingDTC',
      'confirmedDTC',
      'testFailedSinceLastClear',
      'warningIndicatorRequested',
    ]);
    expect([0x08, 0x04, 0x01, 0x20, 0x50, 0x00].map(stateOfStatus)).toEqual([
      'confirmed',
      'pending',
      'pending',
      'history',
      null,
      null,
    ]);
  });
});

describe('hexadecimal digits', () => {
  /** As it is defined: pairs of digits, with any white space between them. */
  const defined = (text: string): number[] | null => {
    const digits = text.replace(/\s+/g, '');
    if (digits.length % 2 !== 0 || !/^[0-9A-Fa-f]*$/.test(digits)) return null;
    return (digits.match(/../g) ?? []).map((pair) => Number.parseInt(pair, 16));
  };

  test('whatever a line holds is read as it is defined', () => {
    const line = fc.stringMatching(/^[0-9a-fA-F \t\u00a0gG:>é]{0,12}$/);
    fc.assert(
      fc.property(line, (text) => {
        expect(fromHex(text)).toEqual(defined(text));
      }),
    );
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 255 })), (bytes) => {
        expect(fromHex(toHex(bytes))).toEqual(bytes);
      }),
    );
  });
});
