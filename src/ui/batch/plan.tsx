'use client';
import { Printer } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useId, useMemo, useState } from 'react';
import { washes } from '@/core/batch/order';
import { portionsIn } from '@/core/batch/portions';
import { type Drift, type Driver, type Exactness, scale } from '@/core/batch/scale';
import { linesOfSheet, sheetOf, toolOf } from '@/core/batch/sheet';
import { countedLines, type EndId, type Formula, schoolIdOf } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/ways';
import { scalesOf } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { grams, millilitres, OZ_G } from '@/core/quantity/say';
import { answerOf } from '../kit/answer';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { AfterSheet } from './after-sheet';
import { MeasureSheet } from './measure-sheet';

type By = 'pieces' | 'factor' | 'flour' | 'mass' | 'eggs';

const DRIVERS: readonly { readonly value: By; readonly label: string }[] = [
  { value: 'pieces', label: 'so many pieces' },
  { value: 'flour', label: 'so much flour' },
  { value: 'mass', label: 'so much batter' },
  { value: 'eggs', label: 'so many eggs' },
  { value: 'factor', label: 'so many times the card' },
];

const ASKS: Readonly<Record<By, { readonly label: string; readonly unit: string; readonly path: string }>> = {
  pieces: { label: 'Pieces', unit: '', path: 'driver.pieces' },
  flour: { label: 'Flour', unit: 'g', path: 'driver.grams' },
  mass: { label: 'Batter in the bowl', unit: 'g', path: 'driver.grams' },
  eggs: { label: 'Whole eggs', unit: '', path: 'driver.eggs' },
  factor: { label: 'Times', unit: 'x', path: 'driver.factor' },
};

export type MakeAnswer =
  | { readonly ok: true; readonly batchId: string }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };

interface Props {
  readonly formulaId: string;
  readonly versionId: string;
  readonly number: number;
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  /** The end of a forked formula that is asked for; null in one that is not. */
  readonly end: EndId | null;
  readonly pieces: string | null;
  readonly make: (input: unknown) => Promise<MakeAnswer>;
}

/** A portion to the millilitre. */
const ml = (x: number): number => Math.max(1, Math.round(x));

/** A typed number, comma or point; NaN for anything else. */
const num = (s: string): number => (/^\s*\d{1,9}(?:[.,]\d{1,6})?\s*$/.test(s) ? Number(s.trim().replace(',', '.')) : Number.NaN);

/** What is wrong with a typed number, in words; null when it is fine. */
function wrong(s: string, label: string, whole: boolean, most: number): string | null {
  if (s.trim() === '') return `${label}: write a number.`;
  if (/^\s*-/.test(s)) return `${label} has to be more than nothing.`;
  const n = num(s);
  if (Number.isNaN(n)) return `${label}: "${s.slice(0, 20)}" is not a number.`;
  if (n === 0) return `${label} has to be more than nothing.`;
  if (whole && !Number.isInteger(n)) return `${label} come whole.`;
  return n > most ? `${label}: at most ${most.toLocaleString('en-GB')}.` : null;
}

const MOST: Readonly<Record<By, number>> = { pieces: 100_000, flour: 1_000_000, mass: 1_000_000, eggs: 20_000, factor: 10_000 };

function driverOf(by: By, amount: number, portionMl: number): Driver {
  switch (by) {
    case 'pieces':
      return { by, pieces: amount, portionMl };
    case 'factor':
      return { by, factor: amount };
    case 'eggs':
      return { by, eggs: amount };
    case 'flour':
    case 'mass':
      return { by, grams: amount };
  }
}

