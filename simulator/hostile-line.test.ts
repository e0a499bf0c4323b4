import fc from 'fast-check';
import { AdapterPort, ByteQueue, connect, takeScan, type Transport } from '@pincer/core/link';
import { scanSchema } from '@pincer/core/obd';
import { StandIn, VirtualClock, seededRandom } from './index.ts';

interface Harm {
  /** Chance for each character to be lost, to come twice, or to be followed by a stray one. */
  lost: number;
  doubled: number;
  stray: number;
  /** Answers come in pieces of this many bytes, as over the air. */
  piece: number;
  /** After so many bytes the line never stops talking and never prompts again; 0: never. */
  endlessAfter: number;
}

/** A line between adapter and session that does what bad lines do. */
function harmed(inner: Transport, harm: Harm, seed: number): Transport {
  const random = seededRandom(seed);
  const incoming = new ByteQueue();
  let passed = 0;
  void (async () => {
    for await (const bytes of inner.incoming) {
      const out: number[] = [];
      for (const b of bytes) {
        passed++;
        const isPrompt = b === 0x3e;
        if (!isPrompt && random() < harm.lost) continue;
        out.push(b);
        if (!isPrompt && random() < harm.doubled) out.push(b);
        if (random() < harm.stray) out.push(0x30 + Math.floor(random() * 10));
      }
      if (harm.endlessAfter > 0 && passed > harm.endlessAfter) {
        incoming.push(new Uint8Array(70_000).fill(0x41));
        continue;
      }
      for (let at = 0; at < out.length; at += harm.piece)
        incoming.push(Uint8Array.from(out.slice(at, at + harm.piece)));
    }
    incoming.end();
  })();
  return { incoming, write: (bytes) => inner.write(bytes), close: () => inner.close() };
}

async function readOver(harm: Harm, seed: number, isLegacy: boolean) {
  const clock = new VirtualClock();
  const car = new StandIn({
    faults: [{ kind: 'coil', cylinder: 3 }],
    seed: 7,
    clock,
    temperament: 'instant',
    adapter: { isLegacy },
  });
  const port = new AdapterPort(harmed(car.plugIn(), harm, seed), clock);
  const result = await connect(port);
  return result.ok ? (await takeScan(result.connection)).scan : null;
}

const CLEAN: Harm = { lost: 0, doubled: 0, stray: 0, piece: 4096, endlessAfter: 0 };

test('in pieces of any size the reading is the same', async () => {
  const whole = await readOver(CLEAN, 1, false);
  expect(whole?.missing).toEqual([]);
  for (const piece of [1, 2, 7, 20]) expect(await readOver({ ...CLEAN, piece }, 1, false)).toEqual(whole);
});

test('bytes lost, doubled, strewn in and endless: it ends, the reading is valid, and no fault is ever made to be none', async () => {
  const chance = fc.constantFrom(0, 0.0005, 0.003, 0.02);
  await fc.assert(
    fc.asyncProperty(
      fc.record({
        lost: chance,
        doubled: chance,
        stray: chance,
        piece: fc.constantFrom(1, 5, 64, 4096),
        endlessAfter: fc.constantFrom(0, 0, 0, 900, 2500),
      }),
      fc.integer({ min: 1, max: 1e6 }),
      fc.boolean(),
      async (harm, seed, isLegacy) => {
        const reading = await readOver(harm, seed, isLegacy);
        if (!reading) return;
        expect(scanSchema.safeParse(reading).success).toBe(true);
        const isClean = reading.missing.length === 0 && reading.errors.length === 0;
        // A reading that claims to be whole and undamaged has the codes that the car has.
        if (isClean) expect(reading.codes.map((c) => c.code)).toContain('P0303');
      },
    ),
    { numRuns: 120, seed: 20_261 },
  );
});
