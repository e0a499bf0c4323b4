import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { BUTTON } from '../ui/classes.ts';
import { Panels } from '../ui/contained.tsx';

let lastPath: string | null = null;
/** Whether a page was come to from another one of the program. */
function hasArrived(path: string): boolean {
  const isAnother = lastPath !== null && lastPath !== path;
  lastPath = path;
  return isAnother;
}

/** A station's page: what it is for, its work, and the one next thing at its foot. */
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
  const heading = useRef<HTMLHeadingElement>(null);
  // Whoever goes to another station hears where they are, and goes on from there; a page that has just come is left alone.
  useEffect(() => {
    if (hasArrived(window.location.pathname)) heading.current?.focus({ preventScroll: true });
  }, []);
  return (
    <>
      <div className="flex-1 shrink-0 space-y-4 p-3 md:p-4">
        <div>
          <h2 ref={heading} tabIndex={-1} className="text-[22px] focus:outline-none low:text-[18px]">
            {title}
          </h2>
          {lead ? <p className="max-w-[70ch] text-ink-2 low:hidden">{lead}</p> : null}
        </div>
        <Panels name="This part of the station">{children}</Panels>
      </div>
      {next ? (
        <div className="sticky bottom-0 z-10 flex shrink-0 flex-wrap items-center justify-between gap-x-4 gap-y-2 border-t border-line bg-sheet px-3 py-2.5 md:px-4 low:flex-nowrap low:py-0.5">
          <div className="min-w-0">
            <p className="text-[17px] font-bold low:truncate low:text-[15px]">{next.title}</p>
            {next.detail ? <p className="text-[15px] text-ink-2 low:hidden">{next.detail}</p> : null}
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
