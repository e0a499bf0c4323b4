import type { Purse } from '@pincer/core/words';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { ownerReport, vehicleHistory, type HistoryRow, type VehicleHistory } from '@pincer/core/assess';
import type { Vehicle } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { fileName, openPdf, savePdf } from '../papers/save-pdf.ts';
import { changeCase, putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { fetchedPart } from '../ui/fetched-part.tsx';
import { counted, day, money } from '../ui/format.ts';
import { saveText } from '../ui/save-text.ts';
import { casesOfVehicle } from '../store/logbook-selectors.ts';

const SpendingChart = fetchedPart(async () => (await import('./spending-chart.tsx')).SpendingChart);

/** Puts a vehicle away, sold or scrapped, or brings it back. Nothing is lost. */
export function PutAway({ vehicle }: { vehicle: Vehicle }) {
  const dispatch = useAppDispatch();
  const isAway = vehicle.putAwayAt !== undefined;
  const change = async () => {
    const { putAwayAt: _, ...rest } = vehicle;
    const isSaved = await dispatch(putVehicle(isAway ? rest : { ...rest, putAwayAt: now().toISOString() }));
    if (isSaved) toast(isAway ? 'Back in the garage.' : 'Put away. Its record stays in the logbook.');
  };
  return (
    <button type="button" className={BUTTON.plain} onClick={() => void change()}>
      {isAway ? 'Bring it back to the garage' : 'Put away: sold, scrapped or not used'}
    </button>
  );
}

type SortKey = 'openedAt' | 'title' | 'cost';

/** A vehicle's cases over the years, its codes, and what it cost. */
export function History({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const owner = useAppSelector((s) => s.settings.owner);
  const own = useAppSelector((s) => casesOfVehicle(s.logbook, vehicle.id));
  const history = useMemo(() => vehicleHistory(own, vehicle.service), [own, vehicle.service]);
  const report = () =>
    savePdf(ownerReport(vehicle, own, owner), fileName('report', vehicle.name), owner.units);
  const [sort, setSort] = useState<{ key: SortKey; isUp: boolean }>({ key: 'openedAt', isUp: false });
  if (history.rows.length === 0) return null;
  const rows = [...history.rows].sort((a, b) => {
    const by = sort.key === 'cost' ? (a.cost ?? -1) - (b.cost ?? -1) : a[sort.key].localeCompare(b[sort.key]);
    return sort.isUp ? by : -by;
  });
  const head = (key: SortKey, name: string) => {
    const isOn = sort.key === key;
    const Icon = sort.isUp ? ArrowUp : ArrowDown;
    return (
      <th
        scope="col"
        aria-sort={isOn ? (sort.isUp ? 'ascending' : 'descending') : 'none'}
        className="py-1 pr-3 text-left"
      >
        <button
          type="button"
          className="inline-flex min-h-11 items-center gap-1 font-semibold"
          onClick={() => setSort({ key, isUp: isOn ? !sort.isUp : key === 'title' })}
        >
          {name} {isOn ? <Icon size={16} aria-hidden="true" /> : null}
        </button>
      </th>
    );
  };
  return (
    <section aria-labelledby="history" className={`${SHEET} space-y-3 p-4`}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 id="history" className="text-lg">
          Over the years
        </h2>
        <span className="flex flex-wrap gap-2">
          <button type="button" className={BUTTON.plain} onClick={() => void report()}>
            Report for the next owner (PDF)
          </button>
          <button
            type="button"
            className={BUTTON.plain}
            onClick={() =>
              void openPdf(ownerReport(vehicle, own, owner), fileName('report', vehicle.name), owner.units)
            }
          >
            Open it to print
          </button>
          {history.spending.length > 0 ? (
            <button
              type="button"
              className={BUTTON.plain}
              onClick={() => void saveCosts(vehicle, history, tell)}
            >
              Save costs as CSV
            </button>
          ) : null}
        </span>
      </div>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead>
            <tr className="border-b border-line">
              {head('openedAt', 'Opened')}
              {head('title', 'Case')}
              <th scope="col" className="hidden pr-3 font-semibold sm:table-cell">
                Codes
              </th>
              <th scope="col" className="hidden pr-3 font-semibold sm:table-cell">
                What it was
              </th>
              {head('cost', 'Spent')}
              <th scope="col" className="hidden sm:table-cell">
                <span className="sr-only">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Row key={row.case} row={row} purse={owner} />
            ))}
          </tbody>
        </table>
      </div>
      {history.codes.some((c) => c.cases > 1) ? (
        <p>
          <b>Came more than once:</b>{' '}
          {history.codes
            .filter((c) => c.cases > 1)
            .map((c) => `${c.code} in ${counted(c.cases, 'case')} (${c.years.join(', ')})`)
            .join('; ')}
          .
        </p>
      ) : null}
      {history.byYear.length > 1 ? <SpendingChart years={history.byYear} purse={owner} /> : null}
    </section>
  );
}

