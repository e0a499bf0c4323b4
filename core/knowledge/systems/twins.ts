import type { CautionId } from '../cautions.ts';
import type { Cause, Check } from '../types.ts';
import { look } from './shared.ts';

/** What can fail beside a part so that the same code is set, and wants another repair: its wire, its hose, its relay. */
interface Twin {
  /** The part's cause, and its title where the part alone is meant. */
  of: string;
  title: string;
  twin: { id: string; title: string; repair: string; parts: number; minutes: number; steps: readonly string[] };
  /** Share of what both have in common that is the twin. Judged: connectors and wires are the more common of the two. */
  share: number;
  cautions: readonly CautionId[];
  /** Checks that show the twin and not the part; and that show the part and not the twin. All others show both alike. */
  twinChecks: readonly string[];
  partChecks: readonly string[];
  /** Checks that speak of the twin and not of the part: P(found | twin), by check. */
  twinGiven?: Readonly<Record<string, number>>;
  /** Whether a code names the part, so that the checks of “the part named by the code” are of it. A lamp alone names none. */
  isNamed: boolean;
}

/**
 * A wire with its connector, of a sensor. The switch of the oil warning stays whole: its cheap wire would come before the oil
 * level and the pressure, which decide whether the engine lives.
 */
const wire = (
  of: string,
  title: string,
  part: string,
  share: number,
  { looks = [], measured = [], cautions = ['cold-engine'], isNamed = true }: {
    looks?: readonly string[];
    measured?: readonly string[];
    cautions?: readonly CautionId[];
    isNamed?: boolean;
  } = {},
): Twin => ({
  of,
  title,
  twin: {
    id: `${of}-wire`,
    title: `Wiring or connector of the ${part} faulty`,
    repair: `Repair the wiring or connector of the ${part}`,
    parts: 5,
    minutes: 45,
    steps: [
      `Switch the ignition off, unplug the ${part}, and look for green, bent or pushed-back pins.`,
      'Clean the pins with contact cleaner, let them dry, and straighten what is bent.',
      'Follow the wire from there: where it rubs or gets hot, repair it with a crimped sleeve under heat-shrink tube.',
      'Push the connector on until it clicks, and read the value again before anything is cleared.',
    ],
  },
  share,
  cautions,
  twinChecks: looks,
  partChecks: measured,
  isNamed,
});

/** Another part, or the like, beside a part. */
const beside = (
  of: string,
  title: string,
  twin: Twin['twin'],
  share: number,
  cautions: readonly CautionId[],
  checks: Partial<Pick<Twin, 'twinChecks' | 'partChecks' | 'twinGiven'>> = {},
): Twin => ({ of, title, twin, share, cautions, twinChecks: [], partChecks: [], isNamed: false, ...checks });

