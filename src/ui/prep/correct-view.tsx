'use client';
import { useState } from 'react';
import { entriesOf } from '@/core/batch/acts';
import type { Batch } from '@/core/batch/batch';
import { amountSaid } from '@/core/batch/said';
import { asTaken, type MeasuredWith } from '@/core/batch/taken';
import { thicknessClass } from '@/core/batter/thickness';
import {
  kindById,
  POUR_NOUNS,
  POUR_WORDS,
  RAIL_NAMES,
  RAILS,
  railOf,
  sayRail,
  schoolOf,
  THICKNESSES,
  type Thickness,
} from '@/core/formula/kinds';
import type { Standing } from '@/core/formula/ways';
import { type AnalysableLine, numbersOf } from '@/core/numbers';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { findIngredient, ingredient } from '@/core/pantry/pantry';
import {
  correction,
  leadsOut,
  leaveningWith,
  massOf,
  meansInBowl,
  paSOf,
  type SeenBowl,
  wantedPourOf,
} from '@/core/prep/correct';
import { grams } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { PourDrawing } from '../drawings/pour';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Press } from '../kit/press';
import { useTime } from '../kit/time';
import type { OpenEventLog } from '../live/use-event-log';

const POURS = [1, 2, 3] as const;
/** A bowl's leftovers below this are not corrected. */
const LEAST_BOWL_G = 20;

