/**
 * Where cooks disagree, as one table: each matter with its schools in neutral words, what each changes, what of a
 * card's method speaks for it, and the kinds of batter whose nature it goes against. A house has its default, a formula
 * may have its own. To add a school is to add a row. What a cup is and how it is filled are matters too: their grams
 * stand in the pantry's conventions, and only their words here. All of it kitchen sense of ours (a model), never law.
 */
import { CONVENTION_NAMES } from '../pantry/conventions';
import type { KindId } from './kinds';

/** What a school changes where it is chosen. Left out: nothing of that sort. */
export interface Effects {
  /** Done at the bowl, in order, when dry and wet meet. */
  readonly joins?: readonly string[];
  /** How far it is mixed, in words; and how many of the kind's usual turns that is, as a factor. */
  readonly far?: { readonly words: string; readonly turns: number };
  /** It is blended: so many seconds do it, by how smooth the kind is. */
  readonly blends?: true;
  /** Minutes more that the batter wants to stand. */
  readonly moreRestMin?: number;
  /** Things of the mise, by id: wanted as well, and not wanted. */
  readonly tools?: readonly string[];
  readonly without?: readonly string[];
  /** Fat in the pan: what is set out, and what is done before each pour. */
  readonly pan?: { readonly sets: string /** Ids of the pantry. */; readonly holds?: readonly string[]; readonly pour: string; readonly caution?: string };
  /** After the first turn. */
  readonly turn?: { readonly step: string };
  /** Second side, as a share of the first; null: by cue alone, no clock asks. */
  readonly second?: number | null;
  readonly asks?: 'cue' | 'clock';
  /** How more egg goes in. */
  readonly egg?: 'whole' | 'whites';
  /** Whites: how far they are whipped, how they are folded in; and whether they are whipped before dry and wet meet. */
  readonly whites?: { readonly peaks: string; readonly fold: string };
  readonly whipFirst?: boolean;
  /** They go in before the batter rests. */
  readonly foldBeforeRest?: true;
  /** Where gas is to come from. */
  readonly lift?: 'powder' | 'soda' | 'both' | 'whites' | 'eggs';
}

export interface SchoolChoice {
  readonly name: string;
  /** A method that says so means it. */
  readonly card?: RegExp;
  readonly does?: Effects;
  /** Kinds whose nature it goes against, and why. */
  readonly against?: Partial<Readonly<Record<KindId, string>>>;
}

interface Matter {
  readonly name: string;
  readonly why: string;
  readonly choices: Readonly<Record<string, SchoolChoice>>;
  /** What "as the kind is used to" comes to; left out: the matter has no such choice. */
  readonly usual?: Partial<Readonly<Record<KindId, string>>> & { readonly else: string };
}

const USUAL = { name: 'as the kind is used to' } as const;

