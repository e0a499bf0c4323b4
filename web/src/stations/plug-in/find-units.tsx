import { useState } from 'react';
import { toast } from 'sonner';
import { SEARCH_MIN_VOLTS, faultWords, type UnitSearch } from '@pincer/core/link';
import type { FoundUnit } from '@pincer/core/obd';
import { draftMap, nameOfFound } from '@pincer/core/vehicle';
import { stopLink } from '../../store/link-actions.ts';
import { putVehicle } from '../../store/logbook-actions.ts';
import { searchUnits } from '../../store/search-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { Cautions } from '../../ui/cautions.tsx';
import { BUTTON, FIELD, SHEET, TAG } from '../../ui/classes.ts';
import { counted } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { saveText } from '../../ui/save-text.ts';
import { useCase } from '../case-context.ts';

const CAUTIONS = [
  'Parked, {parking brake on}, nobody in front of the {car}: control units wake up while they are asked. Lamps may light, relays click and fans start. Keep your hands away from the fans.',
  `The battery carries all of it. Below 12.2 V connect a charger first; the search stops below ${SEARCH_MIN_VOLTS} V.`,
];

const SEARCH =
  'The standard reaches only the engine and transmission. Brakes, airbags, body and the rest keep codes of their own, and no list tells which units a {car} has. This search asks every address on which one may live whether it is there, twice: two to three minutes with a quick adapter. It only reads names, part numbers and codes. It changes, codes and clears nothing.';

/** Looks for the control units of the vehicle, shows them as they are found, and makes a map of them. */
export function FindUnits() {
  const { record } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const link = useAppSelector((s) => s.link);
  const [isReady, setReady] = useState(false);
  const mine = link.search?.caseId === record.id ? link.search : null;
  const status = link.caseId === record.id ? link.status : { at: 'idle' as const };
  const isSearching = status.at === 'searching';
  return (
    <details className={SHEET} open={isSearching || mine !== null || undefined}>
      <summary className="flex min-h-12 items-center px-4 py-2">
        <h3 id="find-units" className="text-lg">
          {tell('Find the control units of this {car}')}
        </h3>
      </summary>
      <div className="space-y-3 px-4 pb-4">
        {mine?.result ? <HowItEnded result={mine.result} /> : null}
        {isSearching ? <Progress {...status.progress} onStop={() => dispatch(stopLink())} /> : null}
        {mine && mine.found.length > 0 ? (
          <Found key={mine.result ? 'ended' : 'running'} units={mine.found} isOver={mine.result !== null} />
        ) : null}
        {status.at === 'talking' ? (
          <>
            {mine ? null : <p>{tell(SEARCH)}</p>}
            <Cautions texts={CAUTIONS.map(tell)} />
            <label className="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                className="size-6 accent-(--own)"
                checked={isReady}
                onChange={(e) => setReady(e.target.checked)}
              />
              <span>{tell('The {car} is parked, the ignition is on and the engine is off.')}</span>
            </label>
            <button
              type="button"
              className={BUTTON.plain}
              disabled={!isReady}
              onClick={() => void dispatch(searchUnits(record.id))}
            >
              {mine ? 'Search again' : 'Search for control units'}
            </button>
          </>
        ) : null}
      </div>
    </details>
  );
}

