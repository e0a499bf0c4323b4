import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { CURRENT_VERSION, type CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';

interface Example {
  files: { vehicle: Vehicle; case: CaseRecord }[];
}

const example = (): Example =>
  JSON.parse(readFileSync(new URL('../web/public/demo/harbour.json', import.meta.url), 'utf8')) as Example;

type Row = readonly [key: string, stored: unknown];
const stored = (record: unknown, caseId?: string) => ({
  version: CURRENT_VERSION,
  record,
  ...(caseId === undefined ? {} : { caseId }),
});

function rowsOf(vehicle: Vehicle, { entries, ...head }: CaseRecord): Row[] {
  return [
    [`vehicle:${vehicle.id}`, stored(vehicle)],
    [`case:${head.id}`, stored(head)],
    ...entries.map((e): Row => [`entry:${head.id}:${e.id}`, stored(e, head.id)]),
  ];
}

/** The cases of the example over and over, ten to a vehicle, as a garage of many years has them. */
export function manyCases(count: number): Row[] {
  const { files } = example();
  return Array.from({ length: count }, (_, n) => {
    const one = files[n % files.length] as Example['files'][number];
    const id = `veh_${Math.floor(n / 10)}`;
    return rowsOf(
      { ...one.vehicle, id, name: `Tarrow Finch ${Math.floor(n / 10)}` },
      { ...one.case, id: `case_${n}`, vehicle: id, title: `${one.case.title} ${n}` },
    );
  }).flat();
}

/** One case whose log has so many entries: the example's, then notes. */
export function longLog(count: number): Row[] {
  const one = example().files[0] as Example['files'][number];
  const last = one.case.entries.at(-1);
  const start = Date.parse(last?.at ?? one.case.openedAt);
  const notes = Array.from({ length: count - one.case.entries.length }, (_, n) => ({
    kind: 'note' as const,
    id: `ent_note_${n}`,
    at: new Date(start + (n + 1) * 1000).toISOString(),
    offsetMinutes: 0,
    text: `Note ${n}: started at once this morning, no shake`,
  }));
  return rowsOf(one.vehicle, { ...one.case, entries: [...one.case.entries, ...notes] });
}

/** Puts rows straight into the application's database, which a page of it has made. */
export const putRows = (page: Page, rows: readonly Row[]): Promise<void> =>
  page.evaluate(
    (all) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('pincer');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const work = open.result.transaction('records', 'readwrite');
          for (const [key, value] of all) work.objectStore('records').put(value, key);
          work.oncomplete = () => {
            open.result.close();
            resolve();
          };
          work.onerror = () => reject(new Error('not written'));
        };
      }),
    rows as [string, unknown][],
  );
