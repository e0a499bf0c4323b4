import { airPressureAt } from '@pincer/core/meter';
import { ANY, fixed, graded, holds, limitWords, rule, RUNNING, within, type Limits } from '../rule.ts';
import { speedDensity } from '../speed-density.ts';

/**
 * Volumetric efficiency: how a sound engine fills, and beyond what its air flow sensor, its pressure or the air's way is
 * wrong. A tired idle fills least, a tuned intake at its best speed a little more than its own size.
 */
const FILLING: Limits = { expected: [0.6, 1.05], odd: [0.5, 1.2] };

const IDLE_PRESSURE = {
  car: { expected: [25, 45], odd: [18, 50] },
  motorcycle: { expected: [25, 55], odd: [18, 58] },
} as const satisfies Record<string, Limits>;
const IDLE_LOAD: Limits = { expected: [10, 45], odd: [5, 50] };
const IDLE_SPEED = {
  car: { expected: [600, 1_000], odd: [550, 1_050] },
  motorcycle: { expected: [1_000, 1_600], odd: [950, 1_700] },
} as const satisfies Record<string, Limits>;

/** Air that a running engine cannot do without, and that a standing one may still report, g/s. */
const LEAST_FLOW = 0.5;
const FLOW_AT_REST = 1;
/** A sensor's tolerance together with that of the day's air pressure, kPa. */
const AS_THE_AIR = 5;
/** Air pressure at the sea, and at about 2,500 m, the highest place that is guessed where nothing measures it, kPa. */
const SEA = 101;
const HIGHEST_GUESS = 79;
const POSSIBLE_AIR = { low: 60, high: 106 };
const WITHOUT_LOAD = { low: 15, high: 42 };
/** Movement of the throttle that shows something, %, and what the pressure then moves at the least, kPa. */
const THROTTLE_MOVES = 12;
const PRESSURE_MOVES = 3;
/** What the pressure falls by when a petrol engine runs, kPa. */
const FALLS_BY = 25;
const IDLE_WANDERS = 100;

