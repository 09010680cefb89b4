/** A version of a formula as an address asks for it, with the house it is read in. */

import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Version } from '@/core/formula/version';
import { reach } from '../db/pool';
import { loadHouse } from '../queries/house';
import { version } from '../queries/versions';
import { isUuid, versionNumber } from './params';
import { problem, troubled } from './problem';

const MOST_TIMES = 1000;

interface VersionAsked {
  readonly version: Version;
  readonly house: Kitchen;
  readonly query: URLSearchParams;
  /** So many times as large; 1 where nothing is asked. */
  readonly times: number;
}

type Asked = { readonly ok: true; readonly value: VersionAsked } | { readonly ok: false; readonly response: Response };

/**
 * `?version=` its number, else the newest; `?times=` so many times as large. @returns the answer to give where it can't
 * be had
 */
export async function formulaAsked(request: Request, id: string): Promise<Asked> {
  const no = (response: Response): Asked => ({ ok: false, response });
  const query = new URL(request.url).searchParams;
  const number = versionNumber(query.get('version') ?? undefined);
  if (!isUuid(id) || (query.has('version') && number === null)) return no(problem(404, 'There is no such formula.'));
  const times = query.has('times') ? Number(query.get('times')) : 1;
  const wrong = `A number above 0, at most ${MOST_TIMES}.`;
  if (!(times > 0 && times <= MOST_TIMES))
    return no(problem(400, `times: ${wrong}`, [{ path: 'times', message: wrong }]));
  const r = await reach(() => Promise.all([version(id, number), loadHouse()]));
  if (!r.up) return no(troubled(r.kind));
  const [v, house] = r.value;
  return v ? { ok: true, value: { version: v, house, query, times } } : no(problem(404, 'There is no such formula.'));
}