const TWINS: readonly Twin[] = [
  wire('knock-sensor', 'Knock sensor faulty', 'knock sensor', 0.5, { looks: ['knock-plug'] }),
  wire('iat-failed', 'Intake air temperature sensor faulty', 'intake air temperature sensor', 0.45, {
    measured: ['iat-ohms'],
  }),
  wire('coolant-sensor', 'Coolant temperature sensor faulty', 'coolant temperature sensor', 0.4, {
    cautions: ['cold-engine', 'coolant'],
  }),
  wire('boost-sensor', 'Boost pressure sensor faulty or sooted', 'boost pressure sensor', 0.4, {
    looks: ['charge-sensor-look'],
  }),
  wire('rail-sensor', 'Fuel rail pressure sensor faulty', 'fuel rail pressure sensor', 0.45, {
    looks: ['rail-plug-look', 'injector-loom-look'],
    cautions: ['cold-engine', 'rail-pressure'],
  }),
  wire('tank-sensor', 'Fuel tank pressure sensor faulty', 'fuel tank pressure sensor', 0.45, {
    looks: ['tank-sensor-volts'],
    cautions: ['petrol', 'fuel-vapour'],
  }),
  wire('fuel-sender', 'Fuel level sender worn', 'fuel level sender', 0.35, {
    measured: ['sender-ohms'],
    cautions: ['petrol', 'fuel-vapour'],
  }),
  wire('water-sensor', 'Water-in-fuel sensor faulty', 'water-in-fuel sensor', 0.5, { looks: ['water-plug-look'] }),
  wire('oil-heat-sensor', 'Oil temperature sensor faulty', 'oil temperature sensor', 0.4),
  wire('speed-sensor', 'Vehicle speed sensor faulty', 'vehicle speed sensor', 0.45, {
    looks: ['speed-plug'],
    cautions: ['jacking'],
  }),
  wire('wheel-speed-sensor', 'Wheel speed sensor faulty', 'wheel speed sensor', 0.45, {
    looks: ['wheel-wire-look'],
    measured: ['wheel-sensor-ohms'],
    cautions: ['jacking'],
  }),
  wire('ac-sensor', 'A/C pressure or evaporator temperature sensor faulty', 'A/C pressure sensor', 0.4, {
    looks: ['ac-plug-look'],
    cautions: ['moving-parts', 'refrigerant'],
  }),
  beside(
    'ignition-module',
    'Ignition module faulty',
    {
      id: 'module-ground-bad',
      title: 'Ground of the ignition module faulty',
      repair: 'Clean the ignition module’s ground',
      parts: 2,
      minutes: 25,
      steps: [
        'Switch the ignition off, and find the module’s ground: its own screws, or a wire to the body.',
        'Take it off, brush both faces bright, and screw it on tight.',
        'Measure it again with the ignition on: under a tenth of a volt to battery negative is right.',
      ],
    },
    0.35,
    ['battery', 'high-tension'],
    { twinChecks: ['module-ground'], partChecks: ['module-warm', 'crank-heat'] },
  ),
  beside(
    'distributor-pickup',
    'Distributor pick-up faulty',
    {
      id: 'distributor-cap',
      title: 'Distributor cap or rotor cracked or burnt',
      repair: 'Fit a new distributor cap and rotor',
      parts: 28,
      minutes: 35,
      steps: [
        'Switch the ignition off, and mark every lead with its place on the cap.',
        'Take the cap and the rotor off, and look for damp in the distributor.',
        'Fit the new rotor, then the cap until its clips hold, and the leads in their places.',
      ],
    },
    0.55,
    ['high-tension', 'cold-engine'],
    { twinChecks: ['distributor-open', 'leads-dark'], partChecks: ['pickup-ohms'] },
  ),
  beside(
    'fuel-heater',
    'Fuel heater faulty',
    {
      id: 'fuel-heat-sensor',
      title: 'Fuel temperature sensor faulty',
      repair: 'Fit a new fuel temperature sensor',
      parts: 32,
      minutes: 40,
      steps: [
        'Let the engine cool, and catch what drips in a rag: nothing may run onto hot parts.',
        'Unplug the sensor, look at its pins, and unscrew it.',
        'Fit the new one with a new ring, plug it in, and look for drips with the engine idling.',
      ],
    },
    0.5,
    ['cold-engine', 'petrol', 'exhaust-gas'],
  ),
  beside(
    'ac-clutch',
    'A/C compressor clutch does not engage: its coil or its gap',
    {
      id: 'ac-relay',
      title: 'A/C compressor relay or its fuse faulty',
      repair: 'Replace the A/C relay or its fuse',
      parts: 12,
      minutes: 15,
      steps: [
        'Switch the ignition off, and find fuse and relay by the {handbook}’s fuse page.',
        'Look at the fuse, and swap the relay with one of the same number that another circuit can spare.',
        'Start the engine outdoors and switch the air conditioning on: listen for the click.',
      ],
    },
    0.45,
    ['battery', 'refrigerant', 'moving-parts', 'exhaust-gas'],
  ),
  wire('lamp-output', 'Bulb of a dashboard light dead', 'dashboard light', 0.4, {
    looks: ['lamp-wire-measure'],
    cautions: ['battery'],
    isNamed: false,
  }),
  beside(
    'starter',
    'Starter motor worn',
    {
      id: 'starter-cable',
      title: 'Cable or terminal of the starter corroded',
      repair: 'Clean or replace the starter’s cable',
      parts: 12,
      minutes: 45,
      steps: [
        'Take the cable off the negative terminal of the battery before you touch the thick cable.',
        'Brush both ends of the thick cable bright, and its ground between engine and body too.',
        'Screw everything tight, put the negative cable back, and have a helper crank.',
      ],
    },
    0.35,
    ['battery', 'jacking'],
    { twinGiven: { 'starter-volts': 0.6 } },
  ),
  {
    of: 'evap-hose',
    title: 'EVAP hose leaks',
    twin: {
      id: 'canister-cracked',
      title: 'Charcoal canister cracked',
      repair: 'Replace the charcoal canister',
      parts: 95,
      minutes: 70,
      steps: [
        'Let it cool, and raise the {car} onto {axle stands} where the canister sits under it.',
        'Mark its hoses and pull them off: keep flames and sparks away, for it holds fuel {vapour}.',
        'Fit the new one with new clips, and have the self-check run on a drive before anything is believed.',
      ],
    },
    share: 0.25,
    cautions: ['petrol', 'fuel-vapour', 'jacking'],
    twinChecks: [],
    partChecks: [],
    isNamed: false,
  },
  wire('shutoff-valve', 'Fuel shut-off valve stuck', 'fuel shut-off valve', 0.4, {
    measured: ['valve-coil-ohms'],
  }),
  {
    of: 'map-failed',
    title: 'Manifold pressure sensor faulty',
    twin: {
      id: 'map-hose',
      title: 'Hose of the manifold pressure sensor off, split or blocked',
      repair: 'Replace the hose of the manifold pressure sensor',
      parts: 6,
      minutes: 20,
      steps: [
        'Switch the engine off and let it cool. Follow the thin hose from the sensor to the intake manifold.',
        'Pull it off at both ends, and blow through it: it must be free, soft and without a crack.',
        'Cut a new one of the same bore to length, and push it home on both ends.',
      ],
    },
    share: 0.3,
    cautions: ['cold-engine', 'vacuum-hose'],
    twinChecks: ['hose-follow'],
    partChecks: [],
    isNamed: false,
  },
  {
    of: 'glow-plug',
    title: 'A glow plug failed',
    twin: {
      id: 'glow-relay',
      title: 'Glow plug relay, its fuse or its wire faulty',
      repair: 'Replace the glow plug relay or its fuse',
      parts: 45,
      minutes: 40,
      steps: [
        'Switch the ignition off, and take the cable off the negative terminal of the battery.',
        'Find the relay by the diagram, and look at its fuse, its contacts and the joints of its thick wires.',
        'Fit a relay of the same number, and put the cable back.',
        'Measure the voltage at a glow plug while a helper switches the ignition on: it must be the battery’s.',
      ],
    },
    share: 0.3,
    cautions: ['battery', 'cold-engine'],
    twinChecks: ['glow-feed'],
    partChecks: ['glow-ohms'],
    isNamed: false,
  },
];

