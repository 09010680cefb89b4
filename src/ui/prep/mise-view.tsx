'use client';
import { Check, X } from 'lucide-react';
import { useState } from 'react';
import { entriesOf, type MiseState } from '@/core/batch/acts';
import type { StandInPreview } from '@/core/batch/changes';
import { measureSaid } from '@/core/batch/sheet-line';
import { type Mise, type MiseThing, miseStates, offersFor, type StandInOffer } from '@/core/prep/mise';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Press } from '../kit/press';
import { useUnits } from '../kit/units';
import type { OpenEventLog } from '../live/use-event-log';

/** What a stand-in changes, line by line, before it is taken. */
function Changes({
  preview: p,
  busy,
  onTake,
  onLeave,
}: {
  readonly preview: StandInPreview;
  readonly busy: boolean;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}) {
  return (
    <section aria-label="What it changes" className="grid w-full gap-2 rounded-plate border-2 border-rim bg-white p-3">
      <ul>
        {p.lines.map((l) => (
          <li key={`${l.name} ${l.from}`} className="flex justify-between gap-3 border-b border-line py-1">
            <span className="min-w-24 flex-1 [overflow-wrap:anywhere]">{l.name}</span>
            <span className="max-w-[60%] text-right">
              <span className="text-soft">{l.from ?? 'not in it'}</span> → <strong>{l.to ?? 'left out'}</strong>
            </span>
          </li>
        ))}
      </ul>
      {p.pieces ? (
        <p>
          It then makes {p.pieces.to} instead of {p.pieces.from}.
        </p>
      ) : null}
      {p.comes.length > 0 ? (
        <p className="font-semibold text-berry">Brings {p.comes.join(', ').toLowerCase()}: say so to whoever eats.</p>
      ) : null}
      {p.goes.length > 0 ? <p>No longer holds {p.goes.join(', ').toLowerCase()}.</p> : null}
      <div className="flex flex-wrap gap-3">
        <Button look="now" size="work" disabled={busy} onClick={onTake}>
          Take it in this batch
        </Button>
        <Button size="work" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </section>
  );
}

