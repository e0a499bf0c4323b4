import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { isFullByHand, scanOfFindings, type PastedFindings, type WholeList } from '@pincer/core/case';
import { recordSaying } from '../logbook/record-saying.ts';
import { useAppDispatch } from '../store/store.ts';
import { Dialog } from '../ui/dialog.tsx';
import { CodePad } from './code-pad.tsx';
import { PasteText } from './paste-text.tsx';

const TAB =
  'min-h-11 flex-1 border-b-4 border-transparent px-3 text-[17px] font-semibold data-[state=active]:border-ink';

/** What was added, counted. */
function addedWords({ codes, values, monitors, vin }: PastedFindings): string {
  const rest = values.length + monitors.length;
  const counted = [
    ...(codes.length > 0 ? [`${codes.length} ${codes.length === 1 ? 'code' : 'codes'}`] : []),
    ...(rest > 0 ? [`${rest} other ${rest === 1 ? 'finding' : 'findings'}`] : []),
  ];
  if (counted.length > 0) return `${counted.join(' and ')} added.`;
  return vin === null ? 'The entry was added.' : 'The vehicle number was added.';
}

/** Codes without an adapter: typed from a borrowed reader's screen, or found in any text. */
export function ByHand({ caseId, onClose }: { caseId: string; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [isPasting, setPasting] = useState(false);
  const add = async (findings: PastedFindings, whole: readonly WholeList[] = []) => {
    // A full one by hand counts as full, and still opens no way to a clear by the adapter: that wants its own reading.
    const scan = scanOfFindings(findings, whole);
    await dispatch(
      recordSaying(
        caseId,
        { kind: 'scan', via: 'hand', isComplete: isFullByHand(scan), scan },
        addedWords(findings),
      ),
    );
    onClose();
  };
  return (
    <Dialog
      title="No adapter? Type or paste"
      description="From a hand-held reader, a printed report, a message or an invoice."
      open
      onOpenChange={onClose}
    >
      <Tabs.Root value={isPasting ? 'paste' : 'type'} onValueChange={(v) => setPasting(v === 'paste')}>
        <Tabs.List className="mb-3 flex border-b border-line" aria-label="How">
          <Tabs.Trigger value="type" className={TAB}>
            Type codes
          </Tabs.Trigger>
          <Tabs.Trigger value="paste" className={TAB}>
            Paste or open text
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="type">
          <CodePad caseId={caseId} onAdd={add} />
        </Tabs.Content>
        <Tabs.Content value="paste">
          <PasteText caseId={caseId} onAdd={add} />
        </Tabs.Content>
      </Tabs.Root>
    </Dialog>
  );
}
