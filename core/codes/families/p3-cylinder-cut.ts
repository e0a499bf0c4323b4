import { codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

one('P3400', 'cylinder-cut', 'system', { bank: 1 });
for (let cylinder = 1; cylinder <= 12; cylinder++) {
  const base = codeAt('P3401', (cylinder - 1) * 8);
  row(base, 'cylinder-cut', ['open', 'performance', 'circuit-low', 'circuit-high'], { cylinder, label: 'intake' });
  row(codeAt(base, 4), 'cylinder-cut', ['open', 'performance', 'circuit-low', 'circuit-high'], { cylinder, label: 'exhaust' });
}
one('P3497', 'cylinder-cut', 'system', { bank: 2 });

/** P34: cylinders switched off at light load. */
export const P3_CYLINDER_CUT = entries;
