import fc from 'fast-check';
import { COMPONENTS, FAILURES, SYSTEMS, describedCodes, explainCode, scopeOf } from './index.ts';

const described = describedCodes();

describe('the catalogue hangs together', () => {
  test('at least 2,500 codes of the standard are described, each once, in every system', () => {
    expect(described.length).toBeGreaterThanOrEqual(2_500);
    const count = (start: string) => described.filter((e) => e.code.startsWith(start)).length;
    for (const [start, least] of [
      ['P0', 1_200],
      ['P2', 750],
      ['P34', 98],
      ['U0', 250],
      ['C0', 45],
      ['B0', 25],
    ] as const)
      expect([start, count(start) >= least]).toEqual([start, true]);
    expect(new Set(described.map((e) => e.code)).size).toBe(described.length);
  });

  test('every code is well formed, of the standard’s range, and explains itself', () => {
    for (const { code } of described) {
      const e = explainCode(code);
      const system = SYSTEMS[code[0] as keyof typeof SYSTEMS];
      expect(e).toMatchObject({ code, valid: true, scope: 'standard', system });
      expect(e.meaning.length).toBeGreaterThan(60);
      expect(e.component).toBeTruthy();
    }
  });

  test('no two codes share a title, and every title fits a phone’s two lines', () => {
    const titles = described.map((e) => explainCode(e.code).title);
    expect(new Set(titles).size).toBe(titles.length);
    for (const title of titles) expect(title.length).toBeLessThan(60);
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
      failure: 'fault',
    });
  });
});

