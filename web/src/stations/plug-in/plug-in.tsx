import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { FailureStep } from '@pincer/core/link';
import { PracticeConnect } from '../../practice/practice-connect.tsx';
import { StandInPanel } from '../../practice/stand-in-panel.tsx';
import {
  connectReal,
  connectStandIn,
  scanCar,
  stopLink,
  type ConnectOutcome,
} from '../../store/link-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { useCase } from '../case-context.ts';
import { ByHand } from '../../typed/by-hand.tsx';
import { StationPage } from '../station-page.tsx';
import { Before } from './before.tsx';
import { FindUnits } from './find-units.tsx';
import { FailureFinder } from './failure-finder.tsx';
import { RealAdapter, useRealWays } from './real-adapter.tsx';
import { STAND_IN_START, StandInAdapterChoice, isStandInChoice, standInSetup } from './stand-in.tsx';
import { WhichTool } from './which-tool.tsx';
import { useTell } from '../../store/use-tell.ts';

const isBoolean = (v: unknown): v is boolean => typeof v === 'boolean';

/** Getting the adapter to talk. */
export function PlugIn() {
  const tell = useTell();
  const { record, state, vehicle } = useCase();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const link = useAppSelector((s) => s.link);
  const [choice, setChoice] = useDraft('stand-in', STAND_IN_START, isStandInChoice);
  const [isPrepared, setPrepared] = useDraft('prepared', false, isBoolean);
  const [isSeen, setSeen] = useDraft('before-seen', false, isBoolean);
  // What was seen makes way for the ways to connect, from the next visit on.
  const [wasSeen] = useState(isSeen);
  useEffect(() => {
    if (wasSeen) setPrepared(true);
    return () => setSeen(true);
    // Once, when the page opens: whoever unfolds it later wants to read it.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const [isByHand, setByHand] = useState(false);
  const real = useRealWays();
  const mine = link.caseId === record.id ? link.status : { at: 'idle' as const };
  const isTalking = mine.at === 'talking' || mine.at === 'reading' || mine.at === 'searching';
  const isSearched = link.search?.caseId === record.id;
  const isBusy = isTalking || mine.at === 'connecting';

  const toStandIn = (eachProtocol = false) =>
    dispatch(connectStandIn(record.id, standInSetup(choice, vehicle), eachProtocol));
  const toReal = (kind: 'serial' | 'bluetooth' | 'network', eachProtocol = false) => {
    const { by, adapter, open } = real.ways[kind];
    return dispatch(connectReal({ caseId: record.id, by, adapter, eachProtocol }, open));
  };
  const andRead = async (connecting: Promise<ConnectOutcome>) => {
    setPrepared(true);
    if ((await connecting) !== 'talking') return;
    void navigate(`/case/${record.id}/read`);
    await dispatch(scanCar(record.id));
  };
  /** The same way once more, for a step of the search. */
  const tryAgain = (step: FailureStep): Promise<ConnectOutcome> => {
    const by = state.connection?.by ?? 'serial';
    return by === 'stand-in' ? toStandIn(step.isEachProtocol) : toReal(by, step.isEachProtocol);
  };

  const before = <Before vehicle={vehicle} isFolded={isPrepared} onFold={setPrepared} />;
  return (
    <StationPage
      title="Connect"
      lead="The adapter must connect to the {car} first. This changes nothing in the {car}."
      {...(isTalking
        ? {
            next: {
              title: 'Next: read everything',
              detail: 'Before anything is touched or cleared.',
              to: `/case/${record.id}/read`,
            },
          }
        : {})}
    >
      {wasSeen ? null : before}
      <div aria-live="polite">
        {mine.at === 'connecting' ? (
          <Progress {...mine.progress} onStop={() => dispatch(stopLink())} />
        ) : null}
        {isTalking ? (
          <p className="text-[17px]">
            <b>Connected.</b> {'protocol' in mine ? mine.protocol : ''}
            {'volts' in mine && mine.volts !== null ? (
              <span>
                , <span className="font-mono">{mine.volts.toFixed(1)} V</span> at the socket (12.4 to 12.7 V
                at rest)
              </span>
            ) : null}
          </p>
        ) : null}
        {mine.at === 'lost' || (mine.at === 'failed' && state.connection?.outcome !== 'failed') ? (
          <Notice title={tell(mine.words.sentence)} tone="strong">
            {tell(mine.words.next)}
          </Notice>
        ) : null}
      </div>
      {isTalking || isSearched ? <FindUnits /> : null}
      {record.practice === undefined ? (
        <>
          {isTalking ? null : <FailureFinder isBusy={isBusy} onTry={tryAgain} />}
          <RealAdapter
            isBusy={isBusy}
            lastBy={state.connection?.by}
            choice={real.choice}
            setChoice={real.setChoice}
            onConnect={(kind) => void andRead(toReal(kind))}
          />
          <WhichTool onByHand={() => setByHand(true)} />
          <StandInAdapterChoice
            choice={choice}
            vehicle={vehicle}
            isTalking={isTalking}
            isBusy={isBusy}
            hasTried={state.connection !== null}
            onChoose={setChoice}
            onConnect={(alsoRead) => {
              if (alsoRead) void andRead(toStandIn());
              else {
                setPrepared(true);
                void toStandIn();
              }
            }}
          />
        </>
      ) : (
        <PracticeConnect caseId={record.id} isBusy={isBusy} />
      )}
      {wasSeen ? before : null}
      <StandInPanel />
      {isByHand ? <ByHand caseId={record.id} onClose={() => setByHand(false)} /> : null}
    </StationPage>
  );
}
