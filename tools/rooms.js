/**
 * The rooms and the arrows between them, as lint. A room may import what its row lists and nothing else;
 * parts of a room are only reached through its index.
 */

/** Rooms of the core and the core rooms that each may import. */
export const CORE_ARROWS = {
  words: [],
  obd: [],
  link: ['obd'],
  codes: ['obd'],
  vehicle: ['obd', 'words'],
  case: ['bulletins', 'meter', 'obd', 'signals', 'vehicle', 'words'],
  meter: [],
  signals: ['meter', 'obd', 'words'],
  knowledge: ['codes', 'meter', 'vehicle'],
  diagnosis: ['case', 'knowledge', 'vehicle'],
  urgency: ['case', 'codes', 'knowledge', 'obd', 'signals', 'vehicle'],
  decision: ['case', 'diagnosis', 'urgency', 'vehicle', 'words'],
  proof: ['case', 'knowledge', 'link', 'obd', 'signals'],
  inspection: ['case', 'knowledge', 'obd', 'vehicle'],
  service: ['vehicle'],
  bulletins: ['vehicle', 'words'],
  trend: ['case', 'meter', 'obd', 'signals'],
  assess: [
    'case',
    'codes',
    'decision',
    'diagnosis',
    'inspection',
    'knowledge',
    'meter',
    'obd',
    'proof',
    'service',
    'signals',
    'urgency',
    'vehicle',
    'words',
  ],
  practice: ['assess', 'case', 'diagnosis', 'knowledge', 'obd', 'vehicle'],
};

/** What each workspace may import from the others. */
export const WORKSPACE_ARROWS = {
  core: ['@pincer/core'],
  simulator: ['@pincer/core/obd', '@pincer/core/link', '@pincer/core/signals'],
  cli: ['@pincer/core'],
  server: ['@pincer/core', '@pincer/simulator'],
  web: ['@pincer/core', '@pincer/simulator'],
};

/**
 * Rooms of the web application and what each may import of the others. `ui` and `workers` know no store; the store
 * knows workers and other tabs by the interfaces in `ports` alone; the clock is everybody's.
 */
export const WEB_ARROWS = {
  ports: [],
  ui: [],
  transports: [],
  storage: ['ports'],
  workers: ['ports', 'storage'],
  platform: ['ports', 'workers'],
  store: ['ports', 'storage'],
  accepted: ['store', 'ui'],
  practice: ['store', 'ui'],
  typed: ['logbook', 'store', 'ui'],
  waiting: ['store', 'ui'],
  settings: ['store', 'ui'],
  reference: ['store', 'ui', 'workers'],
  garage: ['accepted', 'inspection', 'papers', 'store', 'ui'],
  inspection: ['store', 'ui'],
  papers: ['ui'],
  logbook: ['papers', 'pictures', 'store', 'ui'],
  pictures: ['store', 'ui'],
  shell: ['logbook', 'reference', 'stations', 'store', 'ui'],
  stations: [
    'accepted',
    'inspection',
    'logbook',
    'papers',
    'pictures',
    'practice',
    'store',
    'transports',
    'typed',
    'ui',
    'waiting',
    'workers',
  ],
};

/** Stations know the frame around them and not each other; `station.tsx` alone, which picks one, knows them all. */
export const WEB_STATIONS = [
  'light',
  'plug-in',
  'read',
  'meaning',
  'narrow',
  'watch',
  'decide',
  'handover',
  'buying',
  'fix',
  'prove',
];

/** Packages that a workspace may use; everything else from the registry is refused in the core. */
const CORE_PACKAGES = ['zod/mini'];

const ALL_WORKSPACES = ['@pincer/core', '@pincer/simulator', '@pincer/server', '@pincer/web', 'pincer'];

const escape = (text) => text.replace(/[/.]/g, '\\$&');
const anyOf = (names) => names.map(escape).join('|');

/** Imports that a file of a workspace may not make, as patterns for `pincer/no-forbidden-import`. */
function patternsFor(workspace) {
  const allowed = WORKSPACE_ARROWS[workspace];
  const patterns = [
    {
      regex: '^@pincer/core/[^/]+/.+',
      message: 'Import the room, not a part of it: the index is its public face.',
    },
    {
      regex: '^(\\.\\./)+(core|simulator|cli|server|web)/',
      message: 'Reach other workspaces by their package name.',
    },
    {
      regex: `^(?!(${anyOf(allowed)})(/|$))(${anyOf(ALL_WORKSPACES)})(/|$)`,
      message: `${workspace} may only import ${allowed.join(', ')}: see the arrows in docs/architecture.md.`,
    },
  ];
  return patterns;
}

