import type { ProcedureView } from '@pincer/core/assess';
import { WEARING_SETS, oneOrSet } from '@pincer/core/decision';
import { cylindersOf } from '@pincer/core/vehicle';
import { fromOwn, ownUnit } from '@pincer/core/words';
import { useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { SHEET } from '../../ui/classes.ts';
import { distance, money } from '../../ui/format.ts';
import { LabelledField } from '../../ui/labelled-field.tsx';
import { numberOf } from '../../ui/number-of.ts';
import { useCase } from '../case-context.ts';

const isText = (v: unknown): v is string => typeof v === 'string';

/** Distance of a year, km, where no usual trips are told. */
const USUAL_YEAR = 12_000;

/** One part or the whole set, where the first repair is of a part that a vehicle has several of. */
export function OneOrAll({ procedure }: { procedure: ProcedureView }) {
  const { record, vehicle } = useCase();
  const owner = useAppSelector((s) => s.settings.owner);
  const { units } = owner;
  const unit = ownUnit('km', units).unit;
  const perYear =
    (vehicle.usualTrips ?? []).reduce((sum, t) => sum + t.distanceKm * t.perWeek * 52, 0) || USUAL_YEAR;
  const inOwn = (km: number) => String(Math.round(ownUnit('km', units).of(km)));
  const [age, setAge] = useDraft(`set-age:${record.id}`, inOwn(vehicle.distanceKm ?? 100_000), isText);
  const [years, setYears] = useDraft(`set-years:${record.id}`, '4', isText);
  const [cause = ''] = procedure.cause.split(':');
  const set = WEARING_SETS[cause];
  if (!set) return null;
  const count = set.count ?? cylindersOf(vehicle);
  if (count < 2) return null;
  const [ageTyped, yearsTyped] = [numberOf(age), numberOf(years)];
  const isGood = ageTyped !== null && ageTyped >= 0 && yearsTyped !== null && yearsTyped >= 0;
  const answer = isGood
    ? oneOrSet({
        set,
        count,
        price: procedure.parts,
        work: Math.max(0, procedure.cost - procedure.parts),
        ageKm: fromOwn(ageTyped, 'km', units),
        keptKm: yearsTyped * perYear,
      })
    : null;
  return (
    <section aria-labelledby="one-or-all" className={`${SHEET} p-4`}>
      <h3 id="one-or-all" className="text-lg">
        One, or all {count} {set.parts}?
      </h3>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        <LabelledField label={`Distance on these parts, ${unit}`} text={age} isNumber onChange={setAge} />
        <LabelledField
          label="Years that you will keep the vehicle"
          text={years}
          isNumber
          problem={isGood ? null : 'Numbers of 0 or more.'}
          onChange={setYears}
        />
      </div>
      {answer ? (
        <>
          <p className="mt-3" role="status">
            <b>{answer.isAllCheaper ? `All ${count} together cost less.` : 'One costs less.'}</b> At about{' '}
            {distance(perYear, units)} a year, one now and the others when they fail costs about{' '}
            {money(answer.one.now + answer.one.later, owner)} ({money(answer.one.now, owner)} now, and about{' '}
            {answer.one.failures.toFixed(1)} more failures). All of them now cost{' '}
            {money(answer.all.now + answer.all.later, owner)} ({money(answer.all.now, owner)} now, and about{' '}
            {answer.all.failures.toFixed(1)} more).
          </p>
          <p className="mt-1 text-[15px] text-ink-2">
            {answer.tipsAtKm === null
              ? `However long you keep it, that stays so.`
              : `All together cost less from ${distance(answer.tipsAtKm, units)} on, which is ${(answer.tipsAtKm / perYear).toFixed(1)} years.`}{' '}
            Wear-out life is judged: Weibull, shape {set.shape}, 63 % failed by {distance(set.lifeKm, units)}.
            Being stranded is not priced: count it in yourself.
          </p>
        </>
      ) : null}
    </section>
  );
}
