import { Link } from 'react-router';
import { useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';

/** That the backup file is not being written, and why. */
export function BackupNotice() {
  const file = useAppSelector((s) => s.keptFile);
  if (file.at !== 'waiting' && file.at !== 'failed') return null;
  return (
    <Notice
      title={`Your backup file, ${file.name}, is not being written.`}
      tone={file.at === 'failed' ? 'strong' : 'plain'}
      action={
        <Link to="/settings#on-this-device" className={BUTTON.plain}>
          To the backup file
        </Link>
      }
    >
      {file.at === 'failed'
        ? `${file.why}. ${file.next}`
        : 'After a restart the browser wants your permission again.'}
    </Notice>
  );
}
