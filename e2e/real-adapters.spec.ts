import { expect, test, type Page } from './window.ts';
import { StandIn, type StandInAdapter } from '@pincer/simulator';
import { STAND_IN_PORT } from '../playwright.config.ts';
import { openCase, station } from './helpers.ts';

const clock = {
  now: () => performance.now(),
  after: (ms: number, run: () => void) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};

/** A car in this process; its adapter's bytes go to the page's fake of the browser's interface. */
async function plugged(page: Page, temperament: 'quick' | 'slow' = 'quick'): Promise<StandInAdapter> {
  const car = new StandIn({ faults: [{ kind: 'coil', cylinder: 4 }], seed: 3, clock, temperament });
  const adapter = car.plugIn();
  await page.exposeFunction('toCar', (bytes: number[]) => adapter.write(Uint8Array.from(bytes)));
  void (async () => {
    for await (const bytes of adapter.incoming)
      await page
        .evaluate((b) => (globalThis as unknown as { fromCar: (b: number[]) => void }).fromCar(b), [...bytes])
        .catch(() => undefined);
    await page
      .evaluate(() => (globalThis as unknown as { carGone: () => void }).carGone())
      .catch(() => undefined);
  })();
  return adapter;
}

/** A serial port whose other end is the car. */
function fakeSerial(): void {
  const world = globalThis as unknown as Record<string, unknown> & { toCar: (b: number[]) => Promise<void> };
  let controller: ReadableStreamDefaultController<Uint8Array> | null = null;
  world['fromCar'] = (b: number[]) => controller?.enqueue(Uint8Array.from(b));
  world['carGone'] = () => controller?.error(new Error('unplugged'));
  const port = {
    readable: new ReadableStream<Uint8Array>({ start: (c) => void (controller = c) }),
    writable: new WritableStream<Uint8Array>({ write: (b) => world.toCar([...b]) }),
    open: ({ baudRate }: { baudRate: number }) => {
      world['openedAt'] = baudRate;
      return Promise.resolve();
    },
    close: () => Promise.resolve(),
  };
  Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
}

/** A device with one service that carries a serial line, among others that do not. */
function fakeBluetooth(): void {
  const world = globalThis as unknown as Record<string, unknown> & { toCar: (b: number[]) => Promise<void> };
  class Line extends EventTarget {
    value: DataView | null = null;
    constructor(readonly properties: Record<string, boolean>) {
      super();
    }
    startNotifications = () => Promise.resolve();
    writeValueWithoutResponse = (b: Uint8Array) => {
      if (b.length > 20) throw new Error('too long for one write');
      return world.toCar([...b]);
    };
    writeValueWithResponse = (b: Uint8Array) => world.toCar([...b]);
  }
  const talks = new Line({ notify: true });
  const device = Object.assign(new EventTarget(), {
    gatt: {
      connect: () =>
        Promise.resolve({
          getPrimaryServices: () =>
            Promise.resolve([
              { getCharacteristics: () => Promise.resolve([new Line({ read: true })]) },
              {
                getCharacteristics: () => Promise.resolve([talks, new Line({ writeWithoutResponse: true })]),
              },
            ]),
        }),
      disconnect: () => undefined,
    },
  });
  world['fromCar'] = (b: number[]) => {
    talks.value = new DataView(Uint8Array.from(b).buffer);
    talks.dispatchEvent(new Event('characteristicvaluechanged'));
  };
  world['carGone'] = () => device.dispatchEvent(new Event('gattserverdisconnected'));
  Object.defineProperty(navigator, 'bluetooth', { value: { requestDevice: () => Promise.resolve(device) } });
}

test('a USB or paired adapter: connected and read in one touch', async ({ page }) => {
  await page.addInitScript(fakeSerial);
  await plugged(page);
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('combobox', { name: 'Speed' }).selectOption('115200');
  await page.getByRole('button', { name: 'USB or paired: connect and read' }).click();
  await expect(page.getByText('P0304').first()).toBeVisible({ timeout: 20_000 });
  expect(await page.evaluate(() => (globalThis as unknown as { openedAt: number }).openedAt)).toBe(115_200);
  await page.getByRole('link', { name: /^Log, / }).click();
  await expect(page.getByRole('dialog')).toContainText('USB or paired adapter connected');
});

test('pulled out while it reads: the sentence, and what came', async ({ page }) => {
  await page.addInitScript(fakeSerial);
  const adapter = await plugged(page, 'slow');
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('button', { name: 'USB or paired: connect and read' }).click();
  await expect(
    page
      .getByText('Stored conditions', { exact: true })
      .or(page.getByText('Permanent codes', { exact: true }))
      .first(),
  ).toBeVisible({ timeout: 20_000 });
  adapter.unplug();
  await expect(page.getByText('The connection to the adapter was cut.').first()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Not read' })).toBeVisible();
});

test('a Bluetooth adapter: its serial line is found by listing', async ({ page }) => {
  await page.addInitScript(fakeBluetooth);
  await plugged(page);
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('button', { name: 'Bluetooth: connect and read' }).click();
  await expect(page.getByText('P0304').first()).toBeVisible({ timeout: 20_000 });
});

test('nothing chosen, or no adapter: a plain sentence, and nothing breaks', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(navigator, 'serial', {
      value: { requestPort: () => Promise.reject(new Error('No port selected by the user.')) },
    });
    Object.defineProperty(navigator, 'bluetooth', {
      value: {
        requestDevice: () =>
          Promise.resolve({
            gatt: {
              connect: () => Promise.resolve({ getPrimaryServices: () => Promise.resolve([]) }),
              disconnect: () => undefined,
            },
          }),
      },
    });
  });
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('button', { name: 'USB or paired: connect and read' }).click();
  await expect(page.getByText('The adapter could not be opened.')).toBeVisible();
  await page.getByRole('button', { name: 'Bluetooth: connect and read' }).click();
  await expect(page.getByText(/has no serial service/)).toBeVisible();
  await page.getByRole('button', { name: 'Connect and read', exact: true }).click();
  await expect(page.getByText('P0302').first()).toBeVisible({ timeout: 20_000 });
});

test('a network adapter is read through the bridge; a public address is refused and said why', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Connect');
  const address = page.getByRole('textbox', { name: 'Address' });
  await address.fill('93.184.216.34');
  await page.getByRole('button', { name: 'Network: connect and read' }).click();
  const why = page.getByRole('region', { name: 'Why can’t it connect?' });
  await expect(why).toContainText('The bridge only reaches addresses in your own network.');
  await page.getByRole('textbox', { name: 'Port' }).fill('22');
  await page.getByRole('button', { name: 'Network: connect and read' }).click();
  await expect(why).toContainText('not set to reach this port');

  await address.fill('127.0.0.1');
  await page.getByRole('textbox', { name: 'Port' }).fill(String(STAND_IN_PORT));
  await page.getByRole('button', { name: 'Network: connect and read' }).click();
  await expect(page.getByText(/Complete\./)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('P0302').first()).toBeVisible();
  await expect(page.getByText('Network adapter 127.0.0.1', { exact: false }).first()).toBeVisible();
});
