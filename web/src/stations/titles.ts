import type { StationId } from '@pincer/core/assess';

/** The eight stations, in the order of the job. */
export const STATION_TITLES: Readonly<Record<StationId, string>> = {
  light: 'Light',
  'plug-in': 'Plug in',
  read: 'Read',
  meaning: 'Meaning',
  narrow: 'Narrow',
  decide: 'Decide',
  fix: 'Fix',
  prove: 'Prove',
};