const byPart = new Map(TWINS.map((t) => [t.of, t]));

/** Circumstances in which a connector or a wire is the likelier of the two, P(circumstance | wire). */
const OF_WIRES: Cause['effects'] = { 'before:worked-on': 0.3, 'before:washed': 0.15, 'sign:wet': 0.2 };

/** The causes with those that stand beside a part split off: the part keeps what is left of the prior. */
export function withTwins(causes: readonly Cause[]): Cause[] {
  return causes.flatMap((c) => {
    const found = byPart.get(c.id);
    if (!found) return [c];
    const { twin, share, title, cautions } = found;
    const { id, repair, parts, minutes, steps } = twin;
    const beside: Cause = {
      ...c,
      id,
      title: twin.title,
      prior: c.prior * share,
      effects: { ...c.effects, ...OF_WIRES },
      repair: {
        title: repair,
        parts,
        ownerMinutes: minutes,
        shopMinutes: Math.round(minutes * 0.9),
        tools: ['hand-tools', 'multimeter'],
        cautions,
        steps,
      },
    };
    return [{ ...c, title, prior: c.prior * (1 - share) }, beside];
  });
}

/** Checks of any connector, wire and part: which of the two each shows, and P(found | that one). */
const GENERAL: ReadonlyMap<string, { shows: 'wire' | 'part'; found: number }> = new Map([
  ['named-plug-look', { shows: 'wire', found: 0.5 }],
  ['named-wiggle', { shows: 'wire', found: 0.5 }],
  ['named-measure', { shows: 'part', found: 0.75 }],
]);

