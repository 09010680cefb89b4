/** The time line on paper: a row for each step, with why it matters, whose it is, and a box to tick. */
import { Text, View } from '@react-pdf/renderer';
import type { TimeLine } from '@/core/day/schedule';
import { WHO_WORDS } from '@/core/day/step';
import { type Dating, localDay, sayTime, sayWeekday } from '@/core/quantity/day';
import { asRead, minutesOrHours, type Units } from '@/core/quantity/say';
import { Boxes, look, Paper } from './paper';

export function TimeLinePaper({
  name,
  about,
  line,
  units,
}: {
  readonly name: string;
  readonly about: string;
  readonly line: TimeLine;
  readonly units: Dating & Pick<Units, 'temperature'>;
}) {
  const size = Math.max(7.5, Math.min(13, 420 / Math.max(1, line.placed.length)));
  const days = [
    { name: 'The day before', placed: line.placed.filter((p) => p.ahead) },
    { name: 'On the day', placed: line.placed.filter((p) => !p.ahead) },
  ].filter((d) => d.placed.length > 0);
  return (
    <Paper name={`Time line: ${name}`}>
      <Text style={look.title}>{name}</Text>
      <Text style={look.about}>{about}</Text>
      {days.map((d) => (
        <View key={d.name}>
          <Text style={[look.group, { fontSize: Math.min(13, size + 1) }]} minPresenceAhead={30}>
            {d.name}, {sayWeekday(d.placed[0]?.start ?? 0, units)}
          </Text>
          {d.placed.map(({ step, start, end, by }) => (
            <View key={step.id} style={[look.row, { fontSize: size, paddingVertical: size / 6 }]} wrap={false}>
              <View style={{ width: 20 }}>{step.handsMin > 0 ? <Boxes count={1} /> : null}</View>
              <Text style={[look.strong, { width: size * (units.clock === '12' ? 4.6 : 3.4) }]}>
                {localDay(start, units) === localDay(d.placed[0]?.start ?? 0, units)
                  ? sayTime(start, units)
                  : `${sayWeekday(start, units)} ${sayTime(start, units)}`}
              </Text>
              <Text style={{ width: size * 5.2 }}>
                {minutesOrHours(Math.max(1, Math.round((end - start) / 60_000)))}
              </Text>
              <View style={{ flex: 1 }}>
                <Text>
                  <Text style={look.strong}>{step.name}</Text>
                  {by !== null && by > 0 ? `, helper ${by}` : ''}. {step.why}
                </Text>
                <Text style={{ fontSize: Math.max(7, size - 2.5) }}>
                  {WHO_WORDS[step.who]}; {step.slips}.
                </Text>
              </View>
            </View>
          ))}
        </View>
      ))}
      {line.clashes.map((c) => (
        <Text key={`${c.step} ${c.what} ${c.with}`} style={[look.about, look.strong]}>
          {asRead(c.text, units)}
        </Text>
      ))}
      <Text style={look.small}>
        Minutes are defaults and this kitchen’s own taps. What is out of the cold, held warm or cooled: as the local
        food code has it.
      </Text>
    </Paper>
  );
}
