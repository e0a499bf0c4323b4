import { execFile } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const ROOT = join(__dirname, '../..');

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
  ['web/src/ui/x.ts', "export const a = () => import('../store/store.ts');"],
  ['web/src/ui/x.ts', "export type A = import('../store/store.ts').RootState;"],
  ['core/urgency/x.ts', "export * from './allowance.ts';"],
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

const ARROW = /no-forbidden-import|no-restricted-(globals|properties)|no-clock|named-exports/;

interface Complaint {
  filename: string;
  code: string;
}

/** What the lint of this house says of files that stand nowhere but in a copy of its folders; the types are left out. */
async function complaintsOf(files: readonly (readonly [path: string, text: string])[]): Promise<Complaint[]> {
  const house = mkdtempSync(join(tmpdir(), 'pincer-rooms-'));
  try {
    for (const name of ['oxlint.config.js', 'tools/rooms.js', 'tools/lint-rules.js', 'package.json'])
      cpSync(join(ROOT, name), join(house, name));
    symlinkSync(join(ROOT, 'node_modules'), join(house, 'node_modules'));
    for (const [path, text] of files) {
      mkdirSync(dirname(join(house, path)), { recursive: true });
      writeFileSync(join(house, path), text);
    }
    const told = await new Promise<string>((resolve) => {
      execFile(
        process.execPath,
        [
          join(ROOT, 'node_modules/oxlint/bin/oxlint'),
          '-c',
          'oxlint.config.js',
          '--format',
          'json',
          ...files.map(([path]) => path),
        ],
        { cwd: house },
        (_, out) => {
          resolve(out);
        },
      );
    });
    return (JSON.parse(told) as { diagnostics: Complaint[] }).diagnostics;
  } finally {
    rmSync(house, { recursive: true });
  }
}

/** Each row in a file of its own, in the folder where it says. */
const placed = (rows: readonly [string, string][], name: string): [string, string][] =>
  rows.map(([path, text], i) => [path.replace(/x\.ts$/, `${name}-${i}.ts`), text]);

describe('lint keeps the rooms apart', () => {
  const forbidden = placed(FORBIDDEN, 'forbidden');
  const allowed = placed(ALLOWED, 'allowed');
  let complaints: Complaint[];
  beforeAll(async () => {
    complaints = await complaintsOf([...forbidden, ...allowed]);
  });
  const arrowsOf = (path: string) =>
    complaints.filter((c) => c.filename.endsWith(path) && ARROW.test(c.code)).map((c) => c.code);

  test.each(forbidden)('%s may not: %s', (path) => {
    expect(arrowsOf(path)).not.toEqual([]);
  });
  test.each(allowed)('%s may: %s', (path) => {
    expect(arrowsOf(path)).toEqual([]);
  });
  test('every room of the core has an index that names its exports', () => {
    const rooms = readdirSync(join(ROOT, 'core'), { withFileTypes: true }).filter(
      (d) => d.isDirectory() && d.name !== 'test' && d.name !== 'node_modules',
    );
    expect(rooms.length).toBe(19);
    for (const room of rooms) expect(readdirSync(join(ROOT, 'core', room.name))).toContain('index.ts');
  });
});
