import { fixed, graded, holds, limitWords, rule, RUNNING, type Limits } from '../rule.ts';
import { SOUND_SWINGS, isCatalystHot, isSteered, sensorSwings } from './gates.ts';

const FRONT_LAMBDA: Limits = { expected: [0.97, 1.03], odd: [0.95, 1.05] };

/** A narrow-band sensor goes under and over these while it swings, V. */
const SWINGS = { under: 0.3, over: 0.6 };
/** How far the rear sensor moves against the front one where the catalyst stores no oxygen. */
const REAR_AGAINST_FRONT = 0.5;
const CATALYST_MOST = 850;

export const EXHAUST_RULES = [
  rule({
    id: 'front-oxygen-swings',
    title: 'Front oxygen sensor swings',
    states: ['raised', 'cruise'],
    needs: ['frontOxygen', 'coolant'],
    isOfBank: true,
    engines: 'petrol',
    seconds: 8,
    expected: `${SOUND_SWINGS} times or more in ten seconds at {2,500 rpm}`,
    source: 'Narrow-band sensors cross 0.45 V each time the mixture is corrected',
    toJudge:
      'Record ten seconds at {2,500 rpm}, warm, with few readings at once: too few samples do not show the swings.',
    judge: (of, w) => {
      if (!isSteered(w)) return null;
      const s = of('frontOxygen');
      if (s.count < 20) return null;
      const swings = sensorSwings(s, w.seconds);
      if (swings === null) return null;
      return holds(
        swings >= SOUND_SWINGS,
        `${fixed(swings)} times in ten seconds, ${fixed(s.min, 2)} to ${fixed(s.max, 2)} V`,
      );
    },
  }),
  rule({
    id: 'front-oxygen-range',
    title: 'Front oxygen sensor reaches both ends',
    states: ['raised', 'cruise', 'idle-warm'],
    needs: ['frontOxygen', 'coolant'],
    isOfBank: true,
    engines: 'petrol',
    seconds: 8,
    expected: `from under ${SWINGS.under} to over ${SWINGS.over} V`,
    source: 'A hot narrow-band sensor swings 0.1 to 0.9 V',
    toJudge: 'Record ten seconds at {2,500 rpm}, warm.',
    judge: (of, w) => {
      if (!isSteered(w)) return null;
      const { min, max, count } = of('frontOxygen');
      if (count < 20) return null;
      return holds(min < SWINGS.under && max > SWINGS.over, `${fixed(min, 2)} to ${fixed(max, 2)} V`);
    },
  }),
  rule({
    id: 'rear-oxygen-steady',
    title: 'Rear oxygen sensor is calm',
    states: ['raised', 'cruise'],
    needs: ['frontOxygen', 'rearOxygen', 'coolant'],
    isOfBank: true,
    engines: 'petrol',
    seconds: 8,
    expected: `moves less than ${REAR_AGAINST_FRONT * 100} % as far as the front one`,
    source: 'A sound hot catalyst stores oxygen and evens the swings out',
    toJudge: 'Record ten seconds at {2,500 rpm} after ten minutes of driving: the catalyst has to be hot.',
    judge: (of, w) => {
      if (!isSteered(w) || !isCatalystHot(w)) return null;
      const [f, r] = [of('frontOxygen'), of('rearOxygen')];
      const [front, rear] = [f.max - f.min, r.max - r.min];
      if (front < 0.2 || r.count < 20) return null;
      return holds(
        rear < front * REAR_AGAINST_FRONT,
        `rear moves ${fixed(rear, 2)} V, front ${fixed(front, 2)} V: ${fixed((rear / front) * 100)} %`,
      );
    },
  }),
  rule({
    id: 'front-lambda',
    title: 'Mixture by the wide-band sensor',
    states: ['idle-warm', 'raised', 'cruise'],
    needs: ['frontLambda', 'coolant'],
    isOfBank: true,
    engines: 'petrol',
    expected: `λ ${limitWords(FRONT_LAMBDA)}, once warm`,
    source: 'Closed loop steers to λ 1',
    toJudge: 'Read warm, without accelerating hard.',
    judge: (of, w) => {
      if (!isSteered(w)) return null;
      return graded(of('frontLambda').mean, FRONT_LAMBDA, `λ ${fixed(of('frontLambda').mean, 2)}`);
    },
  }),
  rule({
    id: 'catalyst-heat',
    title: 'Catalyst temperature',
    states: RUNNING,
    needs: ['catalyst'],
    isOfBank: true,
    engines: 'petrol',
    expected: `up to {${CATALYST_MOST} °C}`,
    source: 'It lights off at about {250 °C} and ages fast above {900 °C}; unburnt fuel heats it',
    toJudge: 'Read after ten minutes of driving.',
    judge: (of) => {
      const t = of('catalyst').max;
      return holds(t <= CATALYST_MOST, `{${fixed(t)} °C}`, 'high');
    },
  }),
] as const;
