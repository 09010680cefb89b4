/**
 * What is seen of a formula on the Bench, in plain values: a server can work it for the first look and send it, and the
 * same is worked in the browser from the first change on.
 */
import type { Worked } from '../analyse-formula';
import type { Bench } from '../balance/bench';
import { restsOnFill } from '../balance/fills';
import { blendOf } from '../balance/lines';
import { lineStandIns } from '../balance/swap-table';
import { atOnce } from '../batter/portions';
import { liesAs, MOST_TIMED_MM } from '../batter/spread';
import { piecesOf } from '../batter/volume';
import { allergensSaid } from '../facts/account';
import { type Finding, heard } from '../findings/finding';
import { counts, type FormulaLine, kindIdOf, kitchenOf } from '../formula/formula';
import { type RailReading, type Thickness, usualPortionMl } from '../formula/kinds';
import { formulaLines, isAddIn } from '../formula/lines';
import { namedOn } from '../formula/named-on';
import { pouredG } from '../formula/tally';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { findIngredient } from '../pantry/pantry';
import { behaviourOf } from '../pantry/tables/behaviour';
import { type FatLine, houseFatLines } from '../script/pan-fat';

/** An ingredient as it is picked. */
type Pickable = Pick<Ingredient, 'id' | 'name'>;

/** What the menu of a line offers beyond what every line has. */
interface LineCan {
  readonly swap: boolean;
  readonly drive: boolean;
  /** Yolks here, whites there. */
  readonly apart: boolean;
  /** When it was opened. */
  readonly age: boolean;
  /** Squeezed or drained. */
  readonly drain: boolean;
  /** Its whites can be whipped apart: its own words leave that open. */
  readonly whip: boolean;
  /** It can wait for the rest, and is no add-in. */
  readonly wait: boolean;
}

/** A line as the sheet shows it: without its amounts and parts, and of other ingredients no more than is picked. */
export interface BenchLine
  extends Omit<
    FormulaLine,
    'amounts' | 'written' | 'parts' | 'ingredient' | 'alternatives' | 'suggestions' | 'readings'
  > {
  readonly ingredient: Pickable | null;
  /** What it is called without how much of it. */
  readonly called: string;
  readonly flour: boolean;
  readonly hasAmount: boolean;
  readonly alternatives: readonly Pickable[];
  readonly suggestions: readonly Pickable[];
  readonly readings: readonly { readonly text: string; readonly why: string }[];
  readonly can: LineCan;
}

/** How the batter pours, how many there are and how one lies; millilitres, centimetres and millimetres. */
export interface PourSight {
  readonly pour: Thickness;
  readonly foamed: boolean;
  readonly volumeMl: number;
  readonly portionMl: number;
  readonly usualMl: number;
  /** Null where it fills a pan. */
  readonly pieces: number | null;
  readonly piecesName: string;
  readonly lies: {
    readonly acrossCm: number;
    readonly thickMm: number;
    readonly thickOnHeat: boolean;
    readonly atOnce: readonly { readonly name: string; readonly pieces: number }[];
  } | null;
}

/** What the card says of its own ways, and the kind it seems to be. */
export interface BenchSight {
  /** Every line, those switched off and those of the other end too. */
  readonly lines: readonly BenchLine[];
  readonly flourG: number;
  /** Two and more flours that count: what each weighs. */
  readonly blend: readonly Pick<BenchLine, 'key' | 'grams'>[];
  readonly rails: readonly RailReading[];
  /** Percent of flour. */
  readonly percent: { readonly liquid: number; readonly sweetness: number } | null;
  readonly findings: readonly Finding[];
  /** Those that speak, and those the cook has answered. */
  readonly open: readonly Finding[];
  readonly dismissed: readonly Finding[];
  /** Lines of the batter that weigh nothing yet. */
  readonly asks: number;
  readonly pour: PourSight | null;
  /** An amount rests on how a cup is filled. */
  readonly restsOnFill: boolean;
  /** A sentence or two; null where there is nothing to tell. */
  readonly allergens: string | null;
}

const pickable = ({ id, name }: Ingredient): Pickable => ({ id, name });

