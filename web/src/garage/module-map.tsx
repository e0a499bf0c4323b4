import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { mergeMaps, readModuleMap, type ModuleMap, type Vehicle } from '@pincer/core/vehicle';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { unitsAnswered } from '@pincer/core/assess';
import { day } from '../ui/format.ts';
import { BUTTON } from '../ui/classes.ts';
import { FileButton } from '../ui/file-button.tsx';
import { saveText } from '../ui/save-text.ts';
import { Notice } from '../ui/notice.tsx';
import { casesOfVehicle } from '../store/logbook-selectors.ts';

/** Which control units the vehicle has: brought in as an open JSON file, checked, shown, then used by every reading. */
export function ModuleMapSection({ vehicle }: { vehicle: Vehicle }) {
  const dispatch = useAppDispatch();
  const cases = useAppSelector((s) => casesOfVehicle(s.logbook, vehicle.id));
  const answered = useMemo(() => unitsAnswered(cases), [cases]);
  const [problem, setProblem] = useState<string | null>(null);
  const [checked, setChecked] = useState<ModuleMap | null>(null);
  const shown = checked ?? vehicle.moduleMap ?? null;
  const use = (map: ModuleMap) =>
    void dispatch(putVehicle({ ...vehicle, moduleMap: map })).then((isSaved) => {
      if (isSaved) toast('Every reading asks these control units from now on.');
      setChecked(null);
    });
  const open = async (file: File) => {
    const result = readModuleMap(await file.text());
    setProblem(result.ok ? null : result.message);
    setChecked(result.ok ? result.map : null);
  };
  return (
    <div className="space-y-3">
      {shown ? (
        <>
          <p>
            {checked ? <b>Will be used: </b> : null}“{shown.name}”, {shown.modules.length} control units.
          </p>
          <ul className="divide-y divide-line text-[15px]">
            {shown.modules.map((m) => (
              <li key={m.id} className="flex justify-between gap-3 py-1">
                <span>
                  <b>{m.name}</b> <span className="text-ink-2">{m.does}</span>
                </span>
                <span className="shrink-0 font-mono text-ink-2">
                  {m.request} → {m.answer}
                </span>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="text-ink-2">
          Only the engine and transmission answer standard requests. A module map lists the other control
          units, and every reading then asks them too. Find them at Connect, or import a map (open JSON) of
          the same vehicle.
        </p>
      )}
      {answered ? (
        <p className="text-[15px] text-ink-2">
          Answered at the last reading, {day(answered.at)}: {answered.units.join(', ')}.
        </p>
      ) : null}
      {problem ? (
        <Notice title="This map cannot be used." tone="strong">
          {problem}
        </Notice>
      ) : null}
      <div className="flex flex-wrap gap-2">
        {checked ? (
          <>
            <button type="button" className={BUTTON.solid} onClick={() => use(checked)}>
              {vehicle.moduleMap ? 'Use this map instead' : 'Use this map'}
            </button>
            {vehicle.moduleMap ? (
              <button
                type="button"
                className={BUTTON.plain}
                onClick={() => vehicle.moduleMap && use(mergeMaps(vehicle.moduleMap, checked))}
              >
                Add what is new in it
              </button>
            ) : null}
            <button type="button" className={BUTTON.quiet} onClick={() => setChecked(null)}>
              Cancel
            </button>
          </>
        ) : null}
        <FileButton
          label="Module map"
          accept="application/json,.json"
          className={checked ? BUTTON.quiet : BUTTON.plain}
          onFile={(file) => void open(file)}
        >
          {checked ? 'Choose another file' : vehicle.moduleMap ? 'Import another map' : 'Import a module map'}
        </FileButton>
        {vehicle.moduleMap && !checked ? (
          <button
            type="button"
            className={BUTTON.quiet}
            onClick={() =>
              saveText(`${vehicle.name} control units.json`, JSON.stringify(vehicle.moduleMap, null, 2))
            }
          >
            Save as a file
          </button>
        ) : null}
      </div>
    </div>
  );
}
