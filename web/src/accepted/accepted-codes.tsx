import { useState } from 'react';
import { toast } from 'sonner';
import { explainCode } from '@pincer/core/codes';
import { acceptCode, withdrawCode, type Vehicle } from '@pincer/core/vehicle';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON, FIELD } from '../ui/classes.ts';
import { Cautions } from '../ui/cautions.tsx';
import { day } from '../ui/format.ts';
import { now } from '../clock.ts';
import { useTell } from '../store/use-tell.ts';

/** What the law may say of a code that somebody lives with. */
export const LEGAL_CAUTION =
  'In most places it is illegal to remove or defeat emissions equipment, and this code may fail an inspection: check your local rules. Accepting it here changes nothing in the car; it only sets the code apart so that new ones stand out.';

/** Accepts one code with a reason. */
export function AcceptForm({
  vehicle,
  code,
  onDone,
}: {
  vehicle: Vehicle;
  /** Known beforehand, or typed. */
  code?: string;
  onDone: () => void;
}) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState(code ?? '');
  const [reason, setReason] = useState('');
  const isCode = /^[PCBU][0-3][0-9A-F]{3}$/.test(typed);
  return (
    <form
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!isCode || reason.trim() === '') return;
        const next = acceptCode(vehicle, typed, reason.trim(), now().toISOString());
        void dispatch(putVehicle(next)).then((isSaved) => {
          if (isSaved) toast(`${typed} stands apart from now on.`);
          onDone();
        });
      }}
    >
      <Cautions texts={[LEGAL_CAUTION]} />
      {code ? (
        <p>
          <span className="font-mono text-[18px] font-semibold">{code}</span> {tell(explainCode(code).title)}
        </p>
      ) : (
        <label className="block">
          <span className="font-semibold">Code</span>
          <input
            className={`${FIELD} font-mono uppercase`}
            value={typed}
            maxLength={5}
            placeholder="P0141"
            aria-invalid={typed !== '' && !isCode}
            onChange={(e) => setTyped(e.target.value.toUpperCase())}
          />
          {typed.length === 5 && !isCode ? (
            <span role="alert" className="text-[15px] font-semibold">
              This is not a code: it needs a letter P, C, B or U, a digit 0 to 3, and three more characters.
            </span>
          ) : isCode ? (
            <span className="text-[15px]">{tell(explainCode(typed).title)}</span>
          ) : null}
        </label>
      )}
      <label className="block">
        <span className="font-semibold">Why it is known</span>
        <input
          className={FIELD}
          value={reason}
          placeholder="Such as: seat heating taken out, its connector insulated"
          onChange={(e) => setReason(e.target.value)}
        />
      </label>
      <div className="flex gap-2">
        <button type="submit" className={BUTTON.solid} disabled={!isCode || reason.trim() === ''}>
          Accept this code
        </button>
        <button type="button" className={BUTTON.quiet} onClick={onDone}>
          Cancel
        </button>
      </div>
    </form>
  );
}

/** Codes that the owner knows and lives with, with reason and date; what was taken back stays on record. */
export function AcceptedCodes({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const [isAdding, setAdding] = useState(false);
  const all = vehicle.acceptedCodes ?? [];
  return (
    <div className="space-y-3">
      {all.length === 0 ? <p className="text-ink-2">None. Every code that is read counts.</p> : null}
      <ul className="divide-y divide-line">
        {all.map((a) => (
          <li key={`${a.code}${a.since}`} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <span className={`font-mono text-[18px] font-semibold ${a.until ? 'line-through' : ''}`}>
              {a.code}
            </span>
            <span className="min-w-48 flex-1">
              {tell(explainCode(a.code).title)}
              <span className="block text-[15px] text-ink-2">
                {a.reason} · since {day(a.since)}
                {a.until ? `, taken back ${day(a.until)}` : ''}
              </span>
            </span>
            {a.until ? null : (
              <button
                type="button"
                className={BUTTON.quiet}
                onClick={() => void dispatch(putVehicle(withdrawCode(vehicle, a.code, now().toISOString())))}
              >
                Withdraw
              </button>
            )}
          </li>
        ))}
      </ul>
      {isAdding ? (
        <AcceptForm vehicle={vehicle} onDone={() => setAdding(false)} />
      ) : (
        <button type="button" className={BUTTON.own} onClick={() => setAdding(true)}>
          + A known code
        </button>
      )}
    </div>
  );
}
