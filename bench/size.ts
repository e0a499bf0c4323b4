import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import type { Row } from './row.ts';

const DIST = fileURLToPath(new URL('../web/dist', import.meta.url));

/** Compressed script that the first screen (the garage) waits for: the entry and what it imports statically. */
export function sizeRows(): Row[] {
  if (!existsSync(`${DIST}/index.html`))
    return [
      {
        what: 'First screen, compressed script',
        measured: 'not built: npm run build',
        budget: '200 kB',
        ratio: null,
      },
    ];
  const html = readFileSync(`${DIST}/index.html`, 'utf8');
  const wanted = new Set([...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((m) => m[1] ?? ''));
  // What is imported statically is loaded before the first line runs.
  for (const file of wanted) {
    const text = readFileSync(`${DIST}/${file}`, 'utf8');
    for (const m of text.matchAll(/(?:^|[;\n])import[^"'()]*["']\.\/([^"']+\.js)["']/g))
      wanted.add(`assets/${m[1] ?? ''}`);
  }
  const bytes = [...wanted].reduce((sum, file) => sum + gzipSync(readFileSync(`${DIST}/${file}`)).length, 0);
  const all = readdirSync(`${DIST}/assets`).filter((f) => f.endsWith('.js')).length;
  return [
    {
      what: `First screen, compressed script (${wanted.size} of ${all} files)`,
      measured: `${(bytes / 1000).toFixed(0)} kB`,
      budget: '200 kB',
      ratio: bytes / 200_000,
    },
  ];
}
