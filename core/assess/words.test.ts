import { FAILURES, GLOSSARY, describedCodes, explainCode } from '@pincer/core/codes';
import {
  CAUSES,
  CAUTIONS,
  CHECKS,
  OBSERVATIONS,
  TOOLS,
  askFor,
  procedureOf,
  type Cause,
} from '@pincer/core/knowledge';
import { LAMPS } from '@pincer/core/case';
import { FAILURE_CAUSES, FAILURE_STEPS, faultWords } from '@pincer/core/link';
import { GUIDED_STEPS, RULES } from '@pincer/core/signals';
import { PRELIMINARY_CHECKS, URGENCY_RULES } from '@pincer/core/urgency';
import { AMERICAN, tell, type Wording } from '@pincer/core/words';

/** Every text that an owner may read out of the core, with where it stands. */
type Text = readonly [where: string, text: string];

/** All sentences of a repair. */
function toldIn(cause: Cause): string[] {
  const { steps, beforeCovers, stuck, afterwards } = procedureOf(cause);
  return [
    ...steps.flatMap((s) => [s.text, ...(s.slip === undefined ? [] : [s.slip])]),
    ...beforeCovers,
    ...(stuck === undefined ? [] : [stuck]),
    ...afterwards,
    ...askFor(cause),
  ];
}

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
  ...CAUSES.flatMap((c) => toldIn(c).map((s): Text => [`repair of ${c.id}`, s])),
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

/** What stands elsewhere: lamps, tools, the way to a connection, what a rule expects. */
const OTHERS: readonly Text[] = [
  ...Object.entries(LAMPS).map(([id, t]): Text => [`lamp ${id}`, t]),
  ...Object.entries(TOOLS).map(([id, t]): Text => [`tool ${id}`, t]),
  ...RULES.flatMap((r) => [r.expected, r.source].map((t): Text => [`rule ${r.id}`, t])),
  ...FAILURE_CAUSES.map((c): Text => [`no connection ${c.id}`, c.title]),
  ...FAILURE_STEPS.flatMap((s) =>
    [s.title, s.how, ...s.answers.map((a) => a.title)].map((t): Text => [`connecting ${s.id}`, t]),
  ),
  ...URGENCY_RULES.flatMap((r) => [r.once, r.call ?? ''].map((t): Text => [`road ${r.id}`, t])),
];

const ALL: readonly Text[] = [...TITLES, ...SENTENCES, ...OTHERS];

const BRITISH: Wording = { units: 'metric', words: 'british' };
const AMERICAN_OWNER: Wording = { units: 'imperial', words: 'american' };

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

test('nobody’s van or motorcycle is called a car: the word is tagged', () => {
  // Any car will do to try an adapter on; of motorcycles that cannot be said.
  const asked = ALL.filter(([where]) => where !== 'connecting other-car');
  expect(bad(asked, (t) => !/(?<!\{)\bcars?\b(?! park\})/i.test(t))).toEqual([]);
});

