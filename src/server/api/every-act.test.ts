/** The outbox's law on the real database: an act that is told twice is told once, whichever it is. */
import sharp from 'sharp';
import { POST as act } from '@/app/acts/route';
import { POST as photograph } from '@/app/photos/route';
import { type ActName, SENT_ACTS } from '@/contract/acts';
import { WAY_IN } from '@/contract/device';
import { oneLife } from '../../../bench/every-act';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';

// outside a page there is nothing to draw anew
jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

beforeAll(() => ownDatabase('every_act'));
afterAll(closePool);

/** What only says when, or how often, something was written: whether it was, counts. */
const WHEN = /(?:^|_)(?:revision|at)$|^sheet_state$/;

/** What tells that something in the kitchen may have changed, so that what was worked from it is worked again. */
const STAMPS = new Set(['own', 'facts']);

/** Every field of every row of every table, one a line; of when it was written, whether it was. */
async function records(): Promise<readonly string[]> {
  const tables = await query(
    "select table_name as t from information_schema.tables where table_schema = 'public' order by 1",
  );
  const out: string[] = [];
  for (const { t } of tables as { t: string }[]) {
    const rows = (await query(`select to_jsonb(x) as r from "${t}" x order by to_jsonb(x)::text`)) as {
      r: Record<string, unknown>;
    }[];
    for (const [n, { r }] of rows.filter(({ r }) => !STAMPS.has(String(r.key))).entries())
      for (const [k, v] of Object.entries(r))
        out.push(`${t} ${r.id ?? n} ${k}: ${JSON.stringify(WHEN.test(k) ? v !== null : v)}`);
  }
  return out;
}

/** From the server's own screen. */
const OWN = { [WAY_IN]: 'own' };

const ask = async (request: () => Request, by: (r: Request) => Promise<Response>): Promise<Record<string, unknown>> =>
  (await (await by(request())).json()) as Record<string, unknown>;

test('each act that waits in a browser may be told twice: the second changes nothing, and says the same', async () => {
  const changed: string[] = [];
  const sent = new Set<ActName>(['keep-photo']);
  const twice = async (name: string, request: () => Request, by: (r: Request) => Promise<Response>) => {
    const first = await ask(request, by);
    if (first.ok === false) throw new Error(`${name}: ${String(first.message)}`);
    const then = new Set(await records());
    const second = await ask(request, by);
    const now = await records();
    if (second.ok === false) changed.push(`${name}: ${String(second.message)}`);
    for (const field of now) if (!then.delete(field)) changed.push(`${name}: ${field}`);
    for (const field of then) changed.push(`${name}, was: ${field}`);
    return first;
  };
  const image = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#c96' } })
    .png()
    .toBuffer();
  await oneLife(
    async (name, input) => {
      sent.add(name);
      const body = JSON.stringify({ name, input, agoMs: 1000 });
      return (await twice(
        name,
        () => new Request('http://127.0.0.1/acts', { method: 'POST', headers: OWN, body }),
        act,
      )) as never;
    },
    'one',
    {
      photo: async (batch, request) => {
        const url = `http://127.0.0.1/photos?${new URLSearchParams({ batch, request, shows: 'face' })}`;
        const headers = { ...OWN, 'content-type': 'image/png' };
        const by = (): Request => new Request(url, { method: 'POST', headers, body: new Uint8Array(image) });
        return String((await twice('keep-photo', by, photograph)).id);
      },
      bookOf: async (lotId) =>
        String(
          (await query("select id from lot_uses where lot_id = $1 and kind = 'gift' and undoes is null", [lotId]))[0]
            ?.id,
        ),
    },
  );
  expect(changed).toEqual([]);
  expect([...sent].sort()).toEqual(Object.keys(SENT_ACTS).sort());
});
