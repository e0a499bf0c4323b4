import { ANY, RUNNING, fixed, holds, rule, within } from '../rule.ts';
import type { Window } from '../window.ts';

/** What flows through the filter, against a warm engine at 1,000 rpm without boost: pressure lost grows with it. */
const FLOW_GROWS = 1.3;
const filterFlow = (rpm: number, { stats }: Window): number =>
  (rpm / 1_000) ** FLOW_GROWS * Math.max(1, (stats['manifold']?.mean ?? 100) / 100);

/** Glow plugs heat up to this coolant temperature, and not on an engine that is this warm, °C. */
const GLOWS_BELOW = 15;
const WARM = 70;
/** What heating takes from the battery's voltage, V. */
const HEATING_TAKES = 0.15;
/** A boost sensor's tolerance together with that of the day's air pressure, kPa. */
const AS_THE_AIR = 6;
/** How far what is done may lie from what is asked for, %. */
const FOLLOWS = 12;
const EGR_ERROR = 40;
const FILTER_ZERO = 0.5;
/** Pressure that a filter may take at the flow of 1,000 rpm, and what it takes at speed at the least, kPa. */
const FILTER_TAKES = 2.4;
const FILTER_LEAST = 0.3;
const POSSIBLE_EXHAUST = { low: -30, high: 900 };
const COLD_SENSORS_AGREE = 30;

