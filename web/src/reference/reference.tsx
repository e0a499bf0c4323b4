import { ArrowLeft, ArrowRight } from 'lucide-react';
import { useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { describedCodes } from '@pincer/core/codes';
import { TROUBLE_CODE } from '@pincer/core/obd';
import { useAppSelector } from '../store/store.ts';
import { BUTTON, FIELD, SHEET } from '../ui/classes.ts';
import { CodeSheet } from './code-sheet.tsx';
import { useSearch } from './use-search.ts';
import { allVehicles } from '../store/logbook-selectors.ts';

/** Every described code, and one page for each. */
export function Reference() {
  const { code } = useParams();
  const [text, setText] = useState('');
  const hits = useSearch(text, 40);
  const navigate = useNavigate();
  const location = useLocation();
  const vehicles = useAppSelector((s) => allVehicles(s.logbook));
  // The letter O is a slip for a nought: no digit looks like it.
  const tidy = text.trim().toUpperCase().replaceAll('O', '0');
  const typed = TROUBLE_CODE.test(tidy) ? tidy : null;
  const shown = typed ?? code?.toUpperCase() ?? null;
  const theirs = shown
    ? vehicles.flatMap((v) => {
        const words = v.makerCodes?.codes[shown];
        return words === undefined ? [] : [{ text: words, list: v.makerCodes?.name ?? '' }];
      })
    : [];
  // Opened from a case: the way back is the browser's own, to where the eyes were.
  const cameFromHere = location.key !== 'default';
  return (
    <main id="work" className="mx-auto w-full max-w-4xl space-y-4 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <title>Codes · Pincer</title>
        <h1 className="text-2xl">What does this code mean?</h1>
        <div className="flex gap-1">
          {cameFromHere ? (
            <button type="button" className={BUTTON.quiet} onClick={() => void navigate(-1)}>
              <ArrowLeft size={18} aria-hidden="true" /> Back
            </button>
          ) : null}
          <Link to="/words" className={`${BUTTON.quiet} -ml-3 sm:ml-0`}>
            Words, warning lights, symptoms <ArrowRight size={18} aria-hidden="true" />
          </Link>
        </div>
      </div>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (typed) {
            setText('');
            void navigate(`/codes/${typed}`);
          }
        }}
      >
        <label className="block">
          <span className="text-ink-2">
            A code such as P0302, a word such as coil, or a symptom.{' '}
            {describedCodes().length.toLocaleString('en-GB')} standard codes are described.
          </span>
          <input
            className={`${FIELD} mt-1 text-[20px]`}
            value={text}
            onChange={(e) => setText(e.target.value)}
            autoCapitalize="characters"
            autoComplete="off"
            spellCheck={false}
          />
        </label>
      </form>
      {shown ? <CodeSheet code={shown} theirs={theirs} /> : null}
      {hits.length > 0 ? (
        <ul className={`${SHEET} divide-y divide-line`} aria-label="Found">
          {hits.map((h) => (
            <li key={h.id}>
              <Link
                to={h.to}
                onClick={() => setText('')}
                className="flex min-h-11 flex-wrap items-center gap-x-3 px-4 py-2 hover:bg-sheet-2"
              >
                {h.kind === 'code' ? <span className="font-mono">{h.id.slice(5)}</span> : null}
                <span>{h.title}</span>
                <span className="text-[15px] text-ink-2">{h.detail}</span>
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
      {text.trim().length >= 2 && hits.length === 0 && !typed ? (
        <p className="text-ink-2" role="status">
          Nothing found for “{text}”.
        </p>
      ) : null}
    </main>
  );
}
