/** What a browser keeps a copy of, so that the kitchen goes on while the server is away: pages under way, and their files. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { json, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { buildName } from '@/server/live/build';
import { underWay } from '@/server/queries/batches';
import { formulaShelf } from '@/server/queries/formulas';
import { morningsAhead } from '@/server/queries/mornings';

export const dynamic = 'force-dynamic';

/** Formulas and mornings of which a copy is kept. */
const [FORMULAS, MORNINGS] = [4, 2];

/** This build's name and its files: read once, they never change while it runs. */
const built = (() => {
  let known: { readonly build: string; readonly files: readonly string[] } | null = null;
  return () => {
    if (known) return known;
    const at = join(process.cwd(), '.next');
    const files = readdirSync(join(at, 'static'), { recursive: true, encoding: 'utf8' })
      .filter((f) => /\.(?:js|css|woff2|svg)$/.test(f))
      .map((f) => `/_next/static/${f}`);
    known = { build: buildName(), files };
    return known;
  };
})();

export async function GET(): Promise<Response> {
  const r = await reach(() => Promise.all([underWay(), morningsAhead(), formulaShelf({}, FORMULAS)]));
  if (!r.up) return troubled(r.kind);
  const [batches, mornings, formulas] = r.value;
  const pages = [
    '/',
    ...batches.flatMap(({ id }) => ['plan', 'prep', 'griddle'].map((p) => `/batches/${id}/${p}`)),
    ...mornings.slice(0, MORNINGS).flatMap(({ id }) => [`/mornings/${id}`, `/mornings/${id}/board`]),
    ...formulas.rows.flatMap(({ id }) => [`/formulas/${id}`, `/formulas/${id}/plan`]),
  ];
  return json({ ...built(), pages });
}
