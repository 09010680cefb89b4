/** How each editable row is parted when two change it at once, and what its parts are called. */
import { type Shape, same } from './merge';

const whole = (...names: string[]): Readonly<Record<string, Shape>> =>
  Object.fromEntries(names.map((n) => [n, 'whole' as const]));

export const SHAPES = {
  house: {
    fields: {
      conventions: 'record',
      ways: 'record',
      units: 'record',
      maker: 'record',
      gear: { by: 'id' },
      drawer: 'set',
    },
  },
  stock: { fields: whole('price', 'packG', 'opened', 'bestBefore') },
  thing: {
    fields: {
      ...whole('name'),
      packet: {
        fields: {
          ...whole(
            'by',
            'category',
            'like',
            'base',
            'baseG',
            'kcal',
            'fatG',
            'carbohydrateG',
            'sugarsG',
            'fibreG',
            'fibreWithin',
            'proteinG',
            'saltG',
          ),
          ...whole('alcoholG', 'waterG', 'leavened', 'gPer100Ml'),
          allergens: 'set',
          members: { by: 'ingredientId' },
        },
      },
    },
  },
  side: { fields: { ...whole('name', 'by', 'servingG', 'method'), parts: { by: 'ingredientId' } } },
  premix: {
    fields: {
      ...whole('name'),
      settings: {
        fields: {
          ...whole(
            'bagG',
            'densityGPerMl',
            'months',
            'storage',
            'code',
            'bagged',
            'packaging',
            'minutesABag',
            'hour',
            'lossPct',
            'price',
          ),
          powders: 'record',
          products: 'whole',
          sizes: 'whole',
        },
      },
    },
  },
  serving: { fields: { ...whole('at', 'anchor', 'helpers', 'dayOneAt'), moved: 'record' } },
  outcome: {
    fields: {
      ...whole('pieces', 'firstSideS', 'secondSideS', 'verdict', 'note', 'waste', 'heightMm', 'acrossMm', 'change'),
      marks: 'set',
      scales: 'record',
      tested: 'record',
    },
  },
  morning: {
    fields: {
      ...whole('name', 'day', 'ovens', 'hob', 'bell', 'before'),
      waves: { by: 'at' },
      dishes: { by: 'id' },
      people: { by: 'name' },
      surfaces: { by: 'name' },
      kept: { by: 'lotId' },
      sides: { by: 'name' },
      pins: { by: 'step' },
    },
  },
  target: { fields: { ...whole('heightMm', 'acrossMm', 'note'), scales: 'record' } },
} as const satisfies Readonly<Record<string, Shape>>;

const WORDS: Readonly<Record<string, string>> = {
  price: 'price',
  packG: 'pack',
  opened: 'opened',
  bestBefore: 'best before',
  name: 'name',
  by: 'by weight or volume',
  servingG: 'serving',
  method: 'method',
  parts: 'part',
  at: 'when it is served',
  anchor: 'first or last plate',
  helpers: 'helpers',
  dayOneAt: 'the day before',
  moved: 'a moved step',
  pins: 'a step put by hand',
  pieces: 'pieces',
  firstSideS: 'first side',
  secondSideS: 'second side',
  verdict: 'verdict',
  note: 'note',
  waste: 'thrown away',
  heightMm: 'height',
  acrossMm: 'across',
  change: 'next time',
  marks: 'mark',
  tested: 'test',
  scales: 'scale',
  gear: 'gear',
  drawer: 'cups and spoons',
  'packet.allergens': 'allergen',
  'packet.by': 'panel or blend',
  'packet.category': 'sort',
  'packet.kcal': 'energy',
  'packet.fatG': 'fat',
  'packet.carbohydrateG': 'carbohydrate',
  'packet.sugarsG': 'sugars',
  'packet.fibreG': 'fibre',
  'packet.proteinG': 'protein',
  'packet.saltG': 'salt',
  'packet.alcoholG': 'alcohol',
  'packet.waterG': 'water',
  'packet.gPer100Ml': 'weight of 100 ml',
  'packet.members': 'part of the blend',
  'settings.bagG': 'bag size',
  'settings.densityGPerMl': 'density',
  'settings.months': 'months',
  'settings.storage': 'storage',
  'settings.powders': 'powder',
  'settings.products': 'products',
};

/** What a path of a row is called: "marks:tall" is "mark tall", "scales.crumb" is "scale crumb". */
export function pathWords(path: string): string {
  const known = Object.keys(WORDS)
    .filter((k) => path === k || path.startsWith(`${k}.`) || path.startsWith(`${k}:`))
    .sort((a, b) => b.length - a.length)[0];
  if (known === undefined) return (path.split('.').pop() ?? path).replace(/([A-Z])/g, ' $1').toLowerCase();
  const rest = path.slice(known.length + 1);
  return rest === '' ? (WORDS[known] ?? known) : `${WORDS[known] ?? known} ${rest}`;
}

/** A value of one side, to be chosen: "nothing", "yes", "12". */
export function sideWords(v: unknown): string {
  if (v === null || v === undefined || v === '') return 'nothing';
  if (v === true) return 'yes';
  if (v === false) return 'no';
  if (typeof v === 'object') {
    const named = (v as { readonly name?: unknown }).name;
    const facts = Object.entries(v).filter(
      ([k, x]) => k !== 'id' && k !== 'name' && k !== 'sort' && !same(x, null) && typeof x !== 'object',
    );
    return (
      [typeof named === 'string' ? named : '', ...facts.map(([k, x]) => `${pathWords(k)} ${String(x)}`)]
        .filter(Boolean)
        .join(', ') || JSON.stringify(v)
    );
  }
  return String(v);
}
