'use client';
import { useMemo, useState } from 'react';
import type { Bench } from '@/core/balance/bench';
import { type StandsReading, withStanding, withThird } from '@/core/balance/stands';
import { gPerMl } from '@/core/batter/volume';
import { heard } from '@/core/findings/finding';
import type { Formula, FormulaLine } from '@/core/formula/formula';
import { RAIL_NAMES, railOf, sayRail } from '@/core/formula/kinds';
import { measureName } from '@/core/pantry/calibrate';
import { kitchenName } from '@/core/pantry/ingredient';
import { grams } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { unitById } from '@/core/quantity/units';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { AmountField, Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';

/** What the cook means by a measure without a set size. */
export interface Answered {
  readonly unit: string;
  readonly which: string;
  readonly ingredientId: string | null;
  readonly each: number;
  readonly low: number;
  readonly high: number;
}

/** Poured or cut by eye, an amount is no surer than this. */
const BY_EYE = [0.8, 1.25] as const;
const MOST = 20_000;

/** "A splash", "the size of a walnut", a number without a unit: how much is it, here, and from now on? */
export function SizeDialog({
  line,
  onClose,
  onText,
  onRemember,
}: {
  readonly line: FormulaLine;
  readonly onClose: () => void;
  /** The line with its amount said beside what was written. */
  readonly onText: (text: string) => void;
  /** Keeps the answer for the whole kitchen; says why not, where it can't. */
  readonly onRemember: (a: Answered) => Promise<string | null>;
}) {
  const [amount] = line.amounts;
  const unit = amount?.unit ? unitById(amount.unit) : undefined;
  const usual = unit?.dimension === 'vague' ? unit.usual : undefined;
  const which = amount?.which ?? '';
  const said = usual?.in ?? 'g';
  const [text, setText] = useState(usual ? String(usual.best) : '');
  const [error, setError] = useState<string | undefined>();
  const [busy, setBusy] = useState(false);
  const name = unit && usual ? measureName({ unit: unit.id, which, full: '1' }) : '';
  const what = line.ingredient ? kitchenName(line.ingredient).toLowerCase() : 'it';
  const value = (): number | null => {
    const x = typedNumber(text, said);
    if (!(x > 0)) setError('How much? A number, more than nothing.');
    else if (x > MOST) setError(`At most ${MOST.toLocaleString('en-GB')}.`);
    else return x;
    return null;
  };
  const once = (): void => {
    const x = value();
    const several = amount && usual && amount.low.compare(1) !== 0;
    if (x !== null) onText(`${line.text.trim()} (${x} ${said}${several ? ' each' : ''})`);
  };
  const always = async (): Promise<void> => {
    const x = value();
    if (x === null || !unit || busy) return;
    setBusy(true);
    const own = said === 'g' || unit.gesture ? line.ingredient : null;
    // of one thing it is kept by weight
    const each = own && said === 'ml' ? x * gPerMl(own) : x;
    const why = await onRemember({
      unit: unit.id,
      which,
      ingredientId: own?.id ?? null,
      each,
      low: each * BY_EYE[0],
      high: each * BY_EYE[1],
    });
    setBusy(false);
    if (why === null) onClose();
    else setError(why);
  };
  const remembers = usual !== undefined && ((said === 'ml' && !unit?.gesture) || line.ingredient !== null);
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title={name ? `How much is your ${name}?` : 'How much is meant?'}>
      <Form
        noValidate
        act={() => {
          if (remembers) void always();
          else once();
        }}
      >
        <p className="mb-3">
          “{line.text.slice(0, 80)}”
          {usual ? (
            <>
              : {said === 'ml' && !unit?.gesture ? `a ${name}` : `a ${name} of ${what}`} is mostly {usual.low} to{' '}
              {usual.high} {said}. Weigh or pour yours once; what you say is kept, never guessed.
            </>
          ) : (
            <> has a number but no unit. What would you take?</>
          )}
        </p>
        <AmountField
          label={name ? `One ${name}` : 'That is'}
          unit={said}
          value={text}
          error={error}
          onText={(t) => {
            setText(t);
            setError(undefined);
          }}
          className="w-48"
        />
        <div className="mt-4 flex flex-wrap gap-2">
          {remembers ? (
            <Button look="now" type="submit" disabled={busy}>
              Remember it for this kitchen
            </Button>
          ) : null}
          <Button look={remembers ? 'plain' : 'now'} onClick={once}>
            Only on this line
          </Button>
          <Button look="bare" onClick={onClose}>
            Leave it open
          </Button>
        </div>
      </Form>
    </Dialog>
  );
}

