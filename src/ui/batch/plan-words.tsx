import Fraction from 'fraction.js';
import { type Driver, hasTestPiece, wantedPieces } from '@/core/batch/driver';
import type { InKitchen } from '@/core/batch/kitchen';
import { LARGE_BOWL } from '@/core/batch/large-bowl';
import { loadsOf, type Pace } from '@/core/batch/mixes';
import type { Pieces } from '@/core/batch/pieces';
import type { Moved } from '@/core/batch/scale';
import { readRoughly } from '@/core/batch/sheet';
import type { SheetLine } from '@/core/batch/sheet-line';
import { type Means, wholeEggBatches } from '@/core/batch/worth';
import { batterVolume, piecesOf, servedG, toolLossG } from '@/core/batter/volume';
import { yieldClaim } from '@/core/card/method';
import { type Formula, kitchenOf } from '@/core/formula/formula';
import { FILLING_NAMES, type KindId, kindById } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { AnalysableLine } from '@/core/numbers';
import { FINE_SCALES } from '@/core/pantry/gear';
import { writeNumber } from '@/core/quantity/number';
import { counted, grams, massNumber, millilitres, portionWords, type Units } from '@/core/quantity/say';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { unbroken } from '../kit/unbroken';
import { useNoteGear } from '../shared/note-gear';

const quarters = (x: number): string => writeNumber(new Fraction(Math.round(4 * x), 4));

/** "2 guests at 3 each and 1 for seconds: 7 griddle cakes". */
function guestsWords(d: Extract<Driver, { readonly by: 'guests' }>, pieces: string): string {
  const all = wantedPieces(d) ?? 0;
  const more = all - Math.ceil(d.guests * d.each - 1e-9);
  return `${d.guests} ${d.guests === 1 ? 'person' : 'people'} at ${d.each} each${more > 0 ? ` and ${more} for seconds` : ''}: ${counted(all, pieces)}`;
}

/** What the batch comes to, by every other driver. */
export function MeansView({
  means: m,
  batter,
  made,
  driver,
  units,
  pieces,
  cups,
}: {
  readonly means: Means;
  /** As the sheet comes out, rounded lines and all; null where there is none yet. */
  readonly batter: { readonly massG: number; readonly volumeMl: number | null; readonly eggs: number } | null;
  /** What the plan pours; null where nothing is portioned. */
  readonly made: Pieces | null;
  readonly driver: Driver | null;
  readonly units: Units;
  readonly pieces: string;
  /** Taken with cups and spoons: nothing is said in grams. */
  readonly cups: boolean;
}) {
  const [massG, volumeMl] = [batter?.massG ?? m.massG, batter?.volumeMl ?? m.volumeMl];
  const eggs = batter?.eggs ?? m.eggs;
  const said = [
    `${m.factor.toFixed(m.factor < 10 ? 2 : 1)} x the recipe`,
    ...(driver?.by === 'guests' ? [guestsWords(driver, pieces)] : made !== null ? [counted(made.all, pieces)] : []),
    ...(driver && hasTestPiece(driver) ? ['one more to test with'] : []),
    ...(cups
      ? [`${millilitres(volumeMl)} of batter`]
      : [`${grams(m.flourG, units)} of flour`, `${grams(massG, units)} or ${millilitres(volumeMl)} of batter`]),
    ...(eggs > 0.2 ? [`${quarters(eggs)} ${eggs > 1.125 ? 'eggs' : 'egg'}`] : []),
  ];
  return <p className="text-[15px]">{unbroken(`${said.join('; ')}.`)}</p>;
}

const DRIFT_NAMES: Readonly<Record<Moved['ratio'], string>> = {
  co2: 'rise',
  salt: 'salt',
  liquid: 'liquid',
  water: 'water',
  egg: 'egg',
  fat: 'fat',
  sugar: 'sugar',
};
/** Less than this of itself is no move; and so many besides lift and salt are told. */
const MOVES_PCT = 0.05;
const MOST_MOVED = 2;

