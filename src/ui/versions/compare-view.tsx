import { analyseFormula } from '@/core/analyse-formula';
import { cardPortion } from '@/core/formula/card-portion';
import { changesInWords, type LinePair, pairLines } from '@/core/formula/compare';
import type { EndId, Formula } from '@/core/formula/formula';
import { POUR_WORDS, RAIL_NAMES, RAILS, railOf, sayRail } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { besidesMoved } from '@/core/judge/differs';
import { grams, type Units } from '@/core/quantity/say';
import { Link } from '../kit/link';
import { Finishes } from './finishes';

interface CompareSide {
  readonly label: string;
  readonly note: string;
  readonly at: string;
  readonly formula: Formula;
  readonly href: string;
}

interface Sides {
  readonly house: Kitchen;
  readonly a: CompareSide;
  readonly b: CompareSide;
}

/**
 * Two formulas side by side: the change in words, then lines and ratios; of a base with two finishes, one after the
 * other. Worked where the records are.
 */
export function CompareView({ house, a, b }: Sides) {
  const forked = a.formula.ends ?? b.formula.ends;
  return (
    <section aria-label="Side by side" className="min-w-0">
      {forked ? (
        <Finishes
          names={{ a: forked.find((e) => e.id === 'a')?.name ?? 'a', b: forked.find((e) => e.id === 'b')?.name ?? 'b' }}
          a={<OneEnd house={house} a={a} b={b} end="a" />}
          b={<OneEnd house={house} a={a} b={b} end="b" />}
        />
      ) : (
        <OneEnd house={house} a={a} b={b} end="a" />
      )}
    </section>
  );
}

function OneEnd({ house, a, b, end }: Sides & { readonly end: EndId }) {
  const seen = (f: Formula) => analyseFormula(f, house, end, cardPortion(f, house));
  const [x, y] = [seen(a.formula), seen(b.formula)];
  const [at, other] = [a, b].map((s) => s.href.split('?')[0]);
  const pairs = pairLines(x.lines, y.lines, end, at === other ? 'versions' : 'two formulas');
  const words = [...changesInWords(pairs, house.units), ...besidesMoved(a.formula, b.formula, house, end)];
  return (
    <>
      <p className="text-lg leading-snug">
        <strong>What changed:</strong> {words.length === 0 ? 'nothing that counts.' : `${words.join('; ')}.`}
      </p>
      <table className="mt-3 w-full border-collapse">
        <thead className="border-b-2 border-rim text-left align-bottom text-sm text-soft">
          <tr>
            <th scope="col" className="py-1.5 pr-3">
              <span className="sr-only">what</span>
            </th>
            {[a, b].map((s) => (
              <th scope="col" key={s.href} className="w-[34%] py-1.5 pr-3">
                <Link href={s.href} className="text-base font-semibold text-rim underline [overflow-wrap:anywhere]">
                  {s.label}
                </Link>
                <span className="block font-normal [overflow-wrap:anywhere]">
                  {s.at}
                  {s.note ? `: ${s.note}` : ''}
                </span>
              </th>
            ))}
            <th scope="col" className="py-1.5 text-right">
              change
            </th>
          </tr>
        </thead>
        <tbody>
          <Head>Lines</Head>
          {pairs.map((p) => (
            <LineRow key={`${p.a?.key ?? ''} ${p.b?.key ?? ''}`} pair={p} units={house.units} />
          ))}
          <Head>Ratios, percent of flour</Head>
          {RAILS.map((rail) => {
            const [m, n] = [railOf(x.analysis, rail), railOf(y.analysis, rail)];
            const say = (v: number): string => sayRail(rail, v);
            const d = m && n ? n.tested - m.tested : null;
            const moved = d !== null && say(m?.tested ?? 0) !== say(n?.tested ?? 0);
            return (
              <tr key={rail} className={`border-b border-line ${moved ? 'font-semibold' : ''}`}>
                <th className="py-1 pr-3 text-left font-semibold">{RAIL_NAMES[rail]}</th>
                <td className="py-1 pr-3">{m ? say(m.tested) : 'no flour'}</td>
                <td className="py-1 pr-3">{n ? say(n.tested) : 'no flour'}</td>
                <td className="py-1 text-right">
                  {d === null || !moved ? '' : `${d > 0 ? '+' : '−'}${say(Math.abs(d))}`}
                </td>
              </tr>
            );
          })}
          <tr className="border-b border-line">
            <th className="py-1 pr-3 text-left font-semibold">Pour</th>
            <td className="py-1 pr-3">{x.analysis.thickness ? POUR_WORDS[x.analysis.thickness.pour] : ''}</td>
            <td className="py-1 pr-3">{y.analysis.thickness ? POUR_WORDS[y.analysis.thickness.pour] : ''}</td>
            <td />
          </tr>
          <tr>
            <th className="py-1 pr-3 text-left font-semibold">Findings</th>
            <td className="py-1 pr-3">{x.analysis.findings.length === 0 ? 'calm' : x.analysis.findings.length}</td>
            <td className="py-1 pr-3">{y.analysis.findings.length === 0 ? 'calm' : y.analysis.findings.length}</td>
            <td />
          </tr>
        </tbody>
      </table>
    </>
  );
}

const Head = ({ children }: { readonly children: string }) => (
  <tr>
    <th colSpan={4} className="pt-3 pb-1 text-left font-sign text-[15px] text-rim">
      {children}
    </th>
  </tr>
);

function LineRow({ pair: { a, b, change }, units }: { readonly pair: LinePair; readonly units: Units }) {
  const d = a?.grams != null && b?.grams != null ? b.grams - a.grams : null;
  const name = (b ?? a)?.ingredient?.name.replace(/\s*\([^)]*\)/g, '') ?? (b ?? a)?.text ?? '';
  const cell = (l: typeof a) =>
    l ? `${l.text}${l.grams === null || /^[\d.]+ g\b/.test(l.text) ? '' : `, ${grams(l.grams, units)}`}` : '–';
  return (
    <tr className={`border-b border-line align-top ${change === 'same' ? 'text-soft' : ''}`}>
      <th className="max-w-40 py-1 pr-3 text-left font-semibold [overflow-wrap:anywhere]">{name}</th>
      <td className="py-1 pr-3 [overflow-wrap:anywhere]">{cell(a)}</td>
      <td className={`py-1 pr-3 [overflow-wrap:anywhere] ${change === 'same' ? '' : 'font-semibold'}`}>{cell(b)}</td>
      <td className="py-1 text-right whitespace-nowrap">
        {change === 'same'
          ? ''
          : change === 'new'
            ? 'new'
            : change === 'gone'
              ? 'gone'
              : d !== null && Math.abs(d) > 0.005
                ? `${d > 0 ? '+' : '−'}${grams(Math.abs(d), units)}`
                : 'changed'}
      </td>
    </tr>
  );
}
