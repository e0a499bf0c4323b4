import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '@pincer/core/assess';
import { readCaseData } from '@pincer/core/case';
import { readModuleMap, readVin } from '@pincer/core/vehicle';
import { DRAY_MODULES, FINCH_MODULES, KESTRINE_MODULES } from '@pincer/simulator';
import { demoLogbook } from '../demo-data.ts';
import { judgementMarkdown } from '../judgement.ts';
import { caseFileJsonSchema } from '../case-schema.ts';

const ROOT = join(__dirname, '../..');

describe('what is generated is up to date', () => {
  test('the example logbook comes from the stand-in as it is now', async () => {
    const demo = await demoLogbook();
    expect(JSON.parse(readFileSync(join(ROOT, 'web/public/demo/harbour.json'), 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(demo)),
    );
    expect(JSON.parse(readFileSync(join(ROOT, 'docs/examples/wet-morning.case.json'), 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(demo.files[0])),
    );
  });

  test.each([
    ['finch', FINCH_MODULES],
    ['dray', DRAY_MODULES],
    ['kestrine', KESTRINE_MODULES],
  ])('the example module map of the %s is that of the stand-in', (id, map) => {
    const text = readFileSync(join(ROOT, `docs/examples/${id}.modules.json`), 'utf8');
    expect(readModuleMap(text)).toEqual({ ok: true, map });
  });

  test('the table of what is said in each situation is that of the program', () => {
    expect(readFileSync(join(ROOT, 'docs/judgement.md'), 'utf8')).toBe(judgementMarkdown());
  });

  test('the published schema is that of the program', () => {
    expect(readFileSync(join(ROOT, 'docs/schema/case-file.schema.json'), 'utf8')).toBe(caseFileJsonSchema());
  });
});

describe('the example logbook', () => {
  test('tells the harbour-town story', async () => {
    const { vehicles, files } = await demoLogbook();
    expect(vehicles.map((v) => v.name)).toEqual([
      'Tarrow Finch 1.4',
      'Ostler Dray 2.2 D',
      'Kestrine 650',
      'Marlow Pippin 1.4, for sale',
    ]);
    for (const { vin = '' } of vehicles)
      expect(readVin(vin)).toMatchObject({ ok: true, isCheckDigitRight: true });
    for (const file of files)
      expect(readCaseData(JSON.parse(JSON.stringify(file)))).toMatchObject({ ok: true });
    const now = new Date('2026-11-20T12:00:00Z');
    const [open, closed, van, motorcycle, forSale] = files.map((f) => assess(f.case, f.vehicle, now));
    expect(open?.causes[0]?.id).toBe('coil-boot:2');
    expect(open?.allowance.level).toBe('safe-place');
    expect(open?.facts.find((f) => f.kind === 'frame')?.detail).toMatch(/always when/);
    expect(van?.causes[0]?.id).toBe('charge-hose');
    expect(motorcycle?.causes[0]?.id).toBe('motorcycle-regulator');
    expect(motorcycle?.groups).toHaveLength(1);
    expect(forSale?.preliminaryChecks.length).toBeGreaterThanOrEqual(0);
    expect(closed?.proof).toMatchObject({ status: 'proven', returned: [] });
    // What is proven to be over accuses nothing, and asks for nothing.
    expect([closed?.causes, closed?.checks, closed?.allowance.title]).toEqual([[], [], 'Closed']);
    const clears = files[1]?.case.entries.filter((e) => e.kind === 'clear') ?? [];
    expect(clears).toHaveLength(3);
  });
});
