/**
 * The whole kitchen as one open file: a zip of JSON, a table each, with a JSON Schema beside them; and such a file read
 * back into an empty kitchen. Records of an older age are laid out as they were then, brought up to date beside the
 * kitchen, and only then put in.
 */

import { createHash } from 'node:crypto';
import type { ClientBase } from 'pg';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type Manifest, manifestSchema, PICTURE_FILE } from '@/contract/archive';
import { outcomeSchema } from '@/contract/batch';
import { entrySchema as formulaEntry, settingsSchema } from '@/contract/formula';
import { conventionsSchema, houseSchema } from '@/contract/house';
import {
  foretoldSchema,
  frozenSchema,
  knownSchema,
  lotItemSchema,
  makingSchema,
  placeMapSchema,
  sheetLineSchema,
} from '@/contract/stored';
import { packed, unpacked } from '@/core/exchange/zip';
import packageJson from '../../../package.json';
import { migrationsThere, migrationText } from '../db/migrate';
import { longTransaction, unhurried } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { logLine } from '../log';
import { workFactsBehind } from '../queries/formula-facts';
import { stampAnew } from '../queries/pantry';

/** The bytes of pictures leave as files, not as a table. */
const PICTURES = 'photo_files';

/** Nobody entered these: what was applied to the records, which requests were answered, what formulas are found by. */
const NOT_THE_KITCHENS = new Set(['schema_migrations', 'requests', 'formula_facts', PICTURES]);

/** What is read at most: bytes as they come, and unpacked. */
export const MOST_ARCHIVE_BYTES = 400_000_000;
const MOST_UNPACKED = { bytes: 800_000_000, files: 100_000 };

const sha = (text: string | Uint8Array): string => createHash('sha256').update(text).digest('hex');
const name = (s: string): string => `"${s.replaceAll('"', '""')}"`;

const columnRow = z.object({
  table: z.string(),
  column: z.string(),
  type: z.string(),
  nullable: z.boolean(),
});
type ColumnRow = z.output<typeof columnRow>;

/** The columns of a schema's tables that hold something of their own, in their order. */
const columnsIn = async (client: Pick<ClientBase, 'query'>, schema: string): Promise<readonly ColumnRow[]> =>
  (
    await rowsFrom(
      columnRow,
      `select c.table_name as "table", c.column_name as "column", c.data_type as type, c.is_nullable = 'YES' as nullable
         from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
        where c.table_schema = $1 and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER' order by c.table_name, c.ordinal_position`,
      [schema],
      client,
    )
  ).filter((c) => !NOT_THE_KITCHENS.has(c.table));

const pictureRow = z.object({
  id: z.string(),
  size: z.string(),
  bytes: z.custom<Uint8Array>((b) => Buffer.isBuffer(b)),
});
type Picture = z.output<typeof pictureRow>;

/** The pictures of a kitchen; records that are not brought up to date yet may have no place for them. */
async function picturesIn(client: Pick<ClientBase, 'query'>): Promise<readonly Picture[]> {
  const there = await rowsFrom(
    z.object({ there: z.boolean() }),
    'select to_regclass($1) is not null as there',
    [`public.${PICTURES}`],
    client,
  );
  return there[0]?.there
    ? await rowsFrom(pictureRow, `select photo_id as id, size, bytes from ${PICTURES} order by 1, 2`, [], client)
    : [];
}

const tablesOf = (columns: readonly ColumnRow[]): readonly string[] => [...new Set(columns.map((c) => c.table))];

/** What stands in JSON columns, by the schemas that check it where it is entered. */
const JSON_COLUMNS: Readonly<Record<string, z.ZodType>> = {
  'formula_versions.lines': z.array(formulaEntry),
  'formula_versions.settings': settingsSchema,
  'formula_versions.conventions': conventionsSchema.partial(),
  'batches.sheet': z.array(sheetLineSchema),
  'batches.known': knownSchema,
  'batches.making': makingSchema,
  'batches.scales': outcomeSchema.shape.scales,
  'batches.tested': outcomeSchema.shape.tested,
  'batches.foretold': foretoldSchema,
  'lessons.places': placeMapSchema,
  'targets.scales': outcomeSchema.shape.scales,
  'lots.contents': z.array(lotItemSchema),
  'lots.frozen': frozenSchema.nullable(),
  'kitchen.value': houseSchema.partial().describe('Of the row "house"'),
};

const JSON_TYPES: Readonly<Record<string, unknown>> = {
  uuid: { type: 'string', format: 'uuid' },
  text: { type: 'string' },
  boolean: { type: 'boolean' },
  integer: { type: 'integer' },
  bigint: { type: 'integer' },
  smallint: { type: 'integer' },
  'double precision': { type: 'number' },
  real: { type: 'number' },
  numeric: { type: 'number' },
  date: { type: 'string', format: 'date' },
  'timestamp with time zone': { type: 'string', format: 'date-time' },
  ARRAY: { type: 'array' },
};

