'use client';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { MATTERS, WAY_IDS } from '@/core/formula/schools';
import { boilsAtC, FRESH_WAYS, gasRoomAt } from '@/core/formula/ways';
import type { Conventions } from '@/core/pantry/conventions';
import { TOOL_NAMES, TOOLS } from '@/core/pantry/tools';
import { temperature, type Units } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { act, answerTo, whenIn } from '../kit/answer';
import { Button } from '../kit/button';
import { Choice, ManyTaps } from '../kit/choice';
import { draftOf, keepDraftOf } from '../kit/drafts';

import { Field, TextField } from '../kit/field';
import { Notice } from '../kit/notice';
import { Clashes, useRevised } from '../kit/revised';
import { toastUndo } from '../kit/toast';
import { TypedNumber } from '../kit/typed-number';
import { CONVENTION_FIELDS, fillNames, WayChoice, wrongAltitude } from '../kit/way-fields';
import { Fold } from './fold';
import { GearList } from './gear-list';
import { changed, type HouseChange, type HouseParts, partsTyped, together } from './house.state';

interface Props {
  readonly house: Kitchen;
  /** Time zones to choose from. */
  readonly zones: readonly string[];
  /** It has weighed a cup of its own. */
  readonly weighed: boolean;
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
  /** Topics besides, each folded too. */
  readonly children: ReactNode;
}

const WHY: Readonly<Record<string, string>> = {
  cup: 'Sets spoons and pints with it.',
  tablespoon: 'Australian ones hold a third more.',
  flourFill: 'A cup of flour is 115 to 160 g by how it is filled. Weigh yours under Pantry, My measures.',
  egg: 'What “an egg” weighs without its shell.',
  salt: 'A teaspoon of flakes holds half of what fine salt does.',
  powder: 'How much soda “baking powder” carries, and how soon it works.',
};

const UNIT_FIELDS = {
  weight: { label: 'Weights', names: { g: 'grams', oz: 'ounces' } },
  temperature: { label: 'Temperatures', names: { C: 'Celsius, °C', F: 'Fahrenheit, °F' } },
  clock: { label: 'Times of day', names: { '24': '16:05', '12': '4:05 pm' } },
  days: {
    label: 'Days',
    names: { 'day-month': '27 Nov 2026', 'month-day': 'Nov 27, 2026', 'year-month-day': '2026-11-27' },
  },
  currency: {
    label: 'Money',
    names: { '€': '€', '£': '£', $: '$', kr: 'kr', CHF: 'CHF', zł: 'zł', R: 'R', '¥': '¥', '₹': '₹' },
  },
} as const;
const UNIT_WHY: Readonly<Record<string, string>> = {
  weight: 'In ounces the sheets to weigh by have the grams beside them.',
  temperature: '',
  clock: '',
  days: 'How days are written here, and read where they are typed in figures.',
  currency: 'What prices in the pantry are in.',
};

/** Refusals that another time may not be. */
const LATER: ReadonlySet<string> = new Set(['away', 'full', 'slow']);

/**
 * Where cooks differ, as this house has it. Each choice is kept as soon as it is made; formulas that say nothing
 * follow.
 */
/** What is set of measures, units and ways, in one line. */
const measuresSaid = (c: Conventions, weighed: boolean): string =>
  Object.entries(CONVENTION_FIELDS)
    .map(([k, f]) => {
      const names: Readonly<Record<string, string>> = k === 'flourFill' ? fillNames(weighed, c.flourFill) : f.names;
      return names[c[k as keyof Conventions]] ?? '';
    })
    .join(' · ');
const unitsSaid = (u: Units): string =>
  [
    ...Object.entries(UNIT_FIELDS).map(([k, f]) => (f.names as Readonly<Record<string, string>>)[u[k as keyof Units]]),
    u.zone.replaceAll('_', ' '),
  ].join(' · ');
const waysSaid = (w: Kitchen['ways']): string => {
  const other = WAY_IDS.filter((k) => w[k] !== FRESH_WAYS[k]).map((k) => MATTERS[k].name);
  return [
    ...(other.length === 0 ? ['all as usual'] : other.map((x) => `${x} otherwise`)),
    ...(w.altitudeM > 0 ? [`${w.altitudeM} m up`] : []),
  ].join(' · ');
};

