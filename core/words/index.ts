export { TOLD_IN_ENGLISH } from './issues.ts';
export { currencySign, moneyOf, type Purse } from './money.ts';
export { inEveryEnglish, quantityText, tell, tellAll, type Wording } from './tell.ts';
export {
  KM_PER_MILE,
  KPA_PER_PSI,
  M_PER_FOOT,
  UNIT_PRESETS,
  fromOwn,
  ownUnit,
  unitChoiceSchema,
  unitsOf,
  type OwnUnit,
  type UnitChoice,
  type UnitPreset,
  type Units,
} from './units.ts';
export { RIDING, type VehicleWord } from './vehicle-word.ts';
export { AMERICAN, VOCABULARIES, wordIn, wordsIn, type Vocabulary } from './vocabulary.ts';
