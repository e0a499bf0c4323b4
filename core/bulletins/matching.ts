import type { Vehicle } from '@pincer/core/vehicle';
import type { Bulletin } from './bulletin.ts';

/** What is asked for: nothing in it names the owner or the one vehicle. */
export interface BulletinQuery {
  /** Make and model in the owner's words. */
  name: string;
  year: number | null;
  fuel: Vehicle['fuel'];
  litres: number | null;
  codes: string[];
  calibrations: string[];
}

/** A bulletin that is about this vehicle, and why. */
export interface BulletinMatch {
  bulletin: Bulletin;
  /** Codes and calibrations that it names and that were read. */
  codes: string[];
  calibrations: string[];
}

/** What a service is asked, with neither plate nor vehicle number nor place. */
export function queryOf(
  { name, year, fuel, displacementLitres }: Vehicle,
  codes: readonly string[],
  calibrations: readonly string[],
): BulletinQuery {
  return {
    name,
    year: year ?? null,
    fuel,
    litres: displacementLitres ?? null,
    codes: [...new Set(codes)].sort(),
    calibrations: [...new Set(calibrations)].sort(),
  };
}

/** Engine sizes are rounded to a tenth on every badge. */
const LITRES_OFF = 0.06;

/** Whether it is about such a vehicle. What is not known of the vehicle rules nothing out; a code or calibration that it names has to be there. */
function isAbout({ for: about, codes, calibrations }: Bulletin, query: BulletinQuery): boolean {
  const words = query.name.toLowerCase().split(/[^\p{L}\p{N}.]+/u);
  if (!about.words.every((w) => words.includes(w.toLowerCase()))) return false;
  const { year, litres } = query;
  if (year !== null && (year < (about.fromYear ?? year) || year > (about.toYear ?? year))) return false;
  if (about.fuel !== undefined && query.fuel !== 'unknown' && about.fuel !== query.fuel) return false;
  if (about.litres !== undefined && litres !== null && Math.abs(about.litres - litres) > LITRES_OFF)
    return false;
  const names = [...codes, ...calibrations];
  const read = new Set([...query.codes, ...query.calibrations]);
  return names.length === 0 || names.some((n) => read.has(n));
}

/** Bulletins about this vehicle; recalls first, then those that name what was read, then the newest. */
export function matchBulletins(bulletins: readonly Bulletin[], query: BulletinQuery): BulletinMatch[] {
  return bulletins
    .filter((b) => isAbout(b, query))
    .map((bulletin) => ({
      bulletin,
      codes: bulletin.codes.filter((c) => query.codes.includes(c)),
      calibrations: bulletin.calibrations.filter((c) => query.calibrations.includes(c)),
    }))
    .sort(
      (a, b) =>
        Number(b.bulletin.kind === 'recall') - Number(a.bulletin.kind === 'recall') ||
        b.codes.length + b.calibrations.length - a.codes.length - a.calibrations.length ||
        b.bulletin.date.localeCompare(a.bulletin.date),
    );
}
