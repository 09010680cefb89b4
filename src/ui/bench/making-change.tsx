import { useState } from 'react';
import {
  type ActEdit,
  type EditOf,
  MOST_ACT_MIN,
  MOST_ACT_NOTE_CHARS,
  MOST_DOES_CHARS,
  MOST_LOAD,
  ownActId,
  withEdit,
  withoutEdits,
} from '@/core/formula/act-edits';
import { capital, celsiusFrom, temperature, type Units } from '@/core/quantity/say';
import { actName, type ScriptAct } from '@/core/script/act';
import { canHeat, canLeave, canLoad, canTime, canTurnDown } from '@/core/script/making';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { TypedNumber } from '../kit/typed-number';

/** Where numbers are changed that are no act's own. */
const ELSEWHERE: Partial<Readonly<Record<ScriptAct['verb'], string>>> = {
  rest: 'How long it rests is under “How we measure and mix”.',
  combine: 'How it is combined is under “How we measure and mix”.',
  whip: 'How the whites are whipped is under “How we measure and mix”.',
  pour: 'The portion is typed over above.',
};

export interface Edits {
  readonly edits: readonly ActEdit[];
  readonly onEdits: (edits: readonly ActEdit[]) => void;
}

/** A number of an act, typed over; emptied, it is what it would be by itself. */
function Numbers({ act: a, edits, onEdits, units }: Edits & { readonly act: ScriptAct; readonly units: Units }) {
  const set = edits.find((e): e is EditOf<'set'> => e.do === 'set' && e.act === a.id);
  const put = (part: Partial<Pick<EditOf<'set'>, 'minutes' | 'heatC' | 'thenC' | 'load'>>): void => {
    const { words: _, ...was } = set ?? { do: 'set' as const, act: a.id };
    const { minutes, heatC, thenC, load } = { ...was, ...part };
    const rest = edits.filter((e) => e !== set);
    const now = {
      do: 'set' as const,
      act: a.id,
      ...(minutes !== undefined && { minutes }),
      ...(heatC !== undefined && { heatC }),
      ...(thenC !== undefined && { thenC }),
      ...(load !== undefined && { load }),
    };
    onEdits([minutes, heatC, thenC, load].every((x) => x === undefined) ? rest : withEdit(rest, now));
  };
  const box = 'h-10 border-edge bg-white px-2 font-semibold hover:border-rim';
  const degrees = (c: number | null): string =>
    c === null ? '' : String(Math.round(Number.parseFloat(temperature(c, units))));
  const heat = (label: string, value: number | null, onCommit: (c: number | undefined) => void) => (
    <span className="inline-flex items-center gap-1.5">
      <span className="inline-block w-20">
        <TypedNumber
          label={`${actName(a)}: ${label}`}
          value={degrees(value)}
          wrong={(x) => (celsiusFrom(x, units) >= 30 && celsiusFrom(x, units) <= 400 ? null : 'No heat of a kitchen.')}
          onCommit={(x) => onCommit(Math.round(10 * celsiusFrom(x, units)) / 10)}
          onEmpty={() => onCommit(undefined)}
          className={box}
        />
      </span>
      °{units.temperature}
    </span>
  );
  return (
    <>
      {canTime(a) ? (
        <span className="inline-flex items-center gap-1.5">
          <span className="inline-block w-20">
            <TypedNumber
              label={`${actName(a)}: minutes`}
              value={String(Number((a.minutes?.all ?? 0).toFixed(2)))}
              wrong={(x) => (x > 0 && x <= MOST_ACT_MIN ? null : `More than 0, at most ${MOST_ACT_MIN} min.`)}
              onCommit={(minutes) => put({ minutes })}
              onEmpty={() => put({ minutes: undefined })}
              className={box}
            />
          </span>
          min
        </span>
      ) : null}
      {canHeat(a) ? heat('degrees', a.heatC && (a.heatC[0] + a.heatC[1]) / 2, (heatC) => put({ heatC })) : null}
      {canTurnDown(a) ? (
        <span className="inline-flex items-center gap-1.5">
          then {heat('degrees later', a.thenC, (thenC) => put({ thenC }))}
        </span>
      ) : null}
      {canLoad(a) ? (
        <span className="inline-flex items-center gap-1.5">
          <span className="inline-block w-20">
            <TypedNumber
              label={`${actName(a)}: at a time`}
              value={a.load === null ? '' : String(a.load)}
              wrong={(x) => (Number.isInteger(x) && x >= 1 && x <= MOST_LOAD ? null : `1 to ${MOST_LOAD} pieces.`)}
              onCommit={(load) => put({ load })}
              onEmpty={() => put({ load: undefined })}
              className={box}
            />
          </span>
          at a time
        </span>
      ) : null}
      {set ? (
        <Button look="bare" onClick={() => onEdits(edits.filter((e) => e !== set))}>
          As it was
        </Button>
      ) : null}
    </>
  );
}

