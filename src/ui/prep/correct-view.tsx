'use client';
import { useState } from 'react';
import { entriesOf } from '@/core/batch/acts';
import type { Batch } from '@/core/batch/batch';
import { asTaken, type MeasuredWith } from '@/core/batch/taken';
import { thicknessClass } from '@/core/batter/thickness';
import { kindById, POUR_NOUNS, POUR_WORDS, RAIL_NAMES, schoolOf, THICKNESSES } from '@/core/formula/kinds';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';
import { PourDrawing } from '../drawings/pour';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Press } from '../kit/press';
import { useTime } from '../kit/time';
import type { OpenEventLog } from '../live/use-event-log';
import {
  type BowlAtHand,
  type BowlCorrection,
  type BowlFacts,
  type BowlTyped,
  bowlAtHand,
  LEAST_BOWL_G,
  NOTHING_POURED,
  seenWords,
} from './correct.state';

const POURS = [1, 2, 3] as const;

type Props = BowlFacts & {
  readonly batch: Batch;
  readonly mix: number;
  readonly log: OpenEventLog;
};

/** Too thick, too thin: by what is seen or by a measured test pour, how much goes in, in steps, each noted. */
export function CorrectView(props: Props) {
  const { batch, mix, measured, pouredG, log, find } = props;
  const time = useTime();
  const school = schoolOf(kindById(batch.kind), batch.school);
  const [typed, setTyped] = useState<BowlTyped>({
    way: 'look',
    pour: null,
    ml: String(batch.portionMl ?? 60),
    across: NOTHING_POURED,
    bowl: '',
    own: '',
  });
  const set = (part: Partial<BowlTyped>): void => setTyped((t) => ({ ...t, ...part }));
  const at = bowlAtHand(typed, props);
  const done = entriesOf(log.entries, 'corrected').filter((e) => e.act.mix === mix);
  const stir = (g: number): void => {
    if (!at.now || !at.seen) return;
    log.enter({
      what: 'corrected',
      mix,
      ingredientId: at.now.c.ingredient.id,
      grams: g,
      bowlG: at.bowlG,
      seen: seenWords(at.seen, POUR_WORDS),
    });
    set({ pour: null, own: '', across: NOTHING_POURED });
  };
  return (
    <section aria-label="Too thick or too thin" className="grid gap-3 rounded-plate bg-white p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-2xl">Too thick, too thin?</h2>
        <Taps
          label="How it is judged"
          size="work"
          value={typed.way}
          onChange={(way) => way !== '' && set({ way })}
          options={[
            { value: 'look', label: 'by what is seen' },
            { value: 'pour', label: 'by a test pour' },
          ]}
        />
      </div>
      {typed.way === 'look' ? (
        <ul className="grid grid-cols-2 gap-2 sm:grid-cols-5" aria-label="How it pours">
          {THICKNESSES.map((t) => (
            <li key={t}>
              <Press
                aria-pressed={typed.pour === t}
                onClick={() => set({ pour: typed.pour === t ? null : t })}
                className={`hold flex h-full w-full flex-col items-center gap-1 p-2 text-center text-rim hover:bg-wash ${typed.pour === t ? '!border-[4px]' : ''}`}
              >
                <PourDrawing pour={t} className="h-20 w-full" />
                <span className={`leading-tight text-ink ${typed.pour === t ? 'font-bold' : ''}`}>{POUR_WORDS[t]}</span>
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
            value={typed.ml}
            onChange={(e) => set({ ml: e.target.value })}
            className="w-32"
            inputClass="!min-h-14 text-xl font-semibold"
          />
          {POURS.map((pour, n) => (
            <Field
              key={pour}
              label={`Across, pour ${pour}`}
              unit="cm"
              inputMode="decimal"
              value={typed.across[n] ?? ''}
              maxLength={8}
              onChange={(e) => set({ across: typed.across.map((x, k) => (k === n ? e.target.value : x)) })}
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
        placeholder={String(at.inBowl)}
        maxLength={10}
        value={typed.bowl}
        onChange={(e) => set({ bowl: e.target.value })}
        error={at.wrong ? `Grams, at least ${LEAST_BOWL_G}.` : undefined}
        hint={pouredG > 0 ? 'What the taps at the griddle have left in it.' : 'Less, where some is poured already.'}
        className="w-56"
        inputClass="!min-h-14 text-xl font-semibold placeholder:text-ink"
      />
      {at.paS === null || at.want === null ? (
        <p className="text-soft">
          {typed.way === 'look' ? 'Tap how it leaves the ladle.' : 'Pour, and measure across.'}
        </p>
      ) : at.now === null ? (
        <p className="text-xl font-semibold text-herb">
          ✓ {at.seen?.by === 'pour' ? `It ${POUR_WORDS[thicknessClass(at.paS)]}: ` : ''}near enough to{' '}
          {POUR_NOUNS[at.want]}. Leave it.
        </p>
      ) : (
        <GoesIn
          now={at.now}
          paS={at.paS}
          want={at.want}
          kind={batch.kind}
          measured={measured}
          own={typed.own}
          onOwn={(own) => set({ own })}
          onStir={stir}
        />
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
                  I didn’t add it
                </Button>
              </li>
            );
          })}
        </ul>
      ) : null}
    </section>
  );
}

/** What goes in now, how much of it in all, and what it does to the rest. */
function GoesIn({
  now: { c, first, whole, said, changes, out, lever },
  paS,
  want,
  kind,
  measured,
  own,
  onOwn,
  onStir,
}: {
  readonly now: BowlCorrection;
  readonly paS: number;
  readonly want: NonNullable<BowlAtHand['want']>;
  readonly kind: Batch['kind'];
  readonly measured: MeasuredWith;
  readonly own: string;
  readonly onOwn: (text: string) => void;
  readonly onStir: (g: number) => void;
}) {
  return (
    <div className="grid gap-2" role="status">
      <p className="text-xl">
        It {POUR_WORDS[thicknessClass(paS)]}; {kindById(kind).pieces} want {POUR_NOUNS[want]}.{' '}
        {c.short ? 'More than a bowl takes; this goes part of the way: about' : 'About'}{' '}
        <strong>{whole.measure}</strong> of {kitchenName(c.ingredient).toLowerCase()} in all, in steps.
      </p>
      <p className="text-[56px] leading-none font-bold">
        {first.measure}
        <span className="text-2xl font-normal text-soft">
          {' '}
          of {kitchenName(c.ingredient).toLowerCase()} first, then look again
        </span>
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Button look="now" size="work" className="min-h-16 text-xl" onClick={() => onStir(first.grams)}>
          {first.measure} is in
        </Button>
        {c.steps.length > 1 ? (
          <Button size="work" onClick={() => onStir(whole.grams)}>
            All {whole.measure} is in
          </Button>
        ) : null}
      </div>
      <Form
        className="flex flex-wrap items-end gap-3"
        act={() => {
          if (said?.ok) onStir(said.value);
        }}
      >
        <Field
          label={`Or I put in, of ${kitchenName(c.ingredient).toLowerCase()}`}
          placeholder="2 spoonfuls"
          value={own}
          maxLength={40}
          onChange={(e) => onOwn(e.target.value)}
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
          By the card’s amounts that leads out of the usual {out.map((r) => RAIL_NAMES[r].toLowerCase()).join(' and ')}:
          a cup that was mis-measured is likelier. Look at what went in before it is thinned or thickened so far.
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
  );
}
