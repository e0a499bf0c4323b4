import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { earlierCases, unitsAnswered, vehicleHistory } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const at = (year: number, title: string, ...steps: Step[]) => ({
  ...makeCase(...steps),
  id: `case_${year}`,
  title,
  openedAt: `${year}-04-01T08:00:00.000Z`,
});

test('cases newest first, codes over the years, and every sum once', () => {
  const history = vehicleHistory([
    at(2024, 'Lean', scanEntry(makeScan(['P0171'])), { kind: 'repair', cause: 'maf-dirty', cost: 9 }),
    at(
      2026,
      'Lean again',
      scanEntry(makeScan(['P0171', 'P0420'])),
      { kind: 'repair', cause: 'other', title: 'Plenum seal', cost: 30, by: 'workshop' },
      { kind: 'repair', cause: 'intake-hose-split', cost: 35 },
      { kind: 'closed', outcome: 'fixed', cause: 'intake-hose-split', cost: 65, isProven: true },
    ),
    at(2025, 'A lamp', { kind: 'closed', outcome: 'fixed', cost: 12 }),
  ]);
  expect(history.rows.map((r) => [r.title, r.cost])).toEqual([
    ['Lean again', 65],
    ['A lamp', 12],
    ['Lean', 9],
  ]);
  expect(history.rows[0]?.what).toEqual([expect.stringMatching(/^Intake hose split/)]);
  expect(history.codes).toEqual([
    { code: 'P0171', cases: 2, years: [2024, 2026] },
    { code: 'P0420', cases: 1, years: [2026] },
  ]);
  // What was told at the end is not counted beside the repairs that it sums up.
  expect(history.spending.map((s) => s.cost).sort((a, b) => a - b)).toEqual([9, 12, 30, 35]);
  expect(history.spending.map((s) => s.what)).toContain('Plenum seal');
  expect(history.byYear.reduce((sum, y) => sum + y.cost, 0)).toBe(86);
});

test('an old code in a new case shows the earlier one, with what it was', () => {
  const cases = [
    at(
      2024,
      'Lean',
      scanEntry(makeScan(['P0171', 'P0420'])),
      { kind: 'repair', cause: 'maf-dirty', cost: 9 },
      { kind: 'closed', outcome: 'fixed', cause: 'maf-dirty' },
    ),
    at(2025, 'A misfire', scanEntry(makeScan(['P0302']))),
  ];
  expect(earlierCases(['P0171'], cases)).toEqual([
    expect.objectContaining({ title: 'Lean', codes: ['P0171'], what: [expect.stringMatching(/^Air flow/)] }),
  ]);
  expect(earlierCases(['P0442'], cases)).toEqual([]);
});

test('which control units answered, by the newest reading of an adapter', () => {
  const scan = {
    ...makeScan([]),
    units: [
      { unit: '6A8', name: 'Brakes', hasAnswered: true },
      { unit: '6F8', name: 'Climate', hasAnswered: false },
    ],
    parts: [{ unit: '7E8', part: 'confirmed' as const, state: 'empty' as const }],
  };
  expect(unitsAnswered([at(2026, 'Now', scanEntry(scan))])?.units).toEqual(['Brakes (6A8)', '7E8']);
  expect(unitsAnswered([])).toBeNull();
});
