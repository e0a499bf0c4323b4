import { OBSERVATIONS, type ObservationKey } from '@pincer/core/knowledge';
import { CAR, NOW } from '../test/make-case.ts';
import { instancesFor, strengthOf, strengthsOf } from './instances.ts';

test('the strengths of all causes at once are those of each, for every observation and cylinder', () => {
  for (const cylinders of [4, 8]) {
    const instances = instancesFor({ ...CAR, cylinders }, NOW);
    for (const key of Object.keys(OBSERVATIONS) as ObservationKey[])
      for (const cylinder of [null, 1, 4, 9])
        expect({ key, cylinder, strengths: [...strengthsOf(instances, key, cylinder)] }).toEqual({
          key,
          cylinder,
          strengths: instances.map((i) => strengthOf(i, key, cylinder)),
        });
  }
});
