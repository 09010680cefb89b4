/** One sentence that begins a breakfast: what each word is taken for, and what is left over. Today is Saturday 28 November 2026. */
import fc from 'fast-check';
import type { Gear } from '../pantry/gear';
import { apartIn, formulasFor, morningSaid, unreadIn, wavesOf } from './offers';
import { type Begin, beginIn } from './sentence';

const GEAR = [
  { id: 'long', sort: 'griddle', name: 'Long griddle', wideCm: 90, deepCm: 60 },
  { id: 'camp', sort: 'griddle', name: 'Camp griddle', wideCm: 60, deepCm: 40 },
  { id: 'black', sort: 'pan', name: 'Black pan', acrossCm: 28 },
  { id: 'light', sort: 'iron', name: 'Light Shed iron', holdsMl: 200, pieces: 2 },
  { id: 'scale', sort: 'scale', name: 'Scale', stepG: 1, mostG: 5000 },
] as const satisfies readonly Gear[];
const read = (said: string): Begin => beginIn(said, GEAR, '2026-11-28', '19:00');
const NOTHING: Begin = {
  people: null,
  each: null,
  pieces: null,
  day: null,
  orDay: null,
  time: null,
  orTime: null,
  without: [],
  waves: [],
  on: [],
  sized: null,
  kind: null,
  called: [],
  unread: [],
};
const SUNDAY = { day: '2026-11-29', orDay: '2026-12-06' };
const at = (time: string, orTime: string | null = null) => ({ time, orTime });
const no = (guests: number | null, ...allergens: Begin['without'][number]['allergens']) => ({ allergens, guests });

test.each<[string, Partial<Begin>]>([
  [
    '30 people Sunday 9, one without milk, griddle 60 by 40',
    { people: 30, ...SUNDAY, ...at('09:00', '21:00'), without: [no(1, 'milk')], on: ['camp'] },
  ],
  ['tomorrow at half past eight for 12', { people: 12, day: '2026-11-29', ...at('08:30', '20:30') }],
  ['breakfast for 6 on saturday 8:30', { people: 6, day: '2026-12-05', orDay: '2026-12-12', ...at('08:30', '20:30') }],
  // some call the one that comes first by it
  ['next sunday 9am 4 people', { people: 4, day: '2026-12-06', orDay: '2026-11-29', ...at('09:00') }],
  [
    '12 kids friday morning, two vegan',
    { people: 12, day: '2026-12-04', orDay: '2026-12-11', without: [no(2, 'milk', 'egg')] },
  ],
  [
    'waffles for 20 at 8 on the Light Shed iron',
    { people: 20, ...at('08:00', '20:00'), kind: 'waffle', on: ['light'] },
  ],
  [
    '84 guests 6 December 7:30 one coeliac',
    { people: 84, day: '2026-12-06', ...at('07:30', '19:30'), without: [no(1, 'gluten', 'wheat')] },
  ],
  ['December 6 at 8, 20 people', { people: 20, day: '2026-12-06', ...at('08:00', '20:00') }],
  ['6/12 7.30 for 10', { people: 10, day: '2026-12-06', ...at('07:30', '19:30') }],
  ['today 10', { day: '2026-11-28', ...at('10:00', '22:00') }],
  ['24 crepes tonight at 7', { pieces: 24, day: '2026-11-28', ...at('19:00', '07:00'), kind: 'crepe' }],
  [
    'two each for 15 covers sunday 7 no nuts',
    { people: 15, each: 2, ...SUNDAY, ...at('07:00', '19:00'), without: [no(null, 'tree-nut', 'peanut')] },
  ],
  ['4 of us, 28 cm pan, tomorrow', { people: 4, day: '2026-11-29', on: ['black'] }],
  ['Sunday the 6th, 25 covers at 8', { people: 25, day: '2026-12-06', ...at('08:00', '20:00') }],
  ['in three days, a dozen guests, 9 o’clock', { people: 12, day: '2026-12-01', ...at('09:00', '21:00') }],
  [
    'we are five, tomorrow at ten, everybody without egg',
    { people: 5, day: '2026-11-29', ...at('10:00', '22:00'), without: [no(null, 'egg')] },
  ],
  [
    'buttermilk rounds for eight, nobody without milk, tomorrow quarter to nine',
    {
      people: 8,
      day: '2026-11-29',
      ...at('08:45', '20:45'),
      called: ['buttermilk', 'rounds'],
      unread: ['buttermilk', 'rounds'],
    },
  ],
  ['griddle 100 by 20 cm for 8', { people: 8, sized: { sort: 'griddle', wideCm: 100, deepCm: 20 } }],
  ['at 3 for 9', { people: 9, ...at('15:00', '03:00') }],
  ['', {}],
])('%s', (said, is) => expect(read(said)).toEqual({ ...NOTHING, ...is }));

