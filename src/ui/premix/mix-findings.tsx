'use client';
import { useMemo } from 'react';
import { analyseFormula } from '@/core/analyse-formula';
import type { Bench } from '@/core/balance/bench';
import { fixesFor } from '@/core/balance/fixes';
import type { Finding } from '@/core/findings/finding';
import { heard } from '@/core/findings/finding';
import type { Formula } from '@/core/formula/formula';
import { railsMoved } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { TallyPart } from '@/core/formula/tally';
import { additionsIn, baggedFormula, changedInMix, productFormula } from '@/core/premix/bagged';
import type { PremixSettings } from '@/core/premix/premix';
import type { Additions, Product } from '@/core/premix/products';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { FindingView } from '../shared/findings-view';

/**
 * What the Bench would say of the mix as it is made, bag and additions together; and what puts it right, for this mix
 * alone.
 */
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
  const { analysis } = analyseFormula(mix, house);
  const open = heard(analysis, mix).open.filter((f) => f.code !== 'small-weighing');
  const changed = settings.bagged ? changedInMix(own, settings.bagged) : [];
  const cost = changed.length > 0 ? railsMoved(analyseFormula(own, house).analysis, analysis) : [];
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
            {cost.length > 0 ? ` That moves ${cost.join(', ')}.` : ''}
          </p>
          <Button onClick={() => onBagged(null)}>As the formula has it</Button>
        </div>
      ) : null}
    </section>
  );
}

/**
 * What is found of another product of the mix; what puts it right is what is added to it, for the mix is one for all of
 * them.
 */
export function ProductFindings({
  additions,
  mix,
  house,
  onParts,
}: {
  readonly additions: Additions;
  readonly mix: readonly TallyPart[];
  readonly house: Kitchen;
  readonly onParts: (parts: Product['parts']) => void;
}) {
  const { parts } = additions.product;
  const now = productFormula(mix, additions);
  const said = JSON.stringify(now);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same words are the same formula, worked anew or not
  const [bench, open] = useMemo(
    () =>
      [
        { formula: now, house, end: null },
        analyseFormula(now, house).analysis.findings.filter((f) => f.code !== 'small-weighing'),
      ] as const,
    [said, house],
  );
  return (
    <div className="grid gap-2">
      {open.map((f) => (
        <ProductFinding key={`${f.code} ${f.message}`} f={f} bench={bench} onParts={onParts} />
      ))}
      {parts ? (
        <div className="flex flex-wrap items-center gap-3">
          <p className="text-[15px]">What is added was put right for this.</p>
          <Button onClick={() => onParts(undefined)}>As it is worked out</Button>
        </div>
      ) : null}
    </div>
  );
}

function ProductFinding({
  f,
  bench,
  onParts,
}: {
  readonly f: Finding;
  readonly bench: Bench;
  readonly onParts: (parts: Product['parts']) => void;
}) {
  const fixes = useMemo(
    () =>
      fixesFor(bench, f).flatMap((p) => {
        const parts = additionsIn(bench.formula, p.formula, bench.house);
        if (!parts) return [];
        const moves = railsMoved(
          analyseFormula(bench.formula, bench.house).analysis,
          analyseFormula(p.formula, bench.house).analysis,
        );
        return [{ title: p.title, parts, moves }];
      }),
    [bench, f],
  );
  return (
    <Notice weight={f.severity}>
      <p className="leading-snug">{f.message}</p>
      <div className="mt-1.5 flex flex-wrap items-center gap-2">
        {fixes.map((x) => (
          <span key={x.title}>
            <Button className="!min-h-9" onClick={() => onParts(x.parts)}>
              {x.title}
            </Button>{' '}
            <span className="text-[15px] text-soft">{x.moves.length > 0 ? `(${x.moves.join(', ')})` : ''}</span>
          </span>
        ))}
        {fixes.length === 0 && f.severity !== 'note' ? (
          <span className="text-[15px] text-soft">Nothing that is added mends that.</span>
        ) : null}
      </div>
    </Notice>
  );
}
