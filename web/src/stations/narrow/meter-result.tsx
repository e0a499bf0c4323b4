import type { CheckView } from '@pincer/core/assess';
import type { Judged } from '@pincer/core/meter';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON } from '../../ui/classes.ts';

/** What the typed numbers say: a slip to be asked about first, else the verdict with its arithmetic. */
export function MeterResult({
  judged,
  check,
  source,
  hasDenied,
  onDeny,
  onMeant,
  onTake,
}: {
  judged: Judged | { missing: string };
  check: CheckView;
  source: string;
  hasDenied: boolean;
  onDeny: () => void;
  onMeant: (at: number, meant: number) => void;
  onTake: () => void;
}) {
  const tell = useTell();
  if ('missing' in judged)
    return (
      <p className="mt-3" role="status">
        {judged.missing}
      </p>
    );
  const at = hasDenied ? -1 : judged.values.findIndex((v) => v.slip !== null);
  const slip = judged.values[at]?.slip;
  const outcome = check.outcomes.find((o) => o.id === judged.outcome);
  return (
    <div className="mt-3 border-t border-line pt-3">
      <div role="status">
        {slip ? (
          <>
            <p className="font-semibold">Before you record it</p>
            <p>{tell(slip.text)}</p>
          </>
        ) : (
          <>
            <p className="text-[17px] font-semibold">{tell(judged.verdict)}</p>
            {outcome ? <p>{outcome.says}</p> : null}
          </>
        )}
      </div>
      {judged.arithmetic.map((line) => (
        <p key={line} className="mt-1 text-[15px] text-ink-2">
          {tell(line)}
        </p>
      ))}
      <p className="mt-1 text-[14px] text-ink-2">Source: {source}.</p>
      <div className="mt-3 flex flex-wrap gap-2">
        {slip ? (
          <>
            {slip.meant === undefined ? null : (
              <button type="button" className={BUTTON.solid} onClick={() => onMeant(at, slip.meant ?? 0)}>
                Yes, change it
              </button>
            )}
            <button type="button" className={BUTTON.plain} onClick={onDeny}>
              {slip.meant === undefined ? 'I checked that; it is right' : 'No, it shows what I typed'}
            </button>
          </>
        ) : (
          <button type="button" className={BUTTON.solid} onClick={onTake}>
            Record this measurement
          </button>
        )}
      </div>
    </div>
  );
}