/** Too thick, too thin: by what is seen or by a measured test pour, how much goes in, in steps, each noted. */
export function CorrectView({
  batch,
  mix,
  lines,
  standing,
  stepG,
  measured,
  pouredG,
  log,
  find,
}: {
  readonly batch: Batch;
  readonly mix: number;
  /** What is in the bowl now, with what was stirred in. */
  readonly lines: readonly AnalysableLine[];
  readonly standing: Standing;
  readonly stepG: number;
  /** As the batch is measured. */
  readonly measured: MeasuredWith;
  /** g of it that are poured already. */
  readonly pouredG: number;
  readonly log: OpenEventLog;
  readonly find: (id: string) => Ingredient | undefined;
}) {
  const time = useTime();
  const kind = kindById(batch.kind);
  const school = schoolOf(kind, batch.school);
  const [way, setWay] = useState<'look' | 'pour'>('look');
  const [pour, setPour] = useState<Thickness | null>(null);
  const [ml, setMl] = useState(String(batch.portionMl ?? 60));
  const [across, setAcross] = useState<readonly string[]>(['', '', '']);
  const made = massOf(lines);
  const inBowl = Math.max(0, Math.round(made - pouredG));
  const [bowl, setBowl] = useState('');
  const [own, setOwn] = useState('');
  const bowlG = bowl.trim() === '' ? inBowl : typedNumber(bowl);
  const cm = across.map((t) => typedNumber(t, 'cm')).filter((x) => x > 1 && x < 60);
  const portion = typedNumber(ml, 'ml');
  const seen: SeenBowl | null =
    way === 'look'
      ? pour
        ? { by: 'look', pour }
        : null
      : portion > 0 && cm.length > 0
        ? { by: 'pour', ml: portion, cm }
        : null;
  const paS = seen ? paSOf(seen) : null;
  const want = paS === null ? null : wantedPourOf(school, paS);
  const means = meansInBowl(
    lines,
    find('milk-whole') ?? ingredient('milk-whole'),
    find('flour-all-purpose') ?? ingredient('flour-all-purpose'),
  );
  const wrong = Number.isNaN(bowlG) || bowlG < LEAST_BOWL_G;
  const c =
    paS !== null && want !== null && !wrong
      ? correction(lines, { bowlG, seen: paS, want, standing, ...means, stepG })
      : null;
  const done = entriesOf(log.entries, 'corrected').filter((e) => e.act.mix === mix);
  const now = numbersOf(lines, batch.kind, batch.school, { standing });
  const then =
    c === null
      ? null
      : numbersOf(
          [...lines, { use: 'batter', parts: [{ ingredient: c.ingredient, grams: (c.grams * made) / bowlG }] }],
          batch.kind,
          batch.school,
          {
            standing,
          },
        );
  const changes =
    then === null
      ? []
      : RAILS.flatMap((rail) => {
          const [a, b] = [railOf(now, rail), railOf(then, rail)];
          if (!a || !b) return [];
          const [x, y] = [sayRail(rail, a.tested), sayRail(rail, b.tested)];
          return x === y ? [] : [`${RAIL_NAMES[rail].toLowerCase()} ${x} to ${y}`];
        });
  const out = then === null ? [] : leadsOut(now, then);
  const lever = c === null ? null : leaveningWith(lines, c.ingredient, c.grams, bowlG);
  /** So much as the batch is measured: what is said is what is noted. */
  const as = (g: number) => (c ? asTaken(c.ingredient, g, measured) : { grams: g, measure: grams(g) });
  const first = c ? as(c.steps[0] ?? c.grams) : null;
  const whole = c ? as(c.grams) : null;
  const said =
    c && own.trim() !== ''
      ? amountSaid(own.replace(/\bspoon(?:ful)?s?\b/i, 'tbsp'), c.ingredient, {
          onHandG: null,
          conventions: measured.conventions,
        })
      : null;
  const stir = (g: number): void => {
    if (!c || !seen) return;
    log.enter({
      what: 'corrected',
      mix,
      ingredientId: c.ingredient.id,
      grams: g,
      bowlG,
      seen:
        seen.by === 'look'
          ? POUR_WORDS[seen.pour]
          : `${portion} ml lay ${(cm.reduce((a, x) => a + x, 0) / cm.length).toFixed(1)} cm across`,
    });
    setPour(null);
    setOwn('');
    setAcross(['', '', '']);
  };
  return (
    <section aria-label="Too thick or too thin" className="grid gap-3 rounded-plate bg-white p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-2xl">Too thick, too thin?</h2>
        <Taps
          label="How it is judged"
          size="work"
          value={way}
          onChange={(w) => w !== '' && setWay(w)}
          options={[
            { value: 'look', label: 'by what is seen' },
            { value: 'pour', label: 'by a test pour' },
          ]}
        />
      </div>
      {way === 'look' ? (
        <ul className="grid grid-cols-2 gap-2 sm:grid-cols-5" aria-label="How it pours">
          {THICKNESSES.map((t) => (
            <li key={t}>
              <Press
                aria-pressed={pour === t}
                onClick={() => setPour(pour === t ? null : t)}
                className={`hold flex h-full w-full flex-col items-center gap-1 p-2 text-center text-rim hover:bg-wash ${pour === t ? '!border-[4px]' : ''}`}
              >
                <PourDrawing pour={t} className="h-20 w-full" />
                <span className={`leading-tight text-ink ${pour === t ? 'font-bold' : ''}`}>{POUR_WORDS[t]}</span>
                {school.pour.includes(t) ? <span className="text-sm font-semibold text-herb">as wanted</span> : null}
              </Press>
            </li>
          ))}
        </ul>
      ) : (
        <div className="flex flex-wrap items-start gap-4">
          <Field
            label="Poured"
            unit="ml"
            inputMode="decimal"
            value={ml}
            onChange={(e) => setMl(e.target.value)}
            className="w-32"
            inputClass="!min-h-14 text-xl font-semibold"
          />
          {POURS.map((pour, n) => (
            <Field
              key={pour}
              label={`Across, pour ${pour}`}
              unit="cm"
              inputMode="decimal"
              value={across[n] ?? ''}
              onChange={(e) => setAcross(across.map((x, k) => (k === n ? e.target.value.slice(0, 8) : x)))}
              className="w-36"
              inputClass="!min-h-14 text-xl font-semibold"
            />
          ))}
          <p className="max-w-72 self-center text-sm text-soft">
            A tenth in the width is a factor of two and a half in thickness: measure three, poured on a level plate or
            griddle.
          </p>
        </div>
      )}
      <Field
        label="Batter in the bowl now"
        unit="g"
        inputMode="decimal"
        placeholder={String(inBowl)}
        value={bowl}
        onChange={(e) => setBowl(e.target.value.slice(0, 10))}
        error={wrong ? `Grams, at least ${LEAST_BOWL_G}.` : undefined}
        hint={pouredG > 0 ? 'What the taps at the griddle have left in it.' : 'Less, where some is poured already.'}
        className="w-56"
        inputClass="!min-h-14 text-xl font-semibold placeholder:text-ink"
      />
      {paS === null || want === null ? (
        <p className="text-soft">{way === 'look' ? 'Tap how it leaves the ladle.' : 'Pour, and measure across.'}</p>
      ) : c === null ? (
        <p className="text-xl font-semibold text-herb">
          ✓ {seen?.by === 'pour' ? `It ${POUR_WORDS[thicknessClass(paS)]}: ` : ''}near enough to {POUR_NOUNS[want]}.
          Leave it.
        </p>
      ) : (
        <div className="grid gap-2" role="status">
          <p className="text-xl">
            It {POUR_WORDS[thicknessClass(paS)]}; {kind.pieces} want {POUR_NOUNS[want]}.{' '}
            {c.short ? 'More than a bowl takes; this goes part of the way: about' : 'About'}{' '}
            <strong>{whole?.measure}</strong> of {kitchenName(c.ingredient).toLowerCase()} in all, in steps.
          </p>
          <p className="text-[56px] leading-none font-bold">
            {first?.measure}
            <span className="text-2xl font-normal text-soft">
              {' '}
              of {kitchenName(c.ingredient).toLowerCase()} first, then look again
            </span>
          </p>
          <div className="flex flex-wrap items-center gap-3">
            <Button look="now" size="work" className="min-h-16 text-xl" onClick={() => first && stir(first.grams)}>
              {first?.measure} is in
            </Button>
            {c.steps.length > 1 ? (
              <Button size="work" onClick={() => whole && stir(whole.grams)}>
                All {whole?.measure} is in
              </Button>
            ) : null}
          </div>
          <Form
            className="flex flex-wrap items-end gap-3"
            act={() => {
              if (said?.ok) stir(said.value);
            }}
          >
            <Field
              label={`Or I put in, of ${kitchenName(c.ingredient).toLowerCase()}`}
              placeholder="2 spoonfuls"
              value={own}
              onChange={(e) => setOwn(e.target.value.slice(0, 40))}
              error={said && !said.ok ? `That is no amount here: ${said.error}` : undefined}
              hint={
                said?.ok
                  ? `= ${grams(said.value)}${/\bspoon/i.test(own) ? ', a spoonful taken as a level tablespoon' : ''}`
                  : ''
              }
              className="w-72"
              inputClass="!min-h-14 text-xl"
            />
            <Button type="submit" size="work" disabled={!said?.ok}>
              Note it
            </Button>
          </Form>
          {out.length > 0 ? (
            <Notice weight="look">
              By the card’s amounts that leads out of the usual{' '}
              {out.map((r) => RAIL_NAMES[r].toLowerCase()).join(' and ')}: a cup that was mis-measured is likelier. Look
              at what went in before it is thinned or thickened so far.
            </Notice>
          ) : null}
          {lever ? (
            <p>
              So much flour thins out the leavening: {asTaken(lever.ingredient, lever.grams, measured).measure} more of{' '}
              {kitchenName(lever.ingredient).toLowerCase()} whisked into it keeps it as it was.
            </p>
          ) : null}
          <p className="text-soft">
            {changes.length > 0 ? `With all of it: ${changes.join(', ')}. ` : ''}
            {c.towards === 'thicker'
              ? 'Sprinkled over, a few turns, five minutes before the next look.'
              : 'A few turns, no more.'}{' '}
            An estimate: the bowl has the last word.
          </p>
        </div>
      )}
      {done.length > 0 ? (
        <ul aria-label="Stirred in">
          {done.map((e) => {
            const what = findIngredient(e.act.ingredientId) ?? find(e.act.ingredientId);
            return (
              <li key={e.id} className="flex flex-wrap items-center gap-3 border-t border-line py-1">
                <span className="text-lg">
                  {time.ofDay(e.at)}:{' '}
                  <strong>{what ? asTaken(what, e.act.grams, measured).measure : grams(e.act.grams)}</strong> of{' '}
                  {what ? kitchenName(what).toLowerCase() : e.act.ingredientId}, as it {e.act.seen}
                </span>
                <Button className="min-h-11" onClick={() => log.tell({ do: 'strike', entryId: e.id })}>
                  It is not in
                </Button>
              </li>
            );
          })}
        </ul>
      ) : null}
    </section>
  );
}
