import { matchBulletins, type Bulletin, type BulletinQuery } from '@pincer/core/bulletins';
import { FUELS } from '@pincer/core/vehicle';
import * as z from 'zod/mini';

/** Made-up recalls and bulletins of made-up makers: what a service of this kind would hold. */
const MADE_UP: readonly Bulletin[] = [
  {
    id: 'tarrow-2014-07',
    kind: 'bulletin',
    title: 'Coil boots crack where the plug wells stay damp',
    text: 'On engines built up to spring 2014 water gets into the plug wells through the bonnet seal. The boots crack and the engine misfires in the wet.',
    remedy: 'New boots with a longer lip, and the seal glued.',
    source: 'Tarrow, service bulletin 14-07 (made up)',
    date: '2014-07-01',
    for: { words: ['Tarrow', 'Finch'], fromYear: 2010, toYear: 2014, fuel: 'petrol', litres: 1.4 },
    codes: ['P0300', 'P0301', 'P0302', 'P0303', 'P0304'],
    calibrations: [],
    causes: ['coil-boot', 'plug-well-water'],
  },
  {
    id: 'tarrow-2013-02',
    kind: 'recall',
    title: 'Brake hose may rub on the wheel arch',
    text: 'The front left brake hose can touch the wheel-arch liner at full lock and wear through.',
    remedy: 'The hose is moved and its clip replaced, free of charge.',
    source: 'Tarrow, recall 13-02 (made up)',
    date: '2013-02-11',
    for: { words: ['Tarrow', 'Finch'], fromYear: 2011, toYear: 2012 },
    codes: [],
    calibrations: [],
    causes: [],
  },
  {
    id: 'ostler-2018-11',
    kind: 'bulletin',
    title: 'Charge air hose slips off its stub under load',
    text: 'The lower charge air hose can slip off after its clamp was opened. Boost is too low and the van goes into limp mode on hills.',
    remedy: 'A clamp with a spring, part of kit 18-11.',
    source: 'Ostler, service bulletin 18-11 (made up)',
    date: '2018-11-05',
    for: { words: ['Ostler', 'Dray'], fromYear: 2015, toYear: 2018, fuel: 'diesel' },
    codes: ['P0299'],
    calibrations: [],
    causes: ['charge-hose'],
  },
  {
    id: 'kestrine-2020-03',
    kind: 'recall',
    title: 'Regulator overheats behind the fairing',
    text: 'The regulator gets too little air in slow traffic and stops charging when it is hot.',
    remedy: 'A new regulator at another place, free of charge.',
    source: 'Kestrine, recall 20-03 (made up)',
    date: '2020-03-16',
    for: { words: ['Kestrine'], fromYear: 2018, toYear: 2020 },
    codes: ['P0562'],
    calibrations: [],
    causes: ['motorcycle-regulator'],
  },
];

const list = z.pipe(
  z._default(z.string().check(z.maxLength(2_000)), ''),
  z.transform((text) => text.split(',').filter((part) => part !== '')),
);
const numberOrNull = z.pipe(
  z.optional(z.coerce.number()),
  z.transform((n) => n ?? null),
);

/** What may be asked; anything else is refused before it is looked at. */
const querySchema = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(120)),
  year: numberOrNull,
  fuel: z._default(z.enum(FUELS), 'unknown'),
  litres: numberOrNull,
  codes: list,
  calibrations: list,
});

/** The service's answer to a question, in the open format; null where the question is none. */
export function bulletinsFor(
  asked: unknown,
): { format: 'pincer-bulletins'; version: 1; bulletins: Bulletin[] } | null {
  const query = querySchema.safeParse(asked);
  if (!query.success) return null;
  const found = matchBulletins(MADE_UP, query.data satisfies BulletinQuery);
  return { format: 'pincer-bulletins', version: 1, bulletins: found.map((m) => m.bulletin) };
}
