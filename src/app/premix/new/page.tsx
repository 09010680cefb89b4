import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { dropMix, keepMix } from '@/app/premix/actions';
import { FRESH_PREMIX } from '@/core/premix/premix';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { formulaShelf as formulas } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { version } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { ChooseFormula } from '@/ui/premix/choose-formula';
import { PremixForm } from '@/ui/premix/premix-form';

export const metadata: Metadata = { title: 'New premix' };

/** Formulas to make a mix of: those used lately. */
const FORMULAS_OFFERED = 200;

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
  const more = v && !rows.rows.some((f) => f.id === v.formulaId) ? [{ id: v.formulaId, name: v.formula.name }] : [];
  const offered = [...more, ...rows.rows];
  return (
    <Frame here="premix">
      <h1 className="mb-3 text-[26px]">New premix</h1>
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
          keep={keepMix}
          drop={dropMix}
        />
      ) : null}
    </Frame>
  );
}