/** A check of the glow plugs' supply, which tells the relay from the plugs. */
const GLOW_FEED = look('glow-feed', 'Measure the voltage at a glow plug at key-on', 'diesel', 10, 'Engine cold, meter between a glow plug’s terminal and the engine: have a helper switch the ignition on. Battery voltage for some seconds is normal.', ['Battery voltage', 'Relay, fuse and wire work: the plugs remain.'], ['Nothing, or far less', 'The relay, its fuse or its wire is at fault.'], { 'glow-relay': 0.9 }, { tools: ['multimeter'], cautions: ['battery', 'cold-engine'] });

/** A relay that another can stand in for. */
const AC_RELAY_SWAP = look(
  'ac-relay-swap',
  'Swap the A/C relay with an identical one',
  'electrical',
  10,
  'Ignition off: find the A/C relay by the fuse page, and swap it with one of the same number that another circuit can spare for a minute. Start the engine outdoors and switch the air conditioning on.',
  ['As before', 'The relay is not the cause.'],
  ['It clicks and cools now', 'The relay is the cause.'],
  { 'ac-relay': 0.75 },
  { cautions: ['battery', 'exhaust-gas', 'moving-parts'] },
);

/** The checks, each of which now tells a part from what stands beside it, or shows both alike. */
export function withTwinChecks(checks: readonly Check[]): Check[] {
  const byCheck = new Map<string, Twin[]>();
  for (const twin of TWINS)
    for (const check of [...twin.twinChecks, ...Object.keys(twin.twinGiven ?? {})])
      byCheck.set(check, [...(byCheck.get(check) ?? []), twin]);
  const told = checks.map((check) => {
    const general = GENERAL.get(check.id);
    const concerned = new Set([
      ...(byCheck.get(check.id) ?? []),
      ...Object.keys(check.given).flatMap((part) => byPart.get(part) ?? []),
    ]);
    if (!general && concerned.size === 0) return check;
    const given = { ...check.given };
    for (const { of, twin, twinChecks, partChecks, isNamed, twinGiven } of TWINS.filter(
      (t) => concerned.has(t) || (general && t.isNamed),
    )) {
      const own = twinGiven?.[check.id];
      if (own !== undefined) given[twin.id] = [1 - own, own];
      if (general && isNamed) {
        given[general.shows === 'wire' ? twin.id : of] = [1 - general.found, general.found];
        continue;
      }
      const both = check.given[of];
      if (twinChecks.includes(check.id)) {
        if (both) given[twin.id] = both;
        given[of] = check.otherwise;
      } else if (both && !partChecks.includes(check.id)) given[twin.id] = both;
    }
    // Where it would show nothing of it, the check has nothing to do with the cause.
    const said = Object.entries(given).filter(([, p]) => p !== check.otherwise);
    return { ...check, given: Object.fromEntries(said) };
  });
  return [...told, GLOW_FEED, AC_RELAY_SWAP];
}