/**
 * What rounding costs, each as a share of itself: lift and salt always, then what does most. @param all every ratio,
 * not the worst alone
 */
export function Drifted({ moved, all }: { readonly moved: readonly Moved[]; readonly all: boolean }) {
  const always = moved.filter((m) => m.ratio === 'co2' || m.ratio === 'salt');
  const others = moved
    .filter((m) => !always.includes(m) && (all || m.ratio !== 'liquid') && Math.abs(m.pct) >= MOVES_PCT)
    .slice(0, all ? moved.length : MOST_MOVED);
  const said = (m: Moved): string =>
    `${DRIFT_NAMES[m.ratio]} ${Math.abs(m.pct) < MOVES_PCT ? 'not at all' : `by ${m.pct > 0 ? '+' : '\u2212'}${Math.abs(m.pct).toFixed(1)} %`}`;
  return (
    <p className="text-[15px]">
      {[...always, ...others].every((m) => Math.abs(m.pct) < MOVES_PCT)
        ? 'Nothing is lost to rounding.'
        : `Rounding moves ${[...always, ...others].map(said).join(', ')} of what it was.`}
    </p>
  );
}

/** What a scale's steps make of small amounts, where no spoon stands beside them: what that costs, said. */
export function ReadsAs({
  sheet,
  stepG,
  units,
}: {
  readonly sheet: readonly SheetLine[];
  readonly stepG: number;
  readonly units: Units;
}) {
  const rough = readRoughly(sheet, stepG);
  const { busy, note, refusal, waits } = useNoteGear();
  if (rough.length === 0) return null;
  const finer = FINE_SCALES.filter((g) => g.stepG < stepG);
  return (
    <div className="text-[15px] text-soft">
      <p>
        On a scale with steps of {grams(stepG, units)}{' '}
        {rough
          .map(
            (r) =>
              `${r.name.toLowerCase()} reads ${grams(r.reads, units)} (${r.pct > 0 ? '+' : '\u2212'}${Math.abs(r.pct).toFixed(0)} %)`,
          )
          .join(', ')}
        .
      </p>
      {finer.length > 0 ? (
        <p className="flex flex-wrap items-center gap-x-2">
          A finer scale here?
          {finer.map((g) => (
            <Button key={g.name} look="bare" disabled={busy} aria-label={`Note it: ${g.name}`} onClick={() => note(g)}>
              {grams(g.stepG, units)}
            </Button>
          ))}
        </p>
      ) : null}
      <RefusalNotice text={refusal} waits={waits} />
    </div>
  );
}

/** So much more or less batter than asked is told, as a share. */
const SIZE_TOLD = 0.005;
/** More than this of anything by the cup is better weighed. */
const MANY_CUPS_ML = 2900;

/** So near a whole or half card is nearly free, as a share. */
const NEARLY_FREE = 0.08;

/** The whole or half batch that is nearly free; null where none is, or it is that already. */
function nearHalf(times: number): number | null {
  const half = Math.max(0.5, Math.round(2 * times) / 2);
  const off = Math.abs(half / times - 1);
  return off > 1e-3 && off <= NEARLY_FREE ? half : null;
}

