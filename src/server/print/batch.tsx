/** A batch on paper: the sheet to mix from, the shopping list, and the labels of its kits. */
import { Text, View } from '@react-pdf/renderer';
import type { Label } from '@/core/batch/label';
import { type NoticeOf, noticeLines, SHARED } from '@/core/batch/notice';
import { inPacks, opensWords, toBuy, type WaveOut } from '@/core/batch/packs';
import { RAW, sheetGroups } from '@/core/batch/sheet-groups';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import { mixesIn, type Split } from '@/core/batch/split';
import type { TakeOut, TakeOutList } from '@/core/batch/take-out';
import { kitchenName } from '@/core/pantry/ingredient';
import { grams, type Units } from '@/core/quantity/say';
import { methodIn, type Script } from '@/core/script/act';
import { Boxes, look, Paper, RIM } from './paper';

const MOST_BOXES = 12;

interface SheetPaper {
  readonly name: string;
  readonly about: readonly string[];
  readonly lines: readonly SheetLine[];
  readonly split: Split;
  readonly units: Units;
  /** By eye: dry and wet go into one. */
  readonly oneBowl: boolean;
  /** How it is worked, and why. */
  readonly script: Pick<Script, 'acts'>;
}

/** The sheet to mix from, in the largest type that keeps it on one page. */
export function BatchSheet({ name, about, lines, split, units, oneBowl, script }: SheetPaper) {
  const method = methodIn(script);
  const groups = sheetGroups(lines, script, oneBowl);
  const rows = lines.length + 1.4 * groups.length;
  // the method takes a third of the page where there is room; many lines are set closer
  const how = Math.max(7, Math.min(10, 200 / Math.max(1, method.length)));
  const size = Math.max(8, Math.min(17, (390 - 0.55 * how * method.length) / Math.max(1, rows)));
  const mixes = mixesIn(split);
  const boxes = (l: SheetLine): number => (l.mix === undefined ? 1 : Math.min(mixes, MOST_BOXES));
  const most = Math.max(1, ...lines.map(boxes));
  const wide = lines.some((l) => measureSaid(l, units).length > 10);
  return (
    <Paper name={name}>
      <Text style={look.title}>{name}</Text>
      <Text style={look.about}>{about.filter(Boolean).join('; ')}</Text>
      {mixes > 1 ? (
        <Text style={[look.about, look.strong]}>
          The bowls below are {split.by === 'kits' ? 'one kit' : 'one mix'}: weigh it {mixes} times
          {mixes <= MOST_BOXES ? ', and tick a box each time' : ''}.
        </Text>
      ) : null}
      {groups.map((g) => (
        <View key={g.name}>
          <Text style={[look.group, { fontSize: Math.min(13, size) }]} minPresenceAhead={30}>
            {g.name}
          </Text>
          {g.lines.map((l) => (
            <View key={l.key} style={[look.row, { fontSize: size, paddingVertical: size / 6 }]} wrap={false}>
              <View style={{ width: most * 14 + 4 }}>
                <Boxes count={boxes(l)} />
              </View>
              <Text style={[look.strong, { width: size * (wide ? 13 : 5.2), textAlign: 'right', paddingRight: 10 }]}>
                {measureSaid(l, units)}
              </Text>
              <Text style={{ flex: 1 }}>
                {l.name}
                {l.standsFor ? ` (stands in for ${l.standsFor.toLowerCase()})` : ''}
                {l.spoons ? ` (or ${l.spoons}, level)` : ''}
                {l.measure !== null && l.preparation ? `, ${l.preparation}` : ''}
              </Text>
            </View>
          ))}
        </View>
      ))}
      {method.length > 0 ? (
        <View>
          <Text style={[look.group, { fontSize: how + 2 }]} minPresenceAhead={30}>
            How, and why
          </Text>
          {method.map((s, n) => (
            <Text key={s.do} style={{ fontSize: how, marginTop: how / 6 }}>
              {n + 1}. <Text style={look.strong}>{s.do}</Text>
              {s.why ? ` ${s.why}` : ''}
            </Text>
          ))}
        </View>
      ) : null}
      <Text style={look.small}>{RAW}</Text>
    </Paper>
  );
}

