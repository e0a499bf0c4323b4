import type { FoundUnit } from '@pincer/core/obd';
import type { MappedModule, ModuleMap } from './module-map.ts';

/** What SAE J2178-1 gives ranges of physical addresses to; used on 29-bit ids and the older lines. */
const ADDRESSES: readonly { from: number; to: number; name: string }[] = [
  { from: 0x10, to: 0x17, name: 'Engine' },
  { from: 0x18, to: 0x1f, name: 'Transmission' },
  { from: 0x20, to: 0x27, name: 'Chassis' },
  { from: 0x28, to: 0x2f, name: 'Brakes' },
  { from: 0x30, to: 0x37, name: 'Steering' },
  { from: 0x38, to: 0x3f, name: 'Suspension' },
  { from: 0x40, to: 0x57, name: 'Body' },
  { from: 0x58, to: 0x5f, name: 'Airbags and belts' },
  { from: 0x60, to: 0x6f, name: 'Instruments' },
  { from: 0x70, to: 0x7f, name: 'Lights' },
  { from: 0x80, to: 0x8f, name: 'Entertainment' },
  { from: 0x90, to: 0x97, name: 'Telephone and navigation' },
  { from: 0x98, to: 0x9f, name: 'Climate' },
  { from: 0xa0, to: 0xbf, name: 'Doors, windows and seats' },
  { from: 0xc0, to: 0xcf, name: 'Security' },
];

/** The unit's address where its id has one; 11-bit ids have none. */
function addressOf({ request }: Pick<FoundUnit, 'request'>): number | null {
  const digits = request.length === 8 ? request.slice(4, 6) : request.length === 6 ? request.slice(2, 4) : '';
  return digits === '' ? null : Number.parseInt(digits, 16);
}

/** Ids on which the engine answers; the standard's own questions read and clear it. */
const isEngine = ({ request }: Pick<FoundUnit, 'request'>): boolean =>
  request === '7E0' || request === '18DA10F1' || request === '8010F1';

/** What a found unit may be called: by its own word, by its address, or by its id, and how it is known. */
export function nameOfFound(unit: FoundUnit): { name: string; by: 'itself' | 'its address' | 'its id' } {
  if (unit.name !== null) return { name: unit.name.slice(0, 60), by: 'itself' };
  if (isEngine(unit)) return { name: 'Engine', by: 'its address' };
  if (unit.request === '7E1') return { name: 'Transmission', by: 'its address' };
  const address = addressOf(unit);
  const range = ADDRESSES.find((r) => address !== null && address >= r.from && address <= r.to);
  return range ? { name: range.name, by: 'its address' } : { name: `Unit ${unit.request}`, by: 'its id' };
}

function uniqueId(name: string, taken: ReadonlySet<string>): string {
  const letters = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '');
  const base = letters === '' ? 'unit' : letters.slice(0, 40);
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
  return id;
}

/** Most units of one map. */
const MAX_MODULES = 64;

/**
 * A draft of a module map from the units that a search has found, added to the map that the vehicle has. The engine is left
 * out. Names that the owner or a map has given stay; what a unit tells of itself is renewed. Units of the map that did not
 * answer stay too: they may have been asleep.
 * @param names what the owner calls a unit, by its request id.
 */
export function draftMap(
  found: readonly FoundUnit[],
  before: ModuleMap | undefined,
  title: string,
  names: Readonly<Record<string, string>> = {},
): ModuleMap | null {
  const modules: MappedModule[] = [...(before?.modules ?? [])];
  for (const unit of found) {
    if (isEngine(unit)) continue;
    const at = modules.findIndex((m) => m.request === unit.request || m.answer === unit.answer);
    const old = modules[at];
    const given = names[unit.request]?.trim();
    const name = (given !== undefined && given !== '' ? given : (old?.name ?? nameOfFound(unit).name)).slice(
      0,
      60,
    );
    const { partNumber, software } = unit;
    const tells = {
      ...(unit.name === null ? {} : { name: unit.name.slice(0, 80) }),
      ...(partNumber === null ? {} : { partNumber: partNumber.slice(0, 80) }),
      ...(software === null ? {} : { software: software.slice(0, 80) }),
    };
    const module: MappedModule = {
      does: '',
      ...old,
      id: old?.id ?? uniqueId(name, new Set(modules.map((m) => m.id))),
      name,
      // What a map says of a known unit stays: two units must never come to share an id.
      request: old?.request ?? unit.request,
      answer: old?.answer ?? unit.answer,
      ...(unit.language === 'iso-14229' ? {} : { language: unit.language }),
      ...(Object.keys(tells).length > 0 ? { tells } : {}),
    };
    if (old) modules[at] = module;
    else if (modules.length < MAX_MODULES) modules.push(module);
  }
  if (modules.length === 0) return null;
  return { ...before, format: 'pincer-module-map', version: 1, name: before?.name ?? title, modules };
}

/** Units of another map added to one's own: what is there stays as it is, by the id that a unit is asked on. */
export function mergeMaps(own: ModuleMap, other: ModuleMap): ModuleMap {
  const modules = [...own.modules];
  for (const m of other.modules) {
    if (modules.length >= MAX_MODULES) break;
    if (modules.some((o) => o.request === m.request || o.answer === m.answer)) continue;
    modules.push({ ...m, id: uniqueId(m.id, new Set(modules.map((o) => o.id))) });
  }
  return { ...own, modules };
}
