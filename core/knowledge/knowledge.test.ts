import { describedCodes } from '@pincer/core/codes';
import {
  CAUSES,
  CAUTIONS,
  CHECKS,
  FROM_THE_SEAT,
  MEASUREMENTS,
  OBSERVATIONS,
  OWNER_OBSERVATIONS,
  PROCEDURES,
  SYSTEMS,
  TOOLS,
  causeById,
  checkById,
  findingOfCode,
  isObservationKey,
  observationKind,
  procedureOf,
  type ObservationKey,
} from './index.ts';
import { NOTICED } from './systems/noticed-signs.ts';

const causeIds = new Set(CAUSES.map((c) => c.id));

describe('the knowledge hangs together', () => {
  test('there is enough of it, in every system', () => {
    expect(CAUSES.length).toBeGreaterThanOrEqual(250);
    expect(CHECKS.length).toBeGreaterThanOrEqual(350);
    for (const system of Object.keys(SYSTEMS)) {
      expect(CAUSES.filter((c) => c.system === system).length).toBeGreaterThanOrEqual(4);
      expect(CHECKS.filter((c) => c.system === system).length).toBeGreaterThanOrEqual(4);
    }
    for (const list of [CAUSES, CHECKS]) expect(new Set(list.map((e) => e.title)).size).toBe(list.length);
  });

  test('no family of codes without a cause that brings it about', () => {
    const caused = new Set(CAUSES.flatMap((c) => Object.keys(c.effects)));
    const codes = describedCodes();
    expect(codes.length).toBeGreaterThan(2_400);
    expect(
      codes.filter(({ code }) => !caused.has(findingOfCode(code)?.key ?? '')).map((e) => e.code),
    ).toEqual([]);
  });

  test('every measurement belongs to a check and its results, and says how the rest must be', () => {
    for (const [id, measurement] of Object.entries(MEASUREMENTS)) {
      const check = checkById(id);
      const outcomes = check?.outcomes.map((o) => o.id) ?? [];
      for (const part of ['within', 'below', 'above'] as const)
        expect([id, outcomes]).toEqual([id, expect.arrayContaining([measurement[part]])]);
      // What is right is the check’s first result, the one with nothing found.
      expect([id, measurement.within]).toEqual([id, outcomes[0]]);
      expect(measurement.state).toMatch(/\.$/);
      if ('each' in measurement.values) continue;
      expect(measurement.values.length).toBeGreaterThan(0);
    }
    expect(Object.keys(MEASUREMENTS).length).toBeGreaterThanOrEqual(55);
  });

  test('a repair for the owner is never to have it done by others', () => {
    const own = CAUSES.filter((c) => c.repair.isLicensed !== true).map((c) => c.repair.title);
    expect(own.length).toBeGreaterThan(150);
    expect(own.filter((title) => /^have /i.test(title))).toEqual([]);
  });

  test('danger is left to licensed people', () => {
    for (const { repair, ...cause } of CAUSES) {
      // Brake hydraulics, steering, high voltage: an owner looks, charges a battery, cleans a filter; never opens.
      if (cause.id.startsWith('brake-leak') || cause.id.includes('caliper') || cause.id.includes('inverter'))
        expect(repair.isLicensed).toBe(true);
      if (
        repair.isLicensed ||
        !repair.cautions.some((c) => c === 'high-voltage' || c === 'airbag' || c === 'steering')
      )
        continue;
      // Where an owner may work beside such parts, the steps say what stays untouched.
      expect(
        procedureOf({ ...cause, repair })
          .steps.map((s) => `${s.text} ${s.slip ?? ''}`)
          .join(' '),
      ).toMatch(/qualified|nothing orange|never|not\b|nothing|leave|yellow/i);
    }
  });

  test.each(CAUSES.map((c) => [c.id, c] as const))(
    'cause %s: chances in range, known observations, a repair with cautions',
    (_, cause) => {
      expect(cause.prior).toBeGreaterThan(0);
      expect(cause.prior).toBeLessThanOrEqual(0.1);
      const effects = Object.entries(cause.effects);
      expect(effects.length).toBeGreaterThan(0);
      for (const [key, strength] of effects) {
        expect(isObservationKey(key)).toBe(true);
        expect(strength).toBeGreaterThan(0);
        expect(strength).toBeLessThan(1);
        // An effect weaker than the leak would say nothing; a circumstance may be rarer than its base rate.
        const kind = observationKind(key as ObservationKey);
        if (!kind.isCircumstance) expect(strength).toBeGreaterThan(kind.leak);
      }
      expect(cause.title.includes('{n}')).toBe(cause.scope === 'cylinder');
      // Told in one place only.
      expect(cause.repair.steps.length > 0).toBe(!(cause.id in PROCEDURES));
      if (cause.repair.parts > 0 && !cause.repair.isLicensed && cause.id !== 'fuel-cap')
        expect(cause.repair.cautions.length).toBeGreaterThan(0);
      for (const tool of cause.repair.tools) expect(TOOLS[tool]).toBeTruthy();
    },
  );

  test.each(CHECKS.map((c) => [c.id, c] as const))(
    'check %s: rows are distributions over its outcomes, and they say something',
    (_, check) => {
      const rows = [check.otherwise, ...Object.values(check.given)];
      expect(rows.length).toBeGreaterThan(1);
      for (const row of rows) {
        expect(row).toHaveLength(check.outcomes.length);
        expect(row.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        for (const p of row) expect(p).toBeGreaterThan(0);
      }
      for (const [cause, row] of Object.entries(check.given)) {
        expect(causeIds.has(cause)).toBe(true);
        // No row may be like "otherwise": the check would say nothing of that cause.
        expect(Math.max(...row.map((p, i) => Math.abs(p - (check.otherwise[i] ?? 0))))).toBeGreaterThan(0.03);
      }
      expect(new Set(check.outcomes.map((o) => o.id)).size).toBe(check.outcomes.length);
      expect(check.how.length).toBeGreaterThan(30);
      if (check.scope === 'engine') expect(check.title + check.how).not.toMatch(/\{[nm]\}/);
    },
  );

  test('no cause that nothing can confirm', () => {
    const checked = new Set(CHECKS.flatMap((c) => Object.keys(c.given)));
    expect([...causeIds].filter((id) => !checked.has(id))).toEqual([]);
  });

  test('no observation that no cause speaks of, and no caution that is never said', () => {
    const spoken = new Set(CAUSES.flatMap((c) => Object.keys(c.effects)));
    expect(Object.keys(OBSERVATIONS).filter((k) => !spoken.has(k))).toEqual([]);
    const said = new Set([...CAUSES.flatMap((c) => c.repair.cautions), ...CHECKS.flatMap((c) => c.cautions)]);
    expect(Object.keys(CAUTIONS).filter((k) => !said.has(k as keyof typeof CAUTIONS))).toEqual([]);
  });

  test('codes find their observation by structure', () => {
    expect(findingOfCode('P0302')).toEqual({ key: 'code:misfire-same', cylinder: 2 });
    expect(findingOfCode('P0300')).toEqual({ key: 'code:misfire-several', cylinder: null });
    expect(findingOfCode('P0102')).toEqual({ key: 'code:air-flow-circuit', cylinder: null });
    expect(findingOfCode('P0101')).toEqual({ key: 'code:air-flow-range', cylinder: null });
    expect(findingOfCode('P0113')).toEqual({ key: 'code:intake-temperature', cylinder: null });
    expect(findingOfCode('P1234')).toBeNull();
  });

  test('what is done from the seat lifts nothing, opens nothing and needs no more than a meter at the socket', () => {
    for (const id of FROM_THE_SEAT) {
      const check = checkById(id);
      expect([id, check?.tools.filter((t) => t !== 'multimeter')]).toEqual([id, []]);
      for (const caution of [
        'jacking',
        'petrol',
        'spray',
        'high-tension',
        'rail-pressure',
        'refrigerant',
        'airbag',
      ])
        expect([id, check?.cautions]).not.toContainEqual([id, expect.arrayContaining([caution])]);
    }
  });

  test('what the owner is asked is a question, and brakes go to licensed people', () => {
    expect(OWNER_OBSERVATIONS.length).toBeGreaterThan(15);
    for (const key of OWNER_OBSERVATIONS)
      expect('ask' in OBSERVATIONS[key] ? OBSERVATIONS[key].ask : '').toMatch(/\?$/);
    expect(CAUSES.find((c) => c.id === 'brake-booster-leak')?.repair.isLicensed).toBe(true);
  });
});

test('each sign that owners notice is of causes that exist, says something of each, and reaches them', () => {
  for (const [sign, strengths] of Object.entries(NOTICED)) {
    const { leak } = observationKind(sign as ObservationKey);
    for (const [id, strength] of Object.entries(strengths)) {
      const cause = causeById(id);
      expect([sign, id, cause?.effects[sign as ObservationKey]]).toEqual([sign, id, strength]);
      // A cause that is barely likelier than none at all speaks for nothing; one that is rarer would speak against.
      expect([sign, id, strength > 1.5 * leak]).toEqual([sign, id, true]);
    }
  }
});
