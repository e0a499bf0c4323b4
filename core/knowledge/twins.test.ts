import { CHECKS, RETIRED_CHECKS, causeById, checkById } from './index.ts';

const WIRES = ['knock-sensor', 'iat-failed', 'coolant-sensor', 'rail-sensor', 'wheel-speed-sensor'];

describe('a part and what stands beside it', () => {
  test.each(WIRES)(
    '%s and its wire set the same codes, want different repairs, and share one prior',
    (of) => {
      const [part, wire] = [causeById(of), causeById(`${of}-wire`)];
      if (!part || !wire) throw new Error(`${of} has no wire of its own.`);
      for (const [key, p] of Object.entries(part.effects))
        if (key.startsWith('code:')) expect(wire.effects[key as keyof typeof wire.effects]).toBe(p);
      expect(wire.repair.parts).toBeLessThan(part.repair.parts);
      expect(part.title).not.toMatch(/wiring|connector/);
      expect(wire.prior).toBeGreaterThan(0.2 * part.prior);
    },
  );

  test.each(WIRES)('a look at the connector shows the wire of %s and says nothing of the part', (of) => {
    const plug = checkById('named-plug-look');
    expect(plug?.given[`${of}-wire`]?.[1]).toBe(0.5);
    expect(plug?.given[of]).toBeUndefined();
    expect(checkById('named-measure')?.given[of]?.[1]).toBe(0.75);
    // Something tells the two apart.
    const apart = CHECKS.filter((c) => (c.given[of] === undefined) !== (c.given[`${of}-wire`] === undefined));
    expect(apart.length).toBeGreaterThanOrEqual(2);
  });

  test('the relay of the glow plugs is told from the plugs by their supply and by their resistance', () => {
    expect(checkById('glow-feed')?.given['glow-plug']).toBeUndefined();
    expect(checkById('glow-feed')?.given['glow-relay']?.[1]).toBe(0.9);
    expect(checkById('glow-ohms')?.given['glow-relay']).toBeUndefined();
  });
});

test('a check that another one took in is not offered, and what a log holds of it still counts', () => {
  for (const { id } of RETIRED_CHECKS) {
    expect(CHECKS.some((c) => c.id === id)).toBe(false);
    expect(checkById(id)?.id).toBe(id);
  }
  expect(checkById('pedal-tracks')?.given['pedal-sensor']?.[1]).toBe(0.9);
  expect(checkById('bus-ohms')?.given['bus-terminator']?.[1]).toBe(0.92);
});

test.each([
  ['module-ground-bad', 'module-ground', 'ignition-module'],
  ['distributor-cap', 'distributor-open', 'distributor-pickup'],
  ['starter-cable', 'starter-volts', 'starter'],
  ['ac-relay', 'ac-relay-swap', 'ac-clutch'],
])('%s is shown by %s, which says nothing of %s', (twin, check, part) => {
  expect(causeById(twin)?.repair.title).not.toBe(causeById(part)?.repair.title);
  expect(checkById(check)?.given[twin]?.[1]).toBeGreaterThan(0.4);
  expect(checkById(check)?.given[part]).toBeUndefined();
});
