import { foldCase, type CaseRecord } from '@pincer/core/case';
import { causeById } from '@pincer/core/knowledge';
import { atCylinder } from '@pincer/core/diagnosis';
import { SERVICE_ITEMS } from '@pincer/core/service';
import type { VehicleService } from '@pincer/core/vehicle';

/** A case as it stands in a vehicle's history. */
export interface HistoryRow {
  case: string;
  title: string;
  openedAt: string;
  closedAt: string | null;
  isPutAway: boolean;
  /** Codes that were seen in it, each once. */
  codes: string[];
  /** What it was, as told when it was closed, or what was repaired. */
  what: string[];
  /** What its repairs cost, as told; null where nothing was. */
  cost: number | null;
}

/** Something that was paid for. */
export interface Spending {
  at: string;
  case: string;
  what: string;
  partNumber: string;
  distanceKm: number | null;
  cost: number;
}

export interface VehicleHistory {
  /** Newest first. */
  rows: HistoryRow[];
  /** Oldest first. */
  spending: Spending[];
  byYear: { year: number; cost: number }[];
  /** Codes over the years: in how many cases each was, and in which years. */
  codes: { code: string; cases: number; years: number[] }[];
}

/** A cause by its name, with its cylinder. @param own what the owner called it, where the library has no name. */
export function titleOfCause(instance: string, own?: string): string {
  if (own !== undefined) return own;
  const [id = '', place] = instance.split(':');
  const cause = causeById(id);
  return cause ? atCylinder(cause.title, place === undefined ? null : Number(place)) : 'A repair';
}

/** A vehicle's cases, codes and spending. @param cases of this vehicle. @param service of it: what it cost is spent too. */
export function vehicleHistory(cases: readonly CaseRecord[], service?: VehicleService): VehicleHistory {
  const rows: HistoryRow[] = [];
  const spending: Spending[] = [];
  const seen = new Map<string, { cases: number; years: Set<number> }>();
  for (const record of cases) {
    const { scans, repairs, closed } = foldCase(record);
    const codes = [...new Set(scans.flatMap((s) => s.scan.codes.map((c) => c.code)))].sort();
    const year = Number(record.openedAt.slice(0, 4));
    for (const code of codes) {
      const known = seen.get(code) ?? { cases: 0, years: new Set<number>() };
      known.cases++;
      seen.set(code, { ...known, years: known.years.add(year) });
    }
    for (const r of repairs)
      if (r.cost !== undefined)
        spending.push({
          at: r.at,
          case: record.title,
          what: titleOfCause(r.cause, r.title),
          partNumber: r.partNumber ?? '',
          distanceKm: r.distanceKm ?? null,
          cost: r.cost,
        });
    const costs = repairs.flatMap((r) => r.cost ?? []);
    rows.push({
      case: record.id,
      title: record.title,
      openedAt: record.openedAt,
      closedAt: closed?.at ?? null,
      isPutAway: record.putAwayAt !== undefined,
      codes,
      what:
        closed?.cause === undefined
          ? [...new Set(repairs.map((r) => titleOfCause(r.cause, r.title)))]
          : [titleOfCause(closed.cause)],
      cost: costs.length > 0 ? costs.reduce((a, b) => a + b, 0) : (closed?.cost ?? null),
    });
    if (costs.length === 0 && closed?.cost !== undefined && closed.cost > 0)
      spending.push({
        at: closed.at,
        case: record.title,
        what: closed.cause === undefined ? 'Told at the end' : titleOfCause(closed.cause),
        partNumber: '',
        distanceKm: null,
        cost: closed.cost,
      });
  }
  for (const done of service?.done ?? [])
    if (done.cost !== undefined && done.cost > 0)
      spending.push({
        at: done.at,
        case: 'Service',
        what: SERVICE_ITEMS.find((i) => i.id === done.item)?.title ?? 'Service',
        partNumber: '',
        distanceKm: done.km ?? null,
        cost: done.cost,
      });
  spending.sort((a, b) => a.at.localeCompare(b.at));
  const years = [...new Set(spending.map((s) => Number(s.at.slice(0, 4))))].sort((a, b) => a - b);
  return {
    rows: rows.sort((a, b) => b.openedAt.localeCompare(a.openedAt)),
    spending,
    byYear: years.map((year) => ({
      year,
      cost: spending.filter((s) => Number(s.at.slice(0, 4)) === year).reduce((sum, s) => sum + s.cost, 0),
    })),
    codes: [...seen]
      .map(([code, { cases: count, years: y }]) => ({
        code,
        cases: count,
        years: [...y].sort((a, b) => a - b),
      }))
      .sort((a, b) => b.cases - a.cases || a.code.localeCompare(b.code)),
  };
}

/** An earlier case of the same vehicle in which a code was seen. */
export interface EarlierCase {
  case: string;
  title: string;
  closedAt: string | null;
  /** Codes of now that were seen in it. */
  codes: string[];
  what: string[];
}

/** Earlier cases with any of these codes, the latest first. @param others cases of the same vehicle, this one left out. */
export function earlierCases(codes: readonly string[], others: readonly CaseRecord[]): EarlierCase[] {
  const now = new Set(codes);
  return vehicleHistory(others).rows.flatMap(({ case: id, title, closedAt, codes: seen, what }) => {
    const same = seen.filter((c) => now.has(c));
    return same.length > 0 ? [{ case: id, title, closedAt, codes: same, what }] : [];
  });
}

/** Which control units answered at the newest reading by an adapter; null where there is none. */
export function unitsAnswered(cases: readonly CaseRecord[]): { at: string; units: string[] } | null {
  const last = cases
    .flatMap((c) => foldCase(c).scans)
    .filter((s) => s.via === 'adapter')
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  if (!last) return null;
  const { units = [], parts } = last.scan;
  const named = new Map(units.map((u) => [u.unit, u.name]));
  const answered = new Set([
    ...units.filter((u) => u.hasAnswered).map((u) => u.unit),
    ...parts.filter((p) => p.state === 'known' || p.state === 'empty').map((p) => p.unit),
  ]);
  return {
    at: last.at,
    units: [...answered]
      .filter((u) => u !== '')
      .map((u) => (named.has(u) ? `${named.get(u) ?? ''} (${u})` : u)),
  };
}
