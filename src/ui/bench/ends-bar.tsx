'use client';
import { useState } from 'react';
import { type End, type EndId, type Formula, kindIdOf, withEndKind } from '@/core/formula/formula';
import { KINDS, kindById, schoolOf } from '@/core/formula/kinds';
import { Button, lookOf } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Popped } from '../kit/menu';
import type { BenchAction } from './state';

/** The two ends of a forked formula: which is looked at, what each is called and which school it keeps to. */
export function EndsBar({
  formula,
  end,
  send,
}: {
  readonly formula: Formula;
  readonly end: EndId | null;
  readonly send: (a: BenchAction) => void;
}) {
  const { ends } = formula;
  const [error, setError] = useState<string | undefined>();
  if (!ends) return null;
  const rename = (id: EndId, part: Partial<End>): void => {
    const [a, b] = ends;
    const next = [a, b].map((e) => (e.id === id ? { ...e, ...part } : e)) as [End, End];
    setError(next.some((e) => e.name.trim() === '') ? 'Both finishes need a name.' : undefined);
    send({ do: 'set', part: { ends: next }, place: `finish ${id}` });
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-plate bg-white px-3 py-2">
      <Taps
        label="Finish"
        value={end ?? ends[0].id}
        onChange={(v) => v !== '' && send({ do: 'look-at', end: v })}
        options={ends.map((e) => ({ value: e.id, label: e.name || 'no name' }))}
      />
      <p className="text-[15px] text-soft">One base, two finishes. What is not marked “only in …” is shared by both.</p>
      <Popped
        label="Names, kinds and styles of the finishes"
        align="end"
        className={`${lookOf('bare')} ml-auto`}
        plate="grid w-[min(26rem,94vw)] gap-3"
        opener={{ children: 'Names, kinds and styles' }}
      >
        {() => (
          <>
            {ends.map((e) => (
              <div key={e.id} className="flex flex-wrap items-end gap-3">
                <Field
                  label={e.id === 'a' ? 'First finish' : 'Second finish'}
                  value={e.name}
                  maxLength={40}
                  error={e.name.trim() === '' ? error : undefined}
                  onChange={(ev) => rename(e.id, { name: ev.target.value })}
                  className="flex-1"
                />
                <Choice
                  label="Kind"
                  value={kindIdOf(formula, e.id)}
                  onChange={(kind) =>
                    send({
                      do: 'set',
                      part: withEndKind(formula, e.id, kind, kindById(kind).schools[0].id),
                      place: null,
                    })
                  }
                  options={KINDS.map((k) => ({ value: k.id, label: k.name }))}
                />
                {kindById(kindIdOf(formula, e.id)).schools.length > 1 ? (
                  <Choice
                    label="Style"
                    value={schoolOf(kindById(kindIdOf(formula, e.id)), e.school).id}
                    onChange={(school) => rename(e.id, { school })}
                    options={kindById(kindIdOf(formula, e.id)).schools.map((s) => ({ value: s.id, label: s.name }))}
                  />
                ) : null}
              </div>
            ))}
            <div className="flex flex-wrap gap-2 border-t border-line pt-3">
              {ends.map((e) => (
                <Button key={e.id} onClick={() => send({ do: 'keep-only', end: e.id })}>
                  Keep only {e.name || 'this one'}
                </Button>
              ))}
            </div>
          </>
        )}
      </Popped>
    </div>
  );
}
