'use client';
import dynamic from 'next/dynamic';
import { ToggleGroup } from 'radix-ui';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import type { Worked } from '@/core/analyse-formula';
import type { Bench, Proposal } from '@/core/balance/bench';
import type { FixTitles } from '@/core/bench/first-sight';
import type { BenchSight } from '@/core/bench/sight';
import { findingKey } from '@/core/findings/finding';
import type { RailReading } from '@/core/formula/kinds';
import type { Shelf } from '@/core/pantry/stock';
import { useAwake } from '../kit/awake';
import { Opening } from '../kit/opening';
import { Switch } from '../kit/switch';
import { AllergensView } from '../shared/allergens';
import { AnsweredFindings, FindingView } from '../shared/findings-view';
import { Rails, type RailTools } from '../shared/rails';
import { PourView } from './pour-view';
import type { BenchAction } from './state';
import { useMeant } from './use-meant';

interface Props extends Pick<RailTools, 'onWish' | 'onNudge' | 'onTake'> {
  readonly bench: Bench;
  readonly sight: BenchSight;
  /** As a proposal would have it; null when none stands. */
  readonly proposed: BenchSight | null;
  /** The ratios of the saved version. */
  readonly saved: { readonly rails: readonly RailReading[] } | null;
  /** The analysis of what is seen; worked when it is asked for. */
  readonly worked: () => Worked;
  /** What each finding offers, where the server has worked that already. */
  readonly fixes: FixTitles | null;
  readonly shelf: Shelf;
  /** Null until the formula is saved for the first time. */
  readonly formulaId: string | null;
  readonly send: (a: BenchAction) => void;
  readonly onPropose: (proposals: readonly Proposal[]) => void;
}

/** What opens in place is fetched when it is opened. */
const BenchCost = dynamic(() => import('../shared/cost-view').then((m) => m.BenchCost), { loading: Opening });
const TowardsView = dynamic(() => import('./towards-view').then((m) => m.TowardsView), { loading: Opening });
const MeantView = dynamic(() => import('./meant-view').then((m) => m.MeantView), { ssr: false });
const MakingView = dynamic(() => import('./making-view').then((m) => m.MakingView), { loading: Opening });
const LiftView = dynamic(() => import('./lift-view').then((m) => m.LiftView), { loading: Opening });
const StructureView = dynamic(() => import('./structure-view').then((m) => m.StructureView), { loading: Opening });
const YieldView = dynamic(() => import('./yield-view').then((m) => m.YieldView), { loading: Opening });
const FillsView = dynamic(() => import('./fills-view').then((m) => m.FillsView), { loading: Opening });
type Panel = 'more' | 'towards' | 'making' | 'lift' | 'structure' | 'yield' | 'cups' | 'cost';

