import MiniSearch from 'minisearch';
import { describedCodes, explainCode, type Explanation } from '@pincer/core/codes';

let index: MiniSearch<Explanation> | null = null;

function built(): MiniSearch<Explanation> {
  if (index) return index;
  const made = new MiniSearch<Explanation>({
    idField: 'code',
    fields: ['code', 'title', 'component', 'term', 'failure', 'area'],
    storeFields: ['code', 'title'],
    searchOptions: { prefix: true, fuzzy: 0.2, boost: { code: 4, title: 2 } },
  });
  made.addAll(describedCodes().map((e) => explainCode(e.code)));
  index = made;
  return made;
}

/** Codes by code, word or workshop term; tolerant of typing slips. */
export function searchCodes(text: string, limit: number): { code: string; title: string }[] {
  return built()
    .search(text)
    .slice(0, limit)
    .map((r) => ({ code: String(r['code']), title: String(r['title']) }));
}
