/**
 * Where a card's method puts its lines, against what each line alone says: sugar beaten into the whites, apples fried
 * first in the pan, so much of the butter for the pan, eggs in the morning. Only what is told as done; what is denied,
 * left to taste or another's way moves nothing.
 */
import type { Line } from '../card/line';
import { rewriteAmount, writtenGrams } from '../card/rewrite';
import { type Clause, clausesOf } from '../card/told/clause';
import { type FormulaLine, MOMENT_NAMES, type Moment } from '../formula/formula';
import { namedOn } from '../formula/named-on';
import type { Offer } from '../formula/offers';
import type { KitchenConventions } from '../pantry/conventions';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { isNamedIn } from '../pantry/nouns';
import { weigh } from '../pantry/weigh';
import { readAmount } from '../quantity/amount';
import { type ScriptLine, SOME } from './making';

type Find = (id: string) => Ingredient | undefined;

/** Whether a text names a line's ingredient. */
const names = (text: string, l: ScriptLine, find: Find): boolean =>
  (l.parts ?? []).some((p) => {
    const i = find(p.id);
    return i !== undefined && isNamedIn(text, i);
  });
const categoryOf = (l: ScriptLine, find: Find): string | undefined => find(l.parts?.[0]?.id ?? '')?.category;
const isFat = (l: ScriptLine, find: Find): boolean => categoryOf(l, find) === 'fat';

/** What goes in with the whites as they are whipped: behind them, or in German and Spanish before. */
const WHIPS_WITH: readonly RegExp[] = [
  /\b(?:whip|whisk|beat)\w*\b[^.;]{0,30}\bwhites\b[^.;]{0,30}?\b(?:with|and|adding|raining in|together with)\b([^.;]*)/i,
  /\bwhites\b[^.;]{0,40}\b(?:adding|raining in|with)\b([^.;]*)/i,
  /(?<!\p{L})(?:eiweiße?|eiklar|eischnee|blancs|claras)(?!\p{L})[^.;]{0,40}?(?<!\p{L})(?:mit|avec|con)(?!\p{L})([^.;]*)/iu,
  /(?<![^.;,])([^.;,]*)(?<!\p{L})(?:zum|unter das|unter den|in den|aux|dans les|a las)\s+(?:eiweiß|eischnee|schnee|blancs|claras)(?!\p{L})/iu,
];
/** "Dabei den Zucker einrieseln lassen", "then rain in the sugar": of the whites that the sentence whips. */
const RAINS_IN =
  /\b(?:rain|sprinkle|trickle|add|shower)(?:ing)?(?: in)?\b([^.;]*)|(?<![^.;])([^.;]*)(?<!\p{L})(?:einrieseln|rieseln|einstreuen)(?!\p{L})|(?<!\p{L})(?:ajoute[rz]?|versez|verser|añad(?:ir|e|iendo)|agreg(?:ar|ue|ando)|echando|incorporando)(?!\p{L})([^.;]*)/iu;
