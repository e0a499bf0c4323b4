import {
  LAMPS,
  LAMP_COLOUR,
  LAMP_COLOURS,
  lampsOf,
  type CaseState,
  type LampColour,
  type LampId,
  type LampMode,
} from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useTell } from '../../store/use-tell.ts';
import { useAppDispatch } from '../../store/store.ts';
import { chosen } from '../../ui/answers.ts';
import { SHEET, cx } from '../../ui/classes.ts';
import { Lamp } from '../../ui/lamp.tsx';
import { Segments } from '../../ui/segments.tsx';

const MODES: readonly { id: LampMode; title: string }[] = [
  { id: 'out', title: 'Out' },
  { id: 'steady', title: 'Steady' },
  { id: 'flashing', title: 'Flashing' },
  { id: 'now-and-then', title: 'Comes and goes' },
];

const COLOURS: readonly { id: LampColour; title: string }[] = [
  { id: 'red', title: 'Red' },
  { id: 'amber', title: 'Amber' },
];

/** Lamps after which a car stands still; said in words beside the lamp. */
const STOP: ReadonlySet<LampId> = new Set(['oil', 'temperature', 'brakes']);

const BULB = [
  { id: 'lights', title: 'It lights' },
  { id: 'does-not', title: 'It does not' },
  { id: 'unknown', title: 'Not tried' },
] as const;

const BULB_MEANS = {
  lights: 'So the bulb works, and no light really means no light.',
  'does-not':
    'A dead or removed bulb hides every fault. Read the codes whatever the light shows; on a {car} for sale, ask why.',
  unknown:
    'Ignition on, engine off: it must light for a few seconds. One that never lights hides every fault.',
} as const;

/** The lamps, each steady, flashing or at times, in its colour; and whether the engine lamp lights at all. */
export function Lamps({ caseId, vehicle, state }: { caseId: string; vehicle: Vehicle; state: CaseState }) {
  const dispatch = useAppDispatch();
  const tell = useTell();
  const note = (lamp: LampId, mode: LampMode, colour: LampColour | null) =>
    void dispatch(
      recordSaying(
        caseId,
        { kind: 'lamp', lamp, mode, ...(colour ? { colour } : {}) },
        `${tell(LAMPS[lamp])}: ${chosen(MODES, mode)}.`,
      ),
    );
  return (
    <section aria-labelledby="lamps" className={`${SHEET} self-start`}>
      <h3 id="lamps" className="border-b border-line px-4 py-2.5 text-lg">
        Warning lights
      </h3>
      <ul className="divide-y divide-line">
        {lampsOf(vehicle, state.standing.lamps).map((lamp) => {
          const seen = state.standing.lamps.get(lamp);
          const mode = seen?.mode ?? null;
          const isLit = mode !== null && mode !== 'out';
          const colour = LAMP_COLOUR[lamp] ?? seen?.colour ?? null;
          const isEither = LAMP_COLOUR[lamp] === null;
          return (
            <li key={lamp} className="flex flex-wrap items-center gap-x-2 gap-y-1 px-3 py-1">
              <span className="flex min-w-[186px] flex-1 items-center gap-3">
                <span
                  className={cx(
                    'grid size-11 shrink-0 place-items-center rounded',
                    isLit && 'bg-tar',
                    isLit && mode === 'flashing' && 'outline-2 outline-offset-2 outline-dashed outline-tar',
                  )}
                  style={{ color: isLit ? `var(--lamp-${colour ?? 'either'})` : undefined }}
                >
                  <Lamp lamp={lamp} size={32} />
                </span>
                <span className="leading-tight">
                  <span className="font-semibold">{tell(LAMPS[lamp])}</span>
                  <span className="block text-[13px] text-ink-2">
                    {colour ?? 'red or amber'}
                    {STOP.has(lamp) ? ' – if lit, stop now' : ''}
                  </span>
                </span>
              </span>
              <Segments
                label={tell(LAMPS[lamp])}
                options={MODES}
                value={mode}
                onChange={(m) => note(lamp, m, seen?.colour ?? null)}
                tone={isLit ? 'own' : 'ink'}
              />
              {isLit && isEither ? (
                <div className="flex w-full items-center justify-end gap-2 pb-1 text-[15px]">
                  <span>{tell('Which {colour}?')}</span>
                  <Segments
                    label={tell(`{Colour} of: ${LAMPS[lamp]}`)}
                    options={COLOURS.filter((c) => LAMP_COLOURS.includes(c.id))}
                    value={seen?.colour ?? null}
                    onChange={(c) => note(lamp, mode, c)}
                    tone="own"
                  />
                </div>
              ) : null}
            </li>
          );
        })}
      </ul>
      <div className="border-t border-line px-4 py-3">
        <h4 className="font-semibold">Does the engine light come on when you switch the ignition on?</h4>
        <div className="mt-2">
          <Segments
            label="The engine light at key-on"
            tone="own"
            value={state.entries.some((e) => e.kind === 'bulb') ? state.standing.bulb : null}
            options={BULB}
            onChange={(answer) =>
              void dispatch(
                recordSaying(
                  caseId,
                  { kind: 'bulb', answer },
                  `The engine light at key-on: ${chosen(BULB, answer)}.`,
                ),
              )
            }
          />
        </div>
        <p className="mt-1.5 text-[14px] text-ink-2">{tell(BULB_MEANS[state.standing.bulb])}</p>
      </div>
    </section>
  );
}
