import { Bluetooth, Usb, Wifi } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { LinkKind, Transport } from '@pincer/core/link';
import { useDraft } from '../../store/use-draft.ts';
import { hasBluetooth, openBluetooth } from '../../transports/bluetooth.ts';
import { bridgePorts, openNetwork } from '../../transports/network.ts';
import { BAUD_RATES, hasSerial, openSerial } from '../../transports/serial.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { NetworkForm, type NetworkChoice } from './network-form.tsx';

/** A way to reach a real adapter, ready to be opened. */
export interface RealWay {
  by: LinkKind;
  adapter: string;
  open: () => Promise<Transport>;
}

interface Choice extends NetworkChoice {
  rate: number;
}
const START: Choice = { rate: BAUD_RATES[0], host: '192.168.0.10', port: '35000' };
const isChoice = (v: unknown): v is Choice =>
  typeof v === 'object' && v !== null && 'rate' in v && 'host' in v && 'port' in v;

/** The ways to the owner's adapters, as last chosen. */
export function useRealWays(): {
  choice: Choice;
  setChoice: (choice: Choice) => void;
  ways: Readonly<Record<'serial' | 'bluetooth' | 'network', RealWay>>;
} {
  const [choice, setChoice] = useDraft<Choice>('real-adapter', START, isChoice);
  const { rate, host, port } = choice;
  return {
    choice,
    setChoice,
    ways: {
      serial: { by: 'serial', adapter: 'USB or paired adapter', open: () => openSerial(rate) },
      bluetooth: { by: 'bluetooth', adapter: 'Bluetooth adapter', open: openBluetooth },
      network: {
        by: 'network',
        adapter: `Network adapter ${host}`,
        open: () => openNetwork({ host: host.trim(), port: Number(port) }),
      },
    },
  };
}

type Way = 'serial' | 'bluetooth' | 'network';

/**
 * The way that this device will most likely take comes first: the one that was taken last, then those that its browser can
 * take at all. A phone has no serial port; a laptop's cable is surer than the air.
 */
function inLikelyOrder(works: Readonly<Record<Way, boolean>>, last: LinkKind | undefined): Way[] {
  const ways: Way[] = ['serial', 'bluetooth', 'network'];
  const rank = (w: Way) => (works[w] ? (w === last ? 0 : 1) : 2);
  return ways.sort((a, b) => rank(a) - rank(b));
}

/** A real adapter: by USB or paired as a serial port, by low-energy Bluetooth, or in its own wireless network. */
export function RealAdapter({
  isBusy,
  choice,
  setChoice,
  lastBy,
  onConnect,
}: {
  isBusy: boolean;
  /** How an adapter was reached the last time in this case. */
  lastBy: LinkKind | undefined;
  choice: Choice;
  setChoice: (choice: Choice) => void;
  onConnect: (kind: 'serial' | 'bluetooth' | 'network') => void;
}) {
  const [ports, setPorts] = useState<readonly number[] | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void bridgePorts().then((found) => {
      if (isCurrent) setPorts(found);
    });
    return () => {
      isCurrent = false;
    };
  }, []);
  const hasBridge = ports !== null && ports.length > 0;
  const works: Readonly<Record<Way, boolean>> = {
    serial: hasSerial(),
    bluetooth: hasBluetooth(),
    network: ports === null || hasBridge,
  };
  const order = inLikelyOrder(works, lastBy);
  const look = (way: Way) => (way === order[0] ? BUTTON.solid : BUTTON.plain);
  const blocks: Readonly<Record<Way, React.ReactNode>> = {
    serial: (
      <div key="serial">
        <p className="flex items-center gap-2 font-semibold">
          <Usb size={19} aria-hidden="true" /> By USB, or paired as a serial port
        </p>
        <div className="mt-1.5 flex flex-wrap items-end gap-2">
          <label className="block w-32">
            <span className="text-[14px] text-ink-2">Speed</span>
            <select
              className={FIELD}
              value={choice.rate}
              disabled={isBusy}
              onChange={(e) => setChoice({ ...choice, rate: Number(e.target.value) })}
            >
              {BAUD_RATES.map((b) => (
                <option key={b} value={b}>
                  {b.toLocaleString('en-GB')}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className={look('serial')}
            disabled={isBusy || !hasSerial()}
            onClick={() => onConnect('serial')}
          >
            USB or paired: connect and read
          </button>
        </div>
      </div>
    ),
    bluetooth: (
      <div key="bluetooth">
        <p className="flex items-center gap-2 font-semibold">
          <Bluetooth size={19} aria-hidden="true" /> Bluetooth Low Energy (BLE)
        </p>
        <div className="mt-1.5">
          <button
            type="button"
            className={look('bluetooth')}
            disabled={isBusy || !hasBluetooth()}
            onClick={() => onConnect('bluetooth')}
          >
            Bluetooth: connect and read
          </button>
        </div>
      </div>
    ),
    network: (
      <div key="network">
        <p className="flex items-center gap-2 font-semibold">
          <Wifi size={19} aria-hidden="true" /> In its own wireless network
        </p>
        {ports !== null && !hasBridge ? (
          <p className="text-[15px] text-ink-2">
            This needs the page’s own server running on your laptop; a web page alone cannot reach such an
            adapter. Start it with <span className="font-mono">npm run demo</span>.
          </p>
        ) : (
          <NetworkForm
            isBusy={isBusy}
            hasBridge={hasBridge}
            look={look('network')}
            choice={choice}
            onChange={(typed) => setChoice({ ...choice, ...typed })}
            onConnect={() => onConnect('network')}
          />
        )}
      </div>
    ),
  };
  return (
    <section aria-labelledby="real-adapter" className={`${SHEET} p-4`}>
      <h3 id="real-adapter" className="text-lg">
        Your adapter
      </h3>
      <p className="text-ink-2">The browser asks you which one. Reading changes nothing in the vehicle.</p>
      <div className="mt-3 grid items-start gap-x-6 gap-y-4 lg:grid-cols-2">
        {order.map((way) => blocks[way])}
      </div>
      {hasSerial() && hasBluetooth() ? null : (
        <p className="mt-3 text-[15px] text-ink-2">
          {hasSerial()
            ? 'This browser cannot use Bluetooth adapters.'
            : hasBluetooth()
              ? 'This browser cannot use USB or paired adapters.'
              : 'This browser opens neither USB nor Bluetooth adapters.'}{' '}
          A browser built on Chromium does both on a laptop, and Bluetooth on most phones.
        </p>
      )}
    </section>
  );
}
