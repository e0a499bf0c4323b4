// The closing line of `npm test`: all runners together. Types, lint and build count as one test each.
import { existsSync, readFileSync } from 'node:fs';

const failedSteps = (process.env['FAILED'] ?? '').split(' ').filter(Boolean);
const STATIC = ['types', 'lint', 'build'];
const read = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null);

const totals = { passed: 0, failed: 0, skipped: 0 };
for (const name of STATIC) totals[failedSteps.includes(name) ? 'failed' : 'passed']++;

const jest = read('.cache/jest.json');
if (jest) {
  totals.passed += jest.numPassedTests;
  totals.failed += jest.numFailedTests + (jest.numRuntimeErrorTestSuites ?? 0);
  totals.skipped += jest.numPendingTests + jest.numTodoTests;
} else totals.failed++;

const e2e = read('.cache/e2e.json');
if (e2e) {
  totals.passed += e2e.stats.expected + e2e.stats.flaky;
  totals.failed += e2e.stats.unexpected;
  totals.skipped += e2e.stats.skipped;
  if (e2e.stats.flaky > 0) process.stdout.write(`Flaky, passed at the second try: ${e2e.stats.flaky}\n`);
} else totals.failed++;

// A step that failed without a failing test (a crash, say) must not end in a green line.
const isFailed = failedSteps.length > 0;
if (isFailed && totals.failed === 0) totals.failed = failedSteps.length;
if (isFailed) process.stdout.write(`Failed: ${failedSteps.join(', ')}\n`);
process.stdout.write(`${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped\n`);
process.exit(isFailed || totals.failed > 0 ? 1 : 0);
