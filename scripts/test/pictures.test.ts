import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const FOLDER = join(import.meta.dirname, '../../docs/screenshots');
const files = readdirSync(FOLDER).filter((f) => f.endsWith('.png'));

test('there is a picture of each main view, and no two are alike', () => {
  expect(files.length).toBeGreaterThan(15);
  expect(files.length).toBeLessThan(20);
  const seen = new Map<string, string>();
  for (const file of files) {
    const hash = createHash('sha256')
      .update(readFileSync(join(FOLDER, file)))
      .digest('hex');
    expect([file, seen.get(hash) ?? 'no other']).toEqual([file, 'no other']);
    seen.set(hash, file);
  }
});
