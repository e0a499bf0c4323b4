import { ByteQueue, type Transport } from '@pincer/core/link';

/** The part of Web Bluetooth (W3C community draft) that is used. */
interface Characteristic extends EventTarget {
  readonly properties: { notify: boolean; indicate: boolean; write: boolean; writeWithoutResponse: boolean };
  readonly value: DataView | null;
  startNotifications: () => Promise<unknown>;
  writeValueWithoutResponse: (bytes: Uint8Array) => Promise<void>;
  writeValueWithResponse: (bytes: Uint8Array) => Promise<void>;
}
interface Service {
  getCharacteristics: () => Promise<Characteristic[]>;
}
interface Device extends EventTarget {
  readonly gatt?: {
    connect: () => Promise<{ getPrimaryServices: () => Promise<Service[]> }>;
    disconnect: () => void;
  };
}
interface Bluetooth {
  requestDevice: (options: {
    acceptAllDevices: true;
    optionalServices: (number | string)[];
  }) => Promise<Device>;
}

/**
 * Services that carry a serial line over low-energy Bluetooth. A page may only use services that it names
 * beforehand; which of them an adapter has is found by listing.
 */
const UART_SERVICES: (number | string)[] = [
  0xffe0,
  0xfff0,
  0x18f0,
  '6e400001-b5a3-f393-e0a9-e50e24dcca9e',
  '49535343-fe7d-4ae5-8fa9-9fafd205e455',
  'e7810a71-73ae-499d-8c15-faa9aef0c3f2',
];

/** Bytes that fit one write with the smallest packet size of the standard. */
const CHUNK = 20;

function bluetooth(): Bluetooth | null {
  return 'bluetooth' in navigator ? (navigator.bluetooth as Bluetooth) : null;
}

/** Whether this browser can open a low-energy Bluetooth adapter. */
export function hasBluetooth(): boolean {
  return bluetooth() !== null;
}

/**
 * Lets the owner choose a low-energy Bluetooth adapter, and finds one characteristic that talks and one that listens.
 * @throws when the owner chooses none, or the device carries no serial line.
 */
export async function openBluetooth(): Promise<Transport> {
  const device = await bluetooth()?.requestDevice({
    acceptAllDevices: true,
    optionalServices: UART_SERVICES,
  });
  if (!device?.gatt) throw new Error('This device has no services.');
  const { gatt } = device;
  const server = await gatt.connect();
  const line = await findLine(await server.getPrimaryServices());
  if (!line) {
    gatt.disconnect();
    throw new Error(
      'This device has no serial service: it is not a diagnostic adapter, or it must be paired as a serial port instead.',
    );
  }
  const incoming = new ByteQueue();
  line.talks.addEventListener('characteristicvaluechanged', () => {
    const value = line.talks.value;
    if (value)
      incoming.push(
        new Uint8Array(value.buffer.slice(value.byteOffset, value.byteOffset + value.byteLength)),
      );
  });
  device.addEventListener('gattserverdisconnected', () => incoming.end());
  await line.talks.startNotifications();
  return {
    incoming,
    write: async (bytes) => {
      for (let at = 0; at < bytes.length; at += CHUNK) {
        const part = bytes.slice(at, at + CHUNK);
        if (line.listens.properties.writeWithoutResponse) await line.listens.writeValueWithoutResponse(part);
        else await line.listens.writeValueWithResponse(part);
      }
    },
    close: () => {
      gatt.disconnect();
      incoming.end();
      return Promise.resolve();
    },
  };
}

async function findLine(
  services: readonly Service[],
): Promise<{ talks: Characteristic; listens: Characteristic } | null> {
  for (const service of services) {
    const list = await service.getCharacteristics();
    const talks = list.find((c) => c.properties.notify || c.properties.indicate);
    const listens = list.find((c) => c.properties.write || c.properties.writeWithoutResponse);
    if (talks && listens) return { talks, listens };
  }
  return null;
}
