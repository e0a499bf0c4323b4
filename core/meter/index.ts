export {
  chargeAtRest,
  chargingBand,
  daysToHalf,
  dividerVolts,
  dutyOf,
  heater,
  jointMilliohms,
  signalVolts,
  toothHertz,
  windingOhms,
} from './electrical.ts';
export { clutchSlip } from './driveline.ts';
export { bandOf, type Band, type Missing } from './expected.ts';
export { bandText, shown } from './figures.ts';
export {
  expectedText,
  failedDensity,
  judgeMeasurement,
  soundDensity,
  takenText,
  valuesOf,
  type Judged,
  type JudgedValue,
  type Unjudged,
} from './judge.ts';
export {
  CONDITIONS,
  METER_UNITS,
  takingSchema,
  type Condition,
  type Expected,
  type ManualFigures,
  type Measurement,
  type MeterValue,
  type Quantity,
  type Taken,
  type Taking,
} from './measurement.ts';
export { OUTLIER, median, robustScores } from './odd-one-out.ts';
export { airPressureAt, crankingPressure, heightOf } from './pressure.ts';
export { slipIn, type Slip } from './slips.ts';
export {
  steinhartHartCelsius,
  steinhartHartOf,
  thermistorCelsius,
  thermistorOf,
  thermistorOhms,
} from './thermistor.ts';
