'use client';
import { type Life, type Mixes, MOST_MIXES, mixesFor, type Pace } from '@/core/batch/mixes';
import type { Split } from '@/core/batch/split';
import type { Bowl } from '@/core/pantry/gear';
import { counted, grams, millilitres, type Units } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { wavesWords } from './about';
import { wrong } from './plan.state';

/** What is typed over what was worked out; null: as worked out. */
export interface SplitTyped {
  readonly by: Split['by'];
  readonly mixes: string | null;
  readonly life: string | null;
  readonly pace: string | null;
  readonly benches: string;
  readonly classes: string;
}

export const FRESH_SPLIT: SplitTyped = { by: 'one', mixes: null, life: null, pace: null, benches: '4', classes: '1' };

export interface SplitAsked {
  readonly massG: number;
  readonly volumeMl: number;
  readonly pieces: number | null;
  readonly life: Life;
  readonly pace: Pace | null;
  readonly bowls: readonly Bowl[];
}

interface ReadSplit {
  /** Null while a number is wrong. */
  readonly split: Split | null;
  /** What it would be in bowls, whether it is or not. */
  readonly mixes: Mixes;
  readonly lifeMin: number | null;
  readonly errors: Readonly<Record<string, string>>;
}

/** The split that is typed, for a batch of that size. */
export function readSplit(t: SplitTyped, q: SplitAsked): ReadSplit {
  const errors: Record<string, string> = {};
  const check = (path: string, text: string, label: string, most: number, whole: boolean): number => {
    const why = wrong(text, label, most, whole);
    if (why) errors[path] = why;
    return typedNumber(text, '');
  };
  const lifeMin = t.life === null ? q.life.min : check('split.lifeMin', t.life, 'Minutes', 2880, false);
  const perMin =
    t.pace === null ? (q.pace?.perMin ?? null) : check('split.pace', t.pace, 'Pieces a minute', 1000, false);
  const asked = t.mixes === null ? null : check('split.mixes', t.mixes, 'Mixes', MOST_MIXES, true);
  const ok = (n: number | null): number | null => (n !== null && n > 0 ? n : null);
  const mixes = mixesFor({ ...q, perMin: ok(perMin), lifeMin: ok(lifeMin), mixes: ok(asked) });
  if (t.by === 'kits') {
    const benches = check('split.benches', t.benches, 'Benches', MOST_MIXES, true);
    const classes = check('split.classes', t.classes, 'Classes', MOST_MIXES, true);
    if (benches * classes > MOST_MIXES) errors['split.benches'] = `At most ${MOST_MIXES} kits at a time.`;
    return { split: Object.keys(errors).length > 0 ? null : { by: 'kits', benches, classes }, mixes, lifeMin, errors };
  }
  if (t.by === 'one') return { split: { by: 'one' }, mixes, lifeMin, errors: {} };
  const split: Split = {
    by: 'bowls',
    mixes: mixes.mixes,
    atOnce: mixes.atOnce,
    bowl: mixes.bowl?.name ?? null,
    lifeMin,
    apartMin: mixes.apartMin,
  };
  return { split: Object.keys(errors).length > 0 ? null : split, mixes, lifeMin, errors };
}

/** One bowl, several equal mixes, or kits for several cooks. */
export function SplitPart({
  typed: t,
  set,
  asked,
  read,
  units,
  pieces,
}: {
  readonly typed: SplitTyped;
  readonly set: (part: Partial<SplitTyped>) => void;
  readonly asked: SplitAsked;
  readonly read: ReadSplit;
  readonly units: Units;
  readonly pieces: string;
}) {
  const m = read.mixes;
  /** A box that shows what was worked out until something else is typed; emptied, it goes back to that. */
  const own = (
    key: 'mixes' | 'life' | 'pace',
    label: string,
    unit: string,
    workedOut: string,
    path: string,
    hint?: string,
  ) => (
    <Field
      label={label}
      unit={unit}
      inputMode="decimal"
      value={t[key] ?? workedOut}
      onChange={(e) => set({ [key]: e.target.value })}
      onBlur={(e) => e.target.value.trim() === '' && set({ [key]: null })}
      error={read.errors[path]}
      className="min-w-28 flex-1"
      {...(hint ? { hint } : {})}
    />
  );
  const several = m.mixes > 1 && t.by === 'one';
  return (
    <section aria-label="Bowls" className="grid gap-3">
      <Taps
        label="Mixed"
        value={t.by}
        onChange={(by) => by && set({ by })}
        options={[
          { value: 'one', label: 'in one bowl' },
          { value: 'bowls', label: 'in several' },
          { value: 'kits', label: 'kits for several cooks' },
        ]}
      />
      {several ? (
        <Notice weight="look">
          {grams(asked.massG, units)} in one bowl is{' '}
          {asked.bowls.length > 0
            ? 'more than a bowl, an arm or its working life takes'
            : 'more than an arm or its working life takes'}
          : {m.mixes} mixes would do.
        </Notice>
      ) : null}
      {t.by === 'bowls' ? (
        <>
          <div className="flex flex-wrap gap-3">
            {own('mixes', 'Equal mixes', '', String(m.mixes), 'split.mixes')}
            {own(
              'life',
              'Good for',
              'min',
              read.lifeMin === null ? '' : String(Math.round(read.lifeMin)),
              'split.lifeMin',
            )}
            {own('pace', 'Off the heat', '/min', asked.pace ? asked.pace.perMin.toFixed(1) : '', 'split.pace')}
          </div>
          <p className="text-[15px]">
            <strong>
              {m.mixes} {m.mixes === 1 ? 'mix' : 'mixes'} of {grams(m.massG, units)}
            </strong>{' '}
            ({millilitres(m.volumeMl)}){m.pieces === null ? '' : `, ${counted(Math.round(m.pieces), pieces)} each`}
            {m.bowl ? `, each in a bowl of ${millilitres(m.bowl.bowlMl)} or more` : ''}
            {read.split?.by === 'bowls' && wavesWords(read.split) ? `; ${wavesWords(read.split)}` : ''}.
          </p>
          {m.doubts.map((d) => (
            <Notice key={d} weight="look">
              {d}
            </Notice>
          ))}
          <p className="text-sm text-soft">
            {t.life === null
              ? `${asked.life.min === null ? 'It may stand' : `${asked.life.min} minutes from combining to the last pour`}: ${asked.life.why}. `
              : ''}
            {t.pace === null && asked.pace ? `${asked.pace.why}. ` : ''}
            {t.pace === null && !asked.pace
              ? 'Nothing in the house’s gear says how fast pieces come off: write it, and waves are timed. '
              : ''}
            {asked.bowls.length === 0 ? 'No mixing bowls are noted under House. ' : ''}
            Defaults of ours: type over what your kitchen knows better.
          </p>
        </>
      ) : null}
      {t.by === 'kits' ? (
        <>
          <div className="flex gap-3">
            <Field
              label="Benches"
              inputMode="numeric"
              value={t.benches}
              onChange={(e) => set({ benches: e.target.value })}
              error={read.errors['split.benches']}
              className="flex-1"
            />
            <Field
              label="Classes"
              inputMode="numeric"
              value={t.classes}
              onChange={(e) => set({ classes: e.target.value })}
              error={read.errors['split.classes']}
              className="flex-1"
            />
          </div>
          <p className="text-sm text-soft">
            Each bench makes what is asked above, from a dry bag and a wet tub of its own. The tub is kept covered and
            cold, stirred again, and combined with the bag only when it is used.
          </p>
        </>
      ) : null}
    </section>
  );
}
