import fc from 'fast-check';
import type { FoundUnit } from '@pincer/core/obd';
import { draftMap, mergeMaps, moduleMapSchema, nameOfFound, readModuleMap } from './index.ts';

const found = (request: string, answer: string, rest: Partial<FoundUnit> = {}): FoundUnit => ({
  request,
  answer,
  language: 'iso-14229',
  name: null,
  partNumber: null,
  software: null,
  vin: null,
  codes: 0,
  why: null,
  wasAsleep: false,
  ...rest,
});

describe('a map from what a search has found', () => {
  test('named by itself, by its address, or by its id; the engine is left to the standard', () => {
    const units = [
      found('7E0', '7E8', { name: 'Engine' }),
      found('743', '763', { name: 'Stability control', partNumber: '61 204 A', software: '0304' }),
      found('18DA30F1', '18DAF130'),
      found('8058F1', '58', { language: 'iso-14230' }),
      found('6C0', '6C8'),
    ];
    const map = draftMap(units, undefined, 'Finch', { '6C0': 'Tailgate' });
    expect(map?.modules.map((m) => [m.id, m.name, m.request, m.answer])).toEqual([
      ['stability-control', 'Stability control', '743', '763'],
      ['steering', 'Steering', '18DA30F1', '18DAF130'],
      ['airbags-and-belts', 'Airbags and belts', '8058F1', '58'],
      ['tailgate', 'Tailgate', '6C0', '6C8'],
    ]);
    expect(map?.modules[0]?.tells).toEqual({
      name: 'Stability control',
      partNumber: '61 204 A',
      software: '0304',
    });
    expect(map?.modules[2]?.language).toBe('iso-14230');
    expect(nameOfFound(found('6C0', '6C8'))).toEqual({ name: 'Unit 6C0', by: 'its id' });
    expect(draftMap([found('7E0', '7E8')], undefined, 'Finch')).toBeNull();
  });

  test('what the owner has named stays; what stayed silent stays; no vehicle number goes into a map for others', () => {
    const first = draftMap([found('6C0', '6C8'), found('6D0', '6D8')], undefined, 'Finch', {
      '6C0': 'Doors',
    });
    if (!first) throw new Error('no map');
    const again = draftMap(
      [found('6C0', '6C8', { name: 'BODY 2', vin: 'ZZ9TR1F46CH000302' })],
      first,
      'Other',
    );
    expect(again?.name).toBe('Finch');
    expect(again?.modules.map((m) => m.name)).toEqual(['Doors', 'Unit 6D0']);
    expect(again?.modules[0]?.tells?.name).toBe('BODY 2');
    expect(JSON.stringify(again)).not.toContain('ZZ9TR1F46CH000302');
  });

  const id = fc.integer({ min: 0x600, max: 0x7f0 }).map((n) => n.toString(16).toUpperCase());
  const unit = fc
    .tuple(id, id, fc.option(fc.string({ minLength: 1, maxLength: 90 }), { nil: null }))
    .map(([request, answer, name]) => found(request, answer, { name }));

  test('whatever is found, the map is valid, is read back, and a second search of the same adds nothing', () => {
    fc.assert(
      fc.property(fc.array(unit, { maxLength: 80 }), (units) => {
        const map = draftMap(units, undefined, 'Any');
        if (!map) return;
        expect(moduleMapSchema.safeParse(map).success).toBe(true);
        expect(readModuleMap(JSON.stringify(map))).toEqual({ ok: true, map });
        expect(draftMap(units, map, 'Any')?.modules.length).toBe(map.modules.length);
      }),
    );
  });

  test('merging keeps one’s own and adds the rest', () => {
    fc.assert(
      fc.property(fc.array(unit, { maxLength: 20 }), fc.array(unit, { maxLength: 20 }), (a, b) => {
        const [own, other] = [draftMap(a, undefined, 'Own'), draftMap(b, undefined, 'Other')];
        if (!own || !other) return;
        const merged = mergeMaps(own, other);
        expect(moduleMapSchema.safeParse(merged).success).toBe(true);
        expect(merged.modules.slice(0, own.modules.length)).toEqual(own.modules);
        for (const m of other.modules)
          expect(merged.modules.some((x) => x.request === m.request || x.answer === m.answer)).toBe(true);
      }),
    );
  });
});
