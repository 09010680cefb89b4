/** What a line brings to the ratios. */
import { isShellEgg } from '../formula/eggs';
import { tally, testedFlourG } from '../formula/tally';
import { type LiftLine, ledger, MEQ_PER_G_SODA } from '../lift/ledger';
import { type Brings, NOTHING } from './solve';

/** What a line brings, all of it together. */
export function bringsOf(line: LiftLine, panFatCounts: boolean): Brings {
  if (line.use === 'topping') return NOTHING;
  const t = tally([line]);
  if (line.use === 'pan') return { ...NOTHING, fat: panFatCounts ? t.panFatG : 0 };
  const l = ledger([line]);
  return {
    mass: t.massG,
    flour: testedFlourG(t),
    water: t.waterG - t.boundWaterG,
    egg: t.eggG,
    fat: t.fatG,
    sugar: t.sugarG,
    salt: t.saltG,
    sodaMeq: l.sodaG * MEQ_PER_G_SODA,
    powderMeq: l.sodaInPowderG * MEQ_PER_G_SODA,
    acidMeq: l.acidMeq - l.baseMeq,
    eggs: line.parts.reduce((n, p) => n + (isShellEgg(p.ingredient.id) ? p.grams / (p.ingredient.piece?.grams ?? 50) : 0), 0),
  };
}

/** The same for a gram of it. */
export const perGram = (b: Brings, grams: number): Brings => Object.fromEntries(Object.entries(b).map(([k, v]) => [k, v / grams])) as unknown as Brings;
