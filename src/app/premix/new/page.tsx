import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { dropMix, keepMix } from '@/app/premix/actions';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { countedLines } from '@/core/formula/lines';
import { kitchenName } from '@/core/pantry/ingredient';
import { bagOf, NO_POWDERS } from '@/core/premix/bag';
import { FRESH_PREMIX } from '@/core/premix/premix';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { formulaShelf as formulas } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { newestVersions, version } from '@/server/queries/versions';
import { KindDrawing } from '@/ui/drawings/kind';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { unbroken } from '@/ui/kit/unbroken';
import { ChooseFormula } from '@/ui/premix/choose-formula';
import { PremixForm } from '@/ui/premix/premix-form';

export const metadata: Metadata = { title: 'New premix' };

/** Formulas to make a mix of: those used lately. */
const FORMULAS_OFFERED = 200;

/** So many are shown with what a bag of each would be; the list has the rest. */
const MOST_SHOWN = 8;

/** Formulas with a dry side, those used lately first: what their bag would weigh, and what is added to it. */
async function drySides(house: Kitchen) {
  const g = (x: number): string => grams(x, house.units);
  return (await newestVersions())
    .flatMap((v) => {
      const { formula: f, formulaId: id } = v;
      const bag = bagOf(countedLines(f, house, f.ends?.[0].id ?? null), NO_POWDERS);
      if (bag.items.length < 2 || bag.open.length > 0) return [];
      const added = bag.added.map((x) => `${g(x.grams)} ${kitchenName(x.ingredient).toLowerCase()}`);
      const says = `${g(bag.massG)} in the bag; ${added.length > 0 ? `add ${added.join(', ')}` : 'nothing is added'}`;
      return [{ id, name: f.name, kind: f.kind, says }];
    })
    .slice(0, MOST_SHOWN);
}

export default async function NewPremixPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ formula?: string | string[] }>;
}) {
  const asked = (await searchParams).formula;
  const id = typeof asked === 'string' ? asked : null;
  if (id !== null && !isUuid(id)) notFound();
  const r = await reach(() =>
    Promise.all([formulas({}, FORMULAS_OFFERED), id === null ? null : version(id, null), loadHouse(), stockNoted()]),
  );
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  const [rows, v, house, stock] = r.value;
  if (id !== null && !v) notFound();
  const dry = id === null ? await reach(() => drySides(house)) : null;
  const more = v && !rows.rows.some((f) => f.id === v.formulaId) ? [{ id: v.formulaId, name: v.formula.name }] : [];
  const offered = [...more, ...rows.rows];
  return (
    <Frame here="premix">
      <h1 className="mb-3 text-[26px]">New premix</h1>
      {dry?.up && dry.value.length > 0 ? (
        <section aria-labelledby="dry-sides" className="mb-5">
          <h2 id="dry-sides" className="mb-2 text-xl">
            A bag of what?
          </h2>
          <ul className="grid gap-2 md:grid-cols-2">
            {dry.value.map((d) => (
              <li key={d.id}>
                <Link
                  href={`/premix/new?formula=${d.id}`}
                  className="hold flex min-h-16 items-center gap-3 px-4 py-2 hover:bg-wash"
                >
                  <KindDrawing kind={d.kind} className="size-9 flex-none text-rim" />
                  <span className="min-w-0 [overflow-wrap:anywhere]">
                    <span className="block text-lg font-semibold text-rim">{d.name}</span>
                    <span className="block text-sm text-soft">{unbroken(d.says)}</span>
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <div className="mb-5">
        <ChooseFormula id={id} formulas={offered.map(({ id: f, name }) => ({ id: f, name }))} />
      </div>
      {v ? (
        <PremixForm
          key={v.versionId}
          id={null}
          versionId={v.versionId}
          formula={v.formula}
          was={{ name: `${v.formula.name} mix`.slice(0, 80), settings: FRESH_PREMIX }}
          hasLots={false}
          house={house}
          shelf={stock}
          last={null}
          keep={keepMix}
          drop={dropMix}
        />
      ) : null}
    </Frame>
  );
}
