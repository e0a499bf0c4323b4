import { lampOn, type CaseState } from '@pincer/core/case';
import { NOTHING, type Told } from './told.ts';

/** From here on what ends by itself would have let the light go out again: three good trips, and then some. Judged. */
const LONG = { km: 150, minutes: 300 } as const;

/** For how long the engine light has been on, and that what ends by itself would mostly be over by then. */
export function lampOnFacts({ standing }: Pick<CaseState, 'standing'>): Told {
  const on = lampOn(standing);
  if (!on) return NOTHING;
  const [km, hours] = [on.km ?? 0, Math.round((on.minutes ?? 0) / 60)];
  const parts = [
    ...(km > 0 ? [`{${Math.round(km).toLocaleString('en-GB')} km}`] : []),
    ...(hours > 0 ? [`${hours} ${hours === 1 ? 'hour' : 'hours'} of running`] : []),
  ];
  if (parts.length === 0) return NOTHING;
  const fact = 'lamp-on-for';
  return {
    facts: [
      {
        id: fact,
        side: 'car',
        kind: 'observation',
        title: `Engine light on for ${on.isAtLeast ? 'at least ' : ''}${parts.join(', ')}`,
        detail: 'as the control unit counts it',
        entry: on.entry,
      },
    ],
    evidence: km >= LONG.km || (on.minutes ?? 0) >= LONG.minutes ? [{ kind: 'stays-lit', fact }] : [],
  };
}