const WHITES_WHIPPED =
  /\b(?:whip|whisk|beat)\w*\b[^.;]*\bwhites\b|\bwhites\b[^.;]*\b(?:peaks|stiff|firm|foam)|(?:eiweiße?|eiklar)(?!\p{L})[^.;]*(?:schlagen|schnee)|(?:mont|batt|fouett)\p{L}*(?: [\p{L}’']+){0,3} blancs|(?:mont|bat)\p{L}*(?: \p{L}+){0,2} claras/iu;
const OTHER_IN =
  /\b(?:flour|milk|yolks?|batter|fold)\b|(?<!\p{L})(?:mehl|milch|eigelbe?|teig|farine|lait|jaunes?|pâte|harina|leche|yemas?|masa)(?!\p{L})/iu;
const FRIES: readonly RegExp[] = [
  /\blay in (?:the )?(\p{L}+)$/iu,
  /\b(?:lay|arrange|put|place)\s+(?:the |your |some )?((?:sliced )?\p{L}+(?: (?:slices|rings|wedges|pieces))?)\s+(?:in|into|over) (?:the |a )?(?:(?:hot|buttered|base of the) )*(?:pan|skillet|dish)(?: first)?(?!\p{L})/iu,
  /\b(?:fry|sauté|saute|brown|soften|caramelise|caramelize|cook)\s+(?:the |your |a few )?((?:sliced |chopped |diced )?\p{L}+(?: (?:slices|rings|wedges|pieces|cubes))?)\b[^.;]*/iu,
  /(?<!\p{L})((?:\p{L}+[ -]){0,3}\p{L}+)\s+(?:\d+ ?(?:minuten|min\.?) )?in\s+[^.;]*?(?<!\p{L})(?:an(?:braten|dünsten|schwitzen|rösten)|dünsten|karamellisieren|bräunen)(?!\p{L})[^.;]*/iu,
  /(?<!\p{L})((?:\p{L}+[ -]){0,3}\p{L}+)\s+(?:kurz |vorher |zuerst )?(?:an(?:braten|dünsten|schwitzen)|dünsten|karamellisieren)(?!\p{L})[^.;]*/iu,
  /(?<!\p{L})(?:faire |faites )?(?:revenir|dorer|fondre|poêler|caraméliser|sauter|cuire)\s+(?:d’abord |d'abord )?((?:\p{L}+[ ’']){0,3}\p{L}+)[^.;]*/iu,
  /(?<!\p{L})(?:saltear|saltea|sofreír|sofríe|dorar|dora|pochar|pocha|freír|caramelizar)\s+((?:\p{L}+ ){0,3}\p{L}+)[^.;]*/iu,
];
const IN_FAT =
  /(?<!\p{L})(?:in|dans|en|con)\s+(?:about\s+|etwa\s+|environ\s+)?((?:(?! (?:in|dans|en|con) )[^.;])*?)\s*(?:of\s+|de\s+)?(?:the\s+|la\s+|le\s+|der\s+)?(?:butter|oil|lard|fat|öl|fett|beurre|huile|mantequilla|aceite)(?!\p{L})/iu;
const PAN = '(?:pan|skillet|griddle|iron|dish|\\p{L}*pfanne|\\p{L}*form|poêle|sartén|molde|plancha|moule)';
const FAT = '(?:butter|oil|fat|öl|beurre|huile|mantequilla|aceite)';
const REST =
  "(?:the rest of|the remaining|remaining|the other half of|rest(?:liche[nrs]?)?|(?:den|der) rest (?:der|vom|des)|übrige[nrs]?|(?:le|du) reste (?:du|de la|de l[’'])|(?:el|del) resto (?:de la|del)|la mantequilla restante|le beurre restant)";
const REST_FOR_PAN = new RegExp(
  [
    `(?<!\\p{L})${REST}\\s*(?:the\\s+)?${FAT}(?!\\p{L})[^.;]*(?<!\\p{L})${PAN}(?!\\p{L})`,
    `(?<!\\p{L})${REST}\\s*(?:the\\s+)?${FAT}(?!\\p{L})[^.;]*\\b(?:fry|grease|brush)\\b`,
    `(?<!\\p{L})${PAN}(?!\\p{L})[^.;]{0,20}\\b(?:and|with|mit|avec|con)\\b[^.;]{0,12}${REST}\\s*(?:the\\s+)?${FAT}(?!\\p{L})`,
    '(?<!\\p{L})(?:mantequilla restante|beurre restant)(?!\\p{L})[^.;]*(?:sartén|poêle)',
  ].join('|'),
  'iu',
);
const HALF =
  "(?:half (?:of )?(?:the\\s+)?|(?:die )?hälfte (?:der|vom|des) |la moitié (?:du|de l[’']) ?|(?:la )?mitad (?:de la|del) )";
const HALF_FOR_PAN = new RegExp(
  `\\bhalf (?:of )?(?:the\\s+)?(?:butter|oil|fat)?[^.;]{0,30}\\bfor the (?:pan|skillet|griddle|iron)\\b|(?<!\\p{L})${HALF}${FAT}(?!\\p{L})[^.;]{0,30}(?<!\\p{L})(?:in|into|für|dans|pour|en|para)\\s+(?:the|die|der|la|le|el)\\s+(?:(?:hot|heiße[nr]?)\\s+)?${PAN}(?!\\p{L})`,
  'iu',
);
const LATE =
  /\b(?:in the morning|next (?:morning|day)|just before (?:you )?(?:cook|bak|fry|pour)\w*|after the rest|am (?:nächsten )?(?:morgen|tag)|kurz vor dem (?:backen|braten)|nach der ruhezeit|nach dem ruhen|le lendemain|le matin|juste avant (?:de )?(?:cuire|la cuisson)|après le repos|al día siguiente|por la mañana|justo antes de (?:cocinar|cocer|freír|hornear)|(?:después del?|tras el) reposo)(?!\p{L})/iu;
