import fc from 'fast-check';
import {
  NEWER_REQUESTS,
  decodeConditions,
  decodeExtended,
  decodeNewerCodes,
  decodeOlderCodes,
  encodeConditions,
  encodeNewerCodes,
  encodeOlderCodes,
  encodeParameter,
  fromHex,
  fromNewerAnswer,
  fromNewerRequest,
  parameterLength,
  toNewerAnswer,
  toNewerRequest,
  type StatusCode,
} from './index.ts';

const code = fc
  .tuple(fc.constantFrom('P0', 'P2', 'C0', 'B1', 'U0'), fc.integer({ min: 1, max: 0xfff }))
  .map(([a, n]) => `${a}${n.toString(16).toUpperCase().padStart(3, '0')}`);
const byte = fc.integer({ min: 0, max: 255 });

describe('the older language, ISO 14230-3', () => {
  test.each([
    [0xe1, 'confirmed', ['fails now', 'lamp']],
    [0x60, 'confirmed', ['fails now']],
    [0x24, 'confirmed', []],
    [0x40, 'pending', []],
    [0x80, 'history', ['lamp']],
    [0x01, 'history', []],
  ] as const)('status %i is %s', (status, state, says) => {
    const [told] = decodeOlderCodes([0x58, 0x01, 0x40, 0x35, status], '6A8').codes;
    expect(told).toMatchObject({ code: 'C0035', state, olderStatus: status });
    const bits = told?.statusByte ?? 0;
    expect([bits & 0x01 ? 'fails now' : '', bits & 0x80 ? 'lamp' : ''].filter(Boolean)).toEqual(says);
  });

  test('a list is whole only when its number fits', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ code, status: byte }), { maxLength: 20 }), (codes) => {
        const sent = encodeOlderCodes(codes);
        const told = decodeOlderCodes(sent, '28');
        expect(told.left).toBe(0);
        expect(told.codes.map((c) => [c.code, c.olderStatus])).toEqual(codes.map((c) => [c.code, c.status]));
        if (codes.length > 0) expect(decodeOlderCodes(sent.slice(0, -1), '28').left).toBeGreaterThan(0);
      }),
    );
  });
});

describe('the newest cars, SAE J1979-2', () => {
  test('a parameter is identifier F4xx, an information type F8xx; nothing else is made up', () => {
    expect(toNewerRequest('010C0D')).toBe('22F40CF40D');
    expect(toNewerRequest('0902')).toBe('22F802');
    expect([toNewerRequest('03'), toNewerRequest('0601')]).toEqual([null, null]);
    expect(NEWER_REQUESTS).toEqual({ codes: '1942330CFF', permanent: '195533', clear: '14FFFF33' });
    expect(fromNewerRequest(fromHex('22F40CF802') ?? [])).toBeNull();
  });

  test('requests and answers go there and back', () => {
    const pid = fc.constantFrom(0x05, 0x0c, 0x0d, 0x10, 0x2f, 0x42);
    fc.assert(
      fc.property(fc.uniqueArray(pid, { minLength: 1, maxLength: 3 }), byte, (pids, fill) => {
        const asked = [0x01, ...pids];
        const text = asked.map((b) => b.toString(16).padStart(2, '0')).join('');
        expect(fromNewerRequest(fromHex(toNewerRequest(text) ?? '') ?? [])).toEqual(asked);
        const answer = [
          0x41,
          ...pids.flatMap((p) => [p, ...Array<number>(parameterLength(p) ?? 0).fill(fill)]),
        ];
        expect(fromNewerAnswer(toNewerAnswer(answer))).toEqual(answer);
      }),
    );
    const vin = [0x49, 0x02, 1, ...Array<number>(17).fill(0x5a)];
    expect(fromNewerAnswer(toNewerAnswer(vin))).toEqual(vin);
  });

  const stored: fc.Arbitrary<StatusCode> = fc.record({
    code,
    failureType: byte.map((b) => b.toString(16).toUpperCase().padStart(2, '0')),
    status: byte,
  });

  test('codes with their status, permanent ones apart; a cut list is seen', () => {
    fc.assert(
      fc.property(fc.array(stored, { maxLength: 10 }), (codes) => {
        const permanent = decodeNewerCodes(encodeNewerCodes('permanent', codes), '7E8');
        expect(permanent?.codes.map((c) => [c.code, c.state])).toEqual(
          codes.map((c) => [c.code, 'permanent']),
        );
        const sent = encodeNewerCodes('stored', codes);
        const told = decodeNewerCodes(sent, '7E8');
        expect([told?.left, told?.isPermanent]).toEqual([0, false]);
        expect(
          told?.codes.every((c) => codes.some((s) => s.code === c.code && s.status === c.statusByte)),
        ).toBe(true);
        expect(decodeNewerCodes(sent.slice(0, -1), '7E8')?.left).toBeGreaterThan(0);
      }),
    );
    expect(decodeNewerCodes([0x59, 0x02, 0xff], '7E8')).toBeNull();
  });
});

describe('records beside a code, ISO 14229-1', () => {
  const heading = { unit: '6A8', code: 'C0031', failureType: '13' };
  const bytes = [0x40, 0x31, 0x13];

  test('values of the standard are taken apart; from the first other identifier on the bytes are kept', () => {
    const speed = { pid: 0x0d, bytes: encodeParameter(0x0d, [34]) };
    const [record, ...more] = decodeConditions(
      encodeConditions(bytes, 0x2b, 0x01, [speed], [0x20, 0x01, 0x4c]),
      heading,
    );
    expect(more).toEqual([]);
    expect(record).toMatchObject({ ...heading, kind: 'conditions', record: '01', bytes: '20014C' });
    expect(record?.values.map((v) => v.value)).toEqual([34]);
    // Cut in its middle: what is there stays bytes, and no value is made of half of it.
    const cut = decodeConditions([0x59, 0x04, ...bytes, 0x2b, 0x01, 0x01, 0xf4, 0x0c, 0x10], heading);
    expect(cut).toMatchObject([{ values: [], bytes: 'F40C10' }]);
    expect(decodeConditions([0x59, 0x04, ...bytes, 0x2b], heading)).toEqual([]);
    expect(decodeExtended([0x59, 0x06, ...bytes, 0x2b, 0x01, 0x03], heading)).toMatchObject([
      { kind: 'extended', record: '01', bytes: '03', values: [] },
    ]);
  });
});
