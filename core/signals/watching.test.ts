import {
  DropOutWatch,
  GUIDED_STEPS,
  GuidedWatch,
  READINGS,
  UNKNOWN_ENGINE,
  addSamples,
  emptyRecording,
  expectedBand,
  responseAt,
  wantedFor,
  watchList,
  windowsOf,
  type GuidedStepId,
  type Sample,
} from './index.ts';

const input = (at: number, engineSpeed: number, more: { coolant?: number; speed?: number } = {}) => ({
  at,
  state:
    engineSpeed < 40
      ? ('key-on' as const)
      : engineSpeed > 1200
        ? ('raised' as const)
        : ('idle-warm' as const),
  engineSpeed,
  coolant: more.coolant ?? 90,
  speed: more.speed ?? 0,
});

describe('guided watching', () => {
  test('holding 2,500: what is missing is said, leaving it begins anew, enough stays enough', () => {
    const watch = new GuidedWatch('hold-2500', UNKNOWN_ENGINE);
    expect(watch.push(input(0, 740)).says).toMatch(/A little more: 740/);
    expect(watch.push(input(1, 3200)).says).toMatch(/A little less/);
    expect(watch.push(input(2, 2500))).toMatchObject({ isReached: true, have: 0, want: 12 });
    expect(watch.push(input(10, 2480))).toMatchObject({ have: 8, isDone: false });
    expect(watch.push(input(11, 900)).have).toBe(0);
    expect(watch.push(input(12, 2500)).isDone).toBe(false);
    expect(watch.push(input(24.5, 2500))).toMatchObject({ isDone: true, says: 'That is enough.' });
    expect(watch.push(input(25, 740)).isDone).toBe(true);
  });

  test('revs are counted only up and down again; a motorcycle has its own figures', () => {
    const watch = new GuidedWatch('rev-and-release', UNKNOWN_ENGINE);
    const speeds = [740, 3000, 3100, 1000, 2900, 1100, 2700, 2000];
    const states = speeds.map((rpm, i) => watch.push(input(i, rpm)));
    expect(states.at(-1)).toMatchObject({ have: 2, isDone: false, says: 'Now let go.' });
    expect(watch.push(input(9, 900)).isDone).toBe(true);
    const bike = new GuidedWatch('hold-2500', { ...UNKNOWN_ENGINE, isMotorcycle: true });
    expect(bike.push(input(0, 2500)).isReached).toBe(false);
    expect(bike.push(input(1, 5000)).isReached).toBe(true);
  });

  test('a cold diesel is watched at key-on for as long as it heats; a warm one or a petrol engine briefly', () => {
    const want = (isDiesel: boolean, coolant: number) =>
      new GuidedWatch('key-on', { ...UNKNOWN_ENGINE, isDiesel }).push(input(0, 0, { coolant })).want;
    expect([want(true, 4), want(true, 60), want(false, 4)]).toEqual([25, 5, 5]);
  });

  test('idling until warm counts from the moment that it is warm, and a steady road from its speed', () => {
    const idle = new GuidedWatch('idle-until-warm', UNKNOWN_ENGINE);
    expect(idle.push(input(0, 900, { coolant: 60 })).have).toBe(0);
    expect(idle.push(input(300, 740, { coolant: 84 }))).toMatchObject({ isReached: true, have: 0 });
    expect(idle.push(input(316, 740, { coolant: 85 })).isDone).toBe(true);
    const road = new GuidedWatch('steady-cruise', UNKNOWN_ENGINE);
    expect(road.push(input(0, 2300, { speed: 82 })).isReached).toBe(true);
    expect(road.push(input(20, 2300, { speed: 30 })).have).toBe(0);
    expect(road.push(input(21, 2300, { speed: 130 })).says).toMatch(/Slower/);
    expect(road.push(input(22, 2300, { speed: 80 })).isDone).toBe(false);
    expect(road.push(input(53, 2300, { speed: 81 })).isDone).toBe(true);
  });

  test.each<[GuidedStepId, Parameters<typeof input>, RegExp]>([
    ['hold-2500', [0, 2500, { speed: 20 }], /Stand still/],
    ['idle-until-warm', [0, 800, { speed: 20 }], /Stand still/],
    ['idle-until-warm', [0, 2500], /idle/],
    ['rev-and-release', [0, 800], /Press and let go, 3 more/],
    ['key-on', [0, 800], /engine off/],
    ['idle-until-warm', [0, 800, { coolant: 41 }], /\{41 °C\} of \{80 °C\}/],
    ['idle-until-warm', [0, 0], /Start/],
    ['steady-cruise', [0, 2000, { speed: 30 }], /where it is safe/],
  ])('%s: what to do now', (id, now, says) => {
    expect(new GuidedWatch(id, UNKNOWN_ENGINE).push(input(...now)).says).toMatch(says);
  });

  test('every step says what it needs, and driving is for a passenger to read', () => {
    for (const step of GUIDED_STEPS) {
      expect(step.needs).toContain('engineSpeed');
      expect(step.how.length).toBeGreaterThan(30);
    }
    expect(GUIDED_STEPS.find((s) => s.id === 'steady-cruise')?.caution).toMatch(/passenger/);
  });
});

