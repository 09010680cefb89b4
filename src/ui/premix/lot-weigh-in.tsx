'use client';
import { Check } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Sack } from '@/core/premix/premix';
import type { BlendWeighing } from '@/core/premix/weigh';
import type { ScaleAct, ScaleReading } from '@/core/prep/simulated-scale';
import { Button } from '../kit/button';
import { useInstrument } from '../kit/instrument';
import { Notice } from '../kit/notice';
import { ScalePanel } from '../shared/scale-panel';
import { sayWeight, shownOf, TargetReading } from '../shared/target-reading';

interface Props {
  readonly list: readonly BlendWeighing[];
  readonly blends: number;
  readonly notes: Readonly<Record<string, readonly Sack[]>>;
  /** The first sack's lot, as it is noted already. */
  readonly lotOf: (ingredientId: string) => string;
  readonly onWeighed: (w: BlendWeighing, sacks: readonly Sack[]) => void;
  readonly onDone: () => void;
}

/** A lot weighed in: one blend after the other, one thing at a time, each with the sacks it came out of. */
export function LotWeighIn({ list, blends, notes, lotOf, onWeighed, onDone }: Props) {
  const scale = useInstrument<ScaleReading, ScaleAct>('/api/scale', 'practice-scale');
  const [typed, setTyped] = useState('');
  const [sure, setSure] = useState(false);
  const [lot, setLot] = useState<string | null>(null);
  // sacks that ended within this weighing
  const [ended, setEnded] = useState<readonly Sack[]>([]);
  const box = useRef<HTMLInputElement>(null);
  const panel = useRef<HTMLElement>(null);
  // it opens above the button that opens it
  useEffect(() => {
    panel.current?.scrollIntoView({ block: 'start' });
  }, []);
  const w = list.find((x) => !notes[x.key]) ?? null;
  const key = w?.key ?? '';
  // another weighing: the box is empty and under the hand
  useEffect(() => {
    if (key === '') return;
    setTyped('');
    setSure(false);
    setLot(null);
    setEnded([]);
    box.current?.focus({ preventScroll: true });
  }, [key]);
  const done = list.filter((x) => notes[x.key]).length;
  if (!w)
    return (
      <div className="grid justify-items-start gap-3">
        <p className="text-xl font-semibold text-herb">✓ All {list.length} weighings are in.</p>
        <Button size="work" onClick={onDone}>
          To the lot
        </Button>
      </div>
    );
  const name = kitchenName(w.ingredient);
  const inG = ended.reduce((a, x) => a + x.grams, 0);
  const targetG = Math.max(0, w.targetG - inG);
  const now = shownOf(typed, scale.reading, 0, targetG, w.toleranceG);
  const { reading, stands, off } = now;
  // the sack it was out of last is the one that stands open
  const before = list.filter((x) => x.ingredient.id === w.ingredient.id && notes[x.key]);
  const open = lot ?? notes[before.at(-1)?.key ?? '']?.at(-1)?.lot ?? (ended.length > 0 ? '' : lotOf(w.ingredient.id));
  const weighed = (): Sack => ({ lot: open.trim(), grams: Math.round(reading * 100) / 100 });
  const isRead = reading > 0 && !scale.reading?.over;
  const next = (): void => {
    if (!isRead) return;
    // what is off is passed by a second press alone
    if (stands !== 'right' && !sure) {
      setSure(true);
      return;
    }
    onWeighed(w, [...ended, weighed()]);
    if (scale.on) scale.act({ do: 'tare' });
  };
  const endSack = (): void => {
    if (!isRead) return;
    setEnded([...ended, weighed()]);
    setLot('');
    setTyped('');
    setSure(false);
    if (scale.on) scale.act({ do: 'tare' });
    box.current?.focus({ preventScroll: true });
  };
  return (
    <section ref={panel} aria-label="Weigh in" className="grid gap-4 rounded-plate border-2 border-rim p-4">
      <p className="text-soft">
        {blends > 1 ? `Blend ${w.blend} of ${blends}, ` : ''}step {w.step}; {done} of {list.length} weighed
      </p>
      <h3 className="text-4xl [overflow-wrap:anywhere]">{name}</h3>
      {ended.length > 0 ? (
        <p role="status">
          In: {ended.map((x) => `${sayWeight(x.grams)} out of ${x.lot || 'a sack without a lot'}`).join(', ')}. The rest
          comes out of the next sack.
        </p>
      ) : null}
      <TargetReading
        target={targetG}
        tolerance={w.toleranceG}
        more={w.scale ? `; on the ${w.scale.name.toLowerCase()}` : ''}
        scale={scale}
        now={now}
        typed={typed}
        box={box}
        onTyped={(text) => {
          setTyped(text);
          setSure(false);
        }}
        onEnter={() => (stands === 'right' ? next() : reading > 0 ? setSure(true) : undefined)}
      />
      {scale.stalled ? (
        <Notice weight="look" role="status">
          The scale does not answer. Type what it shows, and go on.
        </Notice>
      ) : null}
      {sure && off !== null ? (
        <Notice weight="look" role="alert">
          {sayWeight(Math.abs(off))} {off < 0 ? 'too little' : 'too much'} of {name.toLowerCase()}:{' '}
          {off < 0 ? 'add some' : 'take some out again, from a clean spoon'}, or press once more to note it as it is.
        </Notice>
      ) : null}
      <label className="grid max-w-sm gap-1">
        <span className="text-sm font-semibold text-soft">Out of the sack or packet with the lot</span>
        <input
          autoComplete="off"
          className="hold min-h-11 px-3"
          maxLength={40}
          value={open}
          onChange={(e) => setLot(e.target.value)}
        />
      </label>
      <div className="flex flex-wrap gap-3">
        <Button look="now" size="work" className="min-h-16 !px-8 text-xl" disabled={!(reading > 0)} onClick={next}>
          <Check size={24} aria-hidden />
          {sure && off !== null
            ? `Note it, ${sayWeight(Math.abs(off))} ${off < 0 ? 'short' : 'over'}`
            : 'That is in: next'}
        </Button>
        {stands === 'under' ? (
          <Button size="work" disabled={!isRead} onClick={endSack}>
            This sack ends here
          </Button>
        ) : null}
        <Button size="work" onClick={onDone}>
          Back to the lot
        </Button>
      </div>
      <Button className="min-h-11 justify-self-start" aria-pressed={scale.on} onClick={() => scale.turn(!scale.on)}>
        {scale.on ? 'Put the practice scale away' : 'Try it with a practice scale'}
      </Button>
      {scale.on ? <ScalePanel target={targetG} act={scale.act} /> : null}
    </section>
  );
}
