/** A lot on paper: a label for every bag, from what the lot was made as and nothing else. */
import { Text, View } from '@react-pdf/renderer';
import type { FrozenLot, Lot } from '@/core/premix/premix';
import { sayDay } from '@/core/quantity/day';
import { grams } from '@/core/quantity/say';
import { Paper, RIM } from './paper';

export const LABEL_SIZES = ['full', 'front'] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];

/** Height of a label, pt; two stand side by side. */
const HIGH: Readonly<Record<LabelSize, number>> = { full: 388, front: 192 };
/** The day in the file: the lot's own, so that a reprint is the same to the byte. */
const dayOf = (day: string): Date => new Date(`${day}T12:00:00Z`);

const one = (x: number): string => x.toFixed(1);

/** @param lot what it is numbered and dated @param size all that a customer needs, or the front alone */
export function LotLabels({ lot, frozen: f, size }: { readonly lot: Lot; readonly frozen: FrozenLot; readonly size: LabelSize }) {
  const full = size === 'full';
  const letters = f.products.reduce((a, p) => a + p.directions.length, 0) + f.ingredients.reduce((a, r) => a + r.text.length, 0);
  const text = full ? (letters > 1500 ? 6 : letters > 900 ? 7 : 8) : letters > 700 ? 6.5 : 7.5;
  const n = f.nutrition;
  return (
    <Paper name={`Labels of lot ${lot.number}`} dated={dayOf(lot.made)}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {Array.from({ length: lot.bags }, (_, k) => k + 1).map((bag) => (
          <View
            key={bag}
            wrap={false}
            style={{ width: '50%', height: HIGH[size], borderWidth: 0.5, borderStyle: 'dashed', borderColor: RIM, padding: 9, overflow: 'hidden' }}
          >
            <Text style={{ fontSize: 14, fontWeight: 700, color: RIM }}>{f.name}</Text>
            <Text style={{ fontSize: 10, fontWeight: 700, marginBottom: 3 }}>Net {grams(lot.bagG, f.units)}</Text>
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
            <Text style={{ fontSize: text, fontWeight: 700, marginBottom: 2 }}>{f.contains.length > 0 ? `Contains: ${f.contains.join(', ')}.` : ''}</Text>
            {full && n ? (
              <Text style={{ fontSize: text, marginBottom: 3 }}>
                In 100 g of mix: {Math.round(n.kJ)} kJ / {Math.round(n.kcal)} kcal; fat {one(n.fatG)} g; carbohydrate {one(n.carbohydrateG)} g, of which sugars{' '}
                {one(n.sugarsG)} g; fibre {one(n.fibreG)} g; protein {one(n.proteinG)} g; salt {n.saltG.toFixed(2)} g.
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
                Best before {sayDay(lot.bestBefore, f.units)}. Lot {lot.number}. Made {sayDay(lot.made, f.units)}.
              </Text>
              {f.maker || f.place ? <Text style={{ fontSize: text }}>{[f.maker, f.place].filter(Boolean).join(', ')}</Text> : null}
            </View>
          </View>
        ))}
      </View>
    </Paper>
  );
}
