import { PDFArray, PDFDict, PDFDocument, PDFName, PDFRawStream, PDFRef, decodePDFRawStream } from 'pdf-lib';

const latin = (bytes: Uint8Array): string => Array.from(bytes, (b) => String.fromCharCode(b)).join('');

/** What each glyph of a font stands for, by the map that the file itself holds (ISO 32000-1, 9.10.3). */
function glyphsOf(cmap: string): Map<string, string> {
  const glyphs = new Map<string, string>();
  const text = (hex: string): string =>
    (hex.match(/.{4}/g) ?? []).map((h) => String.fromCharCode(parseInt(h, 16))).join('');
  for (const block of cmap.matchAll(/beginbfchar([\s\S]*?)endbfchar/g))
    for (const [, glyph = '', to = ''] of (block[1] ?? '').matchAll(/<([0-9A-Fa-f]+)>\s*<([0-9A-Fa-f]+)>/g))
      glyphs.set(glyph.toUpperCase(), text(to));
  return glyphs;
}

/** The text of a PDF with embedded fonts, line by line, as a reader would copy it. */
export async function pdfText(bytes: Uint8Array): Promise<string> {
  const document = await PDFDocument.load(bytes);
  const { context } = document;
  const stream = (ref: unknown): string => {
    const found = ref instanceof PDFRef ? context.lookup(ref) : ref;
    return found instanceof PDFRawStream ? latin(decodePDFRawStream(found).decode()) : '';
  };
  const lines: string[] = [];
  for (const page of document.getPages()) {
    const fonts = page.node.Resources()?.lookup(PDFName.of('Font'), PDFDict);
    const maps = new Map(
      (fonts?.entries() ?? []).map(([name, ref]) => {
        const font = context.lookup(ref, PDFDict);
        return [name.toString(), glyphsOf(stream(font.get(PDFName.of('ToUnicode'))))] as const;
      }),
    );
    const contents = page.node.Contents();
    const parts = contents instanceof PDFArray ? contents.asArray().map(stream) : [stream(contents)];
    let glyphs = new Map<string, string>();
    for (const [, font, hex] of parts.join('\n').matchAll(/(\/\S+)\s+[\d.]+\s+Tf|<([0-9A-Fa-f]*)>\s*Tj/g)) {
      if (font !== undefined) glyphs = maps.get(font) ?? glyphs;
      else
        lines.push(
          ((hex ?? '').match(/.{4}/g) ?? []).map((g) => glyphs.get(g.toUpperCase()) ?? '?').join(''),
        );
    }
  }
  return lines.join('\n');
}
