import { Phone } from 'lucide-react';
import { levelRank, type Allowance } from '@pincer/core/urgency';
import { useTell } from '../../store/use-tell.ts';

/** What to do in the next minute, for what stops the car: steps, and whom to call. */
export function Minute({ allowance }: { allowance: Allowance }) {
  const tell = useTell();
  const urgent = allowance.reasons.filter((r) => r.isDeciding && r.minute.length > 0);
  if (levelRank(allowance.level) > levelRank('safe-place') || urgent.length === 0) return null;
  return (
    <section
      aria-labelledby="minute"
      className="rounded-lg border-2 border-ink bg-sheet"
      aria-live="assertive"
    >
      <h3
        id="minute"
        className="border-b-2 border-ink bg-tar px-4 py-2 text-lg text-tar-ink low:py-0.5 low:text-base"
      >
        In the next minute
      </h3>
      <div className="grid gap-x-6 md:grid-cols-2">
        {urgent.map((r) => (
          <div key={r.id} className="px-4 py-3 low:py-1">
            <p className="font-semibold">{r.text}</p>
            <ol className="mt-1 list-decimal space-y-1 pl-5 text-[17px]">
              {r.minute.map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
            {r.call ? (
              <p className="mt-2 flex gap-2">
                <Phone size={20} className="mt-0.5 shrink-0" aria-hidden="true" />
                <span>
                  <b>Call:</b> {r.call}
                </span>
              </p>
            ) : null}
          </div>
        ))}
      </div>
      <p className="border-t border-line px-4 py-2 text-[15px] text-ink-2">
        {tell('{Let a passenger read this while you drive. Stop before you type}.')}
      </p>
    </section>
  );
}
