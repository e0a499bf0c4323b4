import { ScrollText, Search, Settings } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, Outlet, useMatch } from 'react-router';
import { useSaveState } from '../logbook/save-state.tsx';
import { StorageNotice } from '../logbook/storage-notice.tsx';
import { useAppSelector } from '../store/store.ts';
import { cx } from '../ui/classes.ts';
import { counted } from '../ui/format.ts';
import { Contained } from '../ui/contained.tsx';
import { fetchedPart } from '../ui/fetched-part.tsx';
import { later } from '../ui/later.ts';
import { Mark } from '../ui/mark.tsx';
import { allowSingleKeys, useShortcut } from '../ui/shortcuts.ts';
import { AdapterChip } from './adapter-chip.tsx';
import { useFirstStartDemo } from './first-start.ts';
import { useScrollPlace } from './scroll-place.ts';
import { useTheme } from './theme.ts';

const KeySheet = fetchedPart(async () => (await import('./key-sheet.tsx')).KeySheet);
const loadFinder = () => import('./finder.tsx');
type Finder = Awaited<ReturnType<typeof loadFinder>>['Finder'];

/** What every page shares: the bar at the top, the search, the sheet of keys. */
export function Shell() {
  useTheme();
  useScrollPlace();
  useFirstStartDemo();
  const singleKeys = useAppSelector((s) => s.settings.singleKeys);
  useEffect(() => allowSingleKeys(singleKeys !== 'off'), [singleKeys]);
  const [isFinding, setFinding] = useState(false);
  // Kept here and not behind a suspended part, which is shown a third of a second late: the search opens under the key.
  const [Finder, setFinder] = useState<Finder | null>(null);
  useEffect(() => {
    if (Finder) return;
    // Fetched once the first screen is there, or when it is wanted.
    const fetchIt = () =>
      void loadFinder().then(
        (loaded) => setFinder(() => loaded.Finder),
        () => {
          if (!isFinding) return;
          setFinding(false);
          void import('sonner').then(({ toast }) => {
            toast('The search could not be fetched. Try again with a connection.');
          });
        },
      );
    return later(fetchIt, isFinding ? 0 : undefined);
  }, [Finder, isFinding]);
  const [isShowingKeys, setShowingKeys] = useState(false);
  useShortcut(['/', 'mod+k'], () => setFinding(true));
  useShortcut('?', () => setShowingKeys(true));
  useShortcut('g', () => document.getElementById('to-garage')?.click());
  const match = useMatch('/case/:caseId/*');
  const caseId = match?.params.caseId;
  const found = useAppSelector((s) => (caseId ? s.logbook.cases.entities[caseId] : undefined));
  const vehicle = useAppSelector((s) => (found ? s.logbook.vehicles.entities[found.vehicle] : undefined));

  return (
    <div className={cx('flex flex-col', caseId ? 'h-dvh' : 'min-h-dvh')}>
      <a
        href="#work"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3"
      >
        Skip to content
      </a>
      <header className="flex h-[52px] shrink-0 folded:hidden low:h-11 items-center gap-2 border-b border-line bg-sheet px-3 md:gap-4 md:px-4">
        <Link
          id="to-garage"
          to="/"
          className="flex min-h-11 min-w-11 items-center gap-3"
          aria-label="Pincer, to the garage"
        >
          <Mark />
          {vehicle ? null : <span className="text-[18px] font-bold">Pincer</span>}
        </Link>
        {vehicle && found ? (
          <div className="min-w-0 leading-tight">
            <h1 className="truncate text-[17px]">{vehicle.name}</h1>
            <p className="hidden truncate text-[14px] text-ink-2 md:block">{found.title}</p>
          </div>
        ) : null}
        {caseId ? (
          <Contained name="The adapter">
            <AdapterChip caseId={caseId} />
          </Contained>
        ) : null}
        <button
          type="button"
          onClick={() => setFinding(true)}
          className="ml-auto flex min-h-11 items-center gap-2 rounded-md border border-line bg-sheet-2 px-3 text-[15px] text-ink-2 md:w-[280px]"
          aria-label="Search: code, word, vehicle"
        >
          <Search size={18} aria-hidden="true" />
          <span className="hidden flex-1 text-left md:inline">Code, word, vehicle…</span>
          <kbd className="hidden rounded border border-line bg-sheet px-1.5 font-mono text-[12px] md:inline">
            /
          </kbd>
        </button>
        {found ? <LogLink caseId={found.id} count={found.entries.length} /> : null}
        <Link
          to="/settings"
          className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-sheet-2"
          aria-label="Settings"
        >
          <Settings size={21} aria-hidden="true" />
        </Link>
      </header>
      <Contained name="The account of what is saved">
        <StorageNotice />
      </Contained>
      <Outlet />
      <Contained name="The search" resetOn={isFinding}>
        {isShowingKeys ? <KeySheet open={isShowingKeys} onOpenChange={setShowingKeys} /> : null}
        {isFinding && Finder ? (
          <Finder open={isFinding} onOpenChange={setFinding} onKeys={() => setShowingKeys(true)} />
        ) : null}
      </Contained>
    </div>
  );
}

/** The way to the log, and whether everything in it is on the disk. */
function LogLink({ caseId, count }: { caseId: string; count: number }) {
  const state = useSaveState(caseId);
  return (
    <Link
      to="?log"
      className={cx(
        'flex min-h-11 min-w-11 shrink-0 items-center justify-center gap-2 rounded-full border bg-sheet-2 px-2 text-[14px] md:px-3',
        state === 'not saved' ? 'border-2 border-ink font-bold' : 'border-line',
      )}
      aria-label={`Log, ${counted(count, 'entry', 'entries')}, ${state}`}
    >
      <ScrollText size={20} className="md:hidden" aria-hidden="true" />
      <span className="hidden md:inline">
        Log · {count}, {state}
      </span>
    </Link>
  );
}
