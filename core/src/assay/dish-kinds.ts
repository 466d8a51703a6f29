/** Kinds of dishes by what they are called, and what a laboratory usually finds in 100 g of them. */

export interface DishKind {
  name: string;
  /** By the dish's own name. */
  called: RegExp;
  /** Kilocalories and grams of salt in 100 g (convention: wide of anything a kitchen serves under this name). */
  kcal: readonly [number, number];
  mostSaltG: number;
}

/** What is called by none of these has only the bounds of everything. */
export const DISH_KINDS: readonly DishKind[] = [
  { name: 'dressing, sauce or paste', called: /\b(?:dressing|vinaigrette|mayonnaise|aioli|pesto|paste|pur[ée]e|butter|spread|oil|relish|chutney|pickles?|jam|syrup|glaze|seasoning|salt|rub|mix|powder|sauce|gravy|marinade|cream|dip|houmous|hummus|stock|bouillon|brittle|praline|caramel|fudge|tahini|dukkah|gomasio|crumb|crumble topping|topping)\b/i, kcal: [0, 900], mostSaltG: 100 },
  { name: 'dry bake', called: /\b(?:granola|biscuits?|cookies?|crackers?|oatcakes?|crispbreads?|flapjacks?|shortbread|bars?|muesli|croutons?|crisps|(?:roast(?:ed)?|toasted|spiced) (?:nuts|seeds|almonds)|rusks?)\b/i, kcal: [250, 680], mostSaltG: 4 },
  { name: 'bread or cake', called: /\b(?:bread|rolls?|buns?|flatbreads?|scones?|muffins?|cake|loaf cake|brownies?|focaccia|pastry|tart|pie|dough|bagels?|pancakes?|waffles?)\b/i, kcal: [90, 520], mostSaltG: 3 },
  { name: 'soup', called: /\b(?:soup|broth|chowder|consomm[ée]|bisque|minestrone)\b/i, kcal: [3, 190], mostSaltG: 2 },
  { name: 'drink', called: /\b(?:drink|juice|smoothie|tea|lemonade|cordial|milk|shake)\b/i, kcal: [0, 180], mostSaltG: 1 },
  { name: 'fried dish', called: /\b(?:fritters?|chips|fries|tempura|croquettes?|doughnuts?|pakoras?|bhajis?|fried|samosas?|spring rolls?)\b/i, kcal: [60, 520], mostSaltG: 3 },
  { name: 'salad', called: /\b(?:salad|slaw|tabbouleh|coleslaw)\b/i, kcal: [10, 420], mostSaltG: 3 },
  { name: 'stew', called: /\b(?:stew|curry|dal|dhal|chilli|casserole|ragout|hot ?pot|pot|braise|goulash|tagine|porridge)\b/i, kcal: [15, 320], mostSaltG: 2.5 },
  { name: 'bake', called: /\b(?:bake|gratin|roast|moussaka|lasagne|loaf|stuffed|tray ?bake|hash)\b/i, kcal: [20, 450], mostSaltG: 3 },
]; // prettier-ignore

/** Anything that is called by no kind (convention). */
export const ANY_DISH: Pick<DishKind, 'kcal' | 'mostSaltG'> = { kcal: [1, 700], mostSaltG: 4 };

/** What a dish comes with is not what it is: "soup with fritters" is a soup. */
const COMES_WITH = /\b(?:with|on|in|for|and|over|from)\b|[,(&]/i;

/** The kind a dish is called by: the last that its name holds, for the head stands last ("coconut milk curry", "tea loaf"). */
export function kindOfDish(name: string): DishKind | null {
  const [head = name] = name.split(COMES_WITH);
  let found: DishKind | null = null;
  let last = -1;
  for (const kind of DISH_KINDS)
    for (const match of head.matchAll(new RegExp(kind.called, 'gi')))
      if (match.index > last) [found, last] = [kind, match.index];
  return found;
}