/** A sheet for each mix, bench or prep cook, a page each: for who weighs it. */
export function MixSheets({
  name,
  about,
  sheets,
  script,
  units,
}: {
  readonly name: string;
  readonly about: string;
  /** `times`: how often it is weighed, a box for each; left out: once. */
  readonly sheets: readonly { readonly name: string; readonly lines: readonly SheetLine[]; readonly times?: number }[];
  /** Of one mix. */
  readonly script: Pick<Script, 'acts'>;
  readonly units: Units;
}) {
  return (
    <Paper name={`Sheets: ${name}`}>
      {sheets.map((s, n) => {
        const groups = sheetGroups(s.lines, script);
        const size = Math.max(9, Math.min(17, 520 / Math.max(1, s.lines.length + 1.4 * groups.length)));
        const wide = s.lines.some((l) => measureSaid(l, units).length > 10);
        // what serves all the mixes is weighed once
        const boxes = (l: SheetLine): number => (l.mix === undefined ? 1 : Math.min(s.times ?? 1, MOST_BOXES));
        const most = Math.max(1, ...s.lines.map(boxes));
        return (
          <View key={s.name} break={n > 0}>
            <Text style={look.title}>{s.name}</Text>
            <Text style={look.about}>
              {name}; {about}
            </Text>
            {(s.times ?? 1) > 1 ? (
              <Text style={[look.about, look.strong]}>
                One of {s.times}: weigh each {s.times} times{most > 1 ? ', and tick a box each time' : ''}.
              </Text>
            ) : null}
            {groups.map((g) => (
              <View key={g.name}>
                <Text style={[look.group, { fontSize: Math.min(14, size) }]}>{g.name}</Text>
                {g.lines.map((l) => (
                  <View key={l.key} style={[look.row, { fontSize: size, paddingVertical: size / 5 }]} wrap={false}>
                    <View style={{ width: most * 14 + 6 }}>
                      <Boxes count={boxes(l)} />
                    </View>
                    <Text
                      style={[look.strong, { width: size * (wide ? 13 : 5.2), textAlign: 'right', paddingRight: 10 }]}
                    >
                      {measureSaid(l, units)}
                    </Text>
                    <Text style={{ flex: 1 }}>
                      {l.name}
                      {l.standsFor ? ` (stands in for ${l.standsFor.toLowerCase()})` : ''}
                      {l.measure !== null && l.preparation ? `, ${l.preparation}` : ''}
                    </Text>
                  </View>
                ))}
              </View>
            ))}
            <Text style={[look.about, { marginTop: 14 }]}>Weighed by ____________ Looked at by ____________</Text>
            <Text style={look.small}>{RAW}</Text>
          </View>
        );
      })}
    </Paper>
  );
}

/** The notice for whoever eats, of a batch as it is. */
export function NoticePaper({
  name,
  kind,
  notice: n,
  foot,
}: {
  readonly name: string;
  readonly kind: string;
  readonly notice: NoticeOf;
  readonly foot: string;
}) {
  return (
    <Paper name={`Notice: ${name}`}>
      <Text style={look.about}>{kind}</Text>
      <Text style={look.title}>{name}</Text>
      <Text style={[look.group, { fontSize: 16 }]}>
        {n.held.length > 0 ? 'Made with' : 'None of the allergens we list stands in the table for what is in it'}
      </Text>
      {n.held.map((h) => (
        <Text key={h.name} style={{ fontSize: 15, marginTop: 4 }}>
          <Text style={look.strong}>{h.name.toUpperCase()}</Text> in {h.from.join(', ').toLowerCase()}
        </Text>
      ))}
      {noticeLines(n).map((l) => (
        <Text key={l.strong} style={{ fontSize: 13, marginTop: 8 }}>
          <Text style={look.strong}>{l.strong}</Text> {l.text}
        </Text>
      ))}
      <Text style={look.small}>
        From a table of ingredients; packets differ, and change. {SHARED} The law on what guests are told is your local
        food code’s; ask it, and ask the cook.
      </Text>
      <Text style={look.small}>{foot}</Text>
    </Paper>
  );
}

const packed = (r: TakeOut, u: Units): string => {
  const text = inPacks(r.ingredient, r.grams, r.packG, u);
  return text ? `: ${text}` : '';
};
function buyWords(r: TakeOut, u: Units): string {
  const buy = toBuy(r.ingredient, r.shortG, r.packG);
  if (!buy) return grams(r.shortG ?? 0, u);
  return `${buy.text}${buy.overG > 0.5 ? `, ${grams(buy.overG, u)} over` : ''}`;
}

