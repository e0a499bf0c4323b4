import { causeById } from '@pincer/core/knowledge';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { OFFER_WORDS } from './offer-words.ts';
import { judgeOffers } from './offers.ts';
import { amountOf, assess } from './index.ts';

const WET = assess(
  makeCase(
    { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
    saw('sign:shakes'),
    saw('sign:wet'),
    scanEntry(makeScan(['P0302'])),
  ),
  CAR,
  NOW,
);
const judge = (...texts: string[]) =>
  judgeOffers(
    texts.map((text, i) => ({ id: `ent_${i}`, name: `Offer ${i + 1}`, text })),
    WET,
  );
const line = (text: string) => judge(text)[0]?.lines[0];

test('every cause that a word stands for is in the library', () => {
  const causes = OFFER_WORDS.flatMap(([, ids]) => ids).map((id) => causeById(id)?.title ?? `no ${id}`);
  // Titles are written in small letters here before they are told: a unit in one would not be known again.
  expect(causes.filter((t) => /^no |\{(?!n\})/.test(t))).toEqual([]);
});

test.each([
  ['Glow plugs x4 90', 'glow-plug'],
  ['4 spark plugs 32', 'plug'],
  ['Spark plug leads 40', 'leads-worn'],
  ['Plug boots 30', 'coil-boot'],
  ['Coil boot cylinder 2 18', 'coil-boot'],
  ['Ignition coil 45', 'coil'],
  ['DPF pressure sensor 80', 'dpf-sensor'],
  ['DPF clean 250', 'particulate-full'],
  ['Turbo hose 60', 'charge-hose'],
  ['Turbocharger 900', 'turbo-worn'],
  ['EGR cooler 400', 'egr-cooler-leak'],
  ['Front O2 sensor 95', 'oxygen-front'],
  ['Timing chain kit 700', 'timing-stretched'],
])('“%s” repairs %s', (text, cause) => {
  const [, causes = []] = OFFER_WORDS.find(([words]) => words.test(text)) ?? [];
  expect(causes).toContain(cause);
});

test.each([
  ['Ignition coil 45.00', 45],
  ['Labour 1,240.00 €', 1240],
  ['Arbeitslohn 1.240,50', 1240.5],
  ['Total: €85', 85],
  ['4 spark plugs 32,00 EUR', 32],
  ['Discount -20', -20],
  ['Please call us on Monday', null],
])('amount of “%s”: %s', (text, amount) => {
  expect(amountOf(text)).toBe(amount);
});

test.each<[string, string]>([
  ['Coil boot cylinder 2 18.00', 'repair'],
  ['Ignition coil 45.00', 'repair'],
  ['Front O2 sensor 120', 'repair'],
  ['Catalytic converter 780.00', 'repair'],
  ['Glow plugs x4 90', 'repair'],
  ['Oil change with filter 89.00', 'service'],
  ['Cabin filter 24', 'service'],
  ['Brake pads front 110', 'service'],
  ['Diagnosis 75.00', 'diagnosis'],
  ['Labor 2.5 hrs 225', 'labour'],
  ['Total 900', 'total'],
  ['Handling 12', 'unknown'],
])('“%s” is a line of %s', (text, kind) => {
  expect(line(text)?.kind).toBe(kind);
});

describe('held against a misfire in the wet', () => {
  test('what the evidence asks for, and what nothing asks for', () => {
    expect(line('Coil boot 18')?.says).toMatch(/^This pays for “coil boot.*supports at \d+ %\.$/);
    expect(line('Catalytic converter 780')?.says).toBe('Nothing that was read or found asks for this.');
  });

  test('the offer that cures it cheaply comes before the one that only looks cheap', () => {
    const [first, second] = judge(
      'Oxygen sensor, front 95\nTotal 95',
      'Coil boot 18\nLabour 60\nDiagnosis 40\nTotal 118',
    );
    expect(first?.name).toBe('Offer 2');
    expect(first?.success).toBeGreaterThan(0.3);
    expect(second?.expected).toBeGreaterThan(second?.total ?? Infinity);
  });

  test('questions are asked of what is not supported, and of what nobody names', () => {
    const [offer] = judge('Catalytic converter 780.00\nHandling 12');
    expect(offer?.questions.join(' ')).toContain(
      'What was measured that shows that “Catalytic converter” is needed?',
    );
    expect(offer?.questions.join(' ')).toContain('What is “Handling” for?');
    expect(offer?.total).toBe(792);
    // A plain service asks for nothing.
    expect(judge('Oil change 89')[0]?.questions).toEqual([]);
  });

  test('the advice holds those of the log, the better one first', () => {
    const { offers } = assess(
      makeCase(
        { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
        scanEntry(makeScan(['P0302'])),
        { kind: 'offer', name: 'The dearer one', text: 'Catalytic converter 780.00' },
        { kind: 'offer', name: 'The better one', text: 'Coil boot 18' },
      ),
      CAR,
      NOW,
    );
    expect(offers.map((o) => o.name)).toEqual(['The better one', 'The dearer one']);
  });
});
