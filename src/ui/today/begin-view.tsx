/** A sentence as it was understood, each part with its choices, and the one thing that is asked next. */
import { X } from 'lucide-react';
import { type Apart, wavesOf } from '@/core/begin/offers';
import { type Begin, mentionKey } from '@/core/begin/sentence';
import { type KindId, kindById } from '@/core/formula/kinds';
import { clockOf } from '@/core/morning/morning';
import type { Gear } from '@/core/pantry/gear';
import { type Allergen, allergenName } from '@/core/pantry/ingredient';
import type { Dating } from '@/core/quantity/day';
import { KindDrawing } from '../drawings/kind';
import { lookOf } from '../kit/button';
import { Field } from '../kit/field';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';
import { type BeginAddress, hrefTo, WAVES_DROPPED } from './begin.state';
import { NoteSize } from './note-size';
import { OwnBowl, type OwnBowlProps } from './own-bowl';

interface Offer {
  readonly id: string;
  readonly name: string;
  readonly kind: KindId;
  readonly href: string;
  readonly note: string;
}

interface Props {
  /** The address, by its parts. */
  readonly a: BeginAddress;
  readonly b: Begin;
  readonly errors: Readonly<Partial<Record<'people' | 'each' | 'day' | 'time', string>>>;
  readonly days: readonly { readonly value: string; readonly label: string }[];
  readonly gear: readonly Gear[];
  readonly unread: readonly string[];
  readonly clock: Dating['clock'];
  readonly asks: 'people' | 'when' | 'formula' | 'other';
  readonly apart: Apart | null;
  /** What some or all of them do without. */
  readonly without: readonly Allergen[];
  /** A bowl of the chosen formula without it. */
  readonly made: OwnBowlProps | null;
  /** The formula that most get, by its name; and the way to plan it for everybody. */
  readonly of: string;
  readonly planAll: string;
  readonly offers: readonly Offer[];
  readonly others: readonly Offer[];
}

const names = (of: readonly Allergen[]): string => of.map(allergenName).join(', ');

/** What stays as it is while a form changes a part of it. */
const Rest = ({ a, besides }: { readonly a: Props['a']; readonly besides: readonly string[] }) =>
  Object.entries(a).map(([k, v]) =>
    besides.includes(k) || v === '' ? null : <input key={k} type="hidden" name={k} value={v} />,
  );

/** Something that was understood, and can be taken away again. */
const Word = ({
  children,
  href,
  away,
}: {
  readonly children: string;
  readonly href: string;
  readonly away: string;
}) => (
  <Link
    href={href}
    aria-label={`${children}: ${away}`}
    className="inline-flex min-h-11 items-center gap-2 rounded-full bg-wash px-4 font-semibold text-rim"
  >
    {children}
    <X size={16} aria-hidden />
  </Link>
);

/** What else the same words may mean: a tap takes it. */
function orWords({ a, b, days }: Props): readonly { readonly words: string; readonly part: Partial<BeginAddress> }[] {
  const day = days.find((d) => d.value === b.orDay)?.label;
  return [
    ...(day && a.day === '' ? [{ words: `or ${day}`, part: { day: b.orDay ?? '' } }] : []),
    ...(b.orTime && a.time === '' ? [{ words: `or ${b.orTime}`, part: { time: b.orTime } }] : []),
  ];
}

export function BeginView(p: Props) {
  const { a, b, errors, asks } = p;
  // what is missing stands before what is understood
  const isMissing = asks === 'people' || asks === 'when';
  return (
    <div className="grid gap-5">
      {isMissing ? <Ask {...p} /> : null}
      <section aria-label="Understood" className="grid gap-3 rounded-plate bg-white p-4">
        <h2 className="text-xl">Understood</h2>
        <form action="/begin" method="get" className="flex flex-wrap items-start gap-3">
          <Rest a={a} besides={['people', 'each', 'day', 'time']} />
          <Field
            label={b.people === null && b.pieces !== null ? 'People (pieces are counted)' : 'People'}
            name="people"
            inputMode="numeric"
            defaultValue={a.people || (b.people ?? '')}
            error={errors.people}
            className="w-28"
          />
          <Field
            label="Pieces for each"
            name="each"
            inputMode="numeric"
            defaultValue={a.each || (b.each ?? '')}
            error={errors.each}
            className="w-36"
          />
          <div className="flex flex-col gap-1">
            <label htmlFor="begin-day" className="text-sm font-semibold text-soft">
              Day
            </label>
            <select
              id="begin-day"
              name="day"
              defaultValue={b.day ?? ''}
              className={`hold min-h-11 px-3 ${errors.day ? '!border-berry' : ''}`}
            >
              <option value="">not said</option>
              {p.days.map((d) => (
                <option key={d.value} value={d.value}>
                  {d.label}
                </option>
              ))}
            </select>
            {errors.day ? (
              <p role="alert" className="text-sm font-semibold text-berry">
                {errors.day}
              </p>
            ) : null}
          </div>
          <Field
            label="Ready at"
            name="time"
            defaultValue={a.time || (b.time ?? '')}
            error={errors.time}
            className="w-28"
          />
          <button type="submit" className={`${lookOf('plain')} mt-6`}>
            Change it
          </button>
        </form>
        <div className="flex flex-wrap items-center gap-2">
          {orWords(p).map((o) => (
            <Link
              key={o.words}
              href={hrefTo('/begin', a, o.part)}
              className="inline-flex min-h-11 items-center px-2 font-semibold text-rim underline"
            >
              {o.words}
            </Link>
          ))}
          {b.pieces === null ? null : <span className="font-semibold">{b.pieces} pieces in all</span>}
          {b.waves.length === 0 ? null : (
            <Word href={hrefTo('/begin', a, { drop: `${a.drop} ${WAVES_DROPPED}`.trim() })} away="all at once">
              {wavesOf(b, b.people ?? b.waves.length)
                .map((w) => `${b.people === null ? '' : `${w.covers} `}at ${clockOf(w.at, p.clock)}`)
                .join(', then ')}
            </Word>
          )}
          {b.without.map((w) => (
            <Word
              key={mentionKey(w)}
              href={hrefTo('/begin', a, { drop: `${a.drop} ${mentionKey(w)}`.trim(), of: '', other: '' })}
              away="not so"
            >
              {`${w.guests === null ? 'all' : w.guests} without ${w.allergens.map(allergenName).join(', ')}`}
            </Word>
          ))}
          {p.gear.map((g) => (
            <Word key={g.id} href={hrefTo('/begin', a, { off: `${a.off} ${g.id}`.trim() })} away="not on it">
              {`on ${g.name}`}
            </Word>
          ))}
          {b.kind ? <span className="text-soft">{kindById(b.kind).pieces}</span> : null}
        </div>
        {b.sized ? (
          <p>
            Nothing of {Math.round(b.sized.wideCm)}
            {b.sized.deepCm === null ? '' : ` by ${Math.round(b.sized.deepCm)}`} cm is noted here.{' '}
            <NoteSize of={b.sized} /> Or go on with what there is.
          </p>
        ) : null}
        {p.unread.length > 0 ? (
          <p>
            Not understood: <strong>{p.unread.join(', ')}</strong>
          </p>
        ) : null}
      </section>
      {isMissing ? null : <Ask {...p} />}
      {isMissing ? null : (
        <p className="text-soft">
          Nothing is kept or begun yet: the plan opens with this filled in. What everybody may eat is the cook’s to
          check, on the packets and with who asks.
        </p>
      )}
    </div>
  );
}

