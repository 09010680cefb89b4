/**
 * The books of a lot: what left it and came back, what was corrected, and what was voided. Nothing in them is rubbed
 * out.
 */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { lotItemSchema } from '@/contract/stored';
import type { LotWeighing } from '@/core/premix/blended';
import {
  heldOf,
  type LotChange,
  type LotItem,
  type LotUse,
  lotsOf,
  type Sack,
  sayBags,
  standingUses,
  USE_KINDS,
  type UseKind,
} from '@/core/premix/premix';
import { addSacks } from '@/core/premix/weigh';
import { readStored } from '../db/json';
import { transaction } from '../db/pool';
import { countRow, idRow, rowsFrom } from '../db/rows';
import { Undone } from '../db/undone';
import { CONTENTS } from './premixes';
import { onceFor } from './revised';
import { moveTaking, returnToShelf } from './stock';

export type MadeLot =
  | { readonly ok: true; readonly id: string }
  | { readonly ok: false; readonly path: string; readonly message: string };

/** Where a lot's bags went, the first first; counter-entries among them. */
export const usesOfLot = (lotId: string): Promise<LotUse[]> => booksOf([lotId]);

const lotUseRow = z.object({
  id: z.string(),
  lotId: z.string(),
  bags: z.number(),
  kind: z.enum([...USE_KINDS, 'batch', 'count']),
  who: z.string(),
  why: z.string(),
  price: z.number().nullable(),
  undoes: z.string().nullable(),
  returns: z.string().nullable(),
  numbers: z.array(z.number()),
  usedAt: z.date(),
  batchId: z.string().nullable(),
  batchName: z.string().nullable(),
});

const SELECT_USE = `select u.id, u.lot_id as "lotId", u.bags, u.kind, u.who, u.why, u.price, u.undoes, u.returns, u.numbers, u.used_at as "usedAt", u.batch_id as "batchId", b.name as "batchName"
  from lot_uses u left join batches b on b.id = u.batch_id`;

/** The books of several lots. */
export const booksOf = (lotIds: readonly string[]): Promise<(LotUse & { readonly lotId: string })[]> =>
  rowsFrom(lotUseRow, `${SELECT_USE} where u.lot_id = any($1) order by u.used_at, u.undoes nulls first, u.id`, [
    lotIds,
  ]);

/** Every entry of somebody who has bags, and what took it back; the name in any letters, or a part of it. */
export const usesOfHolder = (who: string): Promise<(LotUse & { readonly lotId: string })[]> =>
  rowsFrom(
    lotUseRow,
    `${SELECT_USE} where length($1) > 1 and (strpos(lower(u.who), lower($1)) > 0 and u.undoes is null and u.returns is null and u.kind in ('sale', 'gift')
        or coalesce(u.undoes, u.returns) in (select x.id from lot_uses x where strpos(lower(x.who), lower($1)) > 0 and x.kind in ('sale', 'gift')))
      order by u.used_at, u.undoes nulls first, u.id`,
    [who.trim()],
  );

/** The lots a batch's bags came from; bags that were put back are not in it. */
export const lotsOfBatch = (batchId: string) =>
  rowsFrom(
    z.object({ id: z.string(), number: z.string(), premixName: z.string(), bags: z.number() }),
    `select l.id, l.number, p.name as "premixName", sum(u.bags) as bags from lot_uses u join lots l on l.id = u.lot_id join premixes p on p.id = l.premix_id
      where u.batch_id = $1 group by l.id, l.number, p.name having sum(u.bags) > 1e-6 order by l.number`,
    [batchId],
  );

const changeRow = z.object({
  id: z.string(),
  who: z.string(),
  why: z.string(),
  at: z.date(),
  was: z.object({
    bags: z.number(),
    contents: z.array(lotItemSchema),
    checked: z.string().default(''),
    note: z.string().default(''),
  }),
});

/** What of a lot was corrected, the last first. */
export const changesOfLot = (lotId: string): Promise<LotChange[]> =>
  rowsFrom(changeRow, 'select id, who, why, at, was from lot_changes where lot_id = $1 order by at desc', [lotId]);

/** Why bags leave, who has them and for how much. */
interface Leaving {
  readonly bags: number;
  readonly kind: UseKind;
  readonly batchId?: string | null;
  readonly who?: string;
  readonly why?: string;
  readonly price?: number | null;
  /** Which, by the numbers on them. */
  readonly numbers?: readonly number[];
  readonly usedAt?: Date | null;
}

