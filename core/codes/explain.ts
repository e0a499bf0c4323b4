import { TROUBLE_CODE } from '@pincer/core/obd';
import { COMPONENTS } from './components.ts';
import { AREAS, type Component } from './part.ts';
import type { CodeEntry, Place } from './entry.ts';
import { codeEntries } from './families.ts';
import { meaningOf } from './meaning.ts';
import { once } from './once.ts';
import { phraseOf, titleOf } from './title.ts';

const byCode = once((): ReadonlyMap<string, CodeEntry> => new Map(codeEntries().map((e) => [e.code, e])));

export const SYSTEMS = { P: 'powertrain', C: 'chassis', B: 'body', U: 'network' } as const;

/** What a code says. */
export interface Explanation {
  code: string;
  valid: boolean;
  scope: 'standard' | 'maker' | 'unknown';
  system: string | null;
  /** Family by the third character, in words. */
  area: string | null;
  component: string | null;
  place: Place;
  failure: string | null;
  title: string;
  meaning: string;
  /** Other names of the part, under which it is sold and looked for; none that the title already says. */
  also: readonly string[];
  /** Why an invalid code is refused. */
  problem?: string;
  /** What may have been meant; never applied by itself. */
  suggestion?: string;
}

/** Letters and digits that are easily taken for each other on a small screen or in handwriting. */
const LOOK_ALIKES: Readonly<Record<string, string>> = {
  O: '0',
  Q: '0',
  I: '1',
  L: '1',
  S: '5',
  Z: '2',
  G: '6',
  О: '0',
  о: '0',
  Р: 'P',
  р: 'P',
  С: 'C',
  с: 'C',
  В: 'B',
  І: '1',
  А: 'A',
  Е: 'E',
};

/** Structure of a described code, or null. */
export function codeEntry(code: string): CodeEntry | null {
  return byCode().get(code) ?? null;
}

/** Every name under which the part of a code is known: the standard's, and those under which it is looked for. */
export function namesOf(entry: CodeEntry): readonly string[] {
  const { name, also }: Component = COMPONENTS[entry.component];
  return [name, ...also];
}

/** All described codes. */
export function describedCodes(): readonly CodeEntry[] {
  return codeEntries();
}

/** Whether SAE J2012 defines this code's range, or leaves it to the maker. The code must be well formed. */
export function scopeOf(code: string): 'standard' | 'maker' {
  const letter = code[0] ?? '';
  const group = code[1] ?? '';
  if (letter === 'P') {
    if (group === '0' || group === '2') return 'standard';
    // P30-P33 belong to the maker, P34-P39 to the standard; what is left is not given away.
    return group === '3' && /[4-9]/.test(code[2] ?? '') ? 'standard' : 'maker';
  }
  if (letter === 'U') return group === '0' || group === '3' ? 'standard' : 'maker';
  return group === '0' ? 'standard' : 'maker';
}

/** Family that the third character tells for powertrain codes (SAE J2012); null for other systems. */
export function areaOfDigits(code: string): string | null {
  if (code[0] === 'U') return 'network and communication';
  if (code[0] !== 'P') return null;
  const digit = code[2] ?? '';
  if (/[0-2]/.test(digit)) return 'fuel and air';
  if (digit === '3') return 'ignition and misfire';
  if (digit === '4') return 'emission control';
  if (digit === '5') return 'speed, idle and inputs';
  if (digit === '6') return 'control unit and outputs';
  if (/[7-9]/.test(digit)) return 'transmission';
  return /[A-C]/.test(digit) ? 'hybrid and electric drive' : null;
}

/** Says what a code means. White space around it and lower case are accepted; nothing else is corrected. */
export function explainCode(text: string): Explanation {
  const code = text.trim().toUpperCase();
  const problem = problemOf(code);
  if (problem) {
    const suggestion = suggestionFor(code);
    return {
      code,
      valid: false,
      scope: 'unknown',
      system: null,
      area: null,
      component: null,
      place: {},
      failure: null,
      title: 'Not a trouble code',
      meaning: problem,
      also: [],
      problem,
      ...(suggestion === null ? {} : { suggestion }),
    };
  }
  const system = SYSTEMS[(code[0] ?? 'P') as keyof typeof SYSTEMS];
  const area = areaOfDigits(code);
  const entry = byCode().get(code);
  if (entry) {
    const component: Component = COMPONENTS[entry.component];
    const title = titleOf(entry);
    return {
      code,
      valid: true,
      scope: 'standard',
      system,
      area: AREAS[component.area],
      component: component.name,
      place: entry.place,
      failure: phraseOf(entry),
      title,
      meaning: meaningOf(entry),
      also: component.also.filter((name) => !title.toLowerCase().includes(name.toLowerCase())),
    };
  }
  const scope = scopeOf(code);
  const areaWords = area ? `, family “${area}”` : '';
  return {
    code,
    valid: true,
    scope,
    system,
    area,
    component: null,
    place: {},
    failure: null,
    also: [],
    title:
      scope === 'maker' ? `Manufacturer-specific code (${system})` : 'Standard code, not in this {catalogue}',
    meaning:
      scope === 'maker'
        ? `The digits tell only this: ${system}${areaWords}, defined by the vehicle’s manufacturer. What it means differs from make to make, so nothing is guessed; look it up for this make and model.`
        : `The digits tell only this: ${system}${areaWords}. The standard reserves this number, or assigned it recently; it is not described here.`,
  };
}

function problemOf(code: string): string | null {
  if (TROUBLE_CODE.test(code)) return null;
  if (code === '') return 'Type a code: one letter and four digits, such as P0302.';
  if (!/^[PCBU]/.test(code)) return `A code begins with P, C, B or U; this begins with “${code[0]}”.`;
  if (code.length !== 5) return `A code has five characters; this has ${code.length}.`;
  if (!/[0-3]/.test(code[1] ?? '')) return `The second character is 0, 1, 2 or 3; here it is “${code[1]}”.`;
  return `After the letter come digits 0-9 or letters A-F; “${Array.from(code.slice(2)).find((c) => !/[0-9A-F]/.test(c))}” is neither.`;
}

/** A well-formed code that the text may have meant, or null. */
function suggestionFor(code: string): string | null {
  const squeezed = code.replace(/[\s.:_-]/g, '');
  const tries = [squeezed, squeezed.slice(0, 5), `P${squeezed}`].map(withoutLookAlikes);
  return tries.find((t) => TROUBLE_CODE.test(t) && t !== code) ?? null;
}

function withoutLookAlikes(text: string): string {
  return Array.from(text)
    .map((c, i) => {
      if (i === 0) return c === 'Р' || c === 'р' ? 'P' : c === 'С' ? 'C' : c === 'В' || c === '8' ? 'B' : c;
      return LOOK_ALIKES[c] ?? c;
    })
    .join('');
}
