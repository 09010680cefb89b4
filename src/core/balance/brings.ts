/** What a line brings to the ratios. */
import { isShellEgg } from '../formula/eggs';
import type { Rail } from '../formula/kinds';
import { tally, testedFlourG } from '../formula/tally';
import { type LiftLine, ledger, MEQ_PER_G_SODA } from '../lift/ledger';
import type { Ingredient } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { type Brings, NO_CHANGE } from './solve';

/** What a line brings, all of it together. */
export function bringsOf(line: LiftLine, panFatCounts: boolean): Brings {
  if (line.use === 'topping') return NO_CHANGE;
  const t = tally([line]);
  if (line.use === 'pan') return { ...NO_CHANGE, fat: panFatCounts ? t.panFatG : 0 };
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
    eggs: line.parts.reduce(
      (n, p) => n + (isShellEgg(p.ingredient.id) ? p.grams / (p.ingredient.piece?.grams ?? 50) : 0),
      0,
    ),
  };
}

/** The same for a gram of it. */
export const perGram = (b: Brings, grams: number): Brings =>
  Object.fromEntries(Object.entries(b).map(([k, v]) => [k, v / grams])) as unknown as Brings;

/** What a rail is moved by: the things a cook would reach for, not what brings a little of it by the way. */
export const SOURCE_OF: Readonly<Record<Rail, (i: Ingredient) => boolean>> = {
  water: (i) => behaviourOf(i).poured,
  egg: (i) => i.category === 'egg',
  fat: (i) => i.category === 'fat',
  sugar: (i) => i.category === 'sugar' || i.category === 'syrup',
  salt: (i) => i.category === 'salt',
  lift: (i) => i.category === 'leavening' && i.sodaPct > 0,
};

/** Whether a line is one by which a rail is moved. */
export const movesRail = (l: Pick<LiftLine, 'use' | 'parts'>, rail: Rail): boolean =>
  l.use === 'batter' && l.parts.some((p) => SOURCE_OF[rail](p.ingredient));
