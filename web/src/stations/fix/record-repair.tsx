import { currencySign } from '../../ui/format.ts';
import { REPAIRED_BY, type EntryOf, type RepairedBy } from '@pincer/core/case';
import { fromOwn, ownUnit } from '@pincer/core/words';
import { useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { useUnits } from '../../store/use-units.ts';
import { numberOf } from '../../ui/number-of.ts';
import { BUTTON } from '../../ui/classes.ts';
import { LabelledField } from '../../ui/labelled-field.tsx';
import { Segments } from '../../ui/segments.tsx';
import type { Ticks } from './ticks.ts';

const BY_TITLES: Readonly<Record<RepairedBy, string>> = {
  owner: 'I did',
  friend: 'A friend',
  workshop: 'A {workshop}',
};

const NOT_A_NUMBER = 'This is not a number above 0.';

type Told = Pick<Ticks, 'by' | 'cost' | 'hours' | 'partNumber' | 'distance' | 'note'>;
/** What the entry of a repair holds beside what was repaired. */
export type RepairDetails = Pick<
  EntryOf<'repair'>,
  'by' | 'cost' | 'minutes' | 'partNumber' | 'distanceKm' | 'note'
>;

/** Who did it, what it cost, and what is worth knowing later. */
export function RecordRepair({
  told,
  isReady = true,
  onChange,
  onRecord,
}: {
  told: Told;
  isReady?: boolean;
  onChange: (told: Told) => void;
  onRecord: (details: RepairDetails) => void;
}) {
  const tell = useTell();
  const units = useUnits();
  const purse = useAppSelector((s) => s.settings.owner);
  const distanceUnit = ownUnit('km', units).unit;
  const wrong = (text: string): boolean => {
    const value = numberOf(text);
    return text.trim() !== '' && (value === null || value < 0);
  };
  const isWrong = [told.cost, told.hours, told.distance].some(wrong);
  const record = () => {
    const [cost, hours, distance] = [numberOf(told.cost), numberOf(told.hours), numberOf(told.distance)];
    onRecord({
      by: told.by,
      ...(cost === null ? {} : { cost }),
      ...(hours === null ? {} : { minutes: Math.round(hours * 60) }),
      ...(distance === null ? {} : { distanceKm: Math.round(fromOwn(distance, 'km', units)) }),
      ...(told.partNumber.trim() === '' ? {} : { partNumber: told.partNumber.trim() }),
      ...(told.note.trim() === '' ? {} : { note: told.note.trim() }),
    });
  };
  return (
    <section aria-label="Record the repair" className="space-y-3 border-t border-line pt-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span className="font-semibold">Who did it?</span>
        <Segments
          label="Who did it?"
          options={REPAIRED_BY.map((id) => ({ id, title: tell(BY_TITLES[id]) }))}
          value={told.by}
          onChange={(by) => onChange({ ...told, by })}
          tone="own"
        />
      </div>
      <div className="grid gap-3 sm:grid-cols-4">
        <LabelledField
          label={`Spent, ${currencySign(purse)}`}
          text={told.cost}
          isNumber
          problem={wrong(told.cost) ? NOT_A_NUMBER : null}
          onChange={(cost) => onChange({ ...told, cost })}
        />
        <LabelledField
          label="Hours"
          text={told.hours}
          isNumber
          problem={wrong(told.hours) ? NOT_A_NUMBER : null}
          onChange={(hours) => onChange({ ...told, hours })}
        />
        <LabelledField
          label={`Odometer, ${distanceUnit}`}
          text={told.distance}
          isNumber
          problem={wrong(told.distance) ? NOT_A_NUMBER : null}
          onChange={(distance) => onChange({ ...told, distance })}
        />
        <LabelledField
          label="Part number"
          text={told.partNumber}
          onChange={(partNumber) => onChange({ ...told, partNumber })}
        />
      </div>
      <LabelledField
        label="What you saw or did"
        text={told.note}
        onChange={(note) => onChange({ ...told, note })}
      />
      <button type="button" className={BUTTON.solid} disabled={isWrong || !isReady} onClick={record}>
        Record as done
      </button>
    </section>
  );
}
