import type { MonitorId } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';

/** How many self-checks may be open, by fuel and model year. */
interface Readiness {
  fuel: 'spark' | 'diesel';
  /** First and last model year; left out, no end. */
  from: number;
  to?: number;
  /** How many may be open. */
  open: number;
  /** Only these may be; left out, any. */
  only?: readonly MonitorId[];
}

/** A permanent code counts until the memory has been empty for so long. */
interface PermanentRule {
  from: number;
  warmUps: number;
  km: number;
}

/** How an inspection looks at the on-board diagnostics. */
export interface InspectionRule {
  title: string;
  /** Whether the socket is read; else only the light is looked at. */
  isRead: boolean;
  readiness: readonly Readiness[];
  permanent: PermanentRule | null;
  source: string;
  /** When this was last looked up, ISO date. */
  asOf: string;
}

/**
 * Three kinds of rule that are common. None of them is anybody’s law: the local rule wins, and each says when it was looked up.
 */
export const INSPECTION_RULES = {
  count: {
    title: 'Socket read, a number of self-checks may be open',
    isRead: true,
    readiness: [
      { fuel: 'spark', from: 1996, to: 2000, open: 2 },
      { fuel: 'spark', from: 2001, open: 1 },
      { fuel: 'diesel', from: 1997, to: 2000, open: 2 },
      { fuel: 'diesel', from: 2001, open: 1 },
    ],
    permanent: null,
    source: 'Common rule of American states after the federal guidance of 2001 (40 CFR 85.2222)',
    asOf: '2026-06-01',
  },
  strict: {
    title: 'Socket read, hardly any self-check may be open',
    isRead: true,
    readiness: [
      { fuel: 'spark', from: 1996, to: 1999, open: 1 },
      { fuel: 'spark', from: 2000, open: 1, only: ['evaporative'] },
      { fuel: 'diesel', from: 1998, to: 2006, open: 0 },
      { fuel: 'diesel', from: 2007, open: 2, only: ['nmhc-catalyst', 'particulate-filter'] },
    ],
    permanent: { from: 2010, warmUps: 15, km: 322 },
    source: 'Rule of the strictest American states (16 CCR 3340.42.2)',
    asOf: '2026-06-01',
  },
  lamp: {
    title: 'Only the light is looked at',
    isRead: false,
    readiness: [],
    permanent: null,
    source:
      'Common rule of European countries: the light at key-on and with the engine running (2014/45/EU, annex I, 8.2)',
    asOf: '2026-06-01',
  },
} as const satisfies Record<string, InspectionRule>;
export type InspectionRuleId = keyof typeof INSPECTION_RULES;
export const INSPECTION_RULE_IDS = Object.keys(INSPECTION_RULES) as InspectionRuleId[];

/** The rule of a vehicle: as its owner chose, else as is common in its market; motorcycles are looked at, not read. */
export function ruleOf({ inspectionRule, market, kind }: Vehicle): InspectionRuleId {
  const chosen = INSPECTION_RULE_IDS.find((id) => id === inspectionRule);
  if (chosen) return chosen;
  return kind !== 'motorcycle' && market === 'USA' ? 'count' : 'lamp';
}
