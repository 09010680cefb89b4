/**
 * What a lot was, for ever: written when it is made, from what the house, the pantry and the product were that day. Its
 * label, its allergens, its additions and its directions are read from here alone, so that a change elsewhere changes
 * no bag.
 */

import { nutritionOf } from '../facts/account';
import { kindById, schoolOf, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { allergensOf, type TallyPart } from '../formula/tally';
import { type Allergen, type Ingredient, isA, kitchenName, membersOf } from '../pantry/ingredient';
import { saturatesG } from '../pantry/tables/saturates';
import { asRead, listAnd, minutesAndSeconds, minutesOrHours, grams as sayGrams, temperature } from '../quantity/say';
import type { ScriptLine } from '../script/making';
import { actIn, foldingIn, heatIn, joiningIn } from '../script/read';
import { scriptOf } from '../script/script';
import type { FrozenLot, LabelNutrition, LotItem, PremixSettings, Run } from './premix';
import type { Additions, Product } from './products';
import { eggWords, piecesOfMix } from './use';

/** What a compound thing is usually made of: ours, for the maker to hold against the packet. */
const COMPOUND: Readonly<Record<string, string>> = {
  'baking-powder-double-al': 'sodium bicarbonate, sodium aluminium sulphate, monocalcium phosphate, maize starch',
  'baking-powder-double-alfree': 'sodium bicarbonate, calcium phosphates, maize starch',
  'baking-powder-sapp': 'disodium diphosphate, sodium bicarbonate, starch',
  'baking-powder-single': 'potassium tartrate, sodium bicarbonate, starch',
  'flour-self-raising-us': 'wheat flour, monocalcium phosphate, sodium bicarbonate, salt',
  'flour-self-raising-uk': 'wheat flour, calcium phosphates, sodium bicarbonate',
  'chocolate-chips': 'cocoa mass, sugar, cocoa butter',
};

/** Words that name an allergen in an ingredient's own name. */
const NAMED: Partial<Readonly<Record<Allergen, RegExp>>> = {
  wheat: /wheat|spelt|semolina|durum/i,
  gluten: /wheat|spelt|rye|barley|oats?\b|durum|semolina/i,
  milk: /butter ?milk|milk|cream|butter|whey|cheese|yog[h]?urt/i,
  egg: /eggs?/i,
  peanut: /peanuts?/i,
  'tree-nut': /almonds?|hazelnuts?|walnuts?|pecans?|pistachios?|cashews?/i,
  soy: /soya?/i,
  sesame: /sesame|tahini/i,
  lupin: /lupin/i,
  mustard: /mustard/i,
};

/** A name with what names its allergens set apart; an allergen it does not name stands behind it. */
function emphasised(name: string, i: Ingredient, names: ReadonlyMap<Allergen, string>): readonly Run[] {
  const held = i.allergens.filter((a) => names.has(a));
  const named = held.map((a) => NAMED[a]?.exec(name)?.[0]).filter((w): w is string => Boolean(w));
  const [word] = [...named].sort((a, b) => b.length - a.length);
  // gluten is told by its grain
  const untold = held.filter((a) => !NAMED[a]?.test(name) && !(a === 'gluten' && held.includes('wheat')));
  const tail: readonly Run[] = untold.flatMap((a) => [
    { text: ' (' },
    { text: (names.get(a) ?? a).toUpperCase(), strong: true },
    { text: ')' },
  ]);
  if (!word) return [{ text: name }, ...tail];
  const at = name.indexOf(word);
  return [
    { text: name.slice(0, at) },
    { text: word.toUpperCase(), strong: true },
    { text: name.slice(at + word.length) },
    ...tail,
  ].filter((r) => r.text !== '');
}

/** Ingredients in falling order by weight, compound ones with what they hold in brackets. @param find the pantry */
export function ingredientRuns(
  contents: readonly LotItem[],
  find: (id: string) => Ingredient | undefined,
): readonly Run[] {
  const all = [...contents].sort((a, b) => b.grams - a.grams);
  const names = new Map(
    allergensOf(all.map((c) => ({ use: 'batter' as const, parts: partOf(c, find) }))).held.map(
      (h) => [h.allergen, h.name] as const,
    ),
  );
  return all.flatMap((c, n): readonly Run[] => {
    const i = find(c.id);
    // a comma within a name reads as another ingredient
    const name = c.name.toLowerCase().replace(/, /g, ' ');
    const inside = i ? (COMPOUND[i.id] ?? COMPOUND[i.like ?? ''] ?? null) : null;
    const members = i?.blend ? membersOf(i) : [];
    const runs: Run[] = [...(n > 0 ? [{ text: ', ' }] : []), ...(i ? emphasised(name, i, names) : [{ text: name }])];
    if (inside) runs.push({ text: ` (${inside})` });
    else if (i && members.length > 1) {
      runs.push({ text: ' (' });
      [...members]
        .sort((a, b) => b.share - a.share)
        .forEach((m, k) => {
          runs.push(
            ...(k > 0 ? [{ text: ', ' }] : []),
            ...emphasised(kitchenName(m.ingredient).toLowerCase(), m.ingredient, names),
          );
        });
      runs.push({ text: ')' });
    }
    return runs;
  });
}

const partOf = (c: LotItem, find: (id: string) => Ingredient | undefined): readonly TallyPart[] => {
  const ingredient = find(c.id);
  return ingredient ? [{ ingredient, grams: c.grams }] : [];
};

/** Energy of a gram as food labels count it, kcal and kJ: what a label says of energy is what its own macros come to. */
const ENERGY = {
  fat: { kcal: 9, kJ: 37 },
  carbohydrate: { kcal: 4, kJ: 17 },
  protein: { kcal: 4, kJ: 17 },
  fibre: { kcal: 2, kJ: 8 },
  alcohol: { kcal: 7, kJ: 29 },
} as const;
/** g in 100 g that a label, which tells tenths, does not show. */
const BELOW_TENTH_G = 0.05;

/** Saturated fat in 100 g of a mix; null where what may hold a tenth of a gram of it is not known. */
export function saturatesPer100(
  contents: readonly LotItem[],
  find: (id: string) => Ingredient | undefined,
): { readonly g: number | null; readonly unknown: readonly string[] } {
  const massG = contents.reduce((a, c) => a + c.grams, 0);
  const parts = contents
    .flatMap((c) => partOf(c, find))
    .flatMap((p) =>
      membersOf(p.ingredient).map((m) => ({ ingredient: m.ingredient, per: (100 * m.share * p.grams) / massG })),
    );
  const open = parts.filter((p) => saturatesG(p.ingredient) === null);
  const hidden = open.reduce((a, p) => a + (p.ingredient.per100g.fatG * p.per) / 100, 0);
  const unknown = hidden < BELOW_TENTH_G ? [] : open.map((p) => kitchenName(p.ingredient));
  return {
    g: unknown.length > 0 ? null : parts.reduce((a, p) => a + ((saturatesG(p.ingredient) ?? 0) * p.per) / 100, 0),
    unknown,
  };
}

/** g of salt a label means by a milligram of sodium. */
const SALT_PER_SODIUM_MG = 0.0025;

function nutritionPer100(
  contents: readonly LotItem[],
  find: (id: string) => Ingredient | undefined,
): LabelNutrition | null {
  const massG = contents.reduce((a, c) => a + c.grams, 0);
  const parts = contents.flatMap((c) => partOf(c, find));
  const { of, gaps } = nutritionOf([{ use: 'batter', parts }]);
  if (parts.length < contents.length || !(massG > 0) || Object.keys(gaps).length > 0) return null;
  const per = (x: number): number => (100 * x) / massG;
  const alcoholG = parts.reduce((g, p) => g + (p.ingredient.per100g.alcoholG * p.grams) / 100, 0);
  const energy = (unit: 'kcal' | 'kJ'): number =>
    per(
      of.fatG * ENERGY.fat[unit] +
        (of.sugarsG + of.starchG) * ENERGY.carbohydrate[unit] +
        of.proteinG * ENERGY.protein[unit] +
        of.fibreG * ENERGY.fibre[unit] +
        alcoholG * ENERGY.alcohol[unit],
    );
  return {
    kJ: energy('kJ'),
    kcal: energy('kcal'),
    fatG: per(of.fatG),
    saturatesG: saturatesPer100(contents, find).g,
    carbohydrateG: per(of.sugarsG + of.starchG),
    sugarsG: per(of.sugarsG),
    fibreG: per(of.fibreG),
    proteinG: per(of.proteinG),
    saltG: per(of.sodiumMg) * SALT_PER_SODIUM_MG,
  };
}

const upper = (s: string): string => s.replace(/^./, (c) => c.toUpperCase());

/** The bag in its bowl, and what is added to it, as lines of a making. @param whips its whites are whipped, at the bench */
function linesOf(contents: readonly LotItem[], added: Additions['parts'], whips: boolean): readonly ScriptLine[] {
  const bare = { text: '', preparation: '' };
  return [
    { ...bare, key: 'bag', name: 'the bag', vessel: 'dry', grams: 100, parts: contents.map(({ id }) => ({ id })) },
    ...added.map(
      ({ ingredient: i, grams }, n): ScriptLine => ({
        ...bare,
        key: `added${n}`,
        name: kitchenName(i),
        vessel: 'wet',
        grams,
        parts: [{ id: i.id }],
        ...(whips && i.category === 'egg' && i.id !== 'egg-yolk' && { preparation: 'separated' }),
      }),
    ),
  ];
}

/** Fat that is hard in the cold: it goes into the bowl melted. */
const MELTED = /^(?:butter-(?!milk)|lard$|shortening|tallow|duck-fat|oil-coconut|margarine)/;

/**
 * How a bag becomes a good, in full: additions, joining, whites folded last where they are, rest, heat, portion and
 * yield.
 * @param bagG g of mix in one bag @param whips its whites are whipped, at the bench
 */
function directionsOf(
  a: Pick<Additions, 'product' | 'parts' | 'analysis'>,
  contents: readonly LotItem[],
  bagG: number,
  house: Kitchen,
  find: (id: string) => Ingredient | undefined,
  whips = false,
): string {
  const kind = kindById(a.product.kind);
  const school = schoolOf(kind, a.product.school);
  const { units, ways } = house;
  const list = a.parts.map((p) => {
    const g = (p.grams * bagG) / 100;
    const melted = MELTED.test(p.ingredient.id) ? 'melted ' : '';
    return `${sayGrams(g, units)} ${melted}${kitchenName(p.ingredient).toLowerCase()}${eggWords(p.ingredient, g)}`;
  });
  const adds = listAnd(list) || 'nothing';
  const portionMl = school.portionMl === null ? null : usualPortionMl(school);
  const script = scriptOf({
    lines: linesOf(contents, a.parts, whips),
    kind: kind.id,
    ways,
    pourings: [{ name: null, kind: kind.id, school: school.id, portionMl }],
    find,
    units: { temperature: 'C' },
  });
  const [joining, folding, rest] = [joiningIn(script), foldingIn(script), actIn(script, 'rest')];
  const { zoneC, cues, times } = heatIn(script);
  const pieces =
    portionMl === null ? null : piecesOfMix(bagG, a.parts, a.analysis.volume?.densityGPerMl ?? 1, portionMl);
  return asRead(
    [
      `To a bag add ${adds}.`,
      `${upper(joining.combines.join(' '))} Mix ${joining.far.words}.`,
      folding ? upper(folding.steps.join(' ')) : '',
      rest?.minutes ? `Rest ${minutesOrHours(rest.minutes.all)}.` : '',
      `Heat ${zoneC.map((c) => temperature(c, units)).join(' to ')}.`,
      portionMl === null ? '' : `Pour ${portionMl} ml each.`,
      `${upper(cues.first)}${cues.second ? `; then ${cues.second}` : ''}.`,
      `About ${minutesAndSeconds(times.first)} min${times.second === null ? '' : `, then ${minutesAndSeconds(times.second)}`}.`,
      pieces === null ? '' : `Makes about ${pieces}.`,
    ]
      .filter(Boolean)
      .join(' '),
    units,
  );
}

/** "Waffles"; where a label has two of a kind, with its style: "Waffles, crisp". */
function titleOf(p: Product, all: readonly Product[]): string {
  const kind = kindById(p.kind);
  const isOne = all.filter((x) => x.kind === p.kind).length < 2;
  return `${upper(kind.pieces)}${isOne ? '' : `, ${schoolOf(kind, p.school).name.toLowerCase()}`}`;
}

const LABEL_CAUTION = 'Do not eat raw: flour is uncooked.';

/** What a lot is, as it is made. @param products those it can become, the formula's own first */
export function frozenLot(
  q: {
    readonly name: string;
    readonly bagG: number;
    readonly contents: readonly LotItem[];
    readonly settings: Pick<PremixSettings, 'storage' | 'code'>;
    readonly products: readonly Additions[];
    /** The formula's own whites are whipped, at the bench. */
    readonly whips?: boolean;
  },
  house: Kitchen,
  find: (id: string) => Ingredient | undefined,
): FrozenLot {
  const parts = q.contents.flatMap((c) => partOf(c, find));
  const { held } = allergensOf([{ use: 'batter', parts }]);
  return {
    name: q.name,
    maker: house.maker.name,
    place: house.maker.place,
    ingredients: ingredientRuns(q.contents, find),
    contains: held.map((h) => h.name),
    nutrition: nutritionPer100(q.contents, find),
    storage: q.settings.storage,
    code: q.settings.code,
    cautions: [
      LABEL_CAUTION,
      ...(parts.some((p) => isA(p.ingredient, 'honey')) ? ['Honey: not for infants under one.'] : []),
      ...(parts.some((p) => p.ingredient.per100g.alcoholG > 0.5) ? ['Holds alcohol.'] : []),
    ],
    products: q.products
      .filter((p, n) => n === 0 || p.against.length === 0)
      .map((p, n) => {
        const school = schoolOf(kindById(p.product.kind), p.product.school);
        return {
          product: p.product,
          title: titleOf(
            p.product,
            q.products.map((x) => x.product),
          ),
          parts: p.parts.map((x) => ({ id: x.ingredient.id, name: kitchenName(x.ingredient), grams: x.grams })),
          density: p.analysis.volume?.densityGPerMl ?? 1,
          portionMl: school.portionMl === null ? null : usualPortionMl(school),
          directions: directionsOf(p, q.contents, q.bagG, house, find, n === 0 && q.whips === true),
        };
      }),
    units: house.units,
    leastPt: house.maker.leastPt,
  };
}

/**
 * What the pantry knows otherwise of a lot's contents than when its label was written: allergens it holds that the
 * label lacks, and in what.
 */
export function lacksSince(
  f: Pick<FrozenLot, 'contains'>,
  contents: readonly LotItem[],
  find: (id: string) => Ingredient | undefined,
): string {
  const { held } = allergensOf([{ use: 'batter', parts: contents.flatMap((c) => partOf(c, find)) }]);
  return held
    .filter((h) => !f.contains.includes(h.name))
    .map((h) => `${h.name.toLowerCase()}, in ${h.from.join(', ').toLowerCase()}`)
    .join('; ');
}

/**
 * What a label usually carries and this one lacks, and what its maker has to look up: for the page, never for the bag.
 */
export function labelGaps(
  f: FrozenLot,
  contents: readonly LotItem[],
  find: (id: string) => Ingredient | undefined,
): readonly string[] {
  const parts = contents.flatMap((c) => partOf(c, find));
  const { unstated } = allergensOf([{ use: 'batter', parts }]);
  const compound = parts
    .filter((p) => COMPOUND[p.ingredient.id] ?? COMPOUND[p.ingredient.like ?? ''])
    .map((p) => kitchenName(p.ingredient).toLowerCase());
  const gone = contents.filter((c) => !find(c.id)).map((c) => c.name);
  return [
    ...(f.maker === '' ? ['Who makes it: under House, Maker.'] : []),
    ...(f.place === '' ? ['Where it is made: under House, Maker.'] : []),
    ...(f.nutrition === null ? ['Nutrition: something in it is not known, so nothing is said.'] : []),
    ...(unstated.length > 0 ? [`Allergens of ${unstated.join(', ').toLowerCase()}: not stated, ask the packet.`] : []),
    ...(gone.length > 0 ? [`${gone.join(', ')}: no longer in the pantry, allergens not known.`] : []),
    ...(compound.length > 0
      ? [`What is in brackets after ${compound.join(', ')} is usual: hold it against your packet.`]
      : []),
    ...(f.nutrition && f.nutrition.saturatesG === undefined
      ? ['Saturated fat: not said, as when this lot was made.']
      : []),
    ...(f.nutrition?.saturatesG === null
      ? [
          `Saturated fat: not known of ${saturatesPer100(contents, find).unknown.join(', ').toLowerCase()}, so nothing is said.`,
        ]
      : f.nutrition?.saturatesG !== undefined
        ? ['Saturated fat is worked out from usual shares of the fat: hold it against your packets.']
        : []),
    'Traces of what else is worked with here: not said.',
    'What a label has to say is the local food code’s: check with it before anything is sold.',
  ];
}
