import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { DRAY_MODULES, FINCH_MODULES, KESTRINE_MODULES } from '@pincer/simulator';
import { demoLogbook } from './demo-data.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const demo = await demoLogbook();
mkdirSync(`${root}web/public/demo`, { recursive: true });
writeFileSync(`${root}web/public/demo/harbour.json`, `${JSON.stringify(demo)}\n`);
mkdirSync(`${root}docs/examples`, { recursive: true });
const [open] = demo.files;
writeFileSync(`${root}docs/examples/wet-morning.case.json`, `${JSON.stringify(open, null, 2)}\n`);
const maps = { finch: FINCH_MODULES, dray: DRAY_MODULES, kestrine: KESTRINE_MODULES };
for (const [id, map] of Object.entries(maps))
  writeFileSync(`${root}docs/examples/${id}.modules.json`, `${JSON.stringify(map, null, 2)}\n`);
process.stdout.write('Wrote web/public/demo/harbour.json and the files of docs/examples\n');
