import { FaultMemory, INSTANT_CLOCK, StandIn, seededRandom } from './index.ts';

const trip = (memory: FaultMemory, result: 'failed' | 'passed' | 'not-run') => {
  memory.note('P0302', result);
  memory.endTrip(true);
};

describe('codes over trips', () => {
  test('pending at the first failing trip, confirmed with the lamp at the second running', () => {
    const memory = new FaultMemory();
    trip(memory, 'failed');
    expect([memory.codes('pending'), memory.codes('confirmed'), memory.isLampOn]).toEqual([
      ['P0302'],
      [],
      false,
    ]);
    trip(memory, 'failed');
    expect([memory.codes('confirmed'), memory.codes('permanent'), memory.isLampOn]).toEqual([
      ['P0302'],
      ['P0302'],
      true,
    ]);
  });

  test('a good trip between two bad ones keeps it pending only', () => {
    const memory = new FaultMemory();
    trip(memory, 'failed');
    trip(memory, 'passed');
    expect(memory.codes('pending')).toEqual([]);
    trip(memory, 'failed');
    expect(memory.codes('confirmed')).toEqual([]);
  });

  test('a trip on which the check did not run changes nothing', () => {
    const memory = new FaultMemory();
    trip(memory, 'failed');
    trip(memory, 'not-run');
    trip(memory, 'failed');
    expect(memory.codes('confirmed')).toEqual(['P0302']);
  });

  test('the lamp goes out after three good trips, the code after forty warm-ups more', () => {
    const memory = new FaultMemory();
    trip(memory, 'failed');
    trip(memory, 'failed');
    trip(memory, 'passed');
    trip(memory, 'passed');
    expect(memory.isLampOn).toBe(true);
    trip(memory, 'passed');
    expect([memory.isLampOn, memory.codes('confirmed'), memory.codes('permanent')]).toEqual([
      false,
      ['P0302'],
      [],
    ]);
    for (let i = 0; i < 38; i++) trip(memory, 'passed');
    expect(memory.codes('confirmed')).toEqual(['P0302']);
    trip(memory, 'passed');
    expect(memory.codes('confirmed')).toEqual([]);
  });

  test('a clear erases all but permanent codes, and those only go by good trips', () => {
    const memory = new FaultMemory();
    trip(memory, 'failed');
    trip(memory, 'failed');
    memory.clear();
    expect([
      memory.codes('pending'),
      memory.codes('confirmed'),
      memory.codes('permanent'),
      memory.isLampOn,
    ]).toEqual([[], [], ['P0302'], false]);
    for (let i = 0; i < 3; i++) trip(memory, 'passed');
    expect(memory.codes('permanent')).toEqual([]);
  });
});

describe('the engine behind the readings', () => {
  const car = (faults: ConstructorParameters<typeof StandIn>[0]['faults'], isWet = true) =>
    new StandIn({ faults, seed: 3, clock: INSTANT_CLOCK, temperament: 'instant', isWet, tripsBefore: 0 });

  test('warm-up: cold at first, at the thermostat after half an hour, cold again after a night', () => {
    const { engine } = car([]);
    engine.setMode('idle');
    expect(engine.sense().coolant).toBeLessThan(15);
    engine.advance(1800);
    expect(engine.sense().coolant).toBeGreaterThan(85);
    expect(engine.sense().coolant).toBeLessThan(92);
    engine.soak();
    expect(engine.coolantNow).toBe(11);
  });

  test('a leak shows at idle and fades with speed, as an intake leak does', () => {
    const leaking = car([{ kind: 'intake-leak', share: 0.2 }]);
    leaking.warmUp();
    const sum = () => {
      leaking.engine.advance(1);
      const s = leaking.engine.sense();
      return s.shortTrim + s.longTrim;
    };
    const idle = sum();
    leaking.setMode('raised');
    const raised = sum();
    expect(idle).toBeGreaterThan(20);
    expect(raised).toBeLessThan(idle / 2);
  });

  test('a cracked boot misses when it is wet, cold and loaded, and not when it is dry', () => {
    const wet = car([{ kind: 'coil-boot', cylinder: 2 }]).engine;
    wet.setMode('hill');
    expect(wet.misfireRate(2)).toBeGreaterThan(0.2);
    expect(wet.misfireRate(1)).toBe(0);
    wet.setMode('idle');
    expect(wet.misfireRate(2)).toBeLessThan(0.02);
    const dry = car([{ kind: 'coil-boot', cylinder: 2 }], false).engine;
    dry.setMode('hill');
    expect(dry.misfireRate(2)).toBe(0);
  });

  test('unplugged sensors read their rails and an unmeasured engine still breathes', () => {
    const { engine } = car([{ kind: 'air-flow-unplugged' }, { kind: 'intake-temperature-unplugged' }]);
    engine.setMode('idle');
    expect(engine.sense()).toMatchObject({ airFlow: 0, intake: -40, isClosedLoop: false });
  });

  test('random numbers stay in [0, 1) and depend on the seed alone', () => {
    const a = seededRandom(42);
    const b = seededRandom(42);
    const list = Array.from({ length: 1000 }, a);
    expect(list).toEqual(Array.from({ length: 1000 }, b));
    expect(Math.min(...list)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...list)).toBeLessThan(1);
    expect(list.reduce((x, y) => x + y) / 1000).toBeCloseTo(0.5, 1);
  });
});

