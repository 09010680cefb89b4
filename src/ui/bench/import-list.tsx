'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useId, useRef, useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import type { KnownCard } from '@/contract/formula';
import type { Formula } from '@/core/formula/formula';
import { kindById } from '@/core/formula/kinds';
import { counted } from '@/core/quantity/say';
import type { FromFile } from '@/workers/files.worker';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { Pick } from '../kit/press';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';
import { toastUndoAct } from '../kit/undo';

/** What the server does with many cards. */
export interface CardActs {
  readonly look: (input: unknown) => Promise<ActionResult<{ readonly known: readonly KnownCard[] }>>;
  readonly keep: (input: unknown) => Promise<ActionResult<{ readonly kept: readonly string[] }>>;
  readonly back: (input: unknown) => Promise<ActionResult>;
}

type Read = Extract<FromFile, { readonly ok: true }>;
interface Item {
  readonly of: Read;
  readonly formula: Formula;
}

/** A card without a title is called by its file. */
const nameFor = (r: Read): string => r.imported.formula.name.trim() || r.file.replace(/\.[a-z0-9]+$/i, '') || 'Card';

/** What was read, before any of it is kept: taken together or one by one, and undone together. */
export function ImportList({
  found,
  acts,
  onOpen,
  onClose,
}: {
  readonly found: readonly FromFile[];
  readonly acts: CardActs;
  /** Onto the Bench, not kept yet. */
  readonly onOpen: (f: Formula) => void;
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const refresh = useRefresh();
  const asking = useAsking();
  const title = useId();
  const [items] = useState(() =>
    found.flatMap((r): Item[] => (r.ok ? [{ of: r, formula: { ...r.imported.formula, name: nameFor(r) } }] : [])),
  );
  const unread = found.flatMap((r) => (r.ok ? [] : [r]));
  const [known, setKnown] = useState<readonly KnownCard[] | null>(null);
  const [off, setOff] = useState<ReadonlySet<number>>(new Set());
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked up once, for what was read
  useEffect(() => {
    if (items.length === 0) return;
    void acts
      .look({ cards: items.map((i) => ({ name: i.formula.name, lines: i.formula.entries.map((e) => e.text) })) })
      .then((a) => {
        if (!a.ok) return;
        setKnown(a.known);
        // what is here already is not taken a second time unless the cook says so
        setOff(new Set(a.known.flatMap((k, n) => (k.same ? [n] : []))));
      });
  }, []);
  // kept one by one, by their place
  const [kept, setKept] = useState<ReadonlyMap<number, string>>(new Map());
  // by which a request is known when it is sent once more; what was taken back is a new one
  const ids = useRef(new Map<number, string>());
  const idOf = (n: number): string => {
    const id = ids.current.get(n) ?? crypto.randomUUID();
    ids.current.set(n, id);
    return id;
  };
  const taken = items.flatMap((_, n) => (off.has(n) || kept.has(n) ? [] : [n]));
  const send = (places: readonly number[]) =>
    asking.ask(() =>
      act('keep-cards', counted(places.length, 'cards'), acts.keep, {
        cards: places.flatMap((n) => {
          const i = items[n];
          return i ? [{ formula: i.formula, requestId: idOf(n), from: `Read from ${i.of.file}`.slice(0, 500) }] : [];
        }),
      }),
    );
  const takenBack = (formulaIds: readonly string[]) =>
    act('take-cards-back', `${counted(formulaIds.length, 'cards')} taken back`, acts.back, { formulaIds });
  const keepOne = async (n: number): Promise<void> => {
    const a = await send([n]);
    const id = a?.ok ? a.kept[0] : undefined;
    if (id === undefined) return;
    setKept((k) => new Map(k).set(n, id));
    toastUndoAct(
      `${items[n]?.formula.name ?? ''} is in the kitchen`,
      () => takenBack([id]),
      () => {
        ids.current.delete(n);
        setKept((k) => new Map([...k].filter(([at]) => at !== n)));
      },
    );
  };
  const keep = async (): Promise<void> => {
    const a = await send(taken);
    if (!a?.ok) return;
    const all = [...kept.values(), ...a.kept];
    toastUndoAct(
      `${counted(all.length, 'formulas')} in the kitchen`,
      () => takenBack(all),
      () => {
        toast('Taken back, all of them');
        refresh();
      },
    );
    router.push('/');
  };
  return (
    <section aria-labelledby={title} className="max-w-4xl">
      <h2 id={title} className="mb-1 text-2xl">
        What was read
      </h2>
      <p className="mb-3 text-soft">
        {kept.size === 0 ? 'Nothing is kept yet.' : `${kept.size} kept.`} Untick what is not wanted, or keep them one by
        one.
      </p>
      <ul className="grid gap-2">
        {items.map((i, n) => {
          const { imported } = i.of;
          const k = known?.[n];
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the list is read once, and stays in its order
            <li key={n} className="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-plate bg-white px-4 py-3">
              <label className="flex min-h-11 min-w-0 flex-1 basis-64 cursor-pointer items-center gap-3">
                <Pick
                  type="checkbox"
                  className="size-6 shrink-0 accent-rim"
                  disabled={kept.has(n)}
                  checked={kept.has(n) || !off.has(n)}
                  onChange={(e) => {
                    const next = new Set(off);
                    if (e.target.checked) next.delete(n);
                    else next.add(n);
                    setOff(next);
                  }}
                />
                <span className="min-w-0">
                  <strong className="block text-lg [overflow-wrap:anywhere]">{i.formula.name}</strong>
                  <span className="block text-[15px] text-soft [overflow-wrap:anywhere]">
                    {kindById(i.formula.kind).name}, {counted(imported.lines, 'lines')}
                    {imported.asked > 0 ? `, ${imported.asked} to answer` : ''}
                    {imported.whole ? ', with all its settings' : ''}; from {i.of.file}
                  </span>
                  {k?.same ? (
                    <span className="block font-semibold">Here already, with the same lines: {k.same.name}.</span>
                  ) : null}
                  {k?.named ? (
                    <span className="block font-semibold">One of this name is here, with other lines.</span>
                  ) : null}
                </span>
              </label>
              {kept.has(n) ? (
                <Link href={`/formulas/${kept.get(n)}`} target="_blank" className="font-semibold text-rim underline">
                  Kept: open it in a new tab
                </Link>
              ) : items.length === 1 ? (
                <Button onClick={() => onOpen(i.formula)}>Open on the Bench</Button>
              ) : (
                <Button disabled={asking.busy} onClick={() => void keepOne(n)}>
                  Keep this one
                </Button>
              )}
            </li>
          );
        })}
        {unread.map((u, n) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: two files may have one name and one fault
            key={n}
            className="rounded-plate border-l-8 border-berry bg-berry-wash px-4 py-3 [overflow-wrap:anywhere]"
          >
            <strong>{u.file}</strong>: {u.says}
          </li>
        ))}
      </ul>
      <div className="mt-4 grid gap-3">
        <RefusalNotice text={asking.refusal} />
        <div className="flex flex-wrap gap-2">
          {items.length > 0 ? (
            <Button look="now" size="work" disabled={asking.busy || taken.length === 0} onClick={() => void keep()}>
              {taken.length === 1 ? 'Keep the one that is ticked' : `Keep the ${taken.length} that are ticked`}
            </Button>
          ) : null}
          <Button size="work" onClick={onClose}>
            {kept.size === 0 ? 'Keep none of it' : 'Keep no more'}
          </Button>
        </div>
      </div>
    </section>
  );
}
