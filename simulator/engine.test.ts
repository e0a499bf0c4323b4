import { speedDensity } from '@pincer/core/signals';
import { CARS, DRAY, FINCH, KESTRINE, type CarPlan, type Fault, type Mode } from './index.ts';
import { Engine, type Sensed } from './engine.ts';

const engineOf = (plan: CarPlan, faults: Fault[] = [], outside = 15): Engine => {
  const engine = new Engine({ plan, outside, airPressure: 100.4, isWet: false, seed: 5 });
  engine.faults = faults;
  return engine;
};
/** Warm, and settled in a mode. */
function warm(plan: CarPlan, mode: Mode, faults: Fault[] = []): Sensed {
  const engine = engineOf(plan, faults);
  engine.setMode('idle');
  engine.advance(2_400);
  engine.setMode(mode);
  engine.advance(3);
  return engine.sense();
}

describe.each(CARS.map((c) => [c.title, c] as const))('%s', (_, plan) => {
  test('warms up without a step back, up to its thermostat', () => {
    const engine = engineOf(plan, [], -10);
    engine.setMode('idle');
    const temperatures = Array.from({ length: 60 }, () => {
      engine.advance(60);
      return engine.coolantNow;
    });
    expect(temperatures).toEqual([...temperatures].sort((a, b) => a - b));
    expect(temperatures[0]).toBeLessThan(20);
    expect(temperatures.at(-1)).toBe(plan.thermostat);
    engine.soak();
    expect(engine.coolantNow).toBe(-10);
  });

  test('standing it neither turns nor breathes; running it charges', () => {
    const engine = engineOf(plan);
    engine.setMode('key-on');
    expect(engine.sense()).toMatchObject({ rpm: 0, speed: 0, airFlow: 0, runTime: 0 });
    expect(engine.sense().manifold).toBeCloseTo(100.4, 6);
    expect(engine.sense().volts).toBeLessThan(12.7);
    engine.setMode('idle');
    engine.advance(10);
    expect(engine.sense().rpm).toBeGreaterThan(500);
    expect(engine.sense().volts).toBeGreaterThan(13.5);
    expect(engine.sense().runTime).toBe(10);
  });

  test('the air that it measures is what its own speed, pressure and temperature ask for', () => {
    for (const mode of ['idle', 'raised', 'cruise', 'hill'] as const) {
      const s = warm(plan, mode);
      const { ve, recirculated } = plan.modes[mode];
      const asked = speedDensity(ve, plan.displacement, s.rpm, s.manifold, s.intake) * (1 - recirculated);
      expect(Math.abs(s.airFlow / asked - 1)).toBeLessThan(0.03);
    }
  });
});

test('the same seed gives the same car twice', () => {
  const run = () => {
    const engine = engineOf(FINCH, [{ kind: 'coil-boot', cylinder: 2 }]);
    engine.setMode('hill');
    return Array.from({ length: 20 }, () => {
      engine.advance(0.5);
      return engine.sense();
    });
  };
  expect(run()).toEqual(run());
});

