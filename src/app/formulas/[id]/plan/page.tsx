import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { makeBatch } from '@/app/actions';
import { timedHere } from '@/server/batches';
import { version } from '@/server/formulas';
import { loadHouse } from '@/server/house';
import { shelf } from '@/server/pantry';
import { isUuid, versionNumber } from '@/server/params';
import { reach } from '@/server/pool';
import { sides } from '@/server/sides';
import { Plan } from '@/ui/batch/plan';
import { AwayPage, Frame } from '@/ui/frame';

export const metadata: Metadata = { title: 'Plan' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ version?: string | string[]; pieces?: string | string[]; end?: string | string[] }>;
}

export default async function PlanPage({ params, searchParams }: Props) {
  const { id } = await params;
  const asked = await searchParams;
  const number = versionNumber(asked.version);
  if (!isUuid(id) || (asked.version !== undefined && number === null)) notFound();
  const r = await reach(async () => Promise.all([version(id, number), loadHouse(), shelf(), sides(), timedHere(id)]));
  if (!r.up) return <AwayPage here="batch" />;
  const [v, house, stock, beside, cycleS] = r.value;
  if (!v) notFound();
  const pieces = typeof asked.pieces === 'string' && asked.pieces.trim() !== '' ? asked.pieces.slice(0, 12) : null;
  return (
    <Frame here="batch">
      <h1 className="mb-4 text-[26px] [overflow-wrap:anywhere] print:hidden">Plan: {v.formula.name}</h1>
      <Plan
        formulaId={id}
        versionId={v.versionId}
        number={v.number}
        formula={v.formula}
        house={house}
        shelf={stock}
        sides={beside}
        cycleS={cycleS}
        end={v.formula.ends ? (asked.end === 'b' ? 'b' : 'a') : null}
        pieces={pieces}
        make={makeBatch}
      />
    </Frame>
  );
}
