import { zodResolver } from '@hookform/resolvers/zod';
import { Plus, X } from 'lucide-react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import * as z from 'zod/mini';
import { KM_PER_MILE, M_PER_FOOT, unitsOf, type UnitChoice } from '@pincer/core/words';
import {
  ASPIRATIONS,
  FUELS,
  GEARBOXES,
  MARKETS,
  ROADS,
  readVin,
  vehicleSchema,
  type Vehicle,
} from '@pincer/core/vehicle';
import { BUTTON, FIELD } from '../ui/classes.ts';
import { useTell } from '../store/use-tell.ts';

/** As they are called in either English. */
const ROAD_NAMES = { town: 'Town', country: 'Country', motorway: '{Motorway}' } as const satisfies Record<
  (typeof ROADS)[number],
  string
>;

const optionalNumber = z
  .pipe(
    z.string().check(z.trim()),
    z.transform((t) => (t === '' ? undefined : Number(t.replace(',', '.')))),
  )
  .check(z.refine((n) => n === undefined || (Number.isFinite(n) && n >= 0), 'A number, or leave it empty.'));
/** Kilometres and metres of the units that the form shows. */
interface Scale {
  km: number;
  m: number;
}

/** A height in the unit of the form. @param m metres of that unit. */
const heightIn = (m: number) =>
  z
    .pipe(
      z.string().check(z.trim()),
      z.transform((t) => (t === '' ? undefined : Number(t.replace(',', '.').replace('−', '-')))),
    )
    .check(
      z.refine(
        (n) => n === undefined || vehicleSchema.shape.heightM.safeParse(n * m).success,
        'A realistic altitude, or leave it empty.',
      ),
    );
const positive = z
  .pipe(
    z.string().check(z.trim()),
    z.transform((t) => Number(t.replace(',', '.'))),
  )
  .check(z.refine((n) => Number.isFinite(n) && n > 0, 'A number above 0.'));

const formSchemaFor = (per: Scale) =>
  z.object({
    vin: z.string().check(z.trim()),
    name: z.string().check(z.trim(), z.minLength(1, 'Any name will do, such as make and model.')),
    kind: z.enum(['car', 'van', 'motorcycle']),
    fuel: z.enum(FUELS),
    year: optionalNumber.check(
      z.refine((n) => n === undefined || (n >= 1900 && n <= 2100), 'A year, or leave it empty.'),
    ),
    distance: optionalNumber,
    displacement: optionalNumber,
    cylinders: optionalNumber.check(
      z.refine(
        (n) => n === undefined || (Number.isInteger(n) && n >= 1 && n <= 16),
        'One to sixteen, or leave it empty.',
      ),
    ),
    aspiration: z.enum(ASPIRATIONS),
    gearbox: z.enum(GEARBOXES),
    market: z.string(),
    height: heightIn(per.m),
    plate: z.string().check(z.trim()),
    tyre: z.string().check(z.trim(), z.maxLength(40, 'At most 40 characters.')),
    cylinderOne: z.string().check(z.trim(), z.maxLength(80, 'At most 80 characters.')),
    bankOne: z.string().check(z.trim(), z.maxLength(80, 'At most 80 characters.')),
    modifications: z.string().check(z.trim()),
    warrantyEnds: z.string(),
    inspectionDue: z.string(),
    trips: z.array(
      z.object({
        name: z.string().check(z.trim(), z.minLength(1, 'A name, such as “to work”.')),
        road: z.enum(ROADS),
        minutes: positive,
        distance: positive,
        perWeek: positive,
      }),
    ),
  });
type FormIn = z.input<ReturnType<typeof formSchemaFor>>;
type FormOut = z.output<ReturnType<typeof formSchemaFor>>;

const text = (n: number | undefined): string => (n === undefined ? '' : String(Number(n.toFixed(1))));

