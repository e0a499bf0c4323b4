import type { Purse } from '@pincer/core/words';
import type { CheckView } from '@pincer/core/assess';
import { TAG } from '../../ui/classes.ts';
import { duration, money } from '../../ui/format.ts';

/** Time, money and tools of a check. */
export function CheckTags({ check, purse }: { check: CheckView; purse: Purse }) {
  return (
    <>
      <span className={TAG}>{duration(check.minutes)}</span>
      <span className={TAG}>{check.cost === 0 ? 'free' : money(check.cost, purse)}</span>
      {check.tools.map((t) => (
        <span key={t.id} className={TAG}>
          {t.name}
          {t.isMissing ? `, ${money(t.price, purse)} to buy` : ''}
        </span>
      ))}
    </>
  );
}
