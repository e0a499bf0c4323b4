import type { StationId } from '@pincer/core/assess';

/** The eight stations, in the order of the job. */
export const STATION_TITLES: Readonly<Record<StationId, string>> = {
  light: 'Warning light',
  'plug-in': 'Connect',
  read: 'Read',
  meaning: 'Meaning',
  narrow: 'Narrow down',
  decide: 'Decide',
  fix: 'Fix',
  prove: 'Prove it',
};
