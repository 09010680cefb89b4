/** Words the reader of a line and the splitter of its text share. */

export const VESSELS = ['dry', 'wet', 'fold-in', 'pan', 'topping'] as const;
export type Vessel = (typeof VESSELS)[number];
export type Use = 'batter' | 'pan' | 'topping';

export interface LineFinding {
  readonly code:
    | 'amounts-disagree'
    | 'fraction-doubtful'
    | 'no-amount'
    | 'no-unit'
    | 'vague-unit'
    | 'no-density'
    | 'wrong-unit'
    | 'not-positive'
    | 'enormous'
    | 'two-amounts'
    | 'unknown-ingredient'
    | 'which-ingredient'
    | 'too-long'
    | 'unit-doubtful'
    | 'fullness';
  readonly message: string;
}
