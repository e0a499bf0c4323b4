import { lampsOf } from './lamps-of.ts';

const NONE = new Map();

test('a motorcycle on petrol is asked for no airbag and no glow plugs, but for its ABS', () => {
  const lamps = lampsOf({ kind: 'motorcycle', fuel: 'petrol' }, NONE);
  expect(lamps).toEqual(expect.arrayContaining(['engine', 'oil', 'abs', 'charging', 'other']));
  for (const lamp of ['airbag', 'glow', 'particulate', 'steering', 'high-voltage'] as const)
    expect(lamps).not.toContain(lamp);
});

test('what is not known rules nothing out, and what was said stays in sight', () => {
  expect(lampsOf({ kind: 'car', fuel: 'unknown' }, NONE)).toEqual(
    expect.arrayContaining(['glow', 'high-voltage', 'airbag']),
  );
  expect(lampsOf({ kind: 'car', fuel: 'petrol' }, NONE)).not.toContain('glow');
  expect(lampsOf({ kind: 'car', fuel: 'petrol' }, new Map([['glow', {}]]))).toContain('glow');
});
