import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { answerNextTime, copyOfFormula, putAwayFormula, saveFormula } from '@/app/actions';
import { dropMeasure, keepAnswered } from '@/app/pantry/actions';
import { WISHES } from '@/core/balance/moves';
import { firstSight } from '@/core/bench/sight';
import { heldAgainst, wantsAnything } from '@/core/judge/target';
import { isUuid, versionNumber } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { makingsOf } from '@/server/queries/came-back';
import { formulaState, version } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { targetOf } from '@/server/queries/targets';
import { Bench } from '@/ui/bench/bench';
import { AwayPage, Frame } from '@/ui/frame';
import { Unreadable } from '@/ui/unreadable';
import { Away } from '@/ui/versions/away';
import { NextTime } from '@/ui/versions/next-time';
import { TargetBand } from '@/ui/versions/target-band';

export const metadata: Metadata = { title: 'Bench' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ version?: string | string[]; towards?: string | string[] }>;
}

/** What is wanted, and the makings to hold against it. */
async function wantedOf(id: string) {
  const { target } = await targetOf(id);
  return { target, makings: wantsAnything(target) ? await makingsOf(id) : [] };
}

export default async function BenchPage({ params, searchParams }: Props) {
  const { id } = await params;
  const { version: asked, towards } = await searchParams;
  const number = versionNumber(asked);
  if (!isUuid(id) || (asked !== undefined && number === null)) notFound();
  const r = await reach(async () => Promise.all([version(id, number), loadHouse(), stockNoted(), formulaState(id), wantedOf(id)]));
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [v, house, stock, state, { target, makings }] = r.value;
  if (!v) notFound();
  return (
    <Frame here="bench">
      <h1 className="sr-only">{v.formula.name}</h1>
      <Unreadable list={v.unreadable} />
      {state?.archived || state?.deleted ? <Away id={id} deleted={state.deleted} put={putAwayFormula} /> : null}
      <NextTime next={state?.next ?? null} last={state?.last ?? null} units={house.units} formulaId={id} answer={answerNextTime} />
      {wantsAnything(target) ? <TargetBand formulaId={id} {...heldAgainst(target, makings)} /> : null}
      <Bench
        key={`${id} ${number ?? 'newest'} ${typeof towards === 'string' ? towards : ''}`}
        formulaId={id}
        formula={v.formula}
        first={firstSight({ formula: v.formula, house, end: v.formula.ends?.[0].id ?? null })}
        number={v.number}
        newest={v.newest}
        towards={WISHES.find((m) => m.id === towards)?.id ?? null}
        house={house}
        shelf={stock}
        archived={state?.archived ?? false}
        acts={{ copy: copyOfFormula, put: putAwayFormula }}
        save={saveFormula}
        remember={keepAnswered}
        forget={dropMeasure}
      />
    </Frame>
  );
}
