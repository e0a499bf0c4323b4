import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { CARS } from '@pincer/simulator';
import { confusionMarkdown, confusionOf } from './confusion.ts';

const table = confusionMarkdown((await Promise.all(CARS.map(confusionOf))).flat());
writeFileSync(fileURLToPath(new URL('../docs/confusion.md', import.meta.url)), table);
process.stdout.write(table);
