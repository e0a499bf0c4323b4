export { MARKETS, socketCoverage, type Coverage, type Market } from './coverage.ts';
export { FUELS, ageOf, cylindersOf, vehicleSchema, type Fuel, type Vehicle } from './vehicle.ts';
export { checkDigit, readVin, withCheckDigit, type VinReport } from './vin.ts';
