import { ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import type { Bench } from '@/core/balance/bench';
import { scriptOfFormula } from '@/core/batch/script-of-formula';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import { type ActEdit, withoutEdits } from '@/core/formula/act-edits';
import { minutesAndParts, minutesOrHours, temperature, type Units } from '@/core/quantity/say';
import { actName, type From, type ScriptAct, type ScriptTake } from '@/core/script/act';
import { editSaid } from '@/core/script/told-acts';
import { Button } from '../kit/button';
import { useUnits } from '../kit/units';
import { ActControls, type Edits } from './making-change';
import { MakingStrip } from './making-strip';
import type { BenchAction } from './state';

const WHOSE: Readonly<Record<From, string>> = {
  told: 'The card says so:',
  asked: 'This formula’s own way.',
  house: 'As the house does it.',
  usual: 'As it is usually done.',
};

/** "240 g whole milk", "half of the batter". */
function takeSaid(t: ScriptTake, lines: ReadonlyMap<string, SheetLine>, units: Units): string {
  // the same bowl, an act later, has the same name
  if (t.of === 'mix') return `the ${t.id.replace(/ \d+$/, '')}`;
  const l = lines.get(t.id);
  return l ? `${l.grams === null ? '' : `${measureSaid(l, units)} `}${l.name}` : '';
}

function factsOfAct(a: ScriptAct, units: Units): readonly string[] {
  const { minutes: m, heatC, thenC, portionMl, load } = a;
  return [
    ...(a.vessel ? [a.vessel] : []),
    ...(m
      ? [
          `${minutesAndParts(m.all)}${m.hands > 0 && m.hands < m.all ? `, ${minutesAndParts(m.hands)} of it by hand` : ''}`,
        ]
      : []),
    ...(heatC ? [[...new Set(heatC)].map((c) => temperature(c, units)).join(' to ')] : []),
    ...(thenC === null ? [] : [`then ${temperature(thenC, units)}`]),
    ...(portionMl ? [`${Math.round(portionMl)} ml a piece`] : []),
    ...(load === null ? [] : [`${load} at a time`]),
    ...(a.keepsMin === null ? [] : [`keeps ${minutesOrHours(a.keepsMin)}`]),
  ];
}

/** What is left out, and edits that speak of no act that is done here: kept, and put back or dropped by a tap. */
function Beside({ idle, edits, onEdits, units }: Edits & { readonly idle: readonly ActEdit[]; readonly units: Units }) {
  const left = edits.filter((e) => e.do === 'leave' && !idle.includes(e));
  if (left.length === 0 && idle.length === 0) return null;
  return (
    <ul className="grid gap-1 text-[15px]">
      {left.map((e) => (
        <li key={e.act} className="flex flex-wrap items-center justify-between gap-2">
          <span>Left out: {e.act}</span>
          <Button onClick={() => onEdits(withoutEdits(edits, e.act))}>Put it back</Button>
        </li>
      ))}
      {idle.map((e) => (
        <li key={`${e.do} ${e.act}`} className="flex flex-wrap items-center justify-between gap-2">
          <span>Kept, though it is not done here as it is now: {editSaid(e, undefined, units)}</span>
          <Button onClick={() => onEdits(edits.filter((x) => x !== e))}>Drop it</Button>
        </li>
      ))}
    </ul>
  );
}

/**
 * How it is made, act by act: what each takes, in what, how long and how hot; opened, whose word it is, and what can be
 * changed of it.
 */
export function MakingView({ bench, send }: { readonly bench: Bench; readonly send: (a: BenchAction) => void }) {
  const { formula, house, end } = bench;
  const units = useUnits();
  const made = useMemo(() => scriptOfFormula(formula, house, end), [formula, house, end]);
  if (!made.ok) return <p>{made.error.message}</p>;
  const { acts, lines, idle } = made.value;
  const { edits } = formula;
  const onEdits = (now: readonly ActEdit[]): void => send({ do: 'set', part: { edits: now }, place: null });
  const byKey = new Map(lines.map((l) => [l.key, l]));
  return (
    <>
      <p className="text-sm text-soft">As sheet, set out, griddle and time line tell it. Open an act to change it.</p>
      <MakingStrip acts={acts} lines={byKey} units={units} />
      <ol className="grid">
        {acts.map((a, n) => {
          const takes = a.takes.map((t) => takeSaid(t, byKey, units)).filter(Boolean);
          const on = a.on.flatMap((k) => byKey.get(k)?.name ?? []);
          const about = takes.length > 0 ? takes : on;
          return (
            <li key={a.id} className="border-b border-line last:border-0">
              <details className="group">
                <summary className="grid cursor-pointer grid-cols-[1.75rem_1fr_1.25rem] gap-x-1 rounded py-1.5 hover:bg-wash">
                  <span className="text-soft tabular-nums">{n + 1}.</span>
                  <span className="min-w-0">
                    <span className="flex flex-wrap items-baseline justify-between gap-x-3">
                      <strong className="text-rim">{actName(a)}</strong>
                      <span className={`text-sm ${a.from === 'usual' ? 'text-soft' : 'font-semibold'}`}>
                        {factsOfAct(a, units).join(' · ')}
                      </span>
                    </span>
                    {a.note ? <span className="block text-[15px] font-semibold">{a.note}</span> : null}
                    {about.length > 0 ? <span className="block text-[15px]">{about.join(', ')}</span> : null}
                  </span>
                  <ChevronRight size={18} aria-hidden className="mt-0.5 text-rim group-open:rotate-90" />
                </summary>
                <div className="grid gap-1.5 pb-2 pl-8 text-[15px]">
                  {a.until ? <p>Until {a.until}</p> : null}
                  <p className="text-soft">
                    {WHOSE[a.from]}
                    {a.words ? <q className="ml-1">{a.words}</q> : null}
                  </p>
                  <ActControls act={a} acts={acts} edits={edits} onEdits={onEdits} units={units} />
                </div>
              </details>
            </li>
          );
        })}
      </ol>
      <Beside idle={idle} edits={edits} onEdits={onEdits} units={units} />
    </>
  );
}
