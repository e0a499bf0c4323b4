import type { Pace } from '@pincer/core/link';
import { addSamples, durationOf, emptyRecording, type Recording, type Sample } from '@pincer/core/signals';
import { chunkOf, saveChunk, saveMeta, type RecordingMeta } from '../storage/recordings.ts';

/** How often screens hear of new samples, ms, and how often they are written to storage. */
const TELL_MS = 400;
const SAVE_MS = 3_000;

/** The recording that runs, with what has not been written yet. Kept outside the store, for it grows many times a second. */
class WatchService {
  recording: Recording | null = null;
  pace: Pace | null = null;
  isPaused = false;
  /** Why the last write did not succeed; null when it did. */
  saveFault: string | null = null;
  private saving: Promise<void> = Promise.resolve();
  private meta: RecordingMeta | null = null;
  private unsaved: Sample[] = [];
  private readonly listeners = new Set<() => void>();
  private readonly sampleListeners = new Set<(samples: readonly Sample[]) => void>();
  private timers: ReturnType<typeof setInterval>[] = [];
  private isChanged = false;

  /** Begins a recording, or goes on with one that was cut: it then keeps its time and its samples. */
  async begin(meta: RecordingMeta, before: Recording | null = null): Promise<void> {
    this.meta = meta;
    this.recording = before ?? emptyRecording(meta.startedAt);
    this.pace = null;
    this.isPaused = false;
    this.unsaved = [];
    await saveMeta(meta);
    this.timers = [setInterval(() => this.tell(), TELL_MS), setInterval(() => void this.save(), SAVE_MS)];
    this.isChanged = true;
  }

  add(samples: readonly Sample[], pace: Pace): void {
    if (!this.recording) return;
    addSamples(this.recording, samples);
    this.unsaved.push(...samples);
    this.pace = pace;
    this.isChanged = true;
    for (const listen of this.sampleListeners) listen(samples);
  }

  mark(text: string): void {
    const { recording } = this;
    if (!recording) return;
    recording.marks = [...recording.marks, { at: durationOf(recording), text }];
    this.isChanged = true;
    void this.save();
  }

  /** Writes what has come since the last time. One write after the other: each counts on the pieces before it. */
  save(): Promise<void> {
    this.saving = this.saving.then(() => this.write());
    return this.saving;
  }

  private async write(): Promise<void> {
    const { meta, recording } = this;
    if (!meta || !recording) return;
    const samples = this.unsaved;
    this.unsaved = [];
    const next = { ...meta, channels: recording.channels, marks: recording.marks };
    try {
      if (samples.length === 0) await saveMeta(next);
      this.meta = samples.length === 0 ? next : await saveChunk(next, chunkOf(samples));
      this.saveFault = null;
    } catch (error) {
      // Nothing is lost while the page lives: it is tried again with what comes next.
      this.unsaved = [...samples, ...this.unsaved];
      this.saveFault = error instanceof Error ? error.message : 'unknown';
    }
    this.isChanged = true;
  }

  /** Ends it. @returns what was recorded. */
  async end(): Promise<{ recording: Recording; meta: RecordingMeta } | null> {
    for (const timer of this.timers) clearInterval(timer);
    this.timers = [];
    await this.save();
    const { recording, meta } = this;
    this.recording = null;
    this.meta = null;
    this.isChanged = true;
    this.tell();
    if (!recording || !meta) return null;
    const closed = { ...meta, channels: recording.channels, marks: recording.marks, isOpen: false };
    // Left open where it cannot be written: it is then found and offered again.
    await saveMeta(closed).catch((error: unknown) => {
      this.saveFault = error instanceof Error ? error.message : 'unknown';
    });
    return { recording, meta: closed };
  }

  /** Calls back some times a second while anything comes. @returns how to stop. */
  readonly subscribe = (listen: () => void): (() => void) => {
    this.listeners.add(listen);
    return () => this.listeners.delete(listen);
  };

  /** Every batch of samples as it comes, for what must not miss one. @returns how to stop. */
  onSamples(listen: (samples: readonly Sample[]) => void): () => void {
    this.sampleListeners.add(listen);
    return () => this.sampleListeners.delete(listen);
  }

  private tell(): void {
    if (!this.isChanged) return;
    this.isChanged = false;
    for (const listen of this.listeners) listen();
  }
}

export const watchService = new WatchService();
