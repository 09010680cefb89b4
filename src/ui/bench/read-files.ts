'use client';
import { releaseProxy, wrap } from 'comlink';
import { MOST_FILE_BYTES } from '@/core/exchange/formats';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { FilesApi, FromFile } from '@/workers/files.worker';

/** So many files are looked at in one go. */
const MOST_FILES = 200;

/** Longer than this no file takes. */
const MOST_READING_MS = 60_000;

/** Every recipe of some files, read in a worker; a file that can't be read says why in its place. */
export async function readFiles(files: readonly File[], house: Kitchen): Promise<readonly FromFile[]> {
  const worker = new Worker(new URL('../../workers/files.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<FilesApi>(worker);
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('the reader stopped'));
  });
  const late = (): Promise<never> =>
    new Promise((_, reject) => setTimeout(() => reject(new Error('it takes too long')), MOST_READING_MS));
  try {
    const out: FromFile[] = [];
    for (const f of files.slice(0, MOST_FILES)) {
      // a file that is too large is not even brought in
      if (f.size > MOST_FILE_BYTES) {
        out.push({
          file: f.name,
          ok: false,
          says: `It is larger than any page: ${Math.round(f.size / 1e6)} MB, at most ${MOST_FILE_BYTES / 1e6}.`,
        });
        continue;
      }
      try {
        const bytes = new Uint8Array(await f.arrayBuffer());
        out.push(...(await Promise.race([remote.read([{ name: f.name, bytes }], house), failed, late()])));
      } catch {
        out.push({ file: f.name, ok: false, says: 'It could not be read: is it still where it was?' });
      }
    }
    if (files.length > MOST_FILES)
      out.push({
        file: files[MOST_FILES]?.name ?? '',
        ok: false,
        says: `At most ${MOST_FILES} files at once: this one and what follows was not read.`,
      });
    return out;
  } finally {
    remote[releaseProxy]();
    worker.terminate();
  }
}