function toForm(v: Vehicle | null, per: Scale): FormIn {
  return {
    vin: v?.vin ?? '',
    name: v?.name ?? '',
    kind: v?.kind ?? 'car',
    fuel: v?.fuel ?? 'petrol',
    year: text(v?.year),
    distance: text(v?.distanceKm === undefined ? undefined : Math.round(v.distanceKm / per.km)),
    displacement: v?.displacementLitres === undefined ? '' : String(v.displacementLitres),
    cylinders: text(v?.cylinders),
    aspiration: v?.aspiration ?? 'unknown',
    gearbox: v?.gearbox ?? 'unknown',
    market: v?.market ?? '',
    plate: v?.plate ?? '',
    tyre: v?.tyre ?? '',
    cylinderOne: v?.cylinderOne ?? '',
    bankOne: v?.bankOne ?? '',
    height: text(v?.heightM === undefined ? undefined : Math.round(v.heightM / per.m)),
    modifications: v?.modifications ?? '',
    warrantyEnds: v?.warrantyEnds ?? '',
    inspectionDue: v?.inspectionDue ?? '',
    trips: (v?.usualTrips ?? []).map((t) => ({
      name: t.name,
      road: t.road,
      minutes: text(t.minutes),
      distance: text(t.distanceKm / per.km),
      perWeek: text(t.perWeek),
    })),
  };
}

/** The vehicle of a filled form. What was left empty is left out; what the form does not show stays as it was. */
function fromForm(f: FormOut, base: Partial<Vehicle> & Pick<Vehicle, 'id'>, per: Scale): Vehicle {
  // Typed, so that a name that is not the schema's is seen here and not lost on the way.
  const vehicle: z.input<typeof vehicleSchema> = {
    ...base,
    name: f.name,
    kind: f.kind,
    fuel: f.fuel,
    aspiration: f.aspiration,
    gearbox: f.gearbox === 'unknown' ? undefined : f.gearbox,
    year: f.year,
    distanceKm: f.distance === undefined ? undefined : f.distance * per.km,
    displacementLitres: f.displacement || undefined,
    cylinders: f.cylinders,
    tyre: f.tyre || undefined,
    cylinderOne: f.cylinderOne || undefined,
    bankOne: f.bankOne || undefined,
    market: f.market || undefined,
    plate: f.plate || undefined,
    vin: f.vin === '' ? undefined : f.vin.toUpperCase(),
    heightM: f.height === undefined ? undefined : f.height * per.m,
    modifications: f.modifications || undefined,
    warrantyEnds: f.warrantyEnds || undefined,
    inspectionDue: f.inspectionDue || undefined,
    usualTrips:
      f.trips.length === 0
        ? undefined
        : f.trips.map(({ distance, ...t }) => ({ ...t, distanceKm: distance * per.km })),
  };
  return vehicleSchema.parse(vehicle);
}

const NAMES = { lpg: 'LPG', natural: 'Without turbo', turbo: 'Turbo', unknown: 'Not known' } as const;
const titled = (id: string): string =>
  Object.hasOwn(NAMES, id) ? NAMES[id as keyof typeof NAMES] : id.charAt(0).toUpperCase() + id.slice(1);

