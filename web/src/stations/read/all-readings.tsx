import type { ReadValue, Scan } from '@pincer/core/obd';
import { unitName } from '@pincer/core/assess';
import { UNKNOWN_ENGINE, windowOfScan, workedFigures, type WorkedFrom } from '@pincer/core/signals';
import { wordsIn, type Wording } from '@pincer/core/words';
import { cx } from '../../ui/classes.ts';
import { inOwnUnit, readingName } from '../../ui/reading.ts';
import { useTell, useWording } from '../../store/use-tell.ts';

/** A value in the owner's own unit and words. */
export function shownValue(v: ReadValue, { units, words }: Wording): string {
  if (v.value === null) return 'not available';
  if (typeof v.value !== 'number') return wordsIn(v.value, words);
  return inOwnUnit(v.value, v.unit, units);
}

function Values({ of, isWide }: { of: readonly ReadValue[]; isWide?: boolean }) {
  const wording = useWording();
  return (
    <dl
      className={cx(
        'mt-1 grid grid-cols-[1fr_auto] gap-x-4 gap-y-0.5 text-[15px]',
        isWide && 'md:grid-cols-[1fr_auto_1fr_auto]',
      )}
    >
      {of.map((v) => (
        <div key={`${v.pid}${v.part ?? ''}`} className="contents">
          <dt className="text-ink-2">{readingName(v.name, wording)}</dt>
          <dd className="text-right font-mono">{shownValue(v, wording)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Every reading that the control units told, unit by unit where there are several. */
export function AllReadings({ reading, vehicle }: { reading: Scan; vehicle: WorkedFrom }) {
  // A part that is not fitted says nothing. What the newest cars tell and nobody decodes here stands as bytes.
  const live = reading.values.filter((v) => (v.service === '01' || v.service === '22') && v.value !== null);
  const sources = [...new Set(live.map((v) => v.source))];
  return (
    <details className="mt-1">
      <summary className="flex min-h-11 items-center font-semibold">All {live.length} readings</summary>
      <Worked reading={reading} vehicle={vehicle} />
      {sources.map((source) => (
        <section key={source} aria-label={`Readings: ${unitName(reading, source)}`} className="mb-3">
          {sources.length > 1 ? (
            <h4 className="font-semibold">
              {unitName(reading, source)} <span className="font-mono font-normal text-ink-2">{source}</span>
            </h4>
          ) : null}
          <Values of={live.filter((v) => v.source === source)} isWide />
        </section>
      ))}
    </details>
  );
}

/** What can be worked out from these readings together, with its arithmetic. */
function Worked({ reading, vehicle }: { reading: Scan; vehicle: WorkedFrom }) {
  const tell = useTell();
  const figures = workedFigures(windowOfScan(reading, UNKNOWN_ENGINE), vehicle);
  if (figures.length === 0) return null;
  return (
    <section aria-label="Worked out from these readings" className="mb-3">
      <h4 className="font-semibold">Worked out from these readings</h4>
      <ul className="divide-y divide-line">
        {figures.map((f) => (
          <li key={f.id} className="py-1.5 text-[15px]">
            <p>
              <b>{f.title}.</b> {tell(f.arithmetic)}
            </p>
            <p className="text-ink-2">{tell(f.helps)}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The stored values as the car gave them. */
export function FrameValues({ reading }: { reading: Scan }) {
  if (reading.freezeFrames.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="flex min-h-11 items-center font-semibold">All stored values</summary>
      {reading.freezeFrames.map((f) => (
        <div key={`${f.unit}${f.frame}`}>
          <p>
            When <span className="font-mono font-semibold">{f.code ?? 'the code'}</span> was first set, by{' '}
            {unitName(reading, f.unit).toLowerCase()} <span className="font-mono">{f.unit}</span>:
          </p>
          <Values of={f.values.filter((v) => v.value !== null)} />
        </div>
      ))}
    </details>
  );
}
