import type { ExtraDrive, PlannedTrip } from '@pincer/core/inspection';

const ROAD_WORDS = { town: 'in town', country: 'on a country road', motorway: 'on the {motorway}' } as const;
const tankWords = ([from, to]: readonly [number, number]): string => `tank ${from} to ${to} % full`;

/** How to make a usual trip so that it counts. */
export function tripWords({ isFirst, tank }: Pick<PlannedTrip, 'isFirst' | 'tank'>): string {
  const ways = [
    ...(isFirst ? ['make it the first drive after a night'] : []),
    ...(tank ? [tankWords(tank)] : []),
  ];
  const text = ways.length > 0 ? ways.join(', ') : 'as usual';
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

/** One extra drive in a sentence. */
export function extraWords({ minutes, road, afterNight, coasts, tank, times }: ExtraDrive): string {
  return [
    `${minutes} minutes ${ROAD_WORDS[road]} at a steady {60 to 100 km/h} where it is allowed`,
    afterNight ? 'started cold after a night' : 'with the engine warm',
    ...(coasts ? ['with the foot off the pedal now and then, so that it coasts'] : []),
    ...(tank ? [tankWords(tank)] : []),
    ...(times > 1 ? [`on ${times} days`] : []),
  ]
    .join(', ')
    .concat('.');
}
