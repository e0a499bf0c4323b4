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
