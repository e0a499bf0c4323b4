import { assessRows } from './assess.ts';
import { diagnosisRows } from './diagnosis.ts';
import { linkRows } from './link.ts';
import { liveRows } from './live.ts';
import { manyRows } from './many.ts';
import { calibrationRows } from './calibration.ts';
import { optimumRows } from './optimum.ts';
import { pageRows } from './page.ts';
import { samplingRows } from './sampling.ts';
import type { Row } from './row.ts';
import { writeTable } from './table.ts';
import { visitRows } from './visit.ts';

const rows: Row[] = [
  ...(await linkRows()),
  ...(await samplingRows()),
  ...(await liveRows()),
  ...assessRows(),
  ...(await visitRows()),
  ...(await manyRows()),
  ...(await pageRows()),
  ...(await diagnosisRows()),
  ...calibrationRows(),
  ...optimumRows(),
];
const pad = (text: string, width: number) => text.padEnd(width);
const [a, b, c] = (['what', 'measured', 'budget'] as const).map((k) =>
  Math.max(...rows.map((r) => r[k].length)),
);
const isOver = (r: Row) => r.ratio !== null && r.ratio > 1;
for (const r of rows) {
  const ratio = r.ratio === null ? '' : `  ${r.ratio.toFixed(2)}${isOver(r) ? '  OVER' : ''}`;
  process.stdout.write(
    `${pad(r.what, a ?? 0)}  ${pad(r.measured, b ?? 0)}  ${pad(r.budget, c ?? 0)}${ratio}\n`,
  );
}

writeTable(rows);
const over = rows.filter(isOver).length;
process.stdout.write(over === 0 ? 'Every budget is kept.\n' : `${over} of ${rows.length} over budget.\n`);
process.exitCode = over === 0 ? 0 : 1;
