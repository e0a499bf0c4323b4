import { Link } from 'react-router';
import { useCodePageQuery } from '../store/core-answers.ts';
import { useWording } from '../store/use-tell.ts';
import { SHEET, TAG } from '../ui/classes.ts';
import { Cautions } from '../ui/cautions.tsx';
import { Notice } from '../ui/notice.tsx';
import { PlacePicture } from './place-picture.tsx';

/** Everything that can be said of a code without a car. */
export function CodeSheet({
  code,
  theirs,
}: {
  code: string;
  theirs: readonly { text: string; list: string }[];
}) {
  const { currentData: page, error } = useCodePageQuery({ code, wording: useWording() });
  if (error)
    return (
      <Notice title="This code could not be looked up." tone="strong">
        {'message' in error ? error.message : ''}. Load the page again.
      </Notice>
    );
  if (!page)
    return (
      <p role="status" className="p-4 text-ink-2">
        Looking it up…
      </p>
    );
  const { explanation: e, ...p } = page;
  return (
    <article className={SHEET} aria-labelledby="code-title">
      <div className="border-b border-line p-4">
        <h2 id="code-title" className="text-xl">
          <span className="font-mono text-car">{e.code}</span> {e.title}
        </h2>
        <div className="mt-2 flex flex-wrap gap-2">
          {e.system ? <span className={TAG}>{e.system}</span> : null}
          {e.area ? <span className={TAG}>{e.area}</span> : null}
          {e.valid ? (
            <span className={TAG}>{e.scope === 'maker' ? 'manufacturer’s own' : 'standard'}</span>
          ) : null}
          {e.also.length > 0 ? <span className={TAG}>also called: {e.also.join('; ')}</span> : null}
        </div>
        {theirs.map((t) => (
          <p key={t.list + t.text} className="mt-3 border-l-4 border-own pl-3">
            <b>{t.text}</b>
            <span className="block text-[15px] text-ink-2">from your list “{t.list}”; not checked by us</span>
          </p>
        ))}
        {p.part ? null : <p className="mt-3">{e.meaning}</p>}
        {e.suggestion ? (
          <p className="mt-2">
            Did you mean{' '}
            <Link className="font-semibold underline" to={`/codes/${e.suggestion}`}>
              {e.suggestion}
            </Link>
            ?
          </p>
        ) : null}
      </div>
      {p.part ? (
        <dl className="grid gap-x-6 md:grid-cols-2">
          <Row term="The part">
            {p.part.does} <span className="text-ink-2">{p.part.where}</span>
          </Row>
          <Row term="The control unit detected">{p.saw?.replace(/^that /, '')}.</Row>
          <Row term="You may notice">{p.notice.join(', ')}.</Row>
          <Row term="Common causes">
            <ol className="list-decimal pl-5">
              {p.commonly.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ol>
          </Row>
          <Row term="Often blamed by mistake">{p.isNot}</Row>
          <Row term="What it can lead to">{p.setsOff}</Row>
          <Row term="Its self-check">
            {p.monitor
              ? `${p.monitor.name}: runs ${p.monitor.runs}.`
              : 'Not a standard readiness monitor; the control unit checks it continuously.'}
          </Row>
          <Row term="Warning light">{p.lamp}</Row>
          {Object.keys(e.place).some((k) => k !== 'label') ? (
            <Row term="Where it is">
              <PlacePicture place={e.place} />
            </Row>
          ) : null}
        </dl>
      ) : null}
      {e.valid ? (
        <div className="border-t border-line p-4">
          <p>
            <b>How urgent?</b> On its own: <b>{p.soon.title.toLowerCase()}</b>. {p.soon.because} {p.soon.then}
          </p>
          <div className="mt-3">
            <Cautions texts={p.cautions} />
          </div>
        </div>
      ) : null}
    </article>
  );
}

function Row({ term, children }: { term: string; children: React.ReactNode }) {
  return (
    <div className="border-b border-line px-4 py-3 last:border-b-0">
      <dt className="text-[15px] text-ink-2">{term}</dt>
      <dd className="first-letter:uppercase">{children}</dd>
    </div>
  );
}
