/**
 * Talk in whatever sentences: each thing that is told with an amount is a line, with the grams that it has by itself.
 * Every way to tell is tried with every thing, in four languages; and in dictation without a sign nothing goes unasked.
 */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { readCard } from './card';
import { languagesIn } from './language';
import { readLine } from './line';

interface Tongue {
  /** As they are told: an amount and a thing. */
  readonly things: readonly string[];
  /** Sentences, with ◦ for each thing. */
  readonly ways: readonly string[];
  /** What is done, behind them. */
  readonly after: string;
}

const TONGUES: Readonly<Record<string, Tongue>> = {
  english: {
    things: [
      'two cups of flour',
      'a pinch of salt',
      '250 grams of rye flour',
      'half a pint of milk',
      'an egg',
      'a cup and a half of buckwheat flour',
      'a teaspoon and a half of baking powder',
      '300 ml oat milk',
      'a splash of water',
      'three quarters of a cup of cornmeal',
      '30 g melted butter',
      'three egg whites',
      'three tablespoons of lard',
      'two heaped tablespoons of sugar',
      'half a teaspoon of bicarb',
      'a cup and a quarter of buttermilk',
      '7 g dried yeast',
      'a handful of blueberries',
      'eight ounces of self-raising flour',
      'a tablespoon of honey',
      'a slug of oil',
    ],
    ways: [
      'I take ◦, ◦ and ◦.',
      'So you start with ◦ and ◦.',
      'Then ◦ goes in.',
      '◦ next, and ◦.',
      'Whisk in ◦ and ◦.',
      'In the jug ◦ and ◦.',
      '◦ into ◦.',
      'Mix ◦ with ◦.',
      'In a big bowl I put ◦, ◦, and ◦, and give it a stir.',
      'After that you add ◦.',
      'There’s ◦ in it and ◦.',
      '◦, ◦, ◦ and ◦.',
      'Beat in ◦ until smooth.',
      'I use ◦ because it’s what we have.',
      'You’ll want ◦, then ◦.',
      'Stir ◦ into ◦ and leave it a minute.',
      'Add ◦ along with ◦.',
      '◦, followed by ◦.',
      'Sift ◦ over ◦.',
      'Don’t forget ◦.',
      'Last of all ◦.',
      'Fold in ◦ at the end.',
      'Season with ◦.',
      'Make a well and tip in ◦ and ◦.',
      'Slowly pour in ◦, whisking all the time.',
      '◦ goes in bit by bit.',
      'Warm ◦ gently and add that.',
      'First ◦ in the bowl with ◦ on top.',
      'I weigh out ◦ and then ◦ straight on the same scale.',
      'Meanwhile melt ◦ in ◦.',
      '◦ – ◦ – ◦.',
      '◦ (sieved) and ◦ (not too cold).',
      'There’s ◦, which I sieve, and ◦.',
      'Put ◦ in, whatever anyone tells you.',
      'You’re gonna want ◦ and like ◦.',
      'Once that’s smooth, ◦.',
      'Finish the batter with ◦.',
      'Pour half of it over ◦ and ◦.',
      'It needs ◦ or it tastes of nothing.',
      'We’ve got ◦ here, and over there ◦.',
    ],
    after: 'Whisk it and let it stand ten minutes. A ladle each.',
  },
  german: {
    things: [
      '250 Gramm Mehl',
      'eine Prise Salz',
      'einen halben Liter Milch',
      'zwei Eier',
      'etwas Zimt',
      'einen Esslöffel Öl',
      'zwei Teelöffel Backpulver',
      'ein halbes Pfund Quark',
      'einen Becher Joghurt',
      'einen Viertelliter Buttermilch',
      '50 g geschmolzene Butter',
      'einen halben Würfel Hefe',
    ],
    ways: [
      'Ich nehme ◦ und ◦.',
      '◦, dazu ◦.',
      'Dann kommt ◦ dazu.',
      'Dann kommt ◦ rein.',
      'Man nehme ◦, ◦ und ◦.',
      'Ich rühre ◦ ein.',
      '◦ mit ◦ verrühren.',
      'Zum Schluss ◦ unterheben.',
      '◦, ◦, ◦.',
      'In eine Schüssel gebe ich ◦ und ◦.',
      'Du brauchst ◦ und ◦.',
      'Und noch ◦.',
      'Erst ◦ und ◦ vermischen.',
      'Nach und nach ◦ dazugeben.',
      'Ich hab ◦ genommen und ◦.',
    ],
    after: 'Alles gut verrühren und zwanzig Minuten quellen lassen. Reicht für vier.',
  },
  french: {
    things: [
      '250 grammes de farine',
      'une pincée de sel',
      'un demi-litre de lait',
      'trois œufs',
      'un peu de cannelle',
      'deux cuillères à soupe de sucre',
      '50 g de beurre fondu',
      'le zeste d’un citron',
      'un verre de bière',
      '10 g de levure fraîche',
      'un yaourt',
    ],
    ways: [
      'Je mets ◦ et ◦.',
      'On prend ◦, ◦ et ◦.',
      'Puis ◦.',
      'Ensuite j’ajoute ◦.',
      'Mélangez ◦ avec ◦.',
      'Il faut ◦ et ◦.',
      '◦, ◦, ◦.',
      'Dans un saladier je verse ◦ et ◦.',
      'J’incorpore ◦ petit à petit.',
      'Fouetter ◦ et ◦.',
      'À la fin, ◦.',
      'Délayer ◦ dans ◦.',
    ],
    after: 'Je laisse reposer une heure. Pour quatre personnes.',
  },
  spanish: {
    things: [
      '250 gramos de harina',
      'una pizca de sal',
      'medio litro de leche',
      'tres huevos',
      'un poco de canela',
      'dos cucharadas de azúcar',
      'una cucharadita de levadura química',
      '50 g de mantequilla derretida',
      'ralladura de un limón',
      'un plátano',
      'un vaso de agua',
    ],
    ways: [
      'Pongo ◦ y ◦.',
      'Se ponen ◦, ◦ y ◦.',
      'Luego ◦.',
      'Después añado ◦.',
      'Mezclo ◦ con ◦.',
      'Hacen falta ◦ y ◦.',
      '◦, ◦, ◦.',
      'En un bol echo ◦ y ◦.',
      'Incorporo ◦ poco a poco.',
      'Al final, ◦.',
      'Necesito ◦ más ◦.',
      'Y también ◦.',
    ],
    after: 'Dejo reposar media hora. Salen diez.',
  },
};

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** A sentence told in one way, from the n-th thing on; nothing is told twice. */
function toldBy(
  way: string,
  things: readonly string[],
  n: number,
): { readonly text: string; readonly of: readonly string[] } {
  const of: string[] = [];
  const text = way.replace(/◦/g, () => {
    const thing = things[(n + of.length) % things.length] ?? '';
    of.push(thing);
    return thing;
  });
  return { text: capital(text), of };
}