describe('what a code says', () => {
  test.each([
    ['P0302', 'Misfire: cylinder 2', { cylinder: 2 }, 'misfire'],
    ['P0300', 'Misfire: random or several cylinders', {}, 'misfire'],
    ['P0171', 'Fuel mixture too lean, bank 1', { bank: 1 }, 'too lean'],
    ['P0175', 'Fuel mixture too rich, bank 2', { bank: 2 }, 'too rich'],
    ['P0102', 'Mass air flow sensor A: signal too low', {}, 'signal too low'],
    ['P0113', 'Intake air temperature sensor 1: signal too high', { sensor: 1 }, 'signal too high'],
    ['P0133', 'Oxygen sensor, bank 1 sensor 1: slow response', { bank: 1, sensor: 1 }, 'slow response'],
    [
      'P0161',
      'Oxygen sensor heater, bank 2 sensor 2: circuit fault',
      { bank: 2, sensor: 2 },
      'circuit fault',
    ],
    ['P0420', 'Catalyst, bank 1: efficiency below threshold', { bank: 1 }, 'efficiency below threshold'],
    ['P0442', 'EVAP system: small leak', {}, 'small leak'],
    ['P0524', 'Engine oil pressure: too low', {}, 'too low'],
    ['P000A', 'Camshaft A (intake), bank 1: slow response', { bank: 1 }, 'slow response'],
    [
      'P00A7',
      'Intake air temperature sensor 2, bank 2: signal too low',
      { bank: 2, sensor: 2 },
      'signal too low',
    ],
    ['P0671', 'Glow plug, cylinder 1: circuit fault', { cylinder: 1 }, 'circuit fault'],
    ['P0682', 'Glow plug, cylinder 12: circuit fault', { cylinder: 12 }, 'circuit fault'],
    ['P0868', 'Transmission fluid pressure: too low', {}, 'too low'],
    ['P0973', 'Shift solenoid A control: circuit low', {}, 'circuit low'],
    ['P0A0B', 'High-voltage interlock: performance problem', {}, 'performance problem'],
    ['P0A10', 'DC/DC converter status: signal too high', {}, 'signal too high'],
    ['P0A2F', 'Drive motor A: over-temperature', {}, 'over-temperature'],
    ['P0A80', 'Hybrid/EV battery: replacement due', {}, 'replacement due'],
    ['P0AA6', 'High-voltage isolation: fault', {}, 'too low'],
    [
      'P2002',
      'Particulate filter, bank 1: efficiency below threshold',
      { bank: 1 },
      'efficiency below threshold',
    ],
    ['P2015', 'Intake runner position sensor, bank 1: range/performance', { bank: 1 }, 'range/performance'],
    ['P2096', 'Post-catalyst fuel trim too lean, bank 1', { bank: 1 }, 'too lean'],
    ['P2122', 'Throttle/pedal position sensor D: signal too low', {}, 'signal too low'],
    ['P2138', 'Throttle/pedal position sensors D and E: do not agree', {}, 'do not agree'],
    ['P2187', 'Fuel mixture too lean at idle, bank 1', { bank: 1 }, 'too lean'],
    ['P2195', 'Oxygen sensor, bank 1 sensor 1: stuck lean', { bank: 1, sensor: 1 }, 'stuck lean'],
    ['P2263', 'Boost pressure system: performance problem', {}, 'performance problem'],
    ['P2305', 'Ignition coil B secondary: circuit fault', { cylinder: 2 }, 'circuit fault'],
    ['P2336', 'Cylinder 1 knock: above threshold', { cylinder: 1 }, 'above threshold'],
    ['P2463', 'Particulate filter: blocked with soot', {}, 'blocked'],
    ['P2503', 'Charging system voltage: too low', {}, 'too low'],
    ['P2714', 'Pressure control solenoid D: performance or stuck off', {}, 'performance or stuck off'],
    [
      'P20EE',
      'NOx catalyst (SCR), bank 1: efficiency below threshold',
      { bank: 1 },
      'efficiency below threshold',
    ],
    [
      'P3401',
      'Cylinder 1 deactivation, intake: circuit fault or open',
      { cylinder: 1 },
      'circuit fault or open',
    ],
    ['P3496', 'Cylinder 12 deactivation, exhaust: circuit high', { cylinder: 12 }, 'circuit high'],
    ['U0001', 'High-speed CAN bus: fault', {}, 'fault'],
    ['U0100', 'Lost communication with engine control unit A', {}, 'lost communication'],
    ['U0121', 'Lost communication with brake control unit (ABS)', {}, 'lost communication'],
    ['U0155', 'Lost communication with instrument cluster', {}, 'lost communication'],
    ['U0401', 'Invalid data received from engine control unit', {}, 'invalid data'],
    ['C0031', 'Wheel speed sensor, front left: circuit fault', {}, 'circuit fault'],
    ['C003A', 'Wheel speed sensor, rear right: circuit fault', {}, 'circuit fault'],
    ['C0051', 'Steering angle sensor: circuit fault', {}, 'circuit fault'],
    ['B0001', 'Airbag, driver front stage 1: circuit fault', {}, 'circuit fault'],
    ['P0741', 'Torque converter clutch (TCC): performance or stuck off', {}, 'performance or stuck off'],
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
    ['', /one letter and four digits/],
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

test('what a code means names its own part: what the control unit detected is not the same sentence on every page', () => {
  const times = new Map<string, number>();
  for (const { code } of describedCodes()) {
    const [saw = ''] = /The control unit detected [^:]*?[.:]/.exec(explainCode(code).meaning) ?? [];
    times.set(saw, (times.get(saw) ?? 0) + 1);
  }
  const often = [...times].filter(([, n]) => n > 36).map(([sentence]) => sentence);
  expect(often).toEqual([]);
});

test.each([
  ['P0201', /control circuit of the injector of cylinder 1.*before you replace the injector of cylinder 1/],
  ['P0113', /intake air temperature sensor 1 above its range, as from a very cold sensor/],
  ['P0351', /before you replace ignition coil A\./],
  ['P0642', /Check the wiring and connectors of sensor reference voltage A before you replace any part/],
  ['P2685', /the control wire of actuator supply voltage C/],
  ['P0136', /oxygen sensor 2 of bank 1/],
  ['P0156', /Bank 2 is the side without cylinder 1/],
  ['C0035', /wheel speed sensor \(front right\)/],
  ['U0100', /no message from engine control unit A for too long/],
])('%s is told of its own part', (code, words) => {
  expect(explainCode(code).meaning).toMatch(words);
});
