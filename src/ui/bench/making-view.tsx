import { useMemo } from 'react';
import type { Bench } from '@/core/balance/bench';
import { scriptOfFormula } from '@/core/batch/script-of-formula';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import { minutesOrHours, temperature, type Units } from '@/core/quantity/say';
import type { From, ScriptAct, ScriptTake } from '@/core/script/act';
import { useUnits } from '../units';

const WHOSE: Readonly<Record<From, string>> = {
  told: 'the card says so',
  asked: 'this formula’s own way',
  house: 'as the house does it',
  usual: '',
};

const capital = (s: string): string => `${s.charAt(0).toUpperCase()}${s.slice(1)}`;

/** "240 g whole milk", "half of the batter". */
function takeSaid(t: ScriptTake, lines: ReadonlyMap<string, SheetLine>, units: Units): string {
  // the same bowl, an act later, has the same name
  if (t.of === 'mix') return `the ${t.id.replace(/ \d+$/, '')}`;
  const l = lines.get(t.id);
  return l ? `${l.grams === null ? '' : `${measureSaid(l, units)} `}${l.name}` : '';
}

function factsOfAct(a: ScriptAct, units: Units): readonly string[] {
  const { minutes: m, heatC, portionMl } = a;
  return [
    ...(a.vessel ? [a.vessel] : []),
    ...(m
      ? [
          `${minutesOrHours(m.all)}${m.hands > 0 && m.hands < m.all ? `, ${minutesOrHours(m.hands)} of it by hand` : ''}`,
        ]
      : []),
    ...(heatC ? [[...new Set(heatC)].map((c) => temperature(c, units)).join(' to ')] : []),
    ...(portionMl ? [`${Math.round(portionMl)} ml a piece`] : []),
    ...(a.keepsMin === null ? [] : [`keeps ${minutesOrHours(a.keepsMin)}`]),
  ];
}

/** How it is made, act by act: what each takes, in what, how long, how hot, until when, and whose word it is. */
export function MakingView({ bench }: { readonly bench: Bench }) {
  const { formula, house, end } = bench;
  const units = useUnits();
  const made = useMemo(() => scriptOfFormula(formula, house, end), [formula, house, end]);
  if (!made.ok) return <p>{made.error.message}</p>;
  const { acts, lines } = made.value;
  const byKey = new Map(lines.map((l) => [l.key, l]));
  return (
    <>
      <p className="text-sm text-soft">
        As sheet, set out and time line tell it. It changes with “How we measure and mix”, with a line’s menu, and with
        what the card says.
      </p>
      <ol className="grid">
        {acts.map((a, n) => {
          const takes = a.takes.map((t) => takeSaid(t, byKey, units)).filter(Boolean);
          const on = a.on.flatMap((k) => byKey.get(k)?.name ?? []);
          const about = takes.length > 0 ? takes : on;
          const whose = WHOSE[a.from];
          return (
            <li key={a.id} className="grid grid-cols-[1.75rem_1fr] gap-x-1 border-b border-line py-1.5 last:border-0">
              <span className="text-soft tabular-nums">{n + 1}.</span>
              <div className="min-w-0">
                <p className="flex flex-wrap items-baseline justify-between gap-x-3">
                  <strong>{capital(`${a.verb} ${a.of === 'piece' ? 'each' : a.of}`)}</strong>
                  <span className="text-sm text-soft">{factsOfAct(a, units).join(' · ')}</span>
                </p>
                {about.length > 0 ? <p className="text-[15px]">{about.join(', ')}</p> : null}
                {a.until ? <p className="text-[15px] text-soft">until {a.until}</p> : null}
                {whose ? (
                  <p className="text-sm text-soft">
                    {whose}
                    {a.words ? <q className="ml-1">{a.words}</q> : null}
                  </p>
                ) : null}
              </div>
            </li>
          );
        })}
      </ol>
    </>
  );
}
