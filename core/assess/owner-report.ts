import { foldCase, type CaseRecord, type EntryOf, type Owner } from '@pincer/core/case';
import { acceptedNow, type Vehicle } from '@pincer/core/vehicle';
import { ownUnit, tellAll } from '@pincer/core/words';
import { money } from '@pincer/core/decision';
import { sentence, titleOfRepair, vehicleLines, type Sheet } from './handover.ts';
import { titleOfCause, vehicleHistory } from './history.ts';

const day = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });

const BY = { owner: 'by the owner', friend: 'by a friend', workshop: 'by a {workshop}' } as const;

function repairLine(repair: EntryOf<'repair'>, owner: Owner): string {
  const km = ownUnit('km', owner.units);
  const facts = [
    ...(repair.by === undefined ? [] : [BY[repair.by]]),
    ...(repair.partNumber === undefined ? [] : [`part ${repair.partNumber}`]),
    ...(repair.distanceKm === undefined
      ? []
      : [`at ${Math.round(km.of(repair.distanceKm)).toLocaleString('en-GB')} ${km.unit}`]),
    ...(repair.cost === undefined ? [] : [money(repair.cost, owner)]),
  ];
  return sentence(`${day(repair.at)}: ${[titleOfRepair(repair), ...facts].join(', ')}`);
}

function caseLine(record: CaseRecord): string {
  const { closed, scans } = foldCase(record);
  const codes = [...new Set(scans.flatMap((s) => s.scan.codes.map((c) => c.code)))].sort();
  const end =
    closed === null
      ? 'still open'
      : closed.outcome === 'fixed'
        ? `closed as fixed on ${day(closed.at)}${closed.isProven === true ? ', proven by drives and readings' : closed.isProven === false ? ', not proven then' : ''}`
        : `closed on ${day(closed.at)}${closed.outcome === 'went-away' ? ', it went away by itself' : ''}`;
  return sentence(
    [
      `${day(record.openedAt)}: ${record.title}`,
      codes.length > 0 ? `codes ${codes.slice(0, 8).join(', ')}` : 'no code was read',
      ...(closed?.cause === undefined ? [] : [`it was: ${titleOfCause(closed.cause).toLowerCase()}`]),
      end,
    ].join('; '),
  );
}

/**
 * What the next owner of a vehicle would want to know: its faults, repairs and what is lived with. Without plate, VIN and
 * notes; the names of cases and of other repairs, and the reasons for accepted codes, stand there as the owner wrote them.
 */
export function ownerReport(vehicle: Vehicle, cases: readonly CaseRecord[], owner: Owner): Sheet {
  const newest = [...cases].sort((a, b) => b.openedAt.localeCompare(a.openedAt));
  const repairs = newest
    .flatMap((c) => foldCase(c).repairs)
    .sort((a, b) => b.at.localeCompare(a.at))
    .map((r) => repairLine(r, owner));
  const often = vehicleHistory(cases).codes.filter((c) => c.cases > 1);
  const accepted = [...acceptedNow(vehicle).values()];
  const parts = [
    { title: 'Vehicle', lines: vehicleLines(vehicle, owner, false) },
    { title: 'Faults', lines: newest.map(caseLine) },
    { title: 'Repairs', lines: repairs },
    {
      title: 'Came more than once',
      lines: often.map((c) => sentence(`${c.code}: in ${c.cases} cases, ${c.years.join(', ')}`)),
    },
    { title: 'Known and lived with', lines: accepted.map((a) => sentence(`${a.code}: ${a.reason}`)) },
    {
      title: 'How this came about',
      lines: [
        'The owner recorded it while finding and repairing faults. Readings by an adapter were stored as the {car} gave them; the rest is the owner’s word.',
      ],
    },
  ];
  return tellAll(
    { title: `Report: ${vehicle.name}`, parts: parts.filter((p) => p.lines.length > 0) },
    { ...owner, vehicle: vehicle.kind },
  );
}
