/** The form of an ingredient of the kitchen's own: as typed, from what was kept, and to what is sent. */
import type { KitchenConventions } from '@/core/pantry/conventions';
import { type Allergen, type Category, kitchenName } from '@/core/pantry/ingredient';
import type { OwnThing, Packet, Panel, PanelBase } from '@/core/pantry/packet';
import { findIngredient, PANTRY } from '@/core/pantry/pantry';
import { typedNumber } from '@/core/quantity/typed';
import { ingredientNamed } from '../shared/ingredient-field';

export const FIGURES = [
  ['kcal', 'Energy', 'kcal'],
  ['fatG', 'Fat', 'g'],
  ['carbohydrateG', 'Carbohydrate', 'g'],
  ['sugarsG', 'of which sugars', 'g'],
  ['fibreG', 'Fibre', 'g'],
  ['proteinG', 'Protein', 'g'],
  ['saltG', 'Salt', 'g'],
] as const;
export const MORE_FIGURES = [
  ['waterG', 'Water', 'g'],
  ['alcoholG', 'Alcohol', 'g'],
] as const;
export type Figure = (typeof FIGURES)[number][0] | (typeof MORE_FIGURES)[number][0];

const KJ_PER_KCAL = 4.184;
/** g of salt in a gram of sodium, as packets count. */
const SALT_PER_SODIUM = 2.5;

export interface PacketFields {
  readonly name: string;
  readonly by: 'panel' | 'blend';
  readonly category: Category;
  readonly like: string;
  readonly base: PanelBase;
  readonly baseG: string;
  readonly figures: Readonly<Record<Figure, string>>;
  readonly energyIn: 'kcal' | 'kJ';
  readonly saltAs: 'salt' | 'sodium';
  readonly fibreWithin: boolean;
  readonly leavened: boolean;
  readonly gPer100Ml: string;
  readonly allergens: 'unread' | 'none' | 'some';
  readonly held: readonly Allergen[];
  readonly members: readonly { readonly name: string; readonly parts: string }[];
}

const NO_FIGURES: Readonly<Record<Figure, string>> = {
  kcal: '',
  fatG: '',
  carbohydrateG: '',
  sugarsG: '',
  fibreG: '',
  proteinG: '',
  saltG: '',
  waterG: '',
  alcoholG: '',
};
const EMPTY: PacketFields = {
  name: '',
  by: 'panel',
  category: 'flour',
  like: '',
  base: '100g',
  baseG: '',
  figures: NO_FIGURES,
  energyIn: 'kcal',
  saltAs: 'salt',
  fibreWithin: false,
  leavened: false,
  gPer100Ml: '',
  allergens: 'unread',
  held: [],
  members: [
    { name: '', parts: '' },
    { name: '', parts: '' },
  ],
};

const shown = (x: number | null): string => (x === null ? '' : String(Number(x.toFixed(4))));

export function formOf(t: OwnThing | null, house: KitchenConventions): PacketFields {
  if (!t) return EMPTY;
  const p = t.packet;
  const nameOf = (id: string): string => kitchenName(findIngredient(id, house.own) ?? { name: id });
  if (p.by === 'blend')
    return {
      ...EMPTY,
      name: t.name,
      by: 'blend',
      category: p.category,
      members: p.members.map((m) => ({ name: nameOf(m.ingredientId), parts: String(m.parts) })),
    };
  return {
    ...EMPTY,
    name: t.name,
    category: p.category,
    like: p.like === null ? '' : nameOf(p.like),
    base: p.base,
    baseG: shown(p.baseG),
    figures: {
      kcal: shown(p.kcal),
      fatG: shown(p.fatG),
      carbohydrateG: shown(p.carbohydrateG),
      sugarsG: shown(p.sugarsG),
      fibreG: shown(p.fibreG),
      proteinG: shown(p.proteinG),
      saltG: shown(p.saltG),
      waterG: shown(p.waterG),
      alcoholG: shown(p.alcoholG),
    },
    fibreWithin: p.fibreWithin,
    leavened: p.leavened,
    gPer100Ml: shown(p.gPer100Ml),
    allergens: p.allergens === null ? 'unread' : p.allergens.length === 0 ? 'none' : 'some',
    held: p.allergens ?? [],
  };
}

export type Errors = Readonly<Record<string, string>>;

/** A typed number: null when empty; an error at its field when it is none. */
function numberAt(field: string, text: string, errors: Record<string, string>): number | null {
  // "under 0.1" is printed as "<0.1", and nothing as a dash
  const t = text.trim().replace(/^</, '');
  if (t === '' || t === '-') return null;
  const x = typedNumber(t);
  if (!Number.isFinite(x)) errors[field] = 'Write a number, or leave it empty where the packet is silent.';
  else if (x < 0) errors[field] = 'Not less than nothing.';
  else return x;
  return null;
}

export function packetOf(
  f: PacketFields,
  house: KitchenConventions,
): { readonly packet: Packet; readonly errors: Errors } {
  const errors: Record<string, string> = {};
  if (f.name.trim() === '') errors.name = 'Give it a name.';
  if (f.by === 'blend') {
    const members = f.members.flatMap((m, n) => {
      if (m.name.trim() === '' && m.parts.trim() === '') return [];
      const i = ingredientNamed(m.name, house);
      if (!i) errors[`members.${n}`] = 'The pantry has nothing, or more than one thing, of that name.';
      return [{ ingredientId: i?.id ?? '', parts: numberAt(`members.${n}`, m.parts, errors) ?? 0 }];
    });
    return { packet: { by: 'blend', category: f.category, members }, errors };
  }
  const like = f.like.trim() === '' ? null : ingredientNamed(f.like, house);
  if (f.like.trim() !== '' && (!like || !PANTRY.some((i) => i.id === like.id)))
    errors.like = 'Name one that came with the pantry, or leave it empty.';
  const fig = (k: Figure): number | null => numberAt(k, f.figures[k], errors);
  const energy = fig('kcal');
  const salt = fig('saltG');
  const panel: Panel = {
    by: 'panel',
    category: f.category,
    like: like?.id ?? null,
    base: f.base,
    baseG: f.base === '100g' ? null : numberAt('baseG', f.baseG, errors),
    kcal: energy === null ? null : f.energyIn === 'kJ' ? energy / KJ_PER_KCAL : energy,
    fatG: fig('fatG'),
    carbohydrateG: fig('carbohydrateG'),
    sugarsG: fig('sugarsG'),
    fibreG: fig('fibreG'),
    fibreWithin: f.fibreWithin,
    proteinG: fig('proteinG'),
    // sodium stands on packets in milligrams
    saltG: salt === null ? null : f.saltAs === 'sodium' ? (salt * SALT_PER_SODIUM) / 1000 : salt,
    alcoholG: fig('alcoholG'),
    waterG: fig('waterG'),
    leavened: f.leavened,
    gPer100Ml: numberAt('gPer100Ml', f.gPer100Ml, errors),
    allergens: f.allergens === 'unread' ? null : f.allergens === 'none' ? [] : f.held,
  };
  return { packet: panel, errors };
}
