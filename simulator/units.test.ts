import { cleared } from '../core/test/permit.ts';
import { codeEntry } from '@pincer/core/codes';
import { AdapterPort, connect, takeScan } from '@pincer/core/link';
import { statusWords } from '@pincer/core/obd';
import { readModuleMap } from '@pincer/core/vehicle';
import {
  CARS,
  FINCH,
  FINCH_MODULES,
  INSTANT_CLOCK,
  StandIn,
  type CarPlan,
  type Fault,
  type StandInOptions,
} from './index.ts';

const { modules } = FINCH_MODULES;

async function readAll(fault: Fault, options: Partial<StandInOptions> = {}) {
  const car = new StandIn({
    faults: [fault],
    seed: 7,
    clock: INSTANT_CLOCK,
    temperament: 'instant',
    ...options,
  });
  const port = new AdapterPort(car.plugIn(), INSTANT_CLOCK);
  const result = await connect(port);
  if (!result.ok) throw new Error(result.fault.code);
  const { scan, fault: linkFault } = await takeScan(result.connection, { units: modules });
  return { car, port, connection: result.connection, scan, linkFault };
}

describe('the walk over the control units of a module map', () => {
  test('a weak battery: codes in seven control units, with their status and failure type', async () => {
    const { scan, linkFault } = await readAll({ kind: 'battery-weak' });
    expect([linkFault, scan.missing]).toEqual([null, []]);
    const units = new Set(scan.codes.map((c) => c.unit));
    expect([...units].sort()).toEqual(['6A8', '6B8', '6C8', '6D8', '6E8', '7E8', '7E9']);
    expect(scan.codes.find((c) => c.unit === '6A8')).toMatchObject({
      code: 'U3003',
      failureType: '16',
      statusByte: 0x28,
    });
    expect(scan.units?.filter((u) => !u.hasAnswered)).toMatchObject([
      { name: 'Climate', why: expect.stringMatching(/does not answer/) as string },
    ]);
  });

  test('a dead shift valve: told by the gearbox over two trips, felt by engine and brakes, back at once when cleared', async () => {
    const first = await readAll({ kind: 'gear-valve' }, { tripsBefore: 0 });
    const told = (r: typeof first.scan) =>
      r.codes
        .filter((c) => c.code !== 'U0402')
        .map((c) => `${c.unit} ${c.code} ${c.state}`)
        .sort();
    expect(told(first.scan)).toEqual(['7E8 P0700 pending', '7E9 P0753 pending']);
    const { scan, connection } = await readAll({ kind: 'gear-valve' });
    expect(told(scan)).toEqual([
      '7E8 P0700 confirmed',
      '7E8 P0700 pending',
      '7E8 P0700 permanent',
      '7E9 P0753 confirmed',
      '7E9 P0753 pending',
      '7E9 P0753 permanent',
    ]);
    expect(scan.codes.find((c) => c.unit === '6A8')).toMatchObject({ code: 'U0402', failureType: '86' });
    const gearbox = modules.find((m) => m.id === 'gearbox');
    if (!gearbox) throw new Error('The map has no gearbox.');
    expect(await cleared(connection, { kind: 'unit', unit: gearbox })).toMatchObject({ outcome: 'agreed' });
    const again = await takeScan(connection, { units: modules });
    expect(told(again.scan).filter((c) => c.startsWith('7E9'))).toEqual([
      '7E9 P0753 pending',
      '7E9 P0753 permanent',
    ]);
  });

  test('the gearbox tells its gear itself; with a dead shift valve it keeps to the third', async () => {
    for (const [faults, mode, gear] of [
      [[], 'hill', 2],
      [[], 'cruise', 4],
      [[], 'idle', 0],
      [[{ kind: 'gear-valve' }], 'hill', 3],
      [[{ kind: 'gear-valve' }], 'cruise', 3],
    ] as const) {
      const car = new StandIn({ faults, seed: 7, clock: INSTANT_CLOCK, temperament: 'instant' });
      car.setMode(mode);
      const result = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
      if (!result.ok) throw new Error(result.fault.code);
      const { scan } = await takeScan(result.connection);
      const told = scan.values.filter((v) => v.pid === 'A4' && v.part === 'gear');
      expect(told.map((v) => [v.source, v.value])).toEqual([['7E9', gear]]);
    }
  });

  test('the engine’s codes get their status byte and are not told twice', async () => {
    const { scan } = await readAll({ kind: 'coil', cylinder: 3 });
    const mine = scan.codes.filter((c) => c.code === 'P0303' && c.state === 'confirmed');
    expect(mine).toHaveLength(1);
    expect(statusWords(mine[0]?.statusByte ?? 0)[0]).toBe('holds a light on');
  });

  test('afterwards everybody is asked again, and without a map nothing of it is sent', async () => {
    const { scan, connection, port } = await readAll({ kind: 'wheel-sensor' });
    expect(scan.codes.map((c) => `${c.unit} ${c.code}`)).toEqual(['6A8 C0031', '6D8 U0415']);
    const sent = port.sent.length;
    const again = await takeScan(connection);
    expect(again.scan.monitors.length).toBeGreaterThan(0);
    expect(again.scan.units).toBeUndefined();
    expect(port.sent.slice(sent).filter((c) => /^(ATSH|ATCRA|19)/.test(c))).toEqual([]);
  });

  test('a unit that was addressed by itself is not expected to answer the standard’s questions', async () => {
    const { scan } = await readAll({ kind: 'battery-weak' });
    const brakes = scan.parts.filter((p) => p.unit === '6A8').map((p) => p.part);
    expect(brakes).toContain('confirmed');
    expect(brakes).not.toContain('readiness');
    expect(brakes).not.toContain('mil');
  });

  test('an adapter that cannot address single units, and an older car: said for each unit, nothing else is lost', async () => {
    const poor = await readAll(
      { kind: 'battery-weak' },
      { adapter: { refuses: modules.map((m) => `CRA${m.answer}`) } },
    );
    expect(poor.scan.units?.every((u) => !u.hasAnswered)).toBe(true);
    expect(poor.scan.units?.[0]?.why).toMatch(/cannot address/);
    expect(poor.scan.missing).toEqual([]);
    const old = await readAll({ kind: 'coil', cylinder: 3 }, { adapter: { isLegacy: true } });
    expect(old.scan.units?.[0]?.why).toMatch(/older protocol/);
    expect(old.scan.codes.length).toBeGreaterThan(0);
  });

  test('a cut in mid-walk says that part is missing', async () => {
    const car = new StandIn({ faults: [], seed: 7, clock: INSTANT_CLOCK, temperament: 'instant' });
    const adapter = car.plugIn();
    const result = await connect(new AdapterPort(adapter, INSTANT_CLOCK));
    if (!result.ok) throw new Error(result.fault.code);
    const { scan, fault } = await takeScan(result.connection, {
      units: modules,
      onProgress: (p) => {
        if (p.step.startsWith('Body')) adapter.unplug();
      },
    });
    expect(fault).toEqual({ code: 'cut' });
    expect(scan.missing.map((m) => m.part)).toEqual(['codes of the other control units']);
    expect(scan.units?.map((u) => u.name)).toEqual(['Engine', 'Transmission', 'Brakes', 'Airbag']);
  });
});

