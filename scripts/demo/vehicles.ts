import { moduleMapSchema, withCheckDigit, type Vehicle } from '@pincer/core/vehicle';
import {
  DRAY,
  DRAY_MODULES,
  FINCH,
  FINCH_MODULES,
  KESTRINE,
  KESTRINE_MODULES,
  type CarPlan,
} from '@pincer/simulator';

export const finch: Vehicle = {
  id: 'veh_finch',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  plate: 'HV 41 KLN',
  vin: FINCH.identity.vin,
  year: 2012,
  market: 'EU',
  fuel: 'petrol',
  displacementLitres: 1.4,
  cylinders: 4,
  aspiration: 'natural',
  gearbox: 'automatic',
  distanceKm: 168_400,
  inspectionDue: '2027-03-31',
  usualTrips: [
    { name: 'to the pottery', road: 'country', minutes: 24, distanceKm: 19, perWeek: 4 },
    { name: 'round the harbour', road: 'town', minutes: 12, distanceKm: 4, perWeek: 6 },
  ],
  moduleMap: moduleMapSchema.parse(FINCH_MODULES),
};
export const dray: Vehicle = {
  id: 'veh_dray',
  name: 'Ostler Dray 2.2 D',
  kind: 'van',
  plate: 'HV 87 TON',
  vin: DRAY.identity.vin,
  year: 2016,
  market: 'EU',
  fuel: 'diesel',
  displacementLitres: 2.2,
  cylinders: 4,
  aspiration: 'turbo',
  gearbox: 'manual',
  distanceKm: 241_900,
  inspectionDue: '2027-06-30',
  moduleMap: moduleMapSchema.parse(DRAY_MODULES),
};
export const kestrine: Vehicle = {
  id: 'veh_kestrine',
  name: 'Kestrine 650',
  kind: 'motorcycle',
  plate: 'HV 6 GLZ',
  vin: KESTRINE.identity.vin,
  year: 2019,
  market: 'EU',
  fuel: 'petrol',
  displacementLitres: 0.65,
  cylinders: 2,
  aspiration: 'natural',
  gearbox: 'manual',
  distanceKm: 38_200,
  moduleMap: moduleMapSchema.parse(KESTRINE_MODULES),
};
/** Looked at before buying; not hers. */
export const PIPPIN: CarPlan = {
  ...FINCH,
  identity: { ...FINCH.identity, vin: withCheckDigit('ZZ9MP1P20FH000951'), calibrationId: 'MP12-E5-0077' },
};
export const pippin: Vehicle = {
  id: 'veh_pippin',
  name: 'Marlow Pippin 1.4, for sale',
  kind: 'car',
  vin: PIPPIN.identity.vin,
  year: 2015,
  market: 'EU',
  fuel: 'petrol',
  displacementLitres: 1.4,
  cylinders: 4,
  aspiration: 'natural',
  distanceKm: 127_300,
};
