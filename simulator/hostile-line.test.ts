import { AdapterPort, ByteQueue, connect, takeScan, type Transport } from '@pincer/core/link';
import type { Scan } from '@pincer/core/obd';
import { seededRandom } from './random.ts';
import { StandIn, VirtualClock } from './index.ts';

/** What becomes of the pieces in which a line brings its bytes: how long each is, and whether it arrives. */
interface Air {
  /** Bytes of a piece. */
  piece: number;
  /** Bytes of the first piece of an answer, where it begins in the middle of one. */
  first?: () => number;
  isLost?: () => boolean;
}

const PROMPT = '>'.charCodeAt(0);

/** A line that brings its bytes in pieces, as over the air. The prompt always comes: without it the answer would be waited for. */
function inPieces(inner: Transport, { piece, first = () => piece, isLost = () => false }: Air): Transport {
  const incoming = new ByteQueue();
  void (async () => {
    for await (const bytes of inner.incoming) {
      for (let at = 0, end = first(); at < bytes.length; at = end, end += piece) {
        const part = bytes.slice(at, end);
        if (part.includes(PROMPT) || !isLost()) incoming.push(part);
      }
    }
    incoming.end();
  })();
  return { incoming, write: (bytes) => inner.write(bytes), close: () => inner.close() };
}

/** A reading of a car with three codes in the engine and none in the gearbox, at the end of such a line. */
async function scanIn(air: Air, seed = 7): Promise<Scan> {
  const clock = new VirtualClock();
  const faults = [
    { kind: 'coil', cylinder: 3 },
    { kind: 'coil-boot', cylinder: 2 },
  ] as const;
  const car = new StandIn({ faults, seed, clock, temperament: 'instant' });
  const result = await connect(new AdapterPort(inPieces(car.plugIn(), air), clock));
  if (!result.ok) throw new Error(result.fault.code);
  return (await takeScan(result.connection)).scan;
}

test('in pieces of any size the scan is the same', async () => {
  const whole = await scanIn({ piece: 4096 });
  expect(whole.missing).toEqual([]);
  expect(whole.codes.map((c) => c.code)).toContain('P0303');
  for (const piece of [1, 2, 7, 20]) expect(await scanIn({ piece })).toEqual(whole);
});

/** Pieces of twenty bytes, beginning anywhere in an answer, of which some never arrive. */
function losing(share: number, seed: number): Air {
  const random = seededRandom(seed);
  return { piece: 20, first: () => 1 + Math.floor(random() * 20), isLost: () => random() < share };
}

/** What a reading says that stays the same while the car stands: codes, number, stored conditions, what each part is. */
function statements(scan: Scan): Set<string> {
  const parts = scan.parts.filter((p) => p.state !== 'not-read');
  return new Set([
    ...scan.codes.map((c) => JSON.stringify(c)),
    ...parts.map((p) => `${p.unit} ${p.part} ${p.state}`),
    ...scan.freezeFrames.flatMap((f) => f.values.map((v) => `${f.unit} ${f.frame} ${v.name} ${v.value}`)),
    ...(scan.vin ? [scan.vin] : []),
  ]);
}

test('where twenty characters are lost at a time, with a line end among them, nothing is read that was not said', async () => {
  for (let seed = 1; seed <= 60; seed++) {
    const truth = statements(await scanIn({ piece: 20 }, seed));
    const read = statements(await scanIn(losing(0.1, seed), seed));
    expect([seed, ...[...read].filter((s) => !truth.has(s))]).toEqual([seed]);
    expect(read.size).toBeGreaterThan(truth.size / 2);
  }
});
