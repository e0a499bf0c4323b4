import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { codeStateWords, type AcceptedView, type CodeView } from '@pincer/core/assess';
import type { Vehicle } from '@pincer/core/vehicle';
import { AcceptForm } from '../../accepted/accept-form.tsx';
import { LEGAL_CAUTION } from '../../accepted/legal-caution.ts';
import { casesOfVehicle } from '../../store/logbook-selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { BUTTON, SHEET, TAG } from '../../ui/classes.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { fetchedPart } from '../../ui/fetched-part.tsx';
import { day } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { Bulletins } from './bulletins.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { Unasked } from '../unasked.tsx';
import { useTell } from '../../store/use-tell.ts';

/** Most vehicles have one case: its station need not carry what the others were called. */
const Earlier = fetchedPart(async () => (await import('./earlier.tsx')).Earlier);

/** What the codes say in plain words, and how many faults they may be. */
export function Meaning() {
  const tell = useTell();
  const { record, assessment, state, vehicle } = useCase();
  const [accepting, setAccepting] = useState<string | null>(null);
  const cases = useAppSelector((s) => casesOfVehicle(s.logbook, record.vehicle));
  const others = useMemo(() => cases.filter((c) => c.id !== record.id), [cases, record.id]);
  const { codes, groups, leftOver, allowance } = assessment;
  const byCode = new Map(codes.map((c) => [c.code, c]));
  return (
    <StationPage
      title="What it means"
      lead="A code names a circuit or a symptom. It narrows the search; it never says what to buy."
      next={
        codes.length > 0
          ? {
              title: 'Next: narrow it down',
              detail: 'Which causes explain this, and what tells them apart.',
              to: `/case/${record.id}/narrow`,
            }
          : state.scans.length > 0
            ? {
                title: 'Next: narrow it down',
                detail: 'No code is stored. What you notice still tells causes apart.',
                to: `/case/${record.id}/narrow`,
              }
            : {
                title: 'Next: read the {car}',
                detail: 'There is no code to explain yet.',
                to: `/case/${record.id}/read`,
              }
      }
    >
      {codes.length === 0 ? (
        <Notice title="No current fault code.">
          {assessment.facts.some((f) => f.kind === 'code')
            ? 'Only old (history) codes are stored.'
            : state.scans.length > 0
              ? 'The reading found none.'
              : tell('Read the {car} first, or look a code up in the search.')}
        </Notice>
      ) : null}
      <Unasked />
      {groups.map((g) => (
        <section key={g.cause} className={SHEET}>
          <div className="border-b border-line px-4 py-3">
            <h3 className="text-lg">
              {g.codes.length === 1
                ? 'One code, one likely cause'
                : `These ${g.codes.length} codes may have one common cause`}
            </h3>
            <p className="text-ink-2">
              As things stand, the likeliest is:{' '}
              <Link
                className="font-semibold text-ink underline underline-offset-4"
                to={`/case/${record.id}/narrow?cause=${encodeURIComponent(g.cause)}`}
              >
                {g.title.toLowerCase()}
              </Link>
              . Checks can change that.
            </p>
          </div>
          <CodeList codes={g.codes.flatMap((c) => byCode.get(c) ?? [])} onAccept={setAccepting} />
        </section>
      ))}
      {leftOver.length > 0 ? (
        <section className={SHEET}>
          <div className="border-b border-line px-4 py-3">
            <h3 className="text-lg">{groups.length > 0 ? 'Not explained' : 'Codes'}</h3>
            <p className="text-ink-2">
              {groups.length > 0
                ? 'The likeliest cause does not explain these: there may be a second fault, or a cause not listed here.'
                : 'No listed cause explains these yet.'}
            </p>
          </div>
          <CodeList codes={leftOver.flatMap((c) => byCode.get(c) ?? [])} onAccept={setAccepting} />
        </section>
      ) : null}
      <Accepted codes={assessment.accepted} vehicle={vehicle} />
      {codes.length > 0 ? (
        <section className={`${SHEET} p-4`}>
          <h3 className="text-lg">Can I drive it?</h3>
          <p>
            <b>{allowance.title}.</b> {allowance.reasons[0]?.then ?? allowance.detail}
          </p>
        </section>
      ) : null}
      {accepting ? (
        <Dialog
          title="A known code"
          description="It comes from a change you know about and accept."
          open
          onOpenChange={() => setAccepting(null)}
        >
          <AcceptForm vehicle={vehicle} code={accepting} onDone={() => setAccepting(null)} />
        </Dialog>
      ) : null}
      {others.length > 0 ? <Earlier others={others} /> : null}
      <Bulletins />
    </StationPage>
  );
}

/** Codes that the owner lives with, apart from the others. */
function Accepted({ codes, vehicle }: { codes: readonly AcceptedView[]; vehicle: Vehicle }) {
  const tell = useTell();
  if (codes.length === 0) return null;
  return (
    <section className={`${SHEET} border-dashed`} aria-labelledby="accepted">
      <div className="border-b border-line px-4 py-3">
        <h3 id="accepted" className="text-lg">
          Known and accepted
        </h3>
        <p className="text-[15px] text-ink-2">{tell(LEGAL_CAUTION)}</p>
      </div>
      <ul className="divide-y divide-line">
        {codes.map((c) => (
          <li key={c.code} className="px-4 py-2.5">
            <p>
              <span className="font-mono text-[18px] font-semibold">{c.code}</span> {c.title}
            </p>
            <p className="text-[15px] text-ink-2">
              {c.reason} · since {day(c.since)} · {codeStateWords(c.state)}
            </p>
          </li>
        ))}
      </ul>
      <Link to={`/vehicle/${vehicle.id}`} className={BUTTON.quiet}>
        Change that
      </Link>
    </section>
  );
}

function CodeList({ codes, onAccept }: { codes: readonly CodeView[]; onAccept: (code: string) => void }) {
  return (
    <ul className="divide-y divide-line">
      {codes.map((c) => (
        <li key={c.code} className="border-l-[6px] border-car px-4 py-3">
          <p className="text-[18px]">
            <Link
              to={`/codes/${c.code}`}
              className="font-mono font-semibold text-car underline underline-offset-4"
            >
              {c.code}
            </Link>{' '}
            <b>{c.title}</b>
          </p>
          <p className="mt-1 max-w-[75ch]">{c.meaning}</p>
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <span className={TAG}>{codeStateWords(c.state)}</span>
            <span className={TAG}>
              {c.isTheirs
                ? 'in the words of your list'
                : c.scope === 'maker'
                  ? 'manufacturer’s own'
                  : 'standard'}
            </span>
            {c.area ? <span className={TAG}>{c.area}</span> : null}
            {c.also.length > 0 ? <span className={TAG}>also called: {c.also.join('; ')}</span> : null}
            <span className={TAG}>{c.units.join(', ')}</span>
            <button
              type="button"
              className="min-h-11 px-1 text-[15px] font-semibold underline underline-offset-4"
              onClick={() => onAccept(c.code)}
            >
              Mark as known…<span className="sr-only"> {c.code}</span>
            </button>
          </div>
        </li>
      ))}
    </ul>
  );
}