/** How many bags are there; the lot's row is locked, so that two who take at once never take more than there are. */
async function leftOf(
  client: PoolClient,
  lotId: string,
): Promise<{ readonly bags: number; readonly left: number; readonly voided: boolean } | null> {
  const row = (
    await rowsFrom(
      z.object({ bags: z.number(), voided: z.boolean() }),
      'select bags, voided_at is not null as voided from lots where id = $1 for update',
      [lotId],
      client,
    )
  )[0];
  const used = await rowsFrom(
    countRow,
    'select coalesce(sum(bags), 0)::float8 as n from lot_uses where lot_id = $1',
    [lotId],
    client,
  );
  return row ? { bags: row.bags, left: row.voided ? 0 : row.bags - (used[0]?.n ?? 0), voided: row.voided } : null;
}

const no = (path: string, message: string): Undone<MadeLot> => new Undone<MadeLot>({ ok: false, path, message });

/** As many numbers as bags, a part of one has its own too. @throws Undone */
function numbersMatch(bags: number, numbers: readonly number[], does: 'leave' | 'come back'): void {
  const n = new Set(numbers).size;
  if (n > 0 && n !== Math.ceil(bags - 1e-6))
    throw no('numbers', `${sayBags(bags)} ${does}, and ${n} ${n === 1 ? 'number is' : 'numbers are'} written.`);
}

/** Numbers of bags that leave: of this size, as many as leave, and none that has left. @throws Undone */
async function numbersFree(client: PoolClient, lotId: string, { bags, numbers = [] }: Leaving): Promise<void> {
  if (numbers.length === 0) return;
  const [lot] = await rowsFrom(
    z.object({ bags: z.number(), first: z.number().nullable() }),
    'select bags, first_bag as first from lots where id = $1',
    [lotId],
    client,
  );
  if (!lot?.first) throw no('numbers', 'The bags of this lot have no numbers.');
  const last = lot.first + lot.bags - 1;
  const beyond = numbers.filter((n) => n < (lot.first ?? 1) || n > last);
  if (beyond.length > 0)
    throw no('numbers', `Bags of this size have the numbers ${lot.first} to ${last}: not ${beyond.join(', ')}.`);
  numbersMatch(bags, numbers, 'leave');
  const gone = await rowsFrom(
    z.object({ n: z.number() }),
    `select distinct n from lot_uses u, unnest(u.numbers) n
      where u.lot_id = $1 and u.undoes is null and u.returns is null and n = any($2)
        and not exists (select 1 from lot_uses x where x.undoes = u.id or (x.returns = u.id and n = any (x.numbers))) order by n`,
    [lotId, numbers],
    client,
  );
  if (gone.length > 0) throw no('numbers', `Gone already: ${gone.map((g) => g.n).join(', ')}.`);
}

/** Counts bags out of a lot. @throws Undone */
export async function takeBags(client: PoolClient, lotId: string, l: Leaving): Promise<void> {
  const { left = 0, voided = false } = (await leftOf(client, lotId)) ?? {};
  if (voided) throw no('bags', 'That lot is cancelled: nothing leaves it any more.');
  if (l.bags > left + 1e-6)
    throw no(
      'bags',
      left < 1e-6
        ? 'No bag of this lot is left.'
        : `Only ${sayBags(left)} ${left <= 1 ? 'bag is' : 'bags are'} left of this lot.`,
    );
  await numbersFree(client, lotId, l);
  await client.query(
    'insert into lot_uses (lot_id, batch_id, bags, why, used_at, kind, who, price, numbers) values ($1, $2, $3, $4, coalesce($5, now()), $6, $7, $8, $9)',
    [
      lotId,
      l.batchId ?? null,
      l.bags,
      l.why ?? '',
      l.usedAt ?? null,
      l.kind,
      l.who ?? '',
      l.price ?? null,
      l.numbers ?? [],
    ],
  );
}

/** A change of the books, or why it is none. */
async function booked(
  id: string,
  requestId: string | null,
  what: string,
  work: (client: PoolClient) => Promise<void>,
): Promise<MadeLot> {
  try {
    await transaction((client) =>
      onceFor(client, requestId, what, async () => {
        await work(client);
        return { ok: true };
      }),
    );
    return { ok: true, id };
  } catch (e) {
    if (e instanceof Undone) return e.value as MadeLot;
    throw e;
  }
}

