import type { CopyFilePort } from './copy-file.ts';
import type { CorePort } from './core.ts';
import type { KeptFilePort } from './kept-file.ts';
import type { PracticePort } from './practice.ts';
import type { RecordingsPort } from './recordings.ts';
import type { SpacePort } from './space.ts';
import type { StandInPort } from './stand-in.ts';
import type { TabsPort } from './tabs.ts';

/** What the store reaches outside itself: handed in when it is made, so that it knows no worker and no window. */
export interface Ports {
  core: CorePort;
  standIn: StandInPort;
  practice: PracticePort;
  tabs: TabsPort;
  space: SpacePort;
  recordings: RecordingsPort;
  keptFile: KeptFilePort;
  copyFile: CopyFilePort;
}
