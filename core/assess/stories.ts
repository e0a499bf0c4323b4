import { causesOf, strengthOf, strengthsOf, type Posterior } from '@pincer/core/diagnosis';
import { findingNow, type MovedPart } from './moved-parts.ts';

/** Codes that one cause accounts for: one story. */
export interface Group {
  cause: string;
  title: string;
  codes: string[];
}

/** A cause explains a code when it makes it appear at least this often. */
const EXPLAINS = 0.3;

/** Beside a cause that tells a story, a code that it brings about now and then needs no cause of its own. */
const GOES_WITH = 0.1;

/** How often a cause makes a code appear, 0 to 1. */
function makesAppear(
  { instances }: Posterior,
  index: number,
  code: string,
  moved: readonly MovedPart[],
): number {
  const instance = instances[index];
  const found = findingNow(code, moved);
  return instance && found ? strengthOf(instance, found.key, found.cylinder) : 0;
}

/** The codes that a cause, by its index, would explain. */
export function explained(
  posterior: Posterior,
  index: number,
  codes: readonly string[],
  moved: readonly MovedPart[],
): string[] {
  return codes.filter((code) => makesAppear(posterior, index, code, moved) >= EXPLAINS);
}

/**
 * Stories: which codes go back to which cause, and what is left over. Hypotheses that explain the same codes are
 * taken together, so that many rivals for one code do not make a single cause look likelier than two; of the
 * likeliest set of explained codes the likeliest hypothesis tells the story.
 */
export function groupCodes(
  posterior: Posterior,
  codes: readonly string[],
  moved: readonly MovedPart[],
): { groups: Group[]; leftOver: string[] } {
  const byCause = posterior.instances.map((): string[] => []);
  for (const code of codes) {
    const found = findingNow(code, moved);
    if (found)
      strengthsOf(posterior.instances, found.key, found.cylinder).forEach((s, i) => {
        if (s >= EXPLAINS) byCause[i]?.push(code);
      });
  }
  // Which codes a cause explains as bits, in words of 31, for there are thousands of hypotheses to sort by them.
  const words = Math.ceil(codes.length / 31);
  const bits = byCause.map((mine) =>
    Array.from({ length: words }, (_, w) =>
      codes.slice(w * 31, w * 31 + 31).reduce((b, c, n) => (mine.includes(c) ? b | (1 << n) : b), 0),
    ),
  );
  const none = Array<number>(words).fill(0);
  const oneWord = Int32Array.from(bits, (b) => b[0] ?? 0);
  const sets = new Map<number | string, { mass: number; best: number }>();
  const { first, second } = posterior.hypotheses;
  for (let h = 0; h < posterior.weights.length; h++) {
    const weight = posterior.weights[h] ?? 0;
    const [i, j] = [first[h] ?? -1, second[h] ?? -1];
    const key =
      words <= 1
        ? (oneWord[i] ?? 0) | (oneWord[j] ?? 0)
        : (bits[i] ?? none).map((x, w) => x | (bits[j]?.[w] ?? 0)).join();
    const set = sets.get(key);
    if (set) {
      set.mass += weight;
      if (weight > (posterior.weights[set.best] ?? 0)) set.best = h;
    } else sets.set(key, { mass: weight, best: h });
  }
  const likeliest = [...sets.values()].reduce((a, b) => (b.mass > a.mass ? b : a));
  const left = new Set(codes);
  const groups: (Group & { index: number })[] = [];
  for (const index of causesOf(posterior.hypotheses, likeliest.best)) {
    const instance = posterior.instances[index];
    const mine = (byCause[index] ?? []).filter((c) => left.has(c));
    if (!instance || mine.length === 0) continue;
    mine.forEach((c) => left.delete(c));
    groups.push({ index, cause: instance.id, title: instance.title, codes: mine });
  }
  for (const code of left) {
    const likeliestFirst = groups
      .map((group) => ({ group, often: makesAppear(posterior, group.index, code, moved) }))
      .sort((a, b) => b.often - a.often);
    const [first] = likeliestFirst;
    if (!first || first.often < GOES_WITH) continue;
    first.group.codes.push(code);
    left.delete(code);
  }
  return {
    groups: groups.map(({ cause, title, codes: mine }) => ({ cause, title, codes: mine })),
    leftOver: [...left],
  };
}
