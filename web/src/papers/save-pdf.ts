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

/** Opens a sheet as a PDF in a page of its own, from which it is printed; where the browser opens none, it is saved. */
export async function openPdf(sheet: Sheet, name: string, units: UnitChoice): Promise<void> {
  // Opened before anything is waited for: later it would count as unasked.
  const page = window.open('', '_blank');
  if (!page) return savePdf(sheet, name, units);
  try {
    const { sheetPdf } = await import('./sheet-pdf.ts');
    const bytes = await sheetPdf(sheet, unitsOf(units).length === 'in' ? 'letter' : 'a4');
    page.location.href = URL.createObjectURL(new Blob([new Uint8Array(bytes)], { type: 'application/pdf' }));
  } catch (error) {
    page.close();
    const why = error instanceof Error ? error.message : 'it could not be written';
    toast(`No PDF: ${why}.`);
  }
}

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