/** How the measures were chosen, for one mix. */
export function KitchenWords({
  kitchen,
  askedG,
  massG,
  volumeMl,
  times,
  onTimes,
}: {
  readonly kitchen: InKitchen | null;
  /** What was asked of batter, g. */
  readonly askedG: number | null;
  /** What the batter weighs as it is taken, g, and its ml; null while that is not known. */
  readonly massG: number | null;
  readonly volumeMl: number | null;
  /** Times the card, all of it. */
  readonly times: number | null;
  readonly onTimes: (factor: number) => void;
}) {
  if (!kitchen) return null;
  const half = times === null ? null : nearHalf(times);
  const off = askedG !== null && massG !== null ? massG - askedG : 0;
  return (
    <div className="grid gap-2 text-[15px]" role="status">
      <p className="text-soft">
        Chosen together from your cups and spoons, so that leavening and salt drift least, then liquid
        {kitchen.plainDrift - kitchen.drift > 0.05
          ? `: ${Math.round(100 * (1 - kitchen.drift / kitchen.plainDrift))} % less drift than rounding each line by itself`
          : ''}
        .
      </p>
      {askedG !== null && Math.abs(off) >= SIZE_TOLD * askedG ? (
        <p>
          It comes to {((100 * Math.abs(off)) / askedG).toFixed(1)} % {off < 0 ? 'less' : 'more'} batter than asked.
        </p>
      ) : null}
      {half !== null ? (
        <Button className="justify-self-start" onClick={() => onTimes(half)}>
          {half === 1 ? 'The card as it is' : `${writeNumber(new Fraction(Math.round(2 * half), 2))} x the recipe`}
          <span className="font-normal">
            {' '}
            {`${times !== null && half > times ? '+' : '\u2212'}${times === null ? '' : Math.abs(100 * (half / times - 1)).toFixed(0)} % batter`}
          </span>
        </Button>
      ) : null}
      {volumeMl !== null && volumeMl > MANY_CUPS_ML ? (
        <p>That is many cups: a scale is quicker, and counts no scoop twice.</p>
      ) : null}
    </div>
  );
}

interface EggChoice {
  /** Eggs in one mix, as they come, and the nearest whole number. */
  readonly exact: number;
  readonly whole: number;
  readonly gramsEach: number;
  readonly canBeWhole: boolean;
}

const eggs = (n: number): string => `${n} ${n === 1 ? 'egg' : 'eggs'}`;

/**
 * Eggs that don't come out whole: weigh them, keep them whole and balance the rest, or make another size; side by side.
 */
export function EggsView({
  choice,
  chosen,
  means,
  units,
  short,
  onFactor,
  onEggs,
  cups,
}: {
  readonly choice: EggChoice | null;
  /** Whole eggs that are kept; null: the egg is weighed. */
  readonly chosen: number | null;
  readonly means: Means | null;
  readonly units: Units;
  readonly short: string | null;
  readonly onFactor: (factor: number) => void;
  readonly onEggs: (eggs: number | null) => void;
  readonly cups: boolean;
}) {
  const crack = choice ? Math.ceil(choice.exact - 0.02) : 0;
  return (
    <section aria-label="Eggs" className="grid gap-2 text-[15px]">
      <span aria-hidden className="text-sm font-semibold text-soft">
        Eggs
      </span>
      <Taps
        label="Eggs"
        value={chosen === null ? 'weigh' : 'whole'}
        onChange={(v) => {
          if (v === 'weigh') onEggs(null);
          else if (v === 'whole' && choice) onEggs(choice.whole);
        }}
        options={[
          {
            value: 'weigh',
            label: cups
              ? 'as the measures have it'
              : choice
                ? `weigh ${grams(choice.exact * choice.gramsEach, units)} of ${crack} beaten`
                : 'weigh the egg',
          },
          ...(choice?.canBeWhole || chosen !== null
            ? [{ value: 'whole' as const, label: `${eggs(chosen ?? choice?.whole ?? 0)} whole, re-balance the rest` }]
            : []),
        ]}
      />
      {chosen !== null && short ? <p>{short}</p> : null}
      {means && chosen === null ? (
        <div className="flex flex-wrap items-center gap-2">
          <span className="text-soft">Or another size:</span>
          {wholeEggBatches(means).map((w) => (
            <Button key={w.eggs} onClick={() => onFactor(w.factor)}>
              {eggs(w.eggs)} <span className="font-normal">{w.factor.toFixed(2)} times</span>
            </Button>
          ))}
        </div>
      ) : null}
    </section>
  );
}

/** Less than this share of a portion is not worth a piece of its own. */
const WORTH_A_PIECE = 0.5;

