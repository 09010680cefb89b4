import Fraction from 'fraction.js';
import { type Means, wholeEggBatches } from '@/core/batch/driver';
import type { Drift } from '@/core/batch/scale';
import { writeNumber } from '@/core/quantity/number';
import { grams, millilitres, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import type { InKitchen } from './use-kitchen';

const quarters = (x: number): string => writeNumber(new Fraction(Math.round(4 * x), 4));

/** What the batch comes to, by every other driver. */
export function MeansView({
  means: m,
  units,
  pieces,
  guestsEach,
}: {
  readonly means: Means;
  readonly units: Units;
  readonly pieces: string;
  readonly guestsEach: number;
}) {
  const said = [
    `${m.factor.toFixed(m.factor < 10 ? 2 : 1)} times the card`,
    ...(m.pieces !== null ? [`${m.pieces} ${pieces}`] : []),
    ...(m.pieces !== null && guestsEach > 0 && m.pieces >= guestsEach ? [`${Math.floor(m.pieces / guestsEach)} guests at ${guestsEach} each`] : []),
    `${grams(m.flourG, units)} of flour`,
    `${grams(m.massG, units)} or ${millilitres(m.volumeMl)} of batter`,
    ...(m.eggs > 0.2 ? [`${quarters(m.eggs)} eggs`] : []),
  ];
  return <p className="text-[15px]">{said.join('; ')}.</p>;
}

const DRIFT_NAMES: readonly (readonly [keyof Drift, string])[] = [
  ['liquid', 'liquid'],
  ['water', 'water'],
  ['egg', 'egg'],
  ['fat', 'fat'],
  ['sugar', 'sugar'],
  ['salt', 'salt'],
  ['co2', 'lift'],
];

/** What rounding costs against the exact formula, in percent of flour. @param all every ratio, not the three that move most */
export function Drifted({
  drift,
  restMl,
  all,
  counted,
}: {
  readonly drift: Drift;
  readonly restMl: number | null;
  readonly all: boolean;
  readonly counted: boolean;
}) {
  const moved = DRIFT_NAMES.filter(([k]) => (all || k !== 'liquid') && Math.abs(drift[k]) >= 0.01)
    .sort((a, b) => Math.abs(drift[b[0]]) - Math.abs(drift[a[0]]))
    .slice(0, all ? DRIFT_NAMES.length : 3);
  const sign = (x: number): string => `${x > 0 ? '+' : '−'}${Math.abs(x).toFixed(2)}`;
  return (
    <p className="text-[15px]">
      {moved.length === 0
        ? 'Nothing is lost to rounding.'
        : `Rounding moves ${moved.map(([k, name]) => `${name} ${sign(drift[k])}${k === 'co2' ? ' g' : ' %'}`).join(', ')} of the flour.`}
      {!counted && restMl !== null && restMl > 1 ? ` ${millilitres(restMl)} is left for a part-load.` : ''}
    </p>
  );
}

/** So much more or less batter than asked is told, as a share. */
const SIZE_TOLD = 0.005;
/** More than this of anything by the cup is better weighed. */
const MANY_CUPS_ML = 2900;

/** How the measures were chosen, and what whole eggs would make of the batch. */
export function KitchenWords({
  kitchen,
  asked,
  means,
  massG,
  units,
  onFactor,
}: {
  readonly kitchen: InKitchen | 'failed' | null;
  readonly asked: boolean;
  readonly means: Means | null;
  /** What the batter weighs as it is taken, g; null while that is not known. */
  readonly massG: number | null;
  readonly units: Units;
  readonly onFactor: (factor: number) => void;
}) {
  if (!asked) return null;
  if (kitchen === 'failed')
    return (
      <Notice weight="stop" role="alert">
        The measures could not be worked out here. Choose whole grams, or try again.
      </Notice>
    );
  if (!kitchen)
    return (
      <p role="status" className="text-soft">
        Looking through the drawer …
      </p>
    );
  const off = means && massG !== null ? massG - means.massG : 0;
  const whole = means ? wholeEggBatches(means) : [];
  return (
    <div className="grid gap-2 text-[15px]" role="status">
      <p className="text-soft">
        Chosen together from your drawer, so that leavening and salt drift least, then liquid
        {kitchen.plainDrift - kitchen.drift > 0.05
          ? `: ${Math.round(100 * (1 - kitchen.drift / kitchen.plainDrift))} % less drift than rounding each line by itself`
          : ''}
        .
      </p>
      {means && Math.abs(off) >= SIZE_TOLD * means.massG ? (
        <p>
          It comes to {grams(Math.abs(off), units)} {off < 0 ? 'less' : 'more'} batter than asked ({((100 * Math.abs(off)) / means.massG).toFixed(1)} %).
        </p>
      ) : null}
      {whole.length > 0 ? (
        <div className="flex flex-wrap items-center gap-2">
          <span className="text-soft">In whole eggs it would be</span>
          {whole.map((w) => (
            <Button key={w.eggs} onClick={() => onFactor(w.factor)}>
              {w.eggs} {w.eggs === 1 ? 'egg' : 'eggs'} <span className="font-normal">{w.factor.toFixed(2)} times</span>
            </Button>
          ))}
        </div>
      ) : null}
      {means && means.volumeMl > MANY_CUPS_ML ? <p>That is many cups: a scale is quicker, and counts no scoop twice.</p> : null}
    </div>
  );
}