describe('move something', () => {
  const trace = (of: (t: number) => number) => {
    const times = Array.from({ length: 150 }, (_, i) => i * 0.1);
    return { times, values: times.map(of) };
  };

  test('a throttle that follows half a second later; one that does not; a reading that only wavers', () => {
    const follows = responseAt(
      trace((t) => (t < 5.5 ? 12 : 60)),
      5,
    );
    expect(follows).toMatchObject({ hasFollowed: true, before: 12, furthest: 60 });
    expect(follows?.afterSeconds).toBeCloseTo(0.5, 1);
    expect(
      responseAt(
        trace(() => 12),
        5,
      ),
    ).toMatchObject({ hasFollowed: false, afterSeconds: null });
    expect(
      responseAt(
        trace((t) => 12 + Math.sin(t * 9)),
        5,
      )?.hasFollowed,
    ).toBe(false);
    expect(responseAt({ times: [1], values: [1] }, 5)).toBeNull();
  });

  test('a wiggled wire: each jump away and back is one drop-out; a lasting change is one and no more; noise is none', () => {
    const watch = new DropOutWatch();
    const found = trace((t) => (Math.abs(t - 4) < 0.15 || Math.abs(t - 8) < 0.15 ? 0 : 20 + Math.sin(t * 3)));
    found.times.forEach((t, i) => watch.push(t, found.values[i] ?? 0));
    expect(watch.dropOuts.map((d) => Math.round(d.at))).toEqual([4, 8]);
    const step = new DropOutWatch();
    trace((t) => (t < 5 ? 20 : 60)).values.forEach((v, i) => step.push(i * 0.1, v));
    expect(step.dropOuts).toHaveLength(1);
    const calm = new DropOutWatch();
    trace((t) => 20 + Math.sin(t * 3)).values.forEach((v, i) => calm.push(i * 0.1, v));
    expect(calm.dropOuts).toEqual([]);
  });
});

describe('windows of a recording', () => {
  const channel = (id: string) => ({ id, name: id, unit: '' });
  const record = (...lists: [id: string, of: (t: number) => number][]) => {
    const recording = emptyRecording('2026-11-03T08:00:00.000Z');
    const samples: Sample[] = [];
    for (let t = 0; t < 40; t += 0.2)
      for (const [id, of] of lists) samples.push({ at: t, channel: channel(id), value: of(t) });
    addSamples(recording, samples);
    return recording;
  };

  test('key on, started, idled, revved: each state once, cut where it changes', () => {
    const rpm = (t: number) => (t < 8 ? 0 : t < 9 ? 220 : t < 25 ? 750 : 2500);
    const windows = windowsOf(
      record(
        ['0C', rpm],
        ['0D', () => 0],
        ['05', () => 88],
        ['42', (t) => (t < 8 ? 12.5 : t < 9 ? 10.2 : 14.1)],
      ),
      UNKNOWN_ENGINE,
    );
    expect(windows.map((w) => w.state)).toEqual(['key-on', 'cranking', 'idle-warm', 'raised']);
    expect(windows.map((w) => w.stats['volts']?.min)).toEqual([12.5, 10.2, 14.1, 14.1]);
    expect(windows.reduce((s, w) => s + w.seconds, 0)).toBeCloseTo(39.8, 1);
    // The ends, where what follows late still shows the state before, are left out.
    expect(windows[3]?.stats['engineSpeed']).toMatchObject({ min: 2500, max: 2500 });
  });

  test('differences are taken sample by sample: both moving together differ by nothing', () => {
    const swing = (t: number) => 20 + 15 * Math.sin(t);
    const [window] = windowsOf(
      record(['0C', () => 2500], ['0D', () => 0], ['11', swing], ['4C', swing]),
      UNKNOWN_ENGINE,
    );
    expect(window?.stats['throttleGap']).toMatchObject({ min: 0, max: 0 });
    expect(window?.stats['throttle']?.swings).toBeGreaterThan(2);
  });

  test('without engine speed the state is unknown; without samples there is no window', () => {
    expect(windowsOf(record(['42', () => 12.6]), UNKNOWN_ENGINE)[0]?.state).toBe('unknown');
    expect(windowsOf(emptyRecording('2026-11-03T08:00:00.000Z'), UNKNOWN_ENGINE)).toEqual([]);
  });
});

