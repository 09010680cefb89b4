/** A formula as a card: on one page, or on two index cards; amounts in cups and in grams, method, yield, allergens. */
import { Text, View } from '@react-pdf/renderer';
import type { NoticeOf } from '@/core/batch/notice';
import type { WorkStep } from '@/core/script/act';
import { look, Paper } from './paper';

interface PrintedLine {
  readonly key: string;
  readonly cups: string;
  readonly grams: string;
  readonly name: string;
}

interface CardPaper {
  readonly name: string;
  readonly about: string;
  readonly yields: string;
  readonly groups: readonly { readonly name: string; readonly lines: readonly PrintedLine[] }[];
  /** The card's own words where it has any; else how such a batter is worked here. */
  readonly method: readonly WorkStep[];
  readonly notice: NoticeOf;
  readonly index: boolean;
}

const CAUTION =
  'No tasting of raw batter. Times, temperatures and who may eat what: the local food code and the packets have the last word.';

function Lines({ groups, size }: { readonly groups: CardPaper['groups']; readonly size: number }) {
  return groups.map((g) => (
    <View key={g.name}>
      <Text style={[look.group, { fontSize: size, marginTop: size / 2 }]}>{g.name}</Text>
      {g.lines.map((l) => (
        <View key={l.key} style={[look.row, { fontSize: size, paddingVertical: size / 8 }]} wrap={false}>
          <Text style={[look.strong, { width: '36%', paddingRight: 6 }]}>{l.cups}</Text>
          <Text style={{ width: '15%', textAlign: 'right', paddingRight: 8 }}>{l.grams}</Text>
          <Text style={{ flex: 1 }}>{l.name}</Text>
        </View>
      ))}
    </View>
  ));
}

function Method({ method, size }: { readonly method: readonly WorkStep[]; readonly size: number }) {
  return method.map((s, n) => (
    <Text key={s.do} style={{ fontSize: size, marginTop: size / 5 }}>
      {n + 1}. {s.do}
      {s.why ? <Text style={{ color: '#4a5a78' }}> {s.why}</Text> : null}
    </Text>
  ));
}

function Holds({ notice: n, size }: { readonly notice: NoticeOf; readonly size: number }) {
  return (
    <View style={{ marginTop: size / 2 }}>
      <Text style={{ fontSize: size }}>
        <Text style={look.strong}>Holds: </Text>
        {n.held.map((h) => h.name).join(', ') || 'none of the allergens we list'}
        {n.unstated.length + n.unread.length > 0 ? '; not all are stated, ask' : ''}.
        {n.honey ? ' Honey: not for infants under one.' : ''}
        {n.alcohol.length > 0 ? ' With alcohol.' : ''}
      </Text>
      <Text style={{ fontSize: size - 1.5 }}>{CAUTION}</Text>
    </View>
  );
}

export function FormulaCard(p: CardPaper) {
  const rows = p.groups.reduce((a, g) => a + g.lines.length + 1.3, 0);
  const head = (size: number) => (
    <>
      <Text style={[look.title, { fontSize: size }]}>{p.name}</Text>
      <Text style={{ fontSize: size / 2.2 }}>
        {p.yields}; {p.about}
      </Text>
    </>
  );
  if (!p.index) {
    const size = Math.max(7.5, Math.min(12.5, 640 / Math.max(1, rows * 1.5 + p.method.length * 2.2)));
    return (
      <Paper name={`Card: ${p.name}`}>
        {head(22)}
        <Lines groups={p.groups} size={size} />
        <Text style={[look.group, { fontSize: size }]}>Method</Text>
        <Method method={p.method} size={size} />
        <Holds notice={p.notice} size={Math.max(8, size - 1)} />
      </Paper>
    );
  }
  const size = Math.max(6, Math.min(9.5, 225 / Math.max(1, rows * 1.35)));
  const words = p.method.reduce((a, s) => a + s.do.length + s.why.length, 0);
  const small = Math.max(5.5, Math.min(9, 220 / Math.max(1, words / 75 + p.method.length * 0.5)));
  return (
    <Paper name={`Index cards: ${p.name}`} index>
      {head(15)}
      <Lines groups={p.groups} size={size} />
      <View break>
        <Text style={[look.title, { fontSize: 13 }]}>{p.name}: method</Text>
        <Method method={p.method} size={small} />
        <Holds notice={p.notice} size={7} />
      </View>
    </Paper>
  );
}
