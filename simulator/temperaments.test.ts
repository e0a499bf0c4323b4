import { AdapterPort, connect, takeScan } from '@pincer/core/link';
import { milOf, scanSchema, type Scan } from '@pincer/core/obd';
import { FINCH, INSTANT_CLOCK, StandIn, type Fault, type TemperamentId } from './index.ts';
import { legacyPayloads } from './legacy-bus.ts';

const AT_ONCE = { commandMs: 0, requestMs: 0, searchMs: 0 };
const FAULT: Fault = { kind: 'coil', cylinder: 3 };

async function read(temperament: TemperamentId, seed = 7): Promise<{ scan: Scan; sent: string[] }> {
  const car = new StandIn({ faults: [FAULT], seed, clock: INSTANT_CLOCK, temperament, adapter: AT_ONCE });
  const port = new AdapterPort(car.plugIn(), INSTANT_CLOCK);
  const connected = await connect(port);
  if (!connected.ok) throw new Error(connected.fault.code);
  const { scan, fault } = await takeScan(connected.connection);
  expect(fault).toBeNull();
  expect(scanSchema.parse(scan)).toEqual(scan);
  return { scan, sent: port.sent };
}

/** What a scan says, whoever carried it: codes, conditions, readings, checks, number. */
const content = (r: Scan) => ({
  vin: r.vin,
  lamp: milOf(r),
  codes: r.codes.map((c) => `${c.code} ${c.state}`).sort(),
  frozen: r.freezeFrames.flatMap((f) => f.values.map((v) => `${v.pid} ${v.value}`)).sort(),
  pids: [...new Set(r.values.filter((v) => v.service === '01').map((v) => `${v.pid}${v.part ?? ''}`))].sort(),
  monitors: r.monitors.length,
  calibrations: r.identities.flatMap((i) => i.calibrationIds).sort(),
});

describe('adapter temperaments', () => {
  test('a car of the older protocols is read as fully as one on CAN', async () => {
    const [can, old] = [await read('quick'), await read('legacy')];
    expect(content(old.scan)).toEqual(content(can.scan));
    expect(new Set(old.scan.codes.map((c) => c.unit))).toEqual(new Set(['10']));
    expect(old.scan.vin).toBe(FINCH.identity.vin);
    expect(old.scan.protocol).toBe('ISO 9141-2');
    // One scan a request.
    expect(old.sent.filter((c) => c.startsWith('01') && c.length > 4)).toEqual([]);
  });

  test.each([3, 7, 11, 19, 23])(
    'one that loses characters is asked again, and never believed when damaged (seed %i)',
    async (seed) => {
      const [good, lossy] = [await read('quick', seed), await read('forgetful', seed)];
      // Something is asked for more than once; what a lost list would have named may never be asked.
      expect(new Set(lossy.sent).size).toBeLessThan(lossy.sent.length);
      // Whatever it says was really said; it may be less, never other.
      const truth = content(good.scan);
      const said = content(lossy.scan);
      for (const key of ['codes', 'frozen', 'pids', 'calibrations'] as const)
        for (const x of said[key]) expect(truth[key]).toContain(x);
      expect(said.codes).toEqual(truth.codes);
    },
  );

  test('one that does not know some commands is read all the same', async () => {
    const [good, clone] = [await read('quick'), await read('clone')];
    expect(content(clone.scan)).toEqual(content(good.scan));
    expect(clone.sent.length).toBe(good.sent.length);
  });

  test('one that restarts in the middle is set up again, and nothing is missing', async () => {
    const [good, again] = [await read('quick'), await read('restarting')];
    expect(content(again.scan)).toEqual(content(good.scan));
    expect(again.sent.filter((c) => c === 'ATE0')).toHaveLength(2);
    expect(again.scan.missing).toEqual([]);
  });

  test('one that restarts for ever ends, and says why', async () => {
    const car = new StandIn({ faults: [FAULT], seed: 7, clock: INSTANT_CLOCK, temperament: 'instant' });
    const adapter = car.plugIn();
    const port = new AdapterPort(adapter, INSTANT_CLOCK);
    const connected = await connect(port);
    if (!connected.ok) throw new Error(connected.fault.code);
    port.send = (command) =>
      Promise.resolve(
        command.startsWith('AT') || command === '0100'
          ? { ok: true, lines: ['OK', '7E8064100BE3EB811'] }
          : { ok: true, lines: ['LV RESET'] },
      );
    const { scan, fault } = await takeScan(connected.connection);
    expect(fault).toEqual({ code: 'low-voltage-reset' });
    expect(scan.missing.length).toBeGreaterThan(5);
    expect(scan.missing[0]?.why).toMatch(/voltage dropped/);
  });
});

test('answers of the older protocols: codes by three, information in numbered parts', () => {
  expect(legacyPayloads([0x43, 4, 1, 1, 1, 2, 1, 3, 1, 4])).toEqual([
    [0x43, 1, 1, 1, 2, 1, 3],
    [0x43, 1, 4, 0, 0, 0, 0],
  ]);
  expect(legacyPayloads([0x47, 0])).toEqual([[0x47, 0, 0, 0, 0, 0, 0]]);
  const vin = legacyPayloads([0x49, 0x02, 1, ...Array<number>(17).fill(0x41)]);
  expect(vin).toHaveLength(5);
  expect(vin[0]).toEqual([0x49, 0x02, 1, 0, 0, 0, 0x41]);
  expect(vin[4]).toEqual([0x49, 0x02, 5, 0x41, 0x41, 0x41, 0x41]);
});
