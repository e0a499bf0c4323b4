import { asciiBytes, asciiOf, type Transport } from '@pincer/core/link';
import { hasBluetooth, openBluetooth } from '../src/transports/bluetooth.ts';
import { RefusedByBridge } from '@pincer/core/link';
import { bridgePorts, openNetwork } from '../src/transports/network.ts';
import { hasSerial, openSerial } from '../src/transports/serial.ts';

const browser = (parts: Record<string, unknown>) =>
  Object.defineProperty(globalThis, 'navigator', { value: parts, configurable: true });

/** All that a transport brings until its end. */
async function all({ incoming }: Transport): Promise<string> {
  let text = '';
  for await (const bytes of incoming) text += asciiOf(bytes);
  return text;
}

describe('a serial adapter', () => {
  function fakePort() {
    let push: ReadableStreamDefaultController<Uint8Array> | null = null;
    const written: string[] = [];
    const calls: string[] = [];
    const port = {
      readable: new ReadableStream<Uint8Array>({ start: (c) => void (push = c) }),
      writable: new WritableStream<Uint8Array>({ write: (b) => void written.push(asciiOf(b)) }),
      open: ({ baudRate }: { baudRate: number }) => {
        calls.push(`open ${baudRate}`);
        return Promise.resolve();
      },
      close: () => {
        calls.push('close');
        return Promise.resolve();
      },
    };
    browser({ serial: { requestPort: () => Promise.resolve(port) } });
    const says = (text: string) => push?.enqueue(asciiBytes(text));
    return { written, calls, says, pull: () => push?.error(new Error('The device has been lost.')) };
  }

  test('bytes go both ways, and closing twice closes once', async () => {
    const port = fakePort();
    expect(hasSerial()).toBe(true);
    const transport = await openSerial(38_400);
    await transport.write(asciiBytes('ATZ\r'));
    port.says('READY\r>');
    const heard = all(transport);
    await new Promise((resolve) => setTimeout(resolve, 5));
    await transport.close();
    await transport.close();
    expect(await heard).toBe('READY\r>');
    expect(port.written).toEqual(['ATZ\r']);
    expect(port.calls).toEqual(['open 38400', 'close']);
  });

  test('pulled out, the bytes end instead of throwing', async () => {
    const port = fakePort();
    const transport = await openSerial(9_600);
    port.says('41 0C');
    const heard = all(transport);
    await new Promise((resolve) => setTimeout(resolve, 5));
    port.pull();
    expect(await heard).toBe('41 0C');
    await transport.close();
  });

  test('without the interface, or with a port that gives no streams, it says so', async () => {
    browser({});
    expect(hasSerial()).toBe(false);
    await expect(openSerial(38_400)).rejects.toThrow('no serial connection');
    const dead = { readable: null, writable: null, open: () => Promise.resolve() };
    browser({ serial: { requestPort: () => Promise.resolve(dead) } });
    await expect(openSerial(38_400)).rejects.toThrow('could not be opened for reading and writing');
  });
});

