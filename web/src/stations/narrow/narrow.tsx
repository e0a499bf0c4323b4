import { useLayoutEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { CauseView, Fact } from '@pincer/core/assess';
import { BUTTON } from '../../ui/classes.ts';
import { Contained } from '../../ui/contained.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Notice } from '../../ui/notice.tsx';
import { useCase } from '../case-context.ts';
import { PageTitle } from '../page-title.tsx';
import { Unasked } from '../unasked.tsx';
import { useArrivalFocus } from '../use-arrival-focus.ts';
import { AddFact } from './add-fact.tsx';
import { Causes } from './causes.tsx';
import { JawFacts } from './jaw-facts.tsx';
import { NextCheck } from './next-check.tsx';
import { Ties } from './ties.tsx';
import { useTell } from '../../store/use-tell.ts';

/** Two jaws: what the car says, what you found, and between them what it can be. */
export function Narrow() {
  const tell = useTell();
  const { assessment, record, state } = useCase();
  const [params, setParams] = useSearchParams();
  const [pulled, setPulled] = useState<'car' | 'owner' | null>(null);
  const [isAdding, setAdding] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const isWide = useIsWide();
  const { causes, facts } = assessment;
  const selected: CauseView | undefined = causes.find((c) => c.id === params.get('cause')) ?? causes[0];
  const car = facts.filter((f) => f.side === 'car');
  const owner = facts.filter((f) => f.side === 'owner');
  const select = (id: string) => setParams({ cause: id }, { replace: true });
  const add = (
    <button type="button" className={`${BUTTON.own} w-full`} onClick={() => setAdding(true)}>
      + Add something you saw or did
    </button>
  );
  const watch = (
    <Link className={`${BUTTON.plain} w-full`} to="../watch">
      Watch the readings
    </Link>
  );
  const held = (
    <Causes
      causes={causes}
      none={assessment.none}
      hasCodes={assessment.codes.length > 0}
      quiet={assessment.quiet}
      refuted={assessment.refuted}
      selected={selected?.id}
      onSelect={select}
    />
  );
  const readings = new Set(car.filter((f) => f.kind !== 'observation').map((f) => f.entry)).size;
  const carTitle = tell('The {car} says');
  const carCaption = `from ${readings} ${readings === 1 ? 'reading' : 'readings'}`;
  const checks = owner.filter((f) => f.kind === 'check').length;
  const ownerCaption = `${owner.length - checks} ${owner.length - checks === 1 ? 'fact' : 'facts'}, ${checks} ${checks === 1 ? 'check' : 'checks'}`;
  const heading = useArrivalFocus();

  return (
    <>
      <PageTitle of="Narrow it down" />
      <h2 ref={heading} tabIndex={-1} className="sr-only">
        Narrow it down
      </h2>
      {isWide ? (
        <div
          ref={frame}
          className="relative grid min-h-[400px] flex-1 grid-cols-[1fr_1.18fr_1fr] grid-rows-[minmax(0,1fr)] p-4 pb-3"
        >
          <Jaw side="car" title={carTitle} caption={carCaption}>
            <JawFacts facts={car} selected={selected} />
            {watch}
          </Jaw>
          <div className="relative z-10 min-h-0 overflow-y-auto px-3.5">{held}</div>
          <Jaw side="owner" title="You found" caption={ownerCaption}>
            <JawFacts facts={owner} selected={selected} />
            {add}
          </Jaw>
          {selected ? (
            <Contained name="What ties facts to causes" resetOn={selected}>
              <Ties frame={frame} selected={selected} facts={facts} />
            </Contained>
          ) : null}
        </div>
      ) : (
        <div className="relative flex min-h-[420px] flex-1 flex-col px-[46px] py-2">
          <Pull side="car" label={`${carTitle} · ${car.length}`} onClick={() => setPulled('car')} />
          <Pull side="owner" label={`You found · ${owner.length}`} onClick={() => setPulled('owner')} />
          {held}
          <Dialog
            title={pulled === 'owner' ? 'You found' : carTitle}
            description={pulled === 'owner' ? ownerCaption : carCaption}
            side={pulled === 'owner' ? 'right' : 'left'}
            open={pulled !== null}
            onOpenChange={() => setPulled(null)}
          >
            <JawFacts facts={pulled === 'owner' ? owner : car} selected={selected} />
            {pulled === 'owner' ? add : watch}
          </Dialog>
        </div>
      )}
      {assessment.quiet ? (
        <div className="px-4 pb-3">
          <Notice title={causes.length === 0 ? 'What to do' : `${assessment.quiet.title}.`}>
            {causes.length === 0 ? '' : `${assessment.quiet.because} `}
            {assessment.quiet.advice}
          </Notice>
        </div>
      ) : null}
      {causes.length === 0 && assessment.quiet ? null : causes.length === 0 ? (
        <div className="px-4 pb-4">
          <Notice title="Nothing to work with yet.">
            {state.scans.length > 0
              ? 'The reading found no fault. Tell us at Warning light what you notice: each fact shortens the list.'
              : tell(
                  'Tell us at Warning light what you notice, or read the {car}. Each fact shortens the list.',
                )}
          </Notice>
          <Unasked />
        </div>
      ) : (
        <NextCheck caseId={record.id} />
      )}
      {isAdding ? <AddFact onClose={() => setAdding(false)} /> : null}
    </>
  );
}

const WIDE = '(min-width: 900px)';

/** Whether the jaws have room beside the causes. */
function useIsWide(): boolean {
  const [isWide, setWide] = useState(() => window.matchMedia(WIDE).matches);
  useLayoutEffect(() => {
    const query = window.matchMedia(WIDE);
    const follow = () => setWide(query.matches);
    query.addEventListener('change', follow);
    return () => query.removeEventListener('change', follow);
  }, []);
  return isWide;
}

function Jaw({
  side,
  title,
  caption,
  children,
}: {
  side: Fact['side'];
  title: string;
  caption: string;
  children: React.ReactNode;
}) {
  const isCar = side === 'car';
  return (
    <section
      aria-label={title}
      tabIndex={0}
      className={
        isCar
          ? 'jaw-car min-h-0 overflow-y-auto rounded-l-lg border-l-[6px] border-car bg-sheet py-3 pl-3.5 pr-[34px]'
          : 'jaw-own min-h-0 overflow-y-auto rounded-r-lg border-r-[6px] border-own bg-sheet py-3 pl-[34px] pr-3.5'
      }
    >
      <h3 className={isCar ? 'text-[18px] text-car' : 'text-[18px] text-own'}>{title}</h3>
      <p className="mb-2 text-[14px] text-ink-2">{caption}</p>
      {children}
    </section>
  );
}

function Pull({ side, label, onClick }: { side: Fact['side']; label: string; onClick: () => void }) {
  const isCar = side === 'car';
  return (
    <button
      type="button"
      onClick={onClick}
      className={
        isCar
          ? 'pull-car absolute bottom-3 left-0 top-3 grid w-11 place-items-center bg-car pr-2 text-[15px] font-bold text-sheet [writing-mode:vertical-rl]'
          : 'pull-own absolute bottom-3 right-0 top-3 grid w-11 place-items-center bg-own pl-2 text-[15px] font-bold text-sheet [writing-mode:vertical-rl]'
      }
    >
      {label}
    </button>
  );
}
