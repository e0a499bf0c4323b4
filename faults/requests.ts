import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@pincer/simulator';
import { BRIDGE_DEFAULTS, BRIDGE_PATH } from '../server/bridge.ts';
import { createPincer } from '../server/serve.ts';
import type { Campaign, Trial } from './campaign.ts';
import { chosen, chosenAt, type Random } from './chance.ts';

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'CONNECT', 'TRACE', 'BREW', 'get', ''];
const PATHS = [
  '/',
  '//',
  '///x',
  '/%',
  '/%E0%A4%A',
  '/%00',
  '/..%2f..%2f..%2fetc%2fpasswd',
  '/../../etc/passwd',
  '/assets/../../package.json',
  '/assets/none.js',
  '/demo/',
  '/index.html',
  '/case/a%2Fb/narrow',
  '/case/constructor/light',
  '/api/config',
  '/api/config/../config',
  '/api/none',
  '\\\\host\\share',
  'http://elsewhere/',
  'http://',
  '*',
  `/${'a'.repeat(9_000)}`,
  `/?${'q=1&'.repeat(4_000)}`,
  BRIDGE_PATH,
  `${BRIDGE_PATH}?host=127.0.0.1&port=35000`,
  `${BRIDGE_PATH}?host=%E0%A4%A&port=-1`,
];
const HEADERS = [
  'Connection: Upgrade\r\nUpgrade: websocket',
  'Connection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\nSec-WebSocket-Key: AAAAAAAAAAAAAAAAAAAAAA==',
  'Connection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 99\r\nSec-WebSocket-Key: x',
  'Upgrade: h2c',
  'Origin: http://elsewhere.test',
  'Origin: null',
  'Origin: ://',
  'Range: bytes=5-1',
  'Range: bytes=0-0,2-2,4-4,6-6',
  'If-None-Match: "x", W/"y"',
  'If-Modified-Since: yesterday',
  'Accept-Encoding: br;q=nan, gzip, *;q=0',
  'Content-Length: 10',
  'Content-Length: -1',
  'Transfer-Encoding: chunked',
  'Transfer-Encoding: chunked\r\nContent-Length: 3',
  'Expect: 100-continue',
  'Host: [::1',
  'Host: a\tb',
  `X-Long: ${'x'.repeat(20_000)}`,
  'Bad header',
];

/** Bytes of a WebSocket's client that no browser sends. */
const FRAMES = [
  Buffer.from([0xff, 0xff, 0xff, 0xff]),
  Buffer.from([0x81, 0xfe, 0xff, 0xff, 0, 0, 0, 0]),
  Buffer.from([0x82, 0x7f, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff]),
  Buffer.from([0x88, 0x80, 0, 0, 0, 0]),
  Buffer.from([0x89, 0xfe, 0x10, 0x00]),
];

/** Some request, rarely a right one. */
function oddRequest(random: Random): Buffer {
  if (random() < 0.1)
    return Buffer.from(Array.from({ length: 1 + chosenAt(random, 400) }, () => chosenAt(random, 256)));
  // Every third wants to become a WebSocket.
  const upgrade = random() < 0.35 ? HEADERS.slice(0, 2) : [];
  const headers = [...upgrade, ...Array.from({ length: chosenAt(random, 4) }, () => chosen(random, HEADERS))];
  const host = random() < 0.9 ? ['Host: localhost'] : [];
  const isOwn = random() < 0.3 ? ['Origin: http://localhost'] : [];
  const text = [
    `${chosen(random, METHODS)} ${chosen(random, random() < 0.4 ? PATHS.slice(1, 6) : PATHS)} ${chosen(random, ['HTTP/1.1', 'HTTP/1.0', 'HTTP/9', ''])}`,
    ...host,
    ...isOwn,
    ...headers,
  ].join('\r\n');
  return Buffer.concat([
    Buffer.from(`${text}\r\n\r\n`),
    random() < 0.4 ? chosen(random, FRAMES) : Buffer.alloc(0),
  ]);
}

/** Sends bytes and breaks the connection in one of the ways in which connections break. */
function send(port: number, bytes: Buffer, random: Random): Promise<string> {
  return new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1');
    let said = '';
    const done = () => {
      socket.destroy();
      resolve(said);
    };
    const timer = setTimeout(done, 60);
    socket.on('data', (b) => (said += b.toString('latin1').slice(0, 4_096)));
    socket.on('error', () => undefined);
    socket.on('close', () => {
      clearTimeout(timer);
      resolve(said);
    });
    const cut = random() < 0.2 ? chosenAt(random, bytes.length) : bytes.length;
    const way = random();
    socket.write(bytes.subarray(0, cut), () => {
      if (way < 0.2) socket.resetAndDestroy();
      else if (way < 0.4) socket.end();
    });
  });
}

/** The server that is attacked, with pages of its own in a folder beside a secret. */
class Target {
  private readonly folder = mkdtempSync(join(tmpdir(), 'pincer-requests-'));
  private readonly server: Server;
  port = 0;

  constructor() {
    const pages = join(this.folder, 'pages');
    mkdirSync(join(pages, 'assets'), { recursive: true });
    writeFileSync(join(pages, 'index.html'), '<!doctype html><title>Pincer</title>');
    writeFileSync(join(pages, 'assets', 'main-abc.js'), 'export {};');
    writeFileSync(join(this.folder, 'package.json'), 'the secret');
    this.server = createPincer(
      { pages, isDemo: false, bridgePorts: [35_000] },
      { ...BRIDGE_DEFAULTS, ports: [35_000] },
    );
  }

  listen(): Promise<void> {
    return new Promise((resolve) =>
      this.server.listen(0, '127.0.0.1', () => {
        this.port = (this.server.address() as AddressInfo).port;
        this.server.unref();
        resolve();
      }),
    );
  }

  end(): Promise<string> {
    this.server.closeAllConnections();
    this.server.close();
    rmSync(this.folder, { recursive: true, force: true });
    return Promise.resolve('');
  }
}

let target: Promise<Target> | null = null;
const open = async (): Promise<Target> => {
  const made = new Target();
  await made.listen();
  return made;
};

async function attack(seed: number): Promise<Trial> {
  const random = seededRandom(seed);
  const { port } = await (target ??= open());
  const thrown: string[] = [];
  const onThrown = (error: Error) => thrown.push(error.message);
  process.on('uncaughtException', onThrown);
  try {
    const said = await send(port, oddRequest(random), random);
    if (/the secret|root:/.test(said)) return { seed, problem: 'gave out a file that is none of its pages' };
    if (/\bat .+\.[jt]s:\d+/.test(said)) return { seed, problem: 'showed where in its program it failed' };
    const after = await fetch(`http://127.0.0.1:${port}/api/config`, { signal: AbortSignal.timeout(2_000) });
    if (!after.ok) return { seed, problem: `answers ${after.status} afterwards` };
    await after.text();
    return { seed, problem: thrown[0] === undefined ? null : `nothing caught: ${thrown[0]}` };
  } finally {
    process.off('uncaughtException', onThrown);
  }
}

/** Requests that no browser sends: the server stays up, gives out nothing but its pages, and goes on answering. */
export const REQUESTS: Campaign = {
  id: 'requests',
  title: 'Odd requests and broken sockets at the server',
  full: 300,
  short: 60,
  run: attack,
  end: async () => {
    const made = await target;
    target = null;
    return (await made?.end()) ?? '';
  },
};
