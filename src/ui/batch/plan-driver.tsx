'use client';
import type { AccountLine } from '@/core/batch/account';
import type { Driver } from '@/core/batch/driver';
import type { PortionOffer } from '@/core/batch/portions';
import type { Gear } from '@/core/pantry/gear';
import { piecesAtOnce, portionFor } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import { OZ_G, type Units } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { Switch } from '../kit/switch';
import { PortionMore } from './portion-more';

export type By = Driver['by'];

const DRIVERS: readonly { readonly value: By; readonly label: string }[] = [
  { value: 'pieces', label: 'so many pieces' },
  { value: 'guests', label: 'for so many guests' },
  { value: 'flour', label: 'so much flour' },
  { value: 'mass', label: 'so much batter' },
  { value: 'vessel', label: 'a bowl full' },
  { value: 'pans', label: 'so many pans, irons or fillings' },
  { value: 'eggs', label: 'so many eggs' },
  { value: 'ingredient', label: 'all there is of one thing' },
  { value: 'factor', label: 'so many times the card' },
];

/** What is typed, as it stands in the boxes. */
export interface PlanTyped {
  readonly by: By;
  readonly amount: string;
  readonly portion: string;
  readonly each: string;
  readonly seconds: string;
  readonly testPiece: boolean;
  readonly head: string;
  readonly gear: string;
  readonly piecesEach: string;
  readonly ingredientId: string;
}

interface Ask {
  readonly label: string;
  readonly unit: string;
  readonly path: string;
  readonly most: number;
  readonly whole?: true;
}

/** The one number that each driver is about. */
const ASKS: Readonly<Record<By, Ask>> = {
  pieces: { label: 'Pieces', unit: '', path: 'driver.pieces', most: 100_000, whole: true },
  guests: { label: 'Guests', unit: '', path: 'driver.guests', most: 100_000, whole: true },
  flour: { label: 'Flour', unit: 'g', path: 'driver.grams', most: 1_000_000 },
  mass: { label: 'Batter in the bowl', unit: 'g', path: 'driver.grams', most: 1_000_000 },
  vessel: { label: 'The bowl holds', unit: 'ml', path: 'driver.ml', most: 1_000_000 },
  pans: { label: 'Fillings', unit: '', path: 'driver.fillings', most: 10_000, whole: true },
  eggs: { label: 'Whole eggs', unit: '', path: 'driver.eggs', most: 20_000 },
  ingredient: { label: 'There is', unit: 'g', path: 'driver.grams', most: 1_000_000 },
  factor: { label: 'Times', unit: 'x', path: 'driver.factor', most: 10_000 },
};
const WEIGHED: readonly By[] = ['flour', 'mass', 'ingredient'];

/** A typed number, comma or point; NaN for anything else. */

/** What is wrong with a typed number, in words; null when it is fine. @param least 0 lets nothing pass, for what may be none */
export function wrong(s: string, label: string, most: number, whole = false, nothing = false): string | null {
  if (s.trim() === '') return `${label}: write a number.`;
  if (/^\s*-/.test(s)) return `${label} has to be more than nothing.`;
  const n = typedNumber(s, '');
  if (Number.isNaN(n)) return `${label}: "${s.slice(0, 20)}" is not a number.`;
  if (n === 0 && !nothing) return `${label} has to be more than nothing.`;
  if (whole && !Number.isInteger(n)) return `${label} come whole.`;
  return n > most ? `${label}: at most ${most.toLocaleString('en-GB')}.` : null;
}

const COUNTS: readonly By[] = ['pieces', 'guests', 'pans'];

export interface ReadDriver {
  /** Null while a number is wrong. */
  readonly driver: Driver | null;
  /** By path, as the server names them. */
  readonly errors: Readonly<Record<string, string>>;
}

/** The driver that is typed. @param pan the kind fills a pan: a portion is asked only where pieces are counted */
export function readDriver(t: PlanTyped, units: Units, pan: boolean): ReadDriver {
  const errors: Record<string, string> = {};
  const check = (path: string, text: string, label: string, most: number, whole = false, nothing = false): number => {
    const why = wrong(text, label, most, whole, nothing);
    if (why) errors[path] = why;
    return typedNumber(text, '');
  };
  const ask = ASKS[t.by];
  const n = check(ask.path, t.amount, ask.label, ask.most, ask.whole);
  const portionMl = !pan || COUNTS.includes(t.by) ? check('portionMl', t.portion, 'Portion', 5000) : 60;
  const g = n * (units.weight === 'oz' ? OZ_G : 1);
  const made = ((): Driver => {
    switch (t.by) {
      case 'pieces':
        return { by: 'pieces', pieces: n, portionMl };
      case 'guests':
        return {
          by: 'guests',
          guests: n,
          each: check('driver.each', t.each, 'Pieces each', 1000),
          secondsPct: check('driver.secondsPct', t.seconds, 'Seconds', 500, false, true),
          testPiece: t.testPiece,
          portionMl,
        };
      case 'pans':
        return { by: 'pans', fillings: n, piecesEach: check('driver.piecesEach', t.piecesEach, 'Pieces in one', 200, true), portionMl };
      case 'vessel':
        return { by: 'vessel', ml: n, headPct: check('driver.headPct', t.head, 'Head room', 90, false, true) };
      case 'flour':
        return { by: 'flour', grams: g };
      case 'mass':
        return { by: 'mass', grams: g };
      case 'ingredient':
        return { by: 'ingredient', ingredientId: t.ingredientId, grams: g };
      case 'eggs':
        return { by: 'eggs', eggs: n };
      case 'factor':
        return { by: 'factor', factor: n };
    }
  })();
  return { driver: Object.keys(errors).length > 0 ? null : made, errors };
}

