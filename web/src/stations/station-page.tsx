import { Link } from 'react-router';
import { BUTTON } from '../ui/classes.ts';
import { Panels } from '../ui/contained.tsx';

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
  return (
    <>
      <div className="flex-1 shrink-0 space-y-4 p-3 md:p-4">
        <div>
          <h2 className="text-[22px]">{title}</h2>
          {lead ? <p className="max-w-[70ch] text-ink-2">{lead}</p> : null}
        </div>
        <Panels name="This part of the station">{children}</Panels>
      </div>
      {next ? (
        <div className="sticky bottom-0 z-10 flex shrink-0 flex-wrap items-center justify-between gap-x-4 gap-y-2 border-t border-line bg-sheet px-3 py-2.5 md:px-4">
          <div className="min-w-0">
            <p className="text-[17px] font-bold">{next.title}</p>
            {next.detail ? <p className="text-[15px] text-ink-2">{next.detail}</p> : null}
          </div>
          {next.action ??
            (next.to ? (
              <Link to={next.to} className={`${BUTTON.solid} w-full sm:w-auto`}>
                Continue
              </Link>
            ) : null)}
        </div>
      ) : null}
    </>
  );
}
