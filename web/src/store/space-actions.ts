import type { SpaceUse } from '../ports/space.ts';
import type { AppThunk } from './store.ts';

/** The room on this device; each part null where the browser does not tell. */
export interface Space {
  use: SpaceUse | null;
  /** Whether the browser keeps this page's data when room gets short. */
  isPersisted: boolean | null;
}

/** Bytes that an hour of recording takes at the most: 120 values a second, each with its moment. */
const BYTES_AN_HOUR = 120 * 3_600 * 18;

/** Asks the browser for the room that there is. */
export function spaceOf(): AppThunk<Promise<Space>> {
  return async (_, __, { space }) => ({
    use: await space.estimate(),
    isPersisted: await space.isPersisted(),
  });
}

/** For how many hours of recording there is room; null where the browser does not tell. */
export function recordingHours(): AppThunk<Promise<number | null>> {
  return async (_, __, { space }) => {
    const use = await space.estimate();
    return use === null ? null : use.free / BYTES_AN_HOUR;
  };
}
