import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { saveFormula } from '@/app/actions';
import { dropMeasure, keepAnswered } from '@/app/pantry/actions';
import { MOVES } from '@/core/balance/moves';
import { isUuid, versionNumber } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { version } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { Bench } from '@/ui/bench/bench';
import { AwayPage, Frame } from '@/ui/frame';
import { Unreadable } from '@/ui/unreadable';

export const metadata: Metadata = { title: 'Bench' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ version?: string | string[]; towards?: string | string[] }>;
}

export default async function BenchPage({ params, searchParams }: Props) {
  const { id } = await params;
  const { version: asked, towards } = await searchParams;
  const number = versionNumber(asked);
  if (!isUuid(id) || (asked !== undefined && number === null)) notFound();
  const r = await reach(async () => Promise.all([version(id, number), loadHouse(), stockNoted()]));
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [v, house, stock] = r.value;
  if (!v) notFound();
  return (
    <Frame here="bench">
      <h1 className="sr-only">{v.formula.name}</h1>
      <Unreadable list={v.unreadable} />
      <Bench
        key={`${id} ${number ?? 'newest'} ${typeof towards === 'string' ? towards : ''}`}
        formulaId={id}
        formula={v.formula}
        number={v.number}
        newest={v.newest}
        towards={MOVES.find((m) => m.id === towards)?.id ?? null}
        house={house}
        shelf={stock}
        save={saveFormula}
        remember={keepAnswered}
        forget={dropMeasure}
      />
    </Frame>
  );
}
