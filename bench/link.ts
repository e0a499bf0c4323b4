import { AdapterPort, connect, findUnits, takeScan } from '@pincer/core/link';
import {
  DRAY,
  INSTANT_CLOCK,
  KESTRINE,
  NETWORKS,
  StandIn,
  TEMPERAMENTS,
  VirtualClock,
  type StandInOptions,
  type TemperamentId,
} from '@pincer/simulator';
import type { Row } from './row.ts';

/** PIDs that one CAN request may name (SAE J1979), and pairs of PID and frame number. */
const PER_REQUEST = 6;
const PAIRS_PER_REQUEST = 3;

/** Round trips of a full reading, and what a search for control units finds and takes. */
export async function linkRows(): Promise<Row[]> {
  return [
    await readingRow('Full reading', { faults: [{ kind: 'coil-boot', cylinder: 2 }] }),
    await readingRow('Full reading of the diesel van', { car: DRAY, faults: [] }),
    await readingRow('Full reading of the motorcycle', { car: KESTRINE, faults: [] }),
    await againstQuick('an adapter that loses characters', 'forgetful', 1.1),
    // It says that it restarted as late as it takes to start, and searches the protocol anew: that time is its own.
    await againstQuick('an adapter that restarts once', 'restarting', 1.1, 2),
    await againstQuick('an adapter that refuses some commands', 'clone', 1.1),
    ...(await searchRows()),
  ];
}

const READINGS = 300;

/**
 * What an adapter's temper costs: the time of many readings, against one that is as quick and has none.
 * @param searches so many searches of the protocol are the adapter's own, and added to the time of the other one.
 */
async function againstQuick(
  what: string,
  temperament: TemperamentId,
  most: number,
  searches = 0,
): Promise<Row> {
  const { commandMs, requestMs, searchMs } = TEMPERAMENTS[temperament];
  const time = async (of: TemperamentId): Promise<number> => {
    let total = 0;
    for (let seed = 1; seed <= READINGS; seed++) {
      const clock = new VirtualClock();
      const adapter = { commandMs, requestMs, searchMs };
      const car = new StandIn({
        faults: [{ kind: 'coil', cylinder: 3 }],
        seed,
        clock,
        temperament: of,
        adapter,
      });
      const connected = await connect(new AdapterPort(car.plugIn(), clock));
      if (!connected.ok) throw new Error(connected.fault.code);
      const began = clock.now();
      await takeScan(connected.connection);
      total += clock.now() - began;
    }
    return total / READINGS;
  };
  const [odd, quick] = [await time(temperament), (await time('quick')) + searches * searchMs];
  return {
    what: `Reading by ${what}, against one that does not${searches > 0 ? `, and ${searches} searches` : ''}; ${READINGS} readings`,
    measured: `${(odd / 1_000).toFixed(2)} s against ${(quick / 1_000).toFixed(2)} s, ${(odd / quick).toFixed(2)} x`,
    budget: `${most} x`,
    ratio: odd / quick / most,
  };
}

/** Ids of 11 and 29 bits that a search may ask, and the two commands for each. */
const IDS = 512 - 9 + 255;

/**
 * Control units found on each kind of network, in what time and with how many commands. The fewest: one header and one
 * question for each id, once; a second walk for what may have been asleep doubles it.
 */
async function searchRows(): Promise<Row[]> {
  const rows: Row[] = [];
  for (const network of NETWORKS) {
    const clock = new VirtualClock();
    const car = new StandIn({ faults: [], seed: 7, clock, network });
    const port = new AdapterPort(car.plugIn(), clock);
    const connected = await connect(port);
    if (!connected.ok) throw new Error(connected.fault.code);
    const before = port.sent.length;
    const began = clock.now();
    const { units } = await findUnits(connected.connection);
    const there = 1 + (car.plan.gearbox ? 1 : 0) + car.plan.units.length;
    const commands = port.sent.length - before;
    rows.push({
      what: `Control units found, network “${network}”`,
      measured: `${units.length} of ${there} in ${Math.round((clock.now() - began) / 1000)} s, ${commands} commands`,
      budget: `all; 1.15 x ${IDS} ids twice, two commands each`,
      ratio: units.length < there ? 2 : commands / (IDS * 2 * 2 * 1.15),
    });
  }
  return rows;
}

/**
 * The fewest round trips that the protocol allows for what the reading brought back: one to find the protocol, one
 * for the rest of the supported readings, one for each code service, one for code and list of the stored
 * conditions, the groups, one for each information type, one for the list of the car's own tests and one for each of
 * its monitors (which may not be grouped).
 */
async function readingRow(what: string, options: Pick<StandInOptions, 'car' | 'faults'>): Promise<Row> {
  const car = new StandIn({
    ...options,
    seed: 7,
    clock: INSTANT_CLOCK,
    temperament: 'instant',
  });
  const port = new AdapterPort(car.plugIn(), INSTANT_CLOCK);
  const connected = await connect(port);
  if (!connected.ok) throw new Error(connected.fault.code);
  const { scan } = await takeScan(connected.connection);
  const used = port.sent.filter((c) => !c.startsWith('AT')).length;

  const live = new Set(scan.values.filter((v) => v.service === '01').map((v) => v.pid));
  const monitors = new Set(scan.monitors.map((m) => m.span)).size;
  const frozen = new Set(scan.freezeFrames.flatMap((f) => f.values.map((v) => v.pid)));
  const information = new Set(scan.values.filter((v) => v.service === '09').map((v) => v.pid));
  const tests = new Set(scan.values.filter((v) => v.service === '06').map((v) => v.pid));
  const fewest =
    1 +
    1 +
    3 +
    1 +
    Math.ceil(frozen.size / PAIRS_PER_REQUEST) +
    1 +
    information.size +
    Math.ceil((live.size + monitors) / PER_REQUEST) +
    1 +
    tests.size;
  return {
    what: `${what}, round trips against the fewest possible`,
    measured: `${used} of ${fewest}`,
    budget: '1.15 x',
    ratio: used / fewest / 1.15,
  };
}