function HowItEnded({ result }: { result: UnitSearch }) {
  const tell = useTell();
  const { end, units, asked, of, inUse, isNarrow, gateway } = result;
  const so = `${counted(units.length, 'control unit')} answered.`;
  const found =
    of === 0
      ? 'On this older line single control units cannot be asked. Only what the standard reaches can be read.'
      : end.how === 'complete'
        ? `The search is complete. ${so}`
        : end.how === 'low-voltage'
          ? `The search stopped: ${end.volts.toFixed(1)} V at the socket is too little to go on. Connect a charger. ${so}`
          : `The search stopped after ${asked} of ${of} questions. ${faultWords(end.fault).sentence} ${so}`;
  return (
    <div role="status" className="space-y-2">
      <p className="font-semibold">{found}</p>
      {gateway === 'asks-for-key' ? (
        <Notice title="A unit asks for authorisation first.">
          {tell(
            'A gateway protects this {car}: what lies behind it opens only to the maker’s key or a {workshop} that has one. What is listed here can be read.',
          )}
        </Notice>
      ) : null}
      {gateway === 'lets-little-through' ? (
        <Notice title="Only the engine and transmission answered.">
          Either a gateway lets only the standard’s questions through, or the other units are not on this
          line. It does not mean that they hold no codes: a make-specific tool can tell.
        </Notice>
      ) : null}
      {isNarrow ? (
        <p className="text-[15px]">
          This adapter could only listen for answers in the usual place, so units with unusual addresses were
          not heard.
        </p>
      ) : null}
      {inUse.length > 0 ? (
        <p className="text-[15px] text-ink-2">
          {tell('Left out, because the {car} itself uses these addresses:')} {inUse.join(', ')}.
        </p>
      ) : null}
    </div>
  );
}

/** What a unit tells of itself, in one line. */
function tellsOf(unit: FoundUnit): string {
  return [
    unit.partNumber ? `part ${unit.partNumber}` : null,
    unit.software ? `software ${unit.software}` : null,
    unit.codes === null ? (unit.why ? `codes not told: ${unit.why}` : null) : counted(unit.codes, 'code'),
  ]
    .filter((t) => t !== null)
    .join(', ');
}

function Found({ units, isOver }: { units: readonly FoundUnit[]; isOver: boolean }) {
  const { vehicle, state } = useCase();
  const dispatch = useAppDispatch();
  const [names, setNames] = useState<Record<string, string>>({});
  const map = draftMap(units, vehicle.moduleMap, vehicle.name, names);
  const own = state.standing.vin?.value ?? vehicle.vin;
  const save = async () => {
    if (!map) return;
    const isSaved = await dispatch(putVehicle({ ...vehicle, moduleMap: map }));
    if (isSaved) toast('Saved with the vehicle. Every reading asks these control units from now on.');
  };
  return (
    <div className="space-y-3">
      <ul className="divide-y divide-line border-y border-line">
        {units.map((u) => {
          const known = vehicle.moduleMap?.modules.find((m) => m.request === u.request);
          const { name, by } = nameOfFound(u);
          const isForeign = u.vin !== null && own !== undefined && u.vin !== own;
          return (
            <li key={u.request} className="grid gap-x-4 gap-y-1 py-2 sm:grid-cols-[minmax(0,16rem)_1fr]">
              <label className="block">
                <span className="sr-only">Name of the control unit at {u.request}</span>
                <input
                  className={FIELD}
                  value={names[u.request] ?? known?.name ?? name}
                  maxLength={60}
                  disabled={!isOver}
                  onChange={(e) => setNames({ ...names, [u.request]: e.target.value })}
                />
              </label>
              <div className="text-[15px]">
                <p>
                  <span className="font-mono">
                    {u.request} → {u.answer}
                  </span>{' '}
                  {u.wasAsleep ? <span className={TAG}>was asleep</span> : null}{' '}
                  {u.language === 'iso-14230' ? <span className={TAG}>older language</span> : null}
                </p>
                <p className="text-ink-2">
                  {known ? 'Known already. ' : by === 'its id' ? 'It tells no name: give it one. ' : ''}
                  {by === 'its address' && !known
                    ? 'Named by its address, as the standard assigns them. '
                    : ''}
                  {tellsOf(u)}
                </p>
                {isForeign ? (
                  <p>
                    It keeps another vehicle number, <span className="font-mono">{u.vin}</span>: it may come
                    from another vehicle.
                  </p>
                ) : null}
              </div>
            </li>
          );
        })}
      </ul>
      {isOver && map ? (
        <div className="flex flex-wrap gap-2">
          <button type="button" className={BUTTON.solid} onClick={() => void save()}>
            Save with the vehicle
          </button>
          <button
            type="button"
            className={BUTTON.plain}
            onClick={() => saveText(`${vehicle.name} control units.json`, JSON.stringify(map, null, 2))}
          >
            Save as a file for others
          </button>
        </div>
      ) : null}
    </div>
  );
}
