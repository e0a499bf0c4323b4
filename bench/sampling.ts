import { AdapterPort, connect, sampleReadings, type Wanted } from '@pincer/core/link';
import { StandIn, VirtualClock } from '@pincer/simulator';
import type { Row } from './row.ts';

/** Twelve readings of a quick kind, as fast as they come. */
const WANTED: readonly Wanted[] = [
  0x0c, 0x0d, 0x0b, 0x10, 0x11, 0x04, 0x06, 0x0e, 0x14, 0x15, 0x42, 0x4c,
].map((pid) => ({ pid, everyMs: 1 }));
const SECONDS = 30;

async function valuesInTime(isGrouped: boolean): Promise<number> {
  const clock = new VirtualClock();
  const car = new StandIn({ faults: [], seed: 7, clock, temperament: 'quick' });
  car.setMode('idle');
  const connected = await connect(new AdapterPort(car.plugIn(), clock));
  if (!connected.ok) throw new Error(connected.fault.code);
  const stop = new AbortController();
  let count = 0;
  // Told that it is no CAN bus, the sampler asks one reading a request.
  const connection = isGrouped ? connected.connection : { ...connected.connection, isCan: false };
  clock.after(SECONDS * 1000, () => stop.abort());
  await sampleReadings(connection, {
    wanted: WANTED,
    clock,
    signal: stop.signal,
    onValues: (values) => (count += new Set(values.map((v) => v.value.pid)).size),
  });
  return count / SECONDS;
}

/** Live sampling with requests grouped against one reading a request, on the same stand-in. */
export async function samplingRows(): Promise<Row[]> {
  const [grouped, single] = [await valuesInTime(true), await valuesInTime(false)];
  return [
    {
      what: 'Live sampling, values a second grouped / one a request',
      measured: `${grouped.toFixed(0)} / ${single.toFixed(0)}: ${(grouped / single).toFixed(1)} x`,
      budget: 'at least 4 x',
      ratio: 4 / (grouped / single),
    },
  ];
}
