import { AdapterPort, connect, takeReading } from '@pincer/core/link';
import { statusWords } from '@pincer/core/obd';
import { readModuleMap } from '@pincer/core/vehicle';
import { FINCH_MODULES, INSTANT_CLOCK, StandIn, type Fault, type StandInOptions } from './index.ts';

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
  const { reading, fault: linkFault } = await takeReading(result.connection, { units: modules });
  return { car, port, connection: result.connection, reading, linkFault };
}

describe('the walk over the control units of a module map', () => {
  test('a weak battery: codes in six control units, with their status and failure type', async () => {
    const { reading, linkFault } = await readAll({ kind: 'battery-weak' });
    expect([linkFault, reading.missing]).toEqual([null, []]);
    const units = new Set(reading.codes.map((c) => c.unit));
    expect([...units].sort()).toEqual(['6A8', '6B8', '6C8', '6D8', '6E8', '7E8']);
    expect(reading.codes.find((c) => c.unit === '6A8')).toMatchObject({
      code: 'U3003',
      failureType: '16',
      statusByte: 0x28,
    });
    expect(reading.units?.filter((u) => !u.hasAnswered)).toMatchObject([
      { name: 'Gearbox', why: expect.stringMatching(/does not know this service/) as string },
      { name: 'Climate', why: expect.stringMatching(/does not answer/) as string },
    ]);
  });

  test('the engine’s codes get their status byte and are not told twice', async () => {
    const { reading } = await readAll({ kind: 'coil', cylinder: 3 });
    const mine = reading.codes.filter((c) => c.code === 'P0303' && c.state === 'confirmed');
    expect(mine).toHaveLength(1);
    expect(statusWords(mine[0]?.statusByte ?? 0)[0]).toBe('holds a lamp on');
  });

  test('afterwards everybody is asked again, and without a map nothing of it is sent', async () => {
    const { reading, connection, port } = await readAll({ kind: 'wheel-sensor' });
    expect(reading.codes.map((c) => `${c.unit} ${c.code}`)).toEqual(['6A8 C0031', '6D8 U0415']);
    const sent = port.sent.length;
    const again = await takeReading(connection);
    expect(again.reading.monitors.length).toBeGreaterThan(0);
    expect(again.reading.units).toBeUndefined();
    expect(port.sent.slice(sent).filter((c) => /^(ATSH|ATCRA|19)/.test(c))).toEqual([]);
  });

  test('an adapter that cannot address single units, and an older car: said for each unit, nothing else is lost', async () => {
    const poor = await readAll(
      { kind: 'battery-weak' },
      { adapter: { refuses: modules.map((m) => `CRA${m.answer}`) } },
    );
    expect(poor.reading.units?.every((u) => !u.hasAnswered)).toBe(true);
    expect(poor.reading.units?.[0]?.why).toMatch(/cannot address/);
    expect(poor.reading.missing).toEqual([]);
    const old = await readAll({ kind: 'coil', cylinder: 3 }, { adapter: { isLegacy: true } });
    expect(old.reading.units?.[0]?.why).toMatch(/older protocol/);
    expect(old.reading.codes.length).toBeGreaterThan(0);
  });

  test('a cut in mid-walk says that part is missing', async () => {
    const car = new StandIn({ faults: [], seed: 7, clock: INSTANT_CLOCK, temperament: 'instant' });
    const adapter = car.plugIn();
    const result = await connect(new AdapterPort(adapter, INSTANT_CLOCK));
    if (!result.ok) throw new Error(result.fault.code);
    const { reading, fault } = await takeReading(result.connection, {
      units: modules,
      onProgress: (p) => {
        if (p.step.startsWith('Body')) adapter.unplug();
      },
    });
    expect(fault).toEqual({ code: 'cut' });
    expect(reading.missing.map((m) => m.part)).toEqual(['codes of the other control units']);
    expect(reading.units?.map((u) => u.name)).toEqual(['Engine', 'Gearbox', 'Brakes', 'Airbag']);
  });
});

test('the Finch’s own map is a map like any other', () => {
  expect(readModuleMap(JSON.stringify(FINCH_MODULES))).toMatchObject({ ok: true });
});
