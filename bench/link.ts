import { AdapterPort, connect, takeScan } from '@pincer/core/link';
import { INSTANT_CLOCK, StandIn } from '@pincer/simulator';
import type { Row } from './row.ts';

/** PIDs that one CAN request may name (SAE J1979), and pairs of PID and frame number. */
const PER_REQUEST = 6;
const PAIRS_PER_REQUEST = 3;

/**
 * The fewest round trips that the protocol allows for what the reading brought back: one to find the protocol, one
 * for the rest of the supported readings, one for each code service, one for code and list of the stored
 * conditions, the groups, one for each information type, one for the list of the car's own tests and one for each of
 * its monitors (which may not be grouped).
 */
export async function linkRows(): Promise<Row[]> {
  const car = new StandIn({
    faults: [{ kind: 'coil-boot', cylinder: 2 }],
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
  return [
    {
      what: 'Full reading, round trips against the fewest possible',
      measured: `${used} of ${fewest}`,
      budget: '1.15 x',
      ratio: used / fewest / 1.15,
    },
  ];
}
