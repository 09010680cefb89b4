'use client';
import { Printer } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useId, useMemo, useState } from 'react';
import type { z } from 'zod';
import type { ActionResult } from '@/contract/action-result';
import type { planTypedSchema } from '@/contract/batch';
import { unsettled } from '@/core/analyse-formula';
import type { Lit } from '@/core/batch/acts';
import { partingOf } from '@/core/batch/driver';
import { EXACTNESS_WORDS, type Exactness, inMeasures } from '@/core/batch/exactness';
import type { KeptLot } from '@/core/batch/kept';
import { washes } from '@/core/batch/order';
import { oneMix } from '@/core/batch/plan';
import { portionsIn } from '@/core/batch/portions';
import type { Serving } from '@/core/batch/serving';
import { toolOf } from '@/core/batch/sheet';
import type { Side } from '@/core/batch/sides';
import { ONE } from '@/core/batch/split';
import { AS_USUAL } from '@/core/batch/surface';
import { piecesOf } from '@/core/batter/volume';
import { isShellEgg } from '@/core/formula/eggs';
import type { EndId, Formula } from '@/core/formula/formula';
import { atEnd, kindIdOf } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { countedLines, notUnderstood } from '@/core/formula/lines';
import { pouredG } from '@/core/formula/tally';
import { numbersOf } from '@/core/numbers';
import { scalesOf } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import type { Bagged } from '@/core/premix/use';
import { grams, massNumber, millilitres } from '@/core/quantity/say';
import { Refusal, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';
import { useTime } from '../time';
import { partingWords, sheetAbout } from './about';
import { AfterSheet } from './after-sheet';
import { BagsPart } from './bags-part';
import { type Beside, BesidePart } from './beside-part';
import { KeptInPart } from './kept-in-part';
import { LitPart } from './lit-part';
import { MeasureSheet } from './measure-sheet';
import type { BothTyped, PlanTyped } from './plan.state';
import { PlanDriver } from './plan-driver';
import {
  ClaimView,
  Drifted,
  EggsView,
  KitchenWords,
  LargeBowlWords,
  MeansView,
  ReadsAs,
  YieldWords,
} from './plan-words';
import { ServePart } from './serve-part';
import { FRESH_SPLIT, SplitPart, type SplitTyped } from './split-part';
import type { TakenTyped } from './store-part';
import { Unsettled } from './unsettled';
import { usePlan } from './use-plan';

const UNREAD_SERVING = 'When it is served can’t be read: mend it there, or switch the set time off.';
const NO_BAGS: readonly Bagged[] = [];
const NO_LOTS: readonly KeptLot[] = [];

/** The portion an end opens at, ml. */
function portionAt(formula: Formula, end: EndId): string {
  const at = atEnd(formula, end);
  return String(at.portionMl ?? usualPortionMl(schoolOf(kindById(at.kind), at.school)));
}

/** What the server refuses of kept lots, by the lot's id. */
const refusedIn = (errors: Readonly<Record<string, string>>): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(errors).flatMap(([at, why]) => (at.startsWith('kept.') ? [[at.slice('kept.'.length), why]] : [])),
  );

export type MakeAnswer = ActionResult<{ readonly batchId: string }>;

interface Props {
  readonly formulaId: string;
  readonly versionId: string;
  readonly number: number;
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly sides: readonly Side[];
  /** Seconds a piece takes on the heat, as earlier batches were timed. */
  readonly cycleS: number | null;
  /** The end of a forked formula that is asked for; null in one that is not. */
  readonly end: EndId | null;
  readonly pieces: string | null;
  /** The number is of people, and not of pieces. */
  readonly people?: boolean;
  /** All there is of one thing drives it; null: something else does. */
  readonly all?: { readonly ingredientId: string; readonly grams: number } | null;
  /** Bags of this formula's premix that are left. */
  readonly bagged?: readonly Bagged[];
  /** What is kept of earlier makings. */
  readonly kept?: readonly KeptLot[];
  /** The plan that was kept for later, as it stood; null: a new one. */
  readonly plan?: {
    readonly id: string;
    readonly revision: number;
    readonly typed: z.output<typeof planTypedSchema> | null;
  } | null;
  readonly make: (input: unknown) => Promise<MakeAnswer>;
  readonly keep: (input: unknown) => Promise<ActionResult<{ readonly id: string; readonly revision: number }>>;
}

