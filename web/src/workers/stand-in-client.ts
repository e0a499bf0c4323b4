import { proxy, wrap, type Remote } from 'comlink';
import { ByteQueue, type Transport } from '@pincer/core/link';
import type { StandInApi, StandInSetup, StandInState } from '../ports/stand-in.ts';

let standIn: Remote<StandInApi> | null = null;

/** The stand-in's worker, started at the first use. */
export function standInWorker(): Remote<StandInApi> {
  standIn ??= wrap<StandInApi>(
    new Worker(new URL('./stand-in.worker.ts', import.meta.url), { type: 'module' }),
  );
  return standIn;
}

/** Plugs an adapter into the stand-in: a transport like any other, whose bytes come from the worker. */
export async function plugIntoStandIn(
  setup: StandInSetup,
): Promise<{ transport: Transport; state: StandInState }> {
  const worker = standInWorker();
  const incoming = new ByteQueue();
  const state = await worker.start(
    setup,
    proxy((bytes: Uint8Array | null) => (bytes === null ? incoming.end() : incoming.push(bytes))),
  );
  const transport: Transport = {
    incoming,
    write: (bytes) => worker.write(bytes),
    close: async () => {
      await worker.unplug();
      incoming.end();
    },
  };
  return { transport, state };
}