const BROWNS =
  /\bbrown (?:the |your )?butter\b|\bbutter\b[^.;]{0,40}\b(?:browned|nut[- ]brown|hazel(?:nut)?|smells? (?:of nuts|nutty))|butter\b[^.;]{0,30}(?:bräunen|nussbraun|gebräunt)|\bbeurre noisette\b|mantequilla\b[^.;]{0,40}(?:avellana|noisette)|(?:tostar|dorar) la mantequilla/iu;
const GOES_IN =
  /(?<!\p{L})(?:beat|stir|whisk|add|mix|fold|unter(?:rühren|heben|mischen|schlagen)|einrühren|(?:hin|da)?zu(?:geben|fügen)|dazugeben|ajoute[rz]?|incorpore[rz]?|mélange[rz]?|añad\p{L}+|agreg\p{L}+|incorpor\p{L}+|mezcl\p{L}+|echar)(?!\p{L})/iu;

/** The share of a fat that a text speaks of: a half, a third, or an amount of it; null where it does not say. */
function shareIn(said: string, l: ScriptLine, house: KitchenConventions, find: Find): number | null {
  if (/\bhalf\b|\bhälfte\b|moitié|\bmitad\b/i.test(said)) return 0.5;
  if (/\ba third\b|\bein drittel\b|\bun tiers\b|\bun tercio\b/i.test(said)) return 1 / 3;
  const read = readAmount(said.trim());
  const i = find(l.parts?.[0]?.id ?? '');
  const of = read && i ? weigh(read.amount, i, null, house) : null;
  return of?.ok && l.grams && of.value.grams > 0 && of.value.grams <= l.grams ? of.value.grams / l.grams : null;
}

/** What one clause does to lines, whichever they are: worked once for all of them. */
interface Move {
  readonly c: Clause;
  /** What is fried by itself, and the fat that it is fried in, as said. */
  readonly fries: string | null;
  readonly inFat: string | null;
  /** What is whipped with the whites. */
  readonly withWhites: string;
  readonly halfForPan: boolean;
  readonly browns: boolean;
  /** What it names goes in when the batter has stood. */
  readonly late: boolean;
}

/** What the first of some patterns finds that finds anything. */
function firstOf(patterns: readonly RegExp[], text: string): RegExpExecArray | null {
  for (const re of patterns) {
    const m = re.exec(text);
    if (m) return m;
  }
  return null;
}

function moveOf(c: Clause): Move {
  const { text, sentence } = c;
  const fried = firstOf(FRIES, text);
  const whips = firstOf(WHIPS_WITH, text);
  const rained =
    !whips && WHITES_WHIPPED.test(sentence) && !OTHER_IN.test(text)
      ? RAINS_IN.exec(text)
          ?.slice(1)
          .find((x) => x !== undefined)
      : undefined;
  return {
    c,
    fries: fried?.[1] ?? null,
    inFat: (fried && IN_FAT.exec(fried[0])?.[1]) ?? null,
    withWhites: whips?.[1] ?? rained ?? '',
    halfForPan: HALF_FOR_PAN.test(text),
    browns: BROWNS.test(text),
    late: LATE.test(sentence) && GOES_IN.test(text),
  };
}

/** What of a fat one clause keeps for the pan, fries something in, or browns; null: nothing. */
function movedFat(m: Move, l: ScriptLine, house: KitchenConventions, find: Find): Partial<ScriptLine> | null {
  const words = m.c.text;
  if (m.halfForPan) return { panShare: { share: 0.5, words } };
  const share = m.inFat === null ? null : shareIn(m.inFat, l, house, find);
  if (share !== null) return { fryShare: { share, words } };
  if (m.browns && names(words, l, find) && !/brown|noisette/i.test(`${l.preparation} ${l.text}`))
    return { preparation: [l.preparation, 'browned'].filter(Boolean).join(', '), browned: words };
  return null;
}

