import fc from 'fast-check';
import { cleared } from '../core/test/permit.ts';
import {
  AdapterPort,
  SEARCH_SERVICES,
  connect,
  findUnits,
  takeScan,
  type Connection,
  type UnitSearch,
} from '@pincer/core/link';
import { currentNumber } from '@pincer/core/obd';
import { draftMap, moduleMapSchema } from '@pincer/core/vehicle';
import { CARS, DRAY, FINCH, StandIn, VirtualClock, type StandInOptions } from './index.ts';

/** What may leave the search toward a control unit: reading services only. */
const READ_ONLY = [0x3e, 0x22, 0x19, 0x1a, 0x18];

async function talking(options: Partial<StandInOptions> = {}) {
  const clock = new VirtualClock();
  const car = new StandIn({ faults: [{ kind: 'wheel-sensor' }], seed: 7, clock, ...options });
  const adapter = car.plugIn();
  const port = new AdapterPort(adapter, clock);
  const result = await connect(port);
  if (!result.ok) throw new Error(result.fault.code);
  return { car, adapter, clock, port, connection: result.connection, before: port.sent.length };
}

const requestsOf = (sent: readonly string[]) => sent.filter((s) => !s.startsWith('AT'));
const askedWith = (search: UnitSearch) => search.units.map((u) => u.request).sort();
/** After a search the next question goes to all, as before. */
async function asksAll(connection: Connection): Promise<boolean> {
  const { scan, fault } = await takeScan(connection);
  return fault === null && scan.missing.length === 0 && scan.mils.length > 0;
}

test('the services of a search are the reading ones, and no other can leave it', () => {
  expect([...SEARCH_SERVICES].sort()).toEqual([...READ_ONLY].sort());
});

