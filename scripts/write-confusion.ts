import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { confusionMarkdown, confusionTable } from './confusion.ts';

const table = confusionMarkdown(await confusionTable());
writeFileSync(fileURLToPath(new URL('../docs/confusion.md', import.meta.url)), table);
process.stdout.write(table);