export const MATTERS = {
  rest: {
    name: 'Rest',
    why: 'What a rest gains in thickness, and what it loses in rise.',
    choices: {
      usual: USUAL,
      none: { name: 'none, straight to the heat', against: { crepe: 'a crepe batter that has not stood tears, and won’t run thin' } },
      short: { name: '10 minutes' },
      'half-hour': { name: '30 minutes, covered' },
      hour: { name: '1 hour, covered' },
      overnight: { name: 'overnight, chilled' },
    },
  },
  warmth: {
    name: 'Egg and milk',
    why: 'How thick it pours, and how fast the leavening runs.',
    choices: {
      counter: { name: 'an hour on the counter', card: /\broom[- ]temperature\b|zimmer(?:temperatur|warm)|temp[ée]rature? ambiante|temperatura ambiente/i },
      cold: {
        name: 'straight from the cold',
        card: /\b(?:ice|fridge)[- ]cold (?:milk|water|eggs?)\b|\bstraight from the fridge\b|eiskalte[rnms]? (?:milch|wasser)|direkt aus dem kühlschrank|sortant du (?:frigo|réfrigérateur)|recién sacad\p{L}+ de la nevera/iu,
        against: { oven: 'a cold batter cools the pan, and climbs less' },
      },
    },
  },
  joining: {
    name: 'Combining',
    why: 'Changes the steps at the bowl, the tools, and the rest.',
    choices: {
      well: {
        name: 'wet into a well in the dry',
        card: /\bmake a well\b|\beine mulde\b|\bun puits\b|\bune fontaine\b|\bun (?:hueco|volcán|pozo)\b/i,
        does: { joins: ['Make a well in the dry.', 'Pour all of the wet into it.', 'Stir from the middle outwards.'], tools: ['whisk'] },
      },
      sprinkle: {
        name: 'dry sprinkled over the wet',
        card: /\b(?:sprinkle|sift|shake|rain)\b[^.;\n]{0,40}\b(?:over|onto|into) the (?:wet|milk|egg|liquid)|mehl[^.;\n]{0,40}(?:auf|über|in) die (?:milch|eier|eiermilch|flüssig)[^.;\n]{0,20}(?:sieben|streuen|rieseln)|\bfarine en pluie\b|(?:espolvorear|tamizar) la harina sobre/i,
        does: { joins: ['Sprinkle a third of the dry over the wet, stir.', 'The second third, stir.', 'The last third, and stop.'], tools: ['whisk'] },
      },
      'at-once': {
        name: 'all at once, by hand',
        card: /\b(?:whisk|beat|mix|stir)\s+(?:everything|all (?:of )?(?:it|the ingredients)|it all)\s*(?:together)?\b|(?<!\p{L})alle(?:s| zutaten)(?: gut| zusammen)? (?:ver(?:rühren|quirlen|mischen)|mischen|zusammenrühren)|(?<!\p{L})(?:mélange[rz]|fouette[rz]) (?:tout|le tout|tous les ingrédients)|(?<!\p{L})(?:mezcl|bat)\p{L}+ (?:todo|todos los ingredientes)/iu,
        does: { joins: ['Everything into one bowl.', 'Whisk from the middle until it holds together.'], tools: ['whisk'], without: ['wet-bowl'] },
      },
      blender: {
        name: 'all at once in a blender',
        does: {
          joins: ['Wet into the blender, then the dry on top.', 'Lid on, a hand on it.', 'Short pulses.'],
          blends: true,
          moreRestMin: 20,
          tools: ['blender'],
          without: ['whisk'],
        },
        against: { griddle: 'a blender works the flour hard: tough cakes', small: 'a blender works the flour hard: tough cakes' },
      },
      'blender-sieve': {
        name: 'a blender, then a sieve',
        does: {
          joins: ['Wet into the blender, then the dry on top.', 'Lid on, a hand on it.', 'Short pulses.', 'Through a sieve: the foam stays behind.'],
          blends: true,
          moreRestMin: 10,
          tools: ['blender', 'sieve'],
          without: ['whisk'],
        },
        against: { griddle: 'a blender works the flour hard: tough cakes', small: 'a blender works the flour hard: tough cakes' },
      },
      strained: {
        name: 'a paste first, then through a sieve',
        card: /\b(?:to|into) an? (?:smooth |thick )*paste\b|zu einem dicken (?:brei|teig)|en une pâte épaisse|hasta formar una pasta/i,
        does: {
          joins: ['Make a well in the dry.', 'Half of the wet: whisk to a smooth paste.', 'The rest of the wet, whisk.', 'Through a sieve.'],
          moreRestMin: 10,
          tools: ['whisk', 'sieve'],
        },
      },
      'butter-last': {
        name: 'the melted butter last',
        card: /\b(?:stir|whisk|fold|beat|mix|add)\b[^.;\n]{0,30}\b(?:melted )?butter\b[^.;\n]{0,20}\b(?:last|at the end|at the last)\b|\b(?:lastly|finally|at the end)\b[^.;\n]{0,40}\bbutter\b|(?:zum schluss|zuletzt)[^.;\n]{0,30}butter[^.;\n]{0,20}(?:rühren|einrühren|dazu|unter)|butter (?:zuletzt|zum schluss)|beurre[^.;\n]{0,20}(?:à la fin|en dernier)|(?:enfin|en dernier),? [^.;\n]{0,20}beurre fondu|mantequilla[^.;\n]{0,20}al final|por último,? [^.;\n]{0,20}mantequilla/i,
        does: {
          joins: ['Make a well in the dry.', 'The wet but for the butter into it; stir to a smooth paste.', 'The melted butter last, in a thread.'],
          tools: ['whisk', 'butter-pot'],
        },
      },
    },
  },
  mixing: {
    name: 'How far to mix',
    why: 'How many turns, when to stop, and how long it rests after.',
    usual: { else: 'lumps', crepe: 'smooth', oven: 'smooth', waffle: 'smooth', foam: 'smooth' },
    choices: {
      usual: USUAL,
      lumps: {
        name: 'just together, lumps stay',
        does: { far: { words: 'only until no dry flour is seen; lumps stay', turns: 1 } },
        against: { crepe: 'lumps tear a thin crepe', oven: 'lumps stay as dry spots' },
      },
      smooth: {
        name: 'smooth',
        does: { far: { words: 'smooth: no lump left', turns: 2 } },
        against: { griddle: 'smooth is mixed too far for a tender cake', small: 'smooth is mixed too far for a tender cake' },
      },
      strained: {
        name: 'smooth, and strained',
        does: { far: { words: 'smooth, then through a sieve, pressing nothing', turns: 2 }, moreRestMin: 5, tools: ['sieve'] },
        against: { griddle: 'smooth is mixed too far for a tender cake', small: 'smooth is mixed too far for a tender cake' },
      },
    },
  },
  lift: {
    name: 'What raises it',
    why: 'What a new formula begins with, and which mending of the leavening comes first.',
    usual: { else: 'both', crepe: 'eggs', oven: 'eggs', foam: 'whites' },
    choices: {
      usual: USUAL,
      powder: { name: 'powder', does: { lift: 'powder' } },
      soda: { name: 'soda with a sour liquid', does: { lift: 'soda' } },
      both: { name: 'soda as the acid works, powder for the rest', does: { lift: 'both' } },
      whites: {
        name: 'whipped whites',
        does: { lift: 'whites' },
        against: { crepe: 'whipped whites keep a crepe from lying thin', oven: 'whole egg climbs by itself' },
      },
      eggs: {
        name: 'eggs and heat alone',
        does: { lift: 'eggs' },
        against: {
          griddle: 'without leavening a griddle cake lies flat',
          small: 'without leavening they lie flat',
          waffle: 'without leavening a waffle is dense',
        },
      },
    },
  },
  whites: {
    name: 'Whites',
    why: 'How much air folded whites bring, and how they go in.',
    choices: {
      soft: {
        name: 'soft peaks, folded in one go',
        does: { whites: { peaks: 'soft peaks', fold: 'fold them in in one go' } },
      },
      firm: {
        name: 'firm peaks, folded in thirds',
        does: { whites: { peaks: 'firm peaks', fold: 'fold in a third to loosen it, then the other two' } },
      },
    },
  },
  whip: {
    name: 'Whites are whipped',
    why: 'First, the beaters are clean and the whites wait; last, nothing sinks.',
    choices: {
      last: { name: 'last of all, after the rest', does: { whipFirst: false } },
      'before-rest': {
        name: 'last, but before the rest',
        card: /\bfold\b[^.;\n]{0,40}\bwhites\b[^;\n]{0,40}(?<!\bthe )\b(?:rest|stand|sit)\b/i,
        does: { whipFirst: false, foldBeforeRest: true },
        against: { foam: 'what is folded in before the rest sinks while it stands' },
      },
      first: {
        name: 'first, before dry and wet are combined',
        card: /\b(?:first|begin by|start by)\b[^.;\n]{0,40}\b(?:whip|whisk|beat)\b[^.;\n]{0,20}\bwhites\b|(?:zuerst|als erstes) [^.;\n]{0,20}eiweiß[^.;\n]{0,20}schlagen|commence[rz] par (?:monter|battre) les blancs|(?:primero|empezar por)[^.;\n]{0,12}(?:montar|batir) las claras/i,
        does: { whipFirst: true, tools: ['whites-bowl'] },
        against: { foam: 'foam sinks while the rest is made: nothing but it raises this kind' },
      },
    },
  },
  panFat: {
    name: 'Fat in the pan',
    why: 'What is set out, what is done before each pour, and what a greasy or spotted face comes from.',
    usual: { else: 'film', oven: 'butter', ball: 'butter', waffle: 'spray' },
    choices: {
      usual: USUAL,
      none: {
        name: 'none, on a non-stick pan',
        does: { pan: { sets: '', pour: 'Nothing in the pan: wipe it dry.' }, without: ['brush'] },
        against: { oven: 'it bakes in its fat, and sticks without', ball: 'it sticks in the hollows' },
      },
      film: {
        name: 'a little, wiped off again',
        does: {
          pan: { sets: 'Oil for the pan, a little', holds: ['oil-vegetable'], pour: 'Fat on, and wiped off again: a shine, no drop.' },
          tools: ['cloth'],
        },
        against: { oven: 'it is too little to climb in' },
      },
      butter: {
        name: 'butter',
        does: {
          pan: {
            sets: 'Butter for the pan',
            holds: ['butter-unsalted'],
            pour: 'A knob of butter: pour when it has stopped foaming, before it browns.',
            caution: 'Butter brings milk to every piece, and burns above about 150 °C.',
          },
          tools: ['fat-dish'],
        },
      },
      'butter-oil': {
        name: 'butter with oil',
        does: {
          pan: {
            sets: 'Butter and oil for the pan',
            holds: ['butter-unsalted', 'oil-vegetable'],
            pour: 'Oil first, then the butter into it: pour when the foam has gone.',
            caution: 'Butter brings milk to every piece.',
          },
          tools: ['fat-dish'],
        },
      },
      clarified: {
        name: 'clarified butter',
        does: {
          pan: {
            sets: 'Clarified butter for the pan',
            holds: ['butter-clarified'],
            pour: 'Clarified butter, brushed on: it takes more heat than butter.',
            caution: 'Traces of milk stay in clarified butter.',
          },
          tools: ['fat-dish'],
        },
      },
      oil: {
        name: 'oil, left in the pan',
        does: {
          pan: { sets: 'Oil for the pan', holds: ['oil-vegetable'], pour: 'Oil in, and hot before it is poured: it runs, and does not smoke.' },
          tools: ['fat-dish'],
        },
      },
      lard: {
        name: 'lard or dripping',
        does: {
          pan: {
            sets: 'Lard or dripping for the pan',
            holds: ['lard'],
            pour: 'Lard on a cloth: a shine, no pool.',
            caution: 'Lard and dripping are of meat: say so to who asks.',
          },
          tools: ['cloth'],
        },
      },
      spray: {
        name: 'pan spray',
        does: {
          pan: { sets: 'Pan spray', holds: ['oil-vegetable'], pour: 'A breath of spray, away from the flame.', caution: 'Never spray towards a flame.' },
          without: ['brush'],
        },
        against: { oven: 'it bakes in its fat: spray is too little' },
      },
    },
  },
  flip: {
    name: 'Turning',
    why: 'What the griddle asks for after the first turn, and what a flat or uneven piece comes from.',
    usual: { else: 'once', ball: 'several' },
    choices: {
      usual: USUAL,
      once: {
        name: 'once, and never pressed',
        does: { turn: { step: 'Turned once: leave it, and never press.' } },
        against: { ball: 'a ball is made round by turning' },
      },
      several: {
        name: 'several turns',
        does: { turn: { step: 'Turn it again as soon as the underside has set.' } },
        against: { griddle: 'each turn lets gas out', foam: 'each turn knocks the foam down', crepe: 'a crepe is turned once at most' },
      },
      press: {
        name: 'a light press',
        card: /\bpress (?:it |them )?(?:down )?(?:lightly|gently)\b|\b(?:light|gentle) press\b|leicht (?:an|platt)drücken|press\p{L}+ (?:légèrement|ligeramente|un poco)|(?:aplastar|presionar) (?:ligeramente|un poco|suavemente)/iu,
        does: { turn: { step: 'One light press with the spatula right after the turn, so that it lies flat.' } },
        against: { griddle: 'pressing drives the gas out: flat and dense', foam: 'pressing drives the foam out', ball: 'a pressed ball is none' },
      },
    },
  },
  second: {
    name: 'Second side',
    why: 'How long the second side takes at the griddle and in the time line, until taps have taught better.',
    choices: {
      usual: USUAL,
      shorter: { name: 'half of the first', does: { second: 0.5 } },
      equal: { name: 'about as long as the first', does: { second: 1 }, against: { crepe: 'a crepe dries out on its second side' } },
      cue: { name: 'by its cue only', does: { second: null } },
    },
  },
  asks: {
    name: 'Clock or cue',
    why: 'What the griddle shows large: what to look for, or the time.',
    choices: {
      cue: { name: 'cues first, the clock reminds', does: { asks: 'cue' } },
      clock: { name: 'the clock first', does: { asks: 'clock' } },
    },
  },
  moreEgg: {
    name: 'More egg',
    why: 'How a formula that wants more egg gets it: richer and firmer, or raised by whites.',
    choices: {
      whole: { name: 'whole: richer and firmer, less airy', does: { egg: 'whole' } },
      whites: { name: 'with the whites whipped, for lift', does: { egg: 'whites' }, against: { crepe: 'whipped whites keep a crepe from lying thin' } },
    },
  },
  check: {
    name: 'Before combining',
    why: 'Target against actual for every line, with initials, before wet and dry are combined.',
    choices: { none: { name: 'no second look' }, second: { name: 'a second person looks at every pile' } },
  },
  largeBowl: {
    name: 'Very large bowls',
    why: 'Leavening grows with the batch.',
    choices: { straight: { name: 'leavening scaled straight' }, less: { name: 'a tenth less leavening from 10 kg a bowl' } },
  },
} as const satisfies Readonly<Record<string, Matter>>;