/** Where one clause moves a line; null where it leaves it. */
function movedBy(m: Move, l: ScriptLine, house: KitchenConventions, find: Find): Partial<ScriptLine> | null {
  const words = m.c.text;
  if (m.withWhites !== '' && categoryOf(l, find) === 'sugar' && names(m.withWhites, l, find))
    return { moment: 'whipped', goes: { to: 'foam', words } };
  const fat = isFat(l, find) ? movedFat(m, l, house, find) : null;
  if (fat) return fat;
  if (m.late && l.moment === undefined && names(words, l, find)) return { moment: 'rest', goes: { to: 'late', words } };
  return null;
}

/** Fruit that is fried in the pan before the batter goes over it. */
function friedBy(moves: readonly Move[], l: ScriptLine, find: Find): ScriptLine['goes'] {
  if (!['fruit-veg', 'topping'].includes(categoryOf(l, find) ?? '')) return undefined;
  const c = moves.find((m) => m.fries !== null && names(m.fries, l, find))?.c;
  return c && { to: 'fried', words: c.text, min: c.times[0]?.min ?? null };
}

/** "Butter into the hot skillet", "melt the lard in the tin". */
const INTO_HOT =
  /\b(?:butter|lard|oil|fat|dripping|ghee|margarine)\b[^.;\d]{0,24}\b(?:in|into|to)\s+(?:the\s+|a\s+|your\s+|that\s+)?(?:(?:hot|smoking|heated)\s+)?(?:skillet|pan|dish|tin|tray|cast[- ]iron)\b|\b(?:melt|drop|put|add|tip)\b[^.;\d]{0,16}\b(?:butter|lard|oil|fat|dripping)\b[^.;\d]{0,20}\b(?:in|into)\s+(?:it|(?:the|your)\s+(?:hot\s+)?(?:skillet|pan|dish|tin))\b|(?<!\p{L})(?:butter|öl|schmalz|beurre|huile|saindoux|mantequilla|aceite|manteca)(?!\p{L})[^.;\d]{0,24}(?<!\p{L})(?:in|dans|en)\s+(?:die|der|das|la|le|el|une?)\s+(?:heißen?\s+)?(?:\p{L}*pfanne|form|poêle|plat|moule|sartén|molde|fuente)(?!\p{L})/iu;
const MIXED_IN =
  /(?<!\p{L})(?:whisk|stir|beat|mix|blend|whizz|fold|work|rub|rühren|verrühren|unterrühren|einrühren|verquirlen|mixen|mélange[rz]?|incorpore[rz]?|fouette[rz]?|mezclar?|batir|incorporar)(?!\p{L})(?![^.;]*\b(?:but|except|without|apart from)\b)/iu;
const OVEN = /\b(?:oven|ofen|(?:au|le|du) four|horno|hornear|enfourne[rz]?)\b/i;

/** All of a fat that goes into the pan of an oven pancake, and into no bowl; undefined: it is otherwise. */
function allInPan(l: ScriptLine, clauses: readonly Clause[], notes: string, find: Find): ScriptLine['panShare'] {
  if (
    !isFat(l, find) ||
    !OVEN.test(notes) ||
    /\b(?:melted|soft(?:ened)?|browned|cooled)\b/i.test(`${l.preparation} ${l.text}`)
  )
    return undefined;
  const hot = clauses.find((c) => INTO_HOT.test(c.text) && names(c.text, l, find));
  const isMixed = clauses.some((c) => c !== hot && MIXED_IN.test(c.text) && names(c.text, l, find));
  const pours = clauses.some((c) =>
    /\bbatter\b|\bpour\b|\bin it goes\b|\ball at once\b|\bteig\b|pâte|\bmasa\b/i.test(c.text),
  );
  return hot && pours && !isMixed ? { share: 1, words: hot.text } : undefined;
}

