import { Bluetooth, Usb } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { Transport } from '@pincer/core/link';
import { connectReal, readCar } from '../../store/link-actions.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { hasBluetooth, openBluetooth } from '../../transports/bluetooth.ts';
import { BAUD_RATES, hasSerial, openSerial } from '../../transports/serial.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';

const isRate = (v: unknown): v is number => BAUD_RATES.some((b) => b === v);

/** A real adapter: by USB or paired as a serial port, or by low-energy Bluetooth. */
export function RealAdapter({ caseId, isBusy }: { caseId: string; isBusy: boolean }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [rate, setRate] = useDraft<number>('serial-rate', BAUD_RATES[0], isRate);
  const connect = async (adapter: string, open: () => Promise<Transport>) => {
    if (!(await dispatch(connectReal(caseId, adapter, open)))) return;
    void navigate(`/case/${caseId}/read`);
    await dispatch(readCar(caseId));
  };
  return (
    <section aria-labelledby="real-adapter" className={`${SHEET} p-4`}>
      <h3 id="real-adapter" className="flex items-center gap-2 text-lg">
        <Usb size={22} aria-hidden="true" /> Your adapter
      </h3>
      <p className="text-ink-2">The browser asks you which one. Nothing is changed in the car by reading.</p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <button
          type="button"
          className={BUTTON.solid}
          disabled={isBusy || !hasSerial()}
          onClick={() => void connect('USB or paired adapter', () => openSerial(rate))}
        >
          <Usb size={19} aria-hidden="true" /> USB or paired: connect and read
        </button>
        <label className="block">
          <span className="font-semibold">Speed</span>
          <select
            className={FIELD}
            value={rate}
            disabled={isBusy}
            onChange={(e) => setRate(Number(e.target.value))}
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
          className={BUTTON.plain}
          disabled={isBusy || !hasBluetooth()}
          onClick={() => void connect('Bluetooth adapter', openBluetooth)}
        >
          <Bluetooth size={19} aria-hidden="true" /> Bluetooth: connect and read
        </button>
      </div>
      {hasSerial() && hasBluetooth() ? null : (
        <p className="mt-2 text-[15px] text-ink-2">
          {hasSerial()
            ? 'This browser opens no Bluetooth adapters.'
            : hasBluetooth()
              ? 'This browser opens no USB or paired adapters.'
              : 'This browser opens neither USB nor Bluetooth adapters.'}{' '}
          A browser built on Chromium does both on a laptop, and Bluetooth on most phones.
        </p>
      )}
    </section>
  );
}