/** The one thing that is asked. */
function Ask({ a, b, asks, apart, without, made, of, planAll, offers, others }: Props) {
  if (asks === 'people')
    return (
      <form action="/begin" method="get" className="grid justify-items-start gap-2">
        <Rest a={a} besides={['people']} />
        <h2 className="text-2xl">How many come?</h2>
        <div className="flex flex-wrap items-end gap-2">
          <Field label="People" name="people" inputMode="numeric" className="w-32" required />
          <button type="submit" className={lookOf('now', 'work')}>
            Go on
          </button>
        </div>
      </form>
    );
  if (asks === 'when')
    return (
      <section aria-label="When" className="grid justify-items-start gap-2">
        <h2 className="text-2xl">When is it to be ready?</h2>
        <p className="text-soft">Say the day and the time above, or later on the plan.</p>
        <Link
          href={hrefTo('/begin', a, { when: 'later', ...(b.time === null ? {} : { time: '' }) })}
          className={lookOf('now', 'work')}
        >
          Say it later
        </Link>
      </section>
    );
  const isOther = asks === 'other';
  const can = made !== null && made.bowl.stays.length === 0;
  const list = isOther ? others : offers;
  const title = !isOther
    ? 'What do they get?'
    : apart
      ? `${of} for most. What ${apart.guests === 1 ? 'does the one' : `do the ${apart.guests}`} without ${names(apart.without)} get?`
      : `${of} without ${names(without)}`;
  return (
    <section aria-labelledby="begin-what" className="grid gap-3">
      <h2 id="begin-what" className="text-2xl [overflow-wrap:anywhere]">
        {title}
      </h2>
      {isOther && can ? <OwnBowl {...made} /> : null}
      {isOther && made && !can ? (
        <p>
          Not as {of}: nothing stands in for {made.bowl.stays.join(', ')} here.
        </p>
      ) : null}
      {isOther && list.length > 0 ? <h3 className="text-lg">Or one that is noted as holding none of it</h3> : null}
      {list.length === 0 && !(isOther && can) ? (
        <Notice weight="look">
          {isOther
            ? 'No formula here is noted as holding none of that.'
            : 'No formula here is made on that, or there is none yet.'}
        </Notice>
      ) : (
        <ul className="grid gap-2 md:grid-cols-2">
          {list.map((f) => (
            <li key={f.id}>
              <Link
                href={f.href}
                className="flex min-h-16 items-center gap-3 rounded-plate bg-white px-4 py-2 text-lg font-semibold text-rim hover:bg-wash"
              >
                <KindDrawing kind={f.kind} className="size-9 flex-none" />
                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                  {f.name}
                  {f.note ? <span className="block text-sm font-normal text-soft">{f.note}</span> : null}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <ul className="flex flex-wrap gap-x-6">
        {[
          ...(isOther
            ? [
                { href: `/formulas/${a.of}`, words: `Swap by hand, on the Bench of ${of}` },
                { href: planAll, words: `${of} for all as it is: the plan says what it holds` },
              ]
            : []),
          ...(list.length === 0 ? [{ href: '/formulas/new', words: 'Paste a card' }] : []),
          { href: '/', words: 'All formulas' },
        ].map((w) => (
          <li key={w.href}>
            <Link href={w.href} className="inline-flex min-h-11 items-center font-semibold text-rim underline">
              {w.words}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
