import type { Metadata } from 'next';
import { cleanText } from '@/contract/clean';
import { type OnHand, readOnHand, sameThing, shareUsed, usingUpFrom } from '@/core/batch/on-hand';
import { thingsWritten } from '@/core/batch/together';
import { isShellEgg } from '@/core/formula/eggs';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { newestVersions } from '@/server/queries/versions';
import { inReader } from '@/server/reading/reader';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Button, lookOf } from '@/ui/kit/button';
import { TextField } from '@/ui/kit/field';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { type FoundUses, UsesUpView } from '@/ui/today/uses-up';

export const metadata: Metadata = { title: 'From what is on hand' };

/** Formulas shown at once, and things of the stock offered to tick. */
const MOST_SHOWN = 12;
/** Formulas that are bent, those first that use up most scaled alone. */
const MOST_BENT = 8;
const MOST_TICKS = 24;
const MOST_CHARS = 1000;

const wordsIn = (v: string | string[] | undefined): readonly string[] =>
  [v ?? []].flat().map((t) => cleanText(t).slice(0, MOST_CHARS));

/**
 * Formulas that use things up, those that can be bent to use up more of them together bent, the best first; where that
 * takes too long, scaled alone.
 */
async function together(found: readonly FoundUses[], things: readonly OnHand[], house: Kitchen) {
  const bent = things.length > 1 ? await inReader('together', found.slice(0, MOST_BENT), things, house) : null;
  return found
    .map((u, n) => {
      const t = bent?.ok ? bent.value[n] : undefined;
      return t?.bent ? { ...t, of: u.of, alone: u } : { ...u, alone: u, bent: null, shifts: [] };
    })
    .map((t) => ({ t, score: shareUsed(t, things) }))
    .sort((a, b) => b.score - a.score)
    .map(({ t }) => t);
}

/** Begin from what there is: tick it or write it, and see which formulas use it up. */
export default async function OnHandPage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}) {
  const params = await searchParams;
  const r = await reach(() => Promise.all([loadHouse(), stockNoted(), newestVersions()]));
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [house, stock, formulas] = r.value;
  const written = wordsIn(params.there)[0] ?? '';
  const ticked = wordsIn(params.stock);
  const offers = Object.values(stock).flatMap((s) => {
    const i = findIngredient(s.ingredientId, house.conventions.own);
    return i && s.onHandG && s.onHandG > 0
      ? [{ id: i.id, name: kitchenName(i), grams: s.onHandG, soon: s.bestBefore ?? '' }]
      : [];
  });
  // what is near its date first
  const shown = [...offers].sort((a, b) => (a.soon || '9').localeCompare(b.soon || '9')).slice(0, MOST_TICKS);
  const read = readOnHand(written, house);
  const fromStock = offers
    .filter((o) => ticked.includes(o.id))
    .flatMap((o) => {
      const ingredient = findIngredient(o.id, house.conventions.own);
      // what is written of a thing stands; its place on the shelf is no second one
      return ingredient && !read.things.some((t) => sameThing(t.ingredient, ingredient))
        ? [{ text: o.name, ingredient, grams: o.grams }]
        : [];
    });
  const things = [...read.things, ...fromStock];
  const alone = usingUpFrom(formulas, things, house).slice(0, MOST_SHOWN);
  const found = await together(alone, things, house);
  return (
    <Frame here="today">
      <h1 className="text-[26px]">Begin from what there is</h1>
      <div className="mt-3 grid items-start gap-x-8 gap-y-5 lg:grid-cols-[27rem_1fr]">
        <form method="get" className="grid gap-4">
          <TextField
            label="On hand, with how much of it"
            name="there"
            rows={2}
            maxLength={MOST_CHARS}
            defaultValue={written}
            placeholder="700 g of buttermilk, five eggs, one banana"
            hint="By comma or line. Amounts as on a card: grams, cups, pieces."
          />
          <div>
            <Button type="submit" look="now" size="work">
              What uses it up?
            </Button>
          </div>
          {shown.length > 0 ? (
            <fieldset>
              <legend className="text-sm font-semibold text-soft">Or from stock, what is near its date first</legend>
              <ul className="mt-1 flex flex-wrap gap-2">
                {shown.map((o) => (
                  <li key={o.id}>
                    <label className="hold flex min-h-11 cursor-pointer items-center gap-2 px-3 hover:bg-wash has-[:checked]:bg-wash has-[:checked]:font-semibold">
                      <input
                        type="checkbox"
                        name="stock"
                        value={o.id}
                        defaultChecked={ticked.includes(o.id)}
                        className="size-5 accent-rim"
                      />
                      {o.name}
                      <span className="font-normal text-soft">{grams(o.grams, house.units)}</span>
                    </label>
                  </li>
                ))}
              </ul>
            </fieldset>
          ) : null}
        </form>
        <div className="grid gap-4">
          {read.open.length > 0 ? (
            <div>
              <Notice weight="look" role="alert">
                <ul>
                  {read.open.map((o) => (
                    <li key={o.text}>
                      “{o.text.slice(0, 60)}”: {o.why}
                    </li>
                  ))}
                </ul>
              </Notice>
            </div>
          ) : null}
          {things.length > 0 && found.length === 0 ? (
            <p className="max-w-xl">
              None of the formulas here has any of that in it.{' '}
              <Link href="/formulas/new" className={lookOf('bare')}>
                Begin a new one
              </Link>
            </p>
          ) : null}
          {things.length === 0 && read.open.length === 0 ? (
            <p className="max-w-md text-soft">
              Write or tick what there is. Which formulas use it up stands here then: how many pieces of each, and what
              else they take. None is made larger than what there is.
            </p>
          ) : null}
          {found.length > 0 ? (
            <UsesUpView found={found} there={thingsWritten(things)} units={house.units} isEgg={isShellEgg} />
          ) : null}
        </div>
      </div>
    </Frame>
  );
}
