import { useId } from 'react';
import { EXACTNESS_WORDS, inMeasures } from '@/core/batch/exactness';
import type { KeptLot } from '@/core/batch/kept';
import { oneMix } from '@/core/batch/plan';
import type { Side } from '@/core/batch/sides';
import { portionsIn } from '@/core/batter/portions';
import { type End, type Formula, kindIdOf } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Shelf } from '@/core/pantry/stock';
import type { Bagged } from '@/core/premix/use';
import { millilitres } from '@/core/quantity/say';
import { actIn } from '@/core/script/read';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { LitPart } from '../shared/lit-part';
import { BagsPart } from './bags-part';
import { BesidePart } from './beside-part';
import { KeptInPart } from './kept-in-part';
import type { BothTyped, PlanTyped } from './plan.state';
import { PlanDriver } from './plan-driver';
import { type PlanStands, portionAt } from './plan-opens';
import { Drifted, EggsView, KitchenWords, MeansView, ReadsAs } from './plan-words';
import { ServePart } from './serve-part';
import { SplitPart } from './split-part';
import type { PlanWorked } from './use-plan';

type Errors = Readonly<Record<string, string>>;

interface AsksProps {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly sides: readonly Side[];
  readonly bagged: readonly Bagged[];
  readonly kept: readonly KeptLot[];
  readonly s: PlanStands;
  readonly change: (part: Partial<PlanStands>) => void;
  /** A change of what drives it: a choice of whole eggs is forgotten with it. */
  readonly drive: (part: Partial<PlanTyped>) => void;
  readonly p: PlanWorked;
  readonly errors: Errors;
  /** What was refused at the last press. */
  readonly refused: Errors;
}

/** What the server refuses of kept lots, by the lot's id. */
const refusedIn = (errors: Errors): Errors =>
  Object.fromEntries(
    Object.entries(errors).flatMap(([at, why]) => (at.startsWith('kept.') ? [[at.slice('kept.'.length), why]] : [])),
  );

/** The pieces and the portion of one end, where both are made from one base. */
function HalfAsked({
  end,
  typed,
  set,
  errors,
}: {
  readonly end: Pick<End, 'id' | 'name'>;
  readonly typed: NonNullable<PlanStands['both']>;
  readonly set: (part: Partial<PlanStands>) => void;
  readonly errors: Errors;
}) {
  const put = (part: Partial<BothTyped>): void => set({ both: { ...typed, [end.id]: { ...typed[end.id], ...part } } });
  return (
    <div className="flex gap-3">
      <Field
        label={`Pieces, ${end.name}`}
        inputMode="numeric"
        value={typed[end.id].pieces}
        onChange={(x) => put({ pieces: x.target.value })}
        error={errors[`driver.${end.id}.pieces`]}
        inputClass="text-xl font-semibold !min-h-14"
        className="flex-1"
      />
      <Field
        label={`Portion, ${end.name}`}
        hint="ml, or 1/3 cup, #12"
        value={typed[end.id].portion}
        onChange={(x) => put({ portion: x.target.value })}
        error={errors[`driver.${end.id}.portionMl`]}
        inputClass="text-xl font-semibold !min-h-14"
        className="flex-1"
      />
    </div>
  );
}

/**
 * How much is made: how it is measured, which end, what drives it, what comes out of the store, and in how many bowls.
 */
export function AsksHowMuch({ formula, house, shelf, bagged, kept, s, change, drive, p, errors, refused }: AsksProps) {
  const exactId = useId();
  const { kind, units, driver, means, planned, split, script } = p;
  const parting = actIn(script, 'part')?.says[0]?.do;
  const { both, end, exactness, typed } = s;
  const half = (id: 'a' | 'b'): BothTyped => ({ pieces: '6', portion: portionAt(formula, id) });
  const offers = p.pan ? [] : portionsIn(house, kind.id);
  const piecesName = p.second ? 'pieces' : kind.pieces;
  return (
    <>
      <div className="flex flex-col gap-1">
        <span id={exactId} className="text-sm font-semibold text-soft">
          Measure with
        </span>
        <Taps
          label="Measure with"
          value={exactness}
          onChange={(v) => v && change({ exactness: v })}
          options={(['gram', 'exact', 'kitchen', 'eye'] as const).map((value) => ({
            value,
            label: EXACTNESS_WORDS[value],
          }))}
        />
      </div>
      {formula.ends ? (
        <Taps
          label="Finish"
          size="work"
          value={both ? 'both' : (end ?? formula.ends[0].id)}
          onChange={(v) => {
            if (v === 'both') change({ eggs: null, both: { a: half('a'), b: half('b') } });
            else if (v !== '') {
              // another kind is poured in another portion
              const other = kindIdOf(formula, v) !== kind.id;
              const to = other ? { ...typed, portion: portionAt(formula, v) } : typed;
              change({ eggs: null, both: null, end: v, typed: to });
            }
          }}
          options={[
            ...formula.ends.map((e) => ({ value: e.id, label: e.name })),
            ...(p.canBoth ? [{ value: 'both' as const, label: 'both from one base' }] : []),
          ]}
        />
      ) : null}
      {both && formula.ends
        ? formula.ends.map((e) => <HalfAsked key={e.id} end={e} typed={both} set={change} errors={errors} />)
        : null}
      {parting ? <p className="text-[15px]">One base, combined and rested once. {parting}</p> : null}
      {both ? null : (
        <PlanDriver
          typed={typed}
          set={drive}
          errors={errors}
          units={units}
          pan={p.pan}
          kind={kind.id}
          gear={house.gear}
          shelf={shelf}
          offers={offers}
          lines={p.lines}
          density={p.density}
          portion={p.portion}
          amountFor={p.amountFor}
        />
      )}
      {p.bags && p.wantedAll !== null ? (
        <BagsPart
          typed={s.bags}
          set={(t) => change({ bags: t })}
          offered={bagged}
          read={p.bags}
          portionMl={p.portionMl}
          asked={p.wantedAll - (p.kept?.pieces ?? 0)}
          pieces={kind.pieces}
        />
      ) : null}
      {p.kept && p.wantedAll !== null ? (
        <KeptInPart
          typed={s.kept}
          set={(t) => change({ kept: t })}
          offered={kept}
          read={{ ...p.kept, errors: { ...refusedIn(refused), ...p.kept.errors } }}
          asked={p.wantedAll - (p.bags?.pieces ?? 0)}
          pieces={kind.pieces}
        />
      ) : null}
      {means ? (
        <MeansView
          means={means}
          batter={planned}
          made={p.planned?.pieces ?? null}
          driver={driver}
          units={units}
          pieces={piecesName}
          cups={inMeasures(exactness)}
        />
      ) : null}
      {p.splitAsked && split ? (
        <SplitPart
          typed={s.split}
          set={(part) => change({ eggs: null, split: { ...s.split, ...part } })}
          asked={p.splitAsked}
          read={split}
          units={units}
          pieces={piecesName}
        />
      ) : null}
    </>
  );
}

