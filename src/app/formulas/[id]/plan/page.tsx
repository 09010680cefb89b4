import { notFound } from 'next/navigation';
import { answerNextTime, keepPlanHere, makeBatch } from '@/app/actions';
import { titled } from '@/app/titled';
import { KEPT_STATE_WORDS, keptWords, lotName } from '@/core/batch/kept';
import { bagsLeft, firstToUse, leftBySize, sayBags } from '@/core/premix/premix';
import { sayDay, sayMoment } from '@/core/quantity/day';
import { grams } from '@/core/quantity/say';
import { isUuid, versionNumber } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { timedHere } from '@/server/queries/batches';
import { formulaState } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { keptNow } from '@/server/queries/kept';
import { stockNoted } from '@/server/queries/pantry';
import { planById } from '@/server/queries/plans';
import { lotsOfFormula } from '@/server/queries/premixes';
import { sides } from '@/server/queries/sides';
import { version } from '@/server/queries/versions';
import { bagsFor } from '@/server/usecases/premix-lots';
import { Plan } from '@/ui/batch/plan';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { Way } from '@/ui/kit/way';
import { BestBy } from '@/ui/premix/best-by';
import { NearDay } from '@/ui/shared/near-day';
import { NextTime } from '@/ui/versions/next-time';

export const generateMetadata = titled('formula', 'Plan');

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{
    version?: string | string[];
    pieces?: string | string[];
    /** `people`: the number is of them, and not of pieces. */
    by?: string | string[];
    end?: string | string[];
    all?: string | string[];
    grams?: string | string[];
    /** A plan that was kept for later. */
    plan?: string | string[];
    /** The morning that it is made for. */
    morning?: string | string[];
    /** As a sentence began it: pieces for each, when it is ready (ms since 1970), and the gear it is made on. */
    each?: string | string[];
    serve?: string | string[];
    on?: string | string[];
  }>;
}

export default async function PlanPage({ params, searchParams }: Props) {
  const { id } = await params;
  const asked = await searchParams;
  const opened = await reach(async () =>
    typeof asked.plan === 'string' && isUuid(asked.plan) ? planById(asked.plan) : null,
  );
  if (!opened.up) return <AwayPage kind={opened.kind} here="batch" />;
  const plan = opened.value?.formulaId === id ? opened.value : null;
  const number = plan ? plan.versionNumber : versionNumber(asked.version);
  if (!isUuid(id) || (asked.version !== undefined && number === null)) notFound();
  const r = await reach(async () =>
    Promise.all([
      version(id, number),
      loadHouse(),
      stockNoted(),
      sides(),
      timedHere(id),
      lotsOfFormula(id),
      formulaState(id),
      keptNow(id),
    ]),
  );
  if (!r.up) return <AwayPage kind={r.kind} here="batch" />;
  const [v, house, stock, beside, timed, made, state, kept] = r.value;
  if (!v) notFound();
  const bags = firstToUse(made, house.today);
  const bagged = await reach(() => bagsFor(bags, house));
  const first = bags[0];
  const left = bags.reduce((a, l) => a + bagsLeft(l), 0);
  const sizes = leftBySize(bags);
  const pieces = typeof asked.pieces === 'string' && asked.pieces.trim() !== '' ? asked.pieces.slice(0, 12) : null;
  // all there is of one thing, as it was asked for elsewhere
  const all =
    typeof asked.all === 'string' && typeof asked.grams === 'string' && Number(asked.grams) > 0
      ? { ingredientId: asked.all.slice(0, 60), grams: Number(asked.grams) }
      : null;
  const onAsked = typeof asked.on === 'string' ? asked.on.split(' ') : [];
  return (
    <Frame here="batch">
      <h1 className="text-[26px] [overflow-wrap:anywhere] print:hidden">Plan: {v.formula.name}</h1>
      <div className="mt-1 mb-4 print:hidden">
        <Way at="plan" />
      </div>
      {plan ? (
        <p className="mb-4 rounded-r-hold border-l-8 border-butter bg-white px-3 py-2 print:hidden">
          Kept for later
          {plan.serveAt ? <strong>, served {sayMoment(plan.serveAt.getTime(), Date.now(), house.units)}</strong> : null}
          . Nothing is begun, and nothing is taken from stock, until it is started.
          {plan.versionNumber < v.newest
            ? ` The formula has been changed since: this is version ${plan.versionNumber} of ${v.newest}.`
            : ''}
          {plan.typed === null ? ' How it stood can’t be read: it opens as a new plan.' : ''}
        </p>
      ) : asked.plan !== undefined ? (
        <p className="mb-4">That plan waits no longer: it was started or dropped. This is a new one.</p>
      ) : null}
      <NextTime
        next={state?.next ?? null}
        last={state?.last ?? null}
        units={house.units}
        formulaId={id}
        answer={answerNextTime}
      />
      <UnreadableNotice list={v.unreadable} />
      {first ? (
        <p className="mb-4 print:hidden">
          There {left === 1 ? 'is a bag' : `are ${sayBags(left)} bags`} of {first.premixName},{' '}
          {sizes.length === 1
            ? `of ${grams(first.bagG, house.units)}`
            : sizes.map((x) => `${sayBags(x.bags)} of ${grams(x.bagG, house.units)}`).join(', ')}
          :{' '}
          <Link className="font-semibold text-rim underline" href={`/premix/lots/${first.id}`}>
            use lot {first.number} first
          </Link>
          , <BestBy date={first.bestBefore} today={house.today} />.
        </p>
      ) : null}
      {kept.map((l) => (
        <p key={l.id} className="mb-4 print:hidden">
          There {l.left === 1 ? 'is' : 'are'} {keptWords(l, l.left)} kept
          {l.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[l.state]}`}, best by {sayDay(l.bestBy, house.units)}
          <NearDay bestBy={l.bestBy} today={house.today} />:{' '}
          <Link className="font-semibold text-rim underline" href={`/kept/${l.id}`}>
            {lotName(l)}, and how it comes back to the plate
          </Link>
          . Take them in below.
        </p>
      ))}
      <Plan
        formulaId={id}
        versionId={v.versionId}
        number={v.number}
        formula={v.formula}
        house={house}
        shelf={stock}
        sides={beside}
        timed={timed}
        end={v.formula.ends ? (asked.end === 'b' ? 'b' : 'a') : null}
        pieces={pieces}
        people={asked.by === 'people'}
        all={all}
        begun={{
          each: typeof asked.each === 'string' && /^\d{1,3}$/.test(asked.each) ? asked.each : null,
          serveAt: typeof asked.serve === 'string' && Number(asked.serve) > 0 ? Number(asked.serve) : null,
          on: typeof asked.on === 'string' ? house.gear.map((g) => g.id).filter((x) => onAsked.includes(x)) : null,
        }}
        bagged={bagged.up ? bagged.value : []}
        kept={kept}
        plan={plan}
        morningId={typeof asked.morning === 'string' && isUuid(asked.morning) ? asked.morning : null}
        make={makeBatch}
        keep={keepPlanHere}
      />
    </Frame>
  );
}
