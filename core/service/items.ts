import { isMotorcycle, type Vehicle } from '@pincer/core/vehicle';

/** How often something is done; whichever comes first. Left out: only by the other. */
export interface Interval {
  km?: number | undefined;
  months?: number | undefined;
}

/** Something that is done at intervals. */
export interface ServiceItem {
  id: string;
  title: string;
  /** Usual for this vehicle; null where it has no such thing. */
  usual: (vehicle: Vehicle) => Interval | null;
  /** What being overdue is as an observation, for what it makes likelier. */
  says?: 'before:plugs-old' | 'before:service-overdue';
  /** What to look at or to know when it is due. */
  about: string;
}

const burns = ({ fuel }: Vehicle): boolean => fuel !== 'electric';
const sparks = (v: Vehicle): boolean => burns(v) && v.fuel !== 'diesel';
const hasCabin = (v: Vehicle): boolean => !isMotorcycle(v);

/**
 * Usual intervals by kind and fuel, in round figures of owner's handbooks of the last twenty years; judged, and no maker's.
 * The owner's handbook wins: its figures are typed over these.
 */
export const SERVICE_ITEMS: readonly ServiceItem[] = [
  {
    id: 'oil',
    title: 'Engine oil and filter',
    usual: (v) =>
      burns(v) ? { km: isMotorcycle(v) ? 8_000 : v.fuel === 'diesel' ? 20_000 : 15_000, months: 12 } : null,
    says: 'before:service-overdue',
    about: 'The grade stands in the {handbook}. Short trips want it sooner.',
  },
  {
    id: 'air-filter',
    title: 'Air filter',
    usual: (v) => (burns(v) ? { km: isMotorcycle(v) ? 20_000 : 45_000, months: 48 } : null),
    says: 'before:service-overdue',
    about: 'Dusty roads want it sooner.',
  },
  {
    id: 'cabin-filter',
    title: 'Cabin air filter',
    usual: (v) => (hasCabin(v) ? { km: 20_000, months: 24 } : null),
    about: 'A blocked one weakens the blower and fogs the windows.',
  },
  {
    id: 'fuel-filter',
    title: 'Fuel filter',
    usual: (v) => (v.fuel === 'diesel' ? { km: 45_000, months: 48 } : sparks(v) ? { km: 100_000 } : null),
    says: 'before:service-overdue',
    about: 'Drain water from a diesel’s filter in between, where it has a drain.',
  },
  {
    id: 'plugs',
    title: 'Spark plugs',
    usual: (v) => (sparks(v) ? { km: isMotorcycle(v) ? 20_000 : 60_000, months: 72 } : null),
    says: 'before:plugs-old',
    about: 'Old plugs wear out the coils.',
  },
  {
    id: 'timing-belt',
    title: 'Timing belt, where it has one',
    usual: (v) => (burns(v) && !isMotorcycle(v) ? { km: 120_000, months: 96 } : null),
    about: 'One that breaks ruins the engine. Chains have no interval: listen for a rattle at a cold start.',
  },
  {
    id: 'coolant',
    title: 'Coolant',
    usual: (v) => (burns(v) || hasCabin(v) ? { months: 60 } : null),
    about: 'Only the kind that the {handbook} names; kinds are not mixed.',
  },
  {
    id: 'brake-fluid',
    title: 'Brake fluid',
    usual: () => ({ months: 24 }),
    about: 'It takes up water, and boils under hard braking. Bleeding it is work for a {workshop}.',
  },
  {
    id: 'transmission-fluid',
    title: 'Automatic transmission fluid',
    usual: (v) =>
      v.gearbox && v.gearbox !== 'manual' && v.gearbox !== 'unknown' ? { km: 80_000, months: 96 } : null,
    about: 'Also where the maker calls it a fill for life.',
  },
  {
    id: 'battery',
    title: '12-volt battery: test it',
    usual: () => ({ months: 48 }),
    about: 'From its fourth year on test it before each winter.',
  },
  {
    id: 'tyres',
    title: '{Tyres}: tread, age and pressure',
    usual: () => ({ km: 10_000, months: 6 }),
    about: 'Look at the date on the wall too: after eight years rubber is hard.',
  },
  {
    id: 'chain',
    title: 'Drive chain: clean, grease, tension',
    usual: (v) => (isMotorcycle(v) ? { km: 1_000 } : null),
    about: 'Sooner after rain.',
  },
];
