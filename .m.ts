import { readCard, notesOn } from '@/core/card/card';
import { clausesOf } from '@/core/card/told/clause';
import { FRESH_CONVENTIONS as C } from '@/core/pantry/conventions';
const r:any=readCard('Right, waffles. Three eggs, separate them. Whites get whipped stiff with two spoons of sugar. Into the yolks I put 400 ml of milk and 110 grams of melted butter. Flour is 250 grams with 12 grams of baking powder and a bit of salt. Combine, fold the whites in in thirds.',C as any); console.log(r.value.lines.map((l:any)=>[l.text,l.foam]), notesOn(r.value), clausesOf(notesOn(r.value)).map(c=>[c.taken,c.text]));
