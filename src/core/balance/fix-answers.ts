/**
 * What the cook answers: which of two amounts stands, how a number is read, how much of a thing. Facts, and no fixes:
 * each is taken as it is, and needs no proof.
 */
import type { Worked } from '../analyse-formula';
import { batterVolume } from '../batter/volume';
import { yieldClaim } from '../card/method';
import { servedUnlisted } from '../findings/card-rules';
import type { Finding } from '../findings/finding';
import { type Entry, nextKey } from '../formula/formula';
import { usualPortionMl } from '../formula/kinds';
import { lacksAmount } from '../formula/open';
import { inSpoons, instead } from '../pantry/honest';
import { nameFor } from '../pantry/naming';
import { grams, millilitres } from '../quantity/say';
import { amountFor, amountsForAll } from './amount-for';
import { type Bench, conventionsOn, editEntry, type Proposal, withEntries, withGrams } from './bench';
import type { Fix } from './fix-balance';

/** More questions than this at a time are no help. */
const MOST_ASKED = 3;

const otherReading: Fix = (b, _w, f) => {
  const swap = (text: string): string => text.replace(/\b1[\s-](1\/2|1\/4)/, '$1').replace(/\b1\s*([½¼])/, '$1');
  const read = (title: string, which: (key: string) => boolean): Proposal => ({
    title,
    why: 'Both balances stand side by side: the marks show the card as written, and as read anew.',
    formula: withEntries(
      b.formula,
      b.formula.entries.map((e) => (which(e.key) ? { ...e, text: swap(e.text) } : e)),
    ),
    short: null,
  });
  return [
    read('Read all of them without the 1', () => true),
    read('Read only this one without the 1', (key) => f.keys?.includes(key) === true),
  ];
};

const stands: Fix = (b, _w, f) => {
  const key = f.keys?.[0];
  if (!key) return [];
  return [
    {
      title: 'The weight stands',
      why: 'The grams written count; the measure is set aside.',
      formula: editEntry(b.formula, key, { stands: 'weight' }),
      short: null,
    },
    {
      title: 'The measure stands',
      why: 'The cups or spoons written count; the weight is set aside.',
      formula: editEntry(b.formula, key, { stands: 'volume' }),
      short: null,
    },
  ];
};

/** A powder weaker than this share of a fresh one: more of it tastes before it raises. */
const TOO_OLD = 0.6;

const strengthen: Fix = (b, w, f) => {
  const lines = w.lines.filter((l) => f.keys?.includes(l.key) && l.grams !== null);
  const put = new Map(lines.map((l) => [l.key, (l.grams ?? 0) / l.strength]));
  const more: Proposal[] = lines.some((l) => l.strength < TOO_OLD)
    ? []
    : [
        {
          title: 'Use more of it',
          why: `More of the old powder makes up for what it lost: ${[...put.values()].map((g) => grams(g, b.house.units)).join(', ')}.`,
          formula: withGrams(b, w.lines, put),
          short: null,
        },
      ];
  return [
    ...more,
    ...lines.slice(0, 1).map((l) => ({
      title: 'A fresh tin',
      why: 'Counts it as fresh again.',
      formula: editEntry(b.formula, l.key, { opened: b.house.today ?? undefined }),
      short: null,
    })),
  ];
};

/** A batch larger than this is no answer to a pinch. */
const MOST_TIMES = 8;

const spooned: Fix = (b, w, f) => {
  let formula = b.formula;
  for (const l of w.lines.filter((x) => f.keys?.includes(x.key))) {
    const i = l.ingredient;
    const spoons = i && l.grams ? inSpoons(l.grams, i) : null;
    if (i && spoons)
      formula = editEntry(formula, l.key, {
        text: `${spoons.text} ${nameFor(i.id, conventionsOn(b)).name}`,
        stands: undefined,
      });
  }
  return [
    { title: 'Measure it in spoons', why: 'The nearest eighth of a teaspoon, level.', formula, short: null },
    larger(b, w, f),
  ];
};

/** The whole batch made so much larger that the scale weighs the small amount honestly, in whole or half times. */
function larger(b: Bench, w: Worked, f: Finding): Proposal | null {
  const need = w.lines.flatMap((l) => {
    const other =
      f.keys?.includes(l.key) && l.ingredient && l.grams ? instead(l.grams, l.ingredient, w.analysis.scaleStepG) : null;
    return other ? [other.times] : [];
  });
  const times = Math.ceil(2 * Math.max(1, ...need)) / 2;
  if (times <= 1 || times > MOST_TIMES || w.lines.some((l) => l.pinned)) return null;
  const all = new Map(
    w.lines.filter((l) => l.grams !== null && l.use !== 'topping').map((l) => [l.key, (l.grams ?? 0) * times]),
  );
  return {
    title: `${times} times the batch`,
    why: 'Every line goes with it, so that the scale weighs the least of them honestly. No ratio moves.',
    formula: withGrams(b, w.lines, all),
    short: null,
  };
}

const claimed: Fix = (b, w) => {
  const claim = yieldClaim(b.formula.cardNotes);
  const volume = batterVolume(w.lines, w.analysis.kind?.air ?? 0);
  const { school } = w.analysis;
  if (!claim || !volume || !school) return [];
  const each = 5 * Math.round((0.97 * volume.volumeMl) / claim.pieces / 5);
  const usual = usualPortionMl(school);
  if (each < 0.4 * usual || each > 3 * usual) return [];
  return [
    {
      title: `Pour ${millilitres(each)} each`,
      why: `Then the bowl gives the ${claim.pieces} the card says.`,
      formula: { ...b.formula, portionMl: each },
      short: null,
    },
  ];
};

/** "Some flour": how much of a thing that is known the kind would have. */
const howMuch: Fix = (b, w, f) => {
  const open = w.lines.filter((l) => f.keys?.includes(l.key) && lacksAmount(l));
  return [amountsForAll(b, w, open), ...open.slice(0, MOST_ASKED).map((l) => amountFor(b, w, l))];
};

/** What the method serves beside them, as a line of the table. */
const serve: Fix = (b, w) => {
  const missing = servedUnlisted({ cardNotes: b.formula.cardNotes, lines: w.lines });
  if (missing.length === 0) return [];
  const added: Entry[] = [...b.formula.entries];
  for (const { said } of missing) added.push({ key: nextKey(added), text: `${said}, to serve` });
  return [
    {
      title: `Add ${missing.map((m) => `“${m.said}, to serve”`).join(' and ')}`,
      why: 'Then the notice says what it holds.',
      formula: withEntries(b.formula, added),
      short: null,
    },
  ];
};

/**
 * What the cook answers is a fact and no fix: it is taken as it is, and needs no proof. More of an old powder gives the
 * lift that is written.
 */
export const ANSWERS: Readonly<Record<string, Fix>> = {
  'lines-open': howMuch,
  'amounts-disagree': stands,
  'fraction-doubtful': otherReading,
  'small-weighing': spooned,
  'yield-claim': claimed,
  'powder-old': strengthen,
  'served-not-listed': serve,
};
