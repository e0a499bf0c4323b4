import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { describedCodes, explainCode } from '@pincer/core/codes';
import { FIELD, SHEET, TAG } from '../ui/classes.ts';
import { searchCodes } from './search.ts';

/** Every described code, and one page for each. */
export function Reference() {
  const { code } = useParams();
  const [text, setText] = useState('');
  const hits = useMemo(() => (text.trim().length >= 2 ? searchCodes(text.trim(), 40) : []), [text]);
  const navigate = useNavigate();
  const typed = /^[PCBU][0-9A-F]{4}$/i.test(text.trim()) ? explainCode(text) : null;
  const shown = typed ?? (code ? explainCode(code) : null);
  return (
    <main id="work" className="mx-auto w-full max-w-3xl space-y-4 p-4">
      <h1 className="text-2xl">What does this code say?</h1>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (typed) void navigate(`/codes/${typed.code}`);
        }}
      >
        <label className="block">
          <span className="text-ink-2">
            A code such as P0302, or a word such as coil. {describedCodes().length} standard codes are
            described.
          </span>
          <input
            className={`${FIELD} mt-1 text-[20px]`}
            value={text}
            onChange={(e) => setText(e.target.value)}
            autoCapitalize="characters"
            autoComplete="off"
          />
        </label>
      </form>
      {shown ? (
        <article className={`${SHEET} p-4`}>
          <h2 className="text-xl">
            <span className="font-mono">{shown.code}</span> {shown.title}
          </h2>
          <div className="mt-2 flex flex-wrap gap-2">
            {shown.system ? <span className={TAG}>{shown.system}</span> : null}
            {shown.area ? <span className={TAG}>{shown.area}</span> : null}
            {shown.valid ? (
              <span className={TAG}>{shown.scope === 'maker' ? 'maker’s own' : 'standard'}</span>
            ) : null}
          </div>
          <p className="mt-3">{shown.meaning}</p>
          {shown.term ? <p className="mt-2 text-ink-2">In the workshop: {shown.term}.</p> : null}
          {shown.suggestion ? (
            <p className="mt-2">
              Did you mean{' '}
              <Link className="font-semibold underline" to={`/codes/${shown.suggestion}`}>
                {shown.suggestion}
              </Link>
              ?
            </p>
          ) : null}
        </article>
      ) : null}
      {hits.length > 0 ? (
        <ul className={`${SHEET} divide-y divide-line`}>
          {hits.map((h) => (
            <li key={h.code}>
              <Link
                to={`/codes/${h.code}`}
                onClick={() => setText('')}
                className="flex min-h-11 items-center gap-3 px-4 py-2 hover:bg-sheet-2"
              >
                <span className="font-mono">{h.code}</span>
                <span>{h.title}</span>
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
      {text.trim().length >= 2 && hits.length === 0 && !typed ? (
        <p className="text-ink-2">Nothing found for “{text}”.</p>
      ) : null}
    </main>
  );
}
