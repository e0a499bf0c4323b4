import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { Row } from './row.ts';

const METHOD = fileURLToPath(new URL('../docs/method.md', import.meta.url));
const [BEGIN, END] = ['<!-- bench: begin -->', '<!-- bench: end -->'];

const cell = (text: string) => text.replaceAll('|', '\\|');

/** Writes the figures into the page about the method, so that no sentence there grows old. */
export function writeTable(rows: readonly Row[]): void {
  const text = readFileSync(METHOD, 'utf8');
  const [from, to] = [text.indexOf(BEGIN), text.indexOf(END)];
  if (from === -1 || to === -1) throw new Error('docs/method.md has no place for the figures.');
  const lines = [
    BEGIN,
    `Measured on ${new Date().toISOString().slice(0, 10)}, ${cpus().length} cores, Node ${process.versions.node}. A ratio above 1 is over its budget.`,
    '',
    '| what | measured | budget | ratio |',
    '|---|---|---|---|',
    ...rows.map(
      (r) =>
        `| ${cell(r.what)} | ${cell(r.measured)} | ${cell(r.budget)} | ${r.ratio === null ? '–' : r.ratio.toFixed(2)} |`,
    ),
    '',
  ];
  writeFileSync(METHOD, text.slice(0, from) + lines.join('\n') + text.slice(to));
}
