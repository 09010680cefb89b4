'use client';
import { useEffect, useRef, useState } from 'react';
import { entriesOf } from '@/core/batch/acts';
import { type Batch, waysOf, weighable } from '@/core/batch/batch';
import type { StandInPreview } from '@/core/batch/changes';
import { bowlLines } from '@/core/batch/sheet-line';
import { mixesIn, mixName } from '@/core/batch/split';
import type { EventLog } from '@/core/day/event-log';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { joinedAt } from '@/core/griddle/board';
import { scalesOf } from '@/core/pantry/gear';
import { isLookedAt } from '@/core/prep/check';
import type { StandInOffer } from '@/core/prep/mise';
import type { Script } from '@/core/script/act';
import type { HeldWords } from '@/core/script/held';
import { joiningIn } from '@/core/script/read';
import type { Refused } from '../kit/answer';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { Button, lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { Trouble } from '../live/trouble';
import { useEventLog } from '../live/use-event-log';
import { CheckView } from './check-view';
import { doneIn } from './done';
import { JoinView } from './join-view';
import { LineList } from './line-list';
import { MiseStage } from './mise-stage';
import { RealView } from './real-view';
import { RestStage } from './rest-stage';
import { WeighIn } from './weigh-in';

/** Under which the browser remembers how this cook weighs. */
const WAY = 'weigh-in';

type Ask = (input: unknown) => Promise<{ readonly ok: true } | Refused>;

interface Props {
  readonly batch: Batch;
  readonly house: Kitchen;
  /** How one mix is made. */
  readonly script: Script;
  readonly first: EventLog;
  /** Stand-ins by line. */
  /** What sentences may name of it. */
  readonly held: HeldWords;
  readonly offers: Readonly<Record<string, readonly StandInOffer[]>>;
  /** Works the rest of a mix anew around an over-pour. */
  readonly anew: Ask;
  /** Puts a stand-in into this batch alone. */
  readonly swap: Ask;
  /** Puts one in for the missing part of a line. */
  readonly part: Ask;
  /** What a stand-in would change. */
  readonly preview: (input: unknown) => Promise<{ readonly ok: true; readonly preview: StandInPreview } | Refused>;
}

const WAYS = [
  { value: 'list', label: 'all lines' },
  { value: 'one', label: 'one at a time' },
] as const;

const STAGES = ['mise', 'weigh', 'check', 'join', 'rest'] as const;
type Stage = (typeof STAGES)[number];
const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  mise: 'Set out',
  weigh: 'Weigh in',
  check: 'Second look',
  join: 'Combine',
  rest: 'Rest',
};

