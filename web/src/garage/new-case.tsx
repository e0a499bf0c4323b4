import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, useWatch } from 'react-hook-form';
import { useNavigate, useSearchParams } from 'react-router';
import { z } from 'zod';
import { FUELS, MARKETS, readVin, type Vehicle } from '@pincer/core/vehicle';
import { newId } from '../store/ids.ts';
import { openCase, putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, FIELD } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';

const optionalNumber = z
  .string()
  .trim()
  .transform((t) => (t === '' ? undefined : Number(t.replace(',', '.'))))
  .refine((n) => n === undefined || (Number.isFinite(n) && n >= 0), 'A number, or leave it empty.');

const formSchema = z.object({
  name: z.string().trim().min(1, 'Any name will do, such as make and model.'),
  kind: z.enum(['car', 'van', 'motorcycle']),
  fuel: z.enum(FUELS),
  year: optionalNumber.refine(
    (n) => n === undefined || (n >= 1900 && n <= 2100),
    'A year, or leave it empty.',
  ),
  distance: optionalNumber,
  displacement: optionalNumber,
  cylinders: optionalNumber.refine(
    (n) => n === undefined || (Number.isInteger(n) && n >= 1 && n <= 16),
    'One to sixteen, or leave it empty.',
  ),
  market: z.string(),
  plate: z.string().trim(),
  vin: z.string().trim(),
});
type FormIn = z.input<typeof formSchema>;
type FormOut = z.output<typeof formSchema>;

/** Opens a case: for a vehicle that is here, or for a new one with as little as its name. */
export function NewCase({ onClose }: { onClose: () => void }) {
  const [params] = useSearchParams();
  const vehicles = useAppSelector((s) => s.logbook.vehicles);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const chosen = vehicles[params.get('new') ?? ''];
  const { register, handleSubmit, formState, control } = useForm<FormIn, unknown, FormOut>({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: '',
      kind: 'car',
      fuel: 'petrol',
      year: '',
      distance: '',
      displacement: '',
      cylinders: '',
      market: '',
      plate: '',
      vin: '',
    },
  });
  const open = async (vehicle: Vehicle) => {
    const record = await dispatch(openCase(vehicle, 'A light came on'));
    void navigate(`/case/${record.id}/light`);
  };
  const vin = useWatch({ control, name: 'vin' }).trim();
  const report = vin === '' ? null : readVin(vin);
  const field = (
    name: keyof FormIn,
    label: string,
    hint?: string,
    mode: 'text' | 'numeric' | 'decimal' = 'text',
  ) => (
    <label className="block">
      <span className="font-semibold">{label}</span>
      {hint ? <span className="block text-[14px] text-ink-2">{hint}</span> : null}
      <input
        className={FIELD}
        inputMode={mode}
        aria-invalid={Boolean(formState.errors[name])}
        {...register(name)}
      />
      {formState.errors[name] ? (
        <span role="alert" className="block text-[15px] font-semibold">
          {formState.errors[name]?.message}
        </span>
      ) : null}
    </label>
  );
  return (
    <Dialog
      title="A light came on"
      description="On which vehicle? Anything you do not know may stay empty."
      open
      onOpenChange={onClose}
    >
      {Object.values(vehicles).length > 0 ? (
        <div className="mb-4 space-y-2">
          {(chosen ? [chosen] : Object.values(vehicles)).map((v) => (
            <button
              key={v.id}
              type="button"
              className={`${BUTTON.plain} w-full justify-between`}
              onClick={() => void open(v)}
            >
              <span>{v.name}</span>
              <span className="font-normal text-ink-2">{v.plate}</span>
            </button>
          ))}
        </div>
      ) : null}
      {chosen ? null : (
        <form
          className="space-y-4"
          onSubmit={(e) =>
            void handleSubmit(async (f) => {
              const vehicle: Vehicle = {
                id: newId('veh'),
                name: f.name,
                kind: f.kind,
                fuel: f.fuel,
                aspiration: 'unknown',
                ...(f.year === undefined ? {} : { year: f.year }),
                ...(f.distance === undefined ? {} : { distance: f.distance }),
                ...(f.displacement ? { displacement: f.displacement } : {}),
                ...(f.cylinders === undefined ? {} : { cylinders: f.cylinders }),
                ...(f.market ? { market: f.market } : {}),
                ...(f.plate ? { plate: f.plate } : {}),
                ...(f.vin ? { vin: f.vin.toUpperCase() } : {}),
              };
              await dispatch(putVehicle(vehicle));
              await open(vehicle);
            })(e)
          }
        >
          {Object.values(vehicles).length > 0 ? (
            <h3 className="border-t border-line pt-3 text-lg">Another vehicle</h3>
          ) : null}
          {field('name', 'Make and model', 'In your own words.')}
          <div className="grid gap-4 sm:grid-cols-2">
            <label className="block">
              <span className="font-semibold">Kind</span>
              <select className={FIELD} {...register('kind')}>
                <option value="car">Car</option>
                <option value="van">Van</option>
                <option value="motorcycle">Motorcycle</option>
              </select>
            </label>
            <label className="block">
              <span className="font-semibold">Fuel</span>
              <select className={FIELD} {...register('fuel')}>
                {FUELS.map((f) => (
                  <option key={f} value={f}>
                    {f === 'lpg' ? 'LPG' : f.charAt(0).toUpperCase() + f.slice(1)}
                  </option>
                ))}
              </select>
            </label>
            <label className="block">
              <span className="font-semibold">Sold new in</span>
              <select className={FIELD} {...register('market')}>
                <option value="">not known</option>
                {Object.entries(MARKETS).map(([id, name]) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            {field('year', 'Year', undefined, 'numeric')}
            {field('distance', 'Distance on the clock, km', undefined, 'numeric')}
            {field(
              'displacement',
              'Engine size, litres',
              'Such as 1.4; needed to judge the air flow.',
              'decimal',
            )}
            {field('cylinders', 'Cylinders', undefined, 'numeric')}
            {field('plate', 'Plate')}
            {field('vin', 'VIN', '17 characters, on the papers and behind the windscreen.')}
          </div>
          {report ? (
            <p role="status" className="text-[15px]">
              {report.ok
                ? `${report.isCheckDigitRight ? 'The check digit is right.' : 'The check digit does not fit. It is only required in North America; elsewhere look at each character once more.'} ${report.modelYear ? `Year code: ${report.modelYear}${report.isModelYearCertain ? '' : ', a hint only here'}.` : ''}`
                : report.message}
            </p>
          ) : null}
          <button type="submit" className={BUTTON.solid}>
            Open the case
          </button>
        </form>
      )}
    </Dialog>
  );
}