/** What was understood, in one row: counts, day and the day it may be instead, time, who does without, kind, gear. */
function understood(b: Begin): string {
  const day = b.day === null ? '' : `${b.day.slice(5)}${b.orDay ? `/${b.orDay.slice(5)}` : ''}`;
  return [
    b.people === null ? '' : `${b.people} people`,
    b.each === null ? '' : `${b.each} each`,
    b.pieces === null ? '' : `${b.pieces} pieces`,
    day,
    b.time ?? '',
    ...b.without.map((w) => `${w.guests ?? 'all'} without ${w.allergens.join('+')}`),
    b.kind ?? '',
    b.on.length > 0 ? `on ${b.on.join('+')}` : '',
    b.unread.length > 0 ? `unread ${b.unread.join(' ')}` : '',
  ]
    .filter((x) => x !== '')
    .join(', ');
}

test.each<[string, string]>([
  ['half the class, 14 people', '14 people, unread half class'],
  ['six, one allergic to dairy and eggs', '6 people, 1 without milk+egg'],
  ['gluten and dairy free waffles for 6', '6 people, all without milk+gluten+wheat, waffle'],
  ['no milk or eggs for two of 9', '9 people, 2 without milk+egg'],
  ['8 people, one without milk, egg or nuts', '8 people, 1 without milk+egg+tree-nut+peanut'],
  ['28 pupils, Wednesday 10am, 2 nut allergies', '28 people, 12-02/12-09, 10:00, 2 without tree-nut+peanut'],
  ['150 covers over three hours from 8 on Saturday', '150 people, 12-05/12-12, 08:00, unread over three hours'],
  ['ten adults, four kids and a baby, Sunday', '15 people, 11-29/12-06'],
  // how many parents and a sister are, nobody says: asked
  ['my parents, my sister and me, Sunday 10', '11-29/12-06, 10:00, unread parents'],
  [
    'pancakes for the family tomorrow morning, five of us, kids don’t do nuts',
    '5 people, 11-29, all without tree-nut+peanut, griddle',
  ],
  [
    'Brunch for 14 next Saturday at 10:30, two are coeliac and one is vegan',
    '14 people, 12-05/11-28, 10:30, 2 without gluten+wheat, 1 without milk+egg',
  ],
  ['we’re twelve on Thursday, serve at quarter past eight', '12 people, 12-03/12-10, 08:15'],
  ['20 kids at 9 am on Friday, silver dollars, 5 each', '20 people, 5 each, 12-04/12-11, 09:00, small'],
  ['waffles for two tonight', '2 people, 11-28, waffle'],
  ['thirty scouts Saturday 07:00, no egg for three of them', '30 people, 12-05/12-12, 07:00, 3 without egg'],
  ['84 covers from 7:30 to 10 on Sunday', '84 people, 11-29/12-06, 07:30'],
  ['8 adults and 6 children Sunday at ten', '14 people, 11-29/12-06, 10:00'],
  ['six of us, two of them children, tomorrow at half 9', '6 people, 11-29, 09:30'],
  ['crepes for a party of 15, Friday 7 pm', '15 people, 12-04/12-11, 19:00, crepe'],
  ['4 people, 3 pancakes each, 8 o’clock', '4 people, 3 each, 08:00, griddle'],
  ['40 pancakes by 9', '40 pieces, 09:00, griddle'],
  ['dutch baby for four at 8:45 tomorrow', '4 people, 11-29, 08:45, oven'],
  ['breakfast for a crowd of fifty, the 12th of December, 8am', '50 people, 12-12, 08:00'],
  ['one lactose intolerant, 10 people, Wed 9', '10 people, 12-02/12-09, 09:00, 1 without milk'],
  ['ten people, dairy free for 2, gluten free for 1', '10 people, 2 without milk, 1 without gluten+wheat'],
  ['everyone is vegan, 6 of us on Sunday', '6 people, 11-29/12-06, all without milk+egg'],
  ['no gluten, 5 people, day after tomorrow at nine', '5 people, 11-30, 09:00, all without gluten+wheat'],
  ['for my wife and me, tomorrow 8', '2 people, 11-29, 08:00'],
  ['me and 3 friends Saturday at noon', '4 people, 12-05/12-12, 12:00'],
  ['just me, now', '1 people, 11-28'],
  ['breakfast in an hour for 4', '4 people, 11-28, 20:00'],
  ['in 45 minutes for three', '3 people, 11-28, 19:45'],
  ['4 people in half an hour', '4 people, 11-28, 19:30'],
  ['Sunday brunch 11-13, 24 guests', '24 people, 11-29/12-06, 11:00'],
  ['25 December at 9, 8 people, one can’t have milk', '8 people, 12-25, 09:00, 1 without milk'],
  ['Christmas morning, 8 people', '8 people, 12-25'],
  ['New Year’s Day at 11, 10 people', '10 people, 01-01, 11:00'],
  ['12 people on the 5th at 9', '12 people, 12-05, 09:00'],
  ['a couple of guests on Sunday', '2 people, 11-29/12-06'],
  ['a few friends tomorrow at 10', '11-29, 10:00, unread few friends'],
  ['10-12 people on Sunday at 9', '12 people, 11-29/12-06, 09:00'],
  ['about 30 people, Sunday nine-ish', '30 people, 11-29/12-06, 09:00'],
  ['half ten, 6 people', '6 people, 10:30'],
  ['tuesday week at 8, 15 pax', '15 people, 12-08, 08:00'],
  ['15 pax, 0830', '15 people, 08:30'],
  ['buckwheat crepes for six at 7 in the evening', '6 people, 19:00, crepe, unread buckwheat'],
  ['on the black pan, 4 people at 9', '4 people, 09:00, on black'],
  ['30cm griddle, 10 people', '10 people'],
  ['3 waffle irons, 40 people, 8:00', '40 people, 08:00, waffle, on light, unread 3'],
  ['electric griddle 50x30 cm, 12 people', '12 people'],
  ['griddle 24 by 16 inches, 20 people, 9', '20 people, 09:00, on camp'],
  [
    'two guests allergic to nuts, one to sesame; 16 people Saturday 9',
    '16 people, 12-05/12-12, 09:00, 2 without tree-nut+peanut, 1 without sesame',
  ],
  ['no peanuts please, 8 kids, 3 each, friday 4pm', '8 people, 3 each, 12-04/12-11, 16:00, all without peanut'],
  ['one of the eight is allergic to eggs', '8 people, 1 without egg'],
  ['my mum can’t eat gluten, 5 of us', '5 people, 1 without gluten+wheat'],
  ['9 people of whom 2 vegetarian', '9 people, unread 2 vegetarian'],
  ['3 of 20 vegan, Sunday 8', '20 people, 11-29/12-06, 08:00, 3 without milk+egg'],
  ['12 people, half of them vegan', '12 people, 6 without milk+egg'],
  ['soya-free for one, 6 people', '6 people, 1 without soy'],
  ['20 people x 2 pancakes, 8am', '20 people, 2 each, 08:00, griddle'],
  ['20 x 3 pancakes at 8', '20 people, 3 each, 08:00, griddle'],
  [
    'can you plan breakfast for 22 on Saturday at half past seven, three of them are gluten free',
    '22 people, 12-05/12-12, 07:30, 3 without gluten+wheat',
  ],
  ['I need 60 blinis for tonight 8pm', '60 pieces, 11-28, 20:00, small'],
  ['we’re having 9 round on Sunday, 10ish, no one eats pork', '9 people, 11-29/12-06, 10:00, unread round pork'],
  ['Breakfast for two adults and a toddler, 7.30', '3 people, 07:30'],
  [
    'Sunday 6th December, 9.15am, 18 covers, 2 vegan, 1 coeliac',
    '18 people, 12-06, 09:15, 2 without milk+egg, 1 without gluten+wheat',
  ],
  ['18 covers Sun 0915', '18 people, 11-29/12-06, 09:15'],
  ['Friday morning: 12 crepes for 4', '4 people, 12 pieces, 12-04/12-11, crepe'],
  ['pancakes on Pancake Day for 6', '6 people, 02-09, griddle'],
  ['8 people at 9, nut allergy', '8 people, 09:00, all without tree-nut+peanut'],
  ['8 people at 9, one with a nut allergy', '8 people, 09:00, 1 without tree-nut+peanut'],
  ['dairy-free pancakes for 3', '3 people, all without milk, griddle'],
  ['egg-free waffles for five, Saturday 8', '5 people, 12-05/12-12, 08:00, all without egg, waffle'],
  ['gluten free crepes for the two of us', '2 people, all without gluten+wheat, crepe'],
  ['vegan pancakes, 4 people, tomorrow at 10', '4 people, 11-29, 10:00, all without milk+egg, griddle'],
  ['waffles for 6 without milk', '6 people, all without milk, waffle'],
  ['6 without milk, 20 in all', '20 people, 6 without milk'],
  ['20 in total, 6 without milk', '20 people, 6 without milk'],
  ['30 people, 5 of them kids, Sunday 9', '30 people, 11-29/12-06, 09:00'],
  ['Sunday 9 am for 30 + 6 vegans', '36 people, 11-29/12-06, 09:00, 6 without milk+egg'],
  ['two waves, 20 people at 8 and 15 at 9:30', '35 people, 08:00'],
  ['20 people at 8 and another 15 at 9', '35 people, 08:00'],
  ['coffee at 9, pancakes at 10 for 8 people', '8 people, 10:00, griddle, unread coffee 9'],
  ['doors open at 8:30 and breakfast at 9, 40 people', '40 people, 09:00, unread doors open 8:30'],
  ['Sunday 9 to 11, 50 people', '50 people, 11-29/12-06, 09:00'],
  ['8 people at 9h', '8 people, 09:00'],
  ['doors at 7, last plate at 10, 84 covers', '84 people, 07:00, unread doors last plate 10'],
  ['4 of us want waffles at 9 and 4 want pancakes at 10', '8 people, 09:00, waffle, unread pancakes'],
  ['10 people, nobody eats eggs', '10 people, all without egg'],
  ['10 people, all but two eat milk', '10 people, 2 without milk'],
  ['10 people, most vegan', '10 people, all without milk+egg, unread most'],
  ['nine people, four vegan and two of those also gluten free', '9 people, 4 without milk+egg, 2 without gluten+wheat'],
  ['6 of us, eat at 9, leave by 10', '6 people, 09:00, unread leave 10'],
  ['1 person, 2 pancakes', '1 people, 2 pieces, griddle'],
  ['a hundred and twenty people on Saturday at 7', '120 people, 12-05/12-12, 07:00'],
  ['120 pax Sat 7am two pancakes each', '120 people, 2 each, 12-05/12-12, 07:00, griddle'],
  ['1,200 people', '1200 people'],
  ['2 dozen crepes for Thursday', '24 pieces, 12-03/12-10, crepe'],
  ['half a dozen waffles', '6 pieces, waffle'],
  ['at ten on Sunday there will be eleven of us', '11 people, 11-29/12-06, 10:00'],
  ['Sat 12 Dec 8.30 for 16', '16 people, 12-12, 08:30'],
  ['16 on Sat 12/12 at 8.30', '16 people, 12-12, 08:30'],
  ['Dec 12, 16 people, 8:30 AM', '16 people, 12-12, 08:30'],
  ['12.12. 8:30, 16 people', '16 people, 12-12, 08:30'],
  ['2026-12-12 08:30 16 people', '16 people, 12-12, 08:30'],
  ['next week Tuesday at 8, 10 people', '10 people, 12-08, 08:00'],
  ['in two weeks on Sunday, 12 people', '12 people, 12-13'],
  ['tonight for 5', '5 people, 11-28'],
  ['this evening at 7 for 5', '5 people, 11-28, 19:00'],
  ['lunch at 1 for 8', '8 people, 13:00'],
  ['supper pancakes for 4 at 6', '4 people, 18:00, griddle'],
  [
    'brunch at 11 for 12 with one who is vegan and one who can’t eat eggs',
    '12 people, 11:00, 1 without egg, 1 without milk+egg',
  ],
  ['table of 8 at 9:30, no dairy on one', '8 people, 09:30, 1 without milk'],
  ['8, two no gluten', '8 people, 2 without gluten+wheat'],
  ['three nut free, 15 altogether', '15 people, 3 without tree-nut+peanut'],
  ['no milk no eggs 4 people', '4 people, all without milk, all without egg'],
  ['all without nuts, 25 kids, 10:00', '25 people, 10:00, all without tree-nut+peanut'],
  ['one child allergic to milk, 10 kids', '10 people, 1 without milk'],
  ['a guest is lactose intolerant, 12 covers', '12 people, 1 without milk'],
  ['someone can’t have egg, we are 7', '7 people, 1 without egg'],
  ['breakfst for 8 tomorow at 9', '8 people, 11-29, 09:00'],
  ['feed 16 at 8 tomorrow', '16 people, 11-29, 08:00'],
  ['Feeding sixteen on Saturday morning at 8', '16 people, 12-05/12-12, 08:00'],
  ['dinner pancakes for our family of 4 tonight 6:30pm', '4 people, 11-28, 18:30, griddle'],
  ['6 adults, 4 children (one coeliac), Sunday 8:30', '10 people, 11-29/12-06, 08:30, 1 without gluten+wheat'],
  [
    '6 adults, 4 children (1 coeliac child), Sunday 8:30',
    '10 people, 11-29/12-06, 08:30, 1 without gluten+wheat, unread child',
  ],
  ['10 people incl. 2 vegans', '10 people, 2 without milk+egg'],
  ['10 people including two vegans and one coeliac', '10 people, 2 without milk+egg, 1 without gluten+wheat'],
  ['12 of us with two coeliacs', '12 people, 2 without gluten+wheat'],
  ['12 covers, 2x vegan, 1x GF', '12 people, 2 without milk+egg, 1 without gluten+wheat'],
  ['2 veggies among 9', '9 people, unread 2 veggies'],
  ['guests: 9, time: 8.30, Sunday', '9 people, 11-29/12-06, 08:30'],
  ['Sun 8.30 / 9 guests / 1 vegan', '9 people, 11-29/12-06, 08:30, 1 without milk+egg'],
  ['people 9; time 10:00; day Saturday', '9 people, 12-05/12-12, 10:00'],
  ['three pancakes a head for 7', '7 people, 3 each, griddle'],
  ['7 people with 3 pancakes per head', '7 people, 3 each, griddle'],
  ['7 people eating 4 each', '7 people, 4 each'],
  ['each gets 2, 14 people', '14 people, 2 each'],
  ['15 guests two waffles apiece on the Light Shed iron', '15 people, 2 each, waffle, on light'],
  ['big breakfast for 9 on Saturday, crepes and waffles', '9 people, 11-28/12-05, crepe, unread big waffles'],
  ['crepes (thin) 5 people', '5 people, crepe, unread thin'],
  ['9.00 sharp, 7 people', '7 people, 09:00'],
  ['before 9, 7 people', '7 people, 09:00'],
  ['around half eight for 5', '5 people, 08:30'],
  ['at about 9 for 5', '5 people, 09:00'],
  ['9-ish for 5', '5 people, 09:00'],
  ['breakfast for 5 at 9 o’clock in the morning', '5 people, 09:00'],
  ['5 people at nine in the morning', '5 people, 09:00'],
  ['10 past 9, 5 people', '5 people, 09:10'],
  ['twenty to ten, five people', '5 people, 09:40'],
  ['quarter of nine, five people', '5 people, 08:45'],
  ['Saturday 5th at 9 for 8', '8 people, 12-05, 09:00'],
  ['the 5th of December at 9, 8 of us', '8 people, 12-05, 09:00'],
  ['5 Dec 9:00 8 ppl', '8 people, 12-05, 09:00'],
  ['5/12 9:00 8 ppl', '8 people, 12-05, 09:00'],
  ['8 people in the morning at 9', '8 people, 09:00'],
  ['on Sunday for eight people in the boathouse', '8 people, 11-29/12-06, unread boathouse'],
  ['30 rowers, regatta Saturday, from 6:45', '30 people, 12-05/12-12, 06:45, unread regatta'],
  ['the whole crew, 22, at 7', '22 people, 07:00, unread crew'],
  ['two griddles, 84 covers, 7:30', '84 people, 07:30, on long+camp'],
  ['camp griddle, 12, 8am', '12 people, 08:00, on camp'],
  ['28cm pan crepes for 3', '3 people, crepe, on black'],
  ['buttermilk pancakes 24 pcs', '24 pieces, griddle, unread buttermilk'],
  ['24 pieces of ball cakes', '24 pieces, ball'],
  ['120 guests between 8 and 10 on Saturday', '120 people, 12-05/12-12, 08:00'],
  ['between 9 am and 11, for 6', '6 people, 09:00'],
  ['twenty or so, Sunday, say nine', '20 people, 11-29/12-06, 09:00'],
  ['2 coeliacs and 6 others, 9 tomorrow', '8 people, 11-29, 09:00, 2 without gluten+wheat'],
  ['2 coeliacs among 8 people', '8 people, 2 without gluten+wheat'],
  ['scouts: 24, Sat 0700', '24 people, 12-05/12-12, 07:00, unread scouts'],
  ['the day after Christmas, 11 of us at 9', '11 people, 12-26, 09:00'],
  ['the day before Easter, 5 of us', '5 people, 03-27'],
  ['four hungry rowers at six thirty tomorrow', '4 people, 11-29, 06:30'],
  ['twelve at seven forty-five', '12 people, 07:45'],
  ['about a hundred and fifty for Sunday week from 7:30', '150 people, 12-06, 07:30'],
  ['hundred and twenty covers', '120 people'],
  ['gluten-free for 4 and normal for 8', '12 people, 4 without gluten+wheat'],
  ['Sunday brunch from ten to noon, 25 guests', '25 people, 11-29/12-06, 10:00'],
  [
    'one person no milk, another no eggs, 8 in all, tomorrow 8:30',
    '8 people, 11-29, 08:30, 1 without milk, 1 without egg',
  ],
  [
    'waffles for 12, two gluten free and one both gluten and dairy free',
    '12 people, 2 without gluten+wheat, 1 without milk+gluten+wheat, waffle',
  ],
  ['nothing with nuts for 20 kids Friday 10', '20 people, 12-04/12-11, 10:00, all without tree-nut+peanut'],
  ['48 silver dollar pancakes at noon', '48 pieces, 12:00, small'],
  ['8@8', '8 people, 08:00'],
  ['breakfast for 150, Saturday the 12th, 8 to 11', '150 people, 12-12, 08:00'],
  ['8 to 10 on Saturday', '10 people, 11-28/12-05'],
  ['the 20th at 9 for 9', '9 people, 12-20, 09:00'],
  ['3 couples on Saturday at 10', '6 people, 12-05/12-12, 10:00'],
  ['ten people, Sunday 11, she can’t eat nuts', '10 people, 11-29/12-06, 11:00, 1 without tree-nut+peanut'],
  ['no more than 10, Friday 9', '10 people, 12-04/12-11, 09:00'],
  ['make 24', '24 pieces'],
  ['family of 6 plus 4 grandparents', '10 people'],
  ['a party of 6, two of them children', '6 people'],
  ['for 100, half of them children, 2moro 8:30', '100 people, 11-29, 08:30'],
])('%s', (said, is) => expect(understood(read(said))).toBe(is));

