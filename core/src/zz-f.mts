import { homeTarget, readRecipe, recipeFromReading } from './index';
import { bare } from './testing/asked';
import { book, sheetOf } from './testing/world';
import { compose } from './worksheet/compose';
export function probe(name: string, lines: string[], steps: string[]) {
  const text = ['A dish', 'Serves 4', '', 'Ingredients', ...lines, '', 'Method', ...steps].join('\n');
  const recipe = recipeFromReading(readRecipe(text, book.foods), 'matter');
  const kitchen = { ...bare };
  const s = sheetOf(recipe, homeTarget(recipe, book, kitchen), kitchen);
  const c = compose(recipe, book, kitchen);
  const n = s.nutrition.per100g;
  console.log('##', name, '| fin', s.baseGrams.toFixed(0), 'steam', c.steamGrams.toFixed(0), 'abs', c.absorbedGrams.toFixed(0), '| kcal', n.energyKcal.toFixed(0), 'P', n.proteinG.toFixed(1), 'F', n.fatG.toFixed(1), 'C', n.carbohydrateG.toFixed(1), 'salt', (n.sodiumMg*2.5/1000).toFixed(2));
  console.log('   ', c.lines.map(l => `${l.food?.id ?? l.name}:${l.weight?.grams.toFixed(0)}${l.takenUp<1?'*'+l.takenUp.toFixed(2):''}`).join(', '));
  const f = s.findings.filter(x => !['yield-predicted','home-vessel-assumed','cool-and-hold','no-portions'].includes(x.code)).map(x=>x.severity[0]+':'+x.code); console.log('   ', f.join(' '));
}
const P: [string, string[], string[]][] = [
 ['A1 pasta water reserved', ['400 g penne','4 l water','40 g salt','250 g cherry tomatoes'], ['Cook the penne in the boiling salted water. Before draining, reserve a cup of the pasta water.','Drain the penne and toss with the tomatoes and a splash of the water.']],
 ['A2 al dente off', ['500 g linguine','5 litres water','50 g sea salt'], ['Bring the water to the boil with the salt, add the linguine, cook 9 minutes, then drain well.']],
 ['A3 rice pasta method', ['300 g brown rice','3 l water'], ['Boil the rice like pasta in lots of water for 25 minutes and tip it into a sieve.']],
 ['A4 potatoes for mash', ['1.2 kg potatoes, peeled','water to cover','100 ml oat drink','40 g margarine','1 tsp salt'], ['Cover the potatoes with water, boil until soft, drain.','Mash with the oat drink, margarine and salt.']],
 ['A5 lentil dal', ['250 g red lentils','1 litre water','1 tsp salt'], ['Boil the lentils in the water for 30 minutes until they fall apart.']],
 ['A6 boil kidney beans', ['300 g dried kidney beans','2 l water'], ['Soak overnight. Drain and rinse.','Boil in the water for 45 minutes; drain, reserving 200 ml of the cooking liquid.','Mash with the reserved liquid.']],
 ['A7 noodles rinse', ['250 g soba noodles','3 l water'], ['Cook the noodles for 5 minutes, rinse under cold water.']],
 ['A8 couscous', ['250 g couscous','300 ml boiling water'], ['Pour the boiling water over the couscous, cover and leave for 10 minutes.']],
 ['A9 bulgur soak drain', ['200 g bulgur wheat','500 ml hot water'], ['Soak the bulgur in the hot water for 30 minutes, then squeeze out the excess.']],
 ['A10 cashews hot', ['150 g cashews','boiling water to cover','120 ml water','10 g lemon juice'], ['Cover the cashews with boiling water and soak 20 minutes. Drain.','Blend with the 120 ml water and the lemon.']],
 ['A11 oil 2 l fry', ['600 g sweet potatoes','2 l rapeseed oil'], ['Heat the oil to 170 C. Fry in three batches until crisp.']],
 ['A12 frying oil no amount', ['600 g sweet potatoes','oil for deep-frying'], ['Deep-fry for 5 minutes.']],
 ['A13 roast in oil', ['1 kg potatoes','120 ml olive oil'], ['Roast the potatoes in the oil for 50 minutes at 200 C.']],
 ['A14 confit garlic', ['200 g garlic','500 ml olive oil'], ['Cover the garlic with the oil and cook at a bare simmer for 45 minutes.','Store in the oil.']],
 ['A15 mayo', ['100 ml soya drink','250 ml rapeseed oil','10 g mustard'], ['Blend, pouring the oil in slowly.']],
 ['A16 pesto', ['100 g basil','120 ml olive oil','60 g pine nuts'], ['Blend all.']],
 ['A17 tempura', ['500 g broccoli','150 g plain flour','200 ml sparkling water','1.5 l oil to fry'], ['Whisk the flour and water to a batter. Dip the florets and fry in hot oil for 3 minutes.']],
 ['A18 falafel', ['300 g dried chickpeas, soaked overnight','1 onion','oil, for frying'], ['Grind the chickpeas with the onion. Shape and deep-fry.']],
 ['A19 stir-fry', ['400 g pak choi','2 tbsp sesame oil','2 tbsp soy sauce'], ['Stir-fry for 4 minutes.']],
 ['A20 tin drained step', ['2 x 400 g tins kidney beans','1 l vegetable stock'], ['Drain and rinse the beans, then simmer in the stock for 15 minutes.']],
 ['A21 tin juice', ['1 tin butter beans in their own juice','200 g leeks'], ['Cook the leeks. Tip in the beans with all their juice.']],
 ['A22 dont drain', ['400 g tin black beans (do not drain)','1 onion'], ['Warm together.']],
 ['A23 half liquid', ['400 g tin black beans','1 onion'], ['Add the beans with half of their liquid.']],
 ['A24 tomatoes tin', ['400 g tin chopped tomatoes','1 onion'], ['Simmer 20 minutes.']],
 ['A25 sweetcorn drained', ['340 g tin sweetcorn, drained','1 lettuce'], ['Toss.']],
 ['A26 tofu pressed form', ['400 g firm tofu, pressed and cubed','20 ml soy sauce'], ['Toss.']],
 ['A27 spinach squeezed', ['1 kg spinach'], ['Blanch, drain and squeeze dry.']],
 ['A28 cucumbers salted drained', ['600 g cucumber','12 g salt','100 g soya yoghurt'], ['Salt the cucumber, leave to drain for 30 minutes, squeeze out.','Fold in the yoghurt.']],
 ['A29 sauerkraut', ['1 kg white cabbage','20 g salt'], ['Rub the salt into the cabbage and pack into a jar with its juices.']],
 ['A30 oat milk', ['100 g rolled oats','1 l water','1 pinch salt'], ['Blend for 30 seconds and strain through a nut milk bag.']],
 ['A31 stock kept', ['1 onion','2 carrots','1 l water'], ['Simmer for 40 minutes and blend.']],
 ['A32 strain for soup', ['500 g leeks','500 g potatoes','1.2 l water'], ['Simmer for 25 minutes, blend and pass through a fine sieve.']],
 ['A33 tea bag', ['2 green tea bags','500 ml water'], ['Steep in the water for 5 minutes, remove the bags.']],
 ['A34 reduce', ['500 ml balsamic vinegar'], ['Boil until reduced by two thirds.']],
 ['A35 wine gone', ['300 g mushrooms','100 ml white wine','20 ml olive oil'], ['Fry the mushrooms in the oil. Add the wine and cook until it has evaporated.']],
 ['A36 jam', ['1 kg plums','500 g sugar'], ['Boil for 30 minutes until set.']],
 ['A37 dry roast', ['200 g hazelnuts'], ['Roast for 15 minutes at 170 C and rub off the skins.']],
 ['A38 dehydrate', ['500 g apples'], ['Slice and dry in the oven for 6 hours at 70 C.']],
 ['A39 granola', ['300 g rolled oats','100 g almonds','80 g maple syrup','40 g coconut oil'], ['Bake 35 minutes at 150 C, stirring.']],
 ['A40 bread', ['500 g wholemeal flour','350 g water','10 g salt','7 g yeast'], ['Knead, prove, bake 45 minutes at 220 C.']],
 ['A41 pie', ['300 g plain flour','150 g margarine','60 g water','800 g apples'], ['Roll out the pastry, fill with the apples, bake for 50 minutes at 190 C.']],
 ['A42 steam pudding', ['200 g flour','100 g sugar','150 g oat drink','80 g margarine'], ['Steam for 90 minutes.']],
 ['A43 dumplings steam', ['200 g plain flour','100 g water','200 g cabbage'], ['Mix flour and water to a dough. Fill with the cabbage. Steam for 12 minutes.']],
 ['A44 pressure', ['300 g dried chickpeas','1.5 l water'], ['Soak the chickpeas. Cook in a pressure cooker with the water for 25 minutes and drain.']],
 ['A45 slow', ['500 g dried white beans','2 l water','100 g tomato puree'], ['Soak the beans overnight and discard the soaking water.','Put all with the 2 l water in a slow cooker for 8 hours.']],
 ['A46 seitan', ['300 g vital wheat gluten','250 ml water','2 l vegetable stock'], ['Mix the gluten and water to a dough. Simmer in the stock for 45 minutes. Lift out with a slotted spoon.']],
 ['A47 gnocchi', ['800 g potatoes','250 g plain flour','3 l water','20 g salt'], ['Boil the potatoes in their skins, drain, mash and mix with the flour.','Cook the gnocchi in boiling salted water until they float and lift out.']],
 ['A48 chia', ['60 g chia seeds','400 ml almond milk'], ['Soak the chia in the milk overnight.']],
 ['A49 dates soak', ['200 g dates','200 ml hot water'], ['Soak the dates in the hot water, drain, and blend.']],
 ['A50 soya mince', ['150 g soya mince','500 ml vegetable stock'], ['Soak the mince in the stock for 15 minutes, drain and squeeze.']],
 ['A51 rice noodles', ['200 g rice noodles'], ['Pour over boiling water, leave 8 minutes and drain.']],
 ['A52 aquafaba meringue', ['1 tin chickpeas','100 g sugar'], ['Drain the chickpeas, keeping the liquid. Whisk the liquid with the sugar.']],
 ['A53 poach pears', ['6 pears','1 l red wine','200 g sugar'], ['Poach the pears in the wine and sugar for 30 minutes. Lift out and reduce the liquor by half.']],
 ['A54 brine', ['1 kg carrots','1 l water','50 g salt'], ['Dissolve the salt in the water, pour over the carrots, ferment 7 days. Drain before serving.']],
 ['A55 quick pickle drained', ['300 g red onions','200 ml vinegar','20 g sugar','5 g salt'], ['Pour the hot vinegar with sugar and salt over the onions, leave 1 hour, drain.']],
 ['A56 blanched almonds', ['300 g almonds','1 l water'], ['Cover the almonds with the boiling water for a minute, drain and slip off the skins.']],
 ['A57 polenta', ['200 g polenta','1 l water','5 g salt'], ['Whisk into the boiling water and simmer for 20 minutes.']],
 ['A58 risotto', ['300 g risotto rice','1.2 l stock','100 ml white wine'], ['Add the wine and let it bubble away. Add the stock by the ladle until absorbed, 20 minutes.']],
 ['A59 barley drain', ['200 g pearl barley','1.5 l water','1 leek'], ['Simmer the barley in the water for 40 minutes until tender. Strain. Stir in the leek.']],
 ['A60 eggplant oil', ['2 aubergines','100 ml olive oil'], ['Shallow-fry the slices until golden.']],
 ['A61 doughnut', ['500 g strong flour','250 ml oat milk','60 g sugar','1 l sunflower oil for frying'], ['Mix to a dough. Cut rings. Fry at 170 C for 3 minutes on each side.']],
 ['A62 samosa', ['300 g flour','100 g water','400 g potatoes, boiled','1 l oil'], ['Make a dough of the flour and water. Fill with the potatoes. Deep fry until golden.']],
];
const only = process.argv.slice(2);
for (const p of P) if (!only.length || only.includes(p[0].split(' ')[0]!)) probe(...p);
