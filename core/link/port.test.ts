import {
  AdapterPort,
  ByteQueue,
  asciiBytes,
  asciiOf,
  faultWords,
  type Clock,
  type LinkFault,
  type Transport,
} from './index.ts';

/** A clock moved by hand. */
class HandClock implements Clock {
  private time = 0;
  private timers: { at: number; run: () => void }[] = [];
  now(): number {
    return this.time;
  }
  after(ms: number, run: () => void): () => void {
    const timer = { at: this.time + ms, run };
    this.timers.push(timer);
    return () => {
      this.timers = this.timers.filter((t) => t !== timer);
    };
  }
  get waiting(): number {
    return this.timers.length;
  }
  async advance(ms: number): Promise<void> {
    this.time += ms;
    const due = this.timers.filter((t) => t.at <= this.time);
    this.timers = this.timers.filter((t) => t.at > this.time);
    for (const t of due) t.run();
    await settle();
  }
}

const settle = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};

function rig() {
  const incoming = new ByteQueue();
  const written: string[] = [];
  const clock = new HandClock();
  const transport: Transport = {
    incoming,
    write: (bytes) => {
      written.push(asciiOf(bytes));
      return Promise.resolve();
    },
    close: () => {
      incoming.end();
      return Promise.resolve();
    },
  };
  const says = async (text: string) => {
    incoming.push(asciiBytes(text));
    await settle();
  };
  return { incoming, written, clock, says, transport, port: new AdapterPort(transport, clock) };
}

describe('the adapter’s prompt', () => {
  test('an answer ends at the prompt, echo and empty lines left out', async () => {
    const { port, says, written } = rig();
    const reply = port.send('01 0C', { timeoutMs: 1000 });
    await settle();
    expect(written).toEqual(['01 0C\r']);
    await says('010C\r\r7E8');
    await says(' 04 41 0C 1A F8\r\r>');
    expect(await reply).toEqual({ ok: true, lines: ['7E8 04 41 0C 1A F8'] });
  });

  test('one command in flight: the second waits for the first', async () => {
    const { port, says, written } = rig();
    const first = port.send('ATE0', { timeoutMs: 1000 });
    const second = port.send('ATL0', { timeoutMs: 1000 });
    await settle();
    expect(written).toEqual(['ATE0\r']);
    await says('OK\r>');
    await first;
    await settle();
    expect(written).toEqual(['ATE0\r', 'ATL0\r']);
    await says('OK\r>');
    expect((await second).ok).toBe(true);
  });

  test('silence ends with the time, and the timer of a finished exchange is called off', async () => {
    const { port, clock, says } = rig();
    const lost = port.send('0100', { timeoutMs: 500 });
    await settle();
    await clock.advance(500);
    expect(await lost).toMatchObject({ ok: false, fault: { code: 'silent', waitedMs: 500 } });
    const next = port.send('ATRV', { timeoutMs: 500 });
    await settle();
    await says('STOPPED\r\r>');
    await says('12.6V\r\r>');
    expect(await next).toMatchObject({ ok: true, lines: ['12.6V'] });
    expect(clock.waiting).toBe(0);
  });

  test('after a time-out an empty line is never sent: it would repeat the last command', async () => {
    const { port, clock, says, written } = rig();
    const lost = port.send('04', { timeoutMs: 500 });
    await settle();
    await clock.advance(500);
    await lost;
    const next = port.send('03', { timeoutMs: 500 });
    await settle();
    expect(written.at(-1)).toBe(' ');
    // The adapter was at its prompt already and says nothing to a space.
    await clock.advance(700);
    expect(written.at(-1)).toBe('ATI\r');
    await says('STAND-IN v1.0\r\r>');
    await says('NO DATA\r\r>');
    expect(await next).toEqual({ ok: true, lines: ['NO DATA'] });
    expect(written).not.toContain('\r');
  });

  test('a late answer belongs to nobody', async () => {
    const { port, clock, says } = rig();
    const lost = port.send('0902', { timeoutMs: 300 });
    await settle();
    await clock.advance(300);
    await lost;
    await says('7E8 06 41 00 BE 3E B8 11\r\r>');
    const next = port.send('ATRV', { timeoutMs: 500 });
    await settle();
    await clock.advance(700);
    await says('STAND-IN v1.0\r>');
    await says('12.1V\r>');
    expect(await next).toEqual({ ok: true, lines: ['12.1V'] });
  });

  test('a cut ends the exchange in flight and every later one', async () => {
    const { port, incoming } = rig();
    const reply = port.send('0100', { timeoutMs: 10_000 });
    await settle();
    incoming.push(asciiBytes('7E8 06 41'));
    incoming.end();
    expect(await reply).toMatchObject({ ok: false, fault: { code: 'cut' }, lines: ['7E8 06 41'] });
    expect(await port.send('03', { timeoutMs: 10 })).toMatchObject({ ok: false, fault: { code: 'cut' } });
  });

  test('the owner stops it: at once, and before it begins', async () => {
    const { port, written } = rig();
    const stop = new AbortController();
    const reply = port.send('0100', { timeoutMs: 10_000, signal: stop.signal });
    await settle();
    stop.abort();
    expect(await reply).toMatchObject({ ok: false, fault: { code: 'cancelled' } });
    expect(await port.send('03', { timeoutMs: 10, signal: stop.signal })).toMatchObject({
      fault: { code: 'cancelled' },
    });
    expect(written).toEqual(['0100\r']);
  });

  test('endless text without a prompt ends too', async () => {
    const { port, says } = rig();
    const reply = port.send('ATMA', { timeoutMs: 10_000 });
    await settle();
    await says('7E8 00\r'.repeat(12_000));
    expect(await reply).toMatchObject({ ok: false, fault: { code: 'silent' } });
  });

  test('a write that fails is a cut', async () => {
    const { transport, clock } = rig();
    const port = new AdapterPort({ ...transport, write: () => Promise.reject(new Error('gone')) }, clock);
    expect(await port.send('ATZ', { timeoutMs: 10 })).toMatchObject({ fault: { code: 'cut' } });
  });
});

