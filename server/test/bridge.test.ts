import { createServer as createHttp, type Server as HttpServer } from 'node:http';
import {
  connect as connectTcp,
  createServer as createTcp,
  type AddressInfo,
  type Server,
  type Socket,
} from 'node:net';
import fc from 'fast-check';
import { WebSocket } from 'ws';
import { AdapterPort, ByteQueue, connect, takeScan, type Transport } from '@pincer/core/link';
import { BRIDGE_DEFAULTS, BRIDGE_PATH, attachBridge, type BridgeSettings } from '../bridge.ts';
import { isPrivateAddress, privateAddressOf } from '../private-address.ts';
import { createStandInServer } from '../stand-in-tcp.ts';

const portOf = (server: Server | HttpServer) => (server.address() as AddressInfo).port;
const open: { close: () => void }[] = [];

function listening<T extends Server | HttpServer>(server: T): Promise<T> {
  open.push(server);
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)));
}

/** An adapter that notes what reaches it and answers with what it is told to. */
async function adapter(answer: (bytes: Buffer, socket: Socket) => void = () => undefined) {
  const got: string[] = [];
  const sockets = new Set<Socket>();
  const server = await listening(
    createTcp((socket) => {
      sockets.add(socket);
      socket.on('error', () => undefined);
      socket.on('close', () => sockets.delete(socket));
      socket.on('data', (bytes) => {
        got.push(bytes.toString('latin1'));
        answer(bytes, socket);
      });
    }),
  );
  open.push({ close: () => sockets.forEach((s) => s.destroy()) });
  return { port: portOf(server), got, sockets };
}

async function bridge(settings: Partial<BridgeSettings>): Promise<number> {
  const http = await listening(createHttp((_, response) => response.end('page')));
  attachBridge(http, { ...BRIDGE_DEFAULTS, ...settings });
  return portOf(http);
}

interface Dial {
  host?: string;
  to: number | string;
  origin?: string;
  headers?: Record<string, string>;
}

function dial(at: number, { host = '127.0.0.1', to, origin, headers }: Dial): WebSocket {
  const page = new WebSocket(
    `ws://127.0.0.1:${at}${BRIDGE_PATH}?host=${encodeURIComponent(host)}&port=${to}`,
    { origin: origin ?? `http://127.0.0.1:${at}`, ...(headers ? { headers } : {}) },
  );
  open.push({ close: () => page.terminate() });
  return page;
}

/** The close code of a connection, or the HTTP status with which it was refused. */
function end(page: WebSocket): Promise<number> {
  return new Promise((resolve) => {
    page.on('unexpected-response', (_, response) => resolve(response.statusCode ?? 0));
    page.on('error', () => undefined);
    page.on('close', (code) => resolve(code));
  });
}
const opened = (page: WebSocket) => new Promise((resolve) => page.once('open', resolve));

afterEach(() => {
  for (const o of open.splice(0)) o.close();
});

describe('what the bridge is for', () => {
  test('a page reads the stand-in through it, byte for byte', async () => {
    const car = await listening(
      createStandInServer({
        faults: [{ kind: 'coil', cylinder: 1 }],
        seed: 5,
        temperament: 'instant',
        idleSeconds: 5,
      }),
    );
    const page = dial(await bridge({ ports: [portOf(car)] }), { to: portOf(car) });
    const incoming = new ByteQueue();
    page.on('message', (data: Buffer, isBinary) => isBinary && incoming.push(new Uint8Array(data)));
    page.on('close', () => incoming.end());
    await opened(page);
    const transport: Transport = {
      incoming,
      write: (bytes) => {
        page.send(bytes);
        return Promise.resolve();
      },
      close: () => {
        page.close();
        return Promise.resolve();
      },
    };
    const clock = {
      now: () => performance.now(),
      after: (ms: number, run: () => void) => {
        const timer = setTimeout(run, ms);
        return () => clearTimeout(timer);
      },
    };
    const result = await connect(new AdapterPort(transport, clock));
    expect(result.ok).toBe(true);
    if (!result.ok) return;
    const { scan, fault } = await takeScan(result.connection);
    expect(fault).toBeNull();
    expect(scan.codes.map((c) => c.code)).toContain('P0301');
  });
});