/** Prep, in the order of the hands: what is on the counter, what goes in, the second look, joining, and the rest. */
export function Prep({ batch: saved, house, script, held, first, offers, anew, swap, part, preview }: Props) {
  const refresh = useRefresh();
  const log = useEventLog(saved.id, first, refresh);
  const batch: Batch = { ...saved, entries: log.entries, ticked: log.ticked, weights: log.weights };
  const done = doneIn(log);
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>('list');
  useEffect(() => {
    if (copyOf(WAY) === 'one') setWay('one');
  }, []);
  const [look, setLook] = useState<Stage | null>(null);

  const ways = waysOf(batch, house);
  const stepG = scalesOf(house.gear)[0]?.stepG ?? 1;
  const lines = weighable(batch);
  const left = lines.filter((l) => !done.ticked.has(l.key));
  const now = left[0]?.key;
  const count = mixesIn(batch.split);
  const mixed = entriesOf(log.entries, 'mixed');
  const isMixed = (mix: number): boolean => mixed.some((e) => e.act.mix === mix);
  const leftIn = (mix: number): number => left.filter((l) => (l.mix ?? 1) === mix).length;
  // the mix that is worked on: the one looked at, else the first that is not weighed, else the first that is not joined
  const [looked, setLooked] = useState<number | null>(null);
  const open = Array.from({ length: count }, (_, n) => n + 1).find((m) => !isMixed(m));
  const at = looked ?? left[0]?.mix ?? (left.length === 0 ? (open ?? count) : 1);
  const mixLines = lines.filter((l) => l.mix === undefined || l.mix === at);
  const bowls = bowlLines(batch.sheet, at).filter((l) => l.grams !== null);
  const wantsCheck = ways.check === 'second';
  const isChecked = isLookedAt(batch, at);
  const allIn = bowls.every((l) => done.ticked.has(l.key));
  const mixedAt = mixed.filter((e) => e.act.mix === at).at(-1)?.at ?? null;
  const begun = log.ticked.length > 0;
  // by eye there are fewer screens: what goes in, and on
  const hurried = batch.exactness === 'eye';
  const stages = STAGES.filter((s) => (s !== 'check' || wantsCheck) && (s !== 'mise' || !hurried));
  const natural: Stage =
    !begun && !hurried && !entriesOf(log.entries, 'mise-done').length
      ? 'mise'
      : left.some((l) => l.mix === undefined || l.mix === at)
        ? 'weigh'
        : mixedAt !== null
          ? 'rest'
          : wantsCheck && !isChecked && joinedAt(log.taps, at) === null
            ? 'check'
            : 'join';
  // when the work goes on, the screen goes with it
  const was = useRef(natural);
  useEffect(() => {
    const from = was.current;
    was.current = natural;
    // the last tick leaves what was ticked in sight: going on is the cook's own press
    const ticked = from === 'weigh' && (natural === 'check' || natural === 'join');
    setLook((l) => (ticked ? (l ?? 'weigh') : natural === l ? null : natural === 'mise' ? l : null));
  }, [natural]);
  const stage = look ?? natural;
  const unmeasured = batch.sheet.filter((l) => l.grams === null);
  const name = count > 1 ? mixName(batch.split, at) : null;
  const waits = !allIn
    ? 'Some of it is still to be weighed.'
    : wantsCheck && !isChecked
      ? 'Somebody else looks first: that is how this house does it.'
      : '';
  return (
    <div className="mx-auto grid max-w-5xl gap-4">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <Taps
          label="Where in the work"
          size="work"
          value={stage}
          onChange={(s) => s !== '' && setLook(s)}
          options={stages.map((s, n) => ({ value: s, label: `${n + 1} ${STAGE_WORDS[s]}` }))}
        />
        <p className="text-xl" role="status">
          {left.length === 0 ? (
            <strong className="text-herb">✓ All {lines.length} weighed.</strong>
          ) : (
            <>
              <strong>{left.length}</strong> of {lines.length} still to weigh
            </>
          )}
        </p>
      </div>
      <Trouble log={log} />
      {count > 1 && stage !== 'mise' ? (
        <Taps
          label={batch.split.by === 'kits' ? 'Which kit' : 'Which mix'}
          size="work"
          value={String(at)}
          onChange={(v) => setLooked(v === '' ? null : Number(v))}
          options={Array.from({ length: count }, (_, n) => ({
            value: String(n + 1),
            label: `${mixName(batch.split, n + 1)}${isMixed(n + 1) ? ', mixed' : isLookedAt(batch, n + 1) ? ', looked at' : leftIn(n + 1) === 0 ? ', weighed' : ''}`,
          }))}
        />
      ) : null}
      {stage === 'mise' ? (
        <MiseStage
          batch={batch}
          house={house}
          offers={offers}
          log={log}
          begun={begun}
          swap={swap}
          preview={preview}
          onSwapped={refresh}
        />
      ) : null}
      {stage === 'weigh' ? (
        <>
          <Taps
            label="How it is weighed"
            size="work"
            value={way}
            onChange={(v) => {
              if (v === '') return;
              setWay(v);
              keepCopy(WAY, v === 'one' ? v : null);
            }}
            options={WAYS}
          />
          {way === 'one' ? (
            <WeighIn
              batch={batch}
              house={house}
              lines={mixLines}
              done={done}
              anew={anew}
              offers={offers}
              part={part}
              onChanged={refresh}
            />
          ) : (
            <LineList lines={mixLines} script={script} done={done} now={now} mix={name} />
          )}
          {natural === 'check' || natural === 'join' ? (
            <Button
              look="now"
              size="work"
              className="min-h-16 justify-self-start !px-8 text-xl"
              onClick={() => setLook(null)}
            >
              All weighed: on to {natural === 'check' ? 'the second look' : 'combining'}
            </Button>
          ) : null}
          {unmeasured.length > 0 ? (
            <p className="text-soft">As needed, not weighed: {unmeasured.map((l) => l.text).join('; ')}.</p>
          ) : null}
        </>
      ) : null}
      {stage === 'check' ? (
        <CheckView lines={bowls} mix={at} name={name ?? ''} log={log} stepG={stepG} own={house.conventions.own} />
      ) : null}
      {stage === 'join' ? (
        <JoinView mix={at} name={name ?? ''} joining={joiningIn(script)} log={log} waits={waits} />
      ) : null}
      {stage === 'rest' ? (
        mixedAt === null ? (
          <p className="text-xl">It is not mixed yet: the rest begins when it is.</p>
        ) : (
          <RestStage batch={batch} house={house} mix={at} mixedAt={mixedAt} stepG={stepG} log={log} />
        )
      ) : null}
      {stage === 'mise' ? null : (
        <RealView batch={batch} house={house} mix={at} ticked={done.ticked} weights={done.weights} />
      )}
      <p className="text-sm text-soft">
        {held.cold.length > 0 && ways.warmth !== 'counter' ? `Cold until it is used: ${held.cold.join(', ')}. ` : ''}No
        tasting of raw batter.
        {held.egg ? ' Wash what touched raw egg.' : ''} The local food code has the last word.
      </p>
      <div className="flex flex-wrap gap-3">
        <Link href={`/batches/${batch.id}/griddle`} className={lookOf('plain', 'work')}>
          To the griddle
        </Link>
        <Link href={`/batches/${batch.id}/outcome`} className={lookOf('plain', 'work')}>
          Write what came out
        </Link>
      </div>
    </div>
  );
}
