import { createServer, type Server } from 'node:http';
import { createApp, type AppOptions } from './app.ts';
import { attachBridge, type BridgeSettings } from './bridge.ts';

/** How long a request may take to arrive, ms. */
const HEADERS_MS = 10_000;
const REQUEST_MS = 20_000;
/** Browsers keep a handful of connections; more than this is nobody's browser. */
const MAX_CONNECTIONS = 256;

/** The pages and the bridge as one server that no request and no broken socket ends. It does not listen yet. */
export function createPincer(app: AppOptions, bridge: BridgeSettings): Server {
  const server = createServer({ headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS }, createApp(app));
  server.maxConnections = MAX_CONNECTIONS;
  server.on('connection', (socket) => socket.on('error', () => socket.destroy()));
  server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
    // Browsers open connections ahead of need. One that has carried nothing for too long is closed without a word: a browser
    // that is just about to use it would take any word for the answer, where it asks again after none.
    const isUnused =
      error.code === 'ERR_HTTP_REQUEST_TIMEOUT' && 'bytesRead' in socket && socket.bytesRead === 0;
    if (isUnused || !socket.writable) socket.destroy();
    else
      socket.end(
        `HTTP/1.1 ${error.code === 'ERR_HTTP_REQUEST_TIMEOUT' ? '408 Request Timeout' : '400 Bad Request'}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`,
        () => socket.destroy(),
      );
  });
  attachBridge(server, bridge);
  return server;
}