describe('control units are cleared one by one', () => {
  const find = (id: string) => {
    const unit = modules.find((m) => m.id === id);
    if (!unit) throw new Error(`The map has no ${id}.`);
    return unit;
  };

  test('what is only stored is gone; what fails now is back at once; everybody is asked again afterwards', async () => {
    const weak = await readAll({ kind: 'battery-weak' });
    expect(await cleared(weak.connection, { kind: 'unit', unit: find('body') })).toMatchObject({
      outcome: 'agreed',
    });
    const after = await takeScan(weak.connection, { units: modules });
    expect(after.scan.codes.filter((c) => c.unit === '6C8')).toEqual([]);
    expect(after.scan.codes.some((c) => c.unit === '6D8')).toBe(true);
    expect(after.scan.monitors.length).toBeGreaterThan(0);
    const open = await readAll({ kind: 'wheel-sensor' });
    expect(await cleared(open.connection, { kind: 'unit', unit: find('brakes') })).toMatchObject({
      outcome: 'agreed',
    });
    const again = await takeScan(open.connection, { units: modules });
    expect(again.scan.codes.filter((c) => c.unit === '6A8').map((c) => c.code)).toEqual(['C0031']);
  });

  test('a unit that is not there, a running engine, an older car: said, and nothing else is touched', async () => {
    const { connection, car } = await readAll({ kind: 'battery-weak' });
    expect(await cleared(connection, { kind: 'unit', unit: find('climate') })).toMatchObject({
      outcome: 'refused',
      why: 'Climate: it does not answer: not fitted, or asleep. Nothing was sent.',
    });
    car.setMode('idle');
    expect(await cleared(connection, { kind: 'unit', unit: find('body') })).toMatchObject({
      outcome: 'refused',
      why: expect.stringMatching(/it refuses/) as string,
    });
    const old = await readAll({ kind: 'battery-weak' }, { adapter: { isLegacy: true } });
    expect(await cleared(old.connection, { kind: 'unit', unit: find('body') })).toMatchObject({
      outcome: 'refused',
    });
  });
});