/** Whose name stands on labels. */
const MakerPart = ({
  maker,
  onMaker,
}: {
  readonly maker: Kitchen['maker'];
  readonly onMaker: (to: Partial<Kitchen['maker']>) => void;
}) => (
  <Fold
    id="maker"
    title="Maker"
    says={[maker.name, maker.place].filter(Boolean).join(', ') || 'nobody is named on labels'}
  >
    <p className="text-[15px] text-soft">
      Stands on the labels of mixes that are made from now on; a lot that is made keeps what it has.
    </p>
    <div className="flex max-w-3xl flex-wrap gap-3">
      {(['name', 'place'] as const).map((k) => (
        <Field
          key={`${k} ${maker[k]}`}
          label={k === 'name' ? 'Made by' : 'Place and address'}
          className="min-w-64 flex-1"
          maxLength={k === 'name' ? 80 : 120}
          defaultValue={maker[k]}
          onBlur={(e) => e.target.value.trim() !== maker[k] && onMaker({ [k]: e.target.value.trim() })}
        />
      ))}
    </div>
    <Field
      key={`least ${maker.leastPt}`}
      label="Smallest text on a label"
      unit="pt"
      inputMode="decimal"
      className="w-56"
      hint="7 pt of this type is 1.2 mm of a small x. How small it may be the local food code says."
      defaultValue={String(maker.leastPt)}
      onBlur={(e) => {
        const pt = typedNumber(e.target.value);
        if (pt !== maker.leastPt) onMaker({ leastPt: pt });
      }}
    />
    <TextField
      key={maker.clearDown}
      label="Cleared down between mixes of other allergens, a line each"
      hint="Asked where a lot lacks an allergen that the one before it held. What has to be cleaned, and how, the local food code says."
      className="max-w-3xl"
      rows={5}
      maxLength={600}
      defaultValue={maker.clearDown}
      onBlur={(e) => e.target.value.trim() !== maker.clearDown && onMaker({ clearDown: e.target.value.trim() })}
    />
  </Fold>
);

