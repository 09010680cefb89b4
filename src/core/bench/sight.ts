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
import type { ToldFact } from '../card/told/clause';
import { factsTold } from '../card/told/told';
import { allergensSaid } from '../facts/account';
import { type Finding, heard } from '../findings/finding';
import { sameEdit } from '../formula/act-edits';
import { atEnd, counts, type FormulaLine, kindIdOf, kitchenOf } from '../formula/formula';
import { guessKind, type KindGuess, type Offer, offersFrom, toldBy } from '../formula/from-card';
import { type RailReading, type Thickness, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { formulaLines, isAddIn } from '../formula/lines';
import { namedOn } from '../formula/named-on';
import { pouredG } from '../formula/tally';
import type { KitchenConventions } from '../pantry/conventions';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { findIngredient } from '../pantry/pantry';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { ScriptAct } from '../script/act';
import { type FatLine, houseFatLines } from '../script/pan-fat';
import { scriptOf } from '../script/script';
import { editSaid, editsTold, tellsActs } from '../script/told-acts';
import { lineOffers, scriptLineOf } from '../script/told-lines';
import { bareAsk, type MethodAsk, methodAsks } from './method-asks';

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
export interface CardSight {
  readonly guess: KindGuess | null;
  /** What is not so yet. */
  readonly offers: readonly Offer[];
  /** Lines with a number and no unit, asked together. */
  readonly bare: MethodAsk | null;
  /** What the method leaves open. */
  readonly asks: readonly MethodAsk[];
  readonly told: readonly string[];
}

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
  readonly card: CardSight | null;
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

/** Whether what is offered is already so. */
function isTaken(o: Offer, b: Bench, lines: readonly FormulaLine[]): boolean {
  const k = kitchenOf(b.formula, b.house);
  if (o.what === 'way') return k.ways[o.way] === o.value;
  if (o.what === 'measure') return k.conventions[o.of] === o.value;
  if (o.what === 'act') return b.formula.edits.some((e) => sameEdit(e, o.edit));
  if (o.what === 'portion') return b.formula.portionMl !== null && Math.abs(b.formula.portionMl - o.ml) < 0.5;
  return o.what === 'moment' && lines.find((l) => l.key === o.key)?.moment === o.moment;
}

/** Where a line goes is offered once: as the whole method puts it. */
function offersOn(b: Bench, lines: readonly FormulaLine[], facts: readonly ToldFact[]): readonly Offer[] {
  const { cardNotes: notes } = b.formula;
  const { conventions } = kitchenOf(b.formula, b.house);
  const moved = lineOffers(lines, notes, conventions, (id) => findIngredient(id, conventions.own));
  const others = offersFrom(notes, lines, conventions, facts);
  return [
    ...others.filter((o) => o.what !== 'moment' || !moved.some((m) => m.what === 'moment' && m.key === o.key)),
    ...moved,
  ];
}

/** Acts of this formula as its lines and ways have them. */
function actsOn(
  b: Bench,
  lines: readonly FormulaLine[],
  conventions: KitchenConventions,
  facts: readonly ToldFact[],
): readonly ScriptAct[] {
  if (!facts.some((f) => f.taken === 'asked' || tellsActs(f))) return [];
  const { kind, school } = atEnd(b.formula, b.end);
  const { ways } = kitchenOf(b.formula, b.house);
  // which acts there are hangs on the lines as they stand: no plan is worked for it
  return scriptOf({
    lines: lines.filter((l) => l.ingredient !== null && l.side === null).map(scriptLineOf),
    kind,
    ways,
    pourings: [{ name: null, kind, school }],
    find: (id) => findIngredient(id, conventions.own),
    units: b.house.units,
  }).acts;
}

/** Minutes and heat that the method tells, of acts that this formula has. */
const actOffers = (facts: readonly ToldFact[], acts: readonly ScriptAct[], { units }: Kitchen): readonly Offer[] =>
  editsTold(facts, acts, true).map((edit) => ({
    what: 'act',
    edit,
    says: editSaid(edit, acts.find((a) => a.id === edit.act)?.verb, units),
    words: edit.words ?? '',
  }));

function cardOf(b: Bench, { analysis: a }: Worked, lines: readonly FormulaLine[]): CardSight | null {
  const { name, cardNotes, portionMl } = b.formula;
  const { conventions } = kitchenOf(b.formula, b.house);
  const bare = bareAsk(lines, b.formula, conventions);
  if (cardNotes.trim() === '' && name.trim() === '' && !bare) return null;
  const facts = factsTold(cardNotes, conventions);
  const acts = actsOn(b, lines, conventions, facts);
  const offers = [...offersOn(b, lines, facts), ...actOffers(facts, acts, b.house)];
  const open = methodAsks(facts, b.formula, {
    acts,
    units: b.house.units,
    usualMl: a.school ? usualPortionMl(a.school) : 60,
    densityGPerMl: a.volume?.densityGPerMl ?? null,
  });
  return {
    guess: guessKind(name, lines, cardNotes),
    offers: offers.filter((o) => !isTaken(o, b, lines)),
    bare,
    // a portion that the cook has set is no question
    asks: open.filter(
      (q) => !q.choices.some((o) => isTaken(o, b, lines) || (o.what === 'portion' && portionMl !== null)),
    ),
    // what is offered, or was taken, is not told once more
    told: toldBy(cardNotes)
      .filter((t) => !offers.some((o) => o.what === 'act' && t.words.includes(o.words)))
      .map((t) => t.says),
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
    card: cardOf(b, worked, counted),
  };
}
