import type { AllowanceLevel } from '@pincer/core/urgency';

/** Share of the strip that is asphalt, per cent, by how far it may still be driven. */
export const ROAD_SHARE: Readonly<Record<AllowanceLevel, number>> = {
  'stop-here': 7,
  'safe-place': 21,
  'short-trips': 40,
  'some-weeks': 64,
  'no-limit': 100,
};

/** More than any: of what is closed, or not worked out yet. */
export const NO_SHARE = 101;