test('days that go with Easter: pancake day, and the feast itself, of this year or the next', () => {
  const on = (said: string, today: string) => beginIn(said, GEAR, today, '08:00').day;
  expect(on('Shrove Tuesday for 8', '2026-02-01')).toBe('2026-02-17');
  expect(on('Easter Sunday at 10', '2026-02-01')).toBe('2026-04-05');
  expect(on('Easter Monday at 10', '2027-01-01')).toBe('2027-03-29');
  expect(on('pancake day for 8', '2026-02-18')).toBe('2027-02-09');
});

test('a weekday said on that day after the hour is next week’s; before the hour, or by "today", it is this one', () => {
  const on = (now: string, said: string): Begin => beginIn(said, GEAR, '2026-11-29', now);
  expect(on('10:00', 'Sunday 9 for 30')).toMatchObject({ day: '2026-12-06', orDay: '2026-12-13' });
  expect(on('08:00', 'Sunday 9 for 30')).toMatchObject({ ...SUNDAY, ...at('09:00', '21:00') });
  expect(on('22:00', 'Sunday 9 for 30')).toMatchObject({ day: '2026-12-06', ...at('09:00', '21:00') });
  expect(on('13:00', 'Sunday at 18:00')).toMatchObject({ ...SUNDAY, time: '18:00' });
  expect(on('10:00', 'Sunday at half past eight')).toMatchObject({ day: '2026-12-06', ...at('08:30', '20:30') });
  expect(on('10:00', 'today 9')).toMatchObject({ day: '2026-11-29' });
});

