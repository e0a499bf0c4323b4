import { assess, handover } from '@pincer/core/assess';
import { DEFAULT_OWNER, foldCase } from '@pincer/core/case';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';

const BULLETIN = {
  kind: 'bulletin',
  bulletin: {
    id: 'boots',
    kind: 'bulletin',
    title: 'Boots crack in the wet',
    text: 'They do.',
    remedy: 'New boots.',
    source: 'Bulletin 14',
    date: '2015-01-01',
    for: { words: ['Finch'] },
    codes: ['P0302'],
    calibrations: [],
    causes: ['coil-boot'],
  },
} as const;
const SCAN = scanEntry(makeScan(['P0302']));
const withIt = makeCase(SCAN, structuredClone(BULLETIN) as unknown as Parameters<typeof makeCase>[0]);

test('a bulletin speaks for the causes that it names, in every cylinder, and stands in the handover', () => {
  const [plain, told] = [assess(makeCase(SCAN), CAR, NOW), assess(withIt, CAR, NOW)];
  const boot = (a: typeof plain) => a.causes.find((c) => c.id === 'coil-boot:2')?.probability ?? 0;
  expect(boot(told)).toBeGreaterThan(1.3 * boot(plain));
  expect(told.facts.find((f) => f.id === 'bulletin:boots')?.title).toBe('Bulletin: Boots crack in the wet');
  const sheet = handover(foldCase(withIt), CAR, DEFAULT_OWNER, told, false);
  expect(sheet.parts.find((p) => p.title === 'Recalls and bulletins')?.lines).toEqual([
    'Boots crack in the wet (Bulletin 14). New boots.',
  ]);
});