export const AIR_RULES = [
  rule({
    id: 'air-flow-dead',
    title: 'Air flows while the engine runs',
    states: RUNNING,
    needs: ['airFlow', 'engineSpeed'],
    expected: `${LEAST_FLOW} g/s or more`,
    source: 'An engine that runs must breathe',
    toJudge: 'Read with the engine running.',
    judge: (of) => ({
      verdict: of('airFlow').max < LEAST_FLOW ? 'impossible' : 'sound',
      measured: `${fixed(of('airFlow').max, 1)} g/s at ${fixed(of('engineSpeed').mean)} rpm`,
    }),
  }),
  rule({
    id: 'air-flow-rest',
    title: 'No air flows while the engine stands',
    states: ['key-on'],
    needs: ['airFlow'],
    expected: `under ${FLOW_AT_REST} g/s`,
    source: 'A stopped engine draws no air',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of) => holds(of('airFlow').mean < FLOW_AT_REST, `${fixed(of('airFlow').mean, 2)} g/s`, 'high'),
  }),
  rule({
    id: 'air-flow-fits',
    title: 'Air flow fits speed and pressure',
    states: RUNNING,
    needs: ['airFlow', 'engineSpeed', 'manifold', 'intake'],
    expected: 'what engine size, speed, pressure and temperature predict',
    source: 'Speed-density relation, volumetric efficiency 0.6 to 1.05; odd under 0.5 or over 1.2',
    toJudge: 'Read with the engine running; the vehicle’s displacement must be known.',
    judge: (of, w) => {
      const flow = of('airFlow').mean;
      const { displacementLitres, isDiesel } = w.engine;
      if (displacementLitres === null || flow < LEAST_FLOW || of('intake').mean <= -38) return null;
      // Exhaust that is led back fills the cylinder without passing the sensor; how much, only the valve knows.
      if (isDiesel && (w.stats['egrCommand']?.max ?? 100) > 3) return null;
      const at = (ve: number) =>
        speedDensity(ve, displacementLitres, of('engineSpeed').mean, of('manifold').mean, of('intake').mean);
      const [low, high] = [at(FILLING.expected[0]), at(FILLING.expected[1])];
      return graded(
        flow,
        { expected: [low, high], odd: [at(FILLING.odd[0]), at(FILLING.odd[1])] },
        `${fixed(flow, 1)} g/s, computed ${fixed(low, 1)} to ${fixed(high, 1)}`,
      );
    },
  }),
  rule({
    id: 'manifold-key-on',
    title: 'Manifold pressure equals atmospheric pressure (engine off)',
    states: ['key-on'],
    needs: ['manifold'],
    expected: `the day’s air pressure within {${AS_THE_AIR} kPa}; where that is not measured, {${HIGHEST_GUESS - AS_THE_AIR} to ${SEA + AS_THE_AIR} kPa}`,
    source: 'With the engine off the manifold is open to the air',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of, w) => {
      const air = w.stats['airPressure']?.mean ?? null;
      const p = of('manifold').mean;
      // Without a pressure of the day any place up to about 2,500 m is possible.
      const low = (air ?? HIGHEST_GUESS) - AS_THE_AIR;
      const measured = `{${fixed(p)} kPa}, air ${air === null ? 'not measured' : `{${fixed(air)} kPa}`}`;
      return within(p, low, (air ?? SEA) + AS_THE_AIR, measured);
    },
  }),
  rule({
    id: 'air-pressure-possible',
    title: 'Air pressure is possible',
    states: ANY,
    needs: ['airPressure'],
    expected: `{${POSSIBLE_AIR.low} to ${POSSIBLE_AIR.high} kPa}, from {4,000 m} to the sea`,
    source: '{101 kPa} at the sea, less about {1.2 kPa} for each {100 m}',
    toJudge: 'Read once with the ignition on.',
    judge: (of) => {
      const p = of('airPressure').mean;
      const height = Math.max(0, Math.round(((101.3 - p) / 1.2) * 100));
      return within(
        p,
        POSSIBLE_AIR.low,
        POSSIBLE_AIR.high,
        `{${fixed(p)} kPa}, as about {${height.toLocaleString('en-GB')} m} above the sea`,
      );
    },
  }),
  rule({
    id: 'air-pressure-height',
    title: 'Air pressure fits the height of the place',
    // Not evidence of a cause: a reading may have been taken far from there.
    states: ['key-on'],
    needs: ['airPressure'],
    expected: `what the height of the place where it is kept asks for, within {${AS_THE_AIR} kPa}`,
    source:
      'Standard atmosphere (ISO 2533): {101.3 kPa} (1 − 2.2558e-5 h)^5.2559; weather moves it by {3 to 4 kPa}',
    toJudge: 'Enter the height of the place where it is kept, on the vehicle’s page; read there.',
    judge: (of, w) => {
      const { heightM } = w.engine;
      if (heightM === null) return null;
      const [p, asked] = [of('airPressure').mean, airPressureAt(heightM)];
      return within(
        p,
        asked - AS_THE_AIR,
        asked + AS_THE_AIR,
        `{${fixed(p)} kPa}, at {${fixed(heightM)} m} above the sea {${fixed(asked)} kPa}`,
      );
    },
  }),
  rule({
    id: 'manifold-idle',
    title: 'Manifold pressure at idle',
    states: ['idle-warm'],
    needs: ['manifold'],
    engines: 'petrol',
    expected: `${limitWords(IDLE_PRESSURE.car, 'kPa')}, warm {petrol} engine`,
    source: '{Workshop} practice; motorcycles up to {55 kPa}, odd over {58 kPa}',
    toJudge: 'Read at idle with the engine warm.',
    judge: (of, w) => {
      const p = of('manifold').mean;
      return graded(p, IDLE_PRESSURE[w.engine.isMotorcycle ? 'motorcycle' : 'car'], `{${fixed(p)} kPa}`);
    },
  }),
  rule({
    id: 'manifold-raised',
    title: 'Manifold pressure without load',
    states: ['raised'],
    needs: ['manifold'],
    engines: 'petrol',
    expected: `{${WITHOUT_LOAD.low} to ${WITHOUT_LOAD.high} kPa}, holding speed in neutral`,
    source:
      'Without load the throttle hardly opens, so pressure stays low; a blocked exhaust or a stuck sensor raises it',
    toJudge: 'Hold {2,500 rpm} in neutral, warm.',
    // A fast cold idle is not yet a raised engine.
    judge: (of, w) =>
      (w.stats['engineSpeed']?.mean ?? 0) < 1_800
        ? null
        : within(
            of('manifold').mean,
            WITHOUT_LOAD.low,
            WITHOUT_LOAD.high,
            `{${fixed(of('manifold').mean)} kPa}`,
          ),
  }),
  rule({
    id: 'manifold-follows',
    title: 'Manifold pressure follows the throttle',
    states: ['idle-warm', 'raised', 'driving', 'cruise'],
    needs: ['manifold', 'throttle'],
    engines: 'petrol',
    seconds: 5,
    expected: `moves {${PRESSURE_MOVES} kPa} or more while the throttle moves ${THROTTLE_MOVES} %`,
    source: 'A pressure that does not move with the throttle is stuck, or its hose is off',
    toJudge: 'Record while you rev and release.',
    judge: (of) => {
      const [p, t] = [of('manifold'), of('throttle')];
      if (t.max - t.min < THROTTLE_MOVES) return null;
      const moved = p.max - p.min;
      return holds(
        moved >= PRESSURE_MOVES,
        `{${fixed(moved)} kPa} while the throttle moved ${fixed(t.max - t.min)} %`,
      );
    },
  }),
  rule({
    id: 'manifold-alive',
    title: 'Manifold pressure falls once the engine runs',
    states: ['idle-cold', 'idle-warm', 'raised'],
    against: ['key-on'],
    needs: ['manifold'],
    // A diesel at idle has no throttle to breathe against.
    engines: 'petrol',
    expected: `at least {${FALLS_BY} kPa} lower than with the engine off`,
    source:
      'Without load a {petrol} engine pulls a vacuum behind its throttle; a sensor that reads the same as before is stuck',
    toJudge: 'Record from the ignition on, engine off, over the start into the idle.',
    judge: (of, _, ofOther) => {
      const [running, off] = [of('manifold').mean, ofOther('manifold').mean];
      return holds(
        off - running >= FALLS_BY,
        `{${fixed(running)} kPa} running, {${fixed(off)} kPa} with the engine off`,
      );
    },
  }),
  rule({
    id: 'load-idle',
    title: 'Load at idle',
    states: ['idle-warm'],
    needs: ['load'],
    expected: limitWords(IDLE_LOAD, '%'),
    source: '{Workshop} practice, nothing switched on',
    toJudge: 'Read at idle with the engine warm.',
    judge: (of) => graded(of('load').mean, IDLE_LOAD, `${fixed(of('load').mean)} %`),
  }),
  rule({
    id: 'idle-speed',
    title: 'Idle speed',
    states: ['idle-warm'],
    needs: ['engineSpeed'],
    expected: `${limitWords(IDLE_SPEED.car, 'rpm')}; motorcycles ${limitWords(IDLE_SPEED.motorcycle, 'rpm')}`,
    source: '{Workshop} practice; the {handbook}’s figure wins',
    toJudge: 'Read at idle with the engine warm.',
    judge: (of, w) => {
      const rpm = of('engineSpeed').mean;
      return graded(rpm, IDLE_SPEED[w.engine.isMotorcycle ? 'motorcycle' : 'car'], `${fixed(rpm)} rpm`);
    },
  }),
  rule({
    id: 'idle-steady',
    title: 'Idle is steady',
    states: ['idle-warm'],
    needs: ['engineSpeed'],
    seconds: 10,
    expected: `within ${IDLE_WANDERS} rpm over ten seconds`,
    source: '{Workshop} practice; a misfiring cylinder makes it waver',
    toJudge: 'Record ten seconds at warm idle, {feet off the pedals}.',
    judge: (of, w) => {
      // Without a coolant temperature nobody knows whether it is still on its way down from the cold idle.
      if ((w.stats['coolant']?.mean ?? -40) <= -38) return null;
      const { min, max } = of('engineSpeed');
      return holds(max - min <= IDLE_WANDERS, `${fixed(min)} to ${fixed(max)} rpm`);
    },
  }),
] as const;