/** Bags that leave without a batch: sold, given, thrown away. */
export const letBagsGo = (lotId: string, l: Leaving, requestId: string | null = null): Promise<MadeLot> =>
  booked(lotId, requestId, 'bags-gone', (client) => takeBags(client, lotId, l));

/** Takes an entry of the books back by its counter-entry; a batch's bags come back with the batch. */
export const undoUse = (useId: string, who: string, why: string, requestId: string | null = null): Promise<MadeLot> =>
  booked(useId, requestId, 'undo-use', async (client) => {
    const use = (
      await rowsFrom(
        z.object({
          lot: z.string(),
          bags: z.number(),
          kind: lotUseRow.shape.kind,
          undoes: z.string().nullable(),
          back: z.number(),
        }),
        `select u.lot_id as lot, u.bags, u.kind, u.undoes, (select count(*)::int from lot_uses x where x.returns = u.id) as back
           from lot_uses u join lots l on l.id = u.lot_id where u.id = $1 and u.returns is null for update of l`,
        [useId],
        client,
      )
    )[0];
    if (!use || use.undoes) throw no('useId', 'That entry is not in the books.');
    if (use.back > 0) throw no('useId', 'Some of it has come back already: write the rest as given back.');
    if (use.kind === 'batch')
      throw no('useId', 'These went into a batch: put the batch back, and its bags come with it.');
    const made = await client.query(
      `insert into lot_uses (lot_id, bags, kind, who, why, undoes) values ($1, $2, $3, $4, $5, $6) on conflict (undoes) do nothing`,
      [use.lot, -use.bags, use.kind, who, why, useId],
    );
    if (made.rowCount === 0) throw no('useId', 'That entry is taken back already.');
  });

interface GivenBack {
  readonly useId: string;
  readonly bags: number;
  readonly numbers: readonly number[];
  /** To the shelf, or thrown away. */
  readonly to: 'shelf' | 'bin';
  readonly who: string;
  readonly why: string;
}

/** Bags of an entry that come back, some or all: onto the shelf, or thrown away. A voided lot takes them too. */
export const giveBack = (b: GivenBack, requestId: string | null = null): Promise<MadeLot> =>
  booked(b.useId, requestId, 'bags-back', async (client) => {
    const [of] = await rowsFrom(
      z.object({ lot: z.string() }),
      'select u.lot_id as lot from lot_uses u join lots l on l.id = u.lot_id where u.id = $1 for update of l',
      [b.useId],
      client,
    );
    const uses = of
      ? await rowsFrom(lotUseRow, `${SELECT_USE} where u.lot_id = $1 order by u.used_at`, [of.lot], client)
      : [];
    const use = standingUses(uses).find((u) => u.id === b.useId);
    if (!of || !use || use.kind === 'count') throw no('useId', 'That entry is not in the books, or was taken back.');
    if (use.kind === 'batch')
      throw no('useId', 'These went into a batch: put the batch back, and its bags come with it.');
    const held = heldOf(use, uses);
    if (b.bags > held.bags + 1e-6)
      throw no('bags', `Only ${sayBags(held.bags)} of it ${held.bags <= 1 ? 'is' : 'are'} still out.`);
    const other = b.numbers.filter((n) => !held.numbers.includes(n));
    if (other.length > 0) throw no('numbers', `Not out by this entry: ${other.join(', ')}.`);
    numbersMatch(b.bags, b.numbers, 'come back');
    const all = b.bags > held.bags - 1e-6;
    if (!all && b.numbers.length === 0 && held.numbers.length >= Math.ceil(held.bags - 1e-6))
      throw no('numbers', 'Which of them came back? Write their numbers.');
    const numbers = all ? held.numbers : b.numbers;
    const insert =
      'insert into lot_uses (lot_id, bags, kind, who, why, numbers, returns) values ($1, $2, $3, $4, $5, $6, $7)';
    await client.query(insert, [of.lot, -b.bags, use.kind, b.who, b.why, numbers, use.id]);
    if (b.to === 'bin') await client.query(insert, [of.lot, b.bags, 'bin', b.who, b.why, numbers, null]);
  });

