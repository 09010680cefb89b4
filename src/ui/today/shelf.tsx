'use client';
import { OctagonX, Search } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import { VERDICT_WORDS, VERDICTS } from '@/core/batch/batch';
import { KINDS, kindById, POUR_WORDS, schoolOf } from '@/core/formula/kinds';
import type { ShelfRow } from '@/core/formula/version';
import { ALLERGENS, allergenName } from '@/core/pantry/ingredient';
import { KindDrawing } from '../drawings/kind';
import { PourDrawing } from '../drawings/pour';
import { useAddressed } from '../kit/addressed';
import { Button, lookOf } from '../kit/button';
import { Choice } from '../kit/choice';
import { Link } from '../kit/link';
import { Switch } from '../kit/switch';
import { type FormulaActs, FormulaMenu } from '../shared/formula-menu';
import { NOTHING_ASKED, type ShelfAsked, shelfAddress } from './shelf.state';

type Row = Omit<ShelfRow, 'savedAt'>;

const ANY = 'any';
/** So long after the last key the records are asked. */
const TYPED_MS = 150;

interface Props {
  readonly asked: ShelfAsked;
  readonly rows: readonly Row[];
  /** Where the next page begins; null: this is the last. */
  readonly next: string | null;
  /** Formulas that could not be asked yet, for the kitchen has changed. */
  readonly stale: number;
  /** This is not the first page. */
  readonly later: boolean;
  readonly acts: FormulaActs;
  readonly mains: { readonly flours: readonly string[]; readonly liquids: readonly string[] };
}

/**
 * The formula shelf: those used lately as kitchen labels, the others found by name, kind, flour, liquid, verdict, and
 * what is not in them.
 */
