export { MARKETS, socketCoverage, type Coverage, type Market } from './coverage.ts';
export {
  moduleMapSchema,
  readModuleMap,
  type MappedModule,
  type ModuleMap,
  type ModuleMapResult,
} from './module-map.ts';
export { draftMap, mergeMaps, nameOfFound } from './draft-map.ts';
export { socketPlaces, wheelSideOf, type SocketPlace, type WheelSide } from './socket-places.ts';
export {
  ASPIRATIONS,
  FUELS,
  GEARBOXES,
  ROADS,
  acceptCode,
  acceptedNow,
  ageOf,
  cylindersOf,
  isMotorcycle,
  vehicleSchema,
  withdrawCode,
  type AcceptedCode,
  type Fuel,
  type MakerCodes,
  type RoadKind,
  type UsualTrip,
  type Vehicle,
  type VehicleService,
} from './vehicle.ts';
export { checkDigit, readVin, withCheckDigit, type VinReport } from './vin.ts';
export { compareVins, type VinComparison } from './vin-comparison.ts';