export function HouseForm({ house, zones, weighed, save, children }: Props) {
  const [now, setNow] = useState<HouseParts>({
    conventions: house.conventions,
    ways: house.ways,
    units: house.units,
    gear: house.gear,
    drawer: house.drawer,
    maker: house.maker,
  });
  const [refusal, setRefusal] = useState<string | null>(null);
  // as the records have it, as far as this page knows; a change is kept against that
  const known = useRef<HouseParts>(now);
  const turn = useRef<Promise<void>>(Promise.resolve());
  const revised = useRevised(house.revision ?? 1, null);
  const [open, setOpen] = useState<HouseChange | null>(null);
  // what could not be kept yet, in this browser too: a reload brings it back
  const unsent = useRef<HouseChange | null>(null);
  const [waits, setWaits] = useState(false);
  const holdBack = (change: HouseChange | null): void => {
    unsent.current = change;
    setWaits(change !== null);
    void keepDraftOf('house', change);
  };
  useEffect(() => {
    void draftOf('house').then((had) => {
      if (typeof had !== 'object' || had === null || unsent.current) return;
      unsent.current = had;
      setWaits(true);
      setNow((n) => changed(n, had));
    });
    // what waited since before this page was drawn is in
    return whenIn('house', ({ input }) => {
      const { change } = input as { readonly change: HouseChange };
      known.current = changed(known.current, change);
      unsent.current = null;
      setWaits(false);
      void keepDraftOf('house', null);
    });
  }, []);
  const send = async (asked: HouseChange): Promise<void> => {
    const change = unsent.current ? together(unsent.current, asked) : asked;
    setRefusal(null);
    const input = { change, base: partsTyped(known.current, change), decided: revised.seen.decided };
    // while it waits in the outbox the next choice is made, and goes with it
    await new Promise<void>((goOn) => {
      const waits = (): void => {
        holdBack(change);
        goOn();
      };
      void answerTo(act('set-house', 'choices of the house', save, input), 'house', waits).then((answer) => {
        heard(answer, change);
        goOn();
      });
    });
  };
  const heard = (answer: ActionResult<Kept>, change: HouseChange): void => {
    revised.heard(answer);
    setOpen(!answer.ok && answer.conflict ? change : null);
    if (!answer.ok) {
      holdBack(answer.conflict || LATER.has(answer.kind) ? change : null);
      if (!answer.conflict) setRefusal(answer.message);
      return;
    }
    holdBack(null);
    const was = partsTyped(known.current, change) as HouseChange;
    known.current = changed(known.current, change);
    if (answer.merged.length === 0) toastUndo('Kept for the whole house', () => keep(was));
  };
  // one after the other: the second is kept against what came of the first
  const keep = (change: HouseChange): Promise<void> => {
    setNow((n) => changed(n, change));
    turn.current = turn.current.then(() => send(change));
    return turn.current;
  };
  const row = (
    key: string,
    label: string,
    why: string | undefined,
    names: Readonly<Record<string, string>>,
    value: string,
    put: (v: string) => void,
  ) => (
    <div key={key} className="max-w-md">
      <Choice
        label={label}
        value={value}
        onChange={put}
        options={Object.entries(names).map(([v, l]) => ({ value: v, label: l }))}
      />
      {why ? <p className="pt-1 text-[15px] text-soft">{why}</p> : null}
    </div>
  );
  const { altitudeM } = now.ways;
  return (
    <div className="grid gap-6">
      <p className="max-w-3xl text-soft">
        Used for all formulas unless changed on the Bench. Styles of a kind (even, tall, crisp) are chosen with the
        formula.
      </p>
      <Clashes of={revised} />
      {open && revised.conflict ? (
        <Button look="now" size="work" className="justify-self-start" onClick={() => void keep(open)}>
          Keep it so
        </Button>
      ) : null}
      {refusal ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : waits && !open ? (
        <Notice weight="look" role="status">
          What was chosen here is kept in this browser: it goes into the records by itself as soon as they are back.
        </Notice>
      ) : null}
      {waits && !open ? (
        <div className="flex flex-wrap gap-3">
          <Button look="now" size="work" onClick={() => void keep({})}>
            Keep it now
          </Button>
          <Button
            size="work"
            onClick={() => {
              holdBack(null);
              setRefusal(null);
              setNow(known.current);
            }}
          >
            Leave it as it was
          </Button>
        </div>
      ) : null}
      <div>
        <Fold id="measures" title="Measures" says={measuresSaid(now.conventions, weighed)}>
          <div className="grid items-start gap-x-10 gap-y-3 md:grid-cols-2">
            {Object.entries(CONVENTION_FIELDS).map(([k, f]) =>
              row(
                k,
                f.label,
                WHY[k],
                k === 'flourFill' ? fillNames(weighed, now.conventions.flourFill) : f.names,
                now.conventions[k as keyof Conventions],
                (v) => void keep({ conventions: { [k]: v } }),
              ),
            )}
          </div>
        </Fold>
        <Fold id="units" title="Units" says={unitsSaid(now.units)}>
          <div className="grid items-start gap-x-10 gap-y-3 md:grid-cols-2">
            {Object.entries(UNIT_FIELDS).map(([k, f]) =>
              row(
                k,
                f.label,
                UNIT_WHY[k],
                f.names,
                now.units[k as keyof Units],
                (v) => void keep({ units: { [k]: v } }),
              ),
            )}
            {row(
              'zone',
              'Time zone',
              'Where the kitchen’s day begins and its clock is read: on every screen, label and paper, wherever they are looked at.',
              Object.fromEntries(zones.map((z) => [z, z.replaceAll('_', ' ')])),
              now.units.zone,
              (zone) => void keep({ units: { zone } }),
            )}
          </div>
        </Fold>
        <Fold id="mixing" title="How we measure and mix" says={waysSaid(now.ways)}>
          <div className="grid items-start gap-x-10 gap-y-3 md:grid-cols-2">
            {WAY_IDS.map((k) => (
              <div key={k} className="max-w-md">
                <WayChoice
                  way={k}
                  value={now.ways[k]}
                  onChange={(v) => v !== undefined && void keep({ ways: { [k]: v } })}
                />
                <p className="pt-1 text-[15px] text-soft">{MATTERS[k].why}</p>
              </div>
            ))}
            <div>
              <span className="text-sm font-semibold text-soft">Altitude</span>
              <div className="flex w-36 items-center gap-2">
                <TypedNumber
                  label="Altitude, metres"
                  value={String(altitudeM)}
                  wrong={wrongAltitude}
                  onCommit={(x) => void keep({ ways: { altitudeM: x } })}
                  className="h-11 border-rim bg-white px-2.5"
                />
                <span className="text-soft">m</span>
              </div>
              <p className="pt-1 text-[15px] text-soft">
                {altitudeM > 0
                  ? `Here gas takes ${gasRoomAt(altitudeM).toFixed(2)} times the room it does at the sea, so the zones for rise stand that much lower; water boils near ${temperature(boilsAtC(altitudeM), now.units)}.`
                  : 'High up the same gas takes more room, and less leavening is wanted.'}
              </p>
            </div>
          </div>
        </Fold>
        <Fold
          id="spoons"
          title="Our cups and spoons"
          says={now.drawer.length === 0 ? 'none' : now.drawer.map((t) => TOOL_NAMES[t]).join(' · ')}
        >
          <p className="text-[15px] text-soft">
            What there is to measure with, level full. A batch in cups and spoons is taken with these alone.
          </p>
          <ManyTaps
            label="Our cups and spoons"
            values={now.drawer}
            onChange={(drawer) => void keep({ drawer: TOOLS.filter((t) => drawer.includes(t)) })}
            options={TOOLS.map((t) => ({ value: t, label: TOOL_NAMES[t] }))}
          />
        </Fold>
        <MakerPart maker={now.maker} onMaker={(maker) => void keep({ maker })} />
        <Fold
          id="gear"
          label="Scales and gear"
          title="Scales, bowls, griddles, pans and irons"
          says={now.gear.map((g) => g.name).join(' · ') || 'none yet'}
        >
          <GearList gear={now.gear} units={now.units} onGear={(gear) => void keep({ gear })} />
        </Fold>
        {children}
      </div>
    </div>
  );
}