export function ShelfView({ asked, rows, next, stale, later, mains, acts }: Props) {
  const id = useId();
  const [now, ask] = useAddressed(asked, shelfAddress);
  const [text, setText] = useState(now.find);
  const typed = useRef<ReturnType<typeof setTimeout> | null>(null);
  // another address (back, a link) brings its own words
  useEffect(() => {
    if (typed.current === null) setText((t) => (t.trim() === now.find ? t : now.find));
  }, [now.find]);
  const go = (part: Partial<ShelfAsked>): void => {
    if (typed.current) clearTimeout(typed.current);
    typed.current = null;
    ask({ find: text.trim(), ...part });
  };
  const choice = <K extends 'kind' | 'flour' | 'liquid' | 'without' | 'verdict'>(
    key: K,
    label: string,
    any: string,
    options: readonly (readonly [string, string])[],
  ) =>
    options.length === 0 ? null : (
      <Choice
        inline
        label={label}
        value={now[key] === '' ? ANY : now[key]}
        onChange={(v) => go({ [key]: v === ANY ? '' : v })}
        options={[{ value: ANY, label: any }, ...options.map(([value, l]) => ({ value, label: l }))]}
      />
    );
  const isNarrowed = Object.entries(now).some(
    ([k, v]) => k !== 'find' && k !== 'away' && v !== NOTHING_ASKED[k as keyof ShelfAsked],
  );
  const [isOpen, setIsOpen] = useState(isNarrowed);
  return (
    <section aria-label="Formulas">
      <div className="mb-2 flex flex-wrap items-end justify-between gap-x-3 gap-y-2">
        <h2 className="text-2xl">Formulas</h2>
        <Link href="/on-hand" className={`${lookOf('bare')} mr-auto`}>
          Begin from what there is
        </Link>
        <div className="relative">
          <label htmlFor={id} className="sr-only">
            Find by name, kind, flour or liquid
          </label>
          <Search size={18} aria-hidden className="absolute top-1/2 left-3 -translate-y-1/2 text-soft" />
          <input
            autoComplete="off"
            id={id}
            data-find
            type="search"
            maxLength={100}
            value={text}
            onChange={(e) => {
              const find = e.target.value;
              setText(find);
              if (typed.current) clearTimeout(typed.current);
              typed.current = setTimeout(() => go({ find: find.trim() }), TYPED_MS);
            }}
            // whoever leaves the box has said it: nothing comes later that would undo where the cook goes next
            onBlur={() => typed.current && go({})}
            placeholder="Name, kind, flour, liquid"
            className="hold min-h-10 w-72 pr-2 pl-9 placeholder:text-soft"
          />
        </div>
      </div>
      <div className="mb-3 flex flex-wrap items-start justify-between gap-x-6 gap-y-1">
        <details className="min-w-0" open={isOpen} onToggle={(e) => setIsOpen(e.currentTarget.open)}>
          <summary className="w-fit rounded-hold py-1 font-semibold text-rim">Filter</summary>
          <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
            {choice(
              'kind',
              'Kind',
              'every kind',
              KINDS.map((k) => [k.id, k.name]),
            )}
            {choice(
              'flour',
              'Flour',
              'any flour',
              mains.flours.map((f) => [f, f]),
            )}
            {choice(
              'liquid',
              'Liquid',
              'any liquid',
              mains.liquids.map((l) => [l, l]),
            )}
            {choice(
              'without',
              'Without',
              'any allergen is fine',
              ALLERGENS.map((a) => [a, allergenName(a)]),
            )}
            {choice('verdict', 'Last time', 'any', [
              ...VERDICTS.map((v) => [v, VERDICT_WORDS[v]] as const),
              ['none', 'not made yet'],
            ])}
            <Switch label="uses up what is near its date" on={now.use} onSwitch={(use) => go({ use })} />
          </div>
        </details>
        <Switch label="archived" on={now.away} onSwitch={(away) => go({ away })} />
      </div>
      {asked.without === '' ? null : (
        <p className="mb-3 text-soft">
          Formulas in which everything is known and nothing is noted to hold {allergenName(asked.without)}. Packets
          change: read them, and see the formula’s own notice.
        </p>
      )}
      {stale > 0 ? (
        <p className="mb-3" role="status">
          Something in the kitchen has changed: {stale.toLocaleString('en-GB')}{' '}
          {stale === 1 ? 'formula is' : 'formulas are'} being worked anew, and may be missing here for a moment.{' '}
          <Link href={shelfAddress(asked)} className="underline">
            Look again
          </Link>
        </p>
      ) : null}
      {rows.length === 0 ? (
        <div className="py-8">
          <p className="mb-3">No formula fits that.</p>
          <Button
            onClick={() => {
              setText('');
              go(NOTHING_ASKED);
            }}
          >
            Show all formulas
          </Button>
        </div>
      ) : (
        <>
          <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
            {rows.slice(0, MOST_LARGE).map((r) => (
              <Label key={r.id} row={r} acts={acts} archived={now.away} />
            ))}
          </ul>
          {rows.length > MOST_LARGE ? (
            <ul className="mt-3 divide-y divide-line rounded-plate bg-white px-4">
              {rows.slice(MOST_LARGE).map((r) => (
                <QuietRow key={r.id} row={r} acts={acts} archived={now.away} />
              ))}
            </ul>
          ) : null}
        </>
      )}
      {next || later ? (
        <nav aria-label="Pages of formulas" className="mt-4 flex gap-3">
          {later ? (
            <Link href={shelfAddress(asked)} className={lookOf('plain')}>
              Back to the first
            </Link>
          ) : null}
          {next ? (
            <Link href={shelfAddress(asked, next)} className={lookOf('plain')}>
              More formulas
            </Link>
          ) : null}
        </nav>
      ) : null}
      <p className="sr-only" role="status">
        {rows.length} {rows.length === 1 ? 'formula' : 'formulas'}
        {next ? ', and more' : ''}
      </p>
    </section>
  );
}

/** So many stand there large: those used lately. */
const MOST_LARGE = 4;

