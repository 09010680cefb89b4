'use client';
import dynamic from 'next/dynamic';
import { useDeferredValue, useMemo } from 'react';
import type { Worked } from '@/core/analyse-formula';
import type { Bench, Proposal } from '@/core/balance/bench';
import { relift, type Source } from '@/core/balance/leavening';
import { fadeOf } from '@/core/batter/standing';
import { foamAirMl } from '@/core/batter/volume';
import { FADE_TIMES } from '@/core/lift/fade';
import { MEQ_PER_G_SODA } from '@/core/lift/ledger';
import { kitchenName } from '@/core/pantry/ingredient';
import { grams, meq, millilitres, minutesOrHours, temperature } from '@/core/quantity/say';
import { BeamDrawing } from '../drawings/beam';
import { Button } from '../kit/button';
import { TableHead } from '../kit/table-head';

const FadeChart = dynamic(() => import('./fade-chart'), { ssr: false, loading: () => <div className="h-52" /> });

interface Props {
  readonly bench: Bench;
  readonly worked: Worked;
  readonly onPropose: (proposals: readonly Proposal[]) => void;
}

/** Lift: the ledger as a beam, who brings what, what else would balance, and what waiting costs. */
export function LiftView({ bench, worked, onPropose }: Props) {
  const { analysis: a } = worked;
  const l = a.ledger;
  const soda = l.sodaG * MEQ_PER_G_SODA;
  const acid = Math.max(0, l.acidMeq - l.baseMeq);
  const most = Math.max(soda, acid, 0.001);
  const foam = foamAirMl(worked.lines);
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <BeamDrawing
          tip={(soda - acid) / most}
          acid={acid / most}
          soda={soda / most}
          className="h-22 w-60 shrink-0 text-rim"
        />
        <div className="min-w-0 flex-1 basis-52">
          <p>
            Acid <strong>{meq(acid)}</strong>, plain soda <strong>{meq(soda)}</strong>
            {l.sodaInPowderG > 0 ? (
              <>
                ; <strong>{grams(l.sodaInPowderG, a.units)}</strong> of soda comes in powder, with acid of its own
              </>
            ) : null}
            .
          </p>
          <p className="mt-1 font-semibold">{verdict(worked)}</p>
          {foam > 1 ? (
            <p className="mt-1">
              Whipped whites bring {millilitres(foam)} of air besides (estimate): it drains as it stands.
            </p>
          ) : null}
        </div>
      </div>
      <Balances bench={bench} worked={worked} onPropose={onPropose} />
      <Rows worked={worked} />
      <Fade worked={worked} />
    </div>
  );
}

function verdict({ analysis: { ledger: l, units } }: Worked): string {
  if (l.unspentSodaG > 0.05) return `${grams(l.unspentSodaG, units)} of soda is left with no acid.`;
  if (l.sodaG > 0)
    return `All ${grams(l.sodaG, units)} of soda is worked; ${meq(l.unspentAcidMeq)} of acid is left for tang.`;
  if (l.unspentAcidMeq > 1) return `No plain soda. The acid could work ${grams(l.sodaAcidCouldWorkG, units)} of it.`;
  return 'No plain soda, and next to no acid.';
}

const SOURCES: readonly { readonly source: Source; readonly label: string }[] = [
  { source: 'soda-first', label: 'Soda as far as the acid goes' },
  { source: 'no-soda', label: 'The same rise, no soda' },
  { source: 'no-powder', label: 'The same rise, no powder' },
];

function Balances({ bench, worked, onPropose }: Props) {
  const at = useDeferredValue(bench);
  const ways = useMemo(
    () => SOURCES.map((s) => ({ ...s, proposal: relift(at, s.source) })).filter((s) => s.proposal !== null),
    [at],
  );
  if (worked.analysis.co2Per100gFlour === null || worked.analysis.co2Per100gFlour < 0.02) return null;
  if (ways.length === 0) return null;
  return (
    <div>
      <h3 className="font-semibold">What else would balance</h3>
      <div className="mt-1 flex flex-wrap gap-2">
        {ways.map((w) => (
          <Button key={w.source} onClick={() => w.proposal && onPropose([w.proposal])}>
            {w.label}
          </Button>
        ))}
      </div>
    </div>
  );
}

function Rows({ worked }: { readonly worked: Worked }) {
  const rows = worked.analysis.ledger.rows.filter((r) => Math.abs(r.acidMeq) >= 0.05 || r.sodaG > 0);
  if (rows.length === 0) return <p className="text-soft">Nothing here brings acid or soda.</p>;
  return (
    <div>
      <table className="w-full text-[15px]">
        <TableHead light columns={['from', { right: 'acid' }, { right: 'soda' }]} />
        <tbody>
          {rows.map((r, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same ingredient may stand on two lines, in this order
            <tr key={`${r.ingredient.id}-${n}`} className="border-t border-line">
              <td className="py-0.5">
                {grams(r.grams, worked.analysis.units)} {kitchenName(r.ingredient).toLowerCase()}
              </td>
              <td className="text-right">
                {r.ownAcid && Math.abs(r.acidMeq) < 0.05
                  ? 'its own'
                  : r.acidMeq < 0
                    ? `takes ${meq(-r.acidMeq)}`
                    : meq(r.acidMeq)}
              </td>
              <td className="text-right">{r.sodaG > 0 ? grams(r.sodaG, worked.analysis.units) : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">
        Arithmetic to about pH 7.5. Cultured milks vary by a fifth, honey and brown sugar twofold.
      </p>
    </div>
  );
}

const SAID_AT = [15, 60, 240, 1440] as const;

function Fade({ worked: { lines, analysis: a } }: { readonly worked: Worked }) {
  const paS = a.thickness?.paS ?? null;
  const { restMin, batterC } = a.standing;
  const points = useMemo(
    () =>
      paS === null
        ? []
        : fadeOf(
            lines,
            { paS, batterC },
            [...new Set([...FADE_TIMES, restMin])].sort((x, y) => x - y),
          ),
    [lines, paS, restMin, batterC],
  );
  const fresh = points[0]?.lift ?? 0;
  if (fresh < 1) return <p className="text-soft">There is no gas to lose: eggs and steam raise this.</p>;
  const left = (min: number): string =>
    `${Math.round((100 * (points.find((p) => p.min >= min)?.lift ?? 0)) / fresh)} %`;
  return (
    <figure>
      <h3 className="font-semibold">What standing costs</h3>
      <FadeChart points={points} restMin={restMin} />
      <figcaption className="text-[15px]">
        <p>
          ml of gas in 100 g of batter at {temperature(batterC, a.units)}. Solid: combined now, {Math.round(fresh)} ml
          fresh. Dashed: dry and wet kept apart until use.
        </p>
        <p>
          Left after {restMin > 0 ? `the rest of ${minutesOrHours(restMin)} ` : 'no rest '}
          <strong>{left(restMin)}</strong>; {SAID_AT.map((m) => `${minutesOrHours(m)} ${left(m)}`).join(', ')}.{' '}
          <span className="text-sm text-soft">(an estimate, for comparing)</span>
        </p>
      </figcaption>
    </figure>
  );
}
