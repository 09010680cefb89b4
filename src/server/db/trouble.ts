/**
 * What can be wrong with the records, told apart so that the cook is told what is so: they are away and it goes on by
 * itself, the disk is full, it took too long, or what was sent can't be kept as it stands.
 */
import { TROUBLE_WORDS, type TroubleKind } from '@/contract/trouble';

/** Errors of the records that are no bug of ours, or at least have to be told to whoever asked. */
export class RecordsTrouble extends Error {
  override readonly name = 'RecordsTrouble';
  constructor(
    readonly kind: TroubleKind,
    /** For the log: what PostgreSQL or the network said. */
    readonly said: string,
    options?: ErrorOptions,
  ) {
    super(TROUBLE_WORDS[kind], options);
  }
}

// 57P0x: shutting down or starting; 08: connection; 53300: too many connections; 53200: out of memory; 3D000, 28: it
// lets nobody in
const AWAY = /^(?:ECONNREFUSED|ECONNRESET|ENOENT|EPIPE|ETIMEDOUT|57P0[1-4]|08.{3}|53[23]00|3D000|28.{3}|55000)$/;
const FULL = /^(?:53100|ENOSPC)$/;
// the data don't fit their column (22), or break a rule between rows (23)
const UNKEEPABLE = /^2[23].{3}$/;
const AWAY_WORDS =
  /Connection terminated|Query read timeout|timeout exceeded when trying to connect|timeout expired|Client has encountered a connection error|not currently accepting connections|Client was closed/i;

/** What of an error is a trouble of the records; null: it is a mistake of ours. */
export function troubleIn(e: unknown): TroubleKind | null {
  // by shape, not by class: errors of the network come from another realm under some test runners
  const { code, message } = (typeof e === 'object' && e !== null ? e : {}) as { code?: unknown; message?: unknown };
  if (typeof code === 'string') {
    if (AWAY.test(code)) return 'away';
    if (FULL.test(code)) return 'full';
    if (code === '57014') return 'slow';
    if (UNKEEPABLE.test(code)) return 'unkeepable';
  }
  if (typeof message !== 'string') return null;
  if (/No space left on device/i.test(message)) return 'full';
  return AWAY_WORDS.test(message) ? 'away' : null;
}

/** Runs, and throws what the records said as a trouble of its kind. */
export async function toldApart<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (e) {
    const kind = e instanceof RecordsTrouble ? null : troubleIn(e);
    if (kind) {
      const { code, message } = e as { code?: string; message?: string };
      throw new RecordsTrouble(kind, [code, message].filter(Boolean).join(' '), { cause: e });
    }
    throw e;
  }
}