/** The JSON Schema of the tables, JSON columns from the app's own Zod schemas. */
function schemaOf(columns: readonly ColumnRow[]): unknown {
  const of = (c: ColumnRow): unknown => {
    const own = JSON_COLUMNS[`${c.table}.${c.column}`];
    if (own) {
      const { $schema: _, ...rest } = z.toJSONSchema(own, { io: 'input', unrepresentable: 'any' });
      return rest;
    }
    const plain = JSON_TYPES[c.type] ?? {};
    return c.nullable ? { anyOf: [plain, { type: 'null' }] } : plain;
  };
  const tables = tablesOf(columns).map((t) => {
    const own = columns.filter((c) => c.table === t);
    return [
      t,
      {
        type: 'array',
        items: {
          type: 'object',
          properties: Object.fromEntries(own.map((c) => [c.column, of(c)])),
          required: own.filter((c) => !c.nullable).map((c) => c.column),
        },
      },
    ];
  });
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A kitchen of Even Crumb: the files under tables/',
    $defs: Object.fromEntries(tables),
  };
}

const READ_ME = `A whole kitchen of Even Crumb, as plain JSON.

manifest.json   what wrote it and when, how old its records are, and of each table its rows and a SHA-256 of its file
schema.json     a JSON Schema of each table; what stands in JSON columns is described by the app's own schemas
pictures/*.jpg  photographs, named by their id in tables/photos.json and the copy it is: small, large, original
tables/*.json   every row of every table: formulas and their versions, batches with their taps, weights and notes, the pantry,
                measures, sauces, premixes, lots and their books, and the house

Weights are grams, temperatures degrees Celsius, times ISO 8601. Read it back under House, Records, in an empty kitchen.
`;

/** Everything that was ever entered, as it is at one moment. */
export async function kitchenArchive(): Promise<Uint8Array> {
  const files = await unhurried(async (client) => {
    await client.query('begin isolation level repeatable read read only');
    const columns = await columnsIn(client, 'public');
    const out: Record<string, string | Uint8Array> = {};
    const pictures: Record<string, { sha256: string }> = {};
    const tables: Record<string, { rows: number; sha256: string }> = {};
    for (const t of tablesOf(columns)) {
      const own = columns.filter((c) => c.table === t).map((c) => name(c.column));
      // written by the database itself: numbers and times keep every digit
      const r = await rowsFrom(
        z.object({ rows: z.number(), text: z.string() }),
        `select count(*)::int as rows, '[' || coalesce(string_agg(row_to_json(t)::text, E',\\n'), '') || ']' as text from (select ${own.join(', ')} from public.${name(t)} order by 1) t`,
        [],
        client,
      );
      const text = r[0]?.text ?? '[]';
      out[`tables/${t}.json`] = text;
      tables[t] = { rows: r[0]?.rows ?? 0, sha256: sha(text) };
    }
    for (const p of await picturesIn(client)) {
      const file = `pictures/${p.id}-${p.size}.jpg`;
      out[file] = new Uint8Array(p.bytes);
      pictures[file] = { sha256: sha(p.bytes) };
    }
    const migrations = (
      await rowsFrom(z.object({ name: z.string() }), 'select name from schema_migrations order by name', [], client)
    ).map((m) => m.name);
    await client.query('commit');
    const manifest: Manifest = {
      format: ARCHIVE_FORMAT,
      version: ARCHIVE_VERSION,
      app: packageJson.version,
      madeAt: new Date().toISOString(),
      migrations,
      tables,
      pictures,
    };
    return {
      'README.txt': READ_ME,
      'manifest.json': `${JSON.stringify(manifest, null, 2)}\n`,
      'schema.json': `${JSON.stringify(schemaOf(columns), null, 1)}\n`,
      ...out,
    };
  });
  return packed(files);
}

interface Opened {
  readonly manifest: Manifest;
  /** The JSON of each table. */
  readonly tables: Readonly<Record<string, string>>;
  readonly pictures: readonly Picture[];
}

