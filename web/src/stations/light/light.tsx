import { Check, X } from 'lucide-react';
import { LAMPS, type Answered, type LampId, type LampMode } from '@pincer/core/case';
import { OBSERVATIONS, OWNER_OBSERVATIONS, type ObservationKey } from '@pincer/core/knowledge';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch } from '../../store/store.ts';
import { SHEET, cx } from '../../ui/classes.ts';
import { Lamp } from '../../ui/lamp.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';

const MODES: readonly { id: LampMode; title: string }[] = [
  { id: 'out', title: 'Out' },
  { id: 'steady', title: 'Steady' },
  { id: 'flashing', title: 'Flashing' },
  { id: 'now-and-then', title: 'At times' },
];

/** Lamps after which a car stands still; said in words beside the lamp. */
const STOP: ReadonlySet<LampId> = new Set(['oil', 'temperature', 'brakes']);

const BULB = [
  { id: 'lights', title: 'It lights' },
  { id: 'does-not', title: 'It does not' },
  { id: 'unknown', title: 'Not tried' },
] as const;

const GROUPS = [
  { id: 'runs', title: 'How does it run?' },
  { id: 'when', title: 'When?' },
  { id: 'senses', title: 'What do you hear, see, smell?' },
  { id: 'before', title: 'What came before?' },
] as const;

/** What lit, how it runs, what came before. Anything may stay unknown. */
export function Light() {
  const { record, state, assessment } = useCase();
  const dispatch = useAppDispatch();
  const setLamp = (lamp: LampId, mode: LampMode) =>
    void dispatch(addRecord(record.id, { kind: 'lamp', lamp, mode }));
  const answer = (observation: ObservationKey, next: Answered) =>
    void dispatch(addRecord(record.id, { kind: 'observation', observation, answer: next }));
  const urgent =
    assessment.allowance.level <= 1 ? assessment.allowance.reasons.find((r) => r.isDeciding) : undefined;

  return (
    <StationPage
      title="What lit, and how does it run?"
      lead="Tap what you know: once for yes, twice for no, again for don’t know. What you leave open counts as unknown, never as good."
      next={{
        title: urgent ? urgent.then : 'Next: plug in and read',
        detail: urgent ? 'Do this first.' : 'A reading takes under a minute and writes everything down.',
        to: `/case/${record.id}/plug-in`,
      }}
    >
      <div className="grid gap-4 xl:grid-cols-[1.06fr_1fr]">
        <section aria-labelledby="lamps" className={`${SHEET} self-start`}>
          <h3 id="lamps" className="border-b border-line px-4 py-2.5 text-lg">
            Lamps
          </h3>
          <ul className="divide-y divide-line">
            {(Object.keys(LAMPS) as LampId[]).map((lamp) => {
              const mode = state.lamps.get(lamp)?.mode ?? null;
              const isLit = mode !== null && mode !== 'out';
              return (
                <li key={lamp} className="flex flex-wrap items-center gap-x-2 gap-y-1 px-3 py-1">
                  <span
                    className={cx(
                      'flex min-w-[168px] flex-1 items-center gap-3',
                      isLit ? 'text-own' : 'text-ink',
                    )}
                  >
                    <Lamp lamp={lamp} />
                    <span className="leading-tight">
                      <span className="font-semibold">{LAMPS[lamp]}</span>
                      {STOP.has(lamp) ? (
                        <span className="block text-[13px] text-ink-2">lit: stop now</span>
                      ) : null}
                    </span>
                  </span>
                  <Segments
                    label={LAMPS[lamp]}
                    options={MODES}
                    value={mode}
                    onChange={(m) => setLamp(lamp, m)}
                    tone={isLit ? 'own' : 'ink'}
                  />
                </li>
              );
            })}
          </ul>
          <div className="border-t border-line px-4 py-3">
            <h4 className="font-semibold">Does the engine lamp light when you turn the ignition on?</h4>
            <p className="text-[14px] text-ink-2">
              It must, for a few seconds. One that never lights hides every fault.
            </p>
            <div className="mt-2">
              <Segments
                label="The engine lamp at key-on"
                tone="own"
                value={state.entries.some((e) => e.kind === 'bulb') ? state.bulb : null}
                options={BULB}
                onChange={(answer) => void dispatch(addRecord(record.id, { kind: 'bulb', answer }))}
              />
            </div>
          </div>
        </section>
        <div className="space-y-4">
          {GROUPS.map((group) => (
            <section key={group.id} aria-label={group.title} className={`${SHEET} p-4`}>
              <h3 className="text-lg">{group.title}</h3>
              <div className="mt-2 flex flex-wrap gap-2">
                {OWNER_OBSERVATIONS.filter(
                  (key) => OBSERVATIONS[key].side === 'owner' && kindOf(key) === group.id,
                ).map((key) => (
                  <Answer
                    key={key}
                    title={OBSERVATIONS[key].title}
                    value={state.observations.get(key)?.answer ?? 'unknown'}
                    onChange={(a) => answer(key, a)}
                  />
                ))}
              </div>
            </section>
          ))}
        </div>
      </div>
    </StationPage>
  );
}

function kindOf(key: ObservationKey): string | undefined {
  const kind = OBSERVATIONS[key];
  return 'group' in kind ? kind.group : undefined;
}

const NEXT: Readonly<Record<Answered, Answered>> = { unknown: 'yes', yes: 'no', no: 'unknown' };
const WORDS: Readonly<Record<Answered, string>> = { unknown: 'not answered', yes: 'yes', no: 'no' };

/** Yes, no or unknown with one target for a thumb. */
function Answer({
  title,
  value,
  onChange,
}: {
  title: string;
  value: Answered;
  onChange: (value: Answered) => void;
}) {
  return (
    <button
      type="button"
      aria-label={`${title}: ${WORDS[value]}`}
      onClick={() => onChange(NEXT[value])}
      className={cx(
        'inline-flex min-h-11 items-center gap-1.5 rounded-md border px-3 text-[15px] font-semibold',
        value === 'yes' && 'border-own bg-own text-sheet',
        value === 'no' && 'border-own bg-own-soft text-ink',
        value === 'unknown' && 'border-line bg-sheet hover:bg-sheet-2',
      )}
    >
      {value === 'yes' ? <Check size={17} aria-hidden="true" /> : null}
      {value === 'no' ? <X size={17} aria-hidden="true" /> : null}
      {value === 'no' ? <s>{title}</s> : title}
    </button>
  );
}
