import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { judgementMarkdown } from './judgement.ts';

const table = judgementMarkdown();
writeFileSync(fileURLToPath(new URL('../docs/judgement.md', import.meta.url)), table);
process.stdout.write(table);
