import { createReadStream, existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { problem } from '@/server/api/problem';
import { backupFolder, isBackupName } from '@/server/usecases/backup';

export const dynamic = 'force-dynamic';

/** A backup, to be kept somewhere else. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ file: string }> }): Promise<Response> {
  const { file } = await params;
  const folder = backupFolder();
  const path = folder && isBackupName(file) ? join(folder, file) : null;
  if (!path || !existsSync(path)) return problem(404, 'There is no such backup.');
  return new Response(Readable.toWeb(createReadStream(path)) as ReadableStream, {
    headers: {
      'content-type': 'application/octet-stream',
      'content-length': String(statSync(path).size),
      'content-disposition': `attachment; filename="${file}"`,
      'cache-control': 'no-store',
    },
  });
}