/** Plan: what drives the batch, how it is mixed, what goes with it, and the sheet to mix from. */
export function Plan({
  formulaId,
  versionId,
  number,
  formula,
  house,
  shelf,
  sides,
  cycleS,
  end: asked,
  pieces,
  people = false,
  all = null,
  bagged = NO_BAGS,
  kept = NO_LOTS,
  plan = null,
  make,
  keep,
}: Props) {
  const router = useRouter();
  const time = useTime();
  const was = plan?.typed ?? null;
  const [saved, setSaved] = useState(plan && { id: plan.id, revision: plan.revision });
  const [end, setEnd] = useState(was ? was.end : asked);
  const [typed, setTyped] = useState<PlanTyped>(() => {
    if (was) return was.typed;
    const at = atEnd(formula, asked);
    const school = schoolOf(kindById(at.kind), at.school);
    const pan = school.portionMl === null;
    const poured = at.portionMl ?? usualPortionMl(school);
    // a plan opens at what the card makes
    const makes = (of: Parameters<typeof numbersOf>[0]): number | null => {
      const { volume, tally } = numbersOf(of, at.kind);
      return volume ? piecesOf(pouredG(tally), volume.densityGPerMl, poured).pieces || null : null;
    };
    // eggs of another size than the card's drive it by the card's own
    const lines = countedLines(formula, house, asked);
    const own =
      all &&
      lines
        .flatMap((l) => (l.use === 'batter' ? l.parts : []))
        .find(
          (p) => p.ingredient.id === all.ingredientId || (isShellEgg(all.ingredientId) && isShellEgg(p.ingredient.id)),
        );
    const drives = all && own ? { ingredientId: own.ingredient.id, grams: all.grams } : null;
    return {
      by: drives ? 'ingredient' : pan ? 'factor' : people ? 'guests' : 'pieces',
      amount: drives
        ? massNumber(drives.grams, house.units).replaceAll('\u2009', '')
        : (pieces ?? (pan ? '1' : String(makes(lines) ?? 12))),
      portion: String(poured),
      each: '3',
      seconds: '10',
      testPiece: null,
      head: '35',
      gear: '',
      piecesEach: '1',
      ingredientId: drives?.ingredientId ?? '',
      several: [],
    };
  });
  const [splitTyped, setSplit] = useState<SplitTyped>(was?.split ?? FRESH_SPLIT);
  const [beside, setBeside] = useState<readonly Beside[]>(was?.beside ?? []);
  const [exactness, setExactness] = useState<Exactness>(
    was?.exactness ?? (scalesOf(house.gear).length === 0 ? 'kitchen' : 'gram'),
  );
  const [eggs, setEggs] = useState<number | null>(was?.eggs ?? null);
  const [take, setTake] = useState(was?.take ?? true);
  const [serving, setServing] = useState<Serving | null>(was?.serving ?? null);
  const [servingWrong, setServingWrong] = useState(false);
  const [lit, setLit] = useState<Lit>(was?.lit ?? AS_USUAL);
  const [litSecond, setLitSecond] = useState<Lit>(was?.litSecond ?? AS_USUAL);
  const [bagsTyped, setBags] = useState<TakenTyped>(was?.bags ?? {});
  const [keptTyped, setKept] = useState<TakenTyped>(was?.kept ?? {});
  const [both, setBoth] = useState<Readonly<Record<EndId, BothTyped>> | null>(was?.both ?? null);
  const asking = useAsking();
  const changed = asking.touched;
  const exactId = useId();
  const set = (part: Partial<PlanTyped>): void => {
    changed();
    setEggs(null);
    setTyped((t) => ({ ...t, ...part }));
  };

  const p = usePlan({
    formula,
    house,
    shelf,
    end,
    sides,
    cycleS,
    typed,
    splitTyped,
    beside,
    exactness,
    eggs,
    lit,
    litSecond,
    both,
    bagged,
    bagsTyped,
    keptLots: kept,
    keptTyped,
  });
  const { kind, units, driver, means, planned, split } = p;
  const ok = (planned !== null || p.bagsAlone !== null) && p.besideRead.sides !== null;
  const stops = useMemo(() => unsettled(formula, house, end), [formula, house, end]);
  // a line that is not understood never goes into a batch unseen
  const unread = notUnderstood(p.lines);
  const open = p.lines.filter((l) => l.use === 'batter' && l.parts.length === 0);
  const errors = { ...asking.errors, ...p.errors, ...p.besideRead.errors };

  /** What is asked to start it; null where something has to be said first, which is then asked at its place. */
  const askedNow = () => {
    const asked = split?.split ?? (p.bagsAlone ? ONE : null);
    const drives = driver ?? p.bagsAlone;
    if (!drives || !asked) return null;
    if (p.asksPan && p.panfulMl === null) {
      asking.found({ 'pan.cm': 'It fills its pan: say how wide that is.' });
      return null;
    }
    if (servingWrong) {
      asking.found({ serving: UNREAD_SERVING });
      document.querySelector<HTMLElement>('[aria-label="When it is served"] [aria-invalid]')?.focus();
      return null;
    }
    return {
      versionId,
      driver: drives,
      bagsAlone: driver === null,
      exactness,
      portionMl: p.poured,
      end,
      split: asked,
      eggs,
      sides: p.besideRead.sides,
      serving,
      lit,
      litSecond,
      portionSaid: p.portionSaid ?? undefined,
      bags: p.bags?.taken.map((t) => ({ lotId: t.bagged.lot.id, bags: t.bags })) ?? [],
      kept: p.kept?.taken.map((t) => ({ lotId: t.lot.id, pieces: t.pieces })) ?? [],
      take: take ? (p.short.length > 0 ? 'anyway' : 'enough') : 'no',
    };
  };
  const start = async (): Promise<void> => {
    const what = askedNow();
    if (!what) return;
    const a = await asking.ask((requestId) => make({ ...what, planId: saved?.id ?? null, requestId }), true);
    if (a?.ok) router.push(`/batches/${a.batchId}/prep`);
    // the shelf may have been emptied by another since this page was drawn
    else if (a?.fields.take) router.refresh();
  };

  /** Kept for later: nothing is begun, and nothing leaves the shelf. */
  const keepIt = async (): Promise<void> => {
    const what = askedNow();
    if (!what) return;
    const stands = {
      typed,
      split: splitTyped,
      beside,
      exactness,
      eggs,
      take,
      serving,
      lit,
      litSecond,
      bags: bagsTyped,
      kept: keptTyped,
      both,
      end,
    };
    const a = await asking.ask((requestId) =>
      keep({ id: saved?.id ?? null, revision: saved?.revision ?? null, asked: what, typed: stands, requestId }),
    );
    if (!a?.ok) return;
    setSaved({ id: a.id, revision: a.revision });
    // a reload opens it as it was kept
    window.history.replaceState(null, '', `/formulas/${formulaId}/plan?plan=${a.id}`);
    toast(
      `Kept${serving ? ` for ${time.andDay(serving.at, Date.now())}` : ''}: it waits on Today, and nothing is taken from stock yet.`,
    );
  };

  const spared = washes(p.lines.map((l) => ({ ingredient: l.ingredient, tool: toolOf(l) })));
  const offers = p.pan ? [] : portionsIn(house, kind.id);
  const n = split?.split ? split.split : null;
  const total = p.pieces;
  const piecesName = p.second ? 'pieces' : kind.pieces;

  return (
    <div className="grid gap-6 lg:grid-cols-[23rem_1fr] print:block">
      <section aria-label="What drives the batch" className="flex flex-col gap-4 print:hidden">
        <div className="flex flex-col gap-1">
          <span id={exactId} className="text-sm font-semibold text-soft">
            Measure with
          </span>
          <Taps
            label="Measure with"
            value={exactness}
            onChange={(v) => {
              if (!v) return;
              changed();
              setExactness(v);
            }}
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
              if (v === '') return;
              changed();
              setEggs(null);
              if (v === 'both')
                setBoth({
                  a: { pieces: '6', portion: portionAt(formula, 'a') },
                  b: { pieces: '6', portion: portionAt(formula, 'b') },
                });
              else {
                setBoth(null);
                setEnd(v);
                // another kind is poured in another portion
                if (kindIdOf(formula, v) !== kind.id) set({ portion: portionAt(formula, v) });
              }
            }}
            options={[
              ...formula.ends.map((e) => ({ value: e.id, label: e.name })),
              ...(p.canBoth ? [{ value: 'both' as const, label: 'both from one base' }] : []),
            ]}
          />
        ) : null}
        {both && formula.ends
          ? formula.ends.map((e) => (
              <div key={e.id} className="flex gap-3">
                <Field
                  label={`Pieces, ${e.name}`}
                  inputMode="numeric"
                  value={both[e.id].pieces}
                  onChange={(x) => {
                    changed();
                    setBoth({ ...both, [e.id]: { ...both[e.id], pieces: x.target.value } });
                  }}
                  error={errors[`driver.${e.id}.pieces`]}
                  inputClass="text-xl font-semibold !min-h-14"
                  className="flex-1"
                />
                <Field
                  label={`Portion, ${e.name}`}
                  hint="ml, or 1/3 cup, #12"
                  value={both[e.id].portion}
                  onChange={(x) => {
                    changed();
                    setBoth({ ...both, [e.id]: { ...both[e.id], portion: x.target.value } });
                  }}
                  error={errors[`driver.${e.id}.portionMl`]}
                  inputClass="text-xl font-semibold !min-h-14"
                  className="flex-1"
                />
              </div>
            ))
          : null}
        {driver && partingOf(driver) ? <p className="text-[15px]">{partingWords(driver)}</p> : null}
        {both ? null : (
          <PlanDriver
            typed={typed}
            set={set}
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
            typed={bagsTyped}
            set={(t) => {
              changed();
              setBags(t);
            }}
            offered={bagged}
            read={p.bags}
            portionMl={p.portionMl}
            asked={p.wantedAll - (p.kept?.pieces ?? 0)}
            pieces={kind.pieces}
          />
        ) : null}
        {p.kept && p.wantedAll !== null ? (
          <KeptInPart
            typed={keptTyped}
            set={(t) => {
              changed();
              setKept(t);
            }}
            offered={kept}
            read={{ ...p.kept, errors: { ...refusedIn(asking.errors), ...p.kept.errors } }}
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
            typed={splitTyped}
            set={(part) => {
              changed();
              setEggs(null);
              setSplit((t) => ({ ...t, ...part }));
            }}
            asked={p.splitAsked}
            read={split}
            units={units}
            pieces={piecesName}
          />
        ) : null}
        <BesidePart
          beside={beside}
          set={(b) => {
            changed();
            setBeside(b);
          }}
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
            error={(typed.panCm ?? '') === '' ? asking.errors['pan.cm'] : errors['pan.cm']}
            onChange={(e) => {
              changed();
              setTyped({ ...typed, panCm: e.target.value.slice(0, 6) });
            }}
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
          lit={lit}
          places={p.surfaces}
          onLit={(l) => {
            changed();
            setLit(l);
          }}
        />
        {p.second ? (
          <LitPart
            of={p.second.name}
            gear={house.gear}
            kind={p.second.kind}
            lit={litSecond}
            places={p.second.surfaces}
            onLit={(l) => {
              changed();
              setLitSecond(l);
            }}
          />
        ) : null}
        {p.steps && p.surfaces.length > 0 && (p.second === null || p.second.surfaces.length > 0) ? (
          <ServePart
            steps={p.steps}
            serving={serving}
            onWrong={setServingWrong}
            onServing={(s) => {
              changed();
              setServing(s);
            }}
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
            askedG={p.ready && means ? means.massG / (n?.by === 'bowls' ? n.mixes : 1) : null}
            massG={planned?.one.massG ?? null}
            volumeMl={planned?.one.volumeMl ?? null}
            times={means?.factor ?? null}
            onTimes={(f) => set({ by: 'factor', amount: String(f) })}
          />
        ) : null}
        {p.eggChoice || eggs !== null ? (
          <EggsView
            choice={p.eggChoice}
            chosen={eggs}
            means={means}
            units={units}
            short={p.ready?.short ?? null}
            onFactor={(f) => set({ by: 'factor', amount: String(Number(f.toFixed(4))) })}
            onEggs={(e) => {
              changed();
              setEggs(e);
            }}
            cups={inMeasures(exactness)}
          />
        ) : null}
        <Button
          look="bare"
          className="self-start"
          onClick={() => router.push(`/formulas/${formulaId}?version=${number}`)}
        >
          Back to the bench
        </Button>
      </section>
      <div className="grid content-start gap-4">
        <section aria-label="Start" className="grid gap-3 print:hidden">
          <Unsettled findings={stops} back={`/formulas/${formulaId}?version=${number}`} />
          {p.refused ? (
            <Notice weight="stop" role="alert">
              {p.refused.message}
            </Notice>
          ) : null}
          {unread.length > 0 ? (
            <Notice weight="stop" role="alert">
              {unread.length === 1 ? 'One line is' : `${unread.length} lines are`} not understood:{' '}
              {unread.map((l) => `“${l.text.slice(0, 50)}”`).join(', ')}. Say on the Bench what is meant, or leave it
              out there.{' '}
              <Link className="font-semibold text-rim underline" href={`/formulas/${formulaId}?version=${number}`}>
                To the Bench
              </Link>
            </Notice>
          ) : open.length > 0 ? (
            <Notice weight="look">
              {open.length === 1 ? 'One line has' : `${open.length} lines have`} no grams and{' '}
              {open.length === 1 ? 'is' : 'are'} left as written:{' '}
              {open.map((l) => `"${l.text.slice(0, 50)}"`).join(', ')}.
            </Notice>
          ) : null}
          {ok && p.short.length > 0 ? (
            <Notice weight="look">
              Short in stock:{' '}
              {p.short.map((r) => `${kitchenName(r.ingredient)} ${grams(r.shortG ?? 0, units)}`).join(', ')}.
              {take ? ' Started as it is, the batch takes what there is.' : ''}
            </Notice>
          ) : null}
          <Refusal text={asking.refusal ?? asking.errors.serving ?? null} />
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <Form act={start}>
              <Button type="submit" look="now" size="work" disabled={!ok || unread.length > 0 || asking.busy}>
                {asking.busy ? 'Starting' : p.bagsAlone ? 'Start the bags' : 'Start this batch'}
              </Button>
            </Form>
            <Button size="work" disabled={!ok || unread.length > 0 || asking.busy} onClick={() => void keepIt()}>
              {saved ? 'Keep the change' : 'Keep it for later'}
            </Button>
            <Button size="work" disabled={!ok} onClick={() => window.print()}>
              <Printer size={20} aria-hidden />
              Print
            </Button>
            <Switch
              label="take it from stock"
              on={take}
              onSwitch={(v) => {
                changed();
                setTake(v);
              }}
            />
          </div>
        </section>
        {planned ? (
          <>
            <MeasureSheet
              title={
                formula.ends && !both
                  ? `${formula.name}, ${formula.ends.find((e) => e.id === end)?.name ?? ''}`
                  : formula.name
              }
              about={[
                ...sheetAbout({
                  driver,
                  split: n,
                  wanted: p.wanted,
                  made: planned.pieces?.each ?? null,
                  portionMl: p.pan ? null : p.portionMl,
                  pieces: kind.pieces,
                  massG: planned.massG,
                  volumeMl: planned.volumeMl,
                  cups: inMeasures(exactness),
                  units,
                }),
                `version ${number}`,
                spared > 0
                  ? `measured with spoons, this order spares ${spared === 1 ? 'one rinse' : `${spared} rinses`} against the card’s`
                  : '',
              ]}
              method={p.method}
              lines={oneMix(p.sheet)}
              split={n ?? undefined}
              oneBowl={exactness === 'eye'}
              units={units}
            />
            <div className="grid gap-1 text-[15px] print:hidden">
              {p.density !== null && !p.pan && !p.second ? (
                <YieldWords
                  kind={kind.id}
                  pieces={total}
                  portionMl={p.portionMl}
                  said={p.portionSaid}
                  density={p.density}
                  restMl={p.wanted === null ? (planned.pieces?.restMl ?? null) : null}
                  pace={p.pace}
                  piecesName={kind.pieces}
                  units={units}
                  cups={inMeasures(exactness)}
                />
              ) : null}
              <ClaimView formula={atEnd(formula, end)} lines={p.lines} portionMl={p.pan ? null : p.portionMl} />
              <LargeBowlWords
                house={house}
                formula={formula}
                massG={planned.one.massG}
                leavened={p.lines.some((l) => l.parts.some((x) => x.ingredient.category === 'leavening'))}
              />
            </div>
            <AfterSheet
              notice={`/formulas/${formulaId}/notice?version=${number}${saved ? `&plan=${saved.id}` : ''}`}
              lines={p.account}
              takes={p.takes}
              split={n ?? ONE}
              shelf={shelf}
              units={units}
              pieces={total === null ? null : total + (p.bags?.pieces ?? 0)}
              piecesName={piecesName}
              covers={p.covers}
            />
          </>
        ) : (
          <section aria-label="Mixing sheet" className="rounded-plate bg-white p-5 text-soft">
            {p.bagsAlone
              ? 'All of it comes from bags: started, each has its sheet.'
              : 'The sheet stands here as soon as the numbers on the left are right.'}
          </section>
        )}
      </div>
    </div>
  );
}
