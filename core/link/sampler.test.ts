import { byTable, scriptedAdapter } from '../test/scripted-adapter.ts';
import { connect, sampleReadings, type Clock, type TimedValue } from './index.ts';

/** A car that is not heard for twenty seconds is asleep: so long no machine stands still. */
const REAL: Clock = {
  now: () => performance.now(),
  after: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};

test('no peak that never was: where a line end was lost, the tail of another frame is in no value', async () => {
  // Engine and gearbox tell coolant, speed of a shaft and of the car, in two frames each: the engine's turns at 1,000.
  const whole = '7E8100841057B0C0FA0|7E9100841057B0CFA00|7E8210D00AAAAAAAAAA|7E9210D00AAAAAAAAAA';
  // Of the first two lines one is left: the engine's head with the gearbox's 16,000.
  const mixed = '7E8100841057B0CFA00|7E8210D00AAAAAAAAAA|7E9210D00AAAAAAAAAA';
  const { port, sent } = scriptedAdapter(
    byTable({
      ATDPN: 'A6',
      '0100': '7E8064100801A8011AA|7E9064100801A8011AA',
      '01050C0D': [whole, mixed, whole, mixed, whole],
    }),
    REAL,
  );
  const connected = await connect(port);
  if (!connected.ok) throw new Error(connected.fault.code);
  const stop = new AbortController();
  const values: TimedValue[] = [];
  await sampleReadings(connected.connection, {
    wanted: [0x05, 0x0c, 0x0d].map((pid) => ({ pid, everyMs: 1 })),
    clock: REAL,
    signal: stop.signal,
    onValues: (v) => {
      values.push(...v);
      if (sent.filter((c) => c === '01050C0D').length === 5) stop.abort();
    },
  });
  const turns = values.filter((v) => v.value.pid === '0C' && v.value.source === '7E8');
  expect(turns.map((v) => v.value.value)).toEqual([1000, 1000, 1000]);
});