describe('a write that never settles', () => {
  const stuckRig = () => {
    const { transport, clock, incoming } = rig();
    let closed = 0;
    const port = new AdapterPort(
      {
        incoming,
        write: () => new Promise(() => undefined),
        close: () => {
          closed++;
          return new Promise(() => undefined);
        },
      },
      clock,
    );
    return { port, clock, transport, closed: () => closed };
  };

  test('obeys the time', async () => {
    const { port, clock } = stuckRig();
    const reply = port.send('0100', { timeoutMs: 500 });
    await settle();
    await clock.advance(500);
    expect(await reply).toMatchObject({ ok: false, fault: { code: 'silent', waitedMs: 500 } });
  });

  test('obeys stop, and a stop pressed before it was looked at', async () => {
    const { port } = stuckRig();
    const stop = new AbortController();
    const reply = port.send('0100', { timeoutMs: 10_000, signal: stop.signal });
    await settle();
    stop.abort();
    expect(await reply).toMatchObject({ ok: false, fault: { code: 'cancelled' } });
    const queued = stuckRig();
    const first = queued.port.send('0100', { timeoutMs: 300 });
    const stopped = new AbortController();
    const second = queued.port.send('03', { timeoutMs: 10_000, signal: stopped.signal });
    stopped.abort();
    await settle();
    await queued.clock.advance(300);
    await first;
    expect(await second).toMatchObject({ ok: false, fault: { code: 'cancelled' } });
    expect(queued.port.sent).toEqual(['0100']);
  });

  test('obeys close, although the transport itself never closes', async () => {
    const { port, clock, closed } = stuckRig();
    const reply = port.send('0100', { timeoutMs: 10_000 });
    await settle();
    const closing = port.close();
    void port.close();
    expect(await reply).toMatchObject({ ok: false, fault: { code: 'cut' } });
    await clock.advance(700);
    await closing;
    expect(closed()).toBe(1);
    expect(clock.waiting).toBe(0);
  });
});

test('chatter that nobody reads is not kept, and is no part of the next answer', async () => {
  const { port, says } = rig();
  await says('41 0C 1A F8\r'.repeat(200_000));
  const reply = port.send('010C', { timeoutMs: 1000 });
  await settle();
  await says('41 0C 00 00\r>');
  expect(await reply).toEqual({ ok: true, lines: ['41 0C 00 00'] });
});

test('whoever wants to know hears of the end once, also when it has ended before', async () => {
  const { port, incoming } = rig();
  let [heard, late, stopped] = [0, 0, 0];
  port.onEnd(() => heard++);
  port.onEnd(() => stopped++)();
  incoming.end();
  await settle();
  await port.close();
  port.onEnd(() => late++);
  expect([heard, late, stopped]).toEqual([1, 1, 0]);
});

test('every fault has a plain sentence and a next step', () => {
  const faults: LinkFault[] = [
    { code: 'silent', waitedMs: 4000 },
    { code: 'cut' },
    { code: 'cancelled' },
    { code: 'unable-to-connect' },
    { code: 'no-data' },
    { code: 'can-error' },
    { code: 'bus-init' },
    { code: 'bus-error' },
    { code: 'bus-busy' },
    { code: 'feedback' },
    { code: 'data-error' },
    { code: 'buffer-full' },
    { code: 'stopped' },
    { code: 'unknown-command' },
    { code: 'low-voltage-reset' },
    { code: 'power-alert' },
    { code: 'adapter-error', number: '94' },
    { code: 'garbled', text: 'xyz' },
  ];
  for (const fault of faults) {
    const { sentence, next } = faultWords(fault);
    expect(sentence).toMatch(/^[A-Z].*\.$/);
    expect(next).toMatch(/\.$/);
  }
  expect(new Set(faults.map((f) => faultWords(f).sentence)).size).toBe(faults.length);
});