/** The mise: what is on the counter, what is not, and what stands in for it. */
export function MiseView({
  batchId,
  mise,
  offers,
  log,
  begun,
  swap,
  preview,
  onSwapped,
}: {
  readonly batchId: string;
  readonly mise: Mise;
  /** Stand-ins by line. */
  readonly offers: Readonly<Record<string, readonly StandInOffer[]>>;
  readonly log: OpenEventLog;
  /** Something is weighed already. */
  readonly begun: boolean;
  readonly swap: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
  readonly preview: (input: unknown) => Promise<{ readonly ok: true; readonly preview: StandInPreview } | Refused>;
  readonly onSwapped: () => void;
}) {
  const units = useUnits();
  const asking = useAsking();
  const [tried, setTried] = useState<string | null>(null);
  const [tool, setTool] = useState('');
  const [seen, setSeen] = useState<{ readonly key: string; readonly preview: StandInPreview } | null>(null);
  const keyOf = (t: MiseThing, o: StandInOffer): string => `${t.key} ${o.to} ${o.with}`;
  const states = miseStates(log.entries);
  const all = [...mise.ingredients, ...mise.tools];
  const missing = all.filter((t) => states.get(t.key) === 'missing');
  const left = all.filter((t) => !states.has(t.key));
  const say = (t: MiseThing, state: MiseState): void => void log.enter({ what: 'mise', key: t.key, state });
  /** Takes back what was said last of a thing: it stands as it did before. */
  const unsay = (t: MiseThing): void => {
    const last = entriesOf(log.entries, 'mise')
      .filter((e) => e.act.key === t.key)
      .at(-1);
    if (last) log.tell({ do: 'strike', entryId: last.id });
  };
  const rowOf = (t: MiseThing) => {
    const state = states.get(t.key);
    const own = t.lineKey === null ? [] : offersFor(t.lineKey, offers);
    return (
      <li key={t.key} className="border-b border-line py-1.5">
        <div className="flex items-center gap-3">
          <Press
            aria-pressed={state === 'here'}
            onClick={() => say(t, 'here')}
            className={`hold flex min-h-14 min-w-0 flex-1 items-center gap-3 px-3 text-left text-xl font-semibold hover:bg-wash ${state === 'here' ? '!border-line !bg-enamel text-soft' : ''}`}
          >
            <span
              className={`grid size-9 shrink-0 place-items-center rounded-lg border-[3px] border-rim ${state === 'here' ? 'bg-rim text-white' : 'bg-white'}`}
            >
              {state === 'here' ? <Check size={26} aria-hidden strokeWidth={3} /> : null}
            </span>
            <span className="min-w-0 [overflow-wrap:anywhere]">
              {t.name}
              {t.measure ? (
                <span className="font-normal whitespace-nowrap text-soft"> {measureSaid(t, units)} in all</span>
              ) : null}
              {t.note ? <span className="block text-base font-normal text-soft">{t.note}</span> : null}
              {state === 'stand-in' ? (
                <span className="font-normal text-soft">; with {t.instead || 'something else'}</span>
              ) : null}
            </span>
          </Press>
          <Button
            size="work"
            aria-pressed={state === 'missing'}
            aria-label={`Missing: ${t.name}`}
            look={state === 'missing' ? 'stop' : 'plain'}
            onClick={() => say(t, 'missing')}
          >
            <X size={22} aria-hidden />
            {state === 'missing' ? 'missing' : ''}
          </Button>
        </div>
        {state === 'missing' ? (
          <div className="grid justify-items-start gap-2 py-2 pl-3">
            {t.grams === null ? (
              t.instead ? (
                <Button size="work" onClick={() => say(t, 'stand-in')}>
                  Take {t.instead}
                </Button>
              ) : (
                <p>Nothing does instead: plan something else.</p>
              )
            ) : begun ? (
              <p>
                Some is weighed already: swap on the Bench for the next batch, or take what is weighed off the list
                first.
              </p>
            ) : own.length === 0 ? (
              <p>No usual swap. Open the formula on the Bench and change it there.</p>
            ) : (
              <ul className="grid gap-2">
                {own.map((o) => (
                  <li key={`${o.to} ${o.with}`} className="flex flex-wrap items-center gap-x-4 gap-y-1">
                    <Button
                      size="work"
                      disabled={asking.busy}
                      aria-expanded={seen?.key === keyOf(t, o)}
                      onClick={() => {
                        setTried(t.key);
                        void asking
                          .ask(() => preview({ batchId, lineKey: t.lineKey, to: o.to, with: o.with }))
                          .then((a) => {
                            if (a?.ok) setSeen({ key: keyOf(t, o), preview: a.preview });
                          });
                      }}
                    >
                      {o.name}: what it changes
                    </Button>
                    <span className="text-soft">
                      {o.says}
                      {o.caution ? <strong className="text-ink">. {o.caution}</strong> : null}
                    </span>
                    {seen?.key === keyOf(t, o) ? (
                      <Changes
                        preview={seen.preview}
                        busy={asking.busy}
                        onLeave={() => setSeen(null)}
                        onTake={() =>
                          void asking
                            .ask((requestId) =>
                              act(
                                'swap-in-batch',
                                `${o.name} for ${t.name.toLowerCase()}`,
                                swap,
                                { batchId, lineKey: t.lineKey, to: o.to, with: o.with, requestId },
                                batchId,
                              ),
                            )
                            .then((a) => {
                              if (!a?.ok) return;
                              setSeen(null);
                              say(t, 'stand-in');
                              onSwapped();
                            })
                        }
                      />
                    ) : null}
                  </li>
                ))}
              </ul>
            )}
            {tried === t.key ? <RefusalNotice text={asking.refusal} waits={asking.waits} /> : null}
            <Button size="work" look="bare" aria-label={`Not missing after all: ${t.name}`} onClick={() => unsay(t)}>
              Not missing after all
            </Button>
          </div>
        ) : null}
      </li>
    );
  };
  return (
    <section aria-label="Set out" className="grid gap-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-3xl">Is it all on the counter?</h2>
        {left.length > 0 ? (
          <Button
            look="now"
            size="work"
            onClick={() => {
              for (const t of left) say(t, 'here');
            }}
          >
            {left.length === all.length ? 'All of it is here' : `The other ${left.length} are here`}
          </Button>
        ) : null}
        <Button
          look={left.length === 0 && missing.length === 0 ? 'now' : 'plain'}
          size="work"
          onClick={() => log.enter({ what: 'mise-done' })}
        >
          {missing.length > 0 ? `Weigh in, ${missing.length} missing` : 'To the weigh-in'}
        </Button>
      </div>
      {missing.length > 0 ? (
        <Notice weight="look" role="status">
          Missing: {missing.map((t) => t.name.toLowerCase()).join(', ')}.
        </Notice>
      ) : null}
      <div className="grid items-start gap-x-8 gap-y-4 lg:grid-cols-2">
        <div>
          <h3 className="text-xl text-rim">Ingredients</h3>
          <ul>{mise.ingredients.map(rowOf)}</ul>
        </div>
        <div>
          <h3 className="text-xl text-rim">Tools</h3>
          <ul>{mise.tools.map(rowOf)}</ul>
          <Form
            className="mt-2 flex flex-wrap items-end gap-3"
            act={() => {
              const name = tool.trim();
              if (name === '') return;
              log.enter({ what: 'tool', name });
              setTool('');
            }}
          >
            <Field
              label="Another tool"
              value={tool}
              maxLength={60}
              autoComplete="off"
              onChange={(e) => setTool(e.target.value)}
              className="min-w-48 flex-1"
            />
            <Button type="submit" size="work" disabled={tool.trim() === ''}>
              Add it
            </Button>
          </Form>
        </div>
      </div>
      <p className="text-sm text-soft">
        A swap changes what the batch holds: read its label for allergens before it is served.
      </p>
    </section>
  );
}
