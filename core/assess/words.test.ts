import { FAILURES, GLOSSARY, describedCodes, explainCode } from '@pincer/core/codes';
import { CAUSES, CAUTIONS, CHECKS, OBSERVATIONS } from '@pincer/core/knowledge';
import { faultWords } from '@pincer/core/link';
import { GUIDED_STEPS, RULES } from '@pincer/core/signals';
import { PRELIMINARY_CHECKS, URGENCY_RULES } from '@pincer/core/urgency';

/** Every text that an owner may read out of the core, with where it stands. */
type Text = readonly [where: string, text: string];

const TITLES: readonly Text[] = [
  ...CAUSES.map((c): Text => [`cause ${c.id}`, c.title]),
  ...CAUSES.map((c): Text => [`repair of ${c.id}`, c.repair.title]),
  ...CHECKS.map((c): Text => [`check ${c.id}`, c.title]),
  ...CHECKS.flatMap((c) => c.outcomes.map((o): Text => [`result of ${c.id}`, o.title])),
  ...RULES.map((r): Text => [`rule ${r.id}`, r.title]),
  ...GUIDED_STEPS.map((s): Text => [`step ${s.id}`, s.title]),
  ...Object.entries(OBSERVATIONS).map(([key, o]): Text => [`observation ${key}`, o.title]),
  ...describedCodes().map((c): Text => [`code ${c.code}`, explainCode(c.code).title]),
];

const SENTENCES: readonly Text[] = [
  ...CAUSES.flatMap((c) => c.repair.steps.map((s): Text => [`repair of ${c.id}`, s])),
  ...CHECKS.map((c): Text => [`check ${c.id}`, c.how]),
  ...CHECKS.flatMap((c) => c.outcomes.map((o): Text => [`result of ${c.id}`, o.says])),
  ...RULES.map((r): Text => [`rule ${r.id}`, r.toJudge]),
  ...GUIDED_STEPS.map((s): Text => [`step ${s.id}`, s.how]),
  ...URGENCY_RULES.flatMap((r) =>
    [r.because, r.then, ...(r.minute ?? [])].map((t): Text => [`road ${r.id}`, t]),
  ),
  ...PRELIMINARY_CHECKS.flatMap((t) =>
    Object.values(t)
      .filter((v) => typeof v === 'string' && v.includes(' '))
      .map((v): Text => [`first ${t.id}`, String(v)]),
  ),
  ...Object.entries(CAUTIONS).map(([id, c]): Text => [
    `caution ${id}`,
    typeof c === 'string' ? c : JSON.stringify(c),
  ]),
  ...GLOSSARY.map((g): Text => [`word ${g.id}`, g.text]),
  ...describedCodes().map((c): Text => [`code ${c.code}`, explainCode(c.code).meaning]),
];

const bad = (texts: readonly Text[], holds: (text: string) => boolean): string[] =>
  texts.filter(([, text]) => !holds(text)).map(([where, text]) => `${where}: ${text}`);

test('there is something to read', () => {
  expect(TITLES.length).toBeGreaterThan(3_500);
  expect(SENTENCES.length).toBeGreaterThan(3_500);
});

test('titles are headings: no full stop, a capital or a figure to begin with', () => {
  expect(bad(TITLES, (t) => !/[.;:,]$/.test(t))).toEqual([]);
  expect(bad(TITLES, (t) => /^[A-Z0-9“{]/.test(t))).toEqual([]);
});

test('sentences end, and begin with a capital', () => {
  expect(
    bad(
      SENTENCES.filter(([w]) => !w.startsWith('first') && !w.startsWith('caution')),
      (t) => /[.?!]$/.test(t),
    ),
  ).toEqual([]);
  expect(
    bad(
      SENTENCES.filter(([w]) => !w.startsWith('first') && !w.startsWith('caution')),
      (t) => /^[A-Z0-9“{‘]/.test(t),
    ),
  ).toEqual([]);
});

test('the typography is that of print: no straight apostrophes, doubled spaces, or spaces before a stop', () => {
  const all = [...TITLES, ...SENTENCES];
  expect(bad(all, (t) => !/\w'\w/.test(t))).toEqual([]);
  expect(bad(all, (t) => !/ {2}/.test(t))).toEqual([]);
  expect(bad(all, (t) => !/ [.,;?!]/.test(t))).toEqual([]);
  expect(bad(all, (t) => !/\bundefined\b|\bnull\b|\[object/.test(t))).toEqual([]);
});

test('no workshop’s letters without a word for them', () => {
  // The terms stand beside the words once, at the code and in the glossary; nowhere else are they needed.
  const plain = [...TITLES, ...SENTENCES].filter(
    ([where]) => !where.startsWith('word') && !where.startsWith('code'),
  );
  expect(
    bad(plain, (t) => !/\b(DTC|MIL|ECU|ECM|PCM|TCM|MAF|MAP|IAT|TPS|CKP|CMP|HO2S|DPF|SCR|VVT|PID)\b/.test(t)),
  ).toEqual([]);
});

test('every link fault has its sentence and its next step', () => {
  const codes = [
    'cut',
    'cancelled',
    'unable-to-connect',
    'no-data',
    'can-error',
    'bus-init',
    'bus-error',
    'bus-busy',
    'feedback',
    'data-error',
    'buffer-full',
    'stopped',
    'unknown-command',
    'low-voltage-reset',
    'power-alert',
  ] as const;
  for (const code of codes) {
    const words = faultWords({ code });
    expect(words.sentence).toMatch(/\.$/);
    expect(words.next).toMatch(/\.$/);
    expect(words.sentence).not.toMatch(/\b[A-Z]{3,}\b(?!.*“)/);
  }
});

test('every way of failing reads on in “the control unit saw …”', () => {
  for (const { saw, phrase } of Object.values(FAILURES)) {
    expect(saw).toMatch(/^[a-z]/);
    expect(saw).not.toMatch(/\.$/);
    expect(phrase).not.toMatch(/[.:]$/);
  }
});
