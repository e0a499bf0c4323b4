import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { useNavigate, useMatch } from 'react-router';
import { STATIONS } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import { explainCode } from '@pincer/core/codes';
import { tellAll } from '@pincer/core/words';
import { useSearch } from '../reference/use-search.ts';
import { STATION_TITLES } from '../stations/titles.ts';
import { changeSettings } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useWording } from '../store/use-tell.ts';
import { ownCases } from '../store/logbook-selectors.ts';

const ITEM =
  'flex min-h-11 cursor-pointer flex-col justify-center rounded-md px-3 py-1.5 data-[selected=true]:bg-sheet-2 data-[selected=true]:outline-2 data-[selected=true]:outline-ink';

/** Cases that are listed before a name is typed: the newest. */
const CASES_AT_ONCE = 8;

/** The cases that were opened last, newest first; the rest is not put in order. */
function newest(cases: readonly CaseRecord[], count: number): CaseRecord[] {
  const first: CaseRecord[] = [];
  for (const one of cases) {
    if (first.length === count && one.openedAt <= (first.at(-1)?.openedAt ?? '')) continue;
    const at = first.findIndex((c) => one.openedAt > c.openedAt);
    first.splice(at === -1 ? first.length : at, 0, one);
    first.length = Math.min(count, first.length);
  }
  return first;
}

/** Search over codes, words, vehicles, cases and commands. */
export function Finder({
  open,
  onOpenChange,
  onKeys,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onKeys: () => void;
}) {
  const [text, setText] = useState('');
  const wording = useWording();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((s) => s.settings);
  const cases = useAppSelector((s) => ownCases(s.logbook));
  const vehicles = useAppSelector((s) => s.logbook.vehicles.entities);
  const caseId = useMatch('/case/:caseId/*')?.params.caseId;

  const typed = text.trim();
  // The second character tells a code from a word; O, Q, I and L are taken for digits often enough.
  const looksLikeCode = /^[PCBU][0-9OQIL][0-9A-Z]{2,4}$/i.test(typed);
  const explanation = looksLikeCode ? tellAll(explainCode(typed), wording) : null;
  const hits = useSearch(looksLikeCode ? '' : typed, 10);
  const matches = (words: string) => typed === '' || words.toLowerCase().includes(typed.toLowerCase());

  const isTyped = typed !== '';
  // What all of them are called is put together once something is typed: a search over years opens at once.
  const called = useMemo(
    () =>
      isTyped
        ? cases.map((record) => {
            const { name = '', plate = '' } = vehicles[record.vehicle] ?? {};
            return { record, words: `${name} ${record.title} ${plate}`.toLowerCase() };
          })
        : [],
    [cases, vehicles, isTyped],
  );
  const found = isTyped
    ? called.filter((c) => c.words.includes(typed.toLowerCase())).map((c) => c.record)
    : cases;

  const go = (to: string) => {
    onOpenChange(false);
    void navigate(to);
  };
  const run = (action: () => void) => {
    onOpenChange(false);
    action();
  };
  const commands: { title: string; run: () => void }[] = [
    ...(caseId
      ? STATIONS.map((id, i) => ({
          title: `Station ${i + 1}: ${STATION_TITLES[id]}`,
          run: () => go(`/case/${caseId}/${id}`),
        }))
      : []),
    ...(caseId ? [{ title: 'Open the log', run: () => go(`${location.pathname}?log`) }] : []),
    { title: 'Garage', run: () => go('/') },
    { title: 'Open a case, add a vehicle', run: () => go('/?new') },
    { title: 'Import a case file', run: () => go('/?import') },
    { title: 'Look up codes', run: () => go('/codes') },
    { title: 'Glossary, warning lights, symptoms', run: () => go('/words') },
    { title: 'Practice bay', run: () => go('/practice') },
    { title: 'Settings', run: () => go('/settings') },
    {
      title: 'Theme: bright day',
      run: () => run(() => void dispatch(changeSettings({ ...settings, theme: 'day' }))),
    },
    {
      title: 'Theme: dark garage',
      run: () => run(() => void dispatch(changeSettings({ ...settings, theme: 'garage' }))),
    },
    {
      title: 'Theme: same as device',
      run: () => run(() => void dispatch(changeSettings({ ...settings, theme: 'auto' }))),
    },
    { title: 'Keyboard shortcuts', run: () => run(onKeys) },
  ];
  const named = commands.filter((c) => matches(c.title));

  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-[5vh] z-50 max-h-[80vh] w-[min(640px,94vw)] -translate-x-1/2 overflow-hidden rounded-lg border border-line bg-sheet text-ink"
        >
          <Dialog.Title className="sr-only">Search</Dialog.Title>
          <Command shouldFilter={false} label="Search">
            <Command.Input
              value={text}
              onValueChange={setText}
              placeholder="Code, word, vehicle or command"
              className="h-14 w-full border-b border-line bg-sheet px-4 text-[18px] text-ink outline-none placeholder:text-ink-2"
            />
            <Command.List className="max-h-[64vh] overflow-y-auto p-2">
              <Command.Empty className="p-4 text-ink-2">
                Nothing found. Try a code such as P0302, or a word such as coil.
              </Command.Empty>
              {explanation ? (
                <Command.Group heading="Code">
                  <Command.Item
                    value={`code ${explanation.code}`}
                    onSelect={() => go(`/codes/${explanation.valid ? explanation.code : ''}`)}
                    className={ITEM}
                  >
                    <span>
                      <span className="font-mono">{explanation.code}</span> <b>{explanation.title}</b>
                    </span>
                    <span className="text-[15px] text-ink-2">{explanation.meaning}</span>
                    {explanation.suggestion ? (
                      <span className="text-[15px]">Did you mean {explanation.suggestion}?</span>
                    ) : null}
                  </Command.Item>
                </Command.Group>
              ) : null}
              {found.length > 0 ? (
                <Command.Group heading="Vehicles and cases">
                  {newest(found, CASES_AT_ONCE).map(({ id, title, vehicle }) => (
                    <Command.Item
                      key={id}
                      value={id}
                      onSelect={() => go(`/case/${id}/narrow`)}
                      className={ITEM}
                    >
                      <span>
                        {vehicles[vehicle]?.name ?? 'Vehicle'}: {title}
                      </span>
                    </Command.Item>
                  ))}
                  {found.length > CASES_AT_ONCE ? (
                    <p className="px-3 py-1.5 text-[15px] text-ink-2">
                      {found.length - CASES_AT_ONCE} more. Type a name to find one of them.
                    </p>
                  ) : null}
                </Command.Group>
              ) : null}
              {named.length > 0 ? (
                <Command.Group heading="Commands">
                  {named.map((c) => (
                    <Command.Item key={c.title} value={c.title} onSelect={c.run} className={ITEM}>
                      {c.title}
                    </Command.Item>
                  ))}
                </Command.Group>
              ) : null}
              {hits.length > 0 ? (
                <Command.Group heading="Reference">
                  {hits.map((h) => (
                    <Command.Item key={h.id} value={`hit ${h.id}`} onSelect={() => go(h.to)} className={ITEM}>
                      <span>
                        {h.kind === 'code' ? <span className="font-mono">{h.id.slice(5)} </span> : null}
                        {h.title}
                      </span>
                      {h.kind === 'code' ? null : <span className="text-[15px] text-ink-2">{h.detail}</span>}
                    </Command.Item>
                  ))}
                </Command.Group>
              ) : null}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
