import type { CaseState, LampId } from '@pincer/core/case';
import { COMPONENTS, codeEntry, type Area } from '@pincer/core/codes';
import type { Vehicle } from '@pincer/core/vehicle';

/** The area of a described code; null for one of a manufacturer's own, of which the letter is all that is known. */
function areaOf(code: string): Area | null {
  const entry = codeEntry(code);
  return entry ? COMPONENTS[entry.component].area : null;
}

/** Lights of control units that the standard's questions do not reach: the unit, and the areas of its codes. */
const UNITS: Partial<
  Record<LampId, { unit: string; reader: string; areas: readonly Area[]; letter: 'B' | 'C' }>
> = {
  brakes: { unit: 'the brakes', reader: 'ABS', areas: ['brakes'], letter: 'C' },
  abs: { unit: 'the ABS', reader: 'ABS', areas: ['brakes'], letter: 'C' },
  stability: {
    unit: 'the stability control',
    reader: 'ABS or ESC',
    areas: ['brakes', 'steering'],
    letter: 'C',
  },
  steering: { unit: 'the steering', reader: 'EPS', areas: ['steering'], letter: 'C' },
  airbag: { unit: 'the airbags', reader: 'SRS', areas: ['restraints'], letter: 'B' },
};

/**
 * Lights that are on after a reading that did not reach their control unit: which way there is to ask it. Without this a
 * reading without a code looks as if nothing were wrong.
 * @returns a sentence or two for each such light, in the words of the texts (tags not told yet).
 */
export function unaskedUnits({ standing, scans }: CaseState, vehicle: Vehicle): string[] {
  if (scans.length === 0) return [];
  // What is history, or was cleared and not read since, lights nothing now.
  const now = standing.codes.filter((c) => c.clearedBy === null && c.code.state !== 'history');
  const told = new Set(now.map(({ code: { code } }) => areaOf(code) ?? code.charAt(0)));
  return (Object.keys(UNITS) as LampId[]).flatMap((lamp) => {
    const of = UNITS[lamp];
    const mode = standing.lamps.get(lamp)?.mode ?? 'out';
    // Flashing it is at work on a slipping wheel.
    const isAtWork = lamp === 'stability' && mode === 'flashing';
    // One unit has both lights.
    const isSaid = lamp === 'stability' && (standing.lamps.get('abs')?.mode ?? 'out') !== 'out';
    if (!of || mode === 'out' || isAtWork || isSaid || [...of.areas, of.letter].some((a) => told.has(a)))
      return [];
    return [
      `The control unit of ${of.unit} lights its own lamp, and no code of it was read. ${
        vehicle.moduleMap
          ? 'Check whether the module map of this vehicle has that unit, and at Read whether it answered.'
          : 'The standard questions do not reach it: find the control units at Connect, or import a module map, and read again.'
      } A hand-held reader that says it reads ${of.reader} shows its codes too, and so does a {workshop}.`,
    ];
  });
}
