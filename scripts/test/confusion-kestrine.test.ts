import { CARS } from '@pincer/simulator';
import { FAULTS_WITH_A_RULE, holdsFor } from './confusion.ts';

test('sound it passes all that it can; each fault trips its rule and few others; the printed table says so', () =>
  holdsFor(CARS.find((c) => c.id === 'kestrine')));

test('each fault that has a rule is one of a stand-in, and each stand-in has its file here', () => {
  expect(CARS.map((c) => c.id).sort()).toEqual(['dray', 'finch', 'kestrine']);
  const faults = CARS.flatMap((c) =>
    c.faults.map((f) => ('cylinder' in f ? `${f.kind} ${f.cylinder}` : f.kind)),
  );
  expect(FAULTS_WITH_A_RULE.filter((f) => !faults.includes(f))).toEqual([]);
});