/** What is known of a vehicle: by its VIN, by hand, or with as little as a name. */
export function VehicleForm({
  vehicle,
  newVehicleId,
  units,
  submit,
  onSubmit,
  isShort,
}: {
  vehicle: Vehicle | null;
  newVehicleId: () => string;
  units: UnitChoice;
  submit: string;
  onSubmit: (vehicle: Vehicle) => Promise<unknown>;
  /** With what is seldom needed folded away. */
  isShort?: boolean;
}) {
  const tell = useTell();
  const isKilometres = unitsOf(units).distance === 'km';
  const per: Scale = isKilometres ? { km: 1, m: 1 } : { km: KM_PER_MILE, m: M_PER_FOOT };
  const unit = isKilometres ? 'km' : 'miles';
  const { register, handleSubmit, formState, control, setValue, getValues } = useForm<
    FormIn,
    unknown,
    FormOut
  >({
    resolver: zodResolver(formSchemaFor(per)),
    defaultValues: toForm(vehicle, per),
  });
  const trips = useFieldArray({ control, name: 'trips' });
  const vin = useWatch({ control, name: 'vin' }).trim();
  const year = useWatch({ control, name: 'year' });
  const kind = useWatch({ control, name: 'kind' });
  const report = vin === '' ? null : readVin(vin, kind);
  const error = (name: keyof FormIn) => formState.errors[name]?.message;
  const field = (
    name: Exclude<keyof FormIn, 'trips'>,
    label: string,
    {
      hint,
      mode = 'text',
      type = 'text',
    }: { hint?: string; mode?: 'text' | 'numeric' | 'decimal'; type?: string } = {},
  ) => (
    <label className="block">
      <span className="font-semibold">{label}</span>
      {hint ? <span className="block text-[14px] text-ink-2">{tell(hint)}</span> : null}
      <input
        className={`${FIELD} ${name === 'vin' ? 'font-mono uppercase tracking-wider' : ''}`}
        type={type}
        inputMode={mode}
        autoComplete="off"
        spellCheck={false}
        aria-invalid={Boolean(formState.errors[name])}
        {...register(name)}
      />
      {error(name) ? (
        <span role="alert" className="block text-[15px] font-semibold">
          {error(name)}
        </span>
      ) : null}
    </label>
  );
  const choose = (
    name: 'kind' | 'fuel' | 'aspiration' | 'gearbox',
    label: string,
    options: readonly string[],
  ) => (
    <label className="block">
      <span className="font-semibold">{label}</span>
      <select className={FIELD} {...register(name)}>
        {options.map((o) => (
          <option key={o} value={o}>
            {tell(titled(o === 'petrol' ? '{petrol}' : o))}
          </option>
        ))}
      </select>
    </label>
  );
  const more = (
    <div className="space-y-4">
      <div className="grid items-end gap-4 sm:grid-cols-2">
        {field('cylinderOne', 'Where cylinder 1 is', {
          hint: tell(
            'From the {workshop manual}, such as: at the timing belt. Shown wherever a cylinder is named.',
          ),
        })}
        {field('bankOne', 'Where bank 1 is (V and boxer engines)', {
          hint: 'The bank that holds cylinder 1, such as: towards the front.',
        })}
        {field('tyre', tell('{Tyre} size, driven wheels'), {
          hint: tell('On the wall of the {tyre}, such as 205/55 R16; needed to work out the gear.'),
        })}
        {choose('aspiration', 'Air', ASPIRATIONS)}
        {choose('gearbox', 'Transmission', GEARBOXES)}
        {field('warrantyEnds', 'Warranty ends', { type: 'date' })}
        {field('inspectionDue', 'Next inspection', { type: 'date' })}
        {field('height', `Altitude where it is kept, ${isKilometres ? 'm' : 'feet'}`, {
          hint: 'Above sea level; needed to check the air pressure.',
          mode: 'decimal',
        })}
      </div>
      {field('modifications', 'Modifications', {
        hint: 'Exhaust, intake, software, lights, LPG conversion; these change what is likely.',
      })}
      <fieldset>
        <legend className="font-semibold">Usual trips</legend>
        <p className="text-[14px] text-ink-2">
          Trips you make anyway. They show when self-checks can run before an inspection.
        </p>
        <ul className="mt-2 space-y-3">
          {trips.fields.map((t, i) => (
            <li
              key={t.id}
              className="grid grid-cols-2 items-end gap-2 border-l-4 border-own-line pl-3 sm:grid-cols-[1.4fr_1fr_1fr_1fr_1fr_auto]"
            >
              <label className="col-span-2 block sm:col-span-1">
                <span className="text-[14px]">Destination</span>
                <input className={FIELD} {...register(`trips.${i}.name`)} />
              </label>
              <label className="block">
                <span className="text-[14px]">Road</span>
                <select className={FIELD} {...register(`trips.${i}.road`)}>
                  {ROADS.map((r) => (
                    <option key={r} value={r}>
                      {tell(ROAD_NAMES[r])}
                    </option>
                  ))}
                </select>
              </label>
              {(
                [
                  ['minutes', 'Minutes'],
                  ['distance', unit === 'km' ? 'Length, km' : 'Length, miles'],
                  ['perWeek', 'Times a week'],
                ] as const
              ).map(([key, label]) => (
                <label key={key} className="block">
                  <span className="text-[14px]">{label}</span>
                  <input
                    className={FIELD}
                    inputMode="decimal"
                    aria-invalid={Boolean(formState.errors.trips?.[i]?.[key])}
                    {...register(`trips.${i}.${key}`)}
                  />
                </label>
              ))}
              <button
                type="button"
                className="grid size-11 place-items-center rounded-md hover:bg-sheet-2"
                aria-label={`Leave this trip out: ${getValues(`trips.${i}.name`) || 'without a name'}`}
                onClick={() => trips.remove(i)}
              >
                <X size={20} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
        {formState.errors.trips ? (
          <p role="alert" className="text-[15px] font-semibold">
            Each trip needs a name, and numbers above 0.
          </p>
        ) : null}
        <button
          type="button"
          className={`${BUTTON.own} mt-2`}
          onClick={() => trips.append({ name: '', road: 'town', minutes: '', distance: '', perWeek: '' })}
        >
          <Plus size={18} aria-hidden="true" /> A trip
        </button>
      </fieldset>
    </div>
  );
  return (
    <form
      className="space-y-4"
      noValidate
      onSubmit={(e) =>
        void handleSubmit((f) => onSubmit(fromForm(f, vehicle ?? { id: newVehicleId() }, per)))(e)
      }
    >
      <div>
        {field('vin', 'VIN', {
          hint: '17 characters, on the papers and behind the {windscreen}. May stay empty.',
        })}
        {report ? (
          <div role="status" className="mt-1.5 text-[15px]">
            {report.ok ? (
              <>
                <p>
                  {report.isCheckDigitRight
                    ? 'The check digit is right.'
                    : 'The check digit does not fit. It is only required in North America; elsewhere look at each character once more.'}{' '}
                  Region of the maker’s code: {report.region}.{' '}
                  {report.modelYear === null
                    ? kind === 'motorcycle'
                      ? 'The model year of a motorcycle cannot be read from it.'
                      : 'Its tenth character is no model-year code.'
                    : `Its tenth character stands for ${report.modelYear}${report.isModelYearCertain ? '.' : ': binding in North America only, a hint here.'}`}
                </p>
                {report.modelYear !== null && year !== String(report.modelYear) ? (
                  <button
                    type="button"
                    className={BUTTON.quiet}
                    onClick={() => setValue('year', String(report.modelYear), { shouldDirty: true })}
                  >
                    Use {report.modelYear}
                  </button>
                ) : null}
                <p className="text-ink-2">
                  It does not give engine, fuel, market or owner in a way that all manufacturers share: enter
                  those below.
                </p>
              </>
            ) : (
              report.message
            )}
          </div>
        ) : null}
      </div>
      {field('name', 'Make and model', { hint: 'In your own words.' })}
      <div className="grid items-end gap-4 sm:grid-cols-2">
        {choose('kind', 'Kind', ['car', 'van', 'motorcycle'])}
        {choose('fuel', 'Fuel', FUELS)}
        <label className="block">
          <span className="font-semibold">Sold new in (market)</span>
          <select className={FIELD} {...register('market')}>
            <option value="">not known</option>
            {Object.entries(MARKETS).map(([id, name]) => (
              <option key={id} value={id}>
                {tell(name)}
              </option>
            ))}
          </select>
        </label>
        {field('year', 'Year', { mode: 'numeric' })}
        {field('distance', `Mileage (odometer), ${unit}`, { mode: 'numeric' })}
        {field('displacement', tell('Engine size, {litres}'), {
          hint: 'Such as 1.4; needed to check the air flow.',
          mode: 'decimal',
        })}
        {field('cylinders', 'Cylinders', { mode: 'numeric' })}
        {field('plate', tell('{Number plate}'))}
      </div>
      {isShort ? (
        <details className="border-y border-line">
          <summary className="flex min-h-11 items-center font-semibold">
            More: transmission, dates, altitude, modifications, usual trips
          </summary>
          <div className="pb-4 pt-1">{more}</div>
        </details>
      ) : (
        more
      )}
      <button type="submit" className={BUTTON.solid}>
        {submit}
      </button>
    </form>
  );
}