const SHOWN = ['water', 'egg', 'fat', 'sugar', 'lift'] as const;

/** Written twice, and the two disagree: which stands, or a third; each with what it makes of the balance. */
export function StandsDialog({
  bench,
  line,
  onClose,
  onPut,
}: {
  readonly bench: Bench;
  readonly line: FormulaLine;
  readonly onClose: () => void;
  readonly onPut: (f: Formula) => void;
}) {
  const [third, setThird] = useState('');
  const both = useMemo(
    () => [withStanding(bench, line.key, 'weight'), withStanding(bench, line.key, 'volume')] as const,
    [bench, line.key],
  );
  const x = typedNumber(third);
  const other = x > 0 && x <= 1_000_000 ? withThird(bench, line.key, x) : null;
  const options: readonly (readonly [name: string, take: string, reading: StandsReading | null])[] = [
    ['The weight', 'The weight stands', both[0]],
    ['The measure', 'The measure stands', both[1]],
    ['A third amount', 'Write that', other],
  ];
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title="Which one stands?" wide>
      <p className="mb-3">
        “{line.text.slice(0, 120)}”. The two are never averaged: say which is meant, or weigh it and write a third.
      </p>
      <div className="grid gap-3 sm:grid-cols-3">
        {options.map(([name, take, reading], n) => (
          <section key={name} aria-label={name} className="grid content-start gap-1 rounded-plate bg-enamel p-3">
            <h3 className="text-lg">{name}</h3>
            {n === 2 ? (
              <Field
                label="Grams"
                unit="g"
                inputMode="decimal"
                value={third}
                error={third.trim() !== '' && !other ? 'A number of grams, more than nothing.' : undefined}
                onChange={(e) => setThird(e.target.value)}
              />
            ) : (
              <p className="text-2xl font-semibold">
                {reading ? grams(reading.grams, bench.house.units) : 'not known'}
              </p>
            )}
            {reading ? <Effect reading={reading} formula={bench.formula} /> : null}
            <Button className="mt-1" disabled={!reading} onClick={() => reading && onPut(reading.formula)}>
              {take}
            </Button>
          </section>
        ))}
      </div>
      {both[0] === null || both[1] === null ? (
        <Notice weight="look">One of the two can’t be weighed: write a third amount.</Notice>
      ) : null}
    </Dialog>
  );
}

function Effect({ reading: { worked }, formula }: { readonly reading: StandsReading; readonly formula: Formula }) {
  const [top] = heard(worked.analysis, formula).open.filter((f) => f.code !== 'amounts-disagree');
  return (
    <>
      <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-[15px]">
        {SHOWN.map((rail) => {
          const r = railOf(worked.analysis, rail);
          if (!r) return null;
          const off = r.reading && r.reading.standing !== 'in' ? ` ${r.reading.standing}` : '';
          return (
            <div key={rail} className="contents">
              <dt className="text-soft">{RAIL_NAMES[rail]}</dt>
              <dd className={`text-right ${off ? 'font-semibold' : ''}`}>
                {sayRail(rail, r.tested)}
                {off}
              </dd>
            </div>
          );
        })}
      </dl>
      <p className="text-sm">{top ? top.message : <span className="text-herb">✓ Nothing is out of line.</span>}</p>
    </>
  );
}
