'use client';
import { analyseFormula, heard } from '@/core/analyse';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { baggedFormula, changedInMix } from '@/core/premix/bagged';
import type { PremixSettings } from '@/core/premix/premix';
import { FindingView } from '../bench/findings-view';
import { Button } from '../kit/button';

/** What the Bench would say of the mix as it is made, bag and additions together; and what puts it right, for this mix alone. */
export function MixFindings({
  formula,
  house,
  settings,
  onBagged,
}: {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly settings: Pick<PremixSettings, 'powders' | 'bagged'>;
  readonly onBagged: (bagged: Formula | null) => void;
}) {
  const own = baggedFormula(formula, house, null, settings.powders);
  const mix = settings.bagged ?? own;
  // what a scale can weigh is a matter of the lot, not of one formula
  const open = heard(analyseFormula(mix, house).analysis, mix).open.filter((f) => f.code !== 'small-weighing');
  const changed = settings.bagged ? changedInMix(own, settings.bagged) : [];
  return (
    <section aria-label="What is found" className="grid gap-2">
      {open.length === 0 ? <p className="text-[15px] text-herb">Nothing is out of line, made of the bag.</p> : null}
      {open.map((f) => (
        <FindingView
          key={`${f.code} ${f.message}`}
          f={f}
          bench={{ formula: mix, house, end: null }}
          onPropose={([p]) => p && onBagged(p.formula)}
          onDismissed={(dismissed) => onBagged({ ...mix, dismissed: [...dismissed] })}
        />
      ))}
      {changed.length > 0 ? (
        <div className="flex flex-wrap items-center gap-3">
          <p className="text-[15px]">
            Put right for this mix: <strong>{changed.join('; ')}</strong>.
          </p>
          <Button onClick={() => onBagged(null)}>As the formula has it</Button>
        </div>
      ) : null}
    </section>
  );
}
