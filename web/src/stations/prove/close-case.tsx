import { currencySign } from '../../ui/format.ts';
import { useId, useState } from 'react';
import { recordSaying } from '../../logbook/record-saying.ts';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { numberOf } from '../../ui/number-of.ts';
import { BUTTON, FIELD } from '../../ui/classes.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { LabelledField } from '../../ui/labelled-field.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCase } from '../case-context.ts';

type Outcome = 'fixed' | 'went-away' | 'given-up';
const OUTCOMES: readonly { id: Outcome; title: string }[] = [
  { id: 'fixed', title: 'Fixed' },
  { id: 'went-away', title: 'It went away' },
  { id: 'given-up', title: 'Given up' },
];
const LIGHT = [
  { id: 'out', title: 'Off' },
  { id: 'steady', title: 'On' },
] as const;

/** Closes the case: is the light off, what was it, what did it take. */
export function CloseCase() {
  const { state, assessment } = useCase();
  const [isOpen, setOpen] = useState(false);
  if (state.closed) return null;
  return (
    <section className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        className={assessment.closing.isProven ? BUTTON.solid : BUTTON.plain}
        onClick={() => setOpen(true)}
      >
        Close the case
      </button>
      {isOpen ? <Closing onDone={() => setOpen(false)} /> : null}
    </section>
  );
}

function Closing({ onDone }: { onDone: () => void }) {
  const { record, assessment, vehicle, state } = useCase();
  const { closing } = assessment;
  const dispatch = useAppDispatch();
  const tell = useTell();
  const purse = useAppSelector((s) => s.settings.owner);
  const [outcome, setOutcome] = useState<Outcome>('fixed');
  const [light, setLight] = useState<'out' | 'steady' | null>(null);
  const [cause, setCause] = useState(closing.causes[0]?.id ?? '');
  const [cost, setCost] = useState(closing.cost === null ? '' : String(closing.cost));
  const [hours, setHours] = useState('');
  const causeField = useId();
  const fixedBlocked =
    light === 'steady'
      ? 'With the engine light on it is not fixed. Keep the case open, or close it as given up.'
      : // What was seen before is asked once more here, and the answer counts.
        closing.fixedBlocked?.id === 'seen'
        ? null
        : (closing.fixedBlocked?.text ?? null);
  const isBlocked = outcome === 'fixed' && (fixedBlocked !== null || light === null);
  const close = async () => {
    if (light !== null) await dispatch(addRecord(record.id, { kind: 'lamp', lamp: 'engine', mode: light }));
    const [money, time] = [numberOf(cost), numberOf(hours)];
    await dispatch(
      recordSaying(
        record.id,
        {
          kind: 'closed',
          outcome,
          ...(outcome === 'fixed' ? { isProven: closing.isProven } : {}),
          ...(outcome === 'fixed' && cause !== '' ? { cause } : {}),
          ...(money !== null && money >= 0 ? { cost: money } : {}),
          ...(time !== null && time >= 0 ? { minutes: Math.round(time * 60) } : {}),
        },
        'The case is closed.',
      ),
    );
    onDone();
  };
  return (
    <Dialog
      title="Close the case"
      description="What you say here helps with the next fault on your vehicles."
      open
      onOpenChange={onDone}
    >
      <div className="space-y-4">
        <div className="flex flex-wrap items-center justify-between gap-2">
          <span>How did it end?</span>
          <Segments
            label="How did it end?"
            options={OUTCOMES}
            value={outcome}
            onChange={setOutcome}
            tone="own"
          />
        </div>
        <div className="flex flex-wrap items-center justify-between gap-2">
          <span>The engine light, engine running</span>
          <Segments
            label="The engine light, engine running"
            options={LIGHT}
            value={light}
            onChange={setLight}
            tone="own"
          />
        </div>
        {outcome === 'fixed' ? (
          <>
            {fixedBlocked ? <Notice title="Not as fixed.">{fixedBlocked}</Notice> : null}
            {!fixedBlocked && closing.lacks ? (
              <Notice title="It is not proven yet.">
                {closing.lacks} You may close it all the same; the record says that it was not proven.
              </Notice>
            ) : null}
            <div>
              <label htmlFor={causeField} className="font-semibold">
                What was it?
              </label>
              <select
                id={causeField}
                className={FIELD}
                value={cause}
                onChange={(e) => setCause(e.target.value)}
              >
                {closing.causes.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.title}
                  </option>
                ))}
                {assessment.causes
                  .filter((c) => !closing.causes.some((k) => k.id === c.id))
                  .slice(0, 6)
                  .map((c) => (
                    <option key={c.id} value={c.id}>
                      {c.title}
                    </option>
                  ))}
                <option value="">Something else, or not known</option>
              </select>
            </div>
          </>
        ) : null}
        <div className="grid gap-3 sm:grid-cols-2">
          <LabelledField
            label={`What it cost, ${currencySign(purse)}`}
            text={cost}
            isNumber
            onChange={setCost}
          />
          <LabelledField label="Your hours" text={hours} isNumber onChange={setHours} />
        </div>
        <p className="text-[15px] text-ink-2">
          {state.connection
            ? `Switch the ignition off and unplug the adapter. Do not leave it near the pedals${vehicle.kind === 'motorcycle' ? '; put the cap back on the socket' : ''}.`
            : tell('Keep the receipts with the {handbook}: the next owner will ask.')}
        </p>
        <button type="button" className={BUTTON.solid} disabled={isBlocked} onClick={() => void close()}>
          Close it
        </button>
        {outcome === 'fixed' && light === null && !fixedBlocked ? (
          <p className="text-[15px] text-ink-2">Say first whether the engine light is off.</p>
        ) : null}
      </div>
    </Dialog>
  );
}
