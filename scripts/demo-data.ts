import type { CaseFile } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { wetMornings } from './demo/wet-mornings.ts';
import { leanTwice } from './demo/lean-twice.ts';
import { borrowedReader } from './demo/borrowed-reader.ts';
import { manyAtOnce } from './demo/many-at-once.ts';
import { beforeBuying } from './demo/before-buying.ts';
import { finch, dray, kestrine, pippin } from './demo/vehicles.ts';

/**
 * The example logbook: a pottery teacher in a made-up harbour town and her three made-up vehicles. Readings
 * are taken from the stand-in through the real session, so they are what the program would have recorded.
 */

export async function demoLogbook(): Promise<{ vehicles: Vehicle[]; files: CaseFile[] }> {
  return {
    vehicles: [finch, dray, kestrine, pippin],
    files: [
      await wetMornings(),
      await leanTwice(),
      await borrowedReader(),
      await manyAtOnce(),
      await beforeBuying(),
    ],
  };
}
