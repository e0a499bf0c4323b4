import { readVin } from './vin.ts';

/** The number that the car reports against the one on file. */
export interface VinComparison {
  verdict: 'same' | 'different' | 'unreadable' | 'not-reported' | 'not-on-file';
  /** Positions from 1 at which two whole numbers differ; empty otherwise. */
  differsAt: number[];
  /** What it says, in a sentence. */
  sentence: string;
  /** What it may mean, likeliest first. */
  mayMean: string[];
}

/**
 * Compares two vehicle identification numbers and says what the result may mean. A reported number that cannot be
 * one (wrong length, characters that a VIN never has) is unreadable, never "different".
 * @param reported what the car's control unit sent, if anything.
 * @param onFile what the owner wrote down, if anything.
 */
export function compareVins(reported: string | undefined, onFile: string | undefined): VinComparison {
  const seen = (reported ?? '').trim();
  if (seen === '') {
    return {
      verdict: 'not-reported',
      differsAt: [],
      sentence: 'The {car} does not report its VIN.',
      mayMean: [
        'Many {cars} before about 2005 do not.',
        'A reading that was cut short may not have come that far.',
        'Compare the plate, the papers and the number behind the {windscreen} instead.',
      ],
    };
  }
  const read = readVin(seen);
  if (!read.ok) {
    return {
      verdict: 'unreadable',
      differsAt: [],
      sentence: `The {car} reports “${seen}”, which cannot be a vehicle number. ${read.message}`,
      mayMean: [
        'Characters were lost on the way: read again.',
        'A control unit was replaced and never given the number of this {car}.',
        'The memory of the control unit is damaged.',
      ],
    };
  }
  const filed = (onFile ?? '').toUpperCase().replace(/[\s-]/g, '');
  if (filed === '') {
    return {
      verdict: 'not-on-file',
      differsAt: [],
      sentence: 'No number is on file to compare with.',
      mayMean: ['Compare it with the papers and the number behind the {windscreen}, then put it on file.'],
    };
  }
  if (filed === read.vin) {
    return {
      verdict: 'same',
      differsAt: [],
      sentence: 'The number that the {car} reports is the one on file.',
      mayMean: [],
    };
  }
  const differsAt = Array.from(read.vin).flatMap((c, i) => (c === filed[i] ? [] : [i + 1]));
  const isSlip = filed.length === 17 && differsAt.length <= 2;
  return {
    verdict: 'different',
    differsAt,
    sentence: `The {car} reports a different number from the one on file${isSlip ? `: character ${differsAt.join(' and ')} ${differsAt.length === 1 ? 'differs' : 'differ'}` : ''}.`,
    mayMean: [
      ...(isSlip || filed.length !== 17 ? ['A slip when it was written down: check the papers again.'] : []),
      'It is another vehicle of your logbook: open the case there.',
      'The engine’s control unit came from another vehicle: ask for the papers of that repair.',
      'On a {car} for sale: ask before you buy, and compare the number stamped into the body.',
    ],
  };
}
