import type { Vehicle } from '@pincer/core/vehicle';
import type { PracticeCar } from './task.ts';

/** What is known of the made-up vehicles of the practice bay. */
export const PRACTICE_VEHICLES: Readonly<Record<PracticeCar, Omit<Vehicle, 'id'>>> = {
  finch: {
    name: 'Practice: Tarrow Finch 1.4',
    kind: 'car',
    fuel: 'petrol',
    year: 2012,
    displacementLitres: 1.4,
    cylinders: 4,
    aspiration: 'natural',
    gearbox: 'automatic',
    distanceKm: 168_400,
    isPractice: true,
  },
  dray: {
    name: 'Practice: Ostler Dray 2.2',
    kind: 'van',
    fuel: 'diesel',
    year: 2016,
    displacementLitres: 2.2,
    cylinders: 4,
    aspiration: 'turbo',
    distanceKm: 231_000,
    isPractice: true,
  },
  kestrine: {
    name: 'Practice: Kestrine 650',
    kind: 'motorcycle',
    fuel: 'petrol',
    year: 2019,
    displacementLitres: 0.65,
    cylinders: 2,
    aspiration: 'natural',
    distanceKm: 31_000,
    isPractice: true,
  },
};
