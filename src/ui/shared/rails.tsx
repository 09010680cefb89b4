'use client';
import { Lock, LockOpen } from 'lucide-react';
import { Slider } from 'radix-ui';
import type { BenchSight } from '@/core/bench/sight';
import type { Held } from '@/core/formula/formula';
import { RAIL_NAMES, type Rail, type RailReading, railOf, type Zone } from '@/core/formula/kinds';
import { percent } from '@/core/quantity/say';
import { useAwake } from '../kit/awake';
import { Press } from '../kit/press';
import { TypedNumber } from '../kit/typed-number';
import { useScaleless } from '../kit/units';
import { at, MOST_SAID, sayUnit, sayValue, scaleOf, words } from './rail-words';

/** The smallest move of a rail, by an arrow key. Page keys move ten of them. */
const STEP: Readonly<Record<Rail, number>> = { water: 1, egg: 1, fat: 0.5, sugar: 0.5, salt: 0.1, lift: 0.02 };

/** More of the flour than this is a slip of the finger. */
const MOST_WISH = 2000;

/** Far enough apart on the rail to be two marks. */
const apart = (a: number, b: number, zone: Zone): boolean =>
  Math.abs(at(a, scaleOf(zone)) - at(b, scaleOf(zone))) > 0.7;

export interface RailTools {
  /** Asks for a rail to stand somewhere. */
  readonly onWish: (rail: Rail, value: number) => void;
  /** Moves a rail on from where it was last asked to stand: quick keys add up before the answer is there. */
  readonly onNudge: (rail: Rail, by: number, step: number) => void;
  readonly onTake: () => void;
  readonly held: Held;
  readonly onHeld: (held: Held) => void;
}

type Ratios = Pick<BenchSight, 'rails' | 'percent'>;

interface Props extends RailTools {
  /** As the formula stands. */
  readonly now: Ratios;
  /** As a proposal would have it; null when there is none. */
  readonly proposed: Ratios | null;
  readonly saved: Pick<Ratios, 'rails'> | null;
}

/** One rail a ratio: the zone of the kind and school, where this formula stands, and where the saved version stood. */
export function Rails({ now, proposed, saved, ...tools }: Props) {
  const scaleless = useScaleless();
  const shown = proposed ?? now;
  if (shown.rails.length === 0) return <p className="py-4 text-soft">The ratios need a flour line with an amount.</p>;
  const before = (a: Pick<Ratios, 'rails'> | null, r: Rail): number | null =>
    a ? (railOf(a, r)?.tested ?? null) : null;
  const savedMoved = shown.rails.some((r) => {
    const s = before(saved, r.rail);
    const t = proposed ? before(now, r.rail) : null;
    return r.zone && s !== null && apart(s, r.tested, r.zone) && (t === null || apart(s, t, r.zone));
  });
  return (
    <div>
      <ul aria-label="Ratios" className="grid gap-y-0.5">
        {shown.rails.map((r) => (
          <RailRow
            key={r.rail}
            r={r}
            today={proposed ? before(now, r.rail) : null}
            saved={before(saved, r.rail)}
            {...tools}
          />
        ))}
      </ul>
      <p className="mt-0.5 flex flex-wrap gap-x-3 text-[13px] text-soft">
        <span>
          Percent of flour; {scaleless ? 'rise as gas' : 'rise in g of gas per 100 g flour'}.
          {shown.percent
            ? ` Liquid ${percent(shown.percent.liquid)}, sweetness ${percent(shown.percent.sweetness)}.`
            : ''}
        </span>
        {proposed ? (
          <span>
            <i
              className="mr-1 inline-block h-3 w-[5px] rounded-sm border border-rim bg-butter align-[-1px]"
              aria-hidden
            />
            now
          </span>
        ) : null}
        {savedMoved ? (
          <span>
            <i className="mr-1 inline-block h-3 w-2 rounded-sm border-2 border-rim align-[-1px]" aria-hidden />
            saved version
          </span>
        ) : null}
      </p>
    </div>
  );
}

interface RowProps extends RailTools {
  readonly r: RailReading;
  readonly today: number | null;
  readonly saved: number | null;
}