/** The balance: what matters most first, the rails, the pour; the rest opens in place, one at a time. */
export function Balance(props: Props) {
  const { bench, sight, proposed, saved, worked, fixes, shelf, formulaId, send, onPropose, onWish, onNudge, onTake } =
    props;
  const awake = useAwake();
  const [panel, setPanel] = useState<Panel | ''>('');
  const { formula } = bench;
  const shown = proposed ?? sight;
  const { open, dismissed } = shown;
  const [top, ...others] = open;
  const meant = useMeant(
    bench,
    sight.open.some((f) => f.severity !== 'note'),
  );
  const onDismissed = (m: readonly string[]): void => send({ do: 'set', part: { dismissed: m }, place: null });
  const { held } = formula;
  const onHeld = (h: typeof held): void => send({ do: 'set', part: { held: h }, place: null });
  const more = others.length + dismissed.length;
  const panels: readonly { readonly id: Panel; readonly name: string; readonly aside: string }[] = [
    ...(more > 0 ? [{ id: 'more' as const, name: 'More to know', aside: String(more) }] : []),
    { id: 'towards', name: 'Make it …', aside: '' },
    { id: 'making', name: 'Making', aside: '' },
    { id: 'lift', name: 'Rise', aside: '' },
    { id: 'structure', name: 'Structure', aside: '' },
    { id: 'yield', name: 'Yield', aside: '' },
    ...(shown.restsOnFill ? [{ id: 'cups' as const, name: 'Cups', aside: '' }] : []),
    { id: 'cost', name: 'Cost', aside: '' },
  ];
  const at = panels.some((p) => p.id === panel) ? panel : '';
  // opened by what is kept, and not shut under the hand that lets it go
  const keeps = useRef(false);
  keeps.current ||= held.mass || held.eggs;
  return (
    <section aria-label="Balance" id="balance" className="flex scroll-mt-14 flex-col gap-2.5">
      <h2 className="sr-only">Balance</h2>
      <div aria-live="polite" className="grid gap-2.5">
        {proposed || (meant.settled === null && meant.slips.length === 0) ? null : (
          <MeantView
            meant={meant}
            onMeant={(read) => send({ do: 'put', formula: read })}
            onAnswer={(answers) => onDismissed([...new Set([...formula.dismissed, ...answers])])}
          />
        )}
        {top ? (
          <FindingView
            f={top}
            bench={bench}
            titles={fixes?.[findingKey(top)] ?? null}
            onPropose={onPropose}
            onDismissed={onDismissed}
          />
        ) : (
          <p className="px-1 py-1 text-herb">
            <span aria-hidden>✓ </span>Nothing is out of line
            {dismissed.length > 0 ? `, but for ${dismissed.length} you mean` : ''}.
          </p>
        )}
      </div>
      <Rails
        now={sight}
        proposed={proposed}
        saved={saved}
        held={held}
        onHeld={onHeld}
        onWish={onWish}
        onNudge={onNudge}
        onTake={onTake}
      />
      <details className="-mt-1.5 text-[15px]" open={keeps.current}>
        <summary className="w-fit cursor-pointer rounded font-semibold text-rim">Keep the weight or the eggs</summary>
        <Switch label="keep the whole batter’s weight" on={held.mass} onSwitch={(mass) => onHeld({ ...held, mass })} />
        <Switch label="keep the number of eggs" on={held.eggs} onSwitch={(eggs) => onHeld({ ...held, eggs })} />
      </details>
      <PourView bench={bench} pour={shown.pour} send={send} />
      <ToggleGroup.Root
        type="single"
        value={at}
        disabled={!awake}
        onValueChange={(v) => setPanel(v as Panel | '')}
        aria-label="More of the balance"
        className="flex flex-wrap gap-1.5 border-t border-line pt-2.5"
      >
        {panels.map((p) => (
          <ToggleGroup.Item
            key={p.id}
            value={p.id}
            className="hold inline-flex min-h-10 items-center gap-1.5 px-2.5 font-semibold text-rim hover:bg-wash data-[state=on]:!bg-rim data-[state=on]:text-white"
          >
            {p.name}
            {p.aside ? <span className="font-normal">{p.aside}</span> : null}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {at === 'more' ? (
        <Plate label="More to know">
          <ul className="grid gap-2">
            {others.map((f) => (
              <li key={findingKey(f)}>
                <FindingView
                  f={f}
                  bench={bench}
                  titles={fixes?.[findingKey(f)] ?? null}
                  onPropose={onPropose}
                  onDismissed={onDismissed}
                />
              </li>
            ))}
          </ul>
          {dismissed.length > 0 ? (
            <AnsweredFindings dismissed={dismissed} bench={bench} onDismissed={onDismissed} />
          ) : null}
        </Plate>
      ) : null}
      {at === '' || at === 'more' ? null : (
        <Plate key={at} label={panels.find((p) => p.id === at)?.name ?? ''}>
          <PanelView
            panel={at}
            bench={bench}
            worked={worked()}
            shelf={shelf}
            pieces={shown.pour?.pieces ?? null}
            onPropose={onPropose}
            send={send}
          />
        </Plate>
      )}
      <AllergensView said={shown.allergens} notice={formulaId ? `/formulas/${formulaId}/notice` : null} />
      {formulaId ? (
        <p className="text-sm text-soft">
          As it was last saved, on paper:{' '}
          <a
            className="font-semibold text-rim underline"
            href={`/formulas/${formulaId}/card`}
            target="_blank"
            rel="noreferrer"
          >
            a card on one page
          </a>{' '}
          or{' '}
          <a
            className="font-semibold text-rim underline"
            href={`/formulas/${formulaId}/card?as=index`}
            target="_blank"
            rel="noreferrer"
          >
            two index cards
          </a>{' '}
          (PDF, in a new tab).
        </p>
      ) : null}
    </section>
  );
}

/** What opens in place; brought into sight when it does. */
function Plate({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  const plate = useRef<HTMLElement>(null);
  useEffect(() => {
    plate.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <section ref={plate} aria-label={label} className="grid scroll-my-2 gap-2 rounded-plate bg-white p-3">
      {children}
    </section>
  );
}

interface PanelProps extends Pick<Props, 'bench' | 'shelf' | 'onPropose' | 'send'> {
  readonly panel: Exclude<Panel, 'more'>;
  readonly worked: Worked;
  /** Pieces the batter pours; null where it fills a pan. */
  readonly pieces: number | null;
}

function PanelView({ panel, bench, worked, shelf, pieces, onPropose, send }: PanelProps) {
  switch (panel) {
    case 'towards':
      return <TowardsView bench={bench} onPropose={onPropose} />;
    case 'making':
      return <MakingView bench={bench} send={send} />;
    case 'lift':
      return <LiftView bench={bench} worked={worked} onPropose={onPropose} />;
    case 'structure':
      return <StructureView worked={worked} />;
    case 'yield':
      return <YieldView bench={bench} worked={worked} />;
    case 'cups':
      return <FillsView bench={bench} />;
    case 'cost':
      return <BenchCost worked={worked} shelf={shelf} pieces={pieces !== null && pieces > 0 ? pieces : null} />;
  }
}