describe('what to watch', () => {
  test('what tells the state always, then what shows the causes in play; at most ten', () => {
    expect(watchList(['air', 'fuel']).slice(0, 3)).toEqual(['engineSpeed', 'speed', 'coolant']);
    expect(watchList(['electrical'])).toContain('volts');
    expect(watchList(['air', 'fuel', 'exhaust', 'ignition']).length).toBeLessThanOrEqual(10);
  });

  test('only what the car tells is asked for, as often as its quickest reading needs', () => {
    const wanted = wantedFor(['frontOxygen', 'coolant', 'boost'], new Set([0x14, 0x05]));
    expect(wanted).toEqual([
      { pid: 0x14, everyMs: READINGS.frontOxygen.everyMs },
      { pid: 0x05, everyMs: READINGS.coolant.everyMs },
    ]);
  });

  test('bands are those of the state and the engine', () => {
    expect(expectedBand('volts', 'idle-warm', UNKNOWN_ENGINE)).toEqual({ low: 13.5, high: 14.8 });
    expect(expectedBand('manifold', 'idle-warm', { ...UNKNOWN_ENGINE, isDiesel: true })).toBeNull();
    expect(expectedBand('manifold', 'driving', UNKNOWN_ENGINE)).toBeNull();
  });
});

describe('what is usual behind a trace', () => {
  const DIESEL = { ...UNKNOWN_ENGINE, isDiesel: true };
  const BIKE = { ...UNKNOWN_ENGINE, isMotorcycle: true };
  test.each([
    ['volts', 'idle-warm', UNKNOWN_ENGINE, 14.2],
    ['volts', 'key-on', UNKNOWN_ENGINE, 12.5],
    ['coolant', 'cruise', UNKNOWN_ENGINE, 90],
    ['shortTrim', 'raised', UNKNOWN_ENGINE, 2],
    ['manifold', 'idle-warm', UNKNOWN_ENGINE, 33],
    ['manifold', 'raised', UNKNOWN_ENGINE, 30],
    ['frontOxygen', 'raised', UNKNOWN_ENGINE, 0.5],
    ['rearOxygen', 'cruise', UNKNOWN_ENGINE, 0.68],
    ['engineSpeed', 'idle-warm', UNKNOWN_ENGINE, 740],
    ['engineSpeed', 'idle-warm', BIKE, 1_320],
    ['load', 'idle-warm', UNKNOWN_ENGINE, 22],
    ['airPressure', 'key-on', UNKNOWN_ENGINE, 100],
    ['rail', 'idle-warm', DIESEL, 30_000],
  ] as const)('%s, %s: a sound value lies in it', (key, state, engine, sound) => {
    const band = expectedBand(key, state, engine);
    expect(band && band.low <= sound && sound <= band.high).toBe(true);
  });

  test.each([
    ['manifold', 'idle-warm', DIESEL],
    ['shortTrim', 'raised', DIESEL],
    ['coolant', 'idle-cold', UNKNOWN_ENGINE],
    ['engineSpeed', 'driving', UNKNOWN_ENGINE],
    ['manifold', 'driving', UNKNOWN_ENGINE],
    ['fuelLevel', 'idle-warm', UNKNOWN_ENGINE],
  ] as const)('%s, %s: nothing is usual, so no band is drawn', (key, state, engine) => {
    expect(expectedBand(key, state, engine)).toBeNull();
  });
});
