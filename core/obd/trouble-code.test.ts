import fc from 'fast-check';
import { TROUBLE_CODE, decodeTroubleCode, encodeTroubleCode } from './index.ts';

// SAE J2012: two top bits the letter, two bits the second digit, the rest hexadecimal.
const TABLE: [string, [number, number]][] = [
  ['P0143', [0x01, 0x43]],
  ['P0196', [0x01, 0x96]],
  ['P0234', [0x02, 0x34]],
  ['P2BAD', [0x2b, 0xad]],
  ['P3FFF', [0x3f, 0xff]],
  ['C0300', [0x43, 0x00]],
  ['C1234', [0x52, 0x34]],
  ['B0001', [0x80, 0x01]],
  ['B2A00', [0xaa, 0x00]],
  ['U0100', [0xc1, 0x00]],
  ['U3FFF', [0xff, 0xff]],
];

describe('trouble code bytes', () => {
  test.each(TABLE)('%s both ways', (code, bytes) => {
    expect(decodeTroubleCode(...bytes)).toBe(code);
    expect(encodeTroubleCode(code)).toEqual(bytes);
  });

  test('every pair of bytes is one code and comes back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), (high, low) => {
        const code = decodeTroubleCode(high, low);
        expect(code).toMatch(TROUBLE_CODE);
        expect(encodeTroubleCode(code)).toEqual([high, low]);
      }),
    );
  });

  test('what is not a code is refused', () => {
    for (const text of ['', 'P030', 'P03022', 'X0302', 'P4302', 'PO302', 'p0302']) {
      expect(() => encodeTroubleCode(text)).toThrow(RangeError);
    }
  });
});
