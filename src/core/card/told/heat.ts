/** Degrees and dials, and what they heat: the surface, the oven, the milk, or what is kept warm. */
import { readNumber } from '../../quantity/number';
import type { Clause, ToldFact } from './clause';

const F_TO_C = (f: number): number => (5 * (f - 32)) / 9;
const GAS_C = (mark: number): number => (mark < 1 ? 120 : 121 + 14 * mark);
export const OVEN = /\b(?:oven|bake|baked|roast)\b/i;
const HOLDING = /\b(?:keep (?:them |it )?warm|hold|holding|kept warm|warm(?:ing)? (?:drawer|oven))\b/i;
export const SURFACE = /\b(?:griddle|pan|skillet|iron|waffle maker|hot ?plate|plate|surface|stone|grill|oil)\b/i;
const LIQUID = /\b(?:milk|water|buttermilk|cream|lukewarm|liquid)\b/i;

/** What a heat is of: the thing nearest before it, or else behind. */
function heatOf(text: string, sentence: string, at: number): string {
  if (HOLDING.test(text)) return 'holding';
  const kinds: readonly (readonly [RegExp, string])[] = [
    [OVEN, 'oven'],
    [SURFACE, 'surface'],
    [LIQUID, 'milk'],
  ];
  const near = kinds
    .flatMap(([re, of]) => [...text.matchAll(new RegExp(re, 'gi'))].map((m) => ({ of, far: Math.abs(m.index - at) })))
    .sort((a, b) => a.far - b.far)[0];
  return near?.of ?? kinds.find(([re]) => re.test(sentence))?.[1] ?? 'surface';
}

export function heatsIn({ text, sentence, taken }: Clause): readonly ToldFact[] {
  const out: ToldFact[] = [];
  const put = (value: number, at: number): void => {
    if (value >= 20 && value <= 320)
      out.push({
        fact: 'heat',
        value: Math.round(value),
        unit: 'C',
        of: heatOf(text, sentence, at),
        words: text,
        taken,
      });
  };
  const gas = /\bgas (?:mark )?(\d{1,2}(?:\/\d)?)\b/i.exec(text);
  const degrees = [
    ...text.matchAll(
      /(\d{2,3})(?:\s*(?:-|–|to)\s*(\d{2,3}))?\s*(?:°|º|degrees?\s*)?\s*([CF])?\b(?!\s*(?:g|ml|kg|%|min|sec|cm|people|pieces))/gi,
    ),
  ];
  // one heat said twice: "180 C / 350 F"
  let last: number | null = null;
  for (const m of degrees) {
    const [all, a = '', b, unit] = m;
    const marked = unit !== undefined || /°|º|degree/i.test(all);
    const n = (Number(a) + Number(b ?? a)) / 2;
    const heats =
      OVEN.test(text) || SURFACE.test(text) || HOLDING.test(text) || /\b(?:heat|preheat|hot)\b/i.test(sentence);
    if (!marked && !(heats && n >= 100 && /^\d{3}$/.test(a))) continue;
    const f = unit ? /f/i.test(unit) : n > 260 || (SURFACE.test(text) && n >= 300);
    const c = f ? F_TO_C(n) : n;
    if (last !== null && Math.abs(c - last) < 12) continue;
    last = c;
    put(c, m.index);
  }
  if (gas && out.length === 0) put(GAS_C(Number(readNumber(gas[1] ?? '')?.low.valueOf() ?? 0)), gas.index);
  const dial =
    /\b(low|medium|moderate|high)(?:(?:\s*(?:-|–|to)\s*|\s+)(low|high|hot|medium))?\s*(?:heat|flame|setting)?\b/i.exec(
      text,
    );
  if (
    dial &&
    out.length === 0 &&
    (/\b(?:heat|flame|setting|burner|hob|stove)\b/i.test(text) || (SURFACE.test(text) && dial[2]))
  )
    out.push({
      fact: 'dial',
      value: dial[0]
        .replace(/\s*(?:heat|flame|setting)$/i, '')
        .replace(/\s*(?:-|–)\s*/, ' ')
        .toLowerCase()
        .trim(),
      unit: null,
      of: 'surface',
      words: text,
      taken,
    });
  return out;
}
