import { useState } from 'react';
import type { Answered } from '@pincer/core/case';
import { recordedDrives, type ProofView, type RecordedDrive } from '@pincer/core/proof';
import { ownUnit } from '@pincer/core/words';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch } from '../../store/store.ts';
import { ANSWERS } from '../../ui/answers.ts';
import { BUTTON, SHEET } from '../../ui/classes.ts';
import { Segments } from '../../ui/segments.tsx';
import { useUnits } from '../../store/use-units.ts';
import { duration } from '../../ui/format.ts';
import { useMoment } from '../../ui/use-now.ts';
import { useCase } from '../case-context.ts';
import { useTell } from '../../store/use-tell.ts';

/** Drives since, as the owner tells them, and how many are still needed. */
export function Drives({ proof }: { proof: ProofView }) {
  const tell = useTell();
  const { record, assessment, state } = useCase();
  const dispatch = useAppDispatch();
  const [met, setMet] = useState<Answered>('unknown');
  const [back, setBack] = useState<Answered>('no');
  const isAtGoal = proof.status === 'proven';
  const add = async () => {
    await dispatch(
      recordSaying(record.id, { kind: 'drive', metConditions: met, cameBack: back }, 'Drive recorded.'),
    );
  };
  return (
    <section aria-labelledby="drives" className={`${SHEET} space-y-3 p-4`}>
      <h3 id="drives" className="text-lg">
        3 · Drive and watch
      </h3>
      <p className="text-ink-2">
        {tell(
          'Never read or type while driving; {a passenger does it}. Drives under the conditions that brought on the fault count most.',
        )}
      </p>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span>Same conditions as when it came?</span>
        <Segments
          label="Same conditions as when it came?"
          options={ANSWERS}
          value={met}
          onChange={setMet}
          tone="own"
        />
      </div>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span>Did it come back?</span>
        <Segments label="Did it come back?" options={ANSWERS} value={back} onChange={setBack} tone="own" />
      </div>
      <button
        type="button"
        className={BUTTON.own}
        disabled={proof.status === 'not-cleared' && proof.units.length === 0 && !assessment.quiet}
        onClick={() => void add()}
      >
        + Record this drive
      </button>
      <Recorded />
      {isAtGoal && !state.closed ? (
        <p>
          <b>The goal is reached.</b> No more drives are needed: close the case.
        </p>
      ) : null}
      {proof.needed.length > 0 && !isAtGoal ? (
        <table className="w-full text-left">
          <caption className="text-left text-[15px] text-ink-2">
            Good drives under the same conditions still needed
          </caption>
          <tbody>
            {proof.needed.map((n) => (
              <tr key={n.level} className="border-t border-line">
                <th scope="row" className="py-1 font-normal">
                  {Math.round(n.level * 100)} % sure
                </th>
                <td className="py-1 text-right font-mono">{n.trips === 0 ? 'reached' : n.trips}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
    </section>
  );
}

const MET: Readonly<Record<Answered, string>> = {
  yes: 'a stretch of it was like the stored moment',
  no: 'no stretch of it was like the stored moment',
  unknown: 'nothing shows whether it was like the stored moment',
};

/** Drives that were recorded: they count with what the recording shows, once the codes are read after them. */
function Recorded() {
  const moment = useMoment();
  const { record, state } = useCase();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const drives = recordedDrives(state);
  if (drives.length === 0) return null;
  const count = async ({ recording, metConditions }: RecordedDrive) => {
    await dispatch(
      recordSaying(
        record.id,
        { kind: 'drive', metConditions, cameBack: 'unknown', recording },
        'Drive recorded. Read the codes now: then it counts.',
      ),
    );
  };
  return (
    <section aria-label="Recorded drives">
      <h4 className="font-semibold">Recorded on the road</h4>
      <ul className="divide-y divide-line">
        {drives.map((d) => (
          <li key={d.recording} className="flex flex-wrap items-center justify-between gap-2 py-2">
            <span>
              <b>{d.title}</b>, {moment(d.at)}, {duration(d.minutes)}
              {d.fastest === null
                ? ''
                : `, up to ${Math.round(ownUnit('km/h', units).of(d.fastest))} ${ownUnit('km/h', units).unit}`}
              : {MET[d.metConditions]}.
            </span>
            <button type="button" className={BUTTON.plain} onClick={() => void count(d)}>
              Count it as a drive
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
