'use client';
import { ChevronDown } from 'lucide-react';
import { Accordion } from 'radix-ui';
import type { ReactNode } from 'react';
import type { Analysis } from '@/core/analyse';
import { piecesOf, toolLossG } from '@/core/batter/volume';
import type { Finding } from '@/core/findings/rules';
import { POUR_WORDS, usualPortionMl } from '@/core/formula/kinds';
import { grams, gramsNumber, lift, millilitres, percent } from '@/core/quantity/say';
import { PourDrawing } from '../drawings/pour';
import { Notice } from '../kit/notice';
import { LedgerView } from './ledger-view';
import { Rails } from './rails';

interface Props {
  readonly analysis: Analysis;
  readonly saved: Analysis | null;
}

/** The balance: what matters most first, the rails, the pour; ledger, volume and the other findings open in place. */
export function Balance({ analysis, saved }: Props) {
  const [top, ...others] = analysis.findings;
  return (
    <section aria-label="Balance" className="flex flex-col gap-3">
      <h2 className="sr-only">Balance</h2>
      <div aria-live="polite">
        {top ? (
          <Notice weight={top.severity}>
            <Said f={top} />
          </Notice>
        ) : (
          <p className="px-1 py-2 text-herb">
            <span aria-hidden>✓ </span>Nothing is out of line.
          </p>
        )}
      </div>
      <Rails analysis={analysis} saved={saved} />
      <Pour analysis={analysis} />
      <Accordion.Root type="single" collapsible className="border-t border-line">
        {others.length > 0 ? (
          <Fold id="findings" title={`${others.length} more to know`} aside="">
            <ul className="grid gap-2">
              {others.map((f) => (
                <li key={`${f.code} ${f.message}`}>
                  <Notice weight={f.severity}>
                    <Said f={f} />
                  </Notice>
                </li>
              ))}
            </ul>
          </Fold>
        ) : null}
        <Fold id="ledger" title="Acid and soda" aside={ledgerLine(analysis)}>
          <LedgerView analysis={analysis} />
        </Fold>
        <Fold id="volume" title="Batter and pieces" aside={analysis.volume ? `${millilitres(analysis.volume.volumeMl)}, ${grams(analysis.tally.massG)}` : ''}>
          <Volume analysis={analysis} />
        </Fold>
      </Accordion.Root>
    </section>
  );
}

const Said = ({ f }: { readonly f: Finding }) => (
  <>
    {f.message} <span className="text-sm whitespace-nowrap text-soft">({f.basis})</span>
  </>
);

function Pour({ analysis: a }: { readonly analysis: Analysis }) {
  if (!a.thickness || !a.volume) return null;
  const portion = a.school ? usualPortionMl(a.school) : 60;
  const pan = a.school?.portionMl === null;
  const made = piecesOf(a.tally.massG, a.volume.densityGPerMl, portion);
  return (
    <div className="flex items-center gap-4">
      <PourDrawing pour={a.thickness.pour} className="h-24 w-26 shrink-0 text-rim" />
      <div className="leading-snug">
        <p className="text-lg font-semibold">
          {a.volume.foamed ? 'Before the foam it ' : 'It '}
          {POUR_WORDS[a.thickness.pour]}
        </p>
        <p>
          {millilitres(a.volume.volumeMl)} of batter{pan ? '' : `: ${made.pieces} ${a.kind?.pieces ?? 'pieces'} of ${portion} ml`}
        </p>
        {a.percent ? (
          <p className="text-soft">
            liquid {percent(a.percent.liquid)}, sweetness {percent(a.percent.sweetness)} of the flour
          </p>
        ) : null}
      </div>
    </div>
  );
}

function ledgerLine(a: Analysis): string {
  if (a.ledger.unspentSodaG > 0.05) return `${grams(a.ledger.unspentSodaG)} of soda unspent`;
  if (a.co2Per100gFlour === null) return '';
  return `${lift(a.co2Per100gFlour)} g gas per 100 g flour`;
}

function Volume({ analysis: a }: { readonly analysis: Analysis }) {
  if (!a.volume) return <p className="text-soft">There is no batter yet.</p>;
  const loss = toolLossG(a.tally.massG);
  const rows: readonly (readonly [string, string])[] = [
    ['In the bowl', grams(a.tally.massG)],
    ['Flour', grams(a.tally.flourG)],
    ['Density, air included', `${a.volume.densityGPerMl.toFixed(2)} g/ml (model)`],
    ['Volume', `${millilitres(a.volume.volumeMl)} (model)`],
    ['Stays on bowl and tools', `about ${gramsNumber(loss)} g`],
    ['Water in all', a.percent ? percent(a.percent.water) : ''],
    ['Butter and oil as weighed', grams(a.tally.addedFatG)],
    ['Sodium, from everything', `${Math.round(a.tally.sodiumMg)} mg`],
    ['Yolk and white weighed apart', a.tally.yolkG + a.tally.whiteG > 0 ? `${grams(a.tally.yolkG)} and ${grams(a.tally.whiteG)}` : ''],
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

function Fold({ id, title, aside, children }: { readonly id: string; readonly title: string; readonly aside: string; readonly children: ReactNode }) {
  return (
    <Accordion.Item value={id} className="border-b border-line">
      <Accordion.Header>
        <Accordion.Trigger className="group flex min-h-11 w-full items-center gap-3 rounded px-1 text-left hover:bg-wash">
          <ChevronDown
            size={18}
            aria-hidden
            className="shrink-0 text-rim transition-transform group-data-[state=open]:rotate-180 motion-reduce:transition-none"
          />
          <span className="font-semibold">{title}</span>
          <span className="ml-auto font-sans text-[15px] font-normal text-soft">{aside}</span>
        </Accordion.Trigger>
      </Accordion.Header>
      <Accordion.Content className="px-1 pt-1 pb-4">{children}</Accordion.Content>
    </Accordion.Item>
  );
}
