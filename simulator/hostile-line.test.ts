import { AdapterPort, ByteQueue, connect, takeScan, type Transport } from '@pincer/core/link';
import { StandIn, VirtualClock } from './index.ts';

/** A line that brings its bytes in pieces, as over the air. */
function inPieces(inner: Transport, piece: number): Transport {
  const incoming = new ByteQueue();
  void (async () => {
    for await (const bytes of inner.incoming)
      for (let at = 0; at < bytes.length; at += piece) incoming.push(bytes.slice(at, at + piece));
    incoming.end();
  })();
  return { incoming, write: (bytes) => inner.write(bytes), close: () => inner.close() };
}

async function scanIn(piece: number) {
  const clock = new VirtualClock();
  const car = new StandIn({
    faults: [{ kind: 'coil', cylinder: 3 }],
    seed: 7,
    clock,
    temperament: 'instant',
  });
  const result = await connect(new AdapterPort(inPieces(car.plugIn(), piece), clock));
  return result.ok ? (await takeScan(result.connection)).scan : null;
}

test('in pieces of any size the scan is the same', async () => {
  const whole = await scanIn(4096);
  expect(whole?.missing).toEqual([]);
  expect(whole?.codes.map((c) => c.code)).toContain('P0303');
  for (const piece of [1, 2, 7, 20]) expect(await scanIn(piece)).toEqual(whole);
});
