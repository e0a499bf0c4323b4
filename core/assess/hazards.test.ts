import {
  CAUSES,
  CAUTIONS,
  CHECKS,
  cautionsOf,
  procedureOf,
  type CautionId,
  type Procedure,
} from '@pincer/core/knowledge';
import { GUIDED_STEPS } from '@pincer/core/signals';

/** Everything that an owner may be told to do, with the cautions that stand beside it. */
interface Work {
  id: string;
  text: string;
  cautions: readonly CautionId[];
  isLicensed: boolean;
  needsDriving: boolean;
}

/** Everything that a procedure tells to do. */
const spoken = ({ steps, beforeCovers, stuck, afterwards }: Procedure): string[] => [
  ...steps.map((s) => s.text),
  ...beforeCovers,
  ...(stuck === undefined ? [] : [stuck]),
  ...afterwards,
];

const WORK: readonly Work[] = [
  ...CHECKS.map((c): Work => ({
    id: `check ${c.id}`,
    text: `${c.title} ${c.how}`,
    cautions: c.cautions,
    isLicensed: false,
    needsDriving: c.needsDriving ?? false,
  })),
  ...CAUSES.map((c): Work => ({
    id: `repair ${c.id}`,
    text: `${c.title}. ${c.repair.title}. ${spoken(procedureOf(c)).join(' ')}`,
    cautions: cautionsOf(c),
    isLicensed: c.repair.isLicensed ?? false,
    needsDriving: false,
  })),
];

interface Hazard {
  caution: CautionId;
  /** Work whose text says so has the hazard. */
  has: RegExp;
  /** It has it not, although it says so: only looked at, read off the control unit, or left to others. */
  except?: RegExp;
  /** Nothing but such work may carry the caution. */
  only: RegExp;
}

const HAZARDS: readonly Hazard[] = [
  {
    caution: 'exhaust-gas',
    has: /\b(idling|let it idle|while it idles|engine running|running engine|start the engine|at idle|2,500 rpm|5,000 rpm|a helper revs|while revving|run the engine|engine on)\b/i,
    only: /\b(idl\w+|run\w*|start\w*|rpm|revs?|revving|engine on|outdoors|exhaust|tailpipe|crank\w*|rattle|LPG|stops|switches off|voltage|warm|warmed)\b/i,
  },
  {
    caution: 'moving-parts',
    has: /(?=.*\b(idling|while it idles|engine running)\b)(?=.*\b(belts?|fan|pulleys?)\b)/i,
    only: /./,
  },
  {
    caution: 'petrol',
    has: /\b(release the (fuel )?pressure|lift the rail|low-pressure side|fuel pump fuse)\b/i,
    only: /fuel|petrol|tank|injector|rail|purge|pump|vapour|canister|filler|octane|grade/i,
  },
  {
    caution: 'fuel-vapour',
    has: /\b(canister (out|off)|lid (over|above) the tank|tank’s lid|filler neck|tank cap open|inhale fuel|purge hoses? off)\b/i,
    except: /smoke machine/i,
    only: /fuel|tank|purge|vent valve|canister|EVAP|filler|hose|cap/i,
  },
  {
    caution: 'rail-pressure',
    has: /\b(rail pressure sensor|high-pressure pump|leak-off|pressure control valve|injection lines?|high-pressure lines)\b/i,
    except: /Compare rail pressure|rail pressure should read|must pass the lowest/i,
    only: /rail|injector|injection|high-pressure|pressure control/i,
  },
  {
    caution: 'coolant',
    has: /\b(catch the coolant|radiator hose|coolant temperature sensor|fill(ed)? and bleed|bleed the cooling)\b/i,
    only: /coolant|radiator|cooling|head gasket|thermostat|heater|water pump/i,
  },
  {
    caution: 'refrigerant',
    has: /\b(refrigerant|system charged|A\/C pressure sensor)\b/i,
    except: /readings should show|is normal\./i,
    only: /air.condition|A\/C|refrigerant/i,
  },
  {
    caution: 'high-voltage',
    has: /\b(orange|READY)\b/,
    only: /orange|high-voltage|hybrid|READY|electric|charg|battery block|engine as it starts|motor|inverter|engine mount/i,
  },
  {
    caution: 'airbag',
    has: /\b(airbags?|yellow connectors?|clock spring|belt buckle|seat mat)\b/i,
    only: /airbag|yellow|seat|belt|column|steering wheel|horn|console|ignition (lock|switch)|crash/i,
  },
  {
    caution: 'jacking',
    has: /\b(on stands|on a stand|wheel off the ground|car safe on stands|under the car)\b/i,
    only: /./,
  },
  {
    caution: 'dry-grass',
    has: /\b(regenerat\w+ drive|20 minutes or more at a steady|twenty minutes at a steady)/i,
    only: /particulate|regenerat|steady/i,
  },
];

describe.each(HAZARDS)('$caution', ({ caution, has, except, only }) => {
  test('none lacks it', () => {
    const lacking = WORK.filter(
      (w) =>
        has.test(w.text) &&
        !(except?.test(w.text) ?? false) &&
        !w.isLicensed &&
        !w.cautions.includes(caution) &&
        // On the road the engine runs outdoors, and nobody reaches into it.
        !(w.needsDriving && (caution === 'exhaust-gas' || caution === 'moving-parts')),
    );
    expect(lacking.map((w) => w.id)).toEqual([]);
    // A hazard that nothing has would be shown by nothing.
    expect(WORK.filter((w) => w.cautions.includes(caution)).length).toBeGreaterThan(2);
  });

  test('none carries it for nothing', () => {
    expect(WORK.filter((w) => w.cautions.includes(caution) && !only.test(w.text)).map((w) => w.id)).toEqual(
      [],
    );
  });
});

test('whoever drives does not read: said at every check on the road, and at none that is not', () => {
  expect(WORK.filter((w) => w.needsDriving && !w.cautions.includes('driving')).map((w) => w.id)).toEqual([]);
  expect(
    WORK.filter((w) => w.cautions.includes('driving') && !w.needsDriving && !/driv/i.test(w.text)).map(
      (w) => w.id,
    ),
  ).toEqual([]);
});

test('guided watching: a running engine, moving parts and driving have their caution', () => {
  const caution = Object.fromEntries(GUIDED_STEPS.map((s) => [s.id, s.caution ?? '']));
  expect(caution['idle-until-warm']).toMatch(/exhaust/i);
  expect(caution['hold-2500']).toMatch(/belts and fan/);
  expect(caution['rev-and-release']).toMatch(/warm engine/);
  expect(caution['steady-cruise']).toMatch(/passenger/);
});

test('what certified people alone may do is never a repair by the owner', () => {
  const own = WORK.filter((w) => w.id.startsWith('repair') && !w.isLicensed);
  const FORBIDDEN =
    /\b(open the air-conditioning|recharge|airbag comes off|takes? the airbag|brake hydraulics|high-pressure lines come off)\b/i;
  expect(own.filter((w) => FORBIDDEN.test(w.text)).map((w) => w.id)).toEqual([]);
  for (const id of ['airbag', 'high-voltage', 'refrigerant'] as const)
    expect(CAUTIONS[id]).toMatch(/certified.*local rule/i);
});
