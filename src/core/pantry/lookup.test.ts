import { readLine } from '../card/line';
import { FRESH_CONVENTIONS } from './conventions';
import { lookUp } from './lookup';
import { PANTRY } from './pantry';
import { MORE_NAMES } from './tables/more-names';
import { OTHER_NAMES } from './tables/other-names';

const found = (phrase: string): string | null => {
  const r = lookUp(phrase, FRESH_CONVENTIONS);
  return r.kind === 'found' ? r.ingredient.id : null;
};

const NAMES: Readonly<Record<string, readonly string[]>> = {
  'flour-all-purpose': [
    'flour',
    'plain flour',
    'All-Purpose Flour',
    'AP flour',
    'unbleached all purpose flour',
    'wheat flour',
  ],
  'flour-self-raising-uk': ['self-raising flour', 'self raising flour'],
  'flour-self-raising-us': ['self-rising flour'],
  'flour-whole-wheat': ['wholemeal flour', 'whole wheat flour', 'wholewheat flour'],
  'flour-buckwheat': ['buckwheat flour', 'sarrasin'],
  'corn-meal-fine': ['cornmeal', 'fine corn meal'],
  'starch-corn': ['cornflour', 'corn starch', 'cornstarch'],
  'sugar-granulated': ['sugar', 'white sugar', 'granulated sugar'],
  'sugar-icing': ['icing sugar', 'powdered sugar', "confectioners' sugar"],
  'sugar-brown-light': ['brown sugar', 'light brown sugar', 'packed brown sugar'],
  'sugar-brown-dark': ['dark brown sugar', 'muscovado sugar'],
  'baking-soda': ['baking soda', 'bicarbonate of soda', 'bicarb', 'soda'],
  'baking-powder-double-al': ['baking powder', 'double-acting baking powder'],
  'egg-large': ['egg', 'eggs', 'large eggs', 'whole eggs', 'free range eggs', 'beaten egg'],
  'egg-medium': ['medium eggs', 'eggs (medium)'],
  'egg-yolk': ['yolks', 'egg yolk', 'large egg yolks'],
  'egg-white': ['egg whites', 'whites'],
  'milk-whole': ['milk', 'whole milk', 'warm milk', 'cold whole milk', 'full-fat milk'],
  'milk-2pct': ['semi-skimmed milk', '2% milk', '2 % milk', 'reduced-fat milk'],
  'milk-skim': ['skim milk', 'skimmed milk', 'fat-free milk'],
  buttermilk: ['buttermilk', 'cultured buttermilk', 'low-fat buttermilk', 'well whisked buttermilk'],
  'yoghurt-whole': ['yoghurt', 'yogurt', 'plain yogurt', 'natural yoghurt'],
  'yoghurt-greek': ['greek yogurt', 'Greek yoghurt', 'plain greek yogurt'],
  'cream-35': ['heavy cream', 'whipping cream'],
  'butter-unsalted': ['butter', 'unsalted butter', 'melted butter', 'soft unsalted butter', 'cold butter'],
  'butter-salted': ['salted butter', 'lightly salted butter'],
  'oil-vegetable': ['oil', 'neutral oil', 'sunflower oil', 'vegetable oil'],
  banana: ['banana', 'ripe bananas', 'mashed banana'],
  blueberries: ['blueberries', 'fresh blueberries', 'frozen blueberries', 'wild blueberries'],
  'lemon-juice': ['lemon juice', 'freshly squeezed lemon juice', 'juice of lemon'],
  'vanilla-extract': ['vanilla', 'pure vanilla extract', 'vanilla essence'],
  'cocoa-natural': ['cocoa', 'unsweetened cocoa powder'],
  'rolled-oats': ['oats', 'old-fashioned oats', 'porridge oats'],
  'almond-drink': ['almond milk', 'unsweetened almond milk'],
  water: ['water', 'lukewarm water', 'sparkling water'],
  rum: ['rum', 'dark rum'],
};

test.each(Object.entries(NAMES).flatMap(([id, names]) => names.map((n) => [n, id])))('%s is %s', (name, id) =>
  expect(found(name ?? '')).toBe(id),
);

test.each([
  ['cream', ['cream-35', 'half-and-half', 'sour-cream']],
  ['corn flour', ['corn-meal-fine', 'starch-corn']],
  ['lemon', ['lemon-juice', 'lemon-zest']],
  ['chocolate', ['chocolate-chips', 'cocoa-natural', 'hazelnut-cocoa-spread']],
])('%s could be several things, and is asked about', (name, ids) => {
  const r = lookUp(name, FRESH_CONVENTIONS);
  expect(r.kind === 'ambiguous' && r.suggestions.map((s) => s.id)).toEqual(ids);
});

// a word that changes the thing is never set aside as if it only described it
test.each([
  'acorn flour',
  'poppy milk',
  'dried blueberries',
  'sweetened almond milk',
  'salted peanuts',
  'low-fat mascarpone',
  'instant cocoa',
  'flour and sugar',
  'carrot flakes',
  'moondust',
  '',
])('"%s" is not guessed at', (name) => expect(found(name)).toBeNull());

test('a house with European eggs means their sizes by all it says of eggs', () => {
  const house = { ...FRESH_CONVENTIONS, egg: 'medium-eu' } as const;
  const read = (text: string) => {
    const l = readLine(text, house);
    return [l.ingredient?.id, l.grams === null ? null : Math.round(l.grams * 10) / 10];
  };
  expect(read('2 eggs')).toEqual(['egg-medium-eu', 100]);
  expect(read('2 large eggs')).toEqual(['egg-large-eu', 118]);
  expect(read('2 small eggs')).toEqual(['egg-small-eu', 84]);
  expect(read('2 extra large eggs')).toEqual(['egg-extra-large-eu', 132]);
  // a yolk of a large American egg is 17 g; this house's eggs weigh the same 50 g
  expect(read('2 yolks')).toEqual(['egg-yolk', 34]);
  expect(readLine('2 yolks', { ...FRESH_CONVENTIONS, egg: 'large-eu' }).grams).toBeCloseTo((34 * 59) / 50, 6);
});

