import { CAR } from '../test/make-case.ts';
import { matchBulletins, queryOf, readBulletins, type Bulletin } from './index.ts';

const BOOTS: Bulletin = {
  id: 'finch-boots',
  kind: 'bulletin',
  title: 'Boots crack',
  text: 'In the wet.',
  source: 'Bulletin 1',
  date: '2015-01-01',
  for: { words: ['Tarrow', 'Finch'], fromYear: 2010, toYear: 2014, fuel: 'petrol', litres: 1.4 },
  codes: ['P0302'],
  calibrations: [],
  causes: ['coil-boot'],
};
const FINCH = {
  ...CAR,
  name: 'Tarrow Finch 1.4',
  year: 2012,
  fuel: 'petrol' as const,
  displacementLitres: 1.398,
};
const fits = (bulletin: Partial<Bulletin>, vehicle = FINCH, codes = ['P0302'], calibrations: string[] = []) =>
  matchBulletins([{ ...BOOTS, ...bulletin }], queryOf(vehicle, codes, calibrations)).length === 1;

describe('which bulletins are about a vehicle', () => {
  test.each([
    ['all of it fits', {}, true],
    ['another model', { for: { ...BOOTS.for, words: ['Tarrow', 'Wren'] } }, false],
    ['part of a word is no word', { for: { ...BOOTS.for, words: ['Fin'] } }, false],
    ['built later', { for: { ...BOOTS.for, fromYear: 2013 } }, false],
    ['another fuel', { for: { ...BOOTS.for, fuel: 'diesel' } }, false],
    ['another engine', { for: { ...BOOTS.for, litres: 1.6 } }, false],
    ['another code', { codes: ['P0420'] }, false],
    ['without a code it holds for all of them', { codes: [] }, true],
  ] as [string, Partial<Bulletin>, boolean][])('%s', (_, bulletin, expected) => {
    expect(fits(bulletin)).toBe(expected);
  });

  test('what is not known of the vehicle rules nothing out; a calibration serves as a code does', () => {
    const { year: _, displacementLitres: __, ...unknown } = FINCH;
    expect(fits({}, { ...unknown, fuel: 'petrol' } as typeof FINCH)).toBe(true);
    expect(fits({ codes: [], calibrations: ['TF14'] }, FINCH, [], ['TF14'])).toBe(true);
    expect(fits({ codes: [], calibrations: ['TF14'] }, FINCH, [], ['TF15'])).toBe(false);
  });

  test('what is asked names neither the owner nor the one vehicle', () => {
    const asked = JSON.stringify(
      queryOf(
        { ...FINCH, plate: 'HV 41 KLN', vin: 'ZZ9TR1F46CH000302', distanceKm: 168_400 },
        ['P0302'],
        ['TF14'],
      ),
    );
    for (const secret of ['HV 41', 'ZZ9TR', '168400', FINCH.id]) expect(asked).not.toContain(secret);
  });
});

describe('a file of bulletins', () => {
  const file = (bulletins: unknown) => JSON.stringify({ format: 'pincer-bulletins', version: 1, bulletins });

  test('read, or refused with its place', () => {
    expect(readBulletins(file([BOOTS]))).toEqual({ ok: true, bulletins: [BOOTS] });
    expect(readBulletins('{')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/not a JSON/) as string,
    });
    expect(readBulletins('{"format":"x"}')).toMatchObject({ ok: false });
    const bad = readBulletins(file([BOOTS, { ...BOOTS, date: 'soon' }]));
    expect(bad).toMatchObject({
      ok: false,
      message: expect.stringMatching(/bulletins\[2\]\.date/) as string,
    });
  });
});
