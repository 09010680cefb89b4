import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { dropMix, keepMix } from '@/app/premix/actions';
import { FRESH_PREMIX } from '@/core/premix/premix';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { shelf as formulas, version } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { shelf } from '@/server/queries/pantry';
import { AwayPage, Frame } from '@/ui/frame';
import { ChooseFormula } from '@/ui/premix/choose-formula';
import { PremixForm } from '@/ui/premix/premix-form';

export const metadata: Metadata = { title: 'New premix' };

export default async function NewPremixPage({ searchParams }: { readonly searchParams: Promise<{ formula?: string | string[] }> }) {
  const asked = (await searchParams).formula;
  const id = typeof asked === 'string' ? asked : null;
  if (id !== null && !isUuid(id)) notFound();
  const r = await reach(() => Promise.all([formulas(), id === null ? null : version(id, null), loadHouse(), shelf()]));
  if (!r.up) return <AwayPage here="premix" />;
  const [rows, v, house, stock] = r.value;
  if (id !== null && !v) notFound();
  return (
    <Frame here="premix">
      <h1 className="mb-3 text-[26px]">New premix</h1>
      <div className="mb-5">
        <ChooseFormula id={id} formulas={rows.map(({ id: f, name }) => ({ id: f, name }))} />
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
