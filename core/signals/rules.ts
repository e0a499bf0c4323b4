import type { EngineState, Snapshot } from './snapshot.ts';

export type Verdict = 'sound' | 'odd' | 'impossible' | 'not-judged';

export interface Judgement {
  rule: RuleId;
  title: string;
  verdict: Verdict;
  /** The arithmetic in words and numbers. */
  measured: string;
  expected: string;
  source: string;
  /** What to do so that it can be judged; only with `not-judged`. */
  toJudge?: string;
}

interface Rule {
  id: RuleId;
  title: string;
  /** States in which the rule may judge. */
  states: readonly EngineState[];
  needs: readonly (keyof Snapshot)[];
  expected: string;
  /** Where the limit comes from. */
  source: string;
  toJudge: string;
  /** @returns null when this snapshot cannot be judged after all. */
  judge: (s: Snapshot) => { verdict: Exclude<Verdict, 'not-judged'>; measured: string } | null;
}

export type RuleId =
  | 'intake-temperature-rail'
  | 'coolant-temperature-rail'
  | 'air-flow-dead'
  | 'air-flow-fits'
  | 'trims-idle'
  | 'trims-load'
  | 'manifold-key-on'
  | 'manifold-idle'
  | 'charging'
  | 'battery-rest'
  | 'soak'
  | 'warm-up';

const RUNNING: readonly EngineState[] = ['idle-cold', 'idle-warm', 'raised', 'driving'];
const ANY: readonly EngineState[] = ['key-on', ...RUNNING, 'unknown'];

const n = (value: number | null): number => value ?? Number.NaN;
const fixed = (value: number, digits = 0): string => value.toFixed(digits);

/** Gas constant of dry air, J/(kg K). */
const R_AIR = 287.05;

/**
 * Air that a four-stroke engine must breathe by the speed-density relation:
 * VE x displacement/2 x revolutions a second x p/(R T).
 * @returns g/s
 */
export function speedDensity(
  volumetricEfficiency: number,
  displacementLitres: number,
  rpm: number,
  manifoldKpa: number,
  intakeCelsius: number,
): number {
  const density = (manifoldKpa * 1000) / (R_AIR * (intakeCelsius + 273.15));
  return volumetricEfficiency * (displacementLitres / 2000) * (rpm / 60) * density * 1000;
}

/** Volumetric efficiency that a sound engine stays within. */
const VE = { low: 0.55, high: 1.05 } as const;
/** Allowance for the sensor and the moment, both ways. */
const FLOW_MARGIN = 0.8;

const rail = (id: RuleId, title: string, key: 'intake' | 'coolant'): Rule => ({
  id,
  title,
  states: ANY,
  needs: [key],
  expected: 'between −38 and 130 °C',
  source: 'NTC sensors read −40 °C when the circuit is open and above 130 °C when it is shorted',
  toJudge: 'Read once with the ignition on.',
  judge: (s) => {
    const t = n(s[key]);
    return { verdict: t <= -38 || t >= 130 ? 'impossible' : 'sound', measured: `${fixed(t)} °C` };
  },
});

const trims = (id: RuleId, title: string, states: readonly EngineState[], toJudge: string): Rule => ({
  id,
  title,
  states,
  needs: ['shortTrim', 'longTrim'],
  expected: 'short plus long trim within ±10 %',
  source: 'Workshop practice; the codes for lean and rich set at about ±25 %',
  toJudge,
  judge: (s) => {
    const sum = n(s.shortTrim) + n(s.longTrim);
    const measured = `${fixed(n(s.shortTrim))} + ${fixed(n(s.longTrim))} = ${fixed(sum)} %`;
    return { verdict: Math.abs(sum) > 10 ? 'odd' : 'sound', measured };
  },
});

