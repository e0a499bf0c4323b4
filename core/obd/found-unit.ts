/** What a control unit speaks: ISO 14229, or the older ISO 14230-3. */
export type UnitLanguage = 'iso-14229' | 'iso-14230';

/** A control unit that answered to a search, with what it tells of itself. */
export interface FoundUnit {
  /** Ids as printed: three hexadecimal digits, eight, or the three bytes of an older header. */
  request: string;
  /** Id that it answers with; two digits on the older lines. */
  answer: string;
  language: UnitLanguage;
  /** System name (F197; 1A 97), part number (F187; 1A 91) and software (F195; 1A 94), where it tells them. */
  name: string | null;
  partNumber: string | null;
  software: string | null;
  /** Vehicle number that it keeps (F190; 1A 90). */
  vin: string | null;
  /** How many codes it lists; null where it does not say. */
  codes: number | null;
  /** Why it does not tell its codes, in plain words; null where it does. */
  why: string | null;
  /** It answered only when it was asked again: it was asleep. */
  wasAsleep: boolean;
}
