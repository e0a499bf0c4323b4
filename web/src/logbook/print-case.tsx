import { Printer } from 'lucide-react';
import type { Assessment } from '@pincer/core/assess';
import type { CaseRecord, CaseState } from '@pincer/core/case';
import { fileName, openPdf } from '../papers/save-pdf.ts';
import { useAppSelector } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { BUTTON } from '../ui/classes.ts';
import { caseSheet } from './case-sheet.ts';

/** The case with its whole log as a document, opened to be printed. */
export function PrintCase({
  record,
  state,
  assessment,
}: {
  record: CaseRecord;
  state: CaseState;
  assessment: Assessment | null;
}) {
  const tell = useTell();
  const vehicle = useAppSelector((s) => s.logbook.vehicles.entities[record.vehicle]);
  const units = useAppSelector((s) => s.settings.owner.units);
  if (!vehicle) return null;
  return (
    <button
      type="button"
      className={BUTTON.plain}
      onClick={() =>
        void openPdf(
          caseSheet(record, vehicle, state, assessment, tell),
          fileName('case', `${vehicle.name} ${record.title}`),
          units,
        )
      }
    >
      <Printer size={18} aria-hidden="true" /> Print the case
    </button>
  );
}