/** What to take out and buy, biggest first. */
export function ShoppingPaper({
  name,
  about,
  list,
  waves,
  units,
}: {
  readonly name: string;
  readonly about: string;
  readonly list: TakeOutList;
  /** By wave of mixes; empty where there is one. */
  readonly waves: readonly WaveOut[];
  readonly units: Units;
}) {
  const size = Math.max(8, Math.min(13, 560 / Math.max(1, list.rows.length * 1.6)));
  const cell = (width: string, text: string, strong = false) => (
    <Text style={[{ width, paddingRight: 6 }, strong ? look.strong : {}]}>{text}</Text>
  );
  return (
    <Paper name={`Shopping list: ${name}`}>
      <Text style={look.title}>Get out and buy</Text>
      <Text style={look.about}>
        {name}; {about}
      </Text>
      <View
        style={[
          look.row,
          {
            marginTop: 10,
            color: RIM,
            fontWeight: 700,
            borderBottomWidth: 1.5,
            borderBottomColor: RIM,
            paddingBottom: 2,
          },
        ]}
      >
        <View style={{ width: 20 }} />
        {cell('30%', 'Ingredient')}
        {cell('24%', 'Takes')}
        {cell('18%', 'In stock')}
        {cell('22%', 'Buy')}
      </View>
      {list.rows.map((r) => {
        const short = r.shortG ?? 0;
        const buy =
          r.onHandG === null
            ? r.ingredient.id === 'water'
              ? 'from the tap'
              : 'not noted: check'
            : short <= 0
              ? ''
              : buyWords(r, units);
        return (
          <View key={r.ingredient.id} style={[look.row, { fontSize: size, paddingVertical: size / 5 }]} wrap={false}>
            <View style={{ width: 20 }}>
              <Boxes count={1} />
            </View>
            {cell('30%', kitchenName(r.ingredient))}
            {cell(
              '24%',
              r.grams > 0 ? `${grams(r.grams, units)}${r.andMore ? ' and more' : ''}${packed(r, units)}` : 'as needed',
              true,
            )}
            {cell('18%', r.onHandG === null ? '' : grams(r.onHandG, units))}
            {cell('22%', buy, true)}
          </View>
        );
      })}
      {waves.map((w, n) => (
        <View key={w.name} break={n === 0}>
          <Text style={[look.group, { fontSize: 12 }]} minPresenceAhead={30}>
            {w.name}
          </Text>
          {w.rows.map((f) => (
            <View key={f.ingredient.id} style={[look.row, { fontSize: 10, paddingVertical: 2 }]} wrap={false}>
              <View style={{ width: 20 }}>
                <Boxes count={1} />
              </View>
              {cell('34%', kitchenName(f.ingredient))}
              {cell('18%', grams(f.grams, units), true)}
              {cell('44%', opensWords(f, units))}
            </View>
          ))}
        </View>
      ))}
      {list.unknown.length > 0 ? (
        <Text style={look.small}>As on the card, not in the pantry: {list.unknown.join(', ')}.</Text>
      ) : null}
    </Paper>
  );
}

/** Labels, eight to a page, cut along the lines. */
export function Labels({ name, labels }: { readonly name: string; readonly labels: readonly Label[] }) {
  return (
    <Paper name={name}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {labels.map((l) => (
          <View
            key={l.key}
            wrap={false}
            style={{
              width: '50%',
              height: 190,
              borderWidth: 0.5,
              borderStyle: 'dashed',
              borderColor: RIM,
              padding: 9,
              overflow: 'hidden',
            }}
          >
            <Text style={{ fontSize: 13, fontWeight: 700, color: RIM }}>{l.title}</Text>
            <Text style={{ fontSize: 10, fontWeight: 700, marginBottom: 3 }}>{l.sub}</Text>
            {l.body.map((b) => (
              <Text
                key={b}
                style={{
                  fontSize: l.body.join('').length > 330 ? 6.5 : l.body.length <= 7 ? 10 : 8.5,
                  marginBottom: 1.5,
                }}
              >
                {b}
              </Text>
            ))}
            <View style={{ marginTop: 'auto' }}>
              {l.foot.map((f) => (
                <Text key={f} style={{ fontSize: 7.5 }}>
                  {f}
                </Text>
              ))}
            </View>
          </View>
        ))}
      </View>
    </Paper>
  );
}