describe('what the bridge refuses', () => {
  test('foreign pages, pages without an origin, names that only point here, and other paths', async () => {
    const { port } = await adapter();
    const at = await bridge({ ports: [port] });
    expect(await end(dial(at, { to: port, origin: 'http://elsewhere.example' }))).toBe(403);
    expect(await end(dial(at, { to: port, origin: 'null' }))).toBe(403);
    expect(await end(dial(at, { to: port, origin: `https://127.0.0.1:${at + 1}` }))).toBe(403);
    // A foreign name made to resolve to this machine: origin and host agree, and are still not ours.
    const rebound = { Host: `elsewhere.example:${at}` };
    expect(
      await end(dial(at, { to: port, origin: `http://elsewhere.example:${at}`, headers: rebound })),
    ).toBe(403);
    const other = new WebSocket(`ws://127.0.0.1:${at}/api/other`, { origin: `http://127.0.0.1:${at}` });
    expect(await end(other)).toBe(403);
    const bare = new WebSocket(`ws://127.0.0.1:${at}${BRIDGE_PATH}?host=127.0.0.1&port=${port}`);
    expect(await end(bare)).toBe(403);
  });

  test('public addresses, in every dress, and names that lead there', async () => {
    const { port, got } = await adapter();
    const at = await bridge({
      ports: [port],
      resolve: (name) =>
        Promise.resolve(name === 'mixed.home' ? ['192.168.0.10', '93.184.216.34'] : ['93.184.216.34']),
    });
    for (const host of [
      '93.184.216.34',
      '8.8.8.8',
      '::ffff:93.184.216.34',
      '2606:2800:220:1::1',
      '169.254.169.254',
      '0.0.0.0',
      '2130706433',
      '0x7f.1',
      'adapter.example',
      'mixed.home',
      '127.0.0.1 ',
      '127.0.0.1#x',
    ])
      expect([host, await end(dial(at, { host, to: port }))]).toEqual([host, 4403]);
    expect(got).toEqual([]);
  });

  test('ports that are not in its settings, and what is no port', async () => {
    const { port } = await adapter();
    const at = await bridge({ ports: [port] });
    expect(await end(dial(at, { to: 22 }))).toBe(4405);
    for (const to of ['', '0', '70000', '80x', '-1']) expect(await end(dial(at, { to }))).toBe(4400);
    expect(await end(dial(at, { host: '', to: port }))).toBe(4400);
  });

  test('anything that is not a text command, and messages that are too long', async () => {
    const { port, got } = await adapter();
    const at = await bridge({ ports: [port] });
    for (const [bytes, code] of [
      [Buffer.from([0x16, 0x03, 0x01]), 4415],
      [Buffer.from('GET / HTTP/1.1\r\n'), 4415],
      [Buffer.alloc(2000, 0x41), 1009],
    ] as const) {
      const page = dial(at, { to: port });
      await opened(page);
      page.send(bytes);
      expect(await end(page)).toBe(code);
    }
    expect(got).toEqual([]);
  });

  test('too much at once, in either direction', async () => {
    const flood = await adapter((_, socket) => socket.write(Buffer.alloc(4000, 0x41)));
    const at = await bridge({ ports: [flood.port], maxBytesPerSecond: 1000 });
    const out = dial(at, { to: flood.port });
    await opened(out);
    for (let i = 0; i < 4; i++) out.send(Buffer.alloc(400, 0x41));
    expect(await end(out)).toBe(4413);
    const back = dial(at, { to: flood.port });
    await opened(back);
    back.send('ATZ\r');
    expect(await end(back)).toBe(4413);
  });

  test('more connections than its settings allow, and gives the place back', async () => {
    const { port } = await adapter();
    const at = await bridge({ ports: [port], maxConnections: 1 });
    const one = dial(at, { to: port });
    await opened(one);
    expect(await end(dial(at, { to: port }))).toBe(4409);
    one.close();
    await end(one);
    const two = dial(at, { to: port });
    await opened(two);
    expect(two.readyState).toBe(WebSocket.OPEN);
  });

  test('silence: an idle connection is ended, and so is the adapter’s side', async () => {
    const { port, sockets } = await adapter();
    const page = dial(await bridge({ ports: [port], idleSeconds: 0.15 }), { to: port });
    expect(await end(page)).toBe(4408);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(sockets.size).toBe(0);
  });

  test('a page that ignores that it is closed is ended all the same', async () => {
    const at = await bridge({ ports: [1] });
    const socket = connectTcp(at, '127.0.0.1', () =>
      socket.write(
        `GET ${BRIDGE_PATH}?host=127.0.0.1&port=2 HTTP/1.1\r\nHost: 127.0.0.1:${at}\r\nOrigin: http://127.0.0.1:${at}\r\nConnection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\nSec-WebSocket-Key: AAAAAAAAAAAAAAAAAAAAAA==\r\n\r\n`,
      ),
    );
    const began = performance.now();
    socket.resume();
    await new Promise((resolve) => socket.on('close', resolve));
    expect(performance.now() - began).toBeLessThan(6_000);
  });

  test('commands that pile up before the adapter is reached are bounded', async () => {
    const { port, got } = await adapter();
    const resolve = () =>
      new Promise<readonly string[]>((done) => setTimeout(() => done(['127.0.0.1']), 200));
    const page = dial(await bridge({ ports: [port], resolve }), { host: 'adapter.home', to: port });
    await new Promise((done) => page.once('open', done));
    for (let n = 0; n < 12; n++) page.send(Buffer.alloc(400, 0x41));
    expect(await end(page)).toBe(4413);
    expect(got).toEqual([]);
  });

  test('an address where nothing answers is said to be so; no ports, no bridge', async () => {
    const gone = await adapter();
    open.splice(0).forEach((o) => o.close());
    expect(await end(dial(await bridge({ ports: [gone.port] }), { to: gone.port }))).toBe(4404);
    const none = await bridge({ ports: [] });
    const page = dial(none, { to: 35_000 });
    expect([200, 1006]).toContain(await end(page));
  });
});

describe('private addresses', () => {
  test('property: an IPv4 address is private exactly in the ranges of RFC 1918 and loopback', () => {
    const byte = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(byte, byte, byte, byte, (a, b, c, d) => {
        const expected =
          a === 10 || a === 127 || (a === 172 && b >= 16 && b < 32) || (a === 192 && b === 168);
        expect(isPrivateAddress(`${a}.${b}.${c}.${d}`)).toBe(expected);
        expect(isPrivateAddress(`::ffff:${a}.${b}.${c}.${d}`)).toBe(expected);
      }),
    );
  });

  test('names are resolved, and the address that was looked at is the one that is used', async () => {
    const resolve = (name: string) =>
      name === 'adapter.home' ? Promise.resolve(['192.168.4.1']) : Promise.reject(new Error('unknown'));
    expect(await privateAddressOf('adapter.home', resolve)).toBe('192.168.4.1');
    expect(await privateAddressOf('nobody.home', resolve)).toBeNull();
    expect(await privateAddressOf('fd00::1', resolve)).toBe('fd00::1');
  });
});
