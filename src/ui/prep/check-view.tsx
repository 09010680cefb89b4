'use client';
import { useState } from 'react';
import { entriesOf } from '@/core/batch/acts';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import type { Own } from '@/core/pantry/own';
import { findIngredient } from '@/core/pantry/pantry';
import { standing, toleranceG } from '@/core/prep/tolerance';
import { grams } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';
import type { OpenEventLog } from '../live/use-event-log';

const MOST_INITIALS = 40;

/** The second look: target against actual for every line of a mix, and a yes by initials. */
export function CheckView({
  lines,
  mix,
  name,
  log,
  stepG,
  own,
}: {
  readonly lines: readonly SheetLine[];
  readonly mix: number;
  /** "bench 3, class 1"; empty where there is one. */
  readonly name: string;
  readonly log: OpenEventLog;
  readonly stepG: number;
  /** The kitchen's own things. */
  readonly own: Own | undefined;
}) {
  const time = useTime();
  const units = useUnits();
  const [initials, setInitials] = useState('');
  const [wrong, setWrong] = useState(false);
  const open = lines.filter((l) => !log.ticked.includes(l.key));
  const had = entriesOf(log.entries, 'checked').find((e) => e.act.mix === mix);
  const yes = (): void => {
    const by = initials.trim();
    setWrong(by === '');
    if (by !== '' && open.length === 0) log.enter({ what: 'checked', mix, initials: by });
  };
  return (
    <section aria-label="Second look" className="grid gap-4">
      <h2 className="text-3xl">Somebody else looks at every pile{name ? ` of ${name}` : ''}</h2>
      <div className="overflow-x-auto rounded-plate bg-white p-3">
        <table className="w-full text-left text-xl">
          <thead className="text-base text-soft">
            <tr>
              <th scope="col" className="py-1 pr-4 font-semibold">
                What
              </th>
              <th scope="col" className="pr-4 text-right font-semibold">
                Target
              </th>
              <th scope="col" className="pr-4 text-right font-semibold">
                Went in
              </th>
              <th scope="col" className="font-semibold">
                <span className="sr-only">How that is</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => {
              const went = log.weights[l.key];
              const target = l.grams ?? 0;
              const only = l.parts?.length === 1 ? (findIngredient(l.parts[0]?.id ?? '', own) ?? null) : null;
              const stands = went === undefined ? null : standing(went, target, toleranceG(only, target, stepG));
              return (
                <tr key={l.key} className="border-t border-line">
                  <td className="py-2 pr-4 [overflow-wrap:anywhere]">{l.name}</td>
                  <td className="pr-4 text-right whitespace-nowrap">{measureSaid(l, units)}</td>
                  <td className="pr-4 text-right font-bold whitespace-nowrap">
                    {went !== undefined
                      ? grams(went, units)
                      : log.ticked.includes(l.key)
                        ? `${measureSaid(l, units)}, ticked`
                        : 'not yet'}
                  </td>
                  <td className="py-1">
                    {!log.ticked.includes(l.key) ? (
                      <strong className="text-berry">open</strong>
                    ) : stands === null || stands === 'right' ? (
                      <span className="text-herb">✓{stands === null ? '' : ' close enough'}</span>
                    ) : (
                      <span className="flex flex-wrap items-center gap-3">
                        <strong>
                          {grams(Math.abs((went ?? 0) - target), units)} {stands === 'over' ? 'too much' : 'too little'}
                        </strong>
                        {had ? null : (
                          <Button className="min-h-11" onClick={() => log.tell({ do: 'line', key: l.key, to: false })}>
                            Weigh it again
                          </Button>
                        )}
                      </span>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {open.length > 0 ? (
        <Notice weight="look" role="status">
          {open.length === 1 ? 'One pile is' : `${open.length} piles are`} not weighed yet: the look waits for{' '}
          {open.length === 1 ? 'it' : 'them'}.
        </Notice>
      ) : had ? (
        <div className="flex flex-wrap items-center gap-3">
          <p className="text-xl font-semibold text-herb">
            ✓ Seen by {had.act.initials} at {time.ofDay(had.at)}
          </p>
          <Button size="work" onClick={() => log.tell({ do: 'strike', entryId: had.id })}>
            Look again
          </Button>
        </div>
      ) : (
        <Form
          className="flex flex-wrap items-end gap-3"
          act={() => {
            yes();
          }}
        >
          <Field
            label="Initials of who has looked"
            value={initials}
            maxLength={MOST_INITIALS}
            list={PEOPLE_LIST}
            autoComplete="off"
            onChange={(e) => {
              setInitials(e.target.value);
              setWrong(false);
            }}
            error={wrong ? 'Initials of who has looked.' : undefined}
            inputClass="!min-h-14 text-2xl font-bold"
          />
          <Button type="submit" look="now" size="work" className="min-h-14">
            Yes, every pile is right
          </Button>
        </Form>
      )}
    </section>
  );
}