test('the house says which comes first, the day or the month', () => {
  expect(beginIn('6/12 for 10', GEAR, '2026-11-28', '19:00', false)).toMatchObject({ day: '2027-06-12', people: 10 });
});

test('law: whatever is said, nothing breaks, and no word is lost: each letter word is taken, glue, or told as unread', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 400 }), (said) => {
      const b = read(said);
      expect(b.time === null || /^\d\d:\d\d$/.test(b.time)).toBe(true);
      expect(b.day === null || /^\d{4}-\d\d-\d\d$/.test(b.day)).toBe(true);
    }),
  );
  const word = fc.constantFrom('zwyx', 'quonk', 'brell', 'tarvi');
  const known = fc.constantFrom('30 people', 'Sunday 9', 'one without milk', 'griddle 60 by 40');
  fc.assert(
    fc.property(fc.uniqueArray(fc.oneof(word, known), { minLength: 1, maxLength: 6 }), (parts) => {
      const odd = parts.filter((x) => /^[a-z]{4,5}$/.test(x));
      expect(read(parts.join(', ')).unread).toEqual(odd);
    }),
  );
});

const SHELF = [
  { name: 'Cloud cakes', kind: 'foam' },
  { name: 'Buttermilk rounds', kind: 'griddle' },
  { name: 'Lock-side crepes', kind: 'crepe' },
  { name: 'Crisp waffles', kind: 'waffle' },
] as const;
const names = (said: string): readonly string[] => formulasFor(read(said), SHELF, GEAR).map((f) => f.name);

