import fc from 'fast-check';
import { COMPONENTS, FAILURES, describedCodes, explainCode, scopeOf } from './index.ts';

const described = describedCodes();

describe('the catalogue hangs together', () => {
  test('at least 500 powertrain codes are described, each once', () => {
    expect(described.length).toBeGreaterThanOrEqual(500);
    expect(new Set(described.map((e) => e.code)).size).toBe(described.length);
  });

  test('every code is well formed, of the standard’s range, and explains itself', () => {
    for (const { code } of described) {
      const e = explainCode(code);
      expect(e).toMatchObject({ code, valid: true, scope: 'standard', system: 'powertrain' });
      expect(e.meaning.length).toBeGreaterThan(60);
      expect(e.term).toBeTruthy();
    }
  });

  test('no two codes share a title, and every title fits a phone’s two lines', () => {
    const titles = described.map((e) => explainCode(e.code).title);
    expect(new Set(titles).size).toBe(titles.length);
    for (const title of titles) expect(title.length).toBeLessThanOrEqual(60);
    expect(titles.filter((t) => /sensor sensor|undefined|null/.test(t))).toEqual([]);
  });

  test('every component and every way of failing is used', () => {
    expect(Object.keys(COMPONENTS).filter((id) => !described.some((e) => e.component === id))).toEqual([]);
    expect(Object.keys(FAILURES).filter((id) => !described.some((e) => e.failure === id))).toEqual([]);
  });

  test('families that go by cylinder agree in place', () => {
    for (let n = 1; n <= 12; n++) {
      const misfire = n <= 9 ? `P030${n}` : `P03${n}`;
      expect(explainCode(misfire).place).toEqual({ cylinder: n });
      const injector = n <= 9 ? `P020${n}` : `P02${n}`;
      expect(explainCode(injector)).toMatchObject({ component: 'injector', place: { cylinder: n } });
    }
    expect(explainCode('P0362')).toMatchObject({ component: 'ignition coil', place: { cylinder: 12 } });
    expect(explainCode('P0296')).toMatchObject({
      component: 'injector',
      place: { cylinder: 12 },
      failure: 'out of balance',
    });
  });
});

describe('what a code says', () => {
  test.each([
    ['P0302', 'Cylinder 2 misfires', { cylinder: 2 }, 'misfires'],
    ['P0300', 'Misfire, several or random', {}, 'misfires'],
    ['P0171', 'Mixture bank 1: too lean', { bank: 1 }, 'too lean'],
    ['P0175', 'Mixture bank 2: too rich', { bank: 2 }, 'too rich'],
    ['P0102', 'Air flow sensor A: signal too low', {}, 'signal too low'],
    ['P0113', 'Intake air temperature sensor 1: signal too high', { sensor: 1 }, 'signal too high'],
    ['P0133', 'Oxygen sensor bank 1 sensor 1: too slow', { bank: 1, sensor: 1 }, 'too slow'],
    ['P0161', 'Oxygen sensor heater bank 2 sensor 2: circuit fault', { bank: 2, sensor: 2 }, 'circuit fault'],
    ['P0420', 'Catalyst bank 1: efficiency too low', { bank: 1 }, 'efficiency too low'],
    ['P0442', 'Fuel vapour system: small leak', {}, 'small leak'],
    ['P0524', 'Oil pressure: too low', {}, 'too low'],
    ['P0741', 'Torque converter clutch: stuck off', {}, 'stuck off'],
  ])('%s: %s', (code, title, place, failure) => {
    const e = explainCode(code);
    expect(e).toMatchObject({ title, failure });
    expect(e.place).toMatchObject(place);
  });

  test('white space around and lower case are accepted, nothing else is corrected', () => {
    expect(explainCode(' p0302\n')).toMatchObject({ code: 'P0302', valid: true });
    for (const text of ['PO302', 'P03O2', 'P0 302', 'Р0302', 'P0302.', '0302']) {
      const e = explainCode(text);
      expect(e).toMatchObject({ valid: false, scope: 'unknown', suggestion: 'P0302' });
      expect(e.problem).toMatch(/\.$/);
    }
  });

  test.each([
    ['', /nothing to look up/],
    ['X0302', /begins with P, C, B or U/],
    ['P030', /five characters; this has 4/],
    ['P03021', /five characters; this has 6/],
    ['P4302', /second character is 0, 1, 2 or 3/],
    ['P03G2', /“G” is neither/],
  ])('%j is refused with the reason', (text, reason) => {
    expect(explainCode(text).problem).toMatch(reason);
  });

  test.each([
    ['P0999', 'standard'],
    ['P1234', 'maker'],
    ['P2004', 'standard'],
    ['P3000', 'maker'],
    ['P3399', 'maker'],
    ['P3400', 'standard'],
    ['P3999', 'standard'],
    ['P3A00', 'maker'],
    ['U0100', 'standard'],
    ['U1000', 'maker'],
    ['U2001', 'maker'],
    ['U3000', 'standard'],
    ['B0001', 'standard'],
    ['B1000', 'maker'],
    ['B2000', 'maker'],
    ['B3000', 'maker'],
    ['C0035', 'standard'],
    ['C1200', 'maker'],
    ['C3000', 'maker'],
  ])('%s belongs to the %s', (code, scope) => {
    expect(explainCode(code)).toMatchObject({ valid: true, scope });
    expect(scopeOf(code)).toBe(scope);
  });

  test('nothing is guessed about a maker’s code: system and family only', () => {
    expect(explainCode('P1345')).toMatchObject({
      system: 'powertrain',
      area: 'ignition and misfire',
      component: null,
      failure: null,
      place: {},
    });
    expect(explainCode('C1201')).toMatchObject({ system: 'chassis', area: null });
    expect(explainCode('P1345').meaning).toMatch(/nothing is guessed/);
  });

  test('any text gets an answer, and a suggestion is always a valid code', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string({ maxLength: 12 }), fc.stringMatching(/^[PCBUO0][0-3OIl][0-9A-FO]{2,4}$/)),
        (text) => {
          const e = explainCode(text);
          expect(e.valid).toBe(e.problem === undefined);
          if (e.suggestion !== undefined) expect(explainCode(e.suggestion).valid).toBe(true);
        },
      ),
    );
  });
});
