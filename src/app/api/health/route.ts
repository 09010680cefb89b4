import { json } from '@/server/api/problem';
import { query, reach } from '@/server/db/pool';

export const dynamic = 'force-dynamic';

export async function GET(): Promise<Response> {
  const answer = await reach(() => query('select 1'));
  return answer.up ? json({ status: 'ok', database: 'up' }) : json({ status: 'degraded', database: 'away' }, 503);
}
