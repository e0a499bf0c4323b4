import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib';
import regular from '@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-400-normal.woff?url';
import bold from '@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-700-normal.woff?url';
import type { Sheet } from '@pincer/core/assess';

/** Points. */
const PAPERS = { a4: [595.28, 841.89], letter: [612, 792] } as const;
export type Paper = keyof typeof PAPERS;

const MARGIN = 46;
const TEXT = 9.5;
const HEADING = 11;
const TITLE = 17;
const LEADING = 1.32;

/** What the font does not hold, said otherwise. */
const SPELLED: Readonly<Record<string, string>> = {
  Ω: 'ohm',
  '≥': 'at least ',
  '≤': 'at most ',
  '\u202f': ' ',
};

function printable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return Array.from(text)
    .map((c) => (known.has(c.codePointAt(0) ?? 0) ? c : (SPELLED[c] ?? '?')))
    .join('');
}

/** Lines no wider than given, broken between words; a word that is wider stands alone. */
function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && font.widthOfTextAtSize(longer, size) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return [...lines, line];
}

const bytesOf = async (url: string): Promise<ArrayBuffer> => {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error('The font could not be fetched; connect to the network once and try again');
  return answer.arrayBuffer();
};

/** A sheet as a PDF with its font inside; one page where it fits. */
export async function sheetPdf(sheet: Sheet, paper: Paper): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  const [plainBytes, boldBytes] = await Promise.all([bytesOf(regular), bytesOf(bold)]);
  const plain = await document.embedFont(plainBytes, { subset: true });
  const strong = await document.embedFont(boldBytes, { subset: true });
  document.setTitle(sheet.title);
  document.setSubject(sheet.parts.map((p) => p.title).join(', '));
  document.setCreator('Pincer');
  const [wide, high] = PAPERS[paper];
  const width = wide - 2 * MARGIN;
  let page: PDFPage = document.addPage([wide, high]);
  let y = high - MARGIN;
  const write = (text: string, font: PDFFont, size: number, indent: number, bullet = false): void => {
    wrapped(printable(text, font), font, size, width - indent).forEach((line, i) => {
      y -= size * LEADING;
      if (y < MARGIN) {
        page = document.addPage([wide, high]);
        y = high - MARGIN - size * LEADING;
      }
      if (bullet && i === 0) page.drawText('•', { x: MARGIN + 1, y, size, font });
      page.drawText(line, { x: MARGIN + indent, y, size, font });
    });
  };
  write(sheet.title, strong, TITLE, 0);
  for (const part of sheet.parts) {
    y -= HEADING * 0.7;
    write(part.title, strong, HEADING, 0);
    for (const line of part.lines) write(line, plain, TEXT, 10, true);
  }
  return document.save();
}
