import { isSupportPid, supportBitmap } from '@pincer/core/obd';
import type { Engine } from './engine.ts';

/** One on-board test result: monitor, test, scaling, value and limits as raw numbers (SAE J1979, service 06). */
interface TestResult {
  monitor: number;
  test: number;
  scaling: number;
  value: number;
  min: number;
  max: number;
}

const MILLISECONDS = 0x10;
const COUNT = 0x24;
const VOLTS = 0x0b;
const RATIO = 0x05;

/** What this engine's own tests measured last. */
function resultsOf(engine: Engine): TestResult[] {
  const { cylinders, ignition } = engine.options.plan;
  if (ignition === 'compression') return [];
  const misfires = Array.from({ length: cylinders }, (_, i): TestResult[] => {
    const count = engine.missedStrokes(i + 1);
    return [
      {
        monitor: 0xa2 + i,
        test: 0x0b,
        scaling: COUNT,
        value: Math.min(65_535, Math.round(count * 0.6)),
        min: 0,
        max: 65_535,
      },
      { monitor: 0xa2 + i, test: 0x0c, scaling: COUNT, value: Math.min(65_535, count), min: 0, max: 65_535 },
    ];
  }).flat();
  return [
    {
      monitor: 0x01,
      test: 0x05,
      scaling: MILLISECONDS,
      value: engine.has('front-oxygen-lazy') ? 190 : 62,
      min: 0,
      max: 150,
    },
    {
      monitor: 0x01,
      test: 0x07,
      scaling: VOLTS,
      value: engine.has('front-oxygen-lazy') ? 380 : 70,
      min: 0,
      max: 300,
    },
    {
      monitor: 0x21,
      test: 0x84,
      scaling: RATIO,
      value: engine.has('catalyst-worn') ? 23_700 : 4_300,
      min: 0,
      max: 20_000,
    },
    ...misfires,
  ];
}

const word = (n: number): number[] => [(n >> 8) & 0xff, n & 0xff];

/** Answers service 06: lists of monitors, or all results of one monitor. */
export function testResults(engine: Engine, asked: readonly number[]): number[][] {
  const results = resultsOf(engine);
  const monitors = [...new Set(results.map((r) => r.monitor))];
  const [first] = asked;
  if (first === undefined || results.length === 0) return [];
  if (isSupportPid(first)) {
    const body = asked.flatMap((base) => {
      if (!isSupportPid(base)) return [];
      const later = monitors.some((m) => m > base + 0x20);
      const bitmap = supportBitmap(base, [...monitors, ...(later ? [base + 0x20] : [])]);
      return bitmap.some((b) => b !== 0) ? [base, ...bitmap] : [];
    });
    return body.length > 0 ? [[0x46, ...body]] : [];
  }
  const mine = results.filter((r) => r.monitor === first);
  if (mine.length === 0) return [];
  return [
    [
      0x46,
      ...mine.flatMap((r) => [
        r.monitor,
        r.test,
        r.scaling,
        ...word(r.value),
        ...word(r.min),
        ...word(r.max),
      ]),
    ],
  ];
}