/** A portion to the millilitre. */
const ml = (x: number): number => Math.max(1, Math.round(x));

interface Props {
  readonly typed: PlanTyped;
  readonly set: (part: Partial<PlanTyped>) => void;
  readonly errors: Readonly<Record<string, string>>;
  readonly units: Units;
  readonly pan: boolean;
  readonly kind: string;
  readonly gear: readonly Gear[];
  readonly offers: readonly PortionOffer[];
  readonly lines: readonly AccountLine[];
  /** g/ml of the batter; null while there is none. */
  readonly density: number | null;
}

/** What drives the batch, and the portion it is poured in. */
export function PlanDriver({ typed: t, set, errors, units, pan, kind, gear, offers, lines, density }: Props) {
  const ask = ASKS[t.by];
  const fitting = gear.filter((g) => portionFor(g, kind) !== null);
  const things = [...new Map(lines.filter((l) => l.use === 'batter').flatMap((l) => l.parts.map((p) => [p.ingredient.id, p.ingredient] as const))).values()];
  const large = 'text-xl font-semibold !min-h-14';
  const small = (key: 'each' | 'seconds' | 'head' | 'piecesEach', label: string, unit: string, path: string) => (
    <Field
      label={label}
      unit={unit}
      inputMode="decimal"
      value={t[key]}
      onChange={(e) => set({ [key]: e.target.value })}
      error={errors[path]}
      className="flex-1"
    />
  );
  const pickGear = (id: string): void => {
    const g = fitting.find((x) => x.id === id);
    set({ gear: id, ...(g && { piecesEach: String(piecesAtOnce(g, kind, undefined)), portion: String(ml(portionFor(g, kind) ?? 60)) }) });
  };
  return (
    <>
      <Choice
        label="Make"
        value={t.by}
        options={DRIVERS}
        onChange={(by) => {
          set({
            by,
            ...(by === 'factor' && { amount: '1' }),
            ...(by === 'ingredient' && t.ingredientId === '' && things[0] && { ingredientId: things[0].id }),
          });
          const first = fitting[0];
          if (by === 'pans' && t.gear === '' && first)
            set({ by, gear: first.id, piecesEach: String(piecesAtOnce(first, kind, undefined)), portion: String(ml(portionFor(first, kind) ?? 60)) });
        }}
      />
      {t.by === 'ingredient' ? (
        <Choice
          label="Of"
          value={t.ingredientId}
          onChange={(ingredientId) => set({ ingredientId })}
          options={things.map((i) => ({ value: i.id, label: kitchenName(i) }))}
        />
      ) : null}
      {t.by === 'pans' && fitting.length > 0 ? (
        <Choice label="In" value={t.gear} onChange={pickGear} options={fitting.map((g) => ({ value: g.id, label: g.name }))} />
      ) : null}
      <div className="flex gap-3">
        <Field
          label={ask.label}
          unit={WEIGHED.includes(t.by) ? units.weight : ask.unit}
          inputMode="decimal"
          value={t.amount}
          onChange={(e) => set({ amount: e.target.value })}
          error={errors[ask.path]}
          inputClass={large}
          className="flex-1"
        />
        {pan && !COUNTS.includes(t.by) ? null : (
          <Field
            label="Portion"
            unit="ml"
            inputMode="decimal"
            value={t.portion}
            onChange={(e) => set({ portion: e.target.value })}
            error={errors.portionMl ?? errors['driver.portionMl']}
            inputClass={large}
            className="flex-1"
          />
        )}
      </div>
      {t.by === 'guests' ? (
        <>
          <div className="flex gap-3">
            {small('each', 'Pieces each', '', 'driver.each')}
            {small('seconds', 'And for seconds', '%', 'driver.secondsPct')}
          </div>
          <Switch label="a first piece to test with, outside the count" on={t.testPiece} onSwitch={(testPiece) => set({ testPiece })} />
        </>
      ) : null}
      {t.by === 'vessel' ? small('head', 'Left free for whisking', '%', 'driver.headPct') : null}
      {t.by === 'pans' ? small('piecesEach', 'Pieces in one filling', '', 'driver.piecesEach') : null}
      {offers.length > 0 && !(pan && !COUNTS.includes(t.by)) ? (
        <fieldset className="flex flex-wrap gap-2">
          <legend className="mb-1 text-sm font-semibold text-soft">Portions this kitchen can pour</legend>
          {offers.map((o) => (
            <Button key={o.name} aria-pressed={typedNumber(t.portion, '') === ml(o.ml)} onClick={() => set({ portion: String(ml(o.ml)) })}>
              {o.name} <span className="font-normal">{ml(o.ml)} ml</span>
            </Button>
          ))}
        </fieldset>
      ) : null}
      {pan && !COUNTS.includes(t.by) ? null : <PortionMore density={density} onMl={(x) => set({ portion: String(ml(x)) })} />}
    </>
  );
}
