import type { Metadata } from 'next';
import { saveFormula } from '@/app/actions';
import { analyseFormula } from '@/core/analyse-formula';
import { bowlWithout } from '@/core/balance/without';
import { apartIn, formulasFor, unreadIn } from '@/core/begin/offers';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { type Allergen, allergenName } from '@/core/pantry/ingredient';
import { dayAfter, localDay, sayWeekday } from '@/core/quantity/day';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { version } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { hrefTo, NOT_KEPT } from '@/ui/today/begin.state';
import { BeginLine } from '@/ui/today/begin-line';
import { BeginView } from '@/ui/today/begin-view';
import { addressIn, bySentence, type OfShelf, type Params, shelfWithout } from './load';

export const metadata: Metadata = { title: 'Begin with a sentence' };

/** Formulas offered at once; the shelf has the rest. */
const MOST_OFFERED = 8;
/** Days to choose from. */
const DAYS = 14;

/** A formula's own bowl for who does without something; null: there is no such formula. */
async function ownBowl(of: string, without: readonly Allergen[], house: Kitchen) {
  const v = await version(of, null);
  if (!v) return null;
  const bowl = bowlWithout({ formula: v.formula, house, end: null }, without);
  const was = new Set(analyseFormula(v.formula, house).analysis.findings.map((f) => f.code));
  const is = analyseFormula(bowl.formula, house).analysis.findings;
  return {
    bowl,
    from: `From ${v.formula.name}, version ${v.number}: ${[...bowl.swaps, ...bowl.leftOut.map((x) => `no ${x}`)].join('; ')}`.slice(
      0,
      500,
    ),
    found: is.filter((f) => !was.has(f.code)).map((f) => f.message),
  };
}

/** One sentence, as it was understood; what is missing is asked, one thing at a time. */
export default async function BeginPage({ searchParams }: { readonly searchParams: Promise<Params> }) {
  const a = addressIn(await searchParams);
  const r = await reach(async () => {
    const house = await loadHouse();
    const begun = bySentence(a, house);
    const { everybody, apart } = apartIn(begun.b);
    const without = apart?.without ?? everybody;
    return {
      house,
      begun,
      ...(await shelfWithout(begun.b)),
      made: begun.of !== null && without.length > 0 ? await ownBowl(begun.of, without, house) : null,
    };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const { house, begun, shelf, lacks, made } = r.value;
  const { b, errors, serveAt, of } = begun;
  const { everybody, apart } = apartIn(b);
  const without = apart?.without ?? everybody;
  const today = localDay(Date.now(), house.units);
  const dayWords = (day: string): string =>
    sayWeekday(Date.parse(`${day}T12:00:00Z`), { days: house.units.days, zone: 'UTC' });
  const days = [...new Set([b.day, b.orDay, ...Array.from({ length: DAYS }, (_, n) => dayAfter(today, n))])].filter(
    (d): d is string => d !== null,
  );
  const planHref = (id: string): string => {
    const q = new URLSearchParams({
      pieces: String(b.people ?? b.pieces ?? ''),
      ...(b.people !== null && { by: 'people' }),
      ...(b.each !== null && { each: String(b.each) }),
      ...(serveAt !== null && { serve: String(serveAt) }),
      ...(b.on.length > 0 && { on: b.on.join(' ') }),
    });
    return `/formulas/${id}/plan?${q}`;
  };
  /** What everybody gets is planned as a batch; who come in waves have a morning. */
  const wayTo = (id: string): string =>
    b.waves.length > 0 ? hrefTo('/mornings/new', a, { of: id, other: '' }) : planHref(id);
  const choose = (f: OfShelf): string => {
    if (without.length === 0 || lacks(f.id, without)) return wayTo(f.id);
    return hrefTo('/begin', a, { of: f.id });
  };
  const names = (list: readonly Parameters<typeof allergenName>[0][]): string => list.map(allergenName).join(', ');
  const offer = (f: OfShelf, href: string, without: typeof everybody) => ({
    id: f.id,
    name: f.name,
    kind: f.kind,
    href,
    note: without.length > 0 && !lacks(f.id, without) ? `not noted as without ${names(without)}` : '',
  });
  const offers = formulasFor(b, shelf, house.gear);
  // those that everybody can eat stand first
  const first = [...offers.filter((f) => lacks(f.id, everybody)), ...offers.filter((f) => !lacks(f.id, everybody))];
  const others =
    without.length > 0 ? formulasFor({ ...b, called: [] }, shelf, house.gear).filter((f) => lacks(f.id, without)) : [];
  return (
    <Frame here="today">
      <h1 className="mb-3 text-[26px]">Begin with a sentence</h1>
      <BeginLine say={a.say} />
      <BeginView
        a={a}
        b={b}
        errors={errors}
        days={days.map((d) => ({ value: d, label: dayWords(d) }))}
        gear={house.gear.filter((g) => b.on.includes(g.id))}
        unread={unreadIn(b, shelf)}
        clock={house.units.clock}
        asks={
          b.people === null && b.pieces === null
            ? 'people'
            : errors.time || ((b.day === null || b.time === null) && a.when !== 'later')
              ? 'when'
              : of && (apart || made)
                ? 'other'
                : 'formula'
        }
        apart={apart}
        without={without}
        made={
          made && !shelf.some((f) => f.name === made.bowl.formula.name)
            ? {
                ...made,
                save: saveFormula,
                to: apart ? hrefTo('/mornings/new', a, { other: NOT_KEPT }) : wayTo(NOT_KEPT),
              }
            : null
        }
        of={shelf.find((f) => f.id === of)?.name ?? ''}
        planAll={of ? wayTo(of) : ''}
        offers={first.slice(0, MOST_OFFERED).map((f) => offer(f, choose(f), everybody))}
        others={others
          .slice(0, MOST_OFFERED)
          .map((f) => offer(f, apart ? hrefTo('/mornings/new', a, { other: f.id }) : wayTo(f.id), []))}
      />
    </Frame>
  );
}
