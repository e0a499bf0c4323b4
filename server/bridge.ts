import type { IncomingMessage, Server } from 'node:http';
import { connect, type Socket } from 'node:net';
import type { Duplex } from 'node:stream';
import { WebSocketServer, type RawData, type WebSocket } from 'ws';
import type { BridgeCloseCode } from '@pincer/core/link';
import { isPrivateAddress, privateAddressOf, resolveName, type Resolve } from './private-address.ts';

export interface BridgeSettings {
  /** Ports of adapters that may be reached. Empty: there is no bridge. */
  ports: readonly number[];
  /** Names beside localhost and private addresses under which this server's pages may be opened. */
  hosts: readonly string[];
  /** Seconds without a byte in either direction after which a connection ends. */
  idleSeconds: number;
  maxConnections: number;
  /** Bytes a second in each direction; an adapter at its fastest stays far below. */
  maxBytesPerSecond: number;
  resolve: Resolve;
}

export const BRIDGE_DEFAULTS: BridgeSettings = {
  ports: [35_000],
  hosts: [],
  idleSeconds: 90,
  maxConnections: 4,
  maxBytesPerSecond: 65_536,
  resolve: resolveName,
};

export const BRIDGE_PATH = '/api/bridge';

/** Longest message from the page, bytes: a command is a line. */
const MAX_MESSAGE = 512;
const CONNECT_MS = 5_000;
/** Bytes that may wait for a page, or an adapter, that does not read. */
const MAX_WAITING = 262_144;
/** Bytes that may come before the adapter is reached. */
const MAX_EARLY = 4_096;
/** How long a page has to answer that its connection is closed, ms. */
const CLOSE_MS = 2_000;

/** The name in a Host or Origin, without port and brackets. */
function nameOf(host: string): string {
  return host
    .replace(/:\d+$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase();
}

/**
 * Whether a request comes from this server's own page, opened under a name that is ours. The second half keeps out a
 * foreign page whose name was made to point here.
 */
export function isOwnPage(request: IncomingMessage, hosts: readonly string[]): boolean {
  const { origin, host } = request.headers;
  if (origin === undefined || host === undefined) return false;
  let parsed: URL;
  try {
    parsed = new URL(origin);
  } catch {
    return false;
  }
  const name = nameOf(host);
  const isOurs = name === 'localhost' || isPrivateAddress(name) || hosts.includes(name);
  return isOurs && parsed.host.toLowerCase() === host.toLowerCase();
}

/** Counts bytes in windows of a second. */
function meter(limit: number): (bytes: number) => boolean {
  let since = performance.now();
  let used = 0;
  return (bytes) => {
    const now = performance.now();
    if (now - since >= 1_000) {
      since = now;
      used = 0;
    }
    used += bytes;
    return used <= limit;
  };
}

/** What an adapter's text command set is made of: printable ASCII and the return key. */
const isCommandText = (bytes: Buffer): boolean => bytes.every((b) => b === 0x0d || (b >= 0x20 && b < 0x7f));

const asBuffer = (data: RawData): Buffer =>
  Buffer.isBuffer(data) ? data : Array.isArray(data) ? Buffer.concat(data) : Buffer.from(data);

/**
 * Bridges a browser's WebSocket to a network adapter's TCP port. It reaches private and loopback addresses and the
 * ports of its settings, nothing else, and passes only text commands: it cannot serve as a relay to anywhere.
 */
export function attachBridge(server: Server, settings: BridgeSettings): void {
  if (settings.ports.length === 0) return;
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MAX_MESSAGE, perMessageDeflate: false });
  let open = 0;
  server.on('upgrade', (request: IncomingMessage, raw: Duplex, head: Buffer) => {
    // A socket that breaks before it is a WebSocket has nobody else to hear of it.
    raw.on('error', () => raw.destroy());
    const url = addressOf(request.url);
    if (url?.pathname !== BRIDGE_PATH || !isOwnPage(request, settings.hosts)) {
      raw.end('HTTP/1.1 403 Forbidden\r\nConnection: close\r\nContent-Length: 0\r\n\r\n', () =>
        raw.destroy(),
      );
      return;
    }
    sockets.handleUpgrade(request, raw, head, (page) => {
      page.on('error', () => page.terminate());
      if (open >= settings.maxConnections) {
        refuse(page, 4409);
        return;
      }
      open++;
      page.once('close', () => open--);
      void bridge(page, url.searchParams.get('host') ?? '', url.searchParams.get('port') ?? '', settings);
    });
  });
}

