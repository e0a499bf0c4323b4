/** What the 17 characters tell, and what they do not. */
export type VinReport =
  | {
      ok: true;
      vin: string;
      /** Character 9 is right. Required in North America, a hint elsewhere. */
      isCheckDigitRight: boolean;
      /** Where the maker's code was given, by its first two characters: not where this one was built, nor where it was sold. */
      region: string;
      /** Calendar year by the North American rule for character 10; null where the character is not a year code. */
      modelYear: number | null;
      /** The year is only certain where the rule is law. */
      isModelYearCertain: boolean;
    }
  | { ok: false; problem: 'length' | 'characters'; message: string };

/** Transliteration of letters to numbers (49 CFR 565.15, table III). */
const LETTER_VALUES: Readonly<Record<string, number>> = {
  A: 1,
  B: 2,
  C: 3,
  D: 4,
  E: 5,
  F: 6,
  G: 7,
  H: 8,
  J: 1,
  K: 2,
  L: 3,
  M: 4,
  N: 5,
  P: 7,
  R: 9,
  S: 2,
  T: 3,
  U: 4,
  V: 5,
  W: 6,
  X: 7,
  Y: 8,
  Z: 9,
};

/** Weights by position (49 CFR 565.15, table IV). */
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2] as const;

/** Year codes of character 10, beginning with 1980 and 2010. */
const YEAR_CODES = 'ABCDEFGHJKLMNPRSTVWXY123456789';

/**
 * The check digit that a VIN should have at position 9: weighted sum modulo 11, X for 10.
 * @param vin 17 characters without I, O and Q.
 */
export function checkDigit(vin: string): string {
  const sum = Array.from(vin).reduce((total, c, i) => {
    const value = /\d/.test(c) ? Number(c) : (LETTER_VALUES[c] ?? 0);
    return total + value * (WEIGHTS[i] ?? 0);
  }, 0);
  const rest = sum % 11;
  return rest === 10 ? 'X' : String(rest);
}

/**
 * Reads a vehicle identification number; white space and dashes are ignored, nothing else is corrected.
 * @param kind of vehicle: only of cars and light vans does the seventh character tell which thirty years it is of.
 */
export function readVin(text: string, kind: 'car' | 'van' | 'motorcycle' = 'car'): VinReport {
  const vin = text.toUpperCase().replace(/[\s-]/g, '');
  if (vin.length !== 17)
    return { ok: false, problem: 'length', message: `A VIN has 17 characters; this has ${vin.length}.` };
  const wrong = Array.from(vin).filter((c) => !/[A-HJ-NPR-Z0-9]/.test(c));
  if (wrong.length > 0) {
    return {
      ok: false,
      problem: 'characters',
      message: `A VIN never has ${[...new Set(wrong)].join(', ')}. I, O and Q are left out so that they are not taken for 1 and 0.`,
    };
  }
  const first = vin[0] ?? '';
  const isNorthAmerican = /[1-5]/.test(first);
  return {
    ok: true,
    vin,
    isCheckDigitRight: checkDigit(vin) === vin[8],
    region: regionOf(vin.slice(0, 2)),
    modelYear: modelYear(vin, kind),
    isModelYearCertain: isNorthAmerican && kind !== 'motorcycle' && checkDigit(vin) === vin[8],
  };
}

/** ISO 3780: region by the first two characters of the maker's code; some letters are shared. */
function regionOf(code: string): string {
  const [first = '', second = ''] = code;
  // New Zealand has 7A to 7E; the rest of the sevens went to the United States.
  if (first === '7') return /[A-E]/.test(second) ? 'Oceania' : 'North America';
  if (/[A-H]/.test(first)) return 'Africa';
  if (/[J-R]/.test(first)) return 'Asia';
  if (/[S-Z]/.test(first)) return 'Europe';
  if (/[1-5]/.test(first)) return 'North America';
  if (first === '6') return 'Oceania';
  return /[89]/.test(first) ? 'South America' : 'not assigned';
}

/**
 * Character 10 repeats after 30 years; a letter at position 7 means 2010 on, of passenger cars and light trucks alone
 * (49 CFR 565.15). Of others the year is not told.
 */
function modelYear(vin: string, kind: 'car' | 'van' | 'motorcycle'): number | null {
  if (kind === 'motorcycle') return null;
  const code = YEAR_CODES.indexOf(vin[9] ?? '');
  if (code < 0) return null;
  return (/[A-Z]/.test(vin[6] ?? '') ? 2010 : 1980) + code;
}

/** Puts the right check digit into a made-up VIN. */
export function withCheckDigit(vin: string): string {
  return vin.slice(0, 8) + checkDigit(vin) + vin.slice(9);
}
