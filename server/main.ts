import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { BRIDGE_DEFAULTS, attachBridge } from './bridge.ts';
import { createStandInServer } from './stand-in-tcp.ts';

/** Settings from the environment; everything has a default. */
const port = Number(process.env['PORT'] ?? 4173);
const standInPort = Number(process.env['STAND_IN_PORT'] ?? 0);
const isDemo = process.env['PINCER_DEMO'] === '1';
const pages = fileURLToPath(new URL('../web/dist', import.meta.url));

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

const server = createServer(createApp({ pages, isDemo, bridgePorts }));
attachBridge(server, { ...BRIDGE_DEFAULTS, ports: bridgePorts, hosts: list(process.env['BRIDGE_HOSTS']) });
server.listen(port, () => {
  process.stdout.write(`Pincer: http://localhost:${port}${isDemo ? ' (with the example logbook)' : ''}\n`);
});

// Only on this machine: a stand-in is for trying out, not for a network.
if (standInPort > 0) {
  createStandInServer({
    faults: [{ kind: 'coil-boot', cylinder: 2 }],
    seed: 7,
    temperament: 'quick',
    idleSeconds: 120,
  }).listen(standInPort, '127.0.0.1', () =>
    process.stdout.write(`Stand-in adapter: 127.0.0.1:${standInPort}\n`),
  );
}