/** Bags that were counted on the shelf: what is missing, or more than the books say, with its reason. */
export const countBags = (
  lotId: string,
  counted: number,
  who: string,
  why: string,
  requestId: string | null = null,
): Promise<MadeLot> =>
  booked(lotId, requestId, 'count-bags', async (client) => {
    const now = await leftOf(client, lotId);
    if (!now || now.voided) throw no('lotId', 'That lot is cancelled, or not in this kitchen.');
    if (counted > now.bags + 1e-6)
      throw no('counted', `Only ${sayBags(now.bags)} were made: where that is wrong, correct the lot.`);
    const missing = now.left - counted;
    if (Math.abs(missing) < 1e-6) return;
    await client.query(`insert into lot_uses (lot_id, bags, kind, who, why) values ($1, $2, 'count', $3, $4)`, [
      lotId,
      missing,
      who,
      why,
    ]);
  });

/** Bags of a batch that is put back: a counter-entry for each that still stands. */
export const returnBags = (client: PoolClient, batchId: string) =>
  client.query(
    `insert into lot_uses (lot_id, batch_id, bags, kind, why, undoes)
     select u.lot_id, u.batch_id, -u.bags, 'batch', 'put back', u.id from lot_uses u
      where u.batch_id = $1 and u.undoes is null and not exists (select 1 from lot_uses x where x.undoes = u.id)
     on conflict (undoes) do nothing`,
    [batchId],
  );

interface LotCorrection {
  /** Of this size. */
  readonly bags: number;
  /** By ingredient, the lots of its sacks in the order they stand. */
  readonly sackLots: Readonly<Record<string, readonly string[]>>;
  readonly checked: string;
  readonly note: string;
}

/** An item with other lots on its sacks; what was weighed of each stays. */
function relabelled(c: LotItem, lots: readonly string[] | undefined): LotItem {
  if (!lots) return c;
  const sacks = c.sacks?.map((s, n) => ({ ...s, lot: (lots[n] ?? s.lot).trim() }));
  return sacks && sacks.length > 0
    ? { ...c, sacks: addSacks(sacks), lot: lotsOf(sacks) }
    : { ...c, lot: (lots[0] ?? c.lot).trim() };
}

/**
 * Corrects a lot, and keeps it as it was with who did it and why. Never fewer bags than have left it. What it was made
 * of is the same in bags of every size of it; how many there are is this size's own.
 */
export const correctLot = (
  lotId: string,
  to: LotCorrection,
  who: string,
  why: string,
  requestId: string | null = null,
): Promise<MadeLot> =>
  booked(lotId, requestId, 'correct-lot', async (client) => {
    const rows = await rowsFrom(
      z.object({ id: z.string(), bags: z.number(), contents: z.unknown(), checked: z.string(), note: z.string() }),
      'select id, bags, contents, checked, note from lots where number = (select number from lots where id = $1) and voided_at is null order by id for update',
      [lotId],
      client,
    );
    // the sacks of what was weighed in the records are put right at its weighing
    const weighed = await rowsFrom(
      z.object({ id: z.string() }),
      'select distinct g.ingredient_id as id from lot_weighings g join lots l on l.work_id = g.work_id where l.id = $1',
      [lotId],
      client,
    );
    const now = await leftOf(client, lotId);
    if (!now || now.voided) throw no('lotId', 'That lot is cancelled, or not in this kitchen.');
    const gone = now.bags - now.left;
    if (to.bags < gone - 1e-6)
      throw no('bags', `${sayBags(gone)} have left this lot already: it can’t have been fewer.`);
    for (const row of rows) {
      const read = readStored(CONTENTS, row.contents, row.id);
      // what can't be read whole is not written back
      if (read.unreadable.length > 0)
        throw no('lotId', 'What went into this lot can’t be read whole: it stays as it is.');
      // what was weighed in was weighed in, however many bags it filled
      const contents = read.value.map((c) =>
        weighed.some((w) => w.id === c.id) ? c : relabelled(c, to.sackLots[c.id]),
      );
      const bags = row.id === lotId ? to.bags : row.bags;
      const same =
        bags === row.bags &&
        to.checked === row.checked &&
        to.note === row.note &&
        JSON.stringify(contents) === JSON.stringify(read.value);
      if (same && row.id !== lotId) continue;
      await client.query('insert into lot_changes (lot_id, who, why, was) values ($1, $2, $3, $4)', [
        row.id,
        who,
        why,
        JSON.stringify({ bags: row.bags, contents: read.value, checked: row.checked, note: row.note }),
      ]);
      await client.query('update lots set bags = $2, contents = $3, checked = $4, note = $5 where id = $1', [
        row.id,
        bags,
        JSON.stringify(contents),
        to.checked,
        to.note,
      ]);
    }
  });