/** Pieces as they are served, the loads they take, and what becomes of the rest. */
export function YieldWords({
  kind,
  pieces,
  portionMl,
  said,
  density,
  restMl,
  pace,
  piecesName,
  units,
  cups,
}: {
  readonly kind: KindId;
  readonly pieces: number | null;
  readonly portionMl: number;
  /** The portion as it was said; null: in millilitres. */
  readonly said: string | null;
  readonly density: number;
  readonly restMl: number | null;
  readonly pace: Pace | null;
  readonly piecesName: string;
  readonly units: Units;
  readonly cups: boolean;
}) {
  if (!(portionMl > 0)) return null;
  const [least, most] = servedG(kind, portionMl * density);
  const loads = pieces !== null && pace && pace.atOnce > 1 ? loadsOf(pieces, pace.atOnce) : null;
  return (
    <>
      <p>
        {cups
          ? `Poured ${portionWords(portionMl, said)} each.`
          : `Poured ${said ? `${said}, ` : ''}${grams(portionMl * density, units)} each, served about ${massNumber(least, units)} to ${grams(most, units)}: the heat takes the rest.`}
        {loads && loads.full > 0 && pace
          ? ` ${pace.atOnce} at once: ${loads.full} full ${FILLING_NAMES[kind]}${loads.full === 1 ? '' : 's'}${
              loads.last > 0
                ? ` and one of ${loads.last}; ${loads.toFill} more ${piecesName} would fill it, to cool and freeze`
                : ''
            }.`
          : ''}
      </p>
      {restMl !== null && restMl > 1 && pieces !== null && pieces > 0 ? (
        <p>
          {millilitres(restMl)} is left over:{' '}
          {restMl >= WORTH_A_PIECE * portionMl
            ? `one small piece, the cook’s or the test.`
            : `${restMl / pieces < 1 ? 'less than a millilitre' : millilitres(restMl / pieces)} more in each, or a mouthful to test with.`}
        </p>
      ) : null}
    </>
  );
}

/** What the card claims to make, against what it pours at this portion. */
export function ClaimView({
  formula,
  lines,
  portionMl,
}: {
  readonly formula: Formula;
  readonly lines: readonly AnalysableLine[];
  readonly portionMl: number | null;
}) {
  const claim = yieldClaim(formula.cardNotes);
  const volume = batterVolume(lines, kindById(formula.kind).air);
  if (!claim || !volume || portionMl === null || !(portionMl > 0)) return null;
  const massG = volume.volumeMl * volume.densityGPerMl;
  const { pieces } = piecesOf(massG, volume.densityGPerMl, portionMl);
  const each = (massG - toolLossG(massG)) / volume.densityGPerMl / claim.pieces;
  return (
    <p>
      The card itself claims {claim.pieces}: it pours {pieces} of {millilitres(portionMl)}
      {pieces === claim.pieces ? '.' : `; its ${claim.pieces} would be of ${millilitres(each)} each.`}
    </p>
  );
}

/** Which school of leavening a large bowl follows, and why. @param massG of one mix */
export function LargeBowlWords({
  house,
  formula,
  massG,
  leavened,
}: {
  readonly house: Kitchen;
  readonly formula: Formula;
  readonly massG: number;
  readonly leavened: boolean;
}) {
  if (!leavened) return null;
  const less = kitchenOf(formula, house).ways.largeBowl === 'less';
  return (
    <p className="text-soft">
      {less && massG >= LARGE_BOWL.fromG
        ? `Each bowl is ${LARGE_BOWL.fromG / 1000} kg or more, and the house takes ${100 * LARGE_BOWL.less} % less leavening there.`
        : less
          ? `Leavening is scaled straight up to ${LARGE_BOWL.fromG / 1000} kg a bowl; from there the house takes ${100 * LARGE_BOWL.less} % less.`
          : 'Leavening grows with the batch.'}
    </p>
  );
}
