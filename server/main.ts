import { fileURLToPath } from 'node:url';
import { BRIDGE_DEFAULTS } from './bridge.ts';
import { isLoopback } from './private-address.ts';
import { createPincer } from './serve.ts';
import { NETWORKS } from '@pincer/simulator';
import { createStandInServer } from './stand-in-tcp.ts';

/** Settings from the environment; everything has a default. */
const port = Number(process.env['PORT'] ?? 4173);
const host = process.env['HOST'] ?? '127.0.0.1';
const standInPort = Number(process.env['STAND_IN_PORT'] ?? 0);
const isDemo = process.env['PINCER_DEMO'] === '1';
const pages = fileURLToPath(new URL('../web/dist', import.meta.url));
const before = fileURLToPath(new URL('../web/dist-before', import.meta.url));

const list = (text: string | undefined): string[] =>
  (text ?? '')
    .split(',')
    .map((t) => t.trim().toLowerCase())
    .filter((t) => t !== '');
/** Set to nothing, there is no bridge. */
const bridgePorts =
  process.env['BRIDGE_PORTS'] === undefined
    ? BRIDGE_DEFAULTS.ports
    : list(process.env['BRIDGE_PORTS'])
        .map(Number)
        .filter((p) => Number.isInteger(p) && p > 0 && p < 65_536);
const say = (text: string) => process.stdout.write(`${text}\n`);

const server = createPincer(
  { pages, before, isDemo, bridgePorts },
  { ...BRIDGE_DEFAULTS, ports: bridgePorts, hosts: list(process.env['BRIDGE_HOSTS']) },
);
server.once('error', (error: NodeJS.ErrnoException) => {
  process.stderr.write(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is in use. Stop what runs there, or choose another: PORT=4200\n`
      : `Pincer cannot listen on ${host}, port ${port}: ${error.message}\n`,
  );
  process.exit(1);
});
server.listen(port, host, () => {
  const address = server.address();
  const at = address !== null && typeof address === 'object' ? address.port : port;
  say(`Pincer: http://localhost:${at}${isDemo ? ' (with the example logbook)' : ''}`);
  if (isLoopback(host)) return;
  const reach =
    bridgePorts.length === 0
      ? ''
      : ` Through it they can also talk to adapters in this network, on port ${bridgePorts.join(', ')}.`;
  say(`Open to the network (HOST=${host}): everyone in it can open these pages.${reach}`);
  say(
    'What somebody records stays in their own browser. Over plain http, a browser lets no page reach USB or Bluetooth.',
  );
});

// Only on this machine: a stand-in is for trying out, not for a network.
if (standInPort > 0) {
  createStandInServer({
    faults: [{ kind: 'coil-boot', cylinder: 2 }],
    seed: 7,
    temperament: 'quick',
    network: NETWORKS.find((n) => n === process.env['STAND_IN_NETWORK']) ?? 'open',
    idleSeconds: 120,
  }).listen(standInPort, '127.0.0.1', () => say(`Stand-in adapter: 127.0.0.1:${standInPort}`));
}
