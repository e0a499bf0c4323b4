import { createSelector } from '@reduxjs/toolkit';
import type { CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { caseEntities, vehicleEntities, type LogbookState } from './logbook-slice.ts';

type Vehicles = Pick<LogbookState, 'vehicles'>;
type Cases = Pick<LogbookState, 'cases'>;

/** All vehicles and all cases, practised ones too; the same list as long as none of them changes. */
export const { selectAll: allVehicles, selectTotal: vehicleCount } = vehicleEntities.getSelectors(
  (logbook: Vehicles) => logbook.vehicles,
);
export const { selectAll: allCases, selectTotal: caseCount } = caseEntities.getSelectors(
  (logbook: Cases) => logbook.cases,
);

/** Vehicles and cases of the logbook: what was practised is nobody's record. */
export const ownVehicles = createSelector([allVehicles], (all) => all.filter((v) => !v.isPractice));
export const ownCases = createSelector([allCases], (all) => all.filter((c) => c.practice === undefined));
export const practisedCases = createSelector([allCases], (all) =>
  all.filter((c) => c.practice !== undefined).sort((a, b) => b.openedAt.localeCompare(a.openedAt)),
);

/**
 * What was recorded since the logbook was last saved as a file: how many entries, and when the first of them was. The
 * example is nobody's record. Gone through once for each change of the cases, for a logbook of years has many.
 */
export const sinceExport = createSelector(
  [ownCases, (logbook: Pick<LogbookState, 'marks'>) => logbook.marks],
  (cases, { exportedAt = '', exampleCases }) => {
    const example = new Set(exampleCases);
    let count = 0;
    let first: string | null = null;
    for (const { id, entries } of cases) {
      if (example.has(id)) continue;
      for (const { at } of entries) {
        if (at <= exportedAt) continue;
        count++;
        if (first === null || at < first) first = at;
      }
    }
    return { count, first };
  },
);

/** The cases of one vehicle; kept for each vehicle that is asked for. */
export const casesOfVehicle = createSelector(
  [allCases, (_: Cases, vehicleId: string) => vehicleId],
  (all, vehicleId) => all.filter((c) => c.vehicle === vehicleId),
);

/** A case and the vehicle that it belongs to; undefined where the logbook has no such case, or has lost its vehicle. */
export function caseAndVehicle(
  { cases, vehicles }: Cases & Vehicles,
  caseId: string | undefined,
): { record: CaseRecord | undefined; vehicle: Vehicle | undefined } {
  const record = caseId === undefined ? undefined : cases.entities[caseId];
  return { record, vehicle: record && vehicles.entities[record.vehicle] };
}
