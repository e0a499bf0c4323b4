import fc from 'fast-check';
import {
  STATUS_BITS,
  decodeDtcByStatus,
  encodeDtcByStatus,
  fromHex,
  stateOfStatus,
  statusBits,
  statusWords,
} from './index.ts';

describe('the status byte of ISO 14229-1, annex D', () => {
  test.each([
    [0x00, null, []],
    [0x50, null, ['its check has not run this trip', 'its check has not run since the last clear']],
    [0x01, 'pending', ['fails now']],
    [0x02, 'pending', ['failed this trip']],
    [0x04, 'pending', []],
    [0x20, 'history', ['failed since the last clear']],
    [0x28, 'confirmed', ['failed since the last clear', 'stored, not failing now']],
    [0x2b, 'confirmed', ['fails now']],
    [0x2f, 'confirmed', ['fails now']],
    [
      0x68,
      'confirmed',
      ['failed since the last clear', 'stored, not failing now', 'its check has not run this trip'],
    ],
    [0xab, 'confirmed', ['holds a light on', 'fails now']],
    [0xa0, 'history', ['holds a light on', 'failed since the last clear']],
  ] as const)('%i', (status, state, words) => {
    expect(stateOfStatus(status)).toBe(state);
    expect(statusWords(status)).toEqual(words);
  });

  test('each bit has its name, bit 0 first', () => {
    STATUS_BITS.forEach((name, bit) => expect(statusBits(1 << bit)).toEqual([name]));
    expect(statusBits(0xff)).toEqual([...STATUS_BITS]);
    expect(statusBits(0)).toEqual([]);
  });

  test('a lamp is never said to be held by a code that does not ask for it', () => {
    for (let status = 0; status < 256; status++)
      expect(statusWords(status).includes('holds a light on')).toBe((status & 0x80) !== 0);
  });
});

describe('service 19 02', () => {
  test('an answer with three codes: base code, way of failing, status', () => {
    const { codes, left } = decodeDtcByStatus(
      fromHex('5902FF 403113AB C00186 2B D56287 28'.replaceAll(' ', '')) ?? [],
      '6A8',
    );
    expect(left).toBe(0);
    expect(codes).toEqual([
      { code: 'C0031', state: 'confirmed', unit: '6A8', statusByte: 0xab, failureType: '13' },
      { code: 'U0001', state: 'confirmed', unit: '6A8', statusByte: 0x2b, failureType: '86' },
      { code: 'U1562', state: 'confirmed', unit: '6A8', statusByte: 0x28, failureType: '87' },
    ]);
  });

  test('no code at all; one whose check has only not run yet; bytes left over', () => {
    expect(decodeDtcByStatus([0x59, 0x02, 0xff], '6A8')).toEqual({ codes: [], left: 0 });
    expect(decodeDtcByStatus([0x59, 0x02, 0xff, 0x40, 0x31, 0x13, 0x50], '6A8').codes).toEqual([]);
    expect(decodeDtcByStatus([0x59, 0x02, 0xff, 0x40, 0x31, 0x13, 0x2b, 0x40, 0x31], '6A8')).toMatchObject({
      codes: [{ code: 'C0031' }],
      left: 2,
    });
    expect(decodeDtcByStatus([0x59], '6A8')).toEqual({ codes: [], left: 0 });
  });

  test('what is sent is read again, whatever it is', () => {
    const hex = (n: number, length: number) => n.toString(16).toUpperCase().padStart(length, '0');
    const someCode = fc
      .tuple(
        fc.constantFrom('P', 'C', 'B', 'U'),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 0, max: 0xfff }),
      )
      .map(([letter, digit, rest]) => `${letter}${digit}${hex(rest, 3)}`);
    const some = fc.record({
      code: someCode,
      failureType: fc.integer({ min: 0, max: 255 }).map((n) => hex(n, 2)),
      // With at least one bit that says that it ever failed.
      status: fc.integer({ min: 0, max: 255 }).filter((s) => stateOfStatus(s) !== null),
    });
    fc.assert(
      fc.property(fc.array(some, { maxLength: 20 }), (list) => {
        const { codes, left } = decodeDtcByStatus(encodeDtcByStatus(list), '7E8');
        expect(left).toBe(0);
        expect(
          codes.map((c) => ({ code: c.code, failureType: c.failureType, status: c.statusByte })),
        ).toEqual(list);
      }),
    );
  });
});