/** Plan: what drives the batch, how exact, and the sheet to mix from. */
export function Plan({ formulaId, versionId, number, formula, house, shelf, end: asked, pieces, make }: Props) {
  const router = useRouter();
  const kind = kindById(formula.kind);
  const [end, setEnd] = useState(asked);
  const school = schoolOf(kind, schoolIdOf(formula, end));
  const pan = school.portionMl === null;
  const [by, setBy] = useState<By>(pan ? 'factor' : 'pieces');
  const [amount, setAmount] = useState(pieces ?? (pan ? '1' : '12'));
  const [portion, setPortion] = useState(String(formula.portionMl ?? usualPortionMl(school)));
  const [exactness, setExactness] = useState<Exactness>('gram');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [fields, setFields] = useState<Readonly<Record<string, string>>>({});
  const [starting, setStarting] = useState(false);
  const exactId = useId();

  const lines = useMemo(() => countedLines(formula, house, end), [formula, house, end]);
  const whole = by === 'pieces';
  const amountError = wrong(amount, ASKS[by].label, whole, MOST[by]);
  const portionError = wrong(portion, 'Portion', false, 5000);
  const { units } = house;
  const weighed = by === 'flour' || by === 'mass';
  const driver = amountError || portionError ? null : driverOf(by, num(amount) * (weighed && units.weight === 'oz' ? OZ_G : 1), num(portion));
  const scaled = driver ? scale(lines, driver, exactness, formula.kind, num(portion)) : null;
  const open = lines.filter((l) => l.use === 'batter' && l.parts.length === 0);

  const start = async (): Promise<void> => {
    if (!driver || starting) return;
    setStarting(true);
    setRefusal(null);
    const answer = await answerOf(
      () => make({ versionId, driver, exactness, portionMl: num(portion), end }),
      'Your plan is still here: try again in a moment.',
    );
    if (answer.ok) {
      router.push(`/batches/${answer.batchId}/prep`);
      return;
    }
    setStarting(false);
    setRefusal(answer.message);
    setFields(answer.fields);
  };

  const stepG = scalesOf(house.gear)[0]?.stepG ?? 1;
  const sheet = scaled?.ok ? sheetOf(scaled.value, stepG) : [];
  const spared = washes(lines.map((l) => ({ ingredient: l.ingredient, tool: toolOf(l) })));
  const account = linesOfSheet(sheet, (id) => findIngredient(id, house.conventions.own));
  const offers = pan ? [] : portionsIn(house, formula.kind);
  const says =
    scaled?.ok === true
      ? [
          by === 'pieces'
            ? `${num(amount)} ${kind.pieces} of ${num(portion)} ml`
            : scaled.value.yield
              ? `${scaled.value.yield.pieces} of ${num(portion)} ml`
              : '',
          `${grams(scaled.value.massG, units)} of batter, ${millilitres(scaled.value.volumeMl)}`,
          `version ${number}`,
          spared > 0 ? `measured with spoons, this order spares ${spared === 1 ? 'one rinse' : `${spared} rinses`} against the card’s` : '',
        ]
      : [];

  return (
    <div className="grid gap-6 lg:grid-cols-[22rem_1fr] print:block">
      <section aria-label="What drives the batch" className="flex flex-col gap-4 print:hidden">
        {formula.ends ? (
          <Taps
            label="End"
            size="work"
            value={end ?? formula.ends[0].id}
            onChange={(v) => v !== '' && setEnd(v)}
            options={formula.ends.map((e) => ({ value: e.id, label: e.name }))}
          />
        ) : null}
        <Choice
          label="Make"
          value={by}
          options={DRIVERS}
          onChange={(v) => {
            setBy(v);
            setFields({});
            if (v === 'factor') setAmount('1');
          }}
        />
        <div className="flex gap-3">
          <Field
            label={ASKS[by].label}
            unit={weighed ? units.weight : ASKS[by].unit}
            inputMode="decimal"
            value={amount}
            onChange={(e) => setAmount(e.target.value)}
            error={amountError ?? fields[ASKS[by].path]}
            inputClass="text-xl font-semibold !min-h-14"
            className="flex-1"
          />
          {pan && by !== 'pieces' ? null : (
            <Field
              label="Portion"
              unit="ml"
              inputMode="decimal"
              value={portion}
              onChange={(e) => setPortion(e.target.value)}
              error={portionError ?? fields.portionMl}
              inputClass="text-xl font-semibold !min-h-14"
              className="flex-1"
            />
          )}
        </div>
        {offers.length > 0 && !(pan && by !== 'pieces') ? (
          <fieldset className="flex flex-wrap gap-2">
            <legend className="mb-1 text-sm font-semibold text-soft">Portions this kitchen can pour</legend>
            {offers.map((o) => (
              <Button key={o.name} aria-pressed={num(portion) === ml(o.ml)} onClick={() => setPortion(String(ml(o.ml)))}>
                {o.name} <span className="font-normal">{ml(o.ml)} ml</span>
              </Button>
            ))}
          </fieldset>
        ) : null}
        <div className="flex flex-col gap-1">
          <span id={exactId} className="text-sm font-semibold text-soft">
            How exact
          </span>
          <Taps
            label="How exact"
            value={exactness}
            onChange={(v) => v && setExactness(v)}
            options={[
              { value: 'gram', label: 'whole grams' },
              { value: 'exact', label: 'to 0.1 g' },
            ]}
          />
        </div>
        {scaled?.ok ? <Drifted drift={scaled.value.drift} factor={scaled.value.factor} restMl={scaled.value.yield?.restMl ?? null} by={by} /> : null}
        {scaled && !scaled.ok ? (
          <Notice weight="stop" role="alert">
            {scaled.error.message}
          </Notice>
        ) : null}
        {open.length > 0 ? (
          <Notice weight="look">
            {open.length === 1 ? 'One line has' : `${open.length} lines have`} no grams and {open.length === 1 ? 'is' : 'are'} left as written:{' '}
            {open.map((l) => `"${l.text.slice(0, 50)}"`).join(', ')}.
          </Notice>
        ) : null}
        {refusal ? (
          <Notice weight="stop" role="alert">
            {refusal}
          </Notice>
        ) : null}
        <div className="flex flex-wrap gap-3">
          <Button look="now" size="work" disabled={!scaled?.ok || starting} onClick={() => void start()}>
            {starting ? 'Starting' : 'Start this batch'}
          </Button>
          <Button size="work" disabled={!scaled?.ok} onClick={() => window.print()}>
            <Printer size={20} aria-hidden />
            Print
          </Button>
        </div>
        <p className="text-sm text-soft">
          Leavening is scaled straight: the chemistry does not know the size of the bowl.{' '}
          {by === 'pieces' ? 'What stays on bowl and tools is added on top.' : ''}
        </p>
        <Button look="bare" className="self-start" onClick={() => router.push(`/formulas/${formulaId}?version=${number}`)}>
          Back to the bench
        </Button>
      </section>
      {scaled?.ok ? (
        <div className="grid content-start gap-6">
          <MeasureSheet
            title={formula.ends ? `${formula.name}, ${formula.ends.find((e) => e.id === end)?.name ?? ''}` : formula.name}
            about={says}
            lines={sheet}
            units={units}
          />
          <AfterSheet
            notice={`/formulas/${formulaId}/notice?version=${number}`}
            lines={account}
            shelf={shelf}
            units={units}
            pieces={by === 'pieces' && driver ? num(amount) : (scaled.value.yield?.pieces ?? null)}
            piecesName={kind.pieces}
          />
        </div>
      ) : (
        <section aria-label="Sheet to mix from" className="rounded-plate bg-white p-5 text-soft">
          The sheet stands here as soon as the numbers on the left are right.
        </section>
      )}
    </div>
  );
}