describe('a low-energy Bluetooth adapter', () => {
  type Properties = { notify?: boolean; indicate?: boolean; write?: boolean; writeWithoutResponse?: boolean };
  class Characteristic extends EventTarget {
    value: DataView | null = null;
    readonly written: { bytes: string; how: string }[] = [];
    constructor(readonly properties: Properties) {
      super();
    }
    startNotifications = () => Promise.resolve();
    writeValueWithoutResponse = (b: Uint8Array) => this.note(b, 'without');
    writeValueWithResponse = (b: Uint8Array) => this.note(b, 'with');
    private note(b: Uint8Array, how: string): Promise<void> {
      this.written.push({ bytes: asciiOf(b), how });
      return Promise.resolve();
    }
    says(text: string): void {
      // In the middle of a larger buffer, as browsers give it.
      const buffer = Uint8Array.from([0, 0, ...asciiBytes(text), 0]).buffer;
      this.value = new DataView(buffer, 2, text.length);
      this.dispatchEvent(new Event('characteristicvaluechanged'));
    }
  }
  function fakeDevice(...services: Properties[][]) {
    const made = services.map((s) => s.map((p) => new Characteristic(p)));
    const device = Object.assign(new EventTarget(), {
      left: 0,
      gatt: {
        connect: () =>
          Promise.resolve({
            getPrimaryServices: () =>
              Promise.resolve(made.map((list) => ({ getCharacteristics: () => Promise.resolve(list) }))),
          }),
        disconnect: () => {
          device.left++;
        },
      },
    });
    browser({ bluetooth: { requestDevice: () => Promise.resolve(device) } });
    return { device, made };
  }

  test('the first service that talks and listens is the line; long commands go in pieces of twenty bytes', async () => {
    const { device, made } = fakeDevice(
      [{ notify: true }],
      [{ notify: true }, { writeWithoutResponse: true }],
    );
    expect(hasBluetooth()).toBe(true);
    const transport = await openBluetooth();
    const [talks, listens] = made[1] ?? [];
    await transport.write(asciiBytes('0100204060A0C0E0010C0D0506\r'));
    expect(listens?.written).toEqual([
      { bytes: '0100204060A0C0E0010C', how: 'without' },
      { bytes: '0D0506\r', how: 'without' },
    ]);
    const heard = all(transport);
    talks?.says('41 00 ');
    talks?.says('BE 3E\r>');
    device.dispatchEvent(new Event('gattserverdisconnected'));
    expect(await heard).toBe('41 00 BE 3E\r>');
    await transport.close();
    expect(device.left).toBe(1);
  });

  test('one that only writes with an answer is written to so', async () => {
    const { made } = fakeDevice([{ indicate: true, write: true }]);
    const transport = await openBluetooth();
    await transport.write(asciiBytes('ATI\r'));
    expect(made[0]?.[0]?.written).toEqual([{ bytes: 'ATI\r', how: 'with' }]);
  });

  test('a device without a serial line is left again, and said to be none', async () => {
    const { device } = fakeDevice([{ notify: true }], [{ write: true }]);
    await expect(openBluetooth()).rejects.toThrow('has no serial service');
    expect(device.left).toBe(1);
    browser({});
    expect(hasBluetooth()).toBe(false);
    await expect(openBluetooth()).rejects.toThrow('no services');
  });
});

describe('a network adapter by the bridge', () => {
  class Socket extends EventTarget {
    static readonly OPEN = 1;
    static last: Socket;
    readyState = 1;
    binaryType = '';
    readonly sent: string[] = [];
    constructor(readonly url: string) {
      super();
      Socket.last = this;
    }
    send(bytes: Uint8Array): void {
      this.sent.push(asciiOf(bytes));
    }
    close(): void {
      this.ends(1000);
    }
    says(data: string | ArrayBuffer): void {
      this.dispatchEvent(Object.assign(new Event('message'), { data }));
    }
    ends(code: number): void {
      this.readyState = 3;
      this.dispatchEvent(Object.assign(new Event('close'), { code }));
    }
  }
  beforeEach(() => {
    Object.assign(globalThis, { WebSocket: Socket, location: { protocol: 'https:', host: 'garage.test' } });
  });

  test('its text says that the adapter is reached; bytes go both ways', async () => {
    const opening = openNetwork({ host: '192.168.0.10', port: 35_000 });
    expect(Socket.last.url).toBe('wss://garage.test/api/bridge?host=192.168.0.10&port=35000');
    Socket.last.says('connected');
    const transport = await opening;
    await transport.write(asciiBytes('0100\r'));
    const heard = all(transport);
    Socket.last.says(Uint8Array.from(asciiBytes('41 00\r>')).buffer);
    await transport.close();
    expect(await heard).toBe('41 00\r>');
    expect(Socket.last.sent).toEqual(['0100\r']);
    await expect(transport.write(asciiBytes('0100\r'))).rejects.toThrow('closed');
  });

  test.each([[1006], [4999]])('closed with %d before it spoke: no bridge, and what to do', async (code) => {
    const opening = openNetwork({ host: '192.168.0.10', port: 35_000 });
    Socket.last.ends(code);
    const refusal: unknown = await opening.catch((e: unknown) => e);
    expect(refusal).toBeInstanceOf(RefusedByBridge);
    expect((refusal as RefusedByBridge).next).not.toBe('');
  });

  test.each([
    [
      'the server’s list',
      () => Promise.resolve(Response.json({ bridgePorts: [35_000, 'x', 23] })),
      [35_000, 23],
    ],
    ['no bridge', () => Promise.resolve(Response.json({})), []],
    ['no such address', () => Promise.resolve(new Response('', { status: 404 })), []],
    ['no server', () => Promise.reject(new TypeError('fetch failed')), []],
    ['nonsense', () => Promise.resolve(new Response('<html>')), []],
  ] as const)('ports that may be reached: %s', async (_, answer, ports) => {
    globalThis.fetch = answer;
    expect(await bridgePorts()).toEqual(ports);
  });
});