test('what is offered: by name, by kind, as it stands; and nothing that is not made on what was named', () => {
  expect(names('8 people')).toEqual(SHELF.map((f) => f.name));
  expect(names('round for 8')[0]).toBe('Buttermilk rounds');
  expect(names('waffles for 8')[0]).toBe('Crisp waffles');
  expect(names('pancakes for 8').slice(0, 2)).toEqual(['Buttermilk rounds', 'Cloud cakes']);
  expect(names('8 people on the Light Shed iron')).toEqual(['Crisp waffles']);
  expect(unreadIn(read('rounds and brell for 8'), SHELF)).toEqual(['brell']);
});

test('who eats without something stands apart, those of each mention added up; with everybody nobody does', () => {
  expect(apartIn(read('30 people, one without milk, two without egg'))).toEqual({
    everybody: [],
    apart: { guests: 3, without: ['milk', 'egg'] },
  });
  expect(apartIn(read('8 people, two vegan, one without egg, everybody without nuts'))).toEqual({
    everybody: ['tree-nut', 'peanut'],
    apart: { guests: 3, without: ['tree-nut', 'peanut', 'egg', 'milk'] },
  });
  expect(apartIn(read('3 people, two vegan, two without nuts')).apart?.guests).toBe(3);
  expect(apartIn(read('30 people no nuts'))).toEqual({ everybody: ['tree-nut', 'peanut'], apart: null });
  expect(apartIn(read('two people, two vegan'))).toEqual({ everybody: ['milk', 'egg'], apart: null });
});

