import { ESLint } from 'eslint';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import tseslint from 'typescript-eslint';
import { roomRules } from '../rooms.js';

const ROOT = join(__dirname, '../..');
/** The arrows alone: they need neither types nor the other rules. */
const eslint = new ESLint({
  cwd: ROOT,
  overrideConfigFile: true,
  overrideConfig: [{ files: ['**/*.{ts,tsx}'], languageOptions: { parser: tseslint.parser } }, ...roomRules],
});

async function complaints(filePath: string, text: string): Promise<string[]> {
  const [result] = await eslint.lintText(text, { filePath: join(ROOT, filePath) });
  return (result?.messages ?? []).map((m) => `${m.ruleId}: ${m.message}`);
}

const FORBIDDEN: [string, string][] = [
  ['core/obd/x.ts', "import { useState } from 'react';\nexport const a = useState;"],
  ['core/assess/x.ts', "import localforage from 'localforage';\nexport const a = localforage;"],
  ['core/case/x.ts', "import { readFileSync } from 'node:fs';\nexport const a = readFileSync;"],
  ['core/case/x.ts', "import { configureStore } from '@reduxjs/toolkit';\nexport const a = configureStore;"],
  ['core/obd/x.ts', "import { AdapterPort } from '@pincer/core/link';\nexport const a = AdapterPort;"],
  ['core/knowledge/x.ts', "import { assess } from '@pincer/core/assess';\nexport const a = assess;"],
  [
    'core/link/x.ts',
    "import { decodeLegacy } from '@pincer/core/obd/legacy.ts';\nexport const a = decodeLegacy;",
  ],
  ['core/link/x.ts', "import { decodeLegacy } from '../obd/legacy.ts';\nexport const a = decodeLegacy;"],
  ['core/link/x.ts', "import { StandIn } from '@pincer/simulator';\nexport const a = StandIn;"],
  ['core/urgency/x.ts', 'export const a = Date.now();'],
  ['core/urgency/x.ts', 'export const a = new Date();'],
  ['core/urgency/x.ts', 'export const a = Math.random();'],
  ['core/urgency/x.ts', 'export const a = window.location;'],
  ['core/urgency/x.ts', 'export const a = setTimeout(() => 0, 1);'],
  ['simulator/x.ts', "import { assess } from '@pincer/core/assess';\nexport const a = assess;"],
  ['cli/src/x.ts', "import { StandIn } from '@pincer/simulator';\nexport const a = StandIn;"],
  ['server/x.ts', "import { store } from '@pincer/web/store';\nexport const a = store;"],
  ['web/src/x.ts', "import { createApp } from '@pincer/server';\nexport const a = createApp;"],
  ['web/src/x.ts', "import { a } from '../../core/obd/bytes.ts';\nexport const b = a;"],
  [
    'web/src/ui/x.ts',
    "import { useAppSelector } from '../store/store.ts';\nexport const a = useAppSelector;",
  ],
  [
    'web/src/workers/x.ts',
    "import { useAppSelector } from '../store/store.ts';\nexport const a = useAppSelector;",
  ],
  [
    'web/src/store/x.ts',
    "import { coreWorker } from '../workers/core-client.ts';\nexport const a = coreWorker;",
  ],
  [
    'web/src/store/x.ts',
    "import { browserPorts } from '../platform/browser-ports.ts';\nexport const a = browserPorts;",
  ],
  ['web/src/garage/x.ts', "import { loadAll } from '../storage/records.ts';\nexport const a = loadAll;"],
  ['web/src/stations/read/x.ts', "import { Watch } from '../watch/watch.tsx';\nexport const a = Watch;"],
  [
    'web/src/stations/read/x.ts',
    "import { loadAll } from '../../storage/records.ts';\nexport const a = loadAll;",
  ],
  ['web/src/typed/x.ts', "import { router } from '../router.tsx';\nexport const a = router;"],
];

const ALLOWED: [string, string][] = [
  ['core/link/x.ts', "import { decodeLegacy } from '@pincer/core/obd';\nexport const a = decodeLegacy;"],
  ['core/case/x.ts', "import * as z from 'zod/mini';\nexport const a = z;"],
  ['core/urgency/x.ts', 'export const a = (at: number) => new Date(at);'],
  ['simulator/x.ts', "import { splitIsoTp } from '@pincer/core/obd';\nexport const a = splitIsoTp;"],
  ['web/src/x.ts', "import { assess } from '@pincer/core/assess';\nexport const a = assess;"],
  ['web/src/store/x.ts', "import type { Ports } from '../ports/ports.ts';\nexport const a = {} as Ports;"],
  [
    'web/src/stations/read/x.ts',
    "import { useCase } from '../case-context.ts';\nimport { Dialog } from '../../ui/dialog.tsx';\nexport const a = [useCase, Dialog];",
  ],
  ['web/src/stations/station.tsx', "import { Watch } from './watch/watch.tsx';\nexport const a = Watch;"],
];

const ARROW = /no-restricted-(imports|globals|properties|syntax)/;

describe('lint keeps the rooms apart', () => {
  test.each(FORBIDDEN)('%s may not: %s', async (path, text) => {
    expect((await complaints(path, text)).filter((c) => ARROW.test(c))).not.toEqual([]);
  });
  test.each(ALLOWED)('%s may: %s', async (path, text) => {
    expect((await complaints(path, text)).filter((c) => ARROW.test(c))).toEqual([]);
  });
  test('every room of the core has an index that names its exports', () => {
    const rooms = readdirSync(join(ROOT, 'core'), { withFileTypes: true }).filter(
      (d) => d.isDirectory() && d.name !== 'test' && d.name !== 'node_modules',
    );
    expect(rooms.length).toBe(19);
    for (const room of rooms) expect(readdirSync(join(ROOT, 'core', room.name))).toContain('index.ts');
  });
});
