import type { MeasuredWith } from '@/core/batch/taken';
import { dueAt, type Piece } from '@/core/griddle/board';
import type { AddInNow } from '@/core/griddle/progress';
import { temperature } from '@/core/quantity/say';
import type { Cues, SideTimes } from '@/core/script/on-heat';
import { useUnits } from '../kit/units';
import { ACT_WORDS, clock } from '../shared/clock-words';
import { useAsTaken } from './as-taken';
import type { Saying } from './said';

const GOES_ON = { poured: 'Then sprinkle on', flip: 'Before it is turned, put on', top: 'Then lay on top' } as const;

/** What is sprinkled, put or laid on a piece, and how much. */
function AddIns({ addIns, measured }: { readonly addIns: readonly AddInNow[]; readonly measured: MeasuredWith }) {
  const asTaken = useAsTaken(measured);
  return addIns.map((a) => (
    <p key={a.name} className="text-xl font-semibold">
      {GOES_ON[a.moment]} {a.eachG === null || a.of === null ? '' : `${asTaken(a.of, a.eachG)} of `}
      {a.name.toLowerCase()}.
    </p>
  ));
}

/** The one next thing, the plainest on the screen, with what to look for. */
export function StepView({
  step,
  times,
  now,
  cues,
  next,
  held,
  test,
  addIns,
  measured,
  end,
  portion,
  rests,
  thenC,
}: Saying & {
  readonly times: SideTimes;
  readonly now: number;
  readonly cues: Cues;
  /** What goes on the piece now. */
  readonly addIns: readonly AddInNow[];
  readonly measured: MeasuredWith;
  /** How much one is, as it is said; null: it fills its shape. */
  readonly portion: string | null;
  /** What the heat is changed to once the first is on it, C; null: it stays. */
  readonly thenC: number | null;
}) {
  const units = useUnits();
  const cue = (p: Piece): string => (p.flippedAt === null ? cues.first : cues.second);
  const timed = (p: Piece): boolean => p.flippedAt === null || !cues.secondByCue;
  const large = 'text-[56px] leading-tight font-bold';
  if (step.do === 'done') {
    const text = held ? 'How is the test piece?' : 'All off the heat';
    return <p className={large}>{text}</p>;
  }
  if (step.do === 'pour' && rests !== null)
    return (
      <div>
        <p className={large}>Rests until {rests}</p>
        <p className="text-xl">Heat the griddle meanwhile.</p>
      </div>
    );
  if (step.do === 'pour')
    return (
      <div>
        <p className={large}>
          Pour {next}
          {end ? <span className="text-3xl">, {end}</span> : null}
        </p>
        <p className="text-xl text-soft">
          {test ? 'one to test with, in the middle of the heat' : `at place ${step.place.slot + 1}`}
          {portion ? `, ${portion}` : ''}
        </p>
        {cues.pour ? <p className="text-lg">{cues.pour}</p> : null}
        {thenC === null ? null : (
          <p className="text-lg">
            {next === 1 ? 'Once it is on, the heat to' : 'The heat is by now at'} {temperature(thenC, units)}.
          </p>
        )}
        <AddIns addIns={addIns} measured={measured} />
      </div>
    );
  const over = now - dueAt(step.piece, times);
  if (step.do === 'wait')
    return (
      <div>
        <p className={large}>
          {!timed(step.piece)
            ? `Watch ${step.piece.piece}`
            : `${cues.asks === 'clock' ? ACT_WORDS[step.piece.flippedAt === null && times.second !== null ? 'flip' : 'pull'] : 'Look at'} ${step.piece.piece} in ${clock(-over)}`}
        </p>
        <p className="text-xl">{cue(step.piece)}</p>
        <AddIns addIns={addIns} measured={measured} />
      </div>
    );
  return (
    <div>
      <p className={large}>
        {ACT_WORDS[step.do]} {step.piece.piece}
        {cues.asks === 'clock' && timed(step.piece) ? ' now' : '?'}
      </p>
      <p className="text-xl">{cue(step.piece)}</p>
      <AddIns addIns={addIns} measured={measured} />
      <p className="text-soft">{over > 3000 && timed(step.piece) ? `Asked ${clock(over)} ago` : ''}</p>
    </div>
  );
}
