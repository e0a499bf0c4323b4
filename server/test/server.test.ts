import { readBulletins } from '@pincer/core/bulletins';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { connect as connectTcp, type AddressInfo, type Server, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import {
  AdapterPort,
  ByteQueue,
  connect,
  findUnits,
  takeScan,
  type Clock,
  type Transport,
} from '@pincer/core/link';
import { BRIDGE_DEFAULTS, BRIDGE_PATH } from '../bridge.ts';
import { isLoopback } from '../private-address.ts';
import { createPincer } from '../serve.ts';
import { createStandInServer } from '../stand-in-tcp.ts';

const clock: Clock = {
  now: () => performance.now(),
  after: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};

const listening = (server: Server): Promise<number> =>
  new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)),
  );

/** A TCP socket as two byte streams. */
function socketTransport(port: number): Transport {
  const incoming = new ByteQueue();
  const socket = connectTcp(port, '127.0.0.1');
  socket.on('data', (b) => incoming.push(new Uint8Array(b)));
  socket.on('close', () => incoming.end());
  socket.on('error', () => incoming.end());
  return {
    incoming,
    write: (bytes) =>
      new Promise((resolve, reject) => socket.write(bytes, (e) => (e ? reject(e) : resolve()))),
    close: async () => {
      socket.destroy();
      return Promise.resolve();
    },
  };
}

test('the stand-in on TCP is read like the one in the page', async () => {
  const server = createStandInServer({
    faults: [{ kind: 'coil', cylinder: 1 }],
    seed: 5,
    temperament: 'instant',
    idleSeconds: 5,
  });
  const transport = socketTransport(await listening(server));
  const result = await connect(new AdapterPort(transport, clock));
  expect(result.ok).toBe(true);
  if (result.ok) {
    const { scan, fault } = await takeScan(result.connection);
    expect(fault).toBeNull();
    expect(scan.codes.map((c) => c.code)).toContain('P0301');
  }
  await transport.close();
  await new Promise((resolve) => server.close(resolve));
});

test('on TCP too its control units are found, whatever their ids, and the newest standard is spoken', async () => {
  const seen: string[][] = [];
  for (const network of ['unusual', 'newer'] as const) {
    const server = createStandInServer({
      faults: [],
      seed: 5,
      temperament: 'instant',
      network,
      idleSeconds: 5,
    });
    const transport = socketTransport(await listening(server));
    const result = await connect(new AdapterPort(transport, clock));
    if (!result.ok) throw new Error(result.fault.code);
    expect(result.connection.isNewer).toBe(network === 'newer');
    const stop = new AbortController();
    const { units, end } = await findUnits(result.connection, {
      signal: stop.signal,
      onProgress: ({ step }) => {
        if (step === 'Asking 790') stop.abort();
      },
    });
    expect(end).toEqual({ how: 'stopped', fault: { code: 'cancelled' } });
    seen.push(units.map((u) => u.request));
    await transport.close();
    await new Promise((resolve) => server.close(resolve));
  }
  expect(seen).toEqual([
    ['7E0', '7E1', '714', '743', '772'],
    ['7E0', '7E1'],
  ]);
});