function Row({ row, purse }: { row: HistoryRow; purse: Purse }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const [name, setName] = useState<string | null>(null);
  const isEmpty = useAppSelector((s) => s.logbook.cases.entities[row.case]?.entries.length === 0);
  const remove = async () => {
    const { forgetCase } = await import('../store/transfer-actions.ts');
    toast((await dispatch(forgetCase(row.case))) ?? 'Removed. Nothing was recorded in it.');
  };
  const codes = row.codes.slice(0, 4).join(' ');
  const what = row.what.map((w) => tell(w)).join(', ');
  const rename = async () => {
    if (name !== null && name.trim() !== '' && name !== row.title) {
      if (await dispatch(changeCase(row.case, { title: name }))) toast('Renamed.');
    }
    setName(null);
  };
  const actions = (
    <span className="flex flex-wrap">
      <button
        type="button"
        className={BUTTON.quiet}
        aria-label={name === null ? `Rename “${row.title}”` : `Keep this name of “${row.title}”`}
        onClick={() => (name === null ? setName(row.title) : void rename())}
      >
        {name === null ? 'Rename' : 'Keep'}
      </button>
      <button
        type="button"
        className={BUTTON.quiet}
        aria-label={row.isPutAway ? `Bring “${row.title}” back` : `Put “${row.title}” away`}
        onClick={() => void dispatch(changeCase(row.case, { isPutAway: !row.isPutAway }))}
      >
        {row.isPutAway ? 'Bring back' : 'Put away'}
      </button>
      {isEmpty ? (
        <button
          type="button"
          className={BUTTON.quiet}
          aria-label={`Remove the empty case “${row.title}”`}
          onClick={() => void remove()}
        >
          Remove
        </button>
      ) : null}
    </span>
  );
  return (
    <tr className="border-b border-line align-top last:border-b-0">
      <td className="whitespace-nowrap py-2 pr-3">{day(row.openedAt)}</td>
      <td className="py-2 pr-3">
        {name === null ? (
          <Link to={`/case/${row.case}/narrow`} className="font-semibold underline underline-offset-4">
            {row.title}
          </Link>
        ) : (
          <input
            className="min-h-11 rounded-md border border-line bg-sheet px-2"
            aria-label={`New name of “${row.title}”`}
            value={name}
            onChange={(e) => setName(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') void rename();
              if (e.key === 'Escape') setName(null);
            }}
          />
        )}
        <span className="block text-[14px] text-ink-2">
          {row.closedAt ? `closed ${day(row.closedAt)}` : 'open'}
          {row.isPutAway ? ', put away' : ''}
        </span>
        {/* On a phone what has no column of its own stands under the case. */}
        <span className="block text-[14px] sm:hidden">
          <span className="font-mono">{codes}</span> {what}
        </span>
        <span className="-ml-3 block sm:hidden">{actions}</span>
      </td>
      <td className="hidden py-2 pr-3 font-mono text-[15px] sm:table-cell">{codes}</td>
      <td className="hidden py-2 pr-3 sm:table-cell">{what}</td>
      <td className="whitespace-nowrap py-2 pr-3 font-mono">
        {row.cost === null ? '–' : money(row.cost, purse)}
      </td>
      <td className="hidden py-1 sm:table-cell">{actions}</td>
    </tr>
  );
}

/** What was paid, for the tax or for a buyer. */
async function saveCosts(
  vehicle: Vehicle,
  { spending }: VehicleHistory,
  tell: (text: string) => string,
): Promise<void> {
  const { default: Papa } = await import('papaparse');
  const csv = Papa.unparse(
    spending.map((s) => ({
      date: s.at.slice(0, 10),
      case: s.case,
      what: tell(s.what),
      'part number': s.partNumber,
      km: s.distanceKm ?? '',
      cost: s.cost,
    })),
    // A cell that begins like a formula stays a text in a spreadsheet.
    { escapeFormulae: true },
  );
  saveText(`${vehicle.name} costs.csv`, `${csv}\r\n`, 'text/csv');
}
