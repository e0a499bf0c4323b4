import { useState } from 'react';
import { queryOf, type BulletinMatch } from '@pincer/core/bulletins';
import { askForBulletins, bulletinsInFile, type BulletinAnswer } from '../../store/bulletin-actions.ts';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON, SHEET, TAG } from '../../ui/classes.ts';
import { day } from '../../ui/format.ts';
import { useCase } from '../case-context.ts';

/** Recalls and bulletins for this vehicle: asked on a touch with what is sent shown before, or out of a file. */
export function Bulletins() {
  const tell = useTell();
  const { record, state, vehicle, assessment } = useCase();
  const [answer, setAnswer] = useState<BulletinAnswer | null>(null);
  const [isBusy, setBusy] = useState(false);
  const calibrations = state.standing.identities.flatMap((i) => i.identity.calibrationIds);
  const query = queryOf(
    vehicle,
    assessment.codes.map((c) => c.code),
    calibrations,
  );
  const taken = new Set(state.entries.flatMap((e) => (e.kind === 'bulletin' ? [e.bulletin.id] : [])));
  const ask = async () => {
    setBusy(true);
    setAnswer(await askForBulletins(query));
    setBusy(false);
  };
  const open = async (file: File) => setAnswer(await bulletinsInFile(file, query));
  const sent = [
    query.name,
    ...(query.year === null ? [] : [String(query.year)]),
    query.fuel === 'petrol' ? tell('{petrol}') : query.fuel,
    ...(query.litres === null ? [] : [`${query.litres} L`]),
    ...query.codes,
    ...query.calibrations,
  ];
  return (
    <section aria-labelledby="bulletins" className={`${SHEET} p-4`}>
      <h3 id="bulletins" className="text-lg">
        Recalls and bulletins
      </h3>
      <p className="text-[15px]">
        Sent when you ask, and nothing else: <span className="font-mono">{sent.join(' · ')}</span>. No plate,
        no vehicle number. The service that comes with this program holds made-up entries; a maker’s or a
        club’s file can be opened instead.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className={BUTTON.plain} disabled={isBusy} onClick={() => void ask()}>
          {isBusy ? 'Asking…' : 'Ask the service'}
        </button>
        <label className={`${BUTTON.plain} cursor-pointer`}>
          Open a file
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              e.target.value = '';
              if (file) void open(file);
            }}
          />
        </label>
      </p>
      <div aria-live="polite">
        {answer === null ? null : !answer.ok ? (
          <p className="mt-2 font-semibold">{answer.message}</p>
        ) : answer.matches.length === 0 ? (
          <p className="mt-2">Nothing in it is about this vehicle.</p>
        ) : (
          <ul className="mt-2 divide-y divide-line">
            {answer.matches.map((m) => (
              <Match key={m.bulletin.id} caseId={record.id} match={m} isTaken={taken.has(m.bulletin.id)} />
            ))}
          </ul>
        )}
      </div>
    </section>
  );
}

function Match({ caseId, match, isTaken }: { caseId: string; match: BulletinMatch; isTaken: boolean }) {
  const dispatch = useAppDispatch();
  const { bulletin, codes, calibrations } = match;
  const take = async () => {
    await dispatch(
      recordSaying(caseId, { kind: 'bulletin', bulletin }, 'It is in the log, and counts from now on.'),
    );
  };
  const named = [...codes, ...calibrations];
  return (
    <li className="py-2">
      <p className="flex flex-wrap items-baseline justify-between gap-2">
        <b>{bulletin.title}</b>
        <span className={TAG}>{bulletin.kind}</span>
      </p>
      <p className="text-[15px]">{bulletin.text}</p>
      {bulletin.remedy ? <p className="text-[15px]">{bulletin.remedy}</p> : null}
      <p className="text-[15px] text-ink-2">
        {bulletin.source}, {day(bulletin.date)}.
        {named.length > 0 ? (
          <>
            {' '}
            It names <span className="font-mono">{named.join(', ')}</span>.
          </>
        ) : null}
      </p>
      <button type="button" className={`${BUTTON.plain} mt-1`} disabled={isTaken} onClick={() => void take()}>
        {isTaken ? 'In the log' : 'Put it into the log'}
      </button>
    </li>
  );
}
