import { AdapterPort, connect, sampleReadings, type Wanted } from '@pincer/core/link';
import { addSamples, channelOf, emptyRecording, numberOf, type Recording } from '@pincer/core/signals';
import type { Mode } from './car-plan.ts';
import type { TemperamentId } from './adapter.ts';
import type { StandIn } from './stand-in.ts';
import type { VirtualClock } from './virtual-clock.ts';

/** A stretch of a recording: what the driver does, for how long, s. */
export interface Stretch {
  mode: Mode;
  seconds: number;
}

/** Key on, started after a night, idled for so many seconds. */
export const coldRun = (seconds: number): readonly Stretch[] => [
  { mode: 'key-on', seconds: 23 },
  { mode: 'idle', seconds },
];

/** Warm: idled, revved, cruised, up a hill, idled. */
export const WARM_RUN: readonly Stretch[] = [
  { mode: 'idle', seconds: 16 },
  { mode: 'raised', seconds: 14 },
  { mode: 'cruise', seconds: 16 },
  { mode: 'hill', seconds: 10 },
  { mode: 'idle', seconds: 12 },
];

/** Records a stand-in over stretches through the real session and sampler, on a clock that jumps. */
export async function recordStandIn(
  car: StandIn,
  clock: VirtualClock,
  wanted: readonly Wanted[],
  run: readonly Stretch[],
  temperament: TemperamentId = 'quick',
): Promise<Recording> {
  const connected = await connect(new AdapterPort(car.plugIn(temperament), clock));
  if (!connected.ok) throw new Error(connected.fault.code);
  const recording = emptyRecording('2026-11-03T08:00:00.000Z');
  const stop = new AbortController();
  const sampling = sampleReadings(connected.connection, {
    wanted,
    clock,
    signal: stop.signal,
    onValues: (values) => {
      addSamples(
        recording,
        values.flatMap(({ at, value }) => {
          const channel = channelOf(value);
          const n = numberOf(value);
          return channel && n !== null ? [{ at, channel, value: n }] : [];
        }),
      );
    },
  });
  for (const stretch of run) {
    car.setMode(stretch.mode);
    await new Promise<void>((resolve) => clock.after(stretch.seconds * 1000, resolve));
  }
  stop.abort();
  await sampling;
  return recording;
}
