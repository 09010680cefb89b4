'use client';
import { OctagonX, Search } from 'lucide-react';
import Link from 'next/link';
import { useId, useMemo, useState } from 'react';
import { VERDICT_WORDS } from '@/core/batch/batch';
import { KINDS, type KindId, kindById, POUR_WORDS, schoolOf } from '@/core/formula/kinds';
import type { ShelfRow } from '@/core/formula/version';
import { KindDrawing } from '../drawings/kind';
import { PourDrawing } from '../drawings/pour';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';

type Row = Omit<ShelfRow, 'savedAt'>;

const ANY = 'any';

/** The formula shelf: every formula as a kitchen label, found by name, kind and main liquid. */
export function Shelf({ rows }: { readonly rows: readonly Row[] }) {
  const [text, setText] = useState('');
  const [kind, setKind] = useState<KindId | typeof ANY>(ANY);
  const [liquid, setLiquid] = useState<string>(ANY);
  const id = useId();
  const kinds = KINDS.filter((k) => rows.some((r) => r.kind === k.id));
  const liquids = useMemo(() => [...new Set(rows.map((r) => r.mainLiquid).filter((l) => l !== null))].sort(), [rows]);
  const wanted = text.trim().toLowerCase();
  const found = rows.filter((r) => {
    if (kind !== ANY && r.kind !== kind) return false;
    if (liquid !== ANY && r.mainLiquid !== liquid) return false;
    const words = `${r.name} ${kindById(r.kind).name} ${schoolOf(kindById(r.kind), r.school).name} ${r.mainFlour ?? ''} ${r.mainLiquid ?? ''}`.toLowerCase();
    return wanted.split(/\s+/).every((w) => words.includes(w));
  });
  return (
    <section aria-label="Formula shelf">
      <div className="mb-3 flex flex-wrap items-end gap-x-3 gap-y-2">
        <h2 className="mr-auto text-2xl">Formulas</h2>
        <div className="relative">
          <label htmlFor={id} className="sr-only">
            Find by name, kind or liquid
          </label>
          <Search size={18} aria-hidden className="absolute top-1/2 left-3 -translate-y-1/2 text-soft" />
          <input
            id={id}
            data-find
            type="search"
            value={text}
            onChange={(e) => setText(e.target.value)}
            placeholder="Name, kind, liquid"
            className="hold min-h-10 w-56 pr-2 pl-9 placeholder:text-soft"
          />
        </div>
        <Choice
          inline
          label="Kind"
          value={kind}
          onChange={setKind}
          options={[{ value: ANY, label: 'every kind' }, ...kinds.map((k) => ({ value: k.id, label: k.name }))]}
        />
        <Choice
          inline
          label="Liquid"
          value={liquid}
          onChange={setLiquid}
          options={[{ value: ANY, label: 'any liquid' }, ...liquids.map((l) => ({ value: l, label: l }))]}
        />
      </div>
      {found.length === 0 ? (
        <div className="py-8">
          <p className="mb-3">No formula fits that.</p>
          <Button
            onClick={() => {
              setText('');
              setKind(ANY);
              setLiquid(ANY);
            }}
          >
            Show all {rows.length}
          </Button>
        </div>
      ) : (
        <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
          {found.map((r) => (
            <Label key={r.id} row={r} />
          ))}
        </ul>
      )}
      <p className="sr-only" role="status">
        {found.length} of {rows.length} formulas
      </p>
    </section>
  );
}

/** A formula as the label on its tub. */
function Label({ row }: { readonly row: Row }) {
  const kind = kindById(row.kind);
  // an oven pancake is a pan, not so many pieces of a portion
  const pan = schoolOf(kind, row.school).portionMl === null;
  const id = useId();
  return (
    <li className="hold relative flex flex-col !rounded-plate px-4 pt-3 pb-3 has-[a:hover]:bg-wash">
      <div className="flex items-start justify-between gap-2">
        <div className="min-w-0">
          <p className="flex items-center gap-1.5 text-sm text-soft">
            <KindDrawing kind={row.kind} className="h-5 w-6 shrink-0 text-rim" />
            {kind.name}
            {kind.schools.length > 1 ? `, ${schoolOf(kind, row.school).name}` : ''}
          </p>
          <h3 className="mt-1 text-[21px] leading-[1.05] [overflow-wrap:anywhere]">
            <Link href={`/formulas/${row.id}`} className="rounded after:absolute after:inset-0 after:rounded-plate after:content-['']">
              {row.name}
            </Link>
          </h3>
        </div>
        {row.pour ? (
          <span className="shrink-0 text-rim" title={POUR_WORDS[row.pour]}>
            <PourDrawing pour={row.pour} className="size-14" />
            <span className="sr-only">{POUR_WORDS[row.pour]}</span>
          </span>
        ) : null}
      </div>
      <p className="mt-1 text-sm text-soft">{[row.mainFlour, row.mainLiquid?.toLowerCase()].filter(Boolean).join(', ') || 'no amounts yet'}</p>
      <div className="mt-auto flex items-end justify-between gap-2 pt-3">
        <p className="text-sm">
          {row.lastVerdict ? (
            <>
              <span className="text-soft">last: </span>
              <strong>{VERDICT_WORDS[row.lastVerdict].toLowerCase()}</strong>
            </>
          ) : (
            <span className="text-soft">not made yet</span>
          )}
          {row.worst === 'stop' ? (
            <strong className="flex items-center gap-1 text-berry" title="The bench says stop: open it">
              <OctagonX size={15} aria-hidden />
              stop
            </strong>
          ) : null}
        </p>
        <form action={`/formulas/${row.id}/plan`} className="relative z-10 flex items-center gap-1.5">
          <label htmlFor={id} className="text-sm whitespace-nowrap text-soft">
            {pan ? 'Times' : 'Make for'}
          </label>
          <input
            id={id}
            name="pieces"
            inputMode="numeric"
            pattern="[0-9]{1,5}"
            title={pan ? 'How many times the card' : 'How many pieces'}
            placeholder={pan ? '1' : '12'}
            className="hold min-h-10 w-14 px-1 text-center placeholder:text-soft"
          />
          <Button type="submit" aria-label={`Make ${row.name}`}>
            Go
          </Button>
        </form>
      </div>
    </li>
  );
}