/** An archive's bytes, checked against what it says of itself; or what is wrong with it. */
function opened(
  bytes: Uint8Array,
): { readonly ok: true; readonly value: Opened } | { readonly ok: false; readonly says: string } {
  const no = (says: string) => ({ ok: false as const, says });
  const files = unpacked(bytes, MOST_UNPACKED);
  if (!files.ok) return no(files.error);
  const text = (file: string): string | null => {
    const b = files.value[file];
    return b ? new TextDecoder('utf-8').decode(b) : null;
  };
  let said: unknown;
  try {
    said = JSON.parse(text('manifest.json') ?? 'null');
  } catch {
    return no('Its manifest.json is broken.');
  }
  if (said === null) return no('It is no kitchen of Even Crumb: there is no manifest.json in it.');
  const manifest = manifestSchema.safeParse(said);
  if (!manifest.success) return no(manifest.error.issues[0]?.message ?? 'It is no kitchen of Even Crumb.');
  const tables: Record<string, string> = {};
  for (const [t, { rows, sha256 }] of Object.entries(manifest.data.tables)) {
    const json = text(`tables/${t}.json`);
    if (json === null) return no(`tables/${t}.json is missing in it.`);
    if (sha(json) !== sha256) return no(`tables/${t}.json is not what it was when it was written.`);
    let all: unknown;
    try {
      all = JSON.parse(json);
    } catch {
      return no(`tables/${t}.json is broken.`);
    }
    if (!Array.isArray(all) || all.length !== rows) return no(`tables/${t}.json does not hold its ${rows} rows.`);
    tables[t] = json;
  }
  const pictures: Picture[] = [];
  for (const [file, { sha256 }] of Object.entries(manifest.data.pictures)) {
    const bytes = files.value[file];
    if (!bytes) return no(`${file} is missing in it.`);
    if (sha(bytes) !== sha256) return no(`${file} is not what it was when it was written.`);
    const [, id = '', size = ''] = PICTURE_FILE.exec(file) ?? [];
    pictures.push({ id, size, bytes });
  }
  return { ok: true, value: { manifest: manifest.data, tables, pictures } };
}

/** Rows that point to what is not there, over every reference of the kitchen. */
async function dangling(client: ClientBase): Promise<string | null> {
  const keys = await rowsFrom(
    z.object({ from: z.string(), to: z.string(), own: z.array(z.string()), theirs: z.array(z.string()) }),
    `select c.conrelid::regclass::text as "from", c.confrelid::regclass::text as "to",
            (select array_agg(a.attname::text order by k.n) from unnest(c.conkey) with ordinality k(at, n) join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.at) as own,
            (select array_agg(a.attname::text order by k.n) from unnest(c.confkey) with ordinality k(at, n) join pg_attribute a on a.attrelid = c.confrelid and a.attnum = k.at) as theirs
       from pg_constraint c where c.contype = 'f' and c.connamespace = 'public'::regnamespace`,
    [],
    client,
  );
  for (const k of keys) {
    const set = k.own.map((o) => `r.${name(o)} is not null`).join(' and ');
    const same = k.own.map((o, n) => `f.${name(k.theirs[n] ?? '')} = r.${name(o)}`).join(' and ');
    const found = await client.query(
      `select 1 from ${k.from} r where ${set} and not exists (select 1 from ${k.to} f where ${same}) limit 1`,
    );
    if (found.rowCount) return `A row of ${k.from} points to one of ${k.to} that is not in it.`;
  }
  return null;
}

/** Raised to undo all of it, with what to say. */
class NotTaken extends Error {}

/**
 * What the database refuses of the data themselves: no column takes it (22), a rule forbids it (23), it is not laid out
 * so (42, P0).
 */
const ofTheData = (e: unknown): e is Error =>
  e instanceof Error && /^(?:22|23|42(?!501)|P0)/.test((e as { code?: string }).code ?? '');

/** Does it, and says of data that are refused where they stand. */
async function toldWhere<T>(where: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (e) {
    throw ofTheData(e) ? new NotTaken(`${where}: ${e.message}.`) : e;
  }
}

/**
 * Puts the rows of a table in by a statement that takes them as JSON; of data that are refused, the first row is named.
 */
async function putIn(client: ClientBase, table: string, statement: string, json: string): Promise<void> {
  await client.query('savepoint one_table');
  try {
    await client.query(statement, [json]);
  } catch (e) {
    if (!ofTheData(e)) throw e;
    await client.query('rollback to savepoint one_table');
    for (const [n, row] of (JSON.parse(json) as unknown[]).entries())
      await toldWhere(`tables/${table}.json, row ${n + 1}`, () => client.query(statement, [JSON.stringify([row])]));
    throw new NotTaken(`tables/${table}.json: ${e.message}.`);
  }
  await client.query('release savepoint one_table');
}

/**
 * Reads an archive back. @returns how many rows came; a refusal that says why, and then nothing was changed
 */
