import { ANY, RUNNING, fixed, holds, rule, within } from '../rule.ts';
import type { Window } from '../window.ts';

/** What flows through the filter, against a warm engine at 1,000 rpm without boost: pressure lost grows with it. */
const filterFlow = (rpm: number, { stats }: Window): number =>
  (rpm / 1_000) ** 1.3 * Math.max(1, (stats['manifold']?.mean ?? 100) / 100);

export const DIESEL_RULES = [
  rule({
    id: 'glow-command',
    title: 'Glow plugs are commanded when cold',
    states: ['key-on'],
    needs: ['glowLamp', 'coolant'],
    engines: 'diesel',
    expected: 'on for some seconds below about {15 °C}, off on a warm engine',
    source: 'Pre-glow by coolant temperature; newer engines glow below {5 to 20 °C}',
    toJudge: 'Ignition on before the first start of a cold day; record from the moment you turn the key.',
    judge: (of) => {
      const t = of('coolant').mean;
      if (t <= -38 || (t > 15 && t < 70)) return null;
      const isOn = of('glowLamp').max >= 1;
      return holds(isOn === t <= 15, `${isOn ? 'on' : 'off'} at {${fixed(t)} °C}`);
    },
  }),
  rule({
    id: 'glow-current',
    title: 'Glow plugs or intake heater draw current',
    states: ['key-on'],
    needs: ['glowLamp', 'volts'],
    engines: 'diesel',
    seconds: 20,
    expected: 'at least 0.15 V less while they heat',
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
        drawn >= 0.15,
        `${fixed(volts.first, 2)} V heating, ${fixed(volts.last, 2)} V after: ${fixed(drawn, 2)} V`,
      );
    },
  }),
  rule({
    id: 'boost-key-on',
    title: 'Boost sensor reads atmospheric pressure, engine off',
    states: ['key-on'],
    needs: ['boost'],
    expected: 'the day’s air pressure within {5 kPa}',
    source: 'There is no boost with the engine off',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of, w) => {
      const air = w.stats['airPressure']?.mean ?? w.stats['manifold']?.mean ?? 101;
      return within(
        of('boost').mean,
        air - 6,
        air + 6,
        `{${fixed(of('boost').mean)} kPa}, air {${fixed(air)} kPa}`,
      );
    },
  }),
  rule({
    id: 'boost-follows',
    title: 'Boost follows its target',
    states: ['driving', 'cruise', 'raised'],
    needs: ['boost', 'boostTarget', 'boostGap'],
    expected: 'within 12 % of what is asked for under load',
    source: 'Control units set a code at about 20 % for some seconds',
    toJudge: 'Record a climb in third or fourth gear; a passenger watches.',
    judge: (of) => {
      // With little asked for, leaks hardly show.
      if (of('boostTarget').mean < 130) return null;
      const gap = of('boostGap').mean;
      return within(
        gap,
        -12,
        12,
        `{${fixed(of('boost').mean)} kPa}, asked for {${fixed(of('boostTarget').mean)} kPa}: ${fixed(gap)} %`,
      );
    },
  }),
  rule({
    id: 'egr-follows',
    title: 'EGR valve follows its command',
    states: RUNNING,
    needs: ['egrActual', 'egrCommand', 'egrGap'],
    expected: 'within 12 % of its command',
    source: 'Control units set a code at 15 to 20 %',
    toJudge: 'Read warm at idle, then at a steady speed.',
    judge: (of) =>
      within(
        of('egrGap').mean,
        -12,
        12,
        `${fixed(of('egrActual').mean)} %, asked for ${fixed(of('egrCommand').mean)} %`,
      ),
  }),
  rule({
    id: 'egr-error',
    title: 'EGR error is small',
    states: RUNNING,
    needs: ['egrError', 'egrCommand'],
    expected: 'within ±40 % of the command',
    source: 'The reading is (actual − commanded) / commanded; it means nothing with nothing commanded',
    toJudge: 'Read warm, while EGR is commanded.',
    judge: (of) => {
      if (of('egrCommand').mean < 5) return null;
      return within(
        of('egrError').mean,
        -40,
        40,
        `${fixed(of('egrError').mean)} % with ${fixed(of('egrCommand').mean)} % commanded`,
      );
    },
  }),
  rule({
    id: 'filter-zero',
    title: 'Filter pressure difference is zero, engine off',
    states: ['key-on'],
    needs: ['filterDrop'],
    expected: 'within {0.5 kPa} of zero',
    source: 'Without flow no pressure is lost',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of) => within(of('filterDrop').mean, -0.5, 0.5, `{${fixed(of('filterDrop').mean, 1)} kPa}`),
  }),
  rule({
    id: 'filter-pressure',
    title: 'Filter pressure against flow',
    states: ['idle-warm', 'raised', 'cruise', 'driving'],
    needs: ['filterDrop', 'engineSpeed'],
    expected: 'up to {2 kPa} at idle, growing with flow; {8 kPa} at 2,500 rpm without load',
    source:
      '{Workshop} practice: soot and ash raise it; near nothing at speed means a cracked filter or hose',
    toJudge: 'Read warm at idle and while holding 2,500 rpm.',
    judge: (of, w) => {
      const drop = of('filterDrop').mean;
      const rpm = of('engineSpeed').mean;
      const limit = 2.4 * filterFlow(rpm, w);
      const measured = `{${fixed(drop, 1)} kPa} at ${fixed(rpm)} rpm, limit {${fixed(limit, 1)} kPa}`;
      if (rpm > 2_000 && drop < 0.3) return holds(false, measured, 'low');
      return holds(drop <= limit, measured, 'high');
    },
  }),
  rule({
    id: 'filter-soot',
    title: 'Filter pressure against the reported soot load',
    states: ['raised', 'cruise', 'driving'],
    needs: ['filterDrop', 'soot', 'engineSpeed'],
    expected: 'little pressure with little soot, more with more',
    source:
      '{Workshop} practice: much pressure with little soot is ash or a blocked filter, none with much soot a crack or a hose off',
    toJudge: 'Read warm while holding 2,500 rpm or at a steady speed.',
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
    expected: '{−30 to 900 °C}',
    source: 'Open circuits read the end of the scale',
    toJudge: 'Read once with the ignition on.',
    judge: (of) => {
      const t = of('exhaustHeat').mean;
      const measured = `{${fixed(t)} °C}`;
      return t < -30 || t > 900 ? { verdict: 'impossible', measured } : { verdict: 'sound', measured };
    },
  }),
  rule({
    id: 'filter-heat',
    title: 'Heat before and after agree cold',
    states: ['key-on'],
    needs: ['exhaustHeat', 'filterHeat', 'coolant'],
    expected: 'within {30 K} of each other and of the engine, cold',
    source: 'After a night everything is as warm as the air',
    toJudge: 'Read before the first start of the day.',
    judge: (of) => {
      if (of('coolant').mean > 40) return null;
      const [a, b] = [of('exhaustHeat').mean, of('filterHeat').mean];
      return holds(Math.abs(a - b) <= 30, `{${fixed(a)} and ${fixed(b)} °C}`);
    },
  }),
] as const;
