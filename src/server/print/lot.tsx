/**
 * A lot on paper: the sheet it is blended by, and a label for every bag, from what the lot was made as and nothing
 * else.
 */
import { Image, Text, View } from '@react-pdf/renderer';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Blends, Weighing } from '@/core/premix/blend';
import { codeKind } from '@/core/premix/code';
import type { FrozenLot, Lot } from '@/core/premix/premix';
import { sayDay } from '@/core/quantity/day';
import type { Units } from '@/core/quantity/say';
import { grams } from '@/core/quantity/say';
import { Boxes, look, Paper, RIM } from './paper';

export const LABEL_SIZES = ['full', 'front'] as const;
type LabelSize = (typeof LABEL_SIZES)[number];

/** Height of a label, pt; two stand side by side. */
const HIGH: Readonly<Record<LabelSize, number>> = { full: 388, front: 192 };
/** The day in the file: the lot's own, so that a reprint is the same to the byte. */
const dayOf = (day: string): Date => new Date(`${day}T12:00:00Z`);

const one = (x: number): string => x.toFixed(1);

/** @param lot what it is numbered and dated @param size all that a customer needs, or the front alone */
export function LotLabels({
  lot,
  frozen: f,
  lacking,
  size,
  code,
}: {
  readonly lot: Lot;
  readonly frozen: FrozenLot;
  /** Allergens that are known of it since, and in what; empty: none. */
  readonly lacking: string;
  readonly size: LabelSize;
  /** Its code as a picture; null: it has none. */
  readonly code: string | null;
}) {
  const full = size === 'full';
  const letters =
    f.products.reduce((a, p) => a + p.directions.length, 0) + f.ingredients.reduce((a, r) => a + r.text.length, 0);
  // as large as its label bears
  const text = full ? (letters > 2300 ? 6 : letters > 1500 ? 7 : letters > 1000 ? 8 : 9) : letters > 700 ? 6.5 : 7.5;
  const n = f.nutrition;
  return (
    <Paper name={`Labels of lot ${lot.number}`} dated={dayOf(lot.made)}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {Array.from({ length: lot.bags }, (_, k) => k + 1).map((bag) => (
          <View
            key={bag}
            wrap={false}
            style={{
              width: '50%',
              height: HIGH[size],
              borderWidth: 0.5,
              borderStyle: 'dashed',
              borderColor: RIM,
              padding: 9,
              overflow: 'hidden',
            }}
          >
            <Text style={{ fontSize: 14, fontWeight: 700, color: RIM }}>{f.name}</Text>
            <Text style={{ fontSize: 10, fontWeight: 700, marginBottom: 3 }}>Net {grams(lot.bagG, f.units)}</Text>
            {code ? (
              <Image
                src={code}
                style={{ position: 'absolute', top: 8, right: 8, width: codeKind(f.code) === 'qrcode' ? 44 : 84 }}
              />
            ) : null}
            <Text style={{ fontSize: text, marginBottom: 2 }}>
              Ingredients:{' '}
              {f.ingredients.map((r, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: runs stand in their order
                <Text key={at} style={r.strong ? { fontWeight: 700 } : {}}>
                  {r.text}
                </Text>
              ))}
              .
            </Text>
            <Text style={{ fontSize: text, fontWeight: 700, marginBottom: 2 }}>
              {[
                f.contains.length > 0 ? `Contains: ${f.contains.join(', ')}.` : '',
                lacking ? `Contains also, as corrected since: ${lacking}.` : '',
                lot.between?.traces ?? '',
              ]
                .filter(Boolean)
                .join(' ')}
            </Text>
            {full && n ? (
              <Text style={{ fontSize: text, marginBottom: 3 }}>
                In 100 g of mix: {Math.round(n.kJ)} kJ / {Math.round(n.kcal)} kcal; fat {one(n.fatG)} g
                {typeof n.saturatesG === 'number' ? `, of which saturates ${one(n.saturatesG)} g` : ''}; carbohydrate{' '}
                {one(n.carbohydrateG)} g, of which sugars {one(n.sugarsG)} g; fibre {one(n.fibreG)} g; protein{' '}
                {one(n.proteinG)} g; salt {n.saltG.toFixed(2)} g.
              </Text>
            ) : null}
            {full
              ? f.products.map((p) => (
                  <Text key={p.title} style={{ fontSize: text, marginBottom: 2 }}>
                    <Text style={{ fontWeight: 700 }}>{p.title}: </Text>
                    {p.directions}
                  </Text>
                ))
              : null}
            <View style={{ marginTop: 'auto' }}>
              {f.cautions.map((c) => (
                <Text key={c} style={{ fontSize: text, fontWeight: 700 }}>
                  {c}
                </Text>
              ))}
              <Text style={{ fontSize: text }}>{f.storage}</Text>
              <Text style={{ fontSize: text + 1, fontWeight: 700 }}>
                Best before {sayDay(lot.bestBefore, f.units)}. Lot {lot.number}
                {lot.firstBag ? `, bag ${lot.firstBag + bag - 1}` : ''}. Made {sayDay(lot.made, f.units)}.
              </Text>
              {f.maker || f.place ? (
                <Text style={{ fontSize: text }}>{[f.maker, f.place].filter(Boolean).join(', ')}</Text>
              ) : null}
            </View>
          </View>
        ))}
      </View>
    </Paper>
  );
}

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
        {b.bowl ? `, in ${b.bowl.name}` : '; no bowl or drum is noted, so its size is not known'}
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