describe('control units that nobody has listed', () => {
  test('all that a car has are found, with what they tell of themselves, and the adapter asks all again', async () => {
    const { port, connection, before } = await talking();
    const search = await findUnits(connection);
    expect(search).toMatchObject({ end: { how: 'complete' }, gateway: null, isNarrow: false, inUse: [] });
    expect(askedWith(search)).toEqual(['6A0', '6B0', '6C0', '6D0', '6E0', '7E0', '7E1']);
    expect(search.units.find((u) => u.request === '6A0')).toMatchObject({
      answer: '6A8',
      language: 'iso-14229',
      name: 'Stability control',
      partNumber: '61 204 A',
      software: '0304',
      vin: FINCH.identity.vin,
      codes: 1,
      why: null,
      wasAsleep: false,
    });
    const services = requestsOf(port.sent.slice(before)).map((s) => Number.parseInt(s.slice(0, 2), 16));
    expect(services.filter((s) => !READ_ONLY.includes(s))).toEqual([]);
    expect(await asksAll(connection)).toBe(true);
  });

  test('unusual pairs and long ids, beside traffic that is left alone', async () => {
    const { port, connection, before } = await talking({ network: 'unusual' });
    const search = await findUnits(connection);
    expect(search.inUse).toEqual(['620', '6F2']);
    expect(port.sent.slice(before)).not.toContain('ATSH620');
    expect(askedWith(search)).toEqual(['18DA40F1', '6E0', '714', '743', '772', '7E0', '7E1']);
    // Long answers of these pairs come whole only when they are asked on with the unit's own id.
    expect(search.units.find((u) => u.request === '743')).toMatchObject({
      answer: '763',
      vin: FINCH.identity.vin,
    });
    const map = draftMap(search.units, undefined, 'Finch');
    const { scan, fault } = await takeScan(connection, { units: map?.modules ?? [] });
    expect([fault, scan.missing]).toEqual([null, []]);
    expect(scan.units?.every((u) => u.hasAnswered)).toBe(true);
    expect(scan.codes.filter((c) => c.unit === '763')).toMatchObject([{ code: 'C0031', failureType: '13' }]);
  });

  test('units that sleep are found when they are asked again', async () => {
    const { connection } = await talking({ network: 'sleeping' });
    const { units } = await findUnits(connection);
    expect(units.filter((u) => u.wasAsleep).map((u) => u.request)).toEqual(['6C0', '6D0']);
    expect(units.filter((u) => !u.wasAsleep).map((u) => u.request)).toContain('6A0');
  });

  test('a gateway that lets only the standard through is recognised', async () => {
    const { connection } = await talking({ network: 'filtering' });
    const search = await findUnits(connection);
    expect(askedWith(search)).toEqual(['7E0', '7E1']);
    expect(search.gateway).toBe('lets-little-through');
  });

  test('units of the older language: found, read with their status, and cleared behind the permit', async () => {
    const { car, connection } = await talking({ network: 'older' });
    const { units } = await findUnits(connection);
    const brakes = units.find((u) => u.request === '6A0');
    expect(brakes).toMatchObject({ language: 'iso-14230', name: 'Stability control', codes: 1 });
    const map = draftMap(units, undefined, 'Finch');
    expect(moduleMapSchema.parse(map)).toEqual(map);
    const { scan } = await takeScan(connection, { units: map?.modules ?? [] });
    expect(scan.codes.filter((c) => c.unit === '6A8')).toMatchObject([
      { code: 'C0031', state: 'confirmed', statusByte: 0x89, olderStatus: 0xe1 },
    ]);
    const unit = map?.modules.find((m) => m.request === '6A0');
    if (!unit) throw new Error('not found');
    car.mend();
    expect(await cleared(connection, { kind: 'unit', unit })).toMatchObject({
      outcome: 'agreed',
      agreedBy: ['6A8'],
      after: [],
    });
  });

  test('it ends at once: stopped, unplugged, or the voltage falling; what was found stays', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 260 }), fc.boolean(), async (after, isPlug) => {
        const { adapter, port, connection } = await talking();
        const stop = new AbortController();
        let [asked, sentAt] = [0, 0];
        const search = await findUnits(connection, {
          signal: stop.signal,
          onProgress: () => {
            if (++asked !== after) return;
            sentAt = requestsOf(port.sent).length;
            if (isPlug) adapter.unplug();
            else stop.abort();
          },
        });
        expect(search.end).toMatchObject({ how: 'stopped', fault: { code: isPlug ? 'cut' : 'cancelled' } });
        // At most the question that was on its way.
        expect(requestsOf(port.sent).length - sentAt).toBeLessThanOrEqual(1);
        if (after > 20) expect(askedWith(search)).toEqual(expect.arrayContaining(['7E0', '7E1']));
        if (!isPlug) expect(await asksAll(connection)).toBe(true);
      }),
      { numRuns: 12 },
    );
    const flat = await talking({ faults: [{ kind: 'battery-weak' }] });
    const search = await findUnits(flat.connection);
    expect(search).toMatchObject({ units: [], asked: 0, end: { how: 'low-voltage' } });
    expect(await asksAll(flat.connection)).toBe(true);
  });

  test.each(
    CARS.flatMap((car) =>
      (['open', 'sleeping', 'older', 'unusual', 'newer'] as const).map(
        (network) => [car.id, network, car] as const,
      ),
    ),
  )('%s, %s: every unit once, nothing but reading, and all are asked again', async (_, network, car) => {
    const { port, connection, before } = await talking({ car, network, faults: [] });
    const { units, end } = await findUnits(connection);
    expect(end).toEqual({ how: 'complete' });
    expect(new Set(units.map((u) => u.answer)).size).toBe(units.length);
    expect(units.length).toBe(1 + (car.gearbox ? 1 : 0) + car.units.length);
    for (const s of requestsOf(port.sent.slice(before)))
      expect(READ_ONLY).toContain(Number.parseInt(s.slice(0, 2), 16));
    expect(await asksAll(connection)).toBe(true);
  });

  test('on an older line without a header of its own nothing is asked', async () => {
    const { port, connection, before } = await talking({ car: DRAY, temperament: 'legacy' });
    expect(await findUnits(connection)).toMatchObject({ units: [], of: 0, end: { how: 'complete' } });
    expect(requestsOf(port.sent.slice(before))).toEqual([]);
  });
});

