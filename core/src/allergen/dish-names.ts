/**
 * What a dish or a part of it is called: in its own title or heading, and as "the sauce" of its method, it names itself. What
 * such a word surely holds still has to stand in the list.
 */
export const DISH_NAMES: ReadonlySet<string> = new Set(
  (
    'broth|stock|vegetable stock|tomato sauce|pasta sauce|porridge|gravy|pesto|green pesto|red pesto|granola|muesli|salad dressing|vinaigrette|' +
    'dressing|curry paste|spice mix|spice blend|seed mix|crumb|crumb topping|custard|icing|frosting|caramel sauce|caramel|fudge|batter|curry powder|' +
    "garam masala|za'atar|zaatar|dukkah|harissa|piccalilli|romesco|muhammara|falafel|pancake|flatbread|cracker|cookie|cake|bun|dumpling|burger|" +
    'sausage|meatball|nugget|mince|pie|crust|wrap|tabbouleh|stuffing|soup|salsa|ketchup|chutney|pickle|barbecue sauce|kimchi|sauerkraut|' +
    'muffin|muffin case|shortbread|scone|crumble|tart|tart case|pasty|pastry|short pastry|dough|roux|crepe|tempura|tempura batter|spaetzle|waffle|fritter|sponge|brownie|pudding|bread pudding|loaf|terrine|biscuit|roll|bread roll|bread|soda bread|pizza|' +
    'guacamole|rosti|hash brown|tapenade|chimichurri|salsa verde|pickled onion|pickled beetroot|sorbet|focaccia|chapati|polenta'
  ).split('|'),
);
