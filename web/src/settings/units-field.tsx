import { UNIT_PRESETS, unitsOf, type UnitChoice, type UnitPreset, type Units } from '@pincer/core/words';
import { Segments } from '../ui/segments.tsx';

const PRESETS: readonly { id: UnitPreset; title: string }[] = [
  { id: 'metric', title: 'km, °C, kPa and bar' },
  { id: 'mixed', title: 'Miles, °C, kPa and bar' },
  { id: 'imperial', title: 'Miles, °F, psi' },
];

type Options<K extends keyof Units> = readonly { id: Units[K]; title: string }[];

const DISTANCE: Options<'distance'> = [
  { id: 'km', title: 'km, km/h' },
  { id: 'mi', title: 'Miles, mph' },
];
const TEMPERATURE: Options<'temperature'> = [
  { id: 'C', title: '°C' },
  { id: 'F', title: '°F' },
];
const PRESSURE: Options<'pressure'> = [
  { id: 'kPa', title: 'kPa and bar' },
  { id: 'bar', title: 'bar' },
  { id: 'psi', title: 'psi' },
];
const LENGTH: Options<'length'> = [
  { id: 'mm', title: 'mm, Nm, kg' },
  { id: 'in', title: 'Inches, lb-ft, lb' },
];
const VOLUME: Options<'volume'> = [
  { id: 'L', title: 'L' },
  { id: 'gal', title: 'US gal, qt' },
];

/** The preset that a choice is, or null where units were set one by one. */
function presetOf(choice: UnitChoice): UnitPreset | null {
  if (typeof choice === 'string') return choice;
  const same = PRESETS.find(({ id }) =>
    (Object.keys(choice) as (keyof Units)[]).every((key) => UNIT_PRESETS[id][key] === choice[key]),
  );
  return same?.id ?? null;
}

/** Units in which everything is told: a preset, or each by itself. */
export function UnitsField({
  units,
  onChange,
}: {
  units: UnitChoice;
  onChange: (units: UnitChoice) => void;
}) {
  const each = unitsOf(units);
  const set = (part: Partial<Units>) => onChange({ ...each, ...part });
  return (
    <div>
      <p className="font-semibold">Units</p>
      <Segments label="Units" value={presetOf(units)} options={PRESETS} onChange={onChange} />
      <details className="mt-1">
        <summary className="flex min-h-11 items-center font-semibold">Set units one by one</summary>
        <div className="flex flex-wrap gap-x-6 gap-y-3">
          <One title="Distance and speed">
            <Segments
              label="Distance and speed"
              value={each.distance}
              options={DISTANCE}
              onChange={(distance) => set({ distance })}
            />
          </One>
          <One title="Temperature">
            <Segments
              label="Temperature"
              value={each.temperature}
              options={TEMPERATURE}
              onChange={(temperature) => set({ temperature })}
            />
          </One>
          <One title="Pressure">
            <Segments
              label="Pressure"
              value={each.pressure}
              options={PRESSURE}
              onChange={(pressure) => set({ pressure })}
            />
          </One>
          <One title="Length, torque, weight">
            <Segments
              label="Length, torque, weight"
              value={each.length}
              options={LENGTH}
              onChange={(length) => set({ length })}
            />
          </One>
          <One title="Volume">
            <Segments
              label="Volume"
              value={each.volume}
              options={VOLUME}
              onChange={(volume) => set({ volume })}
            />
          </One>
        </div>
      </details>
    </div>
  );
}

function One({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div>
      <p className="text-[15px] text-ink-2">{title}</p>
      {children}
    </div>
  );
}