/** Lines as a card's method has them. @param notes what stands around the lines of the card */
export function asTold(
  lines: readonly ScriptLine[],
  notes: string,
  house: KitchenConventions,
  find: Find,
): readonly ScriptLine[] {
  const clauses = clausesOf(notes).filter((c) => c.taken === 'told');
  const moves = clauses.map(moveOf);
  const anyFried = lines.some((l) => friedBy(moves, l, find));
  const restForPan = clauses.find((c) => REST_FOR_PAN.test(c.text));
  return lines.map((l) => {
    if (l.vessel === 'pan' || l.vessel === 'topping') return l;
    const goes = friedBy(moves, l, find);
    if (goes) return { ...l, moment: 'fried', goes };
    let moved: ScriptLine = l;
    for (const m of moves) moved = { ...moved, ...movedBy(m, moved, house, find) };
    // a fat that something is fried in, where nothing is, stays in its bowl
    const fryShare = anyFried ? moved.fryShare : undefined;
    const left = 1 - (fryShare?.share ?? 0);
    const inPan =
      moved.panShare === undefined && fryShare === undefined ? allInPan(l, clauses, notes, find) : undefined;
    const panShare =
      isFat(l, find) && restForPan && fryShare ? { share: left, words: restForPan.text } : (inPan ?? moved.panShare);
    return { ...moved, fryShare, panShare };
  });
}

/** A line as it was read, as the making takes it. */
export const scriptLineOf = (l: Line & { readonly key: string }): ScriptLine => ({
  key: l.key,
  name: l.ingredient ? kitchenName(l.ingredient) : l.text,
  vessel: l.use === 'pan' || l.use === 'topping' ? l.use : l.vessel,
  grams: l.grams,
  text: l.text,
  // whites that only the method whips are whipped all the same
  preparation: [l.preparation, ...(l.foam ? ['whipped apart'] : [])].filter(Boolean).join(', '),
  parts: l.parts.map((p) => ({ id: p.ingredient.id })),
});

/** What of a line goes into the pan: greased with, or fried in. */
const forThePan = (l: ScriptLine): number => (l.panShare?.share ?? 0) + (l.fryShare?.share ?? 0);
/** So nearly all of it that nothing is left for the bowl. */
const ALL_OF_IT = 0.99;

/**
 * What a card's method says of where lines go, as something the cook can take: the same that the card's own script
 * does.
 */
export function lineOffers(
  lines: readonly FormulaLine[],
  notes: string,
  house: KitchenConventions,
  find: Find,
): readonly Offer[] {
  const own = lines.filter((l) => l.ingredient !== null && l.side === null && l.use === 'batter' && !l.off);
  const asLines = own.map(
    (l): ScriptLine => ({
      key: l.key,
      name: l.ingredient ? kitchenName(l.ingredient) : l.text,
      vessel: l.vessel,
      grams: l.grams,
      text: l.text,
      preparation: l.preparation,
      parts: l.parts.map((p) => ({ id: p.ingredient.id })),
    }),
  );
  return asTold(asLines, notes, house, find).flatMap((l, n): readonly Offer[] => {
    const line = own[n];
    if (!line) return [];
    const name = namedOn(line).toLowerCase();
    const says = (m: Moment): string => `${name}: ${MOMENT_NAMES[m]}`;
    if (l.goes && (l.moment === 'fried' || l.moment === 'rest' || l.moment === 'whipped'))
      return [{ what: 'moment', key: l.key, moment: l.moment, says: says(l.moment), words: l.goes.words }];
    const browned: readonly Offer[] =
      l.browned === undefined
        ? []
        : [{ what: 'rows', key: l.key, rows: [`${line.text}, browned`], says: `${name}: browned`, words: l.browned }];
    const share = lines.some((x) => x.use === 'pan' && x.ingredient?.id === line.ingredient?.id) ? 0 : forThePan(l);
    if (share <= SOME || line.grams === null) return browned;
    const pan = `${writtenGrams(share * line.grams)} ${name} for the pan`;
    const words = l.panShare?.words ?? l.fryShare?.words ?? '';
    if (share >= ALL_OF_IT) return [{ what: 'rows', key: l.key, rows: [pan], says: `${name}: for the pan`, words }];
    const kept = rewriteAmount(line, (1 - share) * line.grams, house);
    const rows = [browned.length > 0 ? `${kept}, browned` : kept, pan];
    return [
      {
        what: 'rows',
        key: l.key,
        rows,
        says: `${writtenGrams(share * line.grams)} of the ${name} is for the pan`,
        words,
      },
    ];
  });
}
