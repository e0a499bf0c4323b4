import { tippingPoint } from './break-even.ts';

/** Parts of a kind that are fitted together and wear together. */
export interface WearingSet {
  /** What they are, in the plural. */
  parts: string;
  /** How many a vehicle has; null for one on each cylinder. */
  count: number | null;
  /** Weibull shape: 1 fails at random, more wears out; and the distance by which 63 % have failed, km. */
  shape: number;
  lifeKm: number;
  /** Part of the work that is there whether one is replaced or all: covers, access, the drive to try it out. */
  sharedWork: number;
}

/**
 * Sets by the cause that one of them is. Shape and life are judged from usual replacement intervals, in the form of
 * W. Weibull, A Statistical Distribution Function of Wide Applicability, J. Appl. Mech. 18 (1951), 293.
 */
export const WEARING_SETS: Readonly<Record<string, WearingSet>> = {
  coil: { parts: 'ignition coils', count: null, shape: 2, lifeKm: 220_000, sharedWork: 0.6 },
  'coil-boot': { parts: 'coil boots', count: null, shape: 2.5, lifeKm: 180_000, sharedWork: 0.6 },
  plug: { parts: 'spark plugs', count: null, shape: 4, lifeKm: 80_000, sharedWork: 0.5 },
  'glow-plug': { parts: 'glow plugs', count: null, shape: 3, lifeKm: 170_000, sharedWork: 0.4 },
  'injector-clogged': { parts: 'injectors', count: null, shape: 1.8, lifeKm: 250_000, sharedWork: 0.5 },
  'wheel-speed-sensor': {
    parts: 'wheel speed sensors',
    count: 4,
    shape: 1.3,
    lifeKm: 300_000,
    sharedWork: 0.2,
  },
};

/** Chance that a part has failed by a distance, Weibull. */
export function failedBy(km: number, { shape, lifeKm }: Pick<WearingSet, 'shape' | 'lifeKm'>): number {
  return km <= 0 ? 0 : -Math.expm1(-((km / lifeKm) ** shape));
}

/** Chance that a part which is sound at an age fails within the next distance. */
export function failsWithin(km: number, ageKm: number, set: Pick<WearingSet, 'shape' | 'lifeKm'>): number {
  const left = 1 - failedBy(ageKm, set);
  return left <= 0 ? 1 : (failedBy(ageKm + km, set) - failedBy(ageKm, set)) / left;
}

export interface SetQuestion {
  set: WearingSet;
  /** Parts in the set, the failed one counted. */
  count: number;
  /** Price of one part, and of the work for one, currency units. */
  price: number;
  work: number;
  /** Distance on the parts, and how far the owner will still drive this vehicle, km. */
  ageKm: number;
  keptKm: number;
}

export interface SetAnswer {
  /** Expected cost over the time that it is kept, currency units: now and what fails later. */
  one: { now: number; later: number; failures: number };
  all: { now: number; later: number; failures: number };
  isAllCheaper: boolean;
  /** Distance kept from which all together are the cheaper way, km; null where they never or always are. */
  tipsAtKm: number | null;
}

/** What comes back within the distance kept: each later failure costs one part and one work. A second failure of one part is left out. */
function over(
  { set, count, price, work, ageKm }: SetQuestion,
  keptKm: number,
): Pick<SetAnswer, 'one' | 'all'> {
  const [aged, fresh] = [failsWithin(keptKm, ageKm, set), failedBy(keptKm, set)];
  const failuresOne = (count - 1) * aged + fresh;
  const failuresAll = count * fresh;
  const each = price + work;
  const workAll = work * (set.sharedWork + (1 - set.sharedWork) * count);
  return {
    one: { now: each, later: failuresOne * each, failures: failuresOne },
    all: { now: count * price + workAll, later: failuresAll * each, failures: failuresAll },
  };
}

const sum = ({ now, later }: { now: number; later: number }): number => now + later;

/** Beyond this nobody keeps a vehicle, km. */
const MOST_KEPT = 400_000;

/** One part or the whole set: what both cost on average over the distance that the vehicle is kept, and where it tips. */
export function oneOrSet(question: SetQuestion): SetAnswer {
  const { one, all } = over(question, question.keptKm);
  const isAll = (km: number): boolean => {
    const then = over(question, km);
    return sum(then.all) < sum(then.one);
  };
  return { one, all, isAllCheaper: sum(all) < sum(one), tipsAtKm: tippingPoint(isAll, 0, MOST_KEPT) };
}