function RailRow({ r, today, saved, onWish, onNudge, onTake, held, onHeld }: RowProps) {
  const scaleless = useScaleless();
  const inRange = r.reading?.standing === 'in';
  const isHeld = held.rails.includes(r.rail);
  return (
    <li
      className="grid items-center gap-x-2 max-sm:grid-cols-[3.4rem_5.4rem_1fr_2.75rem] sm:grid-cols-[3.4rem_5rem_1fr_7.4rem_2.25rem]"
      data-rail={r.rail}
    >
      <span className="font-semibold">{RAIL_NAMES[r.rail]}</span>
      <RailNumber r={r} onWish={onWish} disabled={!r.reading} />
      {r.zone ? (
        <span className="min-w-0 max-sm:order-last max-sm:col-span-4">
          <Track r={r} zone={r.zone} today={today} saved={saved} onWish={onWish} onNudge={onNudge} onTake={onTake} />
        </span>
      ) : (
        <span className="h-9 self-center border-b border-line max-sm:order-last max-sm:col-span-4" aria-hidden />
      )}
      <span className={`text-[13px] leading-tight ${inRange ? 'text-herb' : 'font-semibold text-ink'}`}>
        {inRange ? '✓ ' : ''}
        <span className={inRange ? 'sr-only' : ''}>{words(r)}</span>
        {r.rail === 'lift' && !inRange && r.reading && r.tested < MOST_SAID ? ` ${scaleless ? '%' : 'g'}` : ''}
        {today !== null && sayValue(r.rail, today) !== sayValue(r.rail, r.tested) ? (
          <span className="block font-normal text-soft">now {sayUnit(r.rail, today)}</span>
        ) : null}
      </span>
      <Press
        aria-pressed={isHeld}
        aria-label={`Keep ${RAIL_NAMES[r.rail].toLowerCase()}`}
        title={isHeld ? 'Kept: other ratios leave it where it is' : 'Keep it where it is'}
        onClick={() =>
          onHeld({ ...held, rails: isHeld ? held.rails.filter((x) => x !== r.rail) : [...held.rails, r.rail] })
        }
        className={`when-near grid size-9 max-sm:size-11 place-items-center rounded-hold ${isHeld ? 'bg-rim text-white' : 'text-rim hover:bg-wash'}`}
      >
        {isHeld ? <Lock size={16} aria-hidden /> : <LockOpen size={16} aria-hidden />}
      </Press>
      {r.shift ? (
        <p className="-mt-0.5 mb-1 text-[13px] max-sm:order-last max-sm:col-span-4 sm:col-span-3 sm:col-start-3 leading-tight text-soft">
          {r.shift}
        </p>
      ) : null}
    </li>
  );
}

/** The number of a rail, to be typed over. */
function RailNumber({
  r,
  onWish,
  disabled,
}: {
  readonly r: RailReading;
  readonly onWish: RailTools['onWish'];
  readonly disabled: boolean;
}) {
  const scaleless = useScaleless();
  return (
    <span className="flex items-baseline justify-end gap-1">
      <TypedNumber
        label={`${RAIL_NAMES[r.rail]}, ${r.rail === 'lift' && !scaleless ? 'g of gas per 100 g flour' : 'percent of flour'}`}
        value={sayValue(r.rail, r.tested)}
        wrong={(x) => (x < 0 || x > MOST_WISH ? `A number from 0 to ${MOST_WISH}.` : null)}
        onCommit={(x) => onWish(r.rail, x)}
        disabled={disabled}
        className="h-9 rounded-b-none border-b border-transparent border-b-edge bg-transparent text-[19px] font-bold hover:border-line"
      />
      <strong className="w-4 shrink-0 text-[15px]">{r.rail === 'lift' && !scaleless ? 'g' : '%'}</strong>
    </span>
  );
}

interface TrackProps {
  readonly r: RailReading;
  readonly zone: Zone;
  readonly today: number | null;
  readonly saved: number | null;
  readonly onWish: RailTools['onWish'];
  readonly onNudge: RailTools['onNudge'];
  readonly onTake: () => void;
}

/**
 * The bar of a rail with its zone, hatched at both ends. @param left where the zone begins, percent of the bar; `right`
 * where it ends
 */
