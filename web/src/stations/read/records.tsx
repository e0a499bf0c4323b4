import type { ScanView } from '@pincer/core/assess';
import { useTell, useWording } from '../../store/use-tell.ts';
import { SHEET } from '../../ui/classes.ts';
import { shownValue } from './all-readings.tsx';
import { readingName } from '../../ui/reading.ts';

/** What control units keep beside their codes: what the standard describes as values, the rest as bytes. */
export function Records({ records }: Pick<ScanView, 'records'>) {
  const tell = useTell();
  const wording = useWording();
  if (records.length === 0) return null;
  return (
    <details className={`${SHEET} px-4 py-1`}>
      <summary className="flex min-h-11 items-center font-semibold">
        Stored beside the codes of other control units: {records.length}
      </summary>
      <p className="text-[15px] text-ink-2">
        Values that the standard describes are told. The rest is the maker’s own and stands here as bytes, for
        somebody who has the maker’s documents.
      </p>
      <ul className="divide-y divide-line pb-2">
        {records.map((r) => (
          <li key={`${r.unit}${r.code}${r.failureType}${r.kind}${r.record}`} className="py-2">
            <b className="font-mono">{r.code}</b>, {tell(r.name)}:{' '}
            {r.kind === 'conditions' ? 'conditions when it was stored' : 'counters and the like'}, record{' '}
            {r.record}
            <span className="block text-[15px]">
              {r.values.map((v) => `${readingName(v.name, wording)} ${shownValue(v, wording)}`).join(', ')}
            </span>
            {r.bytes === '' ? null : (
              <span className="block font-mono text-[14px] break-all text-ink-2">{r.bytes}</span>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
