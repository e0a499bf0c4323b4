import { proxy } from 'comlink';
import type { Ports } from '../ports/ports.ts';
import { assessThere, coreWorker } from '../workers/core-client.ts';
import { browserCopyFile } from '../workers/copy-file-client.ts';
import { recordingsWorker } from '../workers/recordings-client.ts';
import { plugIntoStandIn, standInWorker } from '../workers/stand-in-client.ts';
import { browserKeptFile } from './kept-file.ts';
import { browserSpace } from './space.ts';
import { browserTabs } from './tabs.ts';

/** The browser's own: workers, other pages. */
export function browserPorts(): Ports {
  return {
    core: {
      assess: assessThere,
      readCaseFile: (text) => coreWorker().readCaseFile(text),
      decodeFileText: (text) => coreWorker().decodeFileText(text),
      searchReference: (text, limit, wording) => coreWorker().searchReference(text, limit, wording),
      codePage: (code, wording) => coreWorker().codePage(code, wording),
    },
    standIn: {
      plugIn: plugIntoStandIn,
      unplug: () => standInWorker().unplug(),
      setMode: (mode) => standInWorker().setMode(mode),
      does: (what) => standInWorker()[what](),
      mendTo: (left) => standInWorker().mendTo(left),
    },
    practice: {
      answer: (question) => coreWorker().practiceAnswer(question),
      result: (record, vehicle, owner, at) => coreWorker().practiceResult(record, vehicle, owner, at),
    },
    tabs: browserTabs(),
    space: browserSpace(),
    keptFile: browserKeptFile(),
    copyFile: browserCopyFile(),
    recordings: {
      exportCsv: (id) => recordingsWorker().exportCsv(id, false),
      importCsv: async (file, target) => {
        const result = await recordingsWorker().importFile(
          file,
          target,
          proxy(() => undefined),
        );
        return result.ok ? null : `${result.why} ${result.next}`;
      },
    },
  };
}
