import MiniSearch from 'minisearch';
import { LAMPS, READER_WORDS } from '@pincer/core/case';
import { GLOSSARY, describedCodes, explainCode, namesOf } from '@pincer/core/codes';
import { OBSERVATIONS, OWNER_OBSERVATIONS } from '@pincer/core/knowledge';
import { inEveryEnglish, tell, type Wording } from '@pincer/core/words';
import type { ReferenceHit } from '../ports/core.ts';

interface Document extends ReferenceHit {
  code: string;
  words: string;
}

const plain = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Everything that can be looked up. */
function documents(): Document[] {
  return [
    ...describedCodes().map((entry): Document => {
      const e = explainCode(entry.code);
      return {
        id: `code:${e.code}`,
        kind: 'code',
        code: e.code,
        title: e.title,
        detail: e.area ?? '',
        words: [...namesOf(entry), e.component, e.failure, e.area, e.system].filter(Boolean).join(' '),
        to: `/codes/${e.code}`,
      };
    }),
    ...GLOSSARY.map((g): Document => ({
      id: `word:${g.id}`,
      kind: 'word',
      code: '',
      title: g.title,
      detail: g.also,
      words: `${g.also} ${g.text}`,
      to: `/words#${g.id}`,
    })),
    ...Object.entries(LAMPS).map(([id, title]): Document => ({
      id: `lamp:${id}`,
      kind: 'lamp',
      code: '',
      title: `${title}: light`,
      detail: 'What it means and what to do',
      words: 'lamp light warning symbol dash',
      to: `/words#lamp-${id}`,
    })),
    ...OWNER_OBSERVATIONS.map((key): Document => ({
      id: `sign:${key}`,
      kind: 'sign',
      code: '',
      title: OBSERVATIONS[key].title,
      detail: 'What it commonly comes from',
      words: 'symptom sign noise',
      to: `/words#sign-${key.replace(':', '-')}`,
    })),
    ...Object.entries(READER_WORDS).flatMap(([state, words]) =>
      words.map((word): Document => ({
        id: `state:${word}`,
        kind: 'state',
        code: '',
        title: `“${plain(word)}” on a reader`,
        detail: `means ${state}`,
        words: `state ${state}`,
        to: `/words#state-${state}`,
      })),
    ),
  ];
}

const KIND_FIRST: Readonly<Record<ReferenceHit['kind'], number>> = {
  word: 3,
  lamp: 2,
  state: 2,
  sign: 1.5,
  code: 1,
};

let index: MiniSearch<Document> | null = null;

function built(): MiniSearch<Document> {
  if (index) return index;
  const made = new MiniSearch<Document>({
    fields: ['code', 'title', 'words'],
    storeFields: ['kind', 'title', 'detail', 'to'],
    // A figure is never a slip for another one: P0302 is not P0303.
    searchOptions: {
      prefix: true,
      fuzzy: (term) => (/\d/.test(term) ? false : 0.2),
      combineWith: 'AND',
      boost: { code: 6, title: 3 },
      // Who looks for a word or a lamp wants that before the codes in which it stands.
      boostDocument: (_, __, stored) => KIND_FIRST[stored?.['kind'] as ReferenceHit['kind']],
    },
  });
  made.addAll(documents().map((d) => ({ ...d, words: inEveryEnglish(`${d.title} ${d.words}`) })));
  index = made;
  return made;
}

/**
 * Codes, words, lamps, symptoms and readers' words by code, word or workshop's term in either English; tolerant of
 * typing slips. Words that are not all found together are searched one by one.
 */
export function searchReference(text: string, limit: number, wording: Wording): ReferenceHit[] {
  const search = built();
  const strict = search.search(text);
  const results = strict.length > 0 ? strict : search.search(text, { combineWith: 'OR' });
  // Those that fit alike in their own order: neighbouring codes as they are numbered.
  results.sort((a, b) => b.score - a.score || String(a.id).localeCompare(String(b.id)));
  return results.slice(0, limit).map((r) => ({
    id: String(r.id),
    kind: r['kind'] as ReferenceHit['kind'],
    title: tell(String(r['title']), wording),
    detail: tell(String(r['detail']), wording),
    to: String(r['to']),
  }));
}