/** The matters whose grams stand in the pantry's conventions: their words, and what of a card speaks for them. */
export const MEASURED = {
  flourFill: {
    name: 'Flour into the cup',
    names: CONVENTION_NAMES.flourFill,
    card: {
      spooned: /\bspoon(?:ed)?\b[^.;\n]{0,25}\b(?:level(?:led|ed)?|into the cup)\b/i,
      dipped: /\b(?:dip|scoop)(?:ped|ed)?\b[^.;\n]{0,20}\b(?:sweep|swept|level(?:led|ed)?)\b/i,
      sifted: /\bsift(?:ed)? (?:it |the flour )?(?:before|then) measur/i,
    },
  },
  cup: {
    name: 'Cup',
    names: CONVENTION_NAMES.cup,
    card: {
      metric: /\b(?:metric cups?|cups? (?:of|is|are|holds?|=) ?250 ?ml|250 ?ml cups?)\b/i,
      imperial: /\b(?:imperial cups?|british cups?)\b/i,
    },
  },
} as const;

export type WayId = keyof typeof MATTERS;
/** The schools of a matter. */
export type SchoolIdOf<W extends WayId> = keyof (typeof MATTERS)[W]['choices'] & string;

export const WAY_IDS = Object.keys(MATTERS) as readonly WayId[];

/** The schools of a matter, in the order they are offered. */
export const choicesOf = (w: WayId): readonly (readonly [id: string, choice: SchoolChoice])[] => Object.entries(MATTERS[w].choices);

/** The school that is meant: "as the kind is used to" is the kind's own, where the table says which that is. */
export function schoolMeant(w: WayId, id: string, kind: KindId | null): string {
  const m: Matter = MATTERS[w];
  return id === 'usual' && m.usual ? ((kind && m.usual[kind]) ?? m.usual.else) : id;
}

/** The row of a school, as it is meant for a kind; null for a word that is none. */
export const choiceFor = (w: WayId, id: string, kind: KindId | null): SchoolChoice | null => (MATTERS[w] as Matter).choices[schoolMeant(w, id, kind)] ?? null;