/** Each way with each thing in its first place, two sentences a talk; and what each of its things is by itself. */
const talksOf = ({
  things,
  ways,
  after,
}: Tongue): readonly { readonly text: string; readonly of: readonly string[] }[] =>
  ways.flatMap((way, k) =>
    things.map((_, n) => {
      const one = toldBy(way, things, n);
      const next = toldBy(ways[(k + n + 1) % ways.length] ?? way, things, n + one.of.length);
      const isApart = next.of.every((x) => !one.of.includes(x));
      return isApart
        ? { text: `${one.text} ${next.text} ${after}`, of: [...one.of, ...next.of] }
        : { text: `${one.text} ${after}`, of: one.of };
    }),
  );

/** Things of a talk that came back as no line of their own, or with other grams. */
function lostIn(text: string, of: readonly string[], after: string): readonly string[] {
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  const languages = languagesIn(after);
  return of.filter((thing) => {
    const alone = readLine(thing, FRESH_CONVENTIONS, {}, null, languages);
    const own = card.value.lines.filter((l) => l.ingredient?.id === alone.ingredient?.id && l.use === 'batter');
    const isSame = own.length === 1 && Math.abs((own[0]?.grams ?? 0) - (alone.grams ?? 0)) < 0.01;
    return alone.ingredient === null || !isSame;
  });
}

test.each(Object.entries(TONGUES))('each thing told in talk is a line, in whatever sentence: %s', (_, tongue) => {
  const talks = talksOf(tongue);
  expect(talks.length).toBeGreaterThan(100);
  const lost = talks.flatMap(({ text, of }) => lostIn(text, of, tongue.after).map((thing) => `${thing} ← ${text}`));
  expect(lost).toEqual([]);
});

test.each([
  ['english', 'Mine needs ◦, ◦, ◦ and ◦, all told.'],
  ['german', 'Bei mir sind das ◦, ◦, ◦ und ◦.'],
  ['french', 'Moi c’est ◦, ◦, ◦ et ◦.'],
  ['spanish', 'La mía lleva ◦, ◦, ◦ y ◦.'],
] as const)('a recipe of one sentence is its lines, and no line: %s', (tongue, way) => {
  const { things, after } = TONGUES[tongue] as Tongue;
  const lost = things.flatMap((_, n) => {
    const { text, of } = toldBy(way, things, n);
    return lostIn(text, of, after).map((thing) => `${thing} ← ${text}`);
  });
  expect(lost).toEqual([]);
});
