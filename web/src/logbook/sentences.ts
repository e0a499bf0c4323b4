import type { Assessment } from '@pincer/core/assess';
import { LAMPS, LAMP_MODE_WORDS, NOT_DONE_WORDS, type ClearedBy, type Entry } from '@pincer/core/case';
import { megabytes } from '../ui/format.ts';
import { stepSentence } from '@pincer/core/link';
import { milOf } from '@pincer/core/obd';
import { takenText } from '@pincer/core/meter';
import {
  MEASUREMENTS,
  causeById,
  checkById,
  isObservationKey,
  observationKind,
} from '@pincer/core/knowledge';

/** Whether an entry is something that the car said; the others are the owner's. */
export function isCarEntry(entry: Entry): boolean {
  return entry.kind === 'scan' || entry.kind === 'connection' || entry.kind === 'recording';
}

const at = (text: string, cylinder: string | undefined): string =>
  text.replaceAll('{n}', cylinder ?? '').replaceAll('{m}', 'another');

const OPTION_WORDS = {
  leave: 'leave it and watch',
  repair: 'repair it yourself',
  clear: 'clear it and watch',
  help: 'get help',
} as const;
const CLOSE_WORDS = {
  fixed: 'fixed',
  'went-away': 'it went away by itself',
  sold: 'the vehicle was sold',
  'given-up': 'given up',
} as const;
const PART_WORDS = {
  adapter: 'Part of a reading',
  file: 'Reading from a file',
  hand: 'Written down by hand',
} as const;
const REPAIRED_BY_WORDS = { friend: 'by a friend', workshop: 'by a {workshop}' } as const;
const CLEARED_BY_WORDS = {
  'hand-held': 'with a hand-held reader',
  workshop: 'by a {workshop}',
  somebody: 'by somebody else',
} as const satisfies Record<ClearedBy, string>;
/** One entry of the log as a plain sentence. */
export function entrySentence(entry: Entry, assessment: Pick<Assessment, 'procedures'> | null): string {
  switch (entry.kind) {
    case 'lamp':
      return `${LAMPS[entry.lamp]} ${LAMP_MODE_WORDS[entry.mode]}${entry.colour && entry.mode !== 'out' ? `, ${entry.colour}` : ''}.`;
    case 'bulb':
      return `The engine light at key-on: ${{ lights: 'lights', 'does-not': 'does not light', unknown: 'not tried' }[entry.answer]}.`;
    case 'observation': {
      const title = isObservationKey(entry.observation)
        ? observationKind(entry.observation).title
        : entry.observation;
      return `${title}: ${entry.answer === 'unknown' ? 'not known' : entry.answer}.`;
    }
    case 'connection':
      return entry.outcome === 'talking'
        ? `${entry.adapter} connected${entry.protocol ? `, ${entry.protocol}` : ''}${entry.volts === undefined ? '' : `, ${entry.volts.toFixed(1)} V`}.`
        : `${entry.adapter} could not connect. ${entry.message ?? ''}`;
    case 'connection-step':
      return stepSentence(entry.step, entry.answer);
    case 'scan': {
      const codes = [...new Set(entry.scan.codes.map((c) => c.code))];
      const what = entry.isComplete ? 'Full reading' : PART_WORDS[entry.via];
      const after = entry.continues ? ', continued after an interruption' : '';
      const isRead = entry.scan.parts.some((p) => p.part === 'confirmed' && p.state === 'empty');
      const found = codes.length > 0 ? codes.join(', ') : isRead ? 'no codes' : 'codes not read';
      const mil = milOf(entry.scan);
      return `${what}${after}: ${found}${mil ? `, light ${mil.on ? 'on' : 'off'}` : ''}.`;
    }
    case 'recording':
      return `${entry.file ? 'Recording imported' : 'Recorded'}: ${entry.title}, ${Math.round(entry.seconds)} s, ${entry.channels.length} readings.`;
    case 'check': {
      const [id = '', cylinder] = entry.check.split(':');
      const check = checkById(id);
      const outcome = check?.outcomes.find((o) => o.id === entry.outcome);
      const measurement = MEASUREMENTS[id];
      const only = cylinder === undefined ? null : Number(cylinder) - 1;
      const numbers =
        measurement && entry.measured ? ` (${takenText(measurement, entry.measured, only)})` : '';
      return `${at(check?.title ?? entry.check, cylinder)}: ${at(outcome?.title ?? entry.outcome, cylinder).toLowerCase()}${numbers}.`;
    }
    case 'check-not-done': {
      const [id = '', cylinder] = entry.check.split(':');
      return `${at(checkById(id)?.title ?? entry.check, cylinder)}: ${NOT_DONE_WORDS[entry.reason]}.`;
    }
    case 'decision':
      return `Decided: ${OPTION_WORDS[entry.option]}.`;
    case 'repair': {
      const [id = '', cylinder] = entry.cause.split(':');
      const title =
        entry.title ??
        assessment?.procedures.find((p) => p.cause === entry.cause)?.title ??
        at(causeById(id)?.repair.title ?? entry.cause, cylinder);
      const facts = [
        ...(entry.by === undefined || entry.by === 'owner' ? [] : [REPAIRED_BY_WORDS[entry.by]]),
        ...(entry.cost === undefined ? [] : [`spent ${entry.cost}`]),
        ...(entry.partNumber === undefined ? [] : [`part ${entry.partNumber}`]),
        ...(entry.values ?? []).map((v) => `${v.what.toLowerCase()} ${v.value} ${v.unit}`),
      ];
      return `Done: ${[title.toLowerCase(), ...facts].join(', ')}.${entry.note ? ` ${entry.note}` : ''}`;
    }
    case 'clear-asked':
      return `A clear was asked for${entry.unit ? `: ${entry.unit.name}` : ''}.`;
    case 'clear-told':
      return `The codes were cleared ${CLEARED_BY_WORDS[entry.by]}.`;
    case 'offer':
      return `Offer or invoice: ${entry.name}.`;
    case 'price': {
      const title = causeById(entry.cause)?.repair.title ?? entry.cause;
      const told = [
        ...(entry.parts === undefined ? [] : [`parts ${entry.parts}`]),
        ...(entry.shop === undefined ? [] : [`at a {workshop} ${entry.shop}`]),
      ];
      return `Your own price, ${at(title, '').trim().toLowerCase()}: ${told.join(', ')}.`;
    }
    case 'battery-off':
      return 'The battery’s negative cable was off.';
    case 'clear':
      return entry.outcome === 'agreed'
        ? entry.unit
          ? `Cleared: ${entry.unit.name}; confirmed.`
          : 'Cleared; confirmed by the {car}.'
        : `${entry.outcome === 'unknown' ? 'Clear sent, no answer' : 'Clear refused'}. ${entry.message ?? ''}`;
    case 'drive':
      return `Drive${entry.metConditions === 'yes' ? ' under the same conditions' : ''}: ${entry.cameBack === 'yes' ? 'it came back' : entry.cameBack === 'no' ? 'it stayed away' : 'not sure'}.${entry.note ? ` ${entry.note}` : ''}`;
    case 'bulletin':
      return `${entry.bulletin.kind === 'recall' ? 'Recall' : 'Bulletin'}: ${entry.bulletin.title}. ${entry.bulletin.source}.`;
    case 'attachment':
      return `${entry.type.startsWith('image/') ? 'Picture' : 'File'}: ${entry.about ?? entry.name}, ${megabytes(entry.bytes)}.`;
    case 'note':
      return entry.text;
    case 'retracted':
      return `An entry was struck out: ${entry.reason}`;
    case 'closed':
      return `Closed: ${CLOSE_WORDS[entry.outcome]}${entry.isProven === false ? ', not proven' : ''}.${entry.note ? ` ${entry.note}` : ''}`;
  }
}
