import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import {
  answerNextTime,
  copyOfFormula,
  keepCards,
  lookAtCards,
  putAwayFormula,
  saveFormula,
  takeCardsBack,
} from '@/app/actions';
import { dropMeasure, keepAnswered } from '@/app/pantry/actions';
import { titled } from '@/app/titled';
import { WISHES } from '@/core/balance/moves';
import { thingsRead } from '@/core/batch/together';
import { weighedOf } from '@/core/batch/weighed';
import { firstSight } from '@/core/bench/first-sight';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { broughtBy, broughtInWords } from '@/core/judge/brought';
import { heldAgainst, wantsAnything } from '@/core/judge/target';
import { findIngredient } from '@/core/pantry/pantry';
import { isUuid, versionNumber } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { batchById, lastOfVersion } from '@/server/queries/batches';
import { makingsOf } from '@/server/queries/came-back';
import { formulaState } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { targetOf } from '@/server/queries/targets';
import { version } from '@/server/queries/versions';
import { BenchAt } from '@/ui/bench/bench';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { Away } from '@/ui/versions/away';
import { BroughtNotice } from '@/ui/versions/brought';
import { NextTime } from '@/ui/versions/next-time';
import { TargetBand } from '@/ui/versions/target-band';

/** Asks for what the last makings brought the formula to. */
const BROUGHT = 'brought';

type Asked = string | string[] | undefined;

/**
 * `/formulas/new` and `/formulas/{id}` both lead here (`next.config.ts`): a formula that is saved for the first time
 * keeps its Bench.
 */
interface Props {
  readonly searchParams: Promise<{
    formula?: Asked;
    version?: Asked;
    towards?: Asked;
    from?: Asked;
    /** A batch whose weights are proposed as the formula's amounts; or `brought`: what its last makings brought it to. */
    weighed?: Asked;
    /** Things on hand that are to be used up together. */
    there?: Asked;
  }>;
}

export async function generateMetadata({ searchParams }: Props): Promise<Metadata> {
  const { formula } = await searchParams;
  if (typeof formula !== 'string') return { title: 'New formula' };
  return titled('formula', 'Bench')({ params: Promise.resolve({ id: formula }) });
}

/** What is wanted of a formula, and the makings to hold against it. */
async function wantedOf(id: string) {
  const { target } = await targetOf(id);
  return { target, makings: wantsAnything(target) ? await makingsOf(id) : [] };
}

/** A formula as it was saved, with what its page says of it; null where there is none. */
async function savedOne(id: string, number: number | null) {
  const [v, state, wanted] = await Promise.all([version(id, number), formulaState(id), wantedOf(id)]);
  if (!v) return null;
  return { id, v, state, ...wanted, last: v.number === v.newest ? await lastOfVersion(v.versionId) : [] };
}

export default async function BenchPage({ searchParams }: Props) {
  const { formula: id, version: asked, towards, from, weighed, there } = await searchParams;
  const number = versionNumber(asked);
  if (Array.isArray(id) || (id !== undefined && !isUuid(id)) || (asked !== undefined && number === null)) notFound();
  const r = await reach(() =>
    Promise.all([
      id === undefined ? undefined : savedOne(id, number),
      loadHouse(),
      stockNoted(),
      typeof weighed === 'string' && isUuid(weighed) ? batchById(weighed) : null,
    ]),
  );
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [saved, house, stock, made] = r.value;
  if (saved === null) notFound();
  const formula = saved?.v.formula ?? EMPTY_FORMULA;
  const state = saved?.state ?? null;
  const begin = from === 'nothing' ? 'nothing' : 'card';
  const brought = broughtBy(saved?.last ?? [], (x) => findIngredient(x, house.conventions.own));
  return (
    <Frame here="bench">
      <h1 className="sr-only">{saved ? formula.name : 'New formula'}</h1>
      <UnreadableNotice list={saved?.v.unreadable ?? []} />
      {saved && (state?.archived || state?.deleted) ? (
        <Away id={saved.id} deleted={state.deleted} put={putAwayFormula} />
      ) : null}
      {saved ? (
        <NextTime
          next={state?.next ?? null}
          last={state?.last ?? null}
          units={house.units}
          formulaId={saved.id}
          answer={answerNextTime}
        />
      ) : null}
      {saved ? (
        <BroughtNotice
          says={brought.map((x) => broughtInWords(x, house.units))}
          to={`/formulas/${saved.id}?weighed=${BROUGHT}`}
        />
      ) : null}
      {saved && wantsAnything(saved.target) ? (
        <TargetBand formulaId={saved.id} {...heldAgainst(saved.target, saved.makings)} />
      ) : null}
      <BenchAt
        at={
          saved
            ? `${saved.id} ${number ?? 'newest'} ${[towards, weighed, there].filter((x) => typeof x === 'string').join(' ')}`
            : begin
        }
        begin={begin}
        formulaId={saved?.id ?? null}
        formula={formula}
        first={firstSight({ formula, house, end: formula.ends?.[0].id ?? null })}
        number={saved?.v.number ?? null}
        newest={saved?.v.newest ?? null}
        weighed={
          made && made.formulaId === saved?.id
            ? { batch: made.name, lines: weighedOf(made) }
            : weighed === BROUGHT && brought.length > 0
              ? { batch: 'its last makings', lines: brought }
              : null
        }
        towards={WISHES.find((m) => m.id === towards)?.id ?? null}
        there={typeof there === 'string' ? thingsRead(there, (x) => findIngredient(x, house.conventions.own)) : []}
        house={house}
        shelf={stock}
        archived={state?.archived ?? false}
        acts={{ copy: copyOfFormula, put: putAwayFormula }}
        cards={{ look: lookAtCards, keep: keepCards, back: takeCardsBack }}
        save={saveFormula}
        remember={keepAnswered}
        forget={dropMeasure}
      />
    </Frame>
  );
}
