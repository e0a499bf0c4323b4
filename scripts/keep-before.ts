import { copyFileSync, existsSync, mkdirSync, readdirSync, rmSync, statSync, utimesSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * Keeps the scripts and styles of the build that is about to be replaced: a page that is open asks for its own parts
 * hours later, and has to find them. They go after two weeks.
 */
const KEEP_MS = 14 * 24 * 3_600_000;
const assets = fileURLToPath(new URL('../web/dist/assets', import.meta.url));
const before = fileURLToPath(new URL('../web/dist-before', import.meta.url));

mkdirSync(before, { recursive: true });
for (const name of existsSync(assets) ? readdirSync(assets) : []) {
  const kept = join(before, name);
  copyFileSync(join(assets, name), kept);
  // From the day on which it was last the newest.
  utimesSync(kept, new Date(), new Date());
}
for (const name of readdirSync(before)) {
  const kept = join(before, name);
  if (Date.now() - statSync(kept).mtimeMs > KEEP_MS) rmSync(kept);
}
