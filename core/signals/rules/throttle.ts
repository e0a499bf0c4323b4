import { ANY, fixed, graded, holds, limitWords, rule, within, type Limits } from '../rule.ts';

/** Ratios that two pedal tracks are built to: equal, or one at half. */
const RATIOS = [1, 2, 0.5] as const;

const PEDAL_AT_REST: Limits = { expected: [5, 25], odd: [2, 30] };
const THROTTLE_AT_IDLE: Limits = { expected: [5, 22], odd: [3, 24] };

/** How far the pedal's tracks may be off their ratio, and the throttle off its command, %. */
const TRACKS_AGREE = 10;
const THROTTLE_FOLLOWS = 5;

export const THROTTLE_RULES = [
  rule({
    id: 'pedal-tracks',
    title: 'Both pedal tracks agree',
    states: ANY,
    needs: ['pedalD', 'pedalE', 'pedalRatio'],
    expected: `both equal, or one half of the other, within ${TRACKS_AGREE} %`,
    source: 'Two tracks of fixed ratio check each other; the limit is that of the control units',
    toJudge: 'Read once with the ignition on.',
    judge: (of) => {
      const r = of('pedalRatio');
      const off = (x: number) => Math.min(...RATIOS.map((k) => Math.abs(x / k - 1)));
      const worst = Math.max(off(r.min), off(r.max));
      return holds(
        worst * 100 <= TRACKS_AGREE,
        `${fixed(of('pedalD').last)} % and ${fixed(of('pedalE').last)} %: ${fixed(r.last, 2)} to 1, ${fixed(worst * 100)} % off`,
      );
    },
  }),
  rule({
    id: 'pedal-rest',
    title: 'Pedal at rest',
    states: ['key-on'],
    needs: ['pedalD'],
    expected: `${limitWords(PEDAL_AT_REST, '%')}, untouched`,
    source: 'Sensors rest above zero, so that a broken wire can be told from a released pedal',
    toJudge: 'Ignition on, foot off the pedal.',
    judge: (of) => graded(of('pedalD').min, PEDAL_AT_REST, `${fixed(of('pedalD').min)} %`),
  }),
  rule({
    id: 'throttle-follows',
    title: 'Throttle follows its command',
    states: ANY,
    needs: ['throttleGap', 'throttle', 'throttleCommand'],
    expected: `within ${THROTTLE_FOLLOWS} % once it has moved`,
    source: 'Control units set a code at 5 to 10 % for half a second',
    toJudge: 'Read once; better, record while you rev.',
    judge: (of) => {
      const gap = of('throttleGap').mean;
      return within(
        gap,
        -THROTTLE_FOLLOWS,
        THROTTLE_FOLLOWS,
        `${fixed(of('throttle').mean)} %, asked for ${fixed(of('throttleCommand').mean)} %`,
      );
    },
  }),
  rule({
    id: 'throttle-idle',
    title: 'Throttle nearly closed at idle',
    states: ['idle-warm'],
    needs: ['throttle'],
    engines: 'petrol',
    expected: `${limitWords(THROTTLE_AT_IDLE, '%')}, by its sensor`,
    source: '{Workshop} practice; carbon makes it open further to keep the idle',
    toJudge: 'Read at idle with the engine warm.',
    judge: (of) => graded(of('throttle').mean, THROTTLE_AT_IDLE, `${fixed(of('throttle').mean)} %`),
  }),
] as const;