export const ZonedRail = ({ left, right }: { readonly left: number; readonly right: number }) => (
  <>
    <span className="absolute inset-x-0 top-2 h-3 rounded-full border border-line bg-white" />
    <span
      className="absolute top-2 flex h-3 overflow-hidden border-x-2 border-herb bg-herb-wash"
      style={{ left: `${left}%`, width: `${right - left}%` }}
    >
      <span className="hatch h-full w-2.5" />
      <span className="hatch ml-auto h-full w-2.5" />
    </span>
  </>
);

export const rounded = (x: number, step: number): number => Number((Math.round(x / step) * step).toFixed(3));

function Track({ r, zone, today, saved, onWish, onNudge, onTake }: TrackProps) {
  const awake = useAwake();
  const s = scaleOf(zone);
  const left = at(zone[0], s);
  const right = at(zone[1], s);
  const step = STEP[r.rail];
  const value = Math.min(s.to, Math.max(s.from, r.tested));
  const said = [
    `usual ${sayValue(r.rail, zone[0])} to ${sayUnit(r.rail, zone[1])}`,
    ...(saved !== null && apart(saved, r.tested, zone) ? [`saved version ${sayUnit(r.rail, saved)}`] : []),
  ].join('; ');
  return (
    <Slider.Root
      className="relative flex h-10 touch-none items-start select-none"
      min={s.from}
      max={s.to}
      step={step / 10}
      value={[value]}
      disabled={!awake || !r.reading}
      onValueChange={([v]) => {
        if (v !== undefined) onWish(r.rail, rounded(v, step));
      }}
      onKeyDown={(e) => {
        // the slider's own steps are fine ones; keys go by kitchen steps, and may leave the drawn rail
        const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[e.key];
        if (e.key === 'Enter') onTake();
        else if (by !== undefined) onNudge(r.rail, by * (e.shiftKey && Math.abs(by) === 1 ? 10 : 1) * step, step);
        else if (e.key === 'Home') onWish(r.rail, zone[0]);
        else if (e.key === 'End') onWish(r.rail, zone[1]);
        else return;
        e.preventDefault();
      }}
    >
      <Slider.Track className="absolute inset-x-0 top-0 h-7 cursor-ew-resize">
        <ZonedRail left={left} right={right} />
        {saved !== null && apart(saved, r.tested, zone) && (today === null || apart(saved, today, zone)) ? (
          <span
            className="absolute top-1.5 h-4 w-2 -translate-x-1/2 rounded-sm border-2 border-rim bg-enamel"
            style={{ left: `${at(saved, s)}%` }}
          />
        ) : null}
        {today !== null && apart(today, r.tested, zone) ? (
          <span
            className="absolute top-1 h-5 w-[5px] -translate-x-1/2 rounded-sm border border-rim bg-butter"
            style={{ left: `${at(today, s)}%` }}
          />
        ) : null}
      </Slider.Track>
      <Slider.Thumb
        aria-label={`${RAIL_NAMES[r.rail]}: ${said}`}
        aria-valuetext={`${sayUnit(r.rail, r.tested)}, ${words(r)}`}
        // hair thin, so that its middle stands exactly on the value; what is taken hold of is the plate around it
        className="group relative block h-7 w-px outline-none"
      >
        <span className="absolute top-0 -left-4 h-7 w-8 cursor-ew-resize rounded-md group-focus-visible:outline-3 group-focus-visible:outline-rim" />
        <span
          className={`pointer-events-none absolute top-0.5 h-6 w-[9px] -translate-x-1/2 rounded-[3px] border-2 border-white ${r.reading ? 'bg-rim' : 'bg-soft'}`}
        />
      </Slider.Thumb>
      <span
        className="pointer-events-none absolute top-[27px] -translate-x-1/2 text-[11px] leading-none text-soft"
        style={{ left: `${left}%` }}
      >
        {sayValue(r.rail, zone[0])}
      </span>
      <span
        className="pointer-events-none absolute top-[27px] -translate-x-1/2 text-[11px] leading-none text-soft"
        style={{ left: `${right}%` }}
      >
        {sayValue(r.rail, zone[1])}
      </span>
    </Slider.Root>
  );
}