const CLOCK =
  'The core has no clock and no randomness of its own: take the moment, the clock or the seed as an argument.';

const corePurity = {
  'no-restricted-globals': [
    'error',
    ...[
      'window',
      'document',
      'navigator',
      'localStorage',
      'sessionStorage',
      'indexedDB',
      'fetch',
      'process',
      'setTimeout',
      'setInterval',
      'performance',
      'crypto',
      'console',
      'self',
    ].map((name) => ({
      name,
      message: `The core knows no ${name}: it has no DOM, no storage, no clock.`,
    })),
  ],
  'no-restricted-properties': [
    'error',
    { object: 'Date', property: 'now', message: CLOCK },
    { object: 'Math', property: 'random', message: CLOCK },
  ],
};

/** What a file of a web room may not import, beside what no file of the workspace may. */
function webPatterns(room, allowed) {
  const closed = Object.keys(WEB_ARROWS).filter((r) => r !== room && !allowed.includes(r));
  return [
    ...patternsFor('web'),
    {
      regex: `^(\\.\\./)+(${anyOf([...closed, 'main.tsx', 'router.tsx'])})(/|$)`,
      message: `web/src/${room} may only import ${allowed.join(', ') || 'itself and the clock'}: see docs/architecture.md.`,
    },
  ];
}

const otherStations = (stations) => ({
  regex: `^\\.\\./(${anyOf(stations)})/`,
  message: 'Stations do not import each other: what two of them need is a room of its own.',
});

/** Tests, and what they share: they have clocks of their own. */
const testFiles = ['**/*.test.ts', 'core/test/*.ts'];

/**
 * Overrides of the lint for every workspace and every room of the core.
 * @type {import('oxlint').OxlintOverride[]}
 */
export const roomRules = [
  ...Object.keys(WORKSPACE_ARROWS)
    .filter((workspace) => workspace !== 'core')
    .map((workspace) => ({
      files: [`${workspace}/**/*.{ts,tsx}`],
      excludeFiles: testFiles,
      rules: { 'pincer/no-forbidden-import': ['error', patternsFor(workspace)] },
    })),
  ...Object.entries(WEB_ARROWS).map(([room, allowed]) => ({
    files: [`web/src/${room}/**/*.{ts,tsx}`],
    excludeFiles: testFiles,
    rules: { 'pincer/no-forbidden-import': ['error', webPatterns(room, allowed)] },
  })),
  ...WEB_STATIONS.map((station) => ({
    files: [`web/src/stations/${station}/**/*.{ts,tsx}`],
    excludeFiles: testFiles,
    rules: {
      'pincer/no-forbidden-import': [
        'error',
        [
          ...webPatterns('stations', WEB_ARROWS.stations),
          otherStations(WEB_STATIONS.filter((s) => s !== station)),
        ],
      ],
    },
  })),
  {
    files: ['core/**/*.ts'],
    excludeFiles: testFiles,
    rules: {
      ...corePurity,
      'pincer/no-clock': 'error',
    },
  },
  ...Object.entries(CORE_ARROWS).map(([room, allowed]) => ({
    files: [`core/${room}/**/*.ts`],
    excludeFiles: testFiles,
    rules: {
      'pincer/no-forbidden-import': [
        'error',
        [
          ...patternsFor('core'),
          {
            regex: `^@pincer/core/(?!(${allowed.join('|') || '-'})$)`,
            message: `core/${room} may only import ${allowed.map((r) => `core/${r}`).join(', ') || 'nothing of the core'}.`,
          },
          {
            regex: '^(\\.\\./)+(' + Object.keys(CORE_ARROWS).join('|') + ')/',
            message: 'Reach other rooms by @pincer/core/ROOM.',
          },
          {
            regex: `^(?!(${CORE_PACKAGES.join('|')})$)(?!\\.|@pincer/)`,
            message:
              'The core uses no package but zod, in its small build: no React, no DOM, no Node, no storage.',
          },
        ],
      ],
    },
  })),
];
