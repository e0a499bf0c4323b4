import { toast } from 'sonner';
import type { Sheet } from '@pincer/core/assess';
import { unitsOf, type UnitChoice } from '@pincer/core/words';
import { saveBlob } from '../ui/save-text.ts';

/** A file name of what the owner called something: `handover-tarrow-finch-1-4`. */
export const fileName = (kind: string, name: string): string =>
  `${kind}-${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')}`;

/** Offers a sheet as a PDF; says why where that fails. The part that writes PDFs comes when it is first wanted. */
export async function savePdf(sheet: Sheet, name: string, units: UnitChoice): Promise<void> {
  try {
    const { sheetPdf } = await import('./sheet-pdf.ts');
    const bytes = await sheetPdf(sheet, unitsOf(units).length === 'in' ? 'letter' : 'a4');
    saveBlob(`${name}.pdf`, new Blob([new Uint8Array(bytes)], { type: 'application/pdf' }));
  } catch (error) {
    const why = error instanceof Error ? error.message : 'it could not be written';
    toast(`No PDF: ${why}. Print the page, or copy it as text.`);
  }
}