/** How it is made: what stands beside it, in which pans, on what, for when, and with which eggs. */
export function AsksHow({
  house,
  sides,
  s,
  change,
  drive,
  onServingWrong,
  p,
  errors,
  refused,
}: AsksProps & { readonly onServingWrong: (wrong: boolean) => void }) {
  const { kind, units, driver, means, planned, split } = p;
  const { exactness, typed } = s;
  const bowls = split?.split?.by === 'bowls' ? split.split.mixes : 1;
  return (
    <>
      <BesidePart
        beside={s.beside}
        set={(b) => change({ beside: b })}
        sides={sides}
        atTable={p.atTable}
        errors={errors}
        units={units}
      />
      {p.asksPan ? (
        <Field
          label="Your pan, across its base"
          unit="cm"
          inputMode="decimal"
          className="w-48"
          value={typed.panCm ?? ''}
          hint="It fills its pan: 0.65 ml for each cm² of it."
          error={(typed.panCm ?? '') === '' ? refused['pan.cm'] : errors['pan.cm']}
          onChange={(e) => change({ typed: { ...typed, panCm: e.target.value.slice(0, 6) } })}
        />
      ) : null}
      {p.pan && p.panfulMl !== null && planned?.pieces && planned.volumeMl > 1.15 * p.panfulMl ? (
        <p className="text-[15px]" role="status">
          More than one pan takes ({millilitres(p.panfulMl)}): it is poured as{' '}
          <strong>{planned.pieces.all} pans</strong>, {millilitres(planned.volumeMl / planned.pieces.all)} in each.
        </p>
      ) : null}
      <LitPart
        of={p.second && driver?.by === 'both' ? driver.a.name : null}
        gear={house.gear}
        kind={kind.id}
        lit={s.lit}
        places={p.surfaces}
        onLit={(l) => change({ lit: l })}
      />
      {p.second ? (
        <LitPart
          of={p.second.name}
          gear={house.gear}
          kind={p.second.kind}
          lit={s.litSecond}
          places={p.second.surfaces}
          onLit={(l) => change({ litSecond: l })}
        />
      ) : null}
      {p.steps && p.surfaces.length > 0 && (p.second === null || p.second.surfaces.length > 0) ? (
        <ServePart
          steps={p.steps}
          serving={s.serving}
          onWrong={onServingWrong}
          onServing={(at) => change({ serving: at })}
        />
      ) : null}
      {planned ? <Drifted moved={planned.one.moved} all={inMeasures(exactness)} /> : null}
      <ReadsAs sheet={oneMix(p.sheet)} stepG={p.stepG} units={units} />
      {exactness === 'eye' ? (
        <Notice weight="note">
          By eye, for a hurry: all in one bowl or the blender, whole spoons and a jug’s marks, nothing set out and no
          second look. What is given up: the ratios above, and that the next batch is as this one. The log says which
          gear it was.
        </Notice>
      ) : null}
      {inMeasures(exactness) ? (
        <KitchenWords
          kitchen={planned?.kitchen ?? null}
          askedG={p.ready && means ? means.massG / bowls : null}
          massG={planned?.one.massG ?? null}
          volumeMl={planned?.one.volumeMl ?? null}
          times={means?.factor ?? null}
          onTimes={(f) => drive({ by: 'factor', amount: String(f) })}
        />
      ) : null}
      {p.eggChoice || s.eggs !== null ? (
        <EggsView
          choice={p.eggChoice}
          chosen={s.eggs}
          means={means}
          units={units}
          short={p.ready?.short ?? null}
          onFactor={(f) => drive({ by: 'factor', amount: String(Number(f.toFixed(4))) })}
          onEggs={(e) => change({ eggs: e })}
          cups={inMeasures(exactness)}
        />
      ) : null}
    </>
  );
}
