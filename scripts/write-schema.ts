import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { caseFileJsonSchema } from './case-schema.ts';

const folder = fileURLToPath(new URL('../docs/schema/', import.meta.url));
mkdirSync(folder, { recursive: true });
writeFileSync(`${folder}case-file.schema.json`, caseFileJsonSchema());
process.stdout.write('Wrote docs/schema/case-file.schema.json\n');