test('a rider with a red light is told nothing that only a driver can do', () => {
  // No motorcycle here has a brake booster.
  const rules = URGENCY_RULES.filter((r) => !['hard-pedal', 'booster-leaks'].includes(r.id));
  const told = [
    ...rules.flatMap((r) =>
      [r.because, r.then, r.call ?? '', ...(r.minute ?? [])].map((t): Text => [`road ${r.id}`, t]),
    ),
    ...GUIDED_STEPS.map((s): Text => [`step ${s.id}`, s.how]),
  ].map(([where, t]): Text => [where, tell(t, { ...BRITISH, vehicle: 'motorcycle' })]);
  const drives = /\b(accelerator|parking brake|heater to|foot|feet|passenger|(?<!lever or )pedals?)\b/i;
  expect(bad(told, (t) => !drives.test(t))).toEqual([]);
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

describe('two Englishes and the owner’s units', () => {
  const told = (wording: Wording): Text[] => ALL.map(([where, text]) => [where, tell(text, wording)]);

  test('every tag is a word or a quantity that is known', () => {
    for (const wording of [BRITISH, AMERICAN_OWNER])
      expect(bad(told(wording), (t) => !/[{}]/.test(t.replace(/\{[nm]\}/g, '')))).toEqual([]);
  });

  test('an American owner reads no British word, and a British owner no American one', () => {
    const british = new RegExp(
      `\\b(${Object.keys(AMERICAN)
        // A coil's boot is one in both.
        .filter((w) => w !== 'boot')
        .join('|')})s?\\b`,
      'i',
    );
    expect(bad(told(AMERICAN_OWNER), (t) => !british.test(t))).toEqual([]);
    const american =
      /\b(hood|trunk|tires?|gasoline|freeways?|flashlight|windshield|curb|gray|aluminum|vapor|colou?red gray|center|jack stands?|jumper cables?|license plate)\b/i;
    expect(bad(told(BRITISH), (t) => !american.test(t))).toEqual([]);
  });

  test('every figure with a unit that owners have differently is tagged', () => {
    expect(
      bad(
        ALL,
        (t) => !/\d (km\/h|km|°C|kPa|bar|mm|cm|Nm|kg|mph|°F|psi)\b/.test(t.replace(/\{[^{}]*\}/g, '')),
      ),
    ).toEqual([]);
    expect(bad(told(AMERICAN_OWNER), (t) => !/\d (km\/h|km|°C|kPa|bar|mm|cm|Nm|kg)\b/.test(t))).toEqual([]);
    expect(bad(told(BRITISH), (t) => !/\d (mph|miles|°F|psi|in|ft|lb-ft)\b/.test(t))).toEqual([]);
  });

  test('titles of codes fit and stay apart in both', () => {
    for (const wording of [BRITISH, AMERICAN_OWNER]) {
      const titles = describedCodes().map((c) => tell(explainCode(c.code).title, wording));
      expect(new Set(titles).size).toBe(titles.length);
      expect(titles.filter((t) => t.length >= 60)).toEqual([]);
    }
  });
});

describe('one thing, one word', () => {
  /** Words that were given up, and where they may stand all the same. */
  const GIVEN_UP: readonly (readonly [word: RegExp, except?: RegExp])[] = [
    [/\bgearbox/i],
    [/\blamps?\b/i, /headlamp|alternator lamp/i],
    [/\b(mend|mends|mended|mending)\b/i],
    [/\brenew(ed|s|ing)?\b/i],
    [/\bexchanged?\b/i],
    [/\blicensed\b/i],
    [/\bloom\b/i, /chafed loom or water/],
    [/\bswarf\b|\bsieve\b|\baerial\b/i, /antenna \(aerial\)/],
    [/\brecirculation\b/i, /Exhaust gas recirculation \(EGR\)/],
    [/\bearth (lead|strap|cable)\b|\bearth off\b/i],
    [/\bplug (off|home|on)\b/i],
    [/\b(taught|learnt)\b/i],
    [/\ba like one\b|\bof itself\b|\bis the thing\b/i],
    [/handbook’s torque/i],
    [/\bpulls weakly|starts badly|steers heavily\b/i],
    [/\bhandbrake\b/i],
    [/\bV-ribbed belt\b/],
    [/\btraction battery\b|\bbig battery\b/i],
    [/\bsounds? the same\b/],
  ];
  test.each(GIVEN_UP.map(([word, except]) => [String(word), word, except] as const))(
    '%s',
    (_, word, except) => {
      expect(bad(ALL, (t) => !word.test(except ? t.replace(except, '') : t))).toEqual([]);
    },
  );
});

describe('steps and checks say what to do', () => {
  const STEPS: readonly Text[] = [
    ...CAUSES.flatMap((c) => toldIn(c).map((s): Text => [`repair of ${c.id}`, s])),
    ...CHECKS.map((c): Text => [`check ${c.id}`, c.how]),
    ...GUIDED_STEPS.map((s): Text => [`step ${s.id}`, s.how]),
  ];

  test('no sentence is longer than can be read at one go', () => {
    const longest = (t: string) =>
      Math.max(...t.split(/(?<=[.?!]) /).map((sentence) => sentence.split(/\s+/).length));
    expect(bad(STEPS, (t) => longest(t) <= 38)).toEqual([]);
  });

  test('a check is told as an instruction with what is normal, not as a row of questions', () => {
    // Questions of the owner's memory may be asked; what is to be looked at is told.
    expect(bad(STEPS, (t) => (t.match(/\?/g) ?? []).length <= 1)).toEqual([]);
  });
});
