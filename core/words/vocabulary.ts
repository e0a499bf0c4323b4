/** Which English the owner reads; told apart by the words that differ, not by two copies of every text. */
export const VOCABULARIES = ['british', 'american'] as const;
export type Vocabulary = (typeof VOCABULARIES)[number];

/**
 * Words that differ, British to American. Texts hold the British word in braces: `{bonnet}`. Petrol is never “gas”,
 * which may mean refrigerant, exhaust or LPG.
 */
export const AMERICAN: Readonly<Record<string, string>> = {
  aluminium: 'aluminum',
  'axle stand': 'jack stand',
  bonnet: 'hood',
  boot: 'trunk',
  'breakdown service': 'roadside assistance service',
  'car park': 'parking lot',
  catalogue: 'catalog',
  centre: 'center',
  colour: 'color',
  coloured: 'colored',
  earthed: 'grounded',
  'engine bay': 'engine compartment',
  'fire brigade': 'fire department',
  'flat battery': 'dead battery',
  'gear lever': 'shift lever',
  grey: 'gray',
  handbook: 'owner’s manual',
  'headlamp levelling': 'headlight leveling',
  'honey-coloured': 'honey-colored',
  immobiliser: 'immobilizer',
  'jump lead': 'jumper cable',
  kerb: 'curb',
  kilometre: 'kilometer',
  labour: 'labor',
  labouring: 'laboring',
  litre: 'liter',
  metre: 'meter',
  motorway: 'freeway',
  neighbour: 'neighbor',
  'number plate': 'license plate',
  overtaking: 'passing',
  petrol: 'gasoline',
  pressurised: 'pressurized',
  pressurises: 'pressurizes',
  'rear screen': 'rear window defroster',
  recognised: 'recognized',
  refuelled: 'refueled',
  refuelling: 'refueling',
  scuttle: 'cowl',
  spanner: 'wrench',
  sump: 'oil pan',
  torch: 'flashlight',
  'tow bar': 'trailer hitch',
  tyre: 'tire',
  vapour: 'vapor',
  'wheel arch': 'wheel well',
  'wheel-arch': 'wheel-well',
  windscreen: 'windshield',
  'workshop manual': 'service manual',
  workshop: 'shop',
};

/** Words whose plural is not the word with an s. */
const PLURALS: Readonly<Record<string, string>> = { torches: 'torch', 'wheel arches': 'wheel arch' };
const AMERICAN_PLURALS: Readonly<Record<string, string>> = {
  'dead batteries': 'dead battery',
  wrenches: 'wrench',
  'trailer hitches': 'trailer hitch',
};

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** Says a tag by how its word is said in small letters, with its capital kept; null where that is none. */
export function withCapital(tag: string, say: (word: string) => string | null): string | null {
  if (!/^[A-Z]/.test(tag)) return say(tag);
  const said = say(tag.charAt(0).toLowerCase() + tag.slice(1));
  return said === null ? null : capital(said);
}

function plural(word: string): string {
  const own = Object.entries(AMERICAN_PLURALS).find(([, one]) => one === word);
  return own?.[0] ?? `${word}s`;
}

/** Only what the table itself holds: a tag may be named as anything. */
const of = (table: Readonly<Record<string, string>>, word: string): string | null =>
  Object.hasOwn(table, word) ? (table[word] ?? null) : null;

function american(word: string): string | null {
  const one = of(AMERICAN, word);
  if (one !== null) return one;
  const singular = of(PLURALS, word) ?? (word.endsWith('s') ? word.slice(0, -1) : word);
  const many = of(AMERICAN, singular);
  return many === null ? null : plural(many);
}

const UNTAGGED = new RegExp(
  `\\b(${Object.keys(AMERICAN)
    .sort((a, b) => b.length - a.length)
    .join('|')})(s?)\\b`,
  'gi',
);

/**
 * The same for a text that a log keeps and that holds no tags: the name or the value of a reading. Not for what an owner
 * has written.
 */
export function wordsIn(text: string, vocabulary: Vocabulary): string {
  return vocabulary === 'british' ? text : text.replace(UNTAGGED, (word) => wordIn(word, vocabulary) ?? word);
}

/** A tagged word as the owner says it, with its capital kept; null for what is no word that differs. */
export function wordIn(tag: string, vocabulary: Vocabulary): string | null {
  return withCapital(tag, (word) => {
    const other = american(word);
    return other === null || vocabulary === 'american' ? other : word;
  });
}