export const RULES: readonly Rule[] = [
  rail('intake-temperature-rail', 'Intake temperature is possible', 'intake'),
  rail('coolant-temperature-rail', 'Coolant temperature is possible', 'coolant'),
  {
    id: 'air-flow-dead',
    title: 'Air flows while the engine runs',
    states: RUNNING,
    needs: ['airFlow', 'engineSpeed'],
    expected: 'more than 0.5 g/s',
    source: 'An engine that runs must breathe',
    toJudge: 'Read with the engine running.',
    judge: (s) => ({
      verdict: n(s.airFlow) < 0.5 ? 'impossible' : 'sound',
      measured: `${fixed(n(s.airFlow), 1)} g/s at ${fixed(n(s.engineSpeed))} rpm`,
    }),
  },
  {
    id: 'air-flow-fits',
    title: 'Air flow fits speed and pressure',
    states: RUNNING,
    needs: ['airFlow', 'engineSpeed', 'manifold', 'intake', 'displacement'],
    expected: 'what displacement, speed, pressure and temperature ask for',
    source: 'Speed-density relation, volumetric efficiency 0.55 to 1.05',
    toJudge: 'Read with the engine running; the vehicle’s displacement must be known.',
    judge: (s) => {
      if (n(s.airFlow) < 0.5 || n(s.intake) <= -38) return null;
      const at = (ve: number) =>
        speedDensity(ve, n(s.displacement), n(s.engineSpeed), n(s.manifold), n(s.intake));
      const low = at(VE.low) * FLOW_MARGIN;
      const high = at(VE.high) / FLOW_MARGIN;
      const flow = n(s.airFlow);
      return {
        verdict: flow < low || flow > high ? 'odd' : 'sound',
        measured: `${fixed(flow, 1)} g/s, computed ${fixed(low, 1)} to ${fixed(high, 1)}`,
      };
    },
  },
  trims('trims-idle', 'Mixture correction at idle', ['idle-warm'], 'Read at idle with the engine warm.'),
  trims(
    'trims-load',
    'Mixture correction above idle',
    ['raised', 'driving'],
    'Read while holding 2,500 rpm, warm.',
  ),
  {
    id: 'manifold-key-on',
    title: 'Manifold pressure equals the day’s air',
    states: ['key-on'],
    needs: ['manifold'],
    expected: 'the day’s air pressure within 5 kPa; 101 kPa at the sea',
    source: 'With the engine off the manifold is open to the air',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (s) => {
      const air = s.airPressure ?? 101;
      // Without a pressure of the day any place up to about 2,500 m is possible.
      const low = s.airPressure === null ? 74 : air - 5;
      const measured = `${fixed(n(s.manifold))} kPa, air ${s.airPressure === null ? 'not measured' : `${fixed(air)} kPa`}`;
      return { verdict: n(s.manifold) < low || n(s.manifold) > air + 5 ? 'odd' : 'sound', measured };
    },
  },
  {
    id: 'manifold-idle',
    title: 'Manifold pressure at idle',
    states: ['idle-warm'],
    needs: ['manifold'],
    expected: '25 to 45 kPa, warm petrol engine',
    source: 'Workshop practice',
    toJudge: 'Read at idle with the engine warm.',
    judge: (s) => ({
      verdict: n(s.manifold) > 50 ? 'odd' : 'sound',
      measured: `${fixed(n(s.manifold))} kPa`,
    }),
  },
  {
    id: 'charging',
    title: 'Charging voltage',
    states: RUNNING,
    needs: ['volts'],
    expected: '13.5 to 14.8 V running; smart chargers may rest lower',
    source: 'Lead-acid charging practice',
    toJudge: 'Read with the engine running.',
    judge: (s) => ({
      verdict: n(s.volts) < 12.8 || n(s.volts) > 15.2 ? 'odd' : 'sound',
      measured: `${fixed(n(s.volts), 1)} V`,
    }),
  },
  {
    id: 'battery-rest',
    title: 'Battery at rest',
    states: ['key-on'],
    needs: ['volts'],
    expected: '12.4 to 12.7 V rested, under 12.0 flat',
    source: 'Lead-acid open-circuit voltage',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (s) => ({ verdict: n(s.volts) < 12 ? 'odd' : 'sound', measured: `${fixed(n(s.volts), 1)} V` }),
  },
  {
    id: 'soak',
    title: 'Coolant and intake agree after a night',
    states: ['key-on', 'idle-cold'],
    needs: ['coolant', 'intake'],
    expected: 'within 5 °C of each other before the first start',
    source: 'Everything is as warm as the air after 6 to 8 hours',
    toJudge: 'Read before the first start of the day.',
    judge: (s) => {
      // Only a cold engine that has hardly run says anything; a rail value is judged by its own rule.
      if (n(s.coolant) > 40 || (s.runTime ?? 0) > 30 || n(s.intake) <= -38 || n(s.coolant) <= -38)
        return null;
      const gap = Math.abs(n(s.coolant) - n(s.intake));
      return {
        verdict: gap > 12 ? 'odd' : 'sound',
        measured: `${fixed(n(s.coolant))} and ${fixed(n(s.intake))} °C`,
      };
    },
  },
  {
    id: 'warm-up',
    title: 'Coolant warms up in time',
    states: RUNNING,
    needs: ['coolant', 'runTime'],
    expected: 'past 75 °C after 15 minutes',
    source: 'Thermostats open at 80 to 90 °C',
    toJudge: 'Read after at least 15 minutes of driving.',
    judge: (s) => {
      if (n(s.runTime) < 900) return null;
      return {
        verdict: n(s.coolant) < 70 ? 'odd' : 'sound',
        measured: `${fixed(n(s.coolant))} °C after ${fixed(n(s.runTime) / 60)} min`,
      };
    },
  },
];

/** Judges a snapshot by every rule; a rule whose state or readings are missing says what to do. */
export function judge(s: Snapshot): Judgement[] {
  return RULES.map((rule) => {
    const base = { rule: rule.id, title: rule.title, expected: rule.expected, source: rule.source };
    const hasAll = rule.needs.every((key) => s[key] !== null);
    const result = hasAll && rule.states.includes(s.state) ? rule.judge(s) : null;
    return result
      ? { ...base, ...result }
      : { ...base, verdict: 'not-judged', measured: '', toJudge: rule.toJudge };
  });
}
