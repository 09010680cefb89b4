/**
 * A lot on paper: the sheet it is blended by, and a label for every bag, from what the lot was made as and nothing
 * else.
 */
import { Image, Text, View } from '@react-pdf/renderer';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Blends, Weighing } from '@/core/premix/blend';
import { codeKind } from '@/core/premix/code';
import {
  AFTER_BLOCK,
  fitLabels,
  LABEL_HIGH,
  LABEL_MARGIN,
  LABEL_WIDE,
  type LabelBlock,
  type LabelSize,
  LINE_HEIGHT,
  labelBlocks,
  NAME_PT,
  NET_PT,
} from '@/core/premix/label';
import type { FrozenLot, Lot } from '@/core/premix/premix';
import type { Units } from '@/core/quantity/say';
import { grams } from '@/core/quantity/say';
import { Boxes, look, Paper, RIM, widthOfText } from './paper';

/** The day in the file: the lot's own, so that a reprint is the same to the byte. */
const dayOf = (day: string): Date => new Date(`${day}T12:00:00Z`);

/** Width of its code as a picture, and the room beside it. */
const codeWide = (code: string): number => (code === '' ? 0 : codeKind(code) === 'qrcode' ? 44 : 84);
const CODE_GAP = 6;

/** A lot's label as it fits, on one or more. @param bag its number; null: it has none */
export function labelsOf(lot: Lot, f: FrozenLot, lacking: string, size: LabelSize, bag: number | null) {
  const code = codeWide(f.code);
  return fitLabels(
    labelBlocks(lot, f, lacking, size, bag),
    f,
    size,
    LABEL_WIDE - (code > 0 ? code + CODE_GAP : 0),
    widthOfText,
  );
}

/** @param lot what it is numbered and dated @param size all that a customer needs, or the front alone */
export function LotLabels({
  lot,
  frozen: f,
  lacking,
  size,
  part,
  code,
}: {
  readonly lot: Lot;
  readonly frozen: FrozenLot;
  /** Allergens that are known of it since, and in what; empty: none. */
  readonly lacking: string;
  readonly size: LabelSize;
  /** Which of its labels, from 1: the second has what the first does not hold. */
  readonly part: number;
  /** Its code as a picture; null: it has none. */
  readonly code: string | null;
}) {
  // the longest number there is: every bag's label is set alike
  const { pt, labels } = labelsOf(lot, f, lacking, size, lot.firstBag ? lot.firstBag + lot.bags - 1 : null);
  const called = new Set(labels[part - 1]?.map((b) => b.called));
  return (
    <Paper name={`Labels of lot ${lot.number}`} dated={dayOf(lot.made)}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {Array.from({ length: lot.bags }, (_, k) => (lot.firstBag ? lot.firstBag + k : k)).map((bag) => {
          const blocks = labelBlocks(lot, f, lacking, size, lot.firstBag ? bag : null).filter((b) =>
            called.has(b.called),
          );
          return (
            <View
              key={bag}
              wrap={false}
              style={{
                width: '50%',
                height: LABEL_HIGH[size],
                borderWidth: 0.5,
                borderStyle: 'dashed',
                borderColor: RIM,
                padding: LABEL_MARGIN,
                overflow: 'hidden',
              }}
            >
              <View style={{ paddingRight: code && part === 1 ? codeWide(f.code) + CODE_GAP : 0 }}>
                <Text style={{ fontSize: NAME_PT, lineHeight: LINE_HEIGHT, fontWeight: 700, color: RIM }}>
                  {f.name}
                </Text>
                <Text style={{ fontSize: NET_PT, lineHeight: LINE_HEIGHT, fontWeight: 700, marginBottom: AFTER_BLOCK }}>
                  {part === 1
                    ? `Net ${grams(lot.bagG, f.units)}`
                    : `Lot ${lot.number}${lot.firstBag ? `, bag ${bag}` : ''}, label ${part} of ${labels.length}`}
                </Text>
              </View>
              {code && part === 1 ? (
                <Image src={code} style={{ position: 'absolute', top: 8, right: 8, width: codeWide(f.code) }} />
              ) : null}
              {blocks
                .filter((b) => !b.foot)
                .map((b) => (
                  <Block key={b.called} block={b} pt={pt} />
                ))}
              <View style={{ marginTop: 'auto' }}>
                {blocks
                  .filter((b) => b.foot)
                  .map((b) => (
                    <Block key={b.runs[0]?.text} block={b} pt={pt} />
                  ))}
              </View>
            </View>
          );
        })}
      </View>
    </Paper>
  );
}

