import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '@pincer/core/assess';
import { DEFAULT_OWNER, readCaseFile, writeCaseFile } from '@pincer/core/case';
import './raw-records.ts';
import { loadAll } from '../src/storage/records.ts';

/**
 * Databases as landed versions wrote them, taken out of a browser that ran those versions, with the layout of their
 * stores. They are never edited: whoever kept a logbook with one of them finds it whole.
 */
const LANDED = [
  {
    name: 'database-1-cases-whole',
    version: 2,
    stores: ['local-forage-detect-blob-support', 'records'],
  },
  {
    name: 'database-2-beside-forage',
    version: 2,
    stores: ['local-forage-detect-blob-support', 'records'],
  },
  { name: 'database-2', version: 1, stores: ['records', 'recordings'] },
];

type Row = [string, { version: number; record: { id: string; entries?: Record<string, unknown>[] } }];

/** Puts a database of that layout in the place of what is there. */
async function lay(rows: readonly Row[], version: number, stores: readonly string[]): Promise<void> {
  const done = (request: IDBRequest) =>
    new Promise<void>((resolve, reject) => {
      request.onsuccess = () => resolve();
      request.onerror = () => reject(new Error('not done'));
    });
  await done(indexedDB.deleteDatabase('pincer'));
  const opening = indexedDB.open('pincer', version);
  opening.onupgradeneeded = () => {
    for (const name of stores) opening.result.createObjectStore(name);
  };
  await done(opening);
  const records = opening.result.transaction('records', 'readwrite').objectStore('records');
  for (const [key, value] of rows) await done(records.put(value, key));
  opening.result.close();
}

/** All entries of the rows, one by one or within whole cases: id, moment and any text. */
const entriesOf = (rows: readonly Row[]) =>
  rows
    .flatMap(([key, { record }]): Record<string, unknown>[] =>
      key.startsWith('entry:') ? [record] : (record.entries ?? []),
    )
    .map(({ id, at, text, title }) => ({ id, at, text, title }))
    .sort((a, b) => (String(a.id) < String(b.id) ? -1 : 1));

describe.each(LANDED)('a logbook that was kept as $name', ({ name, version, stores }) => {
  const rows = JSON.parse(readFileSync(join(__dirname, `fixtures/${name}.json`), 'utf8')) as Row[];

  test('is whole, at this start and at the next', async () => {
    await lay(rows, version, stores);
    const loaded = await loadAll();
    expect(loaded.setAside).toEqual([]);
    expect(loaded.newer).toEqual([]);
    const keys = (kind: string) => rows.filter(([k]) => k.startsWith(kind)).length;
    expect([loaded.vehicles.length, loaded.cases.length]).toEqual([keys('vehicle:'), keys('case:')]);
    const found = loaded.cases
      .flatMap((c) => c.entries as unknown as Record<string, unknown>[])
      .map(({ id, at, text, title }) => ({ id, at, text, title }))
      .sort((a, b) => (String(a.id) < String(b.id) ? -1 : 1));
    // Of one and the same millisecond the first version's order was that of the list: the moment is moved on by one.
    const to = (list: typeof found) => list.map((e) => ({ ...e, at: String(e.at).slice(0, 19) }));
    expect(found.length).toBeGreaterThan(20);
    expect(to(found)).toEqual(to(entriesOf(rows)));
    expect(await loadAll()).toEqual(loaded);
  });

  test('can be judged, saved as files and brought in again', async () => {
    await lay(rows, version, stores);
    const { cases, vehicles } = await loadAll();
    const named: number[] = [];
    for (const c of cases) {
      const vehicle = vehicles.find((v) => v.id === c.vehicle);
      if (!vehicle) throw new Error(`${c.vehicle} is gone`);
      const now = new Date('2026-11-20T08:00:00.000Z');
      named.push(assess(c, vehicle, now, DEFAULT_OWNER).causes.length);
      const back = readCaseFile(writeCaseFile(c, vehicle, now.toISOString()));
      expect(back.ok ? back.file.case : back.problem).toEqual(c);
    }
    expect(named.some((n) => n > 0)).toBe(true);
  });
});
