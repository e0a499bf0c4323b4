import { createServer, type Server } from 'node:net';
import { StandIn, type Fault, type NetworkId, type TemperamentId } from '@pincer/simulator';
import type { Clock } from '@pincer/core/link';

export interface StandInTcpOptions {
  faults: readonly Fault[];
  seed: number;
  temperament: TemperamentId;
  /** How its control units can be reached; all of them plainly if not said. */
  network?: NetworkId;
  /** Seconds without a byte after which a connection is ended. */
  idleSeconds: number;
  /** Told of every command line that reaches an adapter. */
  onCommand?: (command: string) => void;
}

/** More than any command has, characters. */
const MAX_COMMAND = 256;

const clock: Clock = {
  now: () => performance.now(),
  after: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};

/** The same stand-in as in the page, on a TCP port: one car for all, an adapter of its own for each connection. */
export function createStandInServer(options: StandInTcpOptions): Server {
  const car = new StandIn({ ...options, clock });
  return createServer((socket) => {
    const adapter = car.plugIn();
    socket.setTimeout(options.idleSeconds * 1000, () => socket.destroy());
    let text = '';
    socket.on('data', (bytes) => {
      const lines = (text + bytes.toString('latin1')).split('\r');
      text = (lines.pop() ?? '').slice(-MAX_COMMAND);
      for (const line of lines) options.onCommand?.(line.trim());
      adapter.write(new Uint8Array(bytes)).catch(() => socket.destroy());
    });
    const end = () => adapter.unplug();
    socket.on('close', end);
    socket.on('error', end);
    void (async () => {
      for await (const bytes of adapter.incoming) socket.write(bytes);
      socket.end();
    })();
  });
}