const DRIFT_NAMES: readonly (readonly [keyof Drift, string])[] = [
  ['water', 'water'],
  ['egg', 'egg'],
  ['fat', 'fat'],
  ['sugar', 'sugar'],
  ['salt', 'salt'],
  ['co2', 'lift'],
];

/** What whole grams cost against the exact formula, in percent of flour. */
function Drifted({ drift, factor, restMl, by }: { readonly drift: Drift; readonly factor: number; readonly restMl: number | null; readonly by: By }) {
  const moved = DRIFT_NAMES.filter(([k]) => Math.abs(drift[k]) >= 0.01)
    .sort((a, b) => Math.abs(drift[b[0]]) - Math.abs(drift[a[0]]))
    .slice(0, 3);
  const sign = (x: number): string => `${x > 0 ? '+' : '−'}${Math.abs(x).toFixed(2)}`;
  return (
    <p className="text-[15px]">
      {factor.toFixed(factor < 10 ? 2 : 1)} times the card.{' '}
      {moved.length === 0
        ? 'Nothing is lost to rounding.'
        : `Rounding moves ${moved.map(([k, name]) => `${name} ${sign(drift[k])}${k === 'co2' ? ' g' : ' %'}`).join(', ')} of the flour.`}
      {by !== 'pieces' && restMl !== null && restMl > 1 ? ` ${millilitres(restMl)} is left for a part-load.` : ''}
    </p>
  );
}