describe('coherent readings in every state', () => {
  const R_AIR = 287.05;
  const at = (mode: 'key-on' | 'idle' | 'raised' | 'cruise', isWarm: boolean, seed: number) => {
    const { engine } = new StandIn({
      faults: [],
      seed,
      clock: INSTANT_CLOCK,
      temperament: 'instant',
      tripsBefore: 0,
    });
    engine.setMode('idle');
    if (isWarm) engine.advance(2400);
    engine.setMode(mode);
    engine.advance(2);
    return engine.sense();
  };

  test.each([3, 11, 47])('seed %i', (seed) => {
    const [off, cold, warm, raised, cruise] = [
      at('key-on', false, seed),
      at('idle', false, seed),
      at('idle', true, seed),
      at('raised', true, seed),
      at('cruise', true, seed),
    ];
    // Engine off: the manifold is open to the air, nothing flows, the battery rests.
    expect(off).toMatchObject({ rpm: 0, airFlow: 0, load: 0, manifold: off.airPressure });
    expect(off.volts).toBeGreaterThan(12.3);
    expect(off.volts).toBeLessThan(12.8);
    // Cold it idles faster, in open loop; warm slower, steered by the sensor.
    expect(cold.rpm).toBeGreaterThan(warm.rpm + 150);
    expect([cold.isClosedLoop, warm.isClosedLoop]).toEqual([false, true]);
    expect(warm.manifold).toBeGreaterThan(25);
    expect(warm.manifold).toBeLessThan(45);
    expect(raised.rpm).toBeGreaterThan(2300);
    expect(cruise.speed).toBeGreaterThan(70);
    expect(cruise.load).toBeGreaterThan(raised.load);
    for (const s of [cold, warm, raised, cruise]) {
      expect(s.volts).toBeGreaterThan(13.5);
      expect(s.volts).toBeLessThan(14.8);
      // Air flow is what speed, pressure and temperature ask for: the volumetric efficiency is one that engines have.
      const full = (1.4 / 2000) * (s.rpm / 60) * ((s.manifold * 1000) / (R_AIR * (s.intake + 273.15))) * 1000;
      expect(s.airFlow / full).toBeGreaterThan(0.65);
      expect(s.airFlow / full).toBeLessThan(0.9);
      expect(Math.abs(s.shortTrim + s.longTrim)).toBeLessThan(6);
    }
  });

  test('the front oxygen sensor swings, the one behind a sound catalyst does not', () => {
    const { engine } = new StandIn({
      faults: [],
      seed: 5,
      clock: INSTANT_CLOCK,
      temperament: 'instant',
      tripsBefore: 0,
    });
    engine.setMode('idle');
    engine.advance(2400);
    engine.setMode('raised');
    const list = Array.from({ length: 100 }, () => {
      engine.advance(0.1);
      return engine.sense();
    });
    const span = (of: (s: (typeof list)[number]) => number) =>
      Math.max(...list.map(of)) - Math.min(...list.map(of));
    expect(span((s) => s.frontOxygen)).toBeGreaterThan(0.6);
    expect(span((s) => s.rearOxygen)).toBeLessThan(0.1);
    const crossings = list
      .slice(1)
      .filter((s, i) => s.frontOxygen > 0.45 !== (list[i]?.frontOxygen ?? 0) > 0.45).length;
    expect(crossings).toBeGreaterThan(10);
  });
});