/** Contents with other sacks of one thing, each size's part as large as it was. */
function movedItem(c: LotItem, share: number, sacks: readonly Sack[]): LotItem {
  const part = (g: number): number => Math.round(g * share * 100) / 100;
  const own = sacks.map((s) => ({ ...s, grams: part(s.grams) }));
  return { ...c, grams: part(sacks.reduce((a, s) => a + s.grams, 0)), sacks: own, lot: lotsOf(own) };
}

/**
 * Puts what went into the bags of a lot right with one weighing of it, in bags of every size; each keeps what it was
 * with who and why.
 * @param was the weighing, of which other sacks or grams went in
 */
export async function moveContents(
  client: PoolClient,
  workId: string,
  was: Pick<LotWeighing, 'ingredientId' | 'sacks'>,
  to: readonly Sack[],
  by: { readonly who: string; readonly why: string },
): Promise<ActionResult> {
  const rows = await rowsFrom(
    z.object({ id: z.string(), bags: z.number(), contents: z.unknown(), checked: z.string(), note: z.string() }),
    'select id, bags, contents, checked, note from lots where work_id = $1 order by id for update',
    [workId],
    client,
  );
  const read = rows.map((row) => ({ row, contents: readStored(CONTENTS, row.contents, row.id) }));
  // what can't be read whole is not written back
  if (read.some((r) => r.contents.unreadable.length > 0))
    return refuse('What went into this lot can’t be read whole: it stays as it is.');
  const item = (r: (typeof read)[number]): LotItem | undefined =>
    r.contents.value.find((c) => c.id === was.ingredientId);
  const all = read.reduce((a, r) => a + (item(r)?.grams ?? 0), 0);
  const before = read.flatMap((r) => item(r)?.sacks ?? []);
  const less = was.sacks.map((s) => ({ ...s, grams: -s.grams }));
  const now = addSacks([...before, ...less, ...to]).filter((s) => s.grams >= 0.01 * read.length);
  for (const r of read) {
    const own = item(r);
    if (!own || !(all > 0)) continue;
    const contents = r.contents.value.map((c) => (c === own ? movedItem(c, own.grams / all, now) : c));
    await client.query('insert into lot_changes (lot_id, who, why, was) values ($1, $2, $3, $4)', [
      r.row.id,
      by.who,
      by.why,
      JSON.stringify({ bags: r.row.bags, contents: r.contents.value, checked: r.row.checked, note: r.row.note }),
    ]);
    await client.query('update lots set contents = $2 where id = $1', [r.row.id, JSON.stringify(contents)]);
    const moved = (contents.find((c) => c.id === own.id)?.grams ?? 0) - own.grams;
    if (Math.abs(moved) > 0.005) await moveTaking(client, r.row.id, own.id, moved);
  }
  return { ok: true };
}

/**
 * Voids a lot, bags of every size of it: it is kept, with who and why, and nothing leaves it any more.
 * @param back it was never blended, so what it took goes back into stock; refused where bags of it have left: what was
 * blended is no flour
 */
export const voidLot = (
  lotId: string,
  who: string,
  why: string,
  back: boolean,
  requestId: string | null = null,
): Promise<MadeLot> =>
  booked(lotId, requestId, 'void-lot', async (client) => {
    const r = await rowsFrom(
      idRow,
      `update lots set voided_at = now(), voided_by = $2, void_why = $3
        where number = (select number from lots where id = $1) and voided_at is null returning id`,
      [lotId, who, why],
      client,
    );
    if (!r.some((x) => x.id === lotId)) throw no('lotId', 'That lot is cancelled already, or not in this kitchen.');
    if (back) {
      const gone = await rowsFrom(
        countRow,
        'select coalesce(sum(bags), 0)::float8 as n from lot_uses where lot_id = any($1)',
        [r.map((x) => x.id)],
        client,
      );
      const n = gone[0]?.n ?? 0;
      if (n > 1e-6)
        throw no(
          'back',
          `Bags of it have left (${sayBags(n)}), so it was blended: nothing of it goes back into stock. Cancel it without.`,
        );
    }
    for (const x of back ? r : []) await returnToShelf(client, { lotId: x.id });
  });
