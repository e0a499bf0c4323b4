import { Link } from 'react-router';
import { BUTTON } from '../ui/classes.ts';
import { Panels } from '../ui/contained.tsx';
import { tellFoot } from '../ui/foot.ts';
import { useTell } from '../store/use-tell.ts';
import { PageTitle } from './page-title.tsx';
import { useArrivalFocus } from './use-arrival-focus.ts';

/**
 * A station's page: what it is for, its work, and the one next thing at its foot.
 * @param lead with tagged words and quantities, as what is next
 */
export function StationPage({
  title,
  lead,
  children,
  next,
}: {
  title: string;
  lead?: string;
  children: React.ReactNode;
  next?: { title: string; detail?: string; to?: string; action?: React.ReactNode };
}) {
  const heading = useArrivalFocus();
  const tell = useTell();
  return (
    <>
      <PageTitle of={title} />
      <div className="flex-1 shrink-0 space-y-4 p-3 md:p-4 low:space-y-2 low:p-2">
        <div>
          <h2 ref={heading} tabIndex={-1} className="text-[22px] focus:outline-none low:sr-only">
            {title}
          </h2>
          {lead ? <p className="max-w-[70ch] text-ink-2 low:hidden">{tell(lead)}</p> : null}
        </div>
        <Panels name="This part of the station">{children}</Panels>
      </div>
      {next ? (
        <div
          ref={tellFoot}
          className="sticky bottom-0 z-10 flex shrink-0 flex-wrap items-center justify-between gap-x-4 gap-y-2 border-t border-line bg-sheet px-3 py-2.5 md:px-4 low:flex-nowrap low:py-0.5 low:whitespace-nowrap"
        >
          <div className="min-w-0">
            <p className="text-[17px] font-bold low:truncate low:text-[15px]">{tell(next.title)}</p>
            {next.detail ? <p className="text-[15px] text-ink-2 low:hidden">{tell(next.detail)}</p> : null}
          </div>
          {next.action ??
            (next.to ? (
              <Link to={next.to} className={`${BUTTON.solid} w-full sm:w-auto low:w-auto`}>
                Continue
              </Link>
            ) : null)}
        </div>
      ) : null}
    </>
  );
}