test('the house says which egg and which salt are meant; a card that says so itself wins', () => {
  const house = { ...FRESH_CONVENTIONS, egg: 'medium', salt: 'dense-flake' } as const;
  const id = (name: string): string | null => {
    const r = lookUp(name, house);
    return r.kind === 'found' ? r.ingredient.id : null;
  };
  expect([id('eggs'), id('large eggs'), id('salt'), id('fine salt'), id('sea salt')]).toEqual([
    'egg-medium',
    'egg-large',
    'salt-kosher-dense',
    'salt-table',
    'salt-sea-fine',
  ]);
});

test('every ingredient is found by its own name and by each alias that stands without brackets', () => {
  const lost = PANTRY.flatMap((i) =>
    [i.name, ...i.aliases.filter((n) => !n.includes('('))]
      .filter((n) => found(n) !== i.id)
      .map((n) => `${n} (${i.id})`),
  );
  expect(lost).toEqual([]);
});

test.each([
  ['buttermlik', 'buttermilk'],
  ['bakign powder', 'baking-powder-double-al'],
  ['cinamon', 'cinnamon'],
  ['blubberies', 'blueberries'],
  ['yogurth', 'yoghurt-whole'],
])('a slip of the pen, %s, is met with %s', (typed, id) => {
  const r = lookUp(typed, FRESH_CONVENTIONS);
  expect(r.kind === 'unknown' && r.suggestions.map((s) => s.id)).toContain(id);
});

test('every name of the other tables leads to an ingredient that there is', () => {
  const known = new Set(PANTRY.map((i) => i.id));
  expect(Object.keys(OTHER_NAMES).filter((id) => !known.has(id))).toEqual([]);
  expect(
    Object.values(MORE_NAMES)
      .flatMap((ids) => ids.replace('?', '').split(' '))
      .filter((id) => !known.has(id)),
  ).toEqual([]);
});

/** Slips of the pen as they stand on cards: what is meant, and how it is written. */
const MISSPELT: Readonly<Record<string, readonly string[]>> = {
  'flour-all-purpose': ['flower', 'flouer', 'floor', 'plain flower', 'all purpse flour'],
  'flour-bread': ['bread flower', 'bred flour'],
  'flour-rye': ['rye flower'],
  'flour-buckwheat': ['buckweat flour', 'buckwheet flour'],
  'flour-whole-wheat': ['whole weat flour', 'wholemeel flour'],
  'flour-self-raising-uk': ['self rasing flour', 'self riasing flour'],
  'baking-powder-double-al': ['baking power', 'baking podwer', 'bakeing powder', 'bakin powder'],
  'baking-soda': ['bakin soda', 'baking sodda', 'bicarbinate of soda', 'bicarbonate of sodar'],
  buttermilk: ['buttermlk', 'buttermillk', 'butermilk', 'buttermlik'],
  'milk-whole': ['milke', 'mlik', 'mik'],
  'sugar-granulated': ['suger', 'shugar', 'granualted sugar'],
  'sugar-brown-light': ['brwon sugar', 'brown suger'],
  'sugar-icing': ['confectoners sugar', 'iceing sugar'],
  'vanilla-extract': ['vannila extract', 'vanilla extact', 'vanilla essense'],
  cinnamon: ['cinamon', 'cinnimon', 'cinammon'],
  'yoghurt-whole': ['yogert', 'yoghourt', 'yogart'],
  'egg-large': ['egs'],
  'egg-yolk': ['egg yoke', 'egg yokes'],
  'egg-white': ['egg whits'],
  'butter-unsalted': ['buter', 'buttr', 'unsalted buter'],
  'sour-cream': ['sower cream'],
  'creme-fraiche': ['creme friache', 'creme fraishe'],
  ricotta: ['ricota'],
  molasses: ['molases', 'mollasses'],
  'maple-syrup': ['maple syurp', 'mapel syrup'],
  'cream-of-tartar': ['creme of tarter', 'cream of tartare'],
  'salt-table': ['sault'],
  'cocoa-natural': ['coco powder', 'cocao powder'],
  'lemon-juice': ['lemmon juice', 'lemon jiuce'],
  'starch-tapioca': ['tapoica starch'],
  'starch-corn': ['corn starsh'],
  raspberries: ['rasberries'],
};

test('a slip of the pen is never read silently, and what was meant is offered first', () => {
  const wrong: string[] = [];
  for (const [id, names] of Object.entries(MISSPELT))
    for (const name of names) {
      const r = lookUp(name, FRESH_CONVENTIONS);
      if (r.kind === 'found') wrong.push(`${name}: read as ${r.ingredient.id}`);
      else if (r.suggestions[0]?.id !== id)
        wrong.push(`${name}: ${r.suggestions.map((i) => i.id).join(' ') || 'nothing offered'}`);
    }
  expect(wrong).toEqual([]);
});

test('a thing the pantry does not know is no slip of another word', () => {
  for (const name of ['tamarind', 'wasabi', 'fenugreek', 'turmeric paste'])
    expect(lookUp(name, FRESH_CONVENTIONS)).toMatchObject({ kind: 'unknown' });
});
