import { cardOut } from './src/server/reading/card-out';
import { FRESH_CONVENTIONS } from '@/core/pantry/conventions';
const talks=[
`So I start with a cup and three quarters of milk, that goes in with two eggs and I whisk that up, then two cups of flour, a tablespoon of sugar, two teaspoons of baking powder and half a teaspoon of salt. I melt about three tablespoons of butter and stir that in last. Let it sit ten minutes. I pour a quarter cup for each one onto a medium griddle, about two minutes a side.`,
`What I do is take 250 grams of flour, then a good pinch of salt, and I crack three eggs into it. Half a litre of milk goes in slowly while I whisk. Then it rests for half an hour. A little butter in the pan, a ladle of batter, swirl it, one minute, turn, half a minute.`,
`Right, waffles. Three eggs, separate them. Whites get whipped stiff with two spoons of sugar. Into the yolks I put 400 ml of milk and 110 grams of melted butter. Flour is 250 grams with 12 grams of baking powder and a bit of salt. Combine, fold the whites in in thirds. The iron is at 190, a half cup each, until the steam stops, about four and a half minutes. That makes eight.`,
`My grandmother's were just an egg for every person, a cup of flour for every two, milk till it looks like cream. For four people that is four eggs and two cups of flour and about two and a half cups of milk. Salt. She fried them in lard. That was about a third of a cup of batter each.`,
`Banana pancakes: mash two bananas, beat in two eggs, a pinch of cinnamon, that's it. Fry in coconut oil on low heat, three minutes then about two.`,
`You need flour, milk, eggs and a bit of baking powder. Mix it all up and fry.`,
`Blend 2 cups oats, 1 banana, 1 cup milk, 1 egg, 2 tsp baking powder and a splash of vanilla until smooth. Let it stand 5 min. Cook on a hot griddle, 1/4 cup at a time, until bubbles open, flip, one more minute. Serve with maple syrup.`,
];
for (const t of talks){ const r=cardOut(t,FRESH_CONVENTIONS as any); if(!r.ok){console.log(r.error);continue;} const v=r.value;
 console.log('\n##',t.slice(0,60),'|',v.kind,v.title); for(const l of v.lines) console.log('  L',l.text,'=>',l.ingredient?.id,l.grams?.toFixed(0),l.use,l.status, l.findings[0]?.code??''); 
 console.log('  told:',v.told.map(f=>`${f.fact}=${f.value}${f.unit??''}${f.of?'('+f.of+')':''}`).join(' ')); console.log('  acts:',v.acts.map(a=>a.id+(a.from==='told'?'*':'')).join('; ')); console.log('  ignored',v.ignored.map((i:any)=>i.text?.slice(0,50)).join(' | ')); }