describe('what is kept beside a code', () => {
  test('conditions that the standard describes are values; the maker’s own stay bytes', async () => {
    const { connection } = await talking({ faults: [{ kind: 'wheel-sensor' }] });
    const map = draftMap((await findUnits(connection)).units, undefined, 'Finch');
    const { scan } = await takeScan(connection, { units: map?.modules ?? [] });
    const [conditions, extended] = ['conditions', 'extended'].map((kind) =>
      scan.records?.find((r) => r.unit === '6A8' && r.code === 'C0031' && r.kind === kind),
    );
    expect(conditions?.values.map((v) => [v.name, v.value])).toEqual([
      ['Vehicle speed', 34],
      ['Control unit voltage', 13.8],
    ]);
    expect(conditions?.bytes).toBe('20014C07');
    expect(extended).toMatchObject({ record: '01', values: [], bytes: '0328' });
  });
});

describe('the newest cars, which answer by ISO 14229 alone', () => {
  const coil = { kind: 'coil', cylinder: 3 } as const;

  test('codes, conditions, readings and identity are read; what is not decoded stays bytes and is said', async () => {
    const { connection, port } = await talking({ network: 'newer', faults: [coil] });
    expect(connection).toMatchObject({ isNewer: true, isCan: true, protocolNumber: '6' });
    const { scan, fault } = await takeScan(connection);
    expect([fault, scan.missing, scan.errors]).toEqual([null, [], []]);
    expect(scan.vin).toBe(FINCH.identity.vin);
    const older = await talking({ faults: [coil] });
    const same = await takeScan(older.connection);
    const told = (s: typeof scan) => s.codes.map((c) => `${c.unit} ${c.code} ${c.state}`);
    // One status byte holds both states there: what is confirmed and failed on this trip is confirmed.
    expect(new Set(told(scan))).toEqual(
      new Set(
        told(same.scan).filter(
          (t) => !t.endsWith('pending') || !told(same.scan).includes(t.replace('pending', 'confirmed')),
        ),
      ),
    );
    expect(scan.mils).toContainEqual({ unit: '7E8', on: true, count: expect.any(Number) as number });
    expect(currentNumber(scan, '05')).toBe(currentNumber(same.scan, '05'));
    expect(scan.freezeFrames[0]?.values.find((v) => v.pid === '0C')).toBeDefined();
    expect(scan.parts).toContainEqual(
      expect.objectContaining({ unit: '7E8', part: 'readiness', state: 'unsupported' }),
    );
    // Nothing of the older services was asked once it was known.
    const from = port.sent.indexOf('22F400');
    expect(requestsOf(port.sent.slice(from)).filter((s) => /^0[1-9A]/.test(s))).toEqual([]);
  });

  test('cleared by the group, behind the same permit', async () => {
    const { car, connection, port } = await talking({ network: 'newer', faults: [coil] });
    car.mend();
    expect(await cleared(connection)).toMatchObject({ outcome: 'agreed', agreedBy: ['7E8', '7E9'] });
    expect(port.sent).toContain('14FFFF33');
    expect(port.sent).not.toContain('04');
    const { scan } = await takeScan(connection);
    expect(scan.codes.filter((c) => c.state !== 'permanent')).toEqual([]);
  });

  test('an ignition that is off is still that, and the search is set back', async () => {
    const clock = new VirtualClock();
    const car = new StandIn({ faults: [], seed: 7, clock, network: 'newer' });
    car.setMode('off');
    const port = new AdapterPort(car.plugIn(), clock);
    expect(await connect(port)).toMatchObject({ ok: false, fault: { code: 'unable-to-connect' } });
    car.setMode('key-on');
    expect((await connect(port)).ok).toBe(true);
  });
});