export async function readKitchenBack(bytes: Uint8Array): Promise<ActionResult<{ readonly rows: number }>> {
  const of = opened(bytes);
  if (!of.ok) return refuse(of.says);
  const { manifest, tables, pictures } = of.value;
  const there = migrationsThere();
  const newer = manifest.migrations.filter((m) => !there.includes(m));
  if (newer.length > 0) return refuse(`It was written by a newer Even Crumb (${manifest.app}): read it with that one.`);
  const last = [...manifest.migrations].sort().at(-1) ?? '';
  if (there.filter((m) => m <= last).length !== manifest.migrations.length)
    return refuse('Its records are of no age that this Even Crumb knows.');
  try {
    const rows = await longTransaction(async (client) => {
      await client.query("select pg_advisory_xact_lock(hashtext('demo'))");
      const used = await rowsFrom(
        z.object({ used: z.boolean() }),
        `select ${['formulas', 'batches', 'sides', 'premixes', 'own_ingredients', 'own_measures', 'stock', 'people', 'mornings'].map((t) => `exists (select 1 from public.${t})`).join(' or ')} as used`,
        [],
        client,
      );
      if (used[0]?.used)
        throw new NotTaken(
          'This kitchen is not empty: a whole kitchen is only read into an empty one. Start one beside it, with a data folder of its own.',
        );
      // as it was laid out when it was written
      await client.query('create schema incoming');
      await client.query('set local search_path to incoming, public');
      for (const m of there.filter((x) => x <= last)) await client.query(migrationText(m));
      await client.query('set local session_replication_role = replica');
      const old = await columnsIn(client, 'incoming');
      const missing = tablesOf(old).find((t) => tables[t] === undefined);
      if (missing) throw new NotTaken(`tables/${missing}.json is missing in it: records of that age have that table.`);
      for (const [t, json] of Object.entries(tables)) {
        const own = old.filter((c) => c.table === t).map((c) => name(c.column));
        if (own.length === 0) throw new NotTaken(`There was no table ${t} in records of that age.`);
        await client.query(`delete from incoming.${name(t)}`);
        await putIn(
          client,
          t,
          `insert into incoming.${name(t)} (${own.join(', ')}) overriding system value select ${own.join(', ')} from json_populate_recordset(null::incoming.${name(t)}, $1::json)`,
          json,
        );
      }
      await client.query('set local session_replication_role = origin');
      for (const m of there.filter((x) => x > last))
        await toldWhere(`Its records cannot be brought up to date (${m})`, () => client.query(migrationText(m)));
      // into the kitchen, as it is laid out now
      await client.query('set local search_path to public');
      await client.query('set local session_replication_role = replica');
      const columns = await columnsIn(client, 'public');
      const all = tablesOf(columns);
      await client.query(`truncate ${all.map((t) => `public.${name(t)}`).join(', ')} cascade`);
      let sum = 0;
      for (const t of all) {
        const own = columns.filter((c) => c.table === t).map((c) => name(c.column));
        const put = await toldWhere(`tables/${t}.json`, () =>
          client.query(
            `insert into public.${name(t)} (${own.join(', ')}) overriding system value select ${own.join(', ')} from incoming.${name(t)}`,
          ),
        );
        sum += put.rowCount ?? 0;
      }
      if (pictures.length > 0) await client.query(`truncate public.${PICTURES}`);
      for (const p of pictures)
        await client.query(`insert into public.${PICTURES} (photo_id, size, bytes) values ($1, $2, $3)`, [
          p.id,
          p.size,
          Buffer.from(p.bytes),
        ]);
      await client.query('set local session_replication_role = origin');
      const bare = await rowsFrom(
        countRow,
        `select count(*)::int as n from public.photos p where not exists (select 1 from public.${PICTURES} f where f.photo_id = p.id)`,
        [],
        client,
      );
      const pictureless = bare[0]?.n ?? 0;
      if (pictureless > 0)
        throw new NotTaken(
          `tables/photos.json names ${pictureless} photograph${pictureless === 1 ? '' : 's'} whose picture is not in it.`,
        );
      const broken = await dangling(client);
      if (broken) throw new NotTaken(broken);
      for (const c of columns) {
        const seq = (
          await rowsFrom(
            z.object({ seq: z.string().nullable() }),
            'select pg_get_serial_sequence($1, $2) as seq',
            [`public.${name(c.table)}`, c.column],
            client,
          )
        )[0]?.seq;
        if (seq)
          await client.query(
            `select setval($1, coalesce(max(${name(c.column)}), 0) + 1, false) from public.${name(c.table)}`,
            [seq],
          );
      }
      await client.query('drop schema incoming cascade');
      await stampAnew(client);
      return sum;
    });
    workFactsBehind();
    logLine('kitchen-read-back', { rows, app: manifest.app, madeAt: manifest.madeAt });
    return { ok: true, rows };
  } catch (e) {
    if (e instanceof NotTaken) return refuse(e.message);
    if ((e as { code?: string } | null)?.code === '42501')
      return refuse(
        'This database’s user may not lay a whole kitchen in: it has to be one who may set session_replication_role.',
      );
    throw e;
  }
}