export const DIESEL_RULES = [
  rule({
    id: 'glow-command',
    title: 'Glow plugs are commanded when cold',
    states: ['key-on'],
    needs: ['glowLamp', 'coolant'],
    engines: 'diesel',
    expected: `on for some seconds up to {${GLOWS_BELOW} °C}, off from {${WARM} °C} on`,
    source: 'Pre-glow by coolant temperature; newer engines glow below {5 to 20 °C}',
    toJudge: 'Ignition on before the first start of a cold day; record from the moment you turn the key.',
    judge: (of) => {
      const t = of('coolant').mean;
      if (t <= -38 || (t > GLOWS_BELOW && t < WARM)) return null;
      const isOn = of('glowLamp').max >= 1;
      return holds(isOn === t <= GLOWS_BELOW, `${isOn ? 'on' : 'off'} at {${fixed(t)} °C}`);
    },
  }),
  rule({
    id: 'glow-current',
    title: 'Glow plugs or intake heater draw current',
    states: ['key-on'],
    needs: ['glowLamp', 'volts'],
    engines: 'diesel',
    seconds: 20,
    expected: `at least ${HEATING_TAKES} V less while they heat`,
    source:
      'Glow plugs and intake heaters take 40 to 120 A, over a battery and cables of some 5 to 10 milliohms',
    toJudge:
      'Before the first start of a cold day: record from turning the key until half a minute later, engine off.',
    judge: (of) => {
      const [lamp, volts] = [of('glowLamp'), of('volts')];
      // Only a lamp that was on first and went out tells when it heated.
      if (lamp.first < 1 || lamp.last >= 1) return null;
      const drawn = volts.last - volts.first;
      return holds(
        drawn >= HEATING_TAKES,
        `${fixed(volts.first, 2)} V heating, ${fixed(volts.last, 2)} V after: ${fixed(drawn, 2)} V`,
      );
    },
  }),
  rule({
    id: 'boost-key-on',
    title: 'Boost sensor reads atmospheric pressure, engine off',
    states: ['key-on'],
    needs: ['boost'],
    expected: `the day’s air pressure within {${AS_THE_AIR} kPa}`,
    source: 'There is no boost with the engine off',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of, w) => {
      const air = w.stats['airPressure']?.mean ?? w.stats['manifold']?.mean ?? 101;
      return within(
        of('boost').mean,
        air - AS_THE_AIR,
        air + AS_THE_AIR,
        `{${fixed(of('boost').mean)} kPa}, air {${fixed(air)} kPa}`,
      );
    },
  }),
  rule({
    id: 'boost-follows',
    title: 'Boost follows its target',
    states: ['driving', 'cruise', 'raised'],
    needs: ['boost', 'boostTarget', 'boostGap'],
    expected: `within ${FOLLOWS} % of what is asked for under load`,
    source: 'Control units set a code at about 20 % for some seconds',
    toJudge: 'Record a climb in third or fourth gear; a passenger watches.',
    judge: (of) => {
      // With little asked for, leaks hardly show.
      if (of('boostTarget').mean < 130) return null;
      const gap = of('boostGap').mean;
      return within(
        gap,
        -FOLLOWS,
        FOLLOWS,
        `{${fixed(of('boost').mean)} kPa}, asked for {${fixed(of('boostTarget').mean)} kPa}: ${fixed(gap)} %`,
      );
    },
  }),
  rule({
    id: 'egr-follows',
    title: 'EGR valve follows its command',
    states: RUNNING,
    needs: ['egrActual', 'egrCommand', 'egrGap'],
    expected: `within ${FOLLOWS} % of its command`,
    source: 'Control units set a code at 15 to 20 %',
    toJudge: 'Read warm at idle, then at a steady speed.',
    judge: (of) =>
      within(
        of('egrGap').mean,
        -FOLLOWS,
        FOLLOWS,
        `${fixed(of('egrActual').mean)} %, asked for ${fixed(of('egrCommand').mean)} %`,
      ),
  }),
  rule({
    id: 'egr-error',
    title: 'EGR error is small',
    states: RUNNING,
    needs: ['egrError', 'egrCommand'],
    expected: `within ±${EGR_ERROR} % of the command`,
    source: 'The reading is (actual − commanded) / commanded; it means nothing with nothing commanded',
    toJudge: 'Read warm, while EGR is commanded.',
    judge: (of) => {
      if (of('egrCommand').mean < 5) return null;
      return within(
        of('egrError').mean,
        -EGR_ERROR,
        EGR_ERROR,
        `${fixed(of('egrError').mean)} % with ${fixed(of('egrCommand').mean)} % commanded`,
      );
    },
  }),
  rule({
    id: 'filter-zero',
    part: 'particulate-filter',
    title: 'Filter pressure difference is zero, engine off',
    states: ['key-on'],
    needs: ['filterDrop'],
    expected: `within {${FILTER_ZERO} kPa} of zero`,
    source: 'Without flow no pressure is lost',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of) =>
      within(of('filterDrop').mean, -FILTER_ZERO, FILTER_ZERO, `{${fixed(of('filterDrop').mean, 1)} kPa}`),
  }),
  rule({
    id: 'filter-pressure',
    part: 'particulate-filter',
    title: 'Filter pressure against flow',
    states: ['idle-warm', 'raised', 'cruise', 'driving'],
    needs: ['filterDrop', 'engineSpeed'],
    expected: `up to {${FILTER_TAKES} kPa} at 1,000 rpm, growing with flow; {${fixed(FILTER_TAKES * 2.5 ** FLOW_GROWS)} kPa} at 2,500 rpm without load`,
    source:
      '{Workshop} practice: soot and ash raise it; near nothing at speed means a cracked filter or hose',
    toJudge: 'Read warm at idle and while holding {2,500 rpm}.',
    judge: (of, w) => {
      const drop = of('filterDrop').mean;
      const rpm = of('engineSpeed').mean;
      const limit = FILTER_TAKES * filterFlow(rpm, w);
      const measured = `{${fixed(drop, 1)} kPa} at ${fixed(rpm)} rpm, limit {${fixed(limit, 1)} kPa}`;
      if (rpm > 2_000 && drop < FILTER_LEAST) return holds(false, measured, 'low');
      return holds(drop <= limit, measured, 'high');
    },
  }),
  rule({
    id: 'filter-soot',
    part: 'particulate-filter',
    title: 'Filter pressure against the reported soot load',
    states: ['raised', 'cruise', 'driving'],
    needs: ['filterDrop', 'soot', 'engineSpeed'],
    expected: 'little pressure with little soot, more with more',
    source:
      '{Workshop} practice: much pressure with little soot is ash or a blocked filter, none with much soot a crack or a hose off',
    toJudge: 'Read warm while holding {2,500 rpm} or at a steady speed.',
    judge: (of, w) => {
      const [drop, soot] = [of('filterDrop').mean, of('soot').mean];
      const flow = filterFlow(of('engineSpeed').mean, w);
      if (flow < 2) return null;
      // Much soot and much pressure agree; how much is too much, the rule of the pressure alone says.
      if (soot > 60 && drop > flow) return holds(true, `{${fixed(drop, 1)} kPa} with ${fixed(soot)} % soot`);
      const [low, high] = [(0.2 + 0.5 * (soot / 100)) * flow, (1.6 + 1.4 * (soot / 100)) * flow];
      return within(
        drop,
        low,
        high,
        `{${fixed(drop, 1)} kPa} with ${fixed(soot)} % soot, expected {${fixed(low, 1)} to ${fixed(high, 1)} kPa}`,
      );
    },
  }),
  rule({
    id: 'exhaust-heat-possible',
    title: 'Exhaust temperature is possible',
    states: ANY,
    needs: ['exhaustHeat'],
    expected: `{−${-POSSIBLE_EXHAUST.low} to ${POSSIBLE_EXHAUST.high} °C}`,
    source: 'Open circuits read the end of the scale',
    toJudge: 'Read once with the ignition on.',
    judge: (of) => {
      const t = of('exhaustHeat').mean;
      const measured = `{${fixed(t)} °C}`;
      return t < POSSIBLE_EXHAUST.low || t > POSSIBLE_EXHAUST.high
        ? { verdict: 'impossible', measured }
        : { verdict: 'sound', measured };
    },
  }),
  rule({
    id: 'filter-heat',
    part: 'particulate-filter',
    title: 'Heat before and after agree cold',
    states: ['key-on'],
    needs: ['exhaustHeat', 'filterHeat', 'coolant'],
    expected: `within {${COLD_SENSORS_AGREE} K} of each other, cold`,
    source: 'After a night everything is as warm as the air',
    toJudge: 'Read before the first start of the day.',
    judge: (of) => {
      if (of('coolant').mean > 40) return null;
      const [a, b] = [of('exhaustHeat').mean, of('filterHeat').mean];
      return holds(Math.abs(a - b) <= COLD_SENSORS_AGREE, `{${fixed(a)} and ${fixed(b)} °C}`);
    },
  }),
] as const;
