import type { Assessment, CodePage } from '@pincer/core/assess';
import type { CaseRecord, Lesson, ImportResult, Owner } from '@pincer/core/case';
import type { Scan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import type { Wording } from '@pincer/core/words';

/** Something that the reference holds, and where it is shown. */
export interface ReferenceHit {
  id: string;
  kind: 'code' | 'word' | 'lamp' | 'sign' | 'state';
  title: string;
  detail: string;
  to: string;
}

/** The core's slow work, done off the main thread. */
export interface CorePort {
  /** @param now ISO 8601 moment. */
  assess: (
    record: CaseRecord,
    vehicle: Vehicle,
    owner: Owner,
    now: string,
    lessons: readonly Lesson[],
  ) => Promise<Assessment>;
  readCaseFile: (text: string) => Promise<ImportResult>;
  decodeFileText: (text: string) => Promise<Scan>;
  searchReference: (text: string, limit: number, wording: Wording) => Promise<readonly ReferenceHit[]>;
  codePage: (code: string, wording: Wording) => Promise<CodePage>;
}
