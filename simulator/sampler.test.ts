import {
  AdapterPort,
  CandumpValues,
  connect,
  sampleReadings,
  type Pace,
  type TimedValue,
  type Wanted,
} from '@pincer/core/link';
import { DRAY, StandIn, VirtualClock, type StandInOptions } from './index.ts';

const FOUR: readonly Wanted[] = [0x0c, 0x0b, 0x10, 0x14].map((pid) => ({ pid, everyMs: 100 }));

async function sample(
  wanted: readonly Wanted[],
  seconds: number,
  options: Partial<StandInOptions> = {},
  during?: (at: number, car: StandIn) => void,
) {
  const clock = new VirtualClock();
  const car = new StandIn({ faults: [], seed: 7, clock, temperament: 'quick', ...options });
  car.setMode('idle');
  const adapter = car.plugIn();
  const port = new AdapterPort(adapter, clock);
  const result = await connect(port);
  if (!result.ok) throw new Error(result.fault.code);
  const values: TimedValue[] = [];
  const paces: Pace[] = [];
  const stop = new AbortController();
  const before = port.sent.length;
  const began = clock.now();
  let isPaused = false;
  const sampling = sampleReadings(result.connection, {
    wanted,
    clock,
    signal: stop.signal,
    isPaused: () => isPaused,
    onValues: (v, pace) => {
      values.push(...v);
      paces.push(pace);
      during?.((clock.now() - began) / 1000, car);
    },
  });
  clock.after(seconds * 1000, () => stop.abort());
  return {
    run: sampling,
    values,
    paces,
    port,
    adapter,
    clock,
    pause: (p: boolean) => (isPaused = p),
    requests: () => port.sent.slice(before),
  };
}

describe('the sampler', () => {
  test('readings that are due together share a request, and the true rate is told', async () => {
    const s = await sample(FOUR, 10);
    expect(await s.run).toEqual({ code: 'cancelled' });
    expect(s.requests().slice(0, 2)).toEqual(['014F50', '010C0B1014']);
    expect(new Set(s.values.map((v) => v.value.pid))).toEqual(new Set(['0C', '0B', '10', '14']));
    const rate = s.values.filter((v) => v.value.pid === '0C').length / 10;
    expect(s.paces.at(-1)?.byPid.get(0x0c)).toBeCloseTo(rate, 0);
    expect(s.values.map((v) => v.at)).toEqual([...s.values.map((v) => v.at)].sort((a, b) => a - b));
  });

  test('a scale that the control unit states is asked for once, and holds for every value', async () => {
    const s = await sample([{ pid: 0x0b, everyMs: 100 }], 5, { car: DRAY }, (_, car) => {
      car.setMode('hill');
    });
    await s.run;
    expect(s.requests().filter((r) => r === '014F50')).toHaveLength(1);
    // 198 kPa in steps of 2 kPa; taken by the standard's scale it would be 99.
    const last = Number(s.values.at(-1)?.value.value);
    expect(last).toBeGreaterThan(194);
    expect(last).toBeLessThan(202);
    expect(s.values.at(-1)?.value.raw).toBe(last / 2);
  });

  test('each has the rate that it needs: what warms slowly is asked seldom', async () => {
    const s = await sample(
      [
        { pid: 0x0c, everyMs: 100 },
        { pid: 0x05, everyMs: 2_000 },
        { pid: 0x46, everyMs: 10_000 },
      ],
      20,
    );
    await s.run;
    const count = (pid: string) => s.values.filter((v) => v.value.pid === pid).length;
    expect(count('05')).toBeGreaterThanOrEqual(9);
    expect(count('05')).toBeLessThanOrEqual(20);
    expect(count('46')).toBeLessThanOrEqual(4);
    expect(count('0C')).toBeGreaterThan(120);
  });

  test('an older car is asked one by one', async () => {
    const s = await sample(FOUR, 8, { temperament: 'legacy' });
    await s.run;
    expect(s.requests().every((r) => r.length === 4)).toBe(true);
    expect(new Set(s.values.map((v) => v.value.pid)).size).toBe(4);
  });

  test('what the car does not tell is given up and named; the rest goes on', async () => {
    const s = await sample([...FOUR, { pid: 0x5e, everyMs: 100 }], 6);
    await s.run;
    expect(s.paces.at(-1)?.silent).toEqual([0x5e]);
    expect(s.requests().at(-1)).not.toContain('5E');
  });

  test('pulled out: it ends as cut, with everything until then; a sleeping car ends too', async () => {
    const s = await sample(FOUR, 60);
    s.clock.after(3_000, () => s.adapter.unplug());
    expect(await s.run).toEqual({ code: 'cut' });
    expect(s.values.at(-1)?.at).toBeGreaterThan(2.5);
    const asleep = await sample(FOUR, 600, {}, (at, car) => {
      if (at > 2) car.setMode('off');
    });
    expect(await asleep.run).toEqual({ code: 'unable-to-connect' });
    expect(asleep.clock.now()).toBeLessThan(40_000);
  });

  test('paused nothing is asked; an adapter that restarts is set up again', async () => {
    const s = await sample(FOUR, 10);
    s.clock.after(2_000, () => s.pause(true));
    s.clock.after(8_000, () => s.pause(false));
    await s.run;
    const gap = s.values.map((v, i) => v.at - (s.values[i - 1]?.at ?? v.at));
    expect(Math.max(...gap)).toBeGreaterThan(5.5);
    const restarting = await sample(FOUR, 10, { temperament: 'restarting' });
    expect(await restarting.run).toEqual({ code: 'cancelled' });
    expect(restarting.values.at(-1)?.at).toBeGreaterThan(9);
  });
});

test('a candump log gives the same readings with its own times; other frames and bad lines are counted', () => {
  const log = new CandumpValues();
  const values = [
    '(1436509052.100000) can0 7DF#02010C0000000000',
    '(1436509052.110000) can0 7E8#04410C0B90AAAAAA',
    '(1436509052.300000) can0 123#0011223344556677',
    'nonsense',
    '(1436509052.610000) can0 7E8#04410C0BA0AAAAAA',
  ].flatMap((line) => log.push(line));
  expect(values.map((v) => [Math.round(v.at * 10) / 10, v.value.value])).toEqual([
    [0, 740],
    [0.5, 744],
  ]);
  expect(log.report).toMatchObject({ lines: 5, badLines: 1, problems: [{ line: 4 }] });
});
