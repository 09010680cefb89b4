'use client';
import { Printer } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useId, useMemo, useState } from 'react';
import { meansOf, timesOf, wantedPieces } from '@/core/batch/driver';
import { washes } from '@/core/batch/order';
import { portionsIn } from '@/core/batch/portions';
import { type Exactness, scale } from '@/core/batch/scale';
import { linesOfSheet, sheetOf, toolOf } from '@/core/batch/sheet';
import { countedLines, type EndId, type Formula, schoolIdOf } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/ways';
import { scalesOf } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { grams, millilitres } from '@/core/quantity/say';
import { answerOf } from '../kit/answer';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Notice } from '../kit/notice';
import { AfterSheet } from './after-sheet';
import { MeasureSheet } from './measure-sheet';
import { num, PlanDriver, type PlanTyped, readDriver } from './plan-driver';
import { Drifted, KitchenWords, MeansView } from './plan-words';
import { useKitchen } from './use-kitchen';

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

/** Plan: what drives the batch, how exact, and the sheet to mix from. */
export function Plan({ formulaId, versionId, number, formula, house, shelf, end: asked, pieces, make }: Props) {
  const router = useRouter();
  const kind = kindById(formula.kind);
  const [end, setEnd] = useState(asked);
  const school = schoolOf(kind, schoolIdOf(formula, end));
  const pan = school.portionMl === null;
  const [typed, setTyped] = useState<PlanTyped>({
    by: pan ? 'factor' : 'pieces',
    amount: pieces ?? (pan ? '1' : '12'),
    portion: String(formula.portionMl ?? usualPortionMl(school)),
    each: '3',
    seconds: '10',
    testPiece: true,
    head: '35',
    gear: '',
    piecesEach: '1',
    ingredientId: '',
  });
  const [exactness, setExactness] = useState<Exactness>('gram');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [fields, setFields] = useState<Readonly<Record<string, string>>>({});
  const [starting, setStarting] = useState(false);
  const exactId = useId();
  const set = (part: Partial<PlanTyped>): void => {
    setFields({});
    setTyped((t) => ({ ...t, ...part }));
  };

  const lines = useMemo(() => countedLines(formula, house, end), [formula, house, end]);
  const { units } = house;
  const { driver, errors } = readDriver(typed, units, pan);
  const portionMl = num(typed.portion);
  const begun = driver ? timesOf(lines, driver, formula.kind) : null;
  const factor = begun?.ok ? begun.value.factor : null;
  const kitchen = useKitchen(lines, exactness === 'kitchen' ? factor : null, house);
  const how = exactness !== 'kitchen' ? exactness : kitchen && kitchen !== 'failed' ? kitchen.taken : null;
  const scaled = driver && how ? scale(lines, driver, how, formula.kind, portionMl) : null;
  const refused = begun && !begun.ok ? begun.error : scaled && !scaled.ok ? scaled.error : null;
  const means = begun?.ok ? meansOf(lines, begun.value.before, begun.value.factor, pan ? null : portionMl) : null;
  const open = lines.filter((l) => l.use === 'batter' && l.parts.length === 0);

  const start = async (): Promise<void> => {
    if (!driver || starting) return;
    setStarting(true);
    setRefusal(null);
    const answer = await answerOf(
      () => make({ versionId, driver, exactness, portionMl: Number.isFinite(portionMl) && portionMl > 0 ? portionMl : 60, end }),
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
  const wanted = driver ? wantedPieces(driver) : null;
  const offers = pan ? [] : portionsIn(house, formula.kind);
  const says =
    scaled?.ok === true
      ? [
          wanted !== null
            ? `${wanted} ${kind.pieces} of ${portionMl} ml${driver?.by === 'guests' && driver.testPiece ? ' and one to test' : ''}`
            : scaled.value.yield
              ? `${scaled.value.yield.pieces} of ${portionMl} ml`
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
        <PlanDriver
          typed={typed}
          set={set}
          errors={{ ...fields, ...errors }}
          units={units}
          pan={pan}
          kind={formula.kind}
          gear={house.gear}
          offers={offers}
          lines={lines}
        />
        {means ? <MeansView means={means} units={units} pieces={kind.pieces} guestsEach={num(typed.each)} /> : null}
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
              { value: 'kitchen', label: 'cups and spoons' },
            ]}
          />
        </div>
        {scaled?.ok ? (
          <Drifted drift={scaled.value.drift} restMl={scaled.value.yield?.restMl ?? null} all={exactness === 'kitchen'} counted={wanted !== null} />
        ) : null}
        {exactness === 'kitchen' ? (
          <KitchenWords
            kitchen={kitchen}
            asked={factor !== null}
            means={means}
            massG={scaled?.ok ? scaled.value.massG : null}
            units={units}
            onFactor={(f) => set({ by: 'factor', amount: String(Number(f.toFixed(4))) })}
          />
        ) : null}
        {refused ? (
          <Notice weight="stop" role="alert">
            {refused.message}
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
          {wanted !== null ? 'What stays on bowl and tools is added on top.' : ''}
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
            pieces={wanted ?? scaled.value.yield?.pieces ?? null}
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
