import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';

const ROOT = join(__dirname, '../..');
const WORKSPACES = ['core', 'simulator', 'cli', 'server', 'web', 'bench', 'scripts', 'faults', 'e2e'];
const LEFT_OUT = new Set(['node_modules', 'dist', '.cache']);

function filesIn(directory: string): string[] {
  return readdirSync(join(ROOT, directory), { withFileTypes: true }).flatMap((entry) => {
    const path = join(directory, entry.name);
    if (entry.isDirectory()) return LEFT_OUT.has(entry.name) ? [] : filesIn(path);
    return /\.tsx?$/.test(entry.name) ? [path] : [];
  });
}

/** The file that an import means, as a path from the root; rooms and packages by their index. */
function targetOf(file: string, name: string): string | null {
  if (name.startsWith('.')) return normalize(join(dirname(file), name));
  if (name === '@pincer/simulator') return 'simulator/index.ts';
  const room = /^@pincer\/core\/(\w+)$/.exec(name)?.[1];
  return room === undefined ? null : `core/${room}/index.ts`;
}

/** Circles of files that import each other, each once; types count too, for who reads one has to read the other. */
function circlesIn(imports: ReadonlyMap<string, readonly string[]>): string[] {
  const done = new Set<string>();
  const circles: string[] = [];
  const walk = (file: string, path: readonly string[]): void => {
    const at = path.indexOf(file);
    if (at !== -1) circles.push([...path.slice(at), file].join(' -> '));
    if (at !== -1 || done.has(file)) return;
    for (const next of imports.get(file) ?? []) walk(next, [...path, file]);
    done.add(file);
  };
  for (const file of imports.keys()) walk(file, []);
  return circles;
}

test('a circle is found', () => {
  const imports = new Map([
    ['a.ts', ['b.ts']],
    ['b.ts', ['c.ts']],
    ['c.ts', ['b.ts']],
  ]);
  expect(circlesIn(imports)).toEqual(['b.ts -> c.ts -> b.ts']);
});

test('no file imports itself by way of others, within rooms and between them', () => {
  const files = WORKSPACES.flatMap(filesIn);
  const imports = new Map(
    files.map((file) => {
      const text = readFileSync(join(ROOT, file), 'utf8');
      const names = [...text.matchAll(/(?:from\s+|import\s*\(\s*)'([^']+)'/g)].map((m) => m[1] ?? '');
      const known = names.map((name) => targetOf(file, name)).filter((t): t is string => t !== null);
      return [file, known] as const;
    }),
  );
  expect(files.length).toBeGreaterThan(300);
  expect(circlesIn(imports)).toEqual([]);
});