/** Something done besides, before an act. */
function Besides({ act: a, edits, onEdits, onDone }: Edits & { readonly act: ScriptAct; readonly onDone: () => void }) {
  const [does, setDoes] = useState('');
  const [minutes, setMinutes] = useState('5');
  const [wrong, setWrong] = useState('');
  const min = Number(minutes.replace(',', '.'));
  const what = does.trim();
  const act = ownActId(what);
  const isWrong = (): string => {
    if (what === '') return 'Write what is done.';
    if (!(min > 0 && min <= MOST_ACT_MIN)) return `Minutes: more than 0, at most ${MOST_ACT_MIN}.`;
    return edits.some((e) => e.act === act) ? 'That is done already.' : '';
  };
  const add = (): void => {
    const reason = isWrong();
    setWrong(reason);
    if (reason) return;
    onEdits(withEdit(edits, { do: 'own', act, before: a.id, does: what, minutes: min, hands: min }));
    onDone();
  };
  return (
    <Form act={add} className="flex w-full flex-wrap items-end gap-2">
      <Field
        label={`Before it: what is done`}
        value={does}
        maxLength={MOST_DOES_CHARS}
        placeholder="toast the oats"
        error={wrong || undefined}
        onChange={(e) => {
          setDoes(e.target.value);
          setWrong('');
        }}
        className="min-w-40 grow"
      />
      <Field
        label="Minutes"
        inputMode="decimal"
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
        inputClass="w-20"
      />
      <Button type="submit" look="now">
        Add it
      </Button>
      <Button look="bare" onClick={onDone}>
        Leave it
      </Button>
    </Form>
  );
}

/** A note on an act: what no number says. */
function Note({ act: a, edits, onEdits }: Edits & { readonly act: ScriptAct }) {
  const [note, setNote] = useState(a.note ?? '');
  const keep = (): void => {
    const said = note.trim();
    const rest = edits.filter((e) => e.do !== 'note' || e.act !== a.id);
    if (said !== (a.note ?? '')) onEdits(said === '' ? rest : withEdit(rest, { do: 'note', act: a.id, note: said }));
  };
  return (
    <Form act={keep} className="w-full">
      <Field
        label="A note on it"
        value={note}
        maxLength={MOST_ACT_NOTE_CHARS}
        placeholder="hot first, then low"
        onChange={(e) => setNote(e.target.value)}
        onBlur={keep}
      />
    </Form>
  );
}

/** What can be done about an act. */
export function ActControls({
  act: a,
  acts,
  edits,
  onEdits,
  units,
}: Edits & { readonly act: ScriptAct; readonly acts: readonly ScriptAct[]; readonly units: Units }) {
  const [adding, setAdding] = useState(false);
  const own = edits.find((e): e is EditOf<'own'> => e.do === 'own' && e.act === a.id);
  if (own)
    return (
      <div className="flex flex-wrap items-end gap-2">
        <Choice
          label="Before"
          value={own.before}
          options={acts.filter((x) => x.verb !== 'do').map((x) => ({ value: x.id, label: actName(x) }))}
          onChange={(before) => onEdits(edits.map((e) => (e === own ? { ...own, before } : e)))}
        />
        <TypedMinutes own={own} edits={edits} onEdits={onEdits} />
        <Button onClick={() => onEdits(withoutEdits(edits, a.id))}>Delete it</Button>
      </div>
    );
  return (
    <>
      {ELSEWHERE[a.verb] ? <p className="text-sm text-soft">{ELSEWHERE[a.verb]}</p> : null}
      <div className="flex flex-wrap items-center gap-2">
        <Numbers act={a} edits={edits} onEdits={onEdits} units={units} />
        {canLeave(a) ? (
          <Button onClick={() => onEdits(withEdit(withoutEdits(edits, a.id), { do: 'leave', act: a.id }))}>
            Leave it out
          </Button>
        ) : null}
        {adding ? null : <Button onClick={() => setAdding(true)}>Do something before it</Button>}
      </div>
      <Note key={a.note} act={a} edits={edits} onEdits={onEdits} />
      {adding ? <Besides act={a} edits={edits} onEdits={onEdits} onDone={() => setAdding(false)} /> : null}
    </>
  );
}

function TypedMinutes({ own, edits, onEdits }: Edits & { readonly own: EditOf<'own'> }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <span className="inline-block w-20">
        <TypedNumber
          label={`${capital(own.does)}: minutes`}
          value={String(own.minutes)}
          wrong={(x) => (x > 0 && x <= MOST_ACT_MIN ? null : `More than 0, at most ${MOST_ACT_MIN} min.`)}
          onCommit={(minutes) => onEdits(edits.map((e) => (e === own ? { ...own, minutes, hands: minutes } : e)))}
          className="h-10 border-edge bg-white px-2 font-semibold hover:border-rim"
        />
      </span>
      min
    </span>
  );
}
