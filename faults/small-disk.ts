import { execFileSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const BLOCK = Buffer.alloc(64 * 1024, 7);

/** A file system of its own that is so small that it can be filled to the last byte. */
export class SmallDisk {
  private readonly filler: string;

  private constructor(readonly path: string) {
    this.filler = join(path, 'filler');
  }

  /** @returns null where this machine does not allow one. */
  static mount(megabytes: number): SmallDisk | null {
    const path = mkdtempSync(join(tmpdir(), 'pincer-small-'));
    try {
      execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'none', path], { stdio: 'ignore' });
      return new SmallDisk(path);
    } catch {
      rmSync(path, { recursive: true, force: true });
      return null;
    }
  }

  /** Fills it to the last byte. */
  fill(): void {
    const file = openSync(this.filler, 'a');
    try {
      for (let size = BLOCK.length; size > 0;)
        try {
          writeSync(file, BLOCK, 0, size);
        } catch {
          size = Math.floor(size / 2);
        }
    } finally {
      closeSync(file);
    }
  }

  /** Makes room again. */
  free(): void {
    rmSync(this.filler, { force: true });
  }

  unmount(): void {
    execFileSync('umount', ['-l', this.path], { stdio: 'ignore' });
    rmSync(this.path, { recursive: true, force: true });
  }
}
