import { NO_SOURCE, ScanBuilder, emptyScan, type Scan, isStandardAnswerId } from '@pincer/core/obd';
import { addressAll } from './addressing.ts';
import { REQUEST_MS, namesSenders, type Connection, type LinkOptions } from './connection.ts';
import type { LinkFault } from './faults.ts';
import { sendRequest, type Heard } from './request.ts';
import { hasEveryLine } from './whole-lines.ts';

/** What tells one car from another at the socket. */
export interface CarIdentity {
  vin: string | null;
  /** Ids of the control units of the standard that answer, sorted. */
  units: string[];
  /** Calibration ids of all of them, sorted. */
  calibrationIds: string[];
}

/** Times that a question for the identity is asked while its answer is damaged or does not come. */
const TRIES = 3;

/** The identity that a scan holds. Units of a module map are left out: they are only there when they are asked for. */
export function identityOf(scan: Scan): CarIdentity {
  const standard = (unit: string) =>
    isStandardAnswerId(unit) || /^[0-9A-F]{2}$/.test(unit) || unit === NO_SOURCE;
  return {
    vin: scan.vin ?? null,
    units: [...new Set(scan.parts.map((p) => p.unit).filter(standard))].sort(),
    calibrationIds: scan.identities.flatMap((i) => i.calibrationIds).sort(),
  };
}

const isSameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((x, i) => x === b[i]);

/**
 * Whether two identities are of one car: by the vehicle number where both have it, else by the units that answer and
 * their calibration ids. A number that only one of them has decides nothing, so it does not count as the same.
 */
export function isSameCar(a: CarIdentity, b: CarIdentity): boolean {
  if (a.vin !== null || b.vin !== null) return a.vin === b.vin;
  return a.units.length > 0 && isSameList(a.units, b.units) && isSameList(a.calibrationIds, b.calibrationIds);
}

/**
 * Asks the car in the socket who it is: which units answer, their vehicle number, and where they tell none, their
 * calibration ids. Nothing is changed in the car.
 */
export async function identifyCar(
  connection: Connection,
  { signal }: LinkOptions = {},
): Promise<{ ok: true; car: CarIdentity } | { ok: false; fault: LinkFault }> {
  if (!(await addressAll(connection))) return { ok: false, fault: { code: 'silent', waitedMs: REQUEST_MS } };
  const scan = emptyScan();
  const builder = new ScanBuilder(scan);
  const units = new Set<string>();
  // A unit that is lost with a line end would make another car of this one.
  const isEach = (request: string, heard: Heard) =>
    !namesSenders(connection) || hasEveryLine(heard, request === '0100' ? connection.heardFirst : []);
  const ask = async (request: string): Promise<LinkFault | null> => {
    for (let tries = 1; ; tries++) {
      const heard = await sendRequest(connection, request, { timeoutMs: REQUEST_MS, signal });
      if (heard.fault) return heard.fault;
      const isClean = heard.damage.length === 0 && heard.answers.length > 0 && isEach(request, heard);
      if (!isClean && tries < TRIES) continue;
      for (const answer of heard.answers) {
        units.add(answer.source);
        builder.add(answer);
      }
      return null;
    }
  };
  const fault = (await ask('0100')) ?? (await ask('0902'));
  if (fault) return { ok: false, fault };
  builder.finish();
  if (scan.vin === undefined) {
    const later = await ask('0904');
    if (later) return { ok: false, fault: later };
    builder.finish();
  }
  if (units.size === 0) return { ok: false, fault: { code: 'unable-to-connect' } };
  const { vin, calibrationIds } = identityOf(scan);
  return { ok: true, car: { vin, units: [...units].sort(), calibrationIds } };
}
