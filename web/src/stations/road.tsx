import { useState } from 'react';
import type { Allowance } from '@pincer/core/urgency';
import { cx } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';
import { ROAD_SHARE } from '../ui/road-share.ts';
import { useTell } from '../store/use-tell.ts';

/** How far you may still drive: its length, its words and the fact that decided. */
export function Road({ allowance }: { allowance: Allowance }) {
  const tell = useTell();
  const [isOpen, setOpen] = useState(false);
  const first = allowance.reasons.find((r) => r.isDeciding);
  const { change, reasons, level } = allowance;
  const isEndless = level === 'no-limit';
  return (
    <section aria-label="How far you may still drive" className="shrink-0 border-b border-line">
      <Spoken text={`${allowance.title}. ${first?.text ?? ''}`} />
      <div className="verge-hatch flex min-h-[68px] items-stretch low:min-h-11">
        <div
          className="road-marks relative min-w-[132px] border-r-[5px] border-lane bg-tar px-3 pb-5 pt-2 text-tar-ink md:min-w-[230px] md:px-[18px] low:pb-4 low:pt-1.5"
          // A road without an end leaves no more than the button beside it.
          style={isEndless ? { flex: '1 1 0' } : { width: `${ROAD_SHARE[level]}%` }}
        >
          <b className="block text-[18px] leading-tight md:text-[19px] low:truncate low:text-[15px]">
            {allowance.title}
          </b>
          <span className="hidden text-[14px] md:block low:hidden">{allowance.detail}</span>
        </div>
        <button
          type="button"
          onClick={() => setOpen(true)}
          className={cx(
            'flex min-w-0 items-center justify-between gap-3 px-3 py-2 text-left text-[14px] leading-snug md:px-[18px] low:py-0.5',
            isEndless ? 'min-w-11 shrink-0' : 'flex-1',
          )}
        >
          {!isEndless && first ? (
            <span className="min-w-0">
              <b className="line-clamp-2 md:text-[17px] low:text-[14px]">{first.text}</b>
              {change ? (
                <span className="hidden md:line-clamp-1 low:hidden!">
                  Becomes “{change.title.toLowerCase()}” once {change.once}.
                </span>
              ) : null}
            </span>
          ) : (
            <span className="sr-only">Why</span>
          )}
          <span className="hidden shrink-0 rounded-full border border-line bg-sheet px-3 py-1.5 md:inline">
            {reasons.length === 0
              ? 'Why'
              : reasons.length === 1
                ? 'The reason'
                : `All ${reasons.length} reasons`}
          </span>
        </button>
      </div>
      <Dialog
        title={allowance.title}
        description={`${allowance.detail}. The strictest reason decides; anything unknown is treated with caution.`}
        open={isOpen}
        onOpenChange={setOpen}
      >
        {reasons.length === 0 ? (
          <p>
            {allowance.title === 'Closed'
              ? 'You closed this case. Whatever is seen or read from now on opens it again.'
              : tell(
                  'No warning light is on, the {car} has been read, and nothing known limits how far you may drive.',
                )}
          </p>
        ) : null}
        <ul className="space-y-3">
          {reasons.map((r) => (
            <li
              key={r.id}
              className={r.isDeciding ? 'border-l-[5px] border-ink pl-3' : 'border-l-[5px] border-line pl-3'}
            >
              <p className="font-semibold">{r.text}</p>
              <p className="text-ink-2">{r.then}</p>
              {r.isDeciding ? <p className="text-[14px]">This is the deciding reason.</p> : null}
            </li>
          ))}
        </ul>
        {change ? (
          <p className="mt-4">
            Becomes “{change.title.toLowerCase()}” once {change.once}.
          </p>
        ) : null}
      </Dialog>
    </section>
  );
}

/** What changes while one looks elsewhere is said, once and politely; what stands there on arrival is read in its place. */
function Spoken({ text }: { text: string }) {
  const [last, setLast] = useState(text);
  const [said, setSaid] = useState('');
  if (text !== last) {
    setLast(text);
    setSaid(`How far you may still drive: ${text}`);
  }
  return (
    <p role="status" className="sr-only">
      {said}
    </p>
  );
}
