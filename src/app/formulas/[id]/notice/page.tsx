import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { countedLines } from '@/core/formula/formula';
import { kindById } from '@/core/formula/kinds';
import { allergensOf } from '@/core/formula/tally';
import { isA } from '@/core/pantry/ingredient';
import { isUuid, versionNumber } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { version } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { PrintButton } from '@/ui/batch/print-button';
import { AwayPage, Frame } from '@/ui/frame';
import { lookOf } from '@/ui/kit/button';

export const metadata: Metadata = { title: 'Allergen notice' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ version?: string | string[] }>;
}

export default async function NoticePage({ params, searchParams }: Props) {
  const { id } = await params;
  const asked = (await searchParams).version;
  const number = versionNumber(asked);
  if (!isUuid(id) || (asked !== undefined && number === null)) notFound();
  const r = await reach(() => Promise.all([version(id, number), loadHouse()]));
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [v, house] = r.value;
  if (!v) notFound();
  const { formula } = v;
  const ends = formula.ends ?? [null];
  return (
    <Frame here="bench">
      <div className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="mr-auto text-[26px]">Allergen notice</h1>
        <PrintButton />
        <Link href={`/formulas/${id}`} className={lookOf('plain')}>
          Back to the bench
        </Link>
      </div>
      <div className="grid gap-6">
        {ends.map((end) => {
          const lines = countedLines(formula, house, end?.id ?? null);
          const { held, unstated, unread } = allergensOf(lines);
          const honey = lines.some((l) => l.parts.some((p) => isA(p.ingredient, 'honey')) || (l.ingredient !== null && isA(l.ingredient, 'honey')));
          return (
            <article key={end?.id ?? 'all'} aria-label="Notice" className="max-w-2xl break-inside-avoid rounded-plate border-4 border-rim bg-white p-6">
              <p className="text-lg text-soft">{kindById(formula.kind).name}</p>
              <h2 className="mb-4 text-3xl [overflow-wrap:anywhere]">
                {formula.name}
                {end ? `, ${end.name}` : ''}
              </h2>
              {held.length > 0 ? (
                <>
                  <p className="mb-2 text-xl font-semibold">Made with</p>
                  <ul className="mb-4 grid gap-1">
                    {held.map((h) => (
                      <li key={h.allergen} className="text-xl">
                        <strong className="uppercase">{h.name}</strong> <span className="text-base text-soft">in {h.from.join(', ').toLowerCase()}</span>
                      </li>
                    ))}
                  </ul>
                </>
              ) : (
                <p className="mb-4 text-xl">None of the allergens we list stands in the pantry’s table for what is in it.</p>
              )}
              {unstated.length > 0 ? (
                <p className="mb-2">
                  <strong>Not stated:</strong> {unstated.join(', ')}. Read the packet before you serve it.
                </p>
              ) : null}
              {unread.length > 0 ? (
                <p className="mb-2">
                  <strong>Not read:</strong> {unread.map((t) => `“${t}”`).join(', ')}. It may hold more.
                </p>
              ) : null}
              {honey ? <p className="mb-2 font-semibold">With honey: not for infants under one year.</p> : null}
              <p className="border-t border-line pt-3 text-sm text-soft">
                From a table of ingredients, pan fat and toppings on the card among them; packets differ, and change. Made in a kitchen that handles other
                allergens: griddle, irons, bowls and spoons are shared, and traces can’t be ruled out. The law on what guests are told is your local food
                code’s; ask it, and ask the cook.
              </p>
              <p className="mt-2 text-sm text-soft">Version {v.number}.</p>
            </article>
          );
        })}
      </div>
    </Frame>
  );
}
