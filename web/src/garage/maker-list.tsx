import { useState } from 'react';
import { toast } from 'sonner';
import { readMakerList, type MakerListResult } from '@pincer/core/codes';
import type { Vehicle } from '@pincer/core/vehicle';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { FileButton } from '../ui/file-button.tsx';
import { Notice } from '../ui/notice.tsx';
import { day } from '../ui/format.ts';
import { now } from '../clock.ts';

/** Largest list that is read, bytes. */
const MAX_BYTES = 2_000_000;
const SHOWN_PROBLEMS = 8;

/** The owner's own list of the maker's codes: checked first, shown, then used and marked as theirs. */
export function MakerList({ vehicle }: { vehicle: Vehicle }) {
  const dispatch = useAppDispatch();
  const [checked, setChecked] = useState<{ name: string; result: MakerListResult } | null>(null);
  const known = vehicle.makerCodes;
  const open = async (file: File) => {
    if (file.size > MAX_BYTES) {
      toast('This file is larger than any list of codes. Nothing was read.');
      return;
    }
    const { default: Papa } = await import('papaparse');
    // An empty last line would keep the separator from being recognised.
    const rows = Papa.parse<string[]>((await file.text()).trimEnd()).data;
    setChecked({ name: file.name, result: readMakerList(rows) });
  };
  const count = checked ? Object.keys(checked.result.codes).length : 0;
  const use = async () => {
    if (!checked) return;
    const isSaved = await dispatch(
      putVehicle({
        ...vehicle,
        makerCodes: { name: checked.name, addedAt: now().toISOString(), codes: checked.result.codes },
      }),
    );
    if (isSaved) toast(`${count} codes of your list are used from now on.`);
    setChecked(null);
  };
  return (
    <div className="space-y-3">
      <p className="text-ink-2">
        {known
          ? `“${known.name}”, ${Object.keys(known.codes).length} codes, since ${day(known.addedAt)}.`
          : 'None. Manufacturer-specific codes differ from make to make; you can import your own list (CSV: code, text), which is marked as yours.'}
      </p>
      {checked ? (
        <Notice
          title={count === 0 ? 'No manufacturer’s code found in it.' : `${count} codes can be used.`}
          tone="strong"
          action={
            <div className="flex gap-2">
              {count > 0 ? (
                <button type="button" className={BUTTON.solid} onClick={() => void use()}>
                  {known ? 'Use it instead' : 'Use this list'}
                </button>
              ) : null}
              <button type="button" className={BUTTON.quiet} onClick={() => setChecked(null)}>
                Cancel
              </button>
            </div>
          }
        >
          {checked.result.problems.length > 0 ? (
            <>
              <p>
                {checked.result.problems.length}{' '}
                {checked.result.problems.length === 1 ? 'row was' : 'rows were'} not taken:
              </p>
              <ul className="mt-1 text-[15px]">
                {checked.result.problems.slice(0, SHOWN_PROBLEMS).map((p) => (
                  <li key={p.line}>
                    line {p.line}, “{p.text}”: {p.why}
                  </li>
                ))}
              </ul>
              {checked.result.problems.length > SHOWN_PROBLEMS ? (
                <p className="text-[15px]">and {checked.result.problems.length - SHOWN_PROBLEMS} more.</p>
              ) : null}
            </>
          ) : (
            'Every row was taken.'
          )}
        </Notice>
      ) : null}
      <FileButton
        label="List of manufacturer’s codes"
        accept=".csv,.txt,text/csv,text/plain"
        className={checked ? BUTTON.quiet : BUTTON.plain}
        onFile={(file) => void open(file)}
      >
        {checked ? 'Choose another file' : known ? 'Import another list' : 'Import a list'}
      </FileButton>
      {known && !checked ? (
        <button
          type="button"
          className={BUTTON.quiet}
          onClick={() => {
            const { makerCodes: _, ...rest } = vehicle;
            void dispatch(putVehicle(rest)).then((isSaved) => {
              if (isSaved) toast('The list is no longer used.');
            });
          }}
        >
          Stop using it
        </button>
      ) : null}
    </div>
  );
}
