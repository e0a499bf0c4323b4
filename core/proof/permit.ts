import type { CarIdentity } from '@pincer/core/link';
import type { UnitLanguage } from '@pincer/core/obd';

/** A control unit as a module map names it. */
export interface ClearableUnit {
  name: string;
  request: string;
  answer: string;
  /** ISO 14229 where it does not say. */
  language?: UnitLanguage | undefined;
}

/** What a clear is asked for: all that the standard reaches, or one control unit of a module map. */
export type ClearTarget = { kind: 'standard' } | { kind: 'unit'; unit: ClearableUnit };

/** What a permit stands for. */
export interface PermitTerms {
  /** The complete scan whose record was read back from storage just before. */
  scanEntry: string;
  /** The stored intent of this very clear. */
  intentEntry: string;
  /** The connection that the scan was taken on; see `AdapterPort.id`. */
  connection: number;
  /** The car that answered on it just before. */
  car: CarIdentity;
  target: ClearTarget;
}

const spent = new WeakSet<ClearPermit>();

/**
 * The right to send one clear, once. Only the way to a clear gives one out (see `clear-guard.ts`): the private field
 * keeps anybody else from writing one down, and this file's face shows the type alone.
 */
class ClearPermit {
  readonly #terms: PermitTerms;

  constructor(terms: PermitTerms) {
    this.#terms = terms;
  }

  get terms(): PermitTerms {
    return this.#terms;
  }

  /** Whether something is a permit that was given out, and not an object that looks like one. */
  static isGenuine(permit: unknown): permit is ClearPermit {
    return typeof permit === 'object' && permit !== null && #terms in permit;
  }
}
export type { ClearPermit };

/** Gives a permit out. For the way to a clear alone. */
export function grantPermit(terms: PermitTerms): ClearPermit {
  return new ClearPermit(terms);
}

/**
 * Uses a permit up.
 * @returns its terms; null when it is none, or was used before.
 */
export function usePermit(permit: ClearPermit): PermitTerms | null {
  if (!ClearPermit.isGenuine(permit) || spent.has(permit)) return null;
  spent.add(permit);
  return permit.terms;
}
