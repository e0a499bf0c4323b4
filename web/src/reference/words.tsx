import { useEffect } from 'react';
import { ArrowRight } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import {
  LAMPS,
  LAMP_COLOUR,
  READER_CHECKS,
  READER_VALUES,
  READER_WORDS,
  type LampId,
} from '@pincer/core/case';
import { GLOSSARY } from '@pincer/core/codes';
import { CAUSES, OBSERVATIONS, OWNER_OBSERVATIONS } from '@pincer/core/knowledge';
import { MONITOR_NAMES } from '@pincer/core/obd';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { Lamp } from '../ui/lamp.tsx';
import { useTell } from '../store/use-tell.ts';

const LAMP_MEANS: Readonly<Record<LampId, string>> = {
  engine: 'Steady: have it read soon. Flashing: misfire is burning the catalyst; ease off at once.',
  oil: 'Stop now and switch off. Without pressure the bearings are gone in minutes.',
  temperature: 'Stop and switch off. Leave the cap closed while it is warm.',
  charging: 'The vehicle runs on its battery, for half an hour at best.',
  brakes:
    'Parking brake not fully released, brake fluid low, or a brake circuit failed. If it stays on: stop.',
  abs: 'The ordinary brakes still work, but hard braking can lock a wheel. On a motorcycle it flashes until you move off. With the red brake light: stop.',
  steering: 'Power assistance may fail. Steering is work for a qualified {workshop}.',
  'high-voltage': 'Park safely, touch nothing orange, call a qualified {workshop}.',
  stability: 'Flickering while a wheel spins is normal; lit, stability and often ABS are off.',
  airbag: 'Airbags and tensioners may not fire. Work for a qualified {workshop}.',
  tyre: 'A {tyre} is losing air, or the system was not reset after inflating.',
  gearbox: 'It may hold one gear or grow too hot. Red: stop and let it cool.',
  particulate: 'Steady: twenty minutes at a steady speed. Flashing: have it looked at.',
  glow: 'Lit before the start is normal; lit or flashing while driving is not.',
  other: 'Red means stop, amber means check soon. See the {handbook}.',
};

const STATE_MEANS = {
  confirmed: 'Failed often enough, usually on two trips in a row; it turns the engine light on.',
  pending: 'Failed in this or the last trip, not often enough for the light.',
  permanent: 'Only the vehicle itself can erase it, once it has seen the check pass.',
  history: 'Stored but not failing now; the light is off.',
} as const;

/** How many causes a symptom names. */
const MAX_CAUSES = 6;

/** Glossary, lamps, symptoms and what hand-held readers write. */
export function Words() {
  const tell = useTell();
  const { hash } = useLocation();
  useEffect(() => {
    const target = hash === '' ? null : document.getElementById(hash.slice(1));
    target?.scrollIntoView({ block: 'center' });
    target?.focus({ preventScroll: true });
  }, [hash]);
  const row = 'scroll-mt-24 px-4 py-2.5 target:bg-car-soft focus:bg-car-soft';
  return (
    <main id="work" className="mx-auto w-full max-w-4xl space-y-4 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <title>Words, lights, symptoms · Pincer</title>
        <h1 className="text-2xl">Words, warning lights, symptoms</h1>
        <Link to="/codes" className={`${BUTTON.quiet} -ml-3 sm:ml-0`}>
          Look up codes <ArrowRight size={18} aria-hidden="true" />
        </Link>
      </div>
      <section className={SHEET} aria-labelledby="lamps">
        <h2 id="lamps" className="border-b border-line px-4 py-2.5 text-lg">
          Warning lights
        </h2>
        <ul className="divide-y divide-line">
          {(Object.keys(LAMPS) as LampId[]).map((id) => (
            <li key={id} id={`lamp-${id}`} tabIndex={-1} className={`${row} flex items-center gap-3`}>
              <Lamp lamp={id} />
              <span>
                <b>{tell(LAMPS[id])}</b>{' '}
                <span className="text-ink-2">({LAMP_COLOUR[id] ?? 'red or amber'})</span>
                <span className="block">{tell(LAMP_MEANS[id])}</span>
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section className={SHEET} aria-labelledby="signs">
        <h2 id="signs" className="border-b border-line px-4 py-2.5 text-lg">
          Symptoms, and what they commonly come from
        </h2>
        <ul className="divide-y divide-line">
          {OWNER_OBSERVATIONS.filter((k) => !k.startsWith('before:')).map((key) => {
            const causes = CAUSES.filter((c) => (c.effects[key] ?? 0) >= 0.3)
              .sort((a, b) => b.prior * (b.effects[key] ?? 0) - a.prior * (a.effects[key] ?? 0))
              .slice(0, MAX_CAUSES);
            return (
              <li key={key} id={`sign-${key.replace(':', '-')}`} tabIndex={-1} className={row}>
                <b>{tell(OBSERVATIONS[key].title)}</b>
                <span className="block text-ink-2">
                  {causes
                    .map((c) =>
                      tell(c.title)
                        .replace(/ (of )?cylinder \{n\}/, '')
                        .replace(' {n}', ''),
                    )
                    .join('; ') ||
                    'Too many possible causes to list; it counts together with your other findings.'}
                </span>
              </li>
            );
          })}
        </ul>
      </section>
      <section className={SHEET} aria-labelledby="states">
        <h2 id="states" className="border-b border-line px-4 py-2.5 text-lg">
          Terms used by code readers
        </h2>
        <ul className="divide-y divide-line">
          {(Object.keys(STATE_MEANS) as (keyof typeof STATE_MEANS)[]).map((state) => (
            <li key={state} id={`state-${state}`} tabIndex={-1} className={row}>
              <b>{READER_WORDS[state].join(', ')}</b>
              <span className="block text-ink-2">
                {state}: {STATE_MEANS[state]}
              </span>
            </li>
          ))}
          <li className={row}>
            <b className="font-mono">{READER_VALUES.map((v) => v.abbreviation).join(' ')}</b>
            <span className="block text-ink-2">
              {READER_VALUES.map((v) => `${v.abbreviation}: ${v.name.toLowerCase()}`).join('; ')}
            </span>
          </li>
          <li className={row}>
            <b className="font-mono">{READER_CHECKS.map((v) => v.abbreviation).join(' ')}</b>
            <span className="block text-ink-2">
              Self-checks:{' '}
              {READER_CHECKS.map((v) => `${v.abbreviation}: ${MONITOR_NAMES[v.monitor].toLowerCase()}`).join(
                '; ',
              )}
            </span>
          </li>
        </ul>
      </section>
      <section className={SHEET} aria-labelledby="glossary">
        <h2 id="glossary" className="border-b border-line px-4 py-2.5 text-lg">
          Glossary
        </h2>
        <dl className="divide-y divide-line">
          {GLOSSARY.map((g) => (
            <div key={g.id} id={g.id} tabIndex={-1} className={row}>
              <dt>
                <b>{tell(g.title)}</b> <span className="text-ink-2">{tell(g.also)}</span>
              </dt>
              <dd>{tell(g.text)}</dd>
            </div>
          ))}
        </dl>
      </section>
    </main>
  );
}