/** The address that is asked for; null when it is none, such as `//`. */
function addressOf(text: string | undefined): URL | null {
  try {
    return new URL(text ?? '/', 'http://bridge');
  } catch {
    return null;
  }
}

/** Closes a connection, and ends it whether or not the page answers. */
function end(page: WebSocket, code: BridgeCloseCode | 1000): void {
  page.close(code);
  const patience = setTimeout(() => page.terminate(), CLOSE_MS);
  page.once('close', () => clearTimeout(patience));
}

function refuse(page: WebSocket, code: BridgeCloseCode): void {
  if (page.readyState === page.OPEN) end(page, code);
}

async function bridge(
  page: WebSocket,
  host: string,
  portText: string,
  settings: BridgeSettings,
): Promise<void> {
  const port = /^\d{1,5}$/.test(portText) ? Number(portText) : 0;
  if (host === '' || port < 1 || port > 65_535) {
    refuse(page, 4400);
    return;
  }
  if (!settings.ports.includes(port)) {
    refuse(page, 4405);
    return;
  }
  // Commands that come before the adapter is reached wait here; they count against the same limits.
  const early: Buffer[] = [];
  const mayPass = meter(settings.maxBytesPerSecond);
  let adapter: Socket | null = null;
  let idle: NodeJS.Timeout | undefined;
  const stayAwake = () => {
    clearTimeout(idle);
    idle = setTimeout(() => refuse(page, 4408), settings.idleSeconds * 1000);
  };
  let earlyBytes = 0;
  page.on('message', (data) => {
    // What comes after the close counts for nothing.
    if (page.readyState !== page.OPEN) return;
    const bytes = asBuffer(data);
    if (!isCommandText(bytes)) return refuse(page, 4415);
    if (!mayPass(bytes.length)) return refuse(page, 4413);
    stayAwake();
    if (adapter) {
      if (adapter.writableLength > MAX_WAITING) return refuse(page, 4413);
      adapter.write(bytes);
      return;
    }
    earlyBytes += bytes.length;
    if (earlyBytes > MAX_EARLY) return refuse(page, 4413);
    early.push(bytes);
  });
  page.once('close', () => {
    clearTimeout(idle);
    adapter?.destroy();
  });
  stayAwake();
  const address = await privateAddressOf(host, settings.resolve);
  if (address === null) {
    refuse(page, 4403);
    return;
  }
  if (page.readyState !== page.OPEN) return;
  const mayCome = meter(settings.maxBytesPerSecond);
  const socket = connect({ host: address, port });
  const patience = setTimeout(() => {
    refuse(page, 4404);
    socket.destroy();
  }, CONNECT_MS);
  socket.once('connect', () => {
    clearTimeout(patience);
    adapter = socket;
    if (page.readyState !== page.OPEN) {
      socket.destroy();
      return;
    }
    // One text message says that the adapter is reached; its bytes follow as binary ones.
    page.send('ready');
    for (const bytes of early) socket.write(bytes);
    early.length = 0;
  });
  socket.on('data', (bytes) => {
    if (page.readyState !== page.OPEN) {
      socket.destroy();
      return;
    }
    if (!mayCome(bytes.length) || page.bufferedAmount > MAX_WAITING) return refuse(page, 4413);
    stayAwake();
    page.send(bytes, { binary: true });
  });
  // A socket may break more than once; each time somebody has to hear it.
  socket.on('error', () => {
    if (!adapter) refuse(page, 4404);
  });
  socket.once('close', () => {
    clearTimeout(patience);
    if (page.readyState === page.OPEN) end(page, 1000);
  });
  page.once('close', () => socket.destroy());
}
