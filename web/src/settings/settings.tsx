import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import type * as z from 'zod/mini';
import { REGIONS, inRegion, ownerSchema, type Owner } from '@pincer/core/case';
import { TOOLS, type ToolId } from '@pincer/core/knowledge';
import { changeSettings } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, FIELD, SHEET } from '../ui/classes.ts';
import { OnThisDevice } from './on-this-device.tsx';
import { Segments } from '../ui/segments.tsx';
import { UnitsField } from './units-field.tsx';
import { useTell } from '../store/use-tell.ts';

/** What a region fills in. */
const REGIONAL = [
  'region',
  'currency',
  'locale',
  'priceLevel',
  'shopHourly',
  'shopDiagnosis',
  'ownHourly',
] as const;

/** The owner's rates, tools, school, units and theme. */
export function SettingsPage() {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((s) => s.settings);
  const { register, handleSubmit, formState, setValue, control } = useForm<
    z.input<typeof ownerSchema>,
    unknown,
    Owner
  >({
    resolver: zodResolver(ownerSchema),
    defaultValues: settings.owner,
  });
  const [school, units, words, region] = useWatch({ control, name: ['school', 'units', 'words', 'region'] });
  const number = (name: 'ownHourly' | 'shopHourly' | 'shopDiagnosis', label: string, hint: string) => (
    <label className="block">
      <span className="font-semibold">{label}</span>
      <span className="block text-[14px] text-ink-2">{hint}</span>
      <input
        type="number"
        min={0}
        step="any"
        className={`${FIELD} font-mono`}
        aria-invalid={Boolean(formState.errors[name])}
        {...register(name, { valueAsNumber: true })}
      />
      {formState.errors[name] ? <span role="alert">A number of 0 or more.</span> : null}
    </label>
  );
  return (
    <main id="work" className="mx-auto w-full max-w-3xl space-y-4 p-4">
      <title>Settings · Pincer</title>
      <h1 className="text-2xl">Settings</h1>
      <section className={`${SHEET} space-y-2 p-4`}>
        <h2 className="text-lg">Theme and keys</h2>
        <Segments
          label="Theme"
          value={settings.theme}
          options={[
            { id: 'auto', title: 'Same as device' },
            { id: 'day', title: 'Light (daylight)' },
            { id: 'garage', title: 'Dark (garage)' },
          ]}
          onChange={(theme) => void dispatch(changeSettings({ ...settings, theme }))}
        />
        <label className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={settings.singleKeys !== 'off'}
            onChange={(e) =>
              void dispatch(changeSettings({ ...settings, singleKeys: e.target.checked ? 'on' : 'off' }))
            }
          />
          <span>
            Keyboard shortcuts of a single key
            <span className="block text-[14px] text-ink-2">
              1 to 8, L, G, / and ?. Switch them off if you dictate, or if keys are touched by chance.
            </span>
          </span>
        </label>
      </section>
      <form
        className={`${SHEET} space-y-4 p-4`}
        onSubmit={(e) =>
          void handleSubmit(async (owner) => {
            const why = await dispatch(changeSettings({ ...settings, owner }));
            toast(why === null ? 'Saved.' : `Not saved: ${why}. They hold until this page is closed.`);
          })(e)
        }
      >
        <h2 className="text-lg">Your time, your money, your tools</h2>
        <div className="grid gap-4 sm:grid-cols-2">
          <label className="block">
            <span className="font-semibold">Prices as usual in</span>
            <span className="block text-[14px] text-ink-2">
              Fills in the currency and the rates below, and what parts cost. A guess: change what you know
              better.
            </span>
            <select
              className={FIELD}
              value={region ?? 'EU'}
              onChange={(e) => {
                const then = inRegion(settings.owner, e.target.value);
                for (const name of REGIONAL) setValue(name, then[name]);
              }}
            >
              {Object.entries(REGIONS).map(([id, { name }]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          {number('ownHourly', 'Your own time, per hour', 'What it is worth to you; 0 if you enjoy it.')}
          {number('shopHourly', tell('{Workshop} {labour}, per hour'), 'Ask, or leave the guess.')}
          {number('shopDiagnosis', tell('{Workshop} diagnosis fee'), 'Before anything is repaired.')}
          <label className="block">
            <span className="font-semibold">Currency</span>
            <span className="block text-[14px] text-ink-2">
              A code such as EUR or SEK, or a sign of your own. Only shown.
            </span>
            <input className={FIELD} {...register('currency')} />
          </label>
        </div>
        <fieldset>
          <legend className="font-semibold">Tools at hand</legend>
          <div className="mt-1 grid gap-1 sm:grid-cols-2">
            {(Object.keys(TOOLS) as ToolId[]).map((id) => (
              <label key={id} className="flex min-h-11 items-center gap-3">
                <input type="checkbox" className="size-5 accent-(--ink)" value={id} {...register('tools')} />
                {tell(TOOLS[id])}
              </label>
            ))}
          </div>
        </fieldset>
        <div>
          <p className="font-semibold">When in doubt</p>
          <p className="text-[14px] text-ink-2">
            This changes what is recommended, never a warning or a blocked choice. Our default is to test
            first: a code cleared unread is a clue lost.
          </p>
          <Segments
            label="When in doubt"
            value={school}
            options={[
              { id: 'test-first', title: 'Test first' },
              { id: 'reset-first', title: 'Clear first and see' },
            ]}
            onChange={(school) => setValue('school', school)}
          />
        </div>
        <div>
          <p className="font-semibold">English</p>
          <Segments
            label="English"
            value={words ?? null}
            options={[
              { id: 'british', title: 'British: bonnet, petrol, tyre' },
              { id: 'american', title: 'American: hood, gasoline, tire' },
            ]}
            onChange={(words) => setValue('words', words)}
          />
        </div>
        <label className="flex min-h-11 items-start gap-3">
          <input type="checkbox" className="mt-1 size-5" {...register('learns')} />
          <span>
            <b>Learn from my closed cases</b>
            <span className="block text-[14px] text-ink-2">
              What it was before on your vehicles becomes a little likelier, and costs what it cost you.
              Without it, only the library counts.
            </span>
          </span>
        </label>
        <UnitsField units={units} onChange={(units) => setValue('units', units)} />
        <button type="submit" className={BUTTON.solid}>
          Save
        </button>
      </form>
      <OnThisDevice />
    </main>
  );
}
