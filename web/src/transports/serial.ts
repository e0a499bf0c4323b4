import { ByteQueue, type Transport } from '@pincer/core/link';

/** The part of the Web Serial interface (WICG) that is used; TypeScript's DOM library does not have it yet. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
}
interface Serial {
  requestPort: () => Promise<SerialPort>;
}

/** Speeds that adapters are set to, bits a second, the commonest first. */
export const BAUD_RATES = [38_400, 115_200, 9_600] as const;

function serial(): Serial | null {
  return 'serial' in navigator ? (navigator.serial as Serial) : null;
}

/** Whether this browser can open a USB or paired serial adapter. */
export function hasSerial(): boolean {
  return serial() !== null;
}

/**
 * Lets the owner choose a USB or paired serial adapter and opens it.
 * @throws when the owner chooses none, or the port is in use.
 */
export async function openSerial(baudRate: number): Promise<Transport> {
  const port = await serial()?.requestPort();
  if (!port) throw new Error('This browser has no serial connection.');
  await port.open({ baudRate });
  const { readable, writable } = port;
  if (!readable || !writable) throw new Error('The port could not be opened for reading and writing.');
  const incoming = new ByteQueue();
  const reader = readable.getReader();
  const writer = writable.getWriter();
  const pump = async () => {
    try {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) break;
        incoming.push(value);
      }
    } catch {
      // Unplugged: the end of the bytes says so to the session.
    }
    incoming.end();
  };
  void pump();
  let isClosed = false;
  return {
    incoming,
    write: (bytes) => writer.write(bytes),
    close: async () => {
      if (isClosed) return;
      isClosed = true;
      // A port that is gone already refuses each of these; it is closed all the same.
      await reader.cancel().catch(() => undefined);
      await writer.close().catch(() => undefined);
      await port.close().catch(() => undefined);
      incoming.end();
    },
  };
}
