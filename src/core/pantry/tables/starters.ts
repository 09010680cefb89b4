/**
 * Sourdough starters by how they are fed: flour, water, and the acid that has grown in them. A ripe starter of pH 3.8 to 4.2
 * takes some 10 to 12 meq of base per 100 g, a stiff or a whole-grain one more: that acid works soda. What gas it brings of
 * its own is slow and is not counted as lift.
 */
export interface StarterRow {
  readonly id: string;
  readonly name: string;
  /** Of its mass, 0 to 1, by id; all come to 1. */
  readonly members: readonly (readonly [id: string, share: number])[];
  /** Stirred down, g. */
  readonly gPerUsCup: number;
  readonly aliases: readonly string[];
  readonly note: string;
}

const NAMES = ['starter', 'levain', 'sourdough', 'leaven'];
/** "Rye starter", "active rye starter", "rye sourdough starter". */
const kinds = (kind: string): string[] =>
  ['', 'active ', 'ripe ', 'fed ', 'unfed '].flatMap((state) =>
    ['starter', 'sourdough starter', 'levain', 'sourdough'].map((n) => `${state}${kind} ${n}`),
  );

export const starterRows: readonly StarterRow[] = [
  {
    id: 'sourdough-starter',
    name: 'Sourdough starter',
    members: [
      ['flour-all-purpose', 0.495],
      ['water', 0.495],
      ['lactic-acid', 0.01],
    ],
    gPerUsCup: 240,
    aliases: [
      ...NAMES,
      ...['active', 'ripe', 'fed', 'unfed', 'mature', 'bubbly', 'liquid', 'cold', 'discarded', 'leftover', 'stirred down', 'stirred-down', '100% hydration'].flatMap((state) => [
        `${state} starter`,
        `${state} sourdough starter`,
        `${state} levain`,
      ]),
      ...['sourdough discard', 'starter discard', 'sourdough starter discard', 'discard', 'discard starter'],
      ...['sourdough discard 100% hydration', 'sourdough starter 100% hydration', 'starter 100% hydration', 'sourdough starter at 100% hydration'],
      ...['wheat starter', 'white starter', 'natural leaven'],
      ...['sour dough starter', 'sour dough', 'levain liquide', 'masa madre', 'surdeg', 'surdej', 'weizensauerteig', 'anstellgut'],
    ],
    note: 'fed with as much water as flour by weight; 1 cup 227 to 270 g, under 200 g where it is bubbly',
  },
  {
    id: 'sourdough-starter-stiff',
    name: 'Stiff sourdough starter',
    members: [
      ['flour-all-purpose', 0.658],
      ['water', 0.33],
      ['lactic-acid', 0.012],
    ],
    gPerUsCup: 260,
    aliases: ['stiff starter', 'stiff levain', '50% hydration starter', 'lievito madre', 'pasta madre', 'levain dur'],
    note: 'fed with half as much water as flour by weight',
  },
  {
    id: 'sourdough-starter-rye',
    name: 'Rye sourdough starter',
    members: [
      ['flour-rye', 0.492],
      ['water', 0.492],
      ['lactic-acid', 0.016],
    ],
    gPerUsCup: 245,
    aliases: [...kinds('rye').filter((n) => n !== 'rye sourdough starter'), 'rye sour', 'roggensauerteig', 'sauerteig', 'zakwas'],
    note: 'rye sours further than wheat',
  },
  {
    id: 'sourdough-starter-whole-wheat',
    name: 'Whole-wheat sourdough starter',
    members: [
      ['flour-whole-wheat', 0.493],
      ['water', 0.493],
      ['lactic-acid', 0.014],
    ],
    gPerUsCup: 242,
    aliases: [...kinds('whole wheat'), ...kinds('wholemeal'), ...kinds('whole-wheat').filter((n) => n !== 'whole-wheat sourdough starter')],
    note: 'the bran feeds more acid than white flour does',
  },
];