describe('the server', () => {
  const pages = mkdtempSync(join(tmpdir(), 'pages-'));
  const before = mkdtempSync(join(tmpdir(), 'before-'));
  writeFileSync(join(pages, 'index.html'), '<!doctype html><title>Pincer</title>');
  mkdirSync(join(pages, 'assets'));
  // What the build packs: the server gives it to whoever takes it, and the plain file to who does not.
  for (const [end, pack] of [
    ['br', brotliCompressSync],
    ['gz', gzipSync],
  ] as const)
    writeFileSync(join(pages, 'assets', `packed-1.js.${end}`), pack(`export const by = '${end}';`));
  writeFileSync(join(pages, 'assets', 'packed-1.js'), "export const by = 'nothing';");
  writeFileSync(join(pages, 'assets', 'main-2.js'), `export const text = '${'new '.repeat(2_000)}';`);
  writeFileSync(join(before, 'main-1.js'), 'export const text = "old";');
  let base = '';
  const http = createPincer({ pages, before, isDemo: true, bridgePorts: [35_000] }, BRIDGE_DEFAULTS);
  const port = () => (http.address() as AddressInfo).port;
  /** Sends bytes as they are. @returns the first line of what came back. */
  const raw = (text: string, then: (socket: Socket) => void = () => undefined): Promise<string> =>
    new Promise((resolve) => {
      let said = '';
      const socket = connectTcp(port(), '127.0.0.1', () => socket.write(text, () => then(socket)));
      socket.on('data', (bytes) => (said += bytes.toString('latin1')));
      socket.setTimeout(3_000, () => socket.destroy());
      socket.on('error', () => undefined);
      socket.on('close', () => resolve(said.split('\r\n')[0] ?? ''));
    });

  beforeAll(async () => {
    await listening(http);
    base = `http://127.0.0.1:${port()}`;
  });
  afterAll(async () => {
    http.closeAllConnections();
    await new Promise((resolve) => http.close(resolve));
  });

  test('every address of the application is its page', async () => {
    for (const path of ['/', '/case/case_1/narrow', '/codes/P0302']) {
      const response = await fetch(base + path);
      expect(response.status).toBe(200);
      expect(await response.text()).toMatch(/Pincer/);
      expect(response.headers.get('content-security-policy')).toMatch(/default-src 'self'/);
      expect(response.headers.get('x-powered-by')).toBeNull();
    }
  });

  test('bulletins: only what fits the question, in the open format; a question that is none is refused', async () => {
    const ask = (text: string) => fetch(`${base}/api/bulletins?${text}`);
    const found = readBulletins(
      await (await ask('name=Tarrow+Finch+1.4&year=2012&fuel=petrol&litres=1.4&codes=P0302')).text(),
    );
    if (!found.ok) throw new Error(found.message);
    expect(found.bulletins.map((b) => b.id)).toEqual(['tarrow-2013-02', 'tarrow-2014-07']);
    const other = readBulletins(await (await ask('name=Somebody+else')).text());
    expect(other).toEqual({ ok: true, bulletins: [] });
    for (const bad of [
      '',
      'name=',
      'name=a&fuel=coal',
      `name=${'a'.repeat(500)}`,
      'name=a&year=soon',
      'name=a&name=b',
    ])
      expect([bad, (await ask(bad)).status]).toEqual([bad, 400]);
  });

  test('it says whether this is a demonstration and which ports the bridge reaches, nothing else', async () => {
    expect(await (await fetch(`${base}/api/config`)).json()).toEqual({
      demo: true,
      bridgePorts: [35_000],
    });
    expect((await fetch(`${base}/api/other`)).status).toBe(404);
  });

  test('files outside the pages are not served', async () => {
    const response = await fetch(`${base}/..%2f..%2fetc/passwd`);
    expect(await response.text()).not.toMatch(/root:/);
  });

  test('a file that is missing is not the page in its place', async () => {
    for (const path of ['/assets/main-0.js', '/demo/none.json', '/sw-old.js', '/assets/']) {
      const response = await fetch(base + path);
      expect([path, response.status]).toEqual([path, 404]);
      expect(response.headers.get('content-type')).toMatch(/text\/plain/);
    }
    // A case may be called anything.
    expect((await fetch(`${base}/case/a%2Fb%3F.x/narrow`)).status).toBe(200);
  });

  test('what never changes is kept, and travels compressed; the page is asked for again', async () => {
    const script = await fetch(`${base}/assets/main-2.js`, { headers: { 'Accept-Encoding': 'br' } });
    expect(script.headers.get('cache-control')).toMatch(/immutable/);
    expect(script.headers.get('content-encoding')).toBe('br');
    expect(await script.text()).toMatch(/new new/);
    expect((await fetch(`${base}/`)).headers.get('cache-control')).toBe('no-cache');
  });

  test.each([
    ['br, gzip', 'br', 'br'],
    ['gzip', 'gzip', 'gz'],
    ['identity', null, 'nothing'],
    ['br;q=0, gzip;q=0', null, 'nothing'],
  ])('what the build has packed is sent as it is: accepted %s', async (accepted, encoding, by) => {
    const script = await fetch(`${base}/assets/packed-1.js`, { headers: { 'Accept-Encoding': accepted } });
    expect(script.headers.get('content-encoding')).toBe(encoding);
    expect(script.headers.get('content-type')).toMatch(/javascript/);
    expect(script.headers.get('cache-control')).toMatch(/immutable/);
    expect(await script.text()).toBe(`export const by = '${by}';`);
  });

  test('a page of the build before still finds its scripts', async () => {
    const script = await fetch(`${base}/assets/main-1.js`);
    expect(script.status).toBe(200);
    expect(await script.text()).toMatch(/old/);
  });

  test('no other page may put it into a frame, and it takes nothing in', async () => {
    const page = await fetch(`${base}/`);
    expect(page.headers.get('x-frame-options')).toBe('DENY');
    expect(page.headers.get('content-security-policy')).toMatch(/frame-ancestors 'none'/);
    expect(page.headers.get('x-content-type-options')).toBe('nosniff');
    expect((await fetch(`${base}/`, { method: 'POST', body: 'x' })).status).toBe(405);
  });

  test.each([
    [
      'an address that is none',
      'GET // HTTP/1.1\r\nHost: localhost\r\nConnection: Upgrade\r\nUpgrade: websocket\r\n\r\n',
      /403/,
    ],
    ['broken percent signs', 'GET /%E0%A4%A HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n', /400/],
    ['no HTTP at all', '\x00\x01\x02\r\n\r\n', /400/],
    ['a header without end', `GET / HTTP/1.1\r\nX: ${'x'.repeat(40_000)}\r\n\r\n`, /431|400/],
  ])('survives %s', async (_, text, answer) => {
    expect(await raw(text)).toMatch(answer);
    expect((await fetch(`${base}/api/config`)).status).toBe(200);
  });

  test.each([
    ['a connection that a browser opened ahead of need is closed without a word', '', ''],
    ['a request that stays unfinished is told so', 'GET / HT', 'HTTP/1.1 408 Request Timeout'],
  ])('%s', async (_, sent, told) => {
    // What the server's own clock says after ten seconds, said at once.
    http.once('connection', (socket: Socket) => {
      const late = () => {
        const error = Object.assign(new Error('late'), { code: 'ERR_HTTP_REQUEST_TIMEOUT' });
        http.emit('clientError', error, socket);
      };
      if (sent === '') late();
      else socket.once('data', late);
    });
    expect(await raw(sent)).toBe(told);
  });

  test('survives a socket that breaks while it becomes a WebSocket', async () => {
    const upgrade = `GET ${BRIDGE_PATH}?host=127.0.0.1&port=1 HTTP/1.1\r\nHost: localhost\r\nOrigin: http://localhost\r\nConnection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\nSec-WebSocket-Key: AAAAAAAAAAAAAAAAAAAAAA==\r\n\r\n`;
    for (let n = 0; n < 10; n++) await raw(upgrade, (socket) => socket.resetAndDestroy());
    expect((await fetch(`${base}/api/config`)).status).toBe(200);
  });
});

test.each([
  ['127.0.0.1', true],
  ['127.8.0.1', true],
  ['localhost', true],
  ['::1', true],
  ['0.0.0.0', false],
  ['::', false],
  ['192.168.0.10', false],
  ['127.0.0.1.example', false],
])('only this machine can reach %s: %s', (host, expected) => {
  expect(isLoopback(host)).toBe(expected);
});
