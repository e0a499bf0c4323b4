import { useOutletContext } from 'react-router';
import type { Assessment } from '@pincer/core/assess';
import type { CaseRecord, CaseState } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';

/** What every station of an open case works with. */
export interface CaseContext {
  record: CaseRecord;
  vehicle: Vehicle;
  state: CaseState;
  assessment: Assessment;
}

/** The open case, inside the case frame. */
export function useCase(): CaseContext {
  return useOutletContext<CaseContext>();
}
