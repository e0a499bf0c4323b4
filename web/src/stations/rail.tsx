import { NavLink } from 'react-router';
import type { StationView } from '@pincer/core/assess';
import { cx } from '../ui/classes.ts';
import { StationsByName } from './stations-by-name.tsx';
import { STATION_TITLES } from './titles.ts';

const STATUS_WORDS = {
  filled: 'has facts',
  open: 'open',
  stale: 'out of date: newer facts have come in',
} as const;

/** The eight stations: filled, open, or stale. A column on a laptop, a row under the road on a phone. */
export function Rail({ caseId, stations }: { caseId: string; stations: readonly StationView[] }) {
  return (
    <nav
      aria-label="Stations"
      className="flex shrink-0 overflow-x-auto border-b max-md:items-center border-line bg-sheet-2 max-md:folded:hidden md:w-[188px] md:overflow-y-auto md:border-b-0 md:border-r md:pt-3 low:md:pt-0"
    >
      <StationsByName caseId={caseId} stations={stations} />
      <ol className="flex gap-1 py-1 pr-2 md:w-full md:flex-col md:gap-0 md:p-0 low:max-md:py-0">
        {stations.map((s, i) => (
          <li key={s.id} className="shrink-0">
            <NavLink
              to={`/case/${caseId}/${s.id}`}
              aria-label={`${i + 1} ${STATION_TITLES[s.id]} ${s.summary === '–' ? '' : s.summary} (${STATUS_WORDS[s.status]})`}
              className={({ isActive }) =>
                cx(
                  'group flex min-h-11 min-w-9 items-center gap-2 px-0.5 md:min-h-[58px] md:px-3 low:md:min-h-11',
                  isActive && 'here md:bg-sheet md:shadow-[inset_5px_0_0_var(--ink)]',
                )
              }
            >
              {({ isActive }) => (
                <>
                  <span
                    className={cx(
                      'flex h-[32px] shrink-0 items-center justify-center rounded-full border-2 text-[14px] font-bold md:size-[28px]',
                      isActive
                        ? 'px-3 shadow-[inset_0_-3px_0_var(--ink)] md:px-0 md:shadow-none'
                        : 'w-[32px]',
                      s.status === 'filled' && !isActive && 'border-ink bg-ink text-sheet',
                      s.status === 'filled' &&
                        isActive &&
                        'border-ink bg-sheet text-ink md:bg-ink md:text-sheet',
                      s.status === 'stale' && 'border-dashed border-ink bg-sheet',
                      s.status === 'open' && 'border-ink-2 bg-sheet',
                    )}
                  >
                    {i + 1}
                    {isActive ? <span className="ml-1.5 md:hidden">{STATION_TITLES[s.id]}</span> : null}
                  </span>
                  <span className="hidden min-w-0 md:block">
                    <span className="block font-semibold leading-tight">{STATION_TITLES[s.id]}</span>
                    <span
                      className={cx(
                        'line-clamp-2 text-[13px] leading-tight text-ink-2',
                        s.status === 'stale' && 'italic',
                      )}
                    >
                      {s.summary}
                    </span>
                  </span>
                </>
              )}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