test('two dishes are a morning: most, and the one without milk; on what was named, at the hour', () => {
  const b = read('30 people Sunday 9, one without milk, griddle 60 by 40');
  expect(morningSaid(b, 'f1', 'f2', GEAR, [], '2026-11-29')).toMatchObject({
    day: '2026-11-29',
    waves: [{ at: 540, covers: 30 }],
    dishes: [
      { formulaId: 'f1', of: { count: 29 }, without: [] },
      { formulaId: 'f2', of: { count: 1 }, without: ['milk'] },
    ],
    surfaces: [{ gearId: 'camp' }],
    people: [{ name: 'The cook', role: 'lead' }],
  });
  // 24 cakes, two on a plate, are 12 plates
  const c = read('24 griddle cakes, one without milk');
  expect(morningSaid(c, 'f1', 'f2', GEAR, [], '2026-11-29')).toMatchObject({
    waves: [{ covers: 12 }],
    dishes: [{ of: { count: 11 } }, { of: { count: 1 } }],
  });
});

test('who come one after the other are a morning in waves; another number is shared out as they were', () => {
  const wavesSaid = (said: string) => {
    const b = read(said);
    return `${b.people} from ${b.time}: ${b.waves.map((w) => `${w.people} +${w.afterMin}`).join(', ')}; ${b.unread}`;
  };
  expect(wavesSaid('20 at 8 and 15 at 9:30, Sunday')).toBe('35 from 08:00: 20 +0, 15 +90; ');
  expect(wavesSaid('10 people at nine and 10 more at half past ten')).toBe('20 from 09:00: 10 +0, 10 +90; ');
  // as they come, however they are told
  expect(wavesSaid('30 at 10, 24 at 7.30, 30 at 8:30 am')).toBe('84 from 07:30: 24 +0, 30 +60, 30 +150; ');
  expect(wavesSaid('12 kids at 11 and 8 adults at 1')).toBe('20 from 11:00: 12 +0, 8 +120; ');
  expect(wavesSaid('first sitting 9:00 for 12, second sitting 10:30 for 14 people')).toBe(
    '26 from 09:00: 12 +0, 14 +90; first,second',
  );
  // hours alone, where waves are spoken of
  expect(wavesSaid('30 people in two waves at 9 and 10')).toBe('30 from 09:00: 15 +0, 15 +60; ');
  expect(wavesSaid('two sittings: 9:00 and 10:30, 30 each')).toBe('60 from 09:00: 30 +0, 30 +90; ');
  expect(wavesSaid('waves of 20 at 8, 9 and 10')).toBe('60 from 08:00: 20 +0, 20 +60, 20 +120; ');
  expect(wavesSaid('85 covers in three sittings: 7:30, 8:30 and 9:30')).toBe('85 from 07:30: 28 +0, 29 +60, 28 +120; ');
  // how many come is asked; the hours stand until they are counted, and share them out
  expect(wavesSaid('two waves at 9 and 10')).toBe('null from 09:00: 1 +0, 1 +60; ');
  expect(wavesOf(read('two waves at 9 and 10'), 31).map((w) => w.covers)).toEqual([16, 15]);
  // one hour is no wave
  expect(wavesSaid('20 at 8 on Sunday')).toBe('20 from 08:00: ; ');
  expect(wavesSaid('8 at 8, 4 pancakes each')).toBe('8 from 08:00: ; ');
  const b = read('20 at 8 and 15 at 9:30, Sunday, one without milk');
  const plan = (of: Begin, other: string | null) => morningSaid(of, 'f1', other, GEAR, [], '2026-11-29');
  expect(plan(b, 'f2').waves).toEqual([
    { at: 480, covers: 20 },
    { at: 570, covers: 15 },
  ]);
  expect(plan(b, 'f2').dishes.map((d) => d.of)).toEqual([{ count: 34 }, { count: 1 }]);
  // the one without milk is left to the cook
  expect(plan(b, null).dishes.map((d) => d.of)).toEqual([{ count: 35 }]);
  expect(plan({ ...b, people: 70 }, null).waves.map((w) => w.covers)).toEqual([40, 30]);
  // a cook is there when plates are to get out, whatever the usual hours
  const hours = (said: string) => plan(read(said), null).people.map((p) => [p.from, p.to])[0];
  expect(hours('8 at 8')).toEqual([360, 660]);
  expect(hours('8 at 7 and 5 at 11')).toEqual([300, 720]);
  expect(hours('20 crepes tonight at 7')).toEqual([1020, 1200]);
  expect(plan({ ...b, people: 1 }, null).waves.map((w) => w.covers)).toEqual([1]);
});
