import { mkdtempSync, writeFileSync } from 'node:fs';
import { connect as connectTcp, type AddressInfo, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AdapterPort, ByteQueue, connect, takeScan, type Clock, type Transport } from '@pincer/core/link';
import { createApp } from '../app.ts';
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

describe('the server', () => {
  const pages = mkdtempSync(join(tmpdir(), 'pages-'));
  writeFileSync(join(pages, 'index.html'), '<!doctype html><title>Pincer</title>');
  let base = '';
  let http: ReturnType<ReturnType<typeof createApp>['listen']>;

  beforeAll(async () => {
    http = createApp({ pages, isDemo: true, bridgePorts: [35_000] }).listen(0, '127.0.0.1');
    await new Promise((resolve) => http.once('listening', resolve));
    base = `http://127.0.0.1:${(http.address() as AddressInfo).port}`;
  });
  afterAll(() => new Promise((resolve) => http.close(resolve)));

  test('every address of the application is its page', async () => {
    for (const path of ['/', '/case/case_1/narrow', '/codes/P0302']) {
      const response = await fetch(base + path);
      expect(response.status).toBe(200);
      expect(await response.text()).toMatch(/Pincer/);
      expect(response.headers.get('content-security-policy')).toMatch(/default-src 'self'/);
      expect(response.headers.get('x-powered-by')).toBeNull();
    }
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
});