/** What each fault does to the readings; what it leaves alone stays as on a sound car. */
const EFFECTS: readonly [CarPlan, Fault, Mode, (s: Sensed, sound: Sensed) => boolean, string][] = [
  [
    FINCH,
    { kind: 'air-flow-unplugged' },
    'idle',
    (s) => s.airFlow === 0 && !s.isClosedLoop,
    'no air, open loop',
  ],
  [FINCH, { kind: 'air-flow-dirty' }, 'cruise', (s, o) => s.airFlow < o.airFlow * 0.8, 'too little air'],
  [
    FINCH,
    { kind: 'intake-leak', share: 0.2 },
    'idle',
    (s, o) => s.longTrim > o.longTrim + 8 && s.rpm > o.rpm + 60,
    'lean and fast at idle',
  ],
  [FINCH, { kind: 'thermostat-open' }, 'cruise', (s) => s.coolant < 65, 'never warm'],
  [FINCH, { kind: 'coolant-sensor-open' }, 'idle', (s) => s.coolant === -40, 'the end of the scale'],
  [FINCH, { kind: 'pressure-stuck' }, 'hill', (s) => s.manifold === 47, 'always the same'],
  [FINCH, { kind: 'throttle-sticks' }, 'hill', (s) => s.throttleCommand - s.throttle > 20, 'does not follow'],
  [FINCH, { kind: 'pedal-track' }, 'hill', (s) => Math.abs(s.pedalD / s.pedalE - 2) > 0.2, 'ratio lost'],
  [FINCH, { kind: 'alternator-dead' }, 'cruise', (s) => s.volts < 12.5, 'does not charge'],
  [
    FINCH,
    { kind: 'coil', cylinder: 3 },
    'idle',
    (s, o) => s.rpm < o.rpm && s.catalyst > o.catalyst + 60,
    'rough, hot catalyst',
  ],
  [
    DRAY,
    { kind: 'charge-hose' },
    'hill',
    (s, o) => s.manifold < o.manifold * 0.85 && s.airFlow > o.airFlow,
    'air that never arrives',
  ],
  [
    DRAY,
    { kind: 'egr-stuck' },
    'hill',
    (s, o) => s.egrActual > 50 && s.airFlow < o.airFlow * 0.7,
    'exhaust instead of air',
  ],
  [DRAY, { kind: 'rail-weak' }, 'hill', (s) => s.rail < s.railTarget * 0.8, 'rail behind its target'],
  [
    DRAY,
    { kind: 'filter-full' },
    'cruise',
    (s, o) => s.filterDrop > o.filterDrop * 4 && s.soot === 100,
    'pressure and soot',
  ],
  [
    DRAY,
    { kind: 'filter-ash' },
    'cruise',
    (s, o) => s.filterDrop > o.filterDrop * 3 && s.soot < 20,
    'pressure without soot',
  ],
  [DRAY, { kind: 'filter-cracked' }, 'cruise', (s, o) => s.filterDrop < o.filterDrop * 0.2, 'no pressure'],
  [KESTRINE, { kind: 'regulator' }, 'cruise', (s) => s.volts < 12.9, 'falls as it gets hot'],
];

test.each(EFFECTS)('%#: a fault shows where it should', (plan, fault, mode, shows, what) => {
  const [sick, sound] = [warm(plan, mode, [fault]), warm(plan, mode)];
  expect({ fault: fault.kind, what, shows: shows(sick, sound) }).toMatchObject({ shows: true });
  // The day and the tank know nothing of it.
  expect([sick.outside, sick.airPressure, sick.fuelLevel]).toEqual([
    sound.outside,
    sound.airPressure,
    sound.fuelLevel,
  ]);
});

test('a cold diesel heats for some seconds after the key, and the battery feels it; the relay dead, only the lamp lights', () => {
  const look = (faults: Fault[]) => {
    const engine = engineOf(DRAY, faults, 2);
    engine.setMode('key-on');
    const first = engine.sense();
    engine.advance(15);
    return [first, engine.sense()] as const;
  };
  const [heating, after] = look([]);
  expect([heating.isGlowing, after.isGlowing]).toEqual([true, false]);
  expect(after.volts - heating.volts).toBeGreaterThan(0.3);
  const [dead, later] = look([{ kind: 'glow-plug' }]);
  expect(dead.isGlowing).toBe(true);
  expect(Math.abs(later.volts - dead.volts)).toBeLessThan(0.1);
});

test('missed strokes are counted by cylinder from each start on', () => {
  const engine = engineOf(FINCH, [{ kind: 'coil', cylinder: 2 }]);
  engine.setMode('idle');
  engine.advance(60);
  expect([1, 2, 3, 4].map((c) => engine.missedStrokes(c) > 0)).toEqual([false, true, false, false]);
  // 740 rpm fires each cylinder 370 times a minute; a little less, for it limps.
  expect(engine.missedStrokes(2)).toBeGreaterThan(300);
  engine.setMode('key-on');
  engine.setMode('idle');
  expect(engine.missedStrokes(2)).toBe(0);
});