/** A line that says itself what is done with its whites. */
const SAYS_WHIPPED = /\b(?:separated?|whipped|beaten|whisked|stiff|peaks?)\b/i;

/** Lines as last shown: what has not changed is the same, by reference too, so that no row is drawn anew. */
const shown = new WeakMap<FormulaLine, BenchLine>();

function benchLine(l: FormulaLine): BenchLine {
  const known = shown.get(l);
  if (known) return known;
  const { amounts, written: _, parts, ingredient: i, alternatives, suggestions, readings, ...own } = l;
  const made: BenchLine = {
    ...own,
    ingredient: i && pickable(i),
    called: namedOn(l),
    flour: i !== null && isFlour(i),
    hasAmount: amounts.length > 0,
    alternatives: alternatives.map((a) => pickable(a.ingredient)),
    suggestions: suggestions.map(pickable),
    readings: readings.map(({ text, why }) => ({ text, why })),
    can: {
      swap: !l.off && lineStandIns(l).length > 0,
      drive: !l.off && l.use === 'batter' && l.grams !== null && l.drainedG === 0,
      apart: !l.off && i?.category === 'egg' && i.id !== 'egg-yolk' && i.id !== 'egg-white' && parts.length === 1,
      age: !l.off && (i?.ownAcidMeqPer100g ?? 0) > 0 && i?.category === 'leavening',
      drain: !l.off && i !== null && l.use === 'batter' && l.grams !== null && behaviourOf(i).boundWater,
      whip: !l.off && i?.category === 'egg' && i.id !== 'egg-yolk' && !SAYS_WHIPPED.test(l.text),
      wait: !l.off && l.use === 'batter' && i !== null && !isAddIn(l),
    },
  };
  shown.set(l, made);
  return made;
}

function pourOf(b: Bench, { analysis: a }: Worked): PourSight | null {
  if (!a.thickness || !a.volume) return null;
  const portionMl = a.portionMl ?? 60;
  const pan = a.school?.portionMl === null;
  const spread = a.kind && !pan ? liesAs(a.kind, a, portionMl) : null;
  return {
    pour: a.thickness.pour,
    foamed: a.volume.foamed,
    volumeMl: a.volume.volumeMl,
    portionMl,
    usualMl: a.school ? usualPortionMl(a.school) : 60,
    pieces: pan ? null : piecesOf(pouredG(a.tally), a.volume.densityGPerMl, portionMl).pieces,
    piecesName: a.kind?.pieces ?? 'pieces',
    lies: spread && {
      acrossCm: spread.diameterCm,
      thickMm: spread.thickMm,
      thickOnHeat: spread.thickMm > MOST_TIMED_MM && !a.volume.foamed,
      atOnce: a.kind?.tilted ? [] : atOnce(b.house, spread.diameterCm),
    },
  };
}

/** What the house takes into the pan for it. */
function fatOf(b: Bench, { lines }: Worked): readonly FatLine[] {
  const k = kitchenOf(b.formula, b.house);
  return houseFatLines(lines, k.ways, kindIdOf(b.formula, b.end), (id) => findIngredient(id, k.conventions.own));
}

/** @param worked the formula on the bench, worked: `workedOn(b)` */
export function sightOf(b: Bench, worked: Worked): BenchSight {
  const { analysis: a } = worked;
  const all = formulaLines(b.formula, b.house);
  const counted = all.filter((l) => counts(l, b.end));
  const { open, dismissed } = heard(a, b.formula);
  return {
    lines: all.map(benchLine),
    flourG: a.tally.flourG,
    blend: blendOf(counted).map(({ key, grams }) => ({ key, grams })),
    rails: a.rails,
    percent: a.percent && { liquid: a.percent.liquid, sweetness: a.percent.sweetness },
    findings: a.findings,
    open,
    dismissed,
    asks: all.filter((l) => !l.off && l.use === 'batter' && l.parts.length === 0 && l.text.trim() !== '').length,
    pour: pourOf(b, worked),
    restsOnFill: restsOnFill(worked),
    allergens: allergensSaid([...worked.lines, ...fatOf(b, worked)]),
  };
}
