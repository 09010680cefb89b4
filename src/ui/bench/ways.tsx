'use client';
import { ChevronDown } from 'lucide-react';
import dynamic from 'next/dynamic';
import { waysIn } from '@/core/formula/act-edits';
import { wayName } from '@/core/formula/ways';
import { CONVENTION_NAMES } from '@/core/pantry/conventions';
import { Popped } from '../kit/menu';
import { Opening } from '../kit/opening';
import { useScaleless } from '../kit/units';
import type { WaysOf } from './ways-panel';

// fetched when it is opened
const WaysPanel = dynamic(() => import('./ways-panel').then((m) => m.WaysPanel), { loading: Opening });

/** What this formula is read in and worked by: the house's ways, and what it has of its own. */
export function WaysPopover({ formula, kind, house, onChange }: WaysOf) {
  const scaleless = useScaleless();
  const ownWays = waysIn(formula.edits);
  const own = [...Object.values(formula.conventions), ...Object.values(ownWays)].length;
  const c = { ...house.conventions, ...formula.conventions };
  const w = { ...house.ways, ...ownWays };
  const said = [
    CONVENTION_NAMES.cup[c.cup],
    `flour ${CONVENTION_NAMES.flourFill[c.flourFill]}`,
    `${scaleless ? CONVENTION_NAMES.egg[c.egg].split(',')[0] : CONVENTION_NAMES.egg[c.egg]} eggs`,
    ...(w.rest === 'usual' ? [] : [`rest: ${wayName('rest', w.rest)}`]),
    ...(w.warmth === 'cold' ? ['cold'] : []),
    ...(w.altitudeM > 0 ? [`${w.altitudeM} m up`] : []),
  ].join(' · ');
  return (
    <Popped
      label="How this formula is measured and mixed"
      align="start"
      className="flex min-h-9 min-w-0 max-w-full items-center gap-2 rounded-hold px-2 text-left text-[15px] hover:bg-wash"
      plate="max-h-[min(46rem,var(--radix-popover-content-available-height))] w-[min(44rem,94vw)] overflow-y-auto"
      opener={{
        label: `How we measure and mix: ${said}`,
        children: (
          <>
            <span className="shrink-0 font-semibold text-rim">How we measure and mix</span>
            <span className="min-w-0 truncate text-soft">{said}</span>
            {own > 0 ? (
              <span className="shrink-0 rounded bg-wash px-1.5 text-sm text-ink">{own} of its own</span>
            ) : null}
            <ChevronDown size={16} aria-hidden className="shrink-0 text-rim" />
          </>
        ),
      }}
    >
      {() => <WaysPanel formula={formula} kind={kind} house={house} onChange={onChange} />}
    </Popped>
  );
}
