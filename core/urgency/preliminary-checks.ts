import type { CaseState, LampId } from '@pincer/core/case';
import {
  CAUTIONS,
  checkById,
  type Check,
  type CheckOutcome,
  type ObservationKey,
} from '@pincer/core/knowledge';
import { isMotorcycle, type Vehicle } from '@pincer/core/vehicle';

/** Something that costs next to nothing and is worth doing before anything else. */
export interface PreliminaryCheck {
  id: string;
  title: string;
  /** Why it comes first here. */
  why: string;
  /** The check whose result can be noted at once; null where there is nothing to note. */
  check: PreliminaryTry | null;
  /** Minutes that it takes. */
  minutes: number;
}

/** How it is done and what can come of it, by the check that it is. */
export interface PreliminaryTry {
  id: string;
  how: string;
  cautions: string[];
  outcomes: Pick<CheckOutcome, 'id' | 'title'>[];
}

interface Known {
  state: CaseState;
  vehicle: Vehicle;
  isLit: (lamp: LampId) => boolean;
  isYes: (key: ObservationKey) => boolean;
}

interface PreliminaryCheckRule {
  id: string;
  title: string;
  why: string;
  check?: string;
  minutes?: number;
  when: (known: Known) => boolean;
}

const burns = ({ vehicle }: Known): boolean => vehicle.fuel !== 'electric';

/** Cheap things first, in the order in which they are offered. */
export const PRELIMINARY_CHECKS: readonly PreliminaryCheckRule[] = [
  {
    id: 'parking-brake',
    title: 'Release the parking brake fully',
    why: 'A lever one notch up lights the same light as lost brake fluid.',
    check: 'parking-brake-try',
    when: (k) => !isMotorcycle(k.vehicle) && k.isLit('brakes'),
  },
  {
    id: 'brake-fluid',
    title: 'Look at the brake fluid level',
    why: 'Low fluid means worn pads or a leak; with a leak it must not move.',
    check: 'brake-fluid-look',
    when: ({ isLit, isYes }) => isLit('brakes') || isYes('sign:long-pedal'),
  },
  {
    id: 'oil',
    title: 'Read the oil level',
    why: 'It costs nothing, and low oil ruins an engine within minutes.',
    check: 'oil-level',
    when: (k) =>
      burns(k) &&
      (k.isLit('oil') || k.isLit('engine') || k.isYes('sign:knocks') || k.isYes('sign:blue-smoke')),
  },
  {
    id: 'coolant',
    title: 'Read the coolant level, cold',
    why: 'Look at the tank from outside; leave the cap closed while it is warm.',
    check: 'coolant-level',
    when: ({ isLit, isYes }) =>
      isLit('temperature') || isYes('gauge:hot') || isYes('sign:sweet-smell') || isYes('sign:white-smoke'),
  },
  {
    id: 'fuel-cap',
    title: 'Turn the fuel cap until it clicks, and look at its seal',
    why: 'A cap left loose at the last fill-up turns the engine light on some drives later.',
    check: 'cap-look',
    when: (k) => burns(k) && k.isLit('engine') && k.isYes('before:refuelled') && k.vehicle.fuel !== 'diesel',
  },
  {
    id: 'connectors',
    title: 'Push every connector near the work fully home',
    why: 'What was touched last is usually what is loose. Check hoses and wires all round where the work was done.',
    minutes: 5,
    when: ({ isYes }) => isYes('before:worked-on') || isYes('before:unplugged'),
  },
  {
    id: 'intake-hose',
    title: 'Look into the folds of the intake hose',
    why: 'It is taken off and put back with every air filter change.',
    check: 'hose-look',
    when: (k) => burns(k) && k.isLit('engine') && k.isYes('before:worked-on'),
  },
  {
    id: 'battery',
    title: 'Check that the battery terminals are tight and clean, and measure it at rest',
    why: 'A weak battery or a loose clamp sets faults in several control units at once.',
    check: 'battery-rest',
    when: ({ isLit, isYes }) =>
      isLit('charging') ||
      isYes('before:battery') ||
      isYes('before:jump') ||
      isYes('before:long-stand') ||
      isYes('sign:no-start') ||
      isYes('gauge:lights-dim'),
  },
  {
    id: 'belt',
    title: 'Look at the drive belt',
    why: 'It drives the alternator, and often the water pump.',
    check: 'belt-look',
    when: ({ isLit, isYes }) => isLit('charging') || isYes('sign:squeals'),
  },
  {
    id: 'tyres',
    title: 'Measure all {tyres} cold',
    why: 'It is nearly always air.',
    check: 'tyre-pressures',
    when: ({ isLit, isYes }) => isLit('tyre') || isYes('sign:pulls-aside'),
  },
  {
    id: 'lock',
    title: 'Turn the steering wheel from lock to lock',
    why: 'After a {flat battery} the steering angle often has to be relearned.',
    check: 'lock-to-lock',
    when: (k) =>
      !isMotorcycle(k.vehicle) &&
      (k.isLit('stability') || k.isLit('steering')) &&
      (k.isYes('before:battery') || k.isYes('before:jump') || k.isYes('before:worked-on')),
  },
  {
    id: 'seat',
    title: 'Look under the front seats; do not touch the yellow connectors',
    why: 'Things pushed under a seat pull on the airbag connector.',
    check: 'under-seat-look',
    when: ({ isLit }) => isLit('airbag'),
  },
  {
    id: 'dry',
    title: 'Let it dry for a day before you buy anything',
    why: 'Water in a connector or spark plug well dries by itself; if the fault returns with the next rain, you know more.',
    minutes: 0,
    when: ({ isYes }) => isYes('before:washed') && (isYes('sign:shakes') || isYes('sign:wet')),
  },
  {
    id: 'handbook',
    title: 'Look the light up in the {handbook}',
    why: 'It is {in the glove box} and was written for this {car}.',
    minutes: 3,
    when: ({ isLit }) => isLit('other') || isLit('gearbox') || isLit('steering'),
  },
];

/** The cheap things worth doing first, with what is known now; those whose check has been noted are left out. */
export function preliminaryChecks(state: CaseState, vehicle: Vehicle): PreliminaryCheck[] {
  const known: Known = {
    state,
    vehicle,
    isLit: (lamp) => (state.standing.lamps.get(lamp)?.mode ?? 'out') !== 'out',
    isYes: (key) => state.standing.observations.get(key)?.answer === 'yes',
  };
  const { checks, checksNotDone } = state.standing;
  return PRELIMINARY_CHECKS.filter(
    (r) => r.when(known) && !(r.check && (checks.has(r.check) || checksNotDone.get(r.check) === 'has-none')),
  ).map((r) => {
    const check = r.check === undefined ? undefined : checkById(r.check);
    return {
      id: r.id,
      title: r.title,
      why: r.why,
      check: check ? tryOf(check) : null,
      minutes: (r.check ? check?.minutes : r.minutes) ?? 0,
    };
  });
}

const tryOf = ({ id, how, cautions, outcomes }: Check): PreliminaryTry => ({
  id,
  how,
  cautions: cautions.map((c) => CAUTIONS[c]),
  outcomes: outcomes.map((o) => ({ id: o.id, title: o.title })),
});