describe('the other vehicles', () => {
  const read = async (plan: CarPlan, fault: Fault | null, isWarm = true) => {
    const car = new StandIn({
      car: plan,
      faults: fault ? [fault] : [],
      seed: 7,
      clock: INSTANT_CLOCK,
      temperament: 'instant',
    });
    if (isWarm) car.warmUp();
    const result = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
    if (!result.ok) throw new Error(result.fault.code);
    return (await takeScan(result.connection)).scan;
  };

  test.each(CARS.map((c) => [c.title, c] as const))(
    '%s: sound, it has no code, and every fault sets one',
    async (_, plan) => {
      const sound = await read(plan, null);
      expect(sound.missing).toEqual([]);
      expect(sound.codes).toEqual([]);
      expect(sound.vin).toBe(plan.identity.vin);
      expect(sound.ignition).toBe(plan.ignition);
      for (const fault of plan.faults.filter((f) => f.kind !== 'wheel-sensor' && f.kind !== 'units-hold')) {
        const { codes } = await read(plan, fault, false);
        expect([fault.kind, codes.length > 0]).toEqual([fault.kind, true]);
        for (const c of codes) expect(codeEntry(c.code)).not.toBeNull();
      }
    },
  );

  test('its own tests with their limits: misfires by cylinder, the catalyst beyond its limit', async () => {
    const worn = await read(FINCH, { kind: 'catalyst-worn' });
    const catalyst = worn.values.find((v) => v.service === '06' && v.pid === '21');
    expect(catalyst).toMatchObject({ name: 'Catalyst, bank 1: manufacturer’s test 84' });
    expect(Number(catalyst?.value)).toBeGreaterThan(catalyst?.max ?? Infinity);
    const coil = await read(FINCH, { kind: 'coil', cylinder: 3 });
    const counts = coil.values
      .filter((v) => v.service === '06' && v.part === '0C')
      .map((v) => Number(v.value));
    expect(counts).toHaveLength(4);
    expect(counts[2]).toBeGreaterThan(1_000);
    expect(counts.filter((c) => c === 0)).toHaveLength(3);
  });
});

test('the Finch’s own map is a map like any other', () => {
  expect(readModuleMap(JSON.stringify(FINCH_MODULES))).toMatchObject({ ok: true });
});
