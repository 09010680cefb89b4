'use client';
import { type ReactNode, useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import type { MorningChange } from '@/core/morning/changes';
import type { AllergenBoard } from '@/core/morning/papers';
import type { MorningPreview } from '@/core/morning/preview';
import { dishesWithout } from '@/core/morning/without';
import type { PlacedStep } from '@/core/morning/work';
import { ALLERGENS, type Allergen, allergenName } from '@/core/pantry/ingredient';
import { counted, grams } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { useRefresh } from '../kit/refresh';
import { useUnits } from '../kit/units';
import { DishMark, letterOf, movedWords, useClock } from './morning-parts';
import { type KeepsMorning, useTake } from './use-take';

interface Props extends KeepsMorning {
  readonly steps: readonly PlacedStep[];
  readonly dishes: readonly { readonly id: string; readonly name: string }[];
  readonly allergens: AllergenBoard['rows'];
  readonly done: ReadonlyMap<string, number>;
  readonly preview: (input: unknown) => Promise<ActionResult<{ readonly preview: MorningPreview }>>;
  readonly swap: (input: unknown) => Promise<ActionResult>;
}

const PANELS = [
  { value: 'covers', label: 'More or fewer guests' },
  { value: 'out', label: 'Something is out' },
  { value: 'later', label: 'A wave is late' },
  { value: 'swap', label: 'Two people swap' },
  { value: 'without', label: 'A guest without …' },
] as const;
type Panel = (typeof PANELS)[number]['value'];
const LATER_MIN = 10;

const more = (n: number, words: string): string => `${counted(Math.abs(n), words)} ${n > 0 ? 'more' : 'fewer'}`;
/** What would not go is told so far: the worst of it. */
const MOST_WORSE = 4;

/** What a change would change, and what would mend what it breaks. */
function Seen({
  of: p,
  dishes,
  waves,
  busy,
  onTake,
  onLeave,
}: {
  readonly of: MorningPreview;
  readonly dishes: Props['dishes'];
  readonly waves: Props['plan']['waves'];
  readonly busy: boolean;
  readonly onTake: (way: MorningPreview['waysOut'][number] | null) => void;
  readonly onLeave: () => void;
}) {
  const clock = useClock();
  const units = useUnits();
  return (
    <section aria-label="What it changes" className="grid gap-3 rounded-plate border-2 border-rim p-3">
      {p.dishes.length > 0 ? (
        <ul>
          {p.dishes.map((d) => (
            <li key={d.dish} className="border-b border-line py-1 last:border-b-0">
              <DishMark letter={letterOf(dishes, d.dish)} /> <strong>{d.name}</strong>: {more(d.plates, 'plates')}
              {d.pieces === 0 ? ', the bowls stay as they are' : `, ${more(d.pieces, 'pieces')}`}
              {Math.abs(d.grams) >= 1
                ? `: ${grams(Math.abs(d.grams), units)} of batter${Math.abs(d.eggs) >= 0.1 ? `, ${Math.abs(Math.round(10 * d.eggs) / 10)} eggs` : ''}`
                : ''}
            </li>
          ))}
        </ul>
      ) : null}
      {p.waves.map((w) => (
        <p key={w.wave} className={w.is === null ? 'font-semibold text-berry' : ''}>
          Last plate of {clock(waves[w.wave]?.at ?? 0)}: {w.is === null ? 'some have no place' : clock(w.is)}
          {w.was === null ? '' : `, ${clock(w.was)} as it is now`}.
        </p>
      ))}
      <p className="text-soft">{movedWords(p.moved, 'would move')}</p>
      {p.worse.slice(0, MOST_WORSE).map((what) => (
        <p key={what} className="font-semibold text-berry">
          {what}
        </p>
      ))}
      {p.worse.length > MOST_WORSE ? (
        <p className="font-semibold text-berry">And {counted(p.worse.length - MOST_WORSE, 'things')} more.</p>
      ) : null}
      {p.mended.length > 0 ? <p>It mends: {p.mended.join(' ')}</p> : null}
      <div className="flex flex-wrap gap-3">
        <Button look="now" size="work" disabled={busy} onClick={() => onTake(null)}>
          Take it
        </Button>
        {p.waysOut.map((w) => (
          <Button
            key={w.label}
            size="work"
            className="!h-auto flex-col !items-start !gap-0 py-1 text-left"
            disabled={busy}
            onClick={() => onTake(w)}
          >
            <span>And: {w.label}</span>
            <span className="text-sm font-normal text-soft">{w.effect}</span>
          </Button>
        ))}
        <Button size="work" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </section>
  );
}

function Without({ steps, dishes, allergens, done }: Pick<Props, 'steps' | 'dishes' | 'allergens' | 'done'>) {
  const clock = useClock();
  const [what, setWhat] = useState<Allergen | ''>('');
  const there = what === '' ? [] : dishesWithout(steps, dishes, allergens, done, what);
  const name = what === '' ? '' : allergenName(what);
  const called = (id: string | null): string => dishes.find((d) => d.id === id)?.name ?? '';
  return (
    <div className="grid gap-3">
      <Choice
        label="Without"
        value={what}
        placeholder="Choose what"
        options={ALLERGENS.map((value) => ({ value, label: allergenName(value) }))}
        onChange={setWhat}
      />
      {what === '' ? null : there.length === 0 ? (
        <p className="font-semibold">Everything on this morning holds {name}.</p>
      ) : (
        <ul aria-label={`Without ${name}`} className="grid gap-2">
          {there.map((d) => (
            <li key={d.dish} className="border-b border-line pb-2 last:border-b-0">
              <DishMark letter={letterOf(dishes, d.dish)} /> <strong>{called(d.dish)}</strong>:{' '}
              {d.ready > 0 ? `${counted(d.ready, 'pieces')} ready` : 'none ready'}
              {d.nextAt === null ? '' : `, the next off at ${clock(d.nextAt)}`}
              {d.surfaces.map((s) => (
                <span key={s.on} className={`block ${s.touched ? 'font-semibold text-berry' : 'text-soft'}`}>
                  {s.on}:{' '}
                  {s.touched
                    ? `${called(s.touched)}, which holds ${name}, lay there before it`
                    : `nothing with ${name} lay there before it this morning`}
                </span>
              ))}
              {d.unknown.length > 0 ? (
                <span className="block text-soft">Not stated, look at the packet: {d.unknown.join(', ')}</span>
              ) : null}
            </li>
          ))}
        </ul>
      )}
      {what === '' ? null : (
        <p className="text-soft">
          By the ingredients, and by what was placed where. Tools, hands and the oven’s air touch too: whether it is
          given is for the house’s rule and the local food code.
        </p>
      )}
    </div>
  );
}

export function BoardChanges(p: Props) {
  const { id, plan } = p;
  const refresh = useRefresh();
  const clock = useClock();
  const looking = useAsking();
  const { asking, take } = useTake(p);
  const [panel, setPanel] = useState<Panel | ''>('');
  const [wave, setWave] = useState(String(Math.max(0, plan.waves.length - 1)));
  const [by, setBy] = useState('');
  const [seen, setSeen] = useState<{
    readonly label: string;
    readonly change: MorningChange;
    readonly preview: MorningPreview;
  } | null>(null);
  const swapping = useAsking();
  const [pair, setPair] = useState({ a: '', b: '' });
  const swap = async (): Promise<void> => {
    const a = await swapping.ask((requestId) =>
      act('swap-people', `${pair.a} and ${pair.b} swap`, p.swap, { morningId: id, ...pair, requestId }),
    );
    if (!a?.ok) return;
    setPair({ a: '', b: '' });
    setPanel('');
    refresh();
  };
  const n = typedNumber(by, '');
  const wrong = by.trim() !== '' && !(Number.isInteger(n) && n !== 0 && Math.abs(n) <= 10_000);
  const look = async (label: string, change: MorningChange): Promise<void> => {
    setSeen(null);
    const a = await looking.ask(() => p.preview({ id, change }));
    if (a?.ok) setSeen({ label, change, preview: a.preview });
  };
  const open = (to: Panel | ''): void => {
    setPanel(to);
    setSeen(null);
    looking.touched();
  };
  // what is asked for by count is as many however many come
  const panels = PANELS.filter(
    (x) =>
      (x.value !== 'covers' || plan.dishes.some((d) => 'share' in d.of)) &&
      (x.value !== 'swap' || plan.people.length > 1),
  );
  const waves = (
    <Taps
      label="Which wave"
      size="work"
      value={wave}
      options={plan.waves.map((w, k) => ({ value: String(k), label: clock(w.at) }))}
      onChange={(v) => {
        setWave(v);
        setSeen(null);
      }}
    />
  );
  const at = clock(plan.waves[Number(wave)]?.at ?? 0);
  const bodies: Readonly<Record<Panel, ReactNode>> = {
    covers: (
      <div className="flex flex-wrap items-end gap-3">
        {waves}
        <Field
          label="So many more; fewer with a minus"
          inputMode="numeric"
          className="w-60"
          value={by}
          placeholder="12"
          error={wrong ? 'A whole number of guests.' : undefined}
          onChange={(e) => {
            setBy(e.target.value);
            setSeen(null);
          }}
        />
        <Button
          size="work"
          disabled={wrong || by.trim() === '' || looking.busy}
          onClick={() => void look(`${more(n, 'guests')} at ${at}`, { do: 'covers', wave: Number(wave), by: n })}
        >
          What it changes
        </Button>
      </div>
    ),
    out: (
      <ul aria-label="What is out" className="flex flex-wrap gap-3">
        {plan.surfaces.map((s) => (
          <li key={s.name}>
            <Button
              size="work"
              disabled={looking.busy}
              onClick={() => void look(`${s.name} is out`, { do: 'out', surface: s.name })}
            >
              {s.name} is out
            </Button>
          </li>
        ))}
      </ul>
    ),
    later: (
      <div className="flex flex-wrap items-end gap-3">
        {waves}
        <Button
          size="work"
          disabled={looking.busy}
          onClick={() =>
            void look(`The ${at} plates ${LATER_MIN} min later`, { do: 'later', wave: Number(wave), min: LATER_MIN })
          }
        >
          Ten minutes later
        </Button>
      </div>
    ),
    swap: (
      <div className="flex flex-wrap items-end gap-3">
        {(['a', 'b'] as const).map((key) => (
          <Choice
            key={key}
            label={key === 'a' ? 'Who' : 'With whom'}
            value={pair[key]}
            placeholder="Choose"
            options={plan.people
              .filter((x) => x.name !== pair[key === 'a' ? 'b' : 'a'])
              .map((x) => ({ value: x.name, label: x.name }))}
            onChange={(v) => {
              setPair({ ...pair, [key]: v });
              swapping.touched();
            }}
          />
        ))}
        <Button size="work" disabled={pair.a === '' || pair.b === '' || swapping.busy} onClick={() => void swap()}>
          Swap what is left
        </Button>
        <RefusalNotice text={swapping.refusal} waits={swapping.waits} />
      </div>
    ),
    without: <Without {...p} />,
  };
  return (
    <section aria-label="If something changes" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">If something changes</h2>
      <Taps label="What changes" size="work" optional value={panel} options={panels} onChange={open} />
      {panel === '' ? null : bodies[panel]}
      <RefusalNotice text={looking.refusal ?? asking.refusal} waits={asking.waits} />
      {seen ? (
        <Seen
          of={seen.preview}
          dishes={p.dishes}
          waves={plan.waves}
          busy={asking.busy}
          onLeave={() => setSeen(null)}
          onTake={(way) =>
            void take(way ? `${seen.label}; ${way.label}` : seen.label, [
              seen.change,
              ...(way ? [way.change] : []),
            ]).then((kept) => {
              if (!kept) return;
              setBy('');
              open('');
            })
          }
        />
      ) : null}
    </section>
  );
}
