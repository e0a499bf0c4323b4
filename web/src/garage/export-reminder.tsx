import { Link } from 'react-router';
import { now } from '../clock.ts';
import { useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';
import { sinceExport } from '../store/logbook-selectors.ts';

/** A browser's storage is one mishap away from empty: after so long without a file it is said, days. */
const LONG_DAYS = 30;
/** Before so much is recorded there is little to lose, entries. */
const MUCH = 10;
const DAY_MS = 86_400_000;

/** That the logbook has not been saved as a file for long, once there is something to lose. */
export function ExportReminder() {
  const isDue = useAppSelector(({ logbook }) => {
    if (logbook.status !== 'ready') return false;
    const { count, first } = sinceExport(logbook);
    return count >= MUCH && first !== null && now().getTime() - Date.parse(first) > LONG_DAYS * DAY_MS;
  });
  const hasEver = useAppSelector((s) => s.logbook.marks.exportedAt !== undefined);
  if (!isDue) return null;
  return (
    <Notice
      title={
        hasEver
          ? 'It is over a month since you saved this logbook as a file.'
          : 'This logbook has never been saved as a file.'
      }
      action={
        <Link to="/settings#on-this-device" className={BUTTON.plain}>
          Save everything as a file
        </Link>
      }
    >
      It is in this browser alone. If the device is lost or the browser’s data is cleared, only a file brings
      it back.
    </Notice>
  );
}
