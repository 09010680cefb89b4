import Fraction from 'fraction.js';
import type { Worked } from '@/core/analyse-formula';
import { type Bench, conventionsOn } from '@/core/balance/bench';
import { toolLossG } from '@/core/batter/volume';
import { countEggs, type EggCount } from '@/core/formula/eggs';
import type { FormulaLine } from '@/core/formula/formula';
import { pouredG } from '@/core/formula/tally';
import { EGG_INGREDIENT } from '@/core/pantry/conventions';
import { ingredient } from '@/core/pantry/pantry';
import { writeNumber } from '@/core/quantity/number';
import { grams, millilitres, percent, type Units } from '@/core/quantity/say';

/** Batter, eggs to crack, and what stands beside the batter: pan fat and toppings, counted apart. */
export function YieldView({
  bench,
  worked: { lines, analysis: a },
}: {
  readonly bench: Bench;
  readonly worked: Worked;
}) {
  const conventions = conventionsOn(bench);
  if (!a.volume) return <p className="text-soft">There is no batter yet.</p>;
  const units = bench.house.units;
  const loss = toolLossG(pouredG(a.tally));
  const eggs = countEggs(lines, ingredient(EGG_INGREDIENT[conventions.egg]).piece?.grams ?? 50);
  const rows: readonly (readonly [string, string])[] = [
    ['In the bowl', grams(a.tally.massG, units)],
    ...(a.tally.wholeG > 0 ? [['Whole in it, in no ratio', grams(a.tally.wholeG, units)] as const] : []),
    ['Flour', grams(a.tally.flourG, units)],
    ['Density, air included', `${a.volume.densityGPerMl.toFixed(2)} g/ml (estimate)`],
    ['Volume', `${millilitres(a.volume.volumeMl)} (estimate)`],
    ['Stays on bowl and tools', `about ${grams(loss, units)}`],
    ['Water in all', a.percent ? percent(a.percent.water) : ''],
    ['Butter and oil as weighed', grams(a.tally.addedFatG, units)],
    ['Sodium, from everything', `${Math.round(a.tally.sodiumMg)} mg`],
    ...(eggs ? [['Eggs to crack', eggWords(eggs, units)] as const] : []),
    ['For the pan, counted apart', apart(lines, 'pan', units)],
    ['To serve, counted apart', apart(lines, 'topping', units)],
  ];
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
      {rows
        .filter(([, v]) => v !== '')
        .map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="text-soft">{k}</dt>
            <dd className="text-right font-semibold">{v}</dd>
          </div>
        ))}
    </dl>
  );
}

const quarters = (x: number): string => writeNumber(new Fraction(Math.round(4 * x), 4));

function eggWords(e: EggCount, units: Units): string {
  const parts = [
    ...(e.whole > 0.05 ? [`${quarters(e.whole)} whole`] : []),
    ...(e.yolks > 0.05 ? [`${quarters(e.yolks)} yolks`] : []),
    ...(e.whites > 0.05 ? [`${quarters(e.whites)} whites`] : []),
  ];
  const left = e.left
    ? `; ${quarters(e.left.count)} ${e.left.part}${e.left.count > 1 ? 's' : ''} left over, ${grams(e.left.grams, units)}`
    : '';
  return `${quarters(e.eggs)}${e.yolks + e.whites > 0.05 ? ` (${parts.join(', ')})` : ''}${left}`;
}

function apart(lines: readonly FormulaLine[], use: 'pan' | 'topping', units: Units): string {
  const of = lines.filter((l) => l.use === use);
  if (of.length === 0) return '';
  const known = of.reduce((a, l) => a + (l.grams ?? 0), 0);
  const open = of.filter((l) => l.grams === null).length;
  return [...(known > 0 ? [grams(known, units)] : []), ...(open > 0 ? [`${open} as needed`] : [])].join(', ');
}