/** A formula as the label on its tub. */
function Label({ row, acts, archived }: { readonly row: Row; readonly acts: FormulaActs; readonly archived: boolean }) {
  const kind = kindById(row.kind);
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
            <Link
              href={`/formulas/${row.id}`}
              className="rounded after:absolute after:inset-0 after:rounded-plate after:content-['']"
            >
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
      <div className="mt-1 flex items-start justify-between gap-2">
        <p className="text-sm text-soft">
          {[row.mainFlour, row.mainLiquid?.toLowerCase()].filter(Boolean).join(', ') || 'no amounts yet'}
          <br />
          <LastTime row={row} />
        </p>
        <FormulaMenu acts={acts} id={row.id} name={row.name} number={null} archived={archived} />
      </div>
      {row.nextTime ? (
        <p className="mt-1 line-clamp-2 border-l-4 border-butter pl-2 text-sm">
          <strong>Next time:</strong> {row.nextTime}
        </p>
      ) : null}
      <MakeFor row={row} className="mt-auto pt-3" />
    </li>
  );
}

/** How it came out last, and whether the bench says stop. */
const LastTime = ({ row }: { readonly row: Row }) => (
  <>
    {row.lastVerdict ? (
      <>
        last: <strong className="text-ink">{VERDICT_WORDS[row.lastVerdict].toLowerCase()}</strong>
      </>
    ) : (
      'not made yet'
    )}
    {row.worst === 'stop' ? (
      <strong className="ml-2 inline-flex items-center gap-1 text-berry" title="The bench says stop: open it">
        <OctagonX size={15} aria-hidden />
        stop
      </strong>
    ) : null}
  </>
);

/** How many are made: the way to its plan. */
function MakeFor({ row, className }: { readonly row: Row; readonly className: string }) {
  // an oven pancake is a pan, not so many pieces of a portion
  const pan = schoolOf(kindById(row.kind), row.school).portionMl === null;
  const id = useId();
  return (
    <form
      action={`/formulas/${row.id}/plan`}
      className={`relative z-10 flex items-center justify-end gap-1.5 ${className}`}
    >
      <label htmlFor={id} className="text-sm whitespace-nowrap text-soft">
        {pan ? 'Make' : 'Make for'}
      </label>
      <input
        autoComplete="off"
        id={id}
        name="pieces"
        inputMode="numeric"
        pattern="[0-9]{1,5}"
        title={pan ? 'How many times the recipe' : 'How many'}
        placeholder={pan ? '1' : '12'}
        className="hold min-h-11 w-14 px-1 text-center placeholder:text-soft"
      />
      {pan ? (
        <span className="text-sm text-soft">x the recipe</span>
      ) : (
        <select
          autoComplete="off"
          name="by"
          aria-label="Pieces or people"
          className="hold min-h-11 px-1 text-[15px]"
          defaultValue="pieces"
        >
          <option value="pieces">pieces</option>
          <option value="people">people</option>
        </select>
      )}
      <Button type="submit" aria-label={`Go, make ${row.name}`}>
        Go
      </Button>
    </form>
  );
}

/** One of those not used lately: a line of the list, with all that a label has. */
function QuietRow({
  row,
  acts,
  archived,
}: {
  readonly row: Row;
  readonly acts: FormulaActs;
  readonly archived: boolean;
}) {
  return (
    <li className="relative flex flex-wrap items-center gap-x-3 gap-y-1 py-2 has-[a:hover]:bg-wash">
      <KindDrawing kind={row.kind} className="h-5 w-6 shrink-0 text-rim" />
      <h3 className="min-w-40 flex-1 text-lg [overflow-wrap:anywhere]">
        <Link href={`/formulas/${row.id}`} className="after:absolute after:inset-0 after:content-['']">
          {row.name}
        </Link>
      </h3>
      <p className="text-sm text-soft">
        {[kindById(row.kind).name, row.mainLiquid?.toLowerCase()].filter(Boolean).join(', ')}; <LastTime row={row} />
      </p>
      <MakeFor row={row} className="max-sm:w-full" />
      <FormulaMenu acts={acts} id={row.id} name={row.name} number={null} archived={archived} />
      {row.nextTime ? (
        <p className="line-clamp-2 w-full border-l-4 border-butter pl-2 text-sm">
          <strong>Next time:</strong> {row.nextTime}
        </p>
      ) : null}
    </li>
  );
}
