import type { Assessment, Sheet } from '@pincer/core/assess';
import { inOrder, type CaseRecord, type CaseState } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { day, percent, timeOfDay } from '../ui/format.ts';
import { entrySentence } from './sentences.ts';

/** Causes that stand on the paper. */
const CAUSES = 6;

/** A case as a document: how far it may be driven, codes, causes, what is advised, and its whole log by days. */
export function caseSheet(
  record: CaseRecord,
  vehicle: Vehicle,
  state: CaseState,
  assessment: Assessment | null,
  tell: (text: string) => string,
): Sheet {
  const days = new Map<string, string[]>();
  for (const entry of inOrder(record.entries).reverse()) {
    const struck = state.retracted.get(entry.id);
    const said = tell(entrySentence(entry, assessment));
    const line = `${timeOfDay(entry.at)}  ${said}${struck ? ` (struck out: ${struck.reason})` : ''}`;
    const date = day(entry.at);
    days.set(date, [...(days.get(date) ?? []), line]);
  }
  const judged: Sheet['parts'] = assessment
    ? [
        {
          title: `How far it may still be driven: ${assessment.allowance.title}`,
          lines: [
            `${assessment.allowance.detail}.`,
            ...assessment.allowance.reasons.map((r) => (r.isDeciding ? `Deciding: ${r.text}` : r.text)),
          ],
        },
        {
          title: 'Codes',
          lines:
            assessment.codes.length === 0
              ? ['None known.']
              : assessment.codes.map((c) => `${c.code}  ${c.title} (${c.state})`),
        },
        {
          title: 'What it can be',
          lines:
            assessment.causes.length === 0
              ? ['Nothing yet.']
              : assessment.causes.slice(0, CAUSES).map((c) => `${percent(c.probability)}  ${c.title}`),
        },
        { title: 'Advised', lines: [assessment.why] },
      ]
    : [];
  return {
    title: tell(`${vehicle.name}: ${record.title}`),
    parts: [
      ...judged.map(({ title, lines }) => ({ title: tell(title), lines: lines.map(tell) })),
      ...[...days].map(([date, lines]) => ({ title: date, lines })),
    ],
  };
}
