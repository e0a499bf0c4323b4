import type { LampId, LampMode } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

const MAP = {
  format: 'pincer-module-map',
  version: 1,
  name: 'Finch',
  modules: [{ id: 'abs', name: 'Brakes', does: '', request: '760', answer: '768' }],
} as const;
const lamp = (id: LampId, mode: LampMode = 'steady') => ({ kind: 'lamp', lamp: id, mode }) as const;
const unasked = (steps: Parameters<typeof makeCase>, vehicle: Partial<Vehicle> = {}) =>
  assess(makeCase(...steps), { ...CAR, ...vehicle }, NOW).unasked;

test('a light of a control unit that the reading did not reach names the way to ask it', () => {
  const [said, ...others] = unasked([lamp('airbag'), scanEntry(makeScan([]))]);
  expect(others).toEqual([]);
  expect(said).toMatch(
    /control unit of the airbags .* find the control units at Connect, or import a module map/,
  );
  expect(said).toMatch(/says it reads SRS/);
  expect(said).not.toMatch(/[{}]/);
});

test.each<[string, Parameters<typeof makeCase>, number]>([
  ['before any reading it is not the time for it', [lamp('airbag')], 0],
  ['a light that is out', [lamp('airbag', 'out'), scanEntry(makeScan([]))], 0],
  ['the engine’s own light', [lamp('engine'), scanEntry(makeScan([]))], 0],
  ['a code of that unit was read', [lamp('stability'), scanEntry(makeScan(['C0031']))], 0],
  ['a manufacturer’s code of the chassis was read', [lamp('brakes'), scanEntry(makeScan(['C1234']))], 0],
  ['a code of the engine explains no airbag', [lamp('airbag'), scanEntry(makeScan(['P0302']))], 1],
  ['a stability light at work', [lamp('stability', 'flashing'), scanEntry(makeScan([]))], 0],
  ['an old code explains no light of today', [lamp('airbag'), scanEntry(makeScan(['B0020:history']))], 1],
  ['two lights of one unit', [lamp('abs'), lamp('stability'), scanEntry(makeScan([]))], 1],
  ['two lights, two units', [lamp('airbag'), lamp('steering'), scanEntry(makeScan([]))], 2],
])('%s', (_, steps, count) => {
  expect(unasked(steps)).toHaveLength(count);
});

test('with a module map it asks whether the map has that unit', () => {
  const [said] = unasked([lamp('stability'), scanEntry(makeScan([]))], {
    moduleMap: { ...MAP, modules: MAP.modules.map((m) => ({ ...m })) },
  });
  expect(said).toMatch(/Check whether the module map of this vehicle has that unit/);
});
