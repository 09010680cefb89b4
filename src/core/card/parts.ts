/** Words the reader of a line and the splitter of its text share. */

export const VESSELS = ['dry', 'wet', 'fold-in', 'pan', 'topping'] as const;
export type Vessel = (typeof VESSELS)[number];

/** What a vessel is called on the sheet, at the bench and at the scale. */
export const VESSEL_NAMES: Readonly<Record<Vessel, string>> = {
  dry: 'Dry bowl',
  wet: 'Wet bowl',
  'fold-in': 'Fold in last',
  pan: 'For the pan',
  topping: 'To serve',
};
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
    | 'two-readings'
    | 'several-lines'
    | 'divided'
    | 'alternatives'
    | 'not-understood'
    | 'unknown-ingredient'
    | 'which-ingredient'
    | 'too-long'
    | 'unit-doubtful'
    | 'fullness'
    | 'kept-back';
  readonly message: string;
}
