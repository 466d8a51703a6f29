/**
 * Reference amounts customarily consumed, 21 CFR 101.12(b) table 2, for what a plant-based kitchen packs. What the law gives by
 * the cup or the spoon is as heavy as this dish's own cup: somebody weighs it.
 */
export interface ReferenceAmount {
  id: string;
  name: string;
  /** Grams of it, or the household volume it is given by, in millilitres of a label (101.9(b)(5)(viii)). */
  grams: number | null;
  millilitres: number | null;
}

const byWeight = (id: string, name: string, grams: number): ReferenceAmount => ({
  id,
  name,
  grams,
  millilitres: null,
});
const byVolume = (id: string, name: string, millilitres: number): ReferenceAmount => ({
  id,
  name,
  grams: null,
  millilitres,
});

export const REFERENCE_AMOUNTS: readonly ReferenceAmount[] = [
  byVolume('mixed-dish-cup', 'Mixed dish measured by the cup: stew, pot, casserole; 1 cup', 240),
  byWeight(
    'mixed-dish',
    'Mixed dish not measured by the cup: bake in slices, wrap, filled pastry; 140 g',
    140,
  ),
  byWeight('soup', 'Soup; 245 g', 245),
  byWeight('salad', 'Salad of vegetables, fruit or beans; 100 g', 100),
  byWeight('starch-salad', 'Salad of pasta or potato; 140 g', 140),
  byWeight('grain', 'Rice, barley or other grain, cooked; 140 g', 140),
  byWeight('pasta', 'Pasta, cooked; 140 g', 140),
  byWeight('beans', 'Beans in sauce or refried; 130 g', 130),
  byWeight('beans-plain', 'Beans, plain, drained; 90 g', 90),
  byWeight('vegetables', 'Vegetables without sauce; 85 g', 85),
  byWeight('vegetables-sauce', 'Vegetables with sauce; 110 g', 110),
  byWeight('meat-substitute', 'Burger, patty, tofu or other bulk protein; 85 g', 85),
  byVolume('dip', 'Dip or spread of beans, nuts or vegetables; 2 tablespoons', 30),
  byVolume('nut-butter', 'Nut or seed butter; 2 tablespoons', 30),
  byWeight('dressing', 'Dressing for salad; 30 g', 30),
  byWeight('sauce', 'Sauce that is the main part of a plate; 125 g', 125),
  byVolume('gravy', 'Sauce beside a plate, gravy; 1/4 cup', 60),
  byWeight('bread', 'Bread, flatbread, roll; 50 g', 50),
  byWeight('muffin', 'Muffin, scone, cornbread; 110 g', 110),
  byWeight('cake', 'Cake of medium weight; 80 g', 80),
  byWeight('crisp', 'Pie, cobbler, fruit crisp or bake, turnover; 125 g', 125),
  byWeight('cookie', 'Cookie; 30 g', 30),
  byWeight('bar', 'Bar of grain with or without filling; 40 g', 40),
  byWeight('granola', 'Granola; 60 g', 60),
  byVolume('pudding', 'Pudding or custard; 1/2 cup', 120),
  byVolume('drink', 'Plant drink; 1 cup', 240),
];

export const referenceAmount = (id: string | null): ReferenceAmount | null =>
  REFERENCE_AMOUNTS.find((each) => each.id === id) ?? null;
