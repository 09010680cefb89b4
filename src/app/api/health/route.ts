import { BUILD } from '@/contract/trouble';
import { json } from '@/server/api/problem';
import { query, reach } from '@/server/db/pool';
import { buildName } from '@/server/live/build';
import { diskFull } from '@/server/usecases/records';

export const dynamic = 'force-dynamic';

export async function GET(): Promise<Response> {
  const r = await health();
  r.headers.set(BUILD, buildName());
  return r;
}

async function health(): Promise<Response> {
  const answer = await reach(() => query('select 1'));
  if (answer.up && diskFull()) return json({ status: 'degraded', database: 'up', disk: 'full' }, 507);
  return answer.up ? json({ status: 'ok', database: 'up' }) : json({ status: 'degraded', database: 'away' }, 503);
}
