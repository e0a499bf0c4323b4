import { ByteQueue, RefusedByBridge, bridgeRefusal, type Transport } from '@pincer/core/link';

export interface NetworkAddress {
  host: string;
  port: number;
}

/** Milliseconds without an answer from the bridge after which it counts as not there. */
const OPEN_MS = 10_000;

/** Ports that the server's bridge may reach; none when there is no server or no bridge. */
export async function bridgePorts(): Promise<readonly number[]> {
  try {
    const response = await fetch('/api/config');
    const config: unknown = response.ok ? await response.json() : null;
    const ports =
      typeof config === 'object' && config !== null && 'bridgePorts' in config ? config.bridgePorts : [];
    return Array.isArray(ports) ? ports.filter((p): p is number => typeof p === 'number') : [];
  } catch {
    return [];
  }
}

/**
 * Opens a network adapter through the server's bridge.
 * @throws {RefusedByBridge} when the bridge does not reach it, with the reason.
 */
export async function openNetwork({ host, port }: NetworkAddress): Promise<Transport> {
  const query = new URLSearchParams({ host, port: String(port) });
  const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
  const socket = new WebSocket(`${scheme}://${location.host}/api/bridge?${query.toString()}`);
  socket.binaryType = 'arraybuffer';
  const incoming = new ByteQueue();
  socket.addEventListener('message', ({ data }) => {
    if (data instanceof ArrayBuffer) incoming.push(new Uint8Array(data));
  });
  socket.addEventListener('close', () => incoming.end());
  await new Promise<void>((resolve, reject) => {
    const refuse = (code: number) => {
      const known = bridgeRefusal(code);
      reject(
        known
          ? new RefusedByBridge(known.sentence, known.next)
          : new RefusedByBridge(
              'The server’s bridge does not answer.',
              'It is part of the server that this page came from; without a connection to it there is no bridge.',
            ),
      );
    };
    const patience = setTimeout(() => {
      socket.close();
      refuse(0);
    }, OPEN_MS);
    // Its one text message says that the adapter is reached; everything after it is the adapter's bytes.
    socket.addEventListener('message', ({ data }) => {
      if (typeof data !== 'string') return;
      clearTimeout(patience);
      resolve();
    });
    socket.addEventListener('close', ({ code }) => {
      clearTimeout(patience);
      refuse(code);
    });
  });
  return {
    incoming,
    write: (bytes) => {
      if (socket.readyState !== WebSocket.OPEN) return Promise.reject(new Error('The bridge is closed.'));
      socket.send(Uint8Array.from(bytes));
      return Promise.resolve();
    },
    close: () => {
      socket.close();
      incoming.end();
      return Promise.resolve();
    },
  };
}
