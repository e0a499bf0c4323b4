import { cleared } from '../core/test/permit.ts';
import { AdapterPort, connect, resumeScan, takeScan, type Clock, type ReadProgress } from '@pincer/core/link';
import { currentNumber, scanSchema, milOf } from '@pincer/core/obd';
import { readVin } from '@pincer/core/vehicle';
import { FINCH, INSTANT_CLOCK, StandIn, type Fault, type StandInOptions } from './index.ts';

function plugged(fault: Fault | null, options: Partial<StandInOptions> = {}) {
  const car = new StandIn({
    faults: fault ? [fault] : [],
    seed: 7,
    clock: INSTANT_CLOCK,
    temperament: 'instant',
    ...options,
  });
  const adapter = car.plugIn();
  return { car, adapter, port: new AdapterPort(adapter, INSTANT_CLOCK) };
}

async function talking(port: AdapterPort) {
  const result = await connect(port);
  if (!result.ok) throw new Error(result.fault.code);
  return result.connection;
}

describe('a session with the stand-in', () => {
  test('it connects, names the protocol and measures the battery', async () => {
    const { port } = plugged(null);
    const connection = await talking(port);
    expect(connection).toMatchObject({
      isCan: true,
      protocol: 'ISO 15765-4, 11-bit CAN, 500 kbit/s',
      refused: [],
    });
    expect(connection.adapterVolts).toBeCloseTo(12.5, 1);
  });

  test('ignition off: no control unit answers, and the voltage is known all the same', async () => {
    const { car, port } = plugged(null);
    car.setMode('off');
    expect(await connect(port)).toMatchObject({ ok: false, fault: { code: 'unable-to-connect' } });
    car.setMode('key-on');
    expect((await connect(port)).ok).toBe(true);
  });

  test('a full reading has everything and fits the schema', async () => {
    const { port } = plugged({ kind: 'coil-boot', cylinder: 2 });
    const steps: ReadProgress[] = [];
    const { scan, fault } = await takeScan(await talking(port), { onProgress: (p) => steps.push(p) });
    expect(fault).toBeNull();
    expect(scanSchema.parse(scan)).toEqual(scan);
    expect(scan).toMatchObject({
      vin: FINCH.identity.vin,
      mils: [
        { unit: '7E8', on: true },
        { unit: '7E9', on: false },
      ],
      ignition: 'spark',
      errors: [],
      missing: [],
    });
    expect(readVin(scan.vin ?? '')).toMatchObject({ ok: true, isCheckDigitRight: true, modelYear: 2012 });
    expect(scan.codes.filter((c) => c.code === 'P0302').map((c) => c.state)).toEqual([
      'confirmed',
      'pending',
      'permanent',
    ]);
    expect(scan.freezeFrames[0]).toMatchObject({ code: 'P0302' });
    const at = Object.fromEntries(scan.freezeFrames[0]?.values.map((v) => [v.pid, v.value]) ?? []);
    expect(at['05']).toBeLessThan(40);
    expect(at['04']).toBeGreaterThan(55);
    expect(scan.monitors.filter((m) => m.span === 'since-clear').map((m) => m.unit)).toContain('7E9');
    expect(scan.identities.map((i) => i.calibrationIds)).toEqual([['TF14-E5-0231'], ['TCF14-A2']]);
    for (const pid of ['21', '30', '31', '42', '0C']) expect(currentNumber(scan, pid)).not.toBeNull();
    expect(steps.at(-1)).toMatchObject({ done: 8, total: 8 });
    expect(steps.map((s) => s.done)).toEqual([...steps.map((s) => s.done)].sort((a, b) => a - b));
  });

  test('cut in the middle: what came is kept, and what is missing is said', async () => {
    const { port, adapter } = plugged({ kind: 'coil-boot', cylinder: 2 });
    const connection = await talking(port);
    const { scan, fault } = await takeScan(connection, {
      onProgress: (p) => {
        if (p.step === 'Stored conditions') adapter.unplug();
      },
    });
    expect(fault).toEqual({ code: 'cut' });
    expect(scan.codes.map((c) => c.code)).toContain('P0302');
    expect(scan.missing.map((m) => m.part)).toEqual([
      'stored conditions',
      'engine light, self-checks and readings',
      'on-board test results',
    ]);
    expect(scan.missing[0]?.why).toMatch(/cut/);
  });

  test('gone on with after a cut: only what is missing is asked for, and it ends complete and the same', async () => {
    const { car, port, adapter } = plugged({ kind: 'coil-boot', cylinder: 2 });
    const whole = (await takeScan(await talking(port))).scan;
    const connection = await talking(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
    adapter.unplug();
    const second = car.plugIn();
    const cutPort = new AdapterPort(second, INSTANT_CLOCK);
    const cut = await takeScan(await talking(cutPort), {
      onProgress: (p) => {
        if (p.step === 'Stored conditions') second.unplug();
      },
    });
    const before = connection.port.sent.length;
    const { scan, fault } = await resumeScan(connection, cut.scan);
    expect([fault, scan.missing]).toEqual([null, []]);
    const asked = connection.port.sent.slice(before);
    expect(asked.filter((r) => /^0[37A]/.test(r))).toEqual([]);
    expect(scan.codes).toEqual(whole.codes);
    expect(scan.freezeFrames).toEqual(whole.freezeFrames);
    expect(scan.monitors).toEqual(whole.monitors);
    expect(scan.vin).toBe(whole.vin);
    const pids = (r: typeof scan) =>
      r.values.map((v) => `${v.service} ${v.source} ${v.pid} ${v.part ?? ''}`).sort();
    expect(pids(scan)).toEqual(pids(whole));
    // The part that was cut is as it was.
    expect(cut.scan.missing.length).toBe(3);
  });

  test('gone on with on another car: begun anew, never mixed', async () => {
    const first = plugged({ kind: 'coil', cylinder: 3 });
    const { scan: begun } = await takeScan(await talking(first.port), {
      onProgress: (p) => {
        if (p.step.startsWith('Engine light')) first.adapter.unplug();
      },
    });
    expect(begun.vin).toBe(FINCH.identity.vin);
    const other = await talking(plugged({ kind: 'air-flow-unplugged' }).port);
    const { scan } = await resumeScan(other, { ...begun, vin: 'ZZ9TR1F4XDH000777' });
    expect(scan.missing).toEqual([]);
    expect([...new Set(scan.codes.map((c) => c.code))]).toEqual(['P0102']);
  });

  test('nobody can tell the car from another: begun anew, never gone on with', async () => {
    const first = plugged({ kind: 'coil', cylinder: 3 });
    const { scan: begun } = await takeScan(await talking(first.port), {
      onProgress: (p) => {
        if (p.step === 'Confirmed codes') first.adapter.unplug();
      },
    });
    const again = await talking(plugged({ kind: 'coil', cylinder: 3 }).port);
    const { vin, ...unnamed } = begun;
    expect(vin).toBe(FINCH.identity.vin);
    expect((await resumeScan(again, begun)).hasGoneOn).toBe(true);
    expect((await resumeScan(again, { ...unnamed, identities: [] })).hasGoneOn).toBe(false);
  });

  test('a search that misses the protocol: tried one by one it connects, on CAN and on the older ones', async () => {
    const blind = plugged(null, { adapter: { isSearchBlind: true } });
    expect(await connect(blind.port)).toMatchObject({ ok: false, fault: { code: 'unable-to-connect' } });
    expect(await connect(blind.port, { eachProtocol: true })).toMatchObject({
      ok: true,
      connection: { isCan: true },
    });
    const old = plugged(null, { adapter: { isSearchBlind: true, isLegacy: true } });
    const result = await connect(old.port, { eachProtocol: true });
    expect(result).toMatchObject({ ok: true, connection: { isCan: false } });
    expect(old.port.sent).toContain('ATSP3');
  });

  test('a failed connection tells which commands the adapter does not know', async () => {
    const { car, port } = plugged(null, { adapter: { refuses: ['AT1', 'S0'] } });
    car.setMode('off');
    expect(await connect(port)).toMatchObject({ ok: false, refused: ['ATS0', 'ATAT1'] });
  });

  test('ignition turned off after connecting: no reading, never a car without codes', async () => {
    const { car, port } = plugged({ kind: 'coil', cylinder: 3 });
    const connection = await talking(port);
    car.setMode('off');
    const { scan, fault } = await takeScan(connection);
    expect(fault).toEqual({ code: 'unable-to-connect' });
    expect(scan.codes).toEqual([]);
    expect(scan.missing).toHaveLength(8);
  });

  test('stopped by the owner: the same', async () => {
    const { port } = plugged({ kind: 'coil', cylinder: 3 });
    const connection = await talking(port);
    const stop = new AbortController();
    const { scan, fault } = await takeScan(connection, {
      signal: stop.signal,
      onProgress: (p) => {
        if (p.step.startsWith('Engine light')) stop.abort();
      },
    });
    expect(fault).toEqual({ code: 'cancelled' });
    expect(scan.codes.length).toBeGreaterThan(0);
    expect(scan.missing.length).toBe(2);
  });

  test.each<[string, Fault, string[]]>([
    ['dead coil', { kind: 'coil', cylinder: 3 }, ['P0300', 'P0303', 'P0353']],
    ['air flow sensor off', { kind: 'air-flow-unplugged' }, ['P0102']],
    ['intake temperature sensor off', { kind: 'intake-temperature-unplugged' }, ['P0113']],
    ['leak', { kind: 'intake-leak', share: 0.2 }, ['P0171']],
  ])('%s sets its codes', async (_, fault, codes) => {
    const { port } = plugged(fault);
    const { scan } = await takeScan(await talking(port));
    expect([...new Set(scan.codes.map((c) => c.code))].sort()).toEqual(codes);
  });

  test('a sound car has no code and no lamp, and every reading hangs together', async () => {
    const { car, port } = plugged(null);
    car.warmUp();
    const { scan } = await takeScan(await talking(port));
    expect(scan.codes).toEqual([]);
    expect(milOf(scan)).toEqual({ on: false, count: 0 });
    expect(currentNumber(scan, '05')).toBeGreaterThan(80);
    expect(Math.abs((currentNumber(scan, '06') ?? 99) + (currentNumber(scan, '07') ?? 99))).toBeLessThan(6);
  });

  test('clearing: refused with the engine running, agreed with it off, and a fault that is there comes straight back', async () => {
    const { car, port } = plugged({ kind: 'air-flow-unplugged' });
    const connection = await talking(port);
    car.setMode('idle');
    expect(await cleared(connection)).toMatchObject({ outcome: 'refused' });
    car.setMode('key-on');
    expect(await cleared(connection)).toMatchObject({
      outcome: 'agreed',
      agreedBy: ['7E8', '7E9'],
      refusedBy: [],
    });
    const after = (await takeScan(connection)).scan;
    expect(after.codes.map((c) => [c.code, c.state])).toEqual([['P0102', 'permanent']]);
    expect(after.freezeFrames).toEqual([]);
    expect(milOf(after)?.on).toBe(false);
    expect(currentNumber(after, '31')).toBe(0);
    expect(
      after.monitors.filter((m) => m.unit === '7E8' && m.span === 'since-clear' && !m.complete).length,
    ).toBeGreaterThan(5);
    car.setMode('idle');
    const back = (await takeScan(connection)).scan;
    expect(back.codes.filter((c) => c.state === 'pending').map((c) => c.code)).toEqual(['P0102']);
  });

  test('mended and cleared: nothing returns, and the permanent code goes after three good trips', async () => {
    const { car, port } = plugged({ kind: 'coil-boot', cylinder: 2 });
    const connection = await talking(port);
    await cleared(connection);
    car.mend();
    car.drive();
    const one = (await takeScan(connection)).scan;
    expect(new Set(one.codes.map((c) => c.state))).toEqual(new Set(['permanent']));
    car.drive();
    car.drive();
    expect((await takeScan(connection)).scan.codes).toEqual([]);
  });

  test('the same seed gives the same car', async () => {
    const of = async (seed: number) => {
      const { car, port } = plugged(null, { seed });
      car.warmUp();
      return (await takeScan(await talking(port))).scan;
    };
    expect(await of(5)).toEqual(await of(5));
    expect(await of(5)).not.toEqual(await of(6));
  });
});

describe('the adapter’s text', () => {
  async function ask(...commands: string[]): Promise<string[][]> {
    const { port } = plugged(null);
    const replies: string[][] = [];
    for (const c of commands) replies.push((await port.send(c, { timeoutMs: 1000 })).lines);
    return replies;
  }

  test('settings change how answers are printed', async () => {
    const [, , , spaced, , bare, , , headed] = await ask(
      'ATZ',
      'ATE0',
      'ATSP0',
      '0100',
      'ATS0',
      '010D',
      'ATH1',
      'ATS1',
      '010D',
    );
    expect(spaced).toEqual([
      'SEARCHING...',
      expect.stringMatching(/^41 00( [0-9A-F]{2}){4}$/),
      expect.stringMatching(/^41 00/),
    ]);
    expect(bare).toEqual(['410D00']);
    expect(headed).toEqual(['7E8 03 41 0D 00 AA AA AA AA']);
  });

  test('long answers without headers are numbered', async () => {
    const [, , , vin] = await ask('ATE0', 'ATS0', '0100', '0902');
    expect(vin?.[0]).toBe('014');
    expect(vin?.slice(1).map((l) => l.slice(0, 2))).toEqual(['0:', '1:', '2:']);
  });

  test('what it does not know is a question mark', async () => {
    expect(await ask('ATE0', 'ATXYZ', 'hello', '01FF')).toEqual([
      ['OK'],
      ['?'],
      ['?'],
      ['SEARCHING...', 'NO DATA'],
    ]);
  });

  test('a byte in the middle of an answer stops it', async () => {
    const waits: (() => void)[] = [];
    const clock: Clock = { now: () => 0, after: (_, run) => (waits.push(run), () => undefined) };
    const car = new StandIn({ faults: [], seed: 1, clock, temperament: 'quick' });
    const adapter = car.plugIn();
    const bytes = (t: string) => Uint8Array.from(t, (c) => c.charCodeAt(0));
    await adapter.write(bytes('0100\r'));
    await adapter.write(bytes(' '));
    const seen: string[] = [];
    adapter.unplug();
    for await (const b of adapter.incoming) seen.push(String.fromCharCode(...b));
    expect(seen.join('')).toContain('STOPPED');
    await expect(adapter.write(bytes('x'))).rejects.toThrow();
  });
});
