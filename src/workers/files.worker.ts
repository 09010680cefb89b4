/**
 * Reading a cook's files off the main thread: a thin shell around the core, with what a file says of itself checked.
 */
import { expose } from 'comlink';
import { formulaSchema } from '@/contract/formula';
import { formulaFrom, type Imported } from '@/core/exchange/import';
import { wholeText } from '@/core/exchange/open-recipe';
import { readFile } from '@/core/exchange/read-file';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';

/** One recipe of a file, or why there is none. */
export type FromFile = { readonly file: string } & (
  | {
      readonly ok: true;
      readonly imported: Imported /** As a card's text. */;
      readonly text: string /** Words as they are, for the cook to look over first. */;
      readonly plain: boolean;
    }
  | { readonly ok: false; readonly says: string }
);

function read(
  files: readonly { readonly name: string; readonly bytes: Uint8Array }[],
  house: Kitchen,
): readonly FromFile[] {
  return files.flatMap(({ name: file, bytes }): readonly FromFile[] => {
    const found = readFile(file, bytes);
    if (!found.ok) return [{ file, ok: false, says: found.error.message }];
    return found.value.map((r): FromFile => {
      const own = r.formula === undefined ? null : formulaSchema.safeParse(r.formula);
      const taken = formulaFrom(r, house, own?.success ? (own.data as Formula) : null);
      return taken.ok
        ? {
            file,
            ok: true,
            imported: taken.value,
            text: wholeText(r),
            plain: r.lines.length === 0 && r.remarks.length === 0 && r.card === wholeText(r),
          }
        : { file, ok: false, says: taken.error.message };
    });
  });
}

const api = { read };
export type FilesApi = typeof api;
expose(api);