const Block = ({ block, pt }: { readonly block: LabelBlock; readonly pt: number }) => (
  <Text style={{ fontSize: pt, lineHeight: LINE_HEIGHT, marginBottom: AFTER_BLOCK }}>
    {block.runs.map((r, at) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: runs stand in their order
      <Text key={at} style={r.strong ? { fontWeight: 700 } : {}}>
        {r.text}
      </Text>
    ))}
  </Text>
);

const MOST_BOXES = 12;

/** "2 x 2,836 g, bench scale". */
const onScale = (w: Weighing, units: Units): string =>
  `${w.times > 1 ? `${w.times} x ` : ''}${grams(w.eachG, units)}${w.scale ? `, ${w.scale.name}` : ''}`;

/**
 * The sheet a lot is blended by: how many blends, in which order, on which scale, with ticks and room for the packets'
 * lots.
 */
export function BlendSheet({
  name,
  about,
  blends: b,
  units,
}: {
  readonly name: string;
  readonly about: string;
  readonly blends: Blends;
  readonly units: Units;
}) {
  const all = [
    ...new Map(b.steps.flatMap((s) => s.weighings.map((w) => [w.ingredient.id, w.ingredient] as const))).values(),
  ];
  const rows = b.steps.reduce((a, s) => a + s.weighings.length + 1.3, 0) + all.length;
  const size = Math.max(8, Math.min(13, 520 / Math.max(1, rows * 1.35)));
  return (
    <Paper name={`Blend sheet: ${name}`}>
      <Text style={look.title}>{name}</Text>
      <Text style={look.about}>{about}</Text>
      <Text style={[look.about, look.strong]}>
        {b.count > 1
          ? `${b.count} blends of ${grams(b.eachG, units)}, one after the other`
          : `One blend of ${grams(b.eachG, units)}`}
        {b.vessel ? `, in ${b.vessel.name}` : '; no bowl or drum is noted, so its size is not known'}
        {b.count > 1 ? '. Tick a box for each.' : '.'}
      </Text>
      {b.steps.map((s, n) => (
        <View key={s.massG}>
          <Text style={[look.group, { fontSize: Math.min(12, size + 1) }]} minPresenceAhead={30}>
            {n + 1}. {n === 0 ? 'Together' : 'Into that'}
            {s.last ? '' : n === 0 ? ', sieved and whisked' : ', folded and sieved'} ({grams(s.massG, units)})
          </Text>
          {s.weighings.map((w) => (
            <View key={w.ingredient.id} style={[look.row, { fontSize: size, paddingVertical: size / 6 }]} wrap={false}>
              <View style={{ width: Math.min(b.count, MOST_BOXES) * 14 + 6 }}>
                <Boxes count={Math.min(b.count, MOST_BOXES)} />
              </View>
              <Text style={[look.strong, { width: '38%', textAlign: 'right', paddingRight: 10 }]}>
                {onScale(w, units)}
              </Text>
              <Text style={{ flex: 1 }}>{kitchenName(w.ingredient)}</Text>
            </View>
          ))}
        </View>
      ))}
      <Text style={[look.group, { fontSize: Math.min(12, size + 1) }]}>Lots of what went in</Text>
      {all.map((i) => (
        <View key={i.id} style={[look.row, { fontSize: size, paddingVertical: size / 4 }]} wrap={false}>
          <Text style={{ width: '40%' }}>{kitchenName(i)}</Text>
          <Text>lot ______________________ used up, then ______________________</Text>
        </View>
      ))}
      <Text style={look.about}>
        Then turned through ten times. Check: a spoon from the top, the middle and the bottom, each in hot water: they
        foam alike. If one does not, mix on.
      </Text>
      <Text style={look.about}>
        Left in the sieve ________ g Bags filled ________ Made by ______________ Checked by ______________
      </Text>
    </Paper>
  );
}
