/**
 * Words of kitchens that are no words of statements: dishes, breads, shapes of pasta, cheeses, cuts, sauces, and what each
 * holds or often holds. Convention, from allergen guidance to caterers: what a word may also mean is to be checked.
 * One row: what it holds ("?" before it: what it may hold), then the words. "animal" is its origin.
 */
import type { Substance } from '../../food';

export interface KitchenWord {
  words: readonly string[];
  contains: readonly Substance[];
  check: readonly Substance[];
  /** Where it comes from an animal, or may; allergens that do are counted without being said here. */
  animal: 'animal' | 'check' | null;
  /**
   * Where the word means it. In a line it names what goes in; in a sentence "wrap", "stock up" and "batter" mean other
   * things, and the dish itself is called soup or burger.
   */
  where: 'anywhere' | 'lines';
}

const NUTS = 'almond hazelnut walnut cashew pecan brazil-nut pistachio macadamia';
const MAYBE_NUTS = NUTS.split(' ')
  .map((each) => `?${each}`)
  .join(' ');

function kitchenWord(holds: string, words: string, where: KitchenWord['where'] = 'anywhere'): KitchenWord {
  const said = holds.split(' ').filter(Boolean);
  const named = (isMaybe: boolean): Substance[] =>
    said
      .filter((each) => each.startsWith('?') === isMaybe)
      .map((each) => each.replace('?', ''))
      .filter((each) => each !== 'animal') as Substance[];
  return {
    words: words.split('|'),
    contains: named(false),
    check: named(true),
    animal: said.includes('animal') ? 'animal' : said.includes('?animal') ? 'check' : null,
    where,
  };
}

const inLines = (holds: string, words: string): KitchenWord => kitchenWord(holds, words, 'lines');

export const KITCHEN_WORDS: readonly KitchenWord[] = [
  // Wheat and its kin, by grain, flour and shape.
  kitchenWord(
    'wheat',
    'vital wheat|kamut|khorasan|rava|sooji|suji|sujee|bulgar|bulger|bulgur wheat|fregola|fregula|moghrabieh|mograbieh|maftoul|' +
      'ptitim|giant couscous|israeli couscous|pearl couscous|cous cous|mock duck|gluten steak|wheat meat|wheatgerm|' +
      'wheatmeal|wholewheat|wholemeal|plain flour|white flour|bread flour|cake flour|pastry flour|strong flour|ap flour|' +
      '00 flour|self raising|self rising|graham|tabbouleh|tabouleh|kibbeh|udon|somen|soumen|hokkien noodle|vermicelli nest',
  ),
  kitchenWord(
    'wheat',
    'penne|rigatoni|fusilli|farfalle|conchiglie|macaroni|spaghetti|linguine|linguini|bucatini|cavatelli|orecchiette|' +
      'tortiglioni|ditalini|risoni|orzo|stelline|stellini|ziti|gemelli|campanelle|radiatori|cannelloni|manicotti|rotini|' +
      'trofie|paccheri|casarecce|malloreddus|mafalda|calamarata|capellini|angel hair|rotelle|pappardella',
  ),
  kitchenWord(
    'wheat ?egg ?animal',
    'tagliatelle|tagliatelli|fettuccine|fettucine|pappardelle|lasagne|lasagna|lasagne sheet|fresh pasta|ramen|' +
      'lo mein|chow mein|mie noodle|yakisoba|soba noodle stir fry|spaetzle|spatzle|wonton|won ton|gyoza|dumpling wrapper|' +
      'dumpling skin|potsticker|spring roll wrapper|egg roll wrapper|spring roll|egg roll|matzo|matzah|matza',
  ),
  kitchenWord(
    'wheat ?egg ?milk ?animal',
    'ravioli|tortellini|tortelloni|cappelletti|agnolotti|pierogi|perogies|vareniki',
  ),
  kitchenWord('wheat egg animal', 'egg noodle'),
  kitchenWord(
    '?wheat',
    'soba|vermicelli|gnocchi|rice cracker|poppadom|papadum|papad|tortilla chip|asafoetida|hing',
  ),
  kitchenWord(
    'wheat ?milk ?egg ?soy ?animal',
    'bread|sourdough|ciabatta|focaccia|baguette|bloomer|bagel|pitta|pita|lavash|flatbread|flat bread|crumpet|muffin|' +
      'english muffin|scone|croissant|pain au chocolat|danish pastry|bap|burger bun|bread roll|hot dog roll|hot dog bun|' +
      'chapati|chapatti|roti|paratha|puri|poori|kulcha|naan|nan bread|bhatura|' +
      'on toast|with toast|of toast|melba toast|french toast|buttered toast|garlic bread|bruschetta|crostini|crostino|' +
      'flour tortilla|breadstick|grissini|grissino|crouton|stuffing|bread sauce|stuffing mix',
  ),
  kitchenWord(
    'wheat milk egg animal',
    'brioche|challah|panettone|brioche bun|yorkshire pudding|sponge finger',
  ),
  kitchenWord('wheat egg animal', 'ladyfinger|lady finger biscuit|savoiardi'),
  kitchenWord('wheat ?sesame ?milk ?egg ?animal', 'burger bun|simit'),
  kitchenWord('wheat sesame ?milk ?egg ?animal', 'sesame bagel|sesame bun|seeded bun|seeded bagel'),
  kitchenWord(
    'wheat ?milk ?egg ?animal',
    'cracker|cream cracker|water biscuit|saltine|digestive|graham cracker|cookie|shortbread|speculoos|gingerbread|' +
      'ginger nut|ginger snap|wafer|ice cream cone|doughnut|donut|churro|pancake|waffle|crepe|blini|pastry|puff pastry|shortcrust|' +
      'short crust|phyllo|strudel|pie crust|pie dough|pie shell|pizza|pizza base|pizza dough|pizza crust|samosa|empanada|' +
      'quiche base|sponge cake|cake crumb|biscuit crumb|cookie crumb|pretzel|rusk|zwieback|melba|roux|bechamel|white sauce|' +
      'beer batter|tempura|panko|breadcrumb|bread crumb|breading|schnitzel|baklava|filo',
  ),
  inLines('wheat ?milk ?egg ?animal', 'cake|bun|wrap|batter mix|crust|dumpling|pie|tart case'),
  kitchenWord('wheat ?milk ?animal', 'all butter pastry'),
  kitchenWord('wheat milk animal', 'all butter puff pastry|all butter shortcrust'),
  kitchenWord(
    '?wheat ?milk ?egg ?animal',
    'crispbread|crispy coating|coating mix|frying mix|crumbed|battered|batter coating',
  ),
  inLines('?wheat ?milk ?egg ?animal', 'batter'),
  kitchenWord('wheat', 'crispy fried onion|crispy onion|french fried onion|vegetable suet'),
  kitchenWord('rye ?wheat', 'pumpernickel|rye bread|rye flake|vollkornbrot|rye crispbread|dark rye'),
  kitchenWord('wheat rye', 'triticale'),
  kitchenWord(
    'barley',
    'tsampa|pot barley|pearl barley|barley flake|malt syrup|malt loaf|pilsner|porter ale|bitter ale',
  ),
  kitchenWord('barley milk wheat animal', 'malted milk|malted milk powder'),
  kitchenWord('?barley ?wheat', 'brewers yeast|brown sauce|steak sauce|chestnut beer|kvass'),
  kitchenWord('?wheat ?barley ?soy', 'tamari'),
  kitchenWord(`oats ?wheat ?barley ${MAYBE_NUTS}`, 'muesli'),
  kitchenWord(
    `?oats ?wheat ?barley ?animal ?milk ?soy ?sesame ${MAYBE_NUTS}`,
    'granola|granola bar|flapjack|cereal bar',
  ),
  kitchenWord('?oats ?wheat', 'porridge|oatcake|gf oat'),
  // Soya.
  kitchenWord(
    'soy',
    'bean curd|beancurd|tofu skin|tofu puff|aburaage|abura age|mukimame|kinako|soya chunk|soy chunk|soya mince|soy curl|' +
      'soya protein|soy protein|textured soy protein|tvp|textured vegetable protein|hatcho|soya lecithin|soy lecithin|' +
      'liquid amino|douchi|fermented black bean|salted black bean|tempe|soya|soy|soyabean|koya dofu|tofu',
  ),
  kitchenWord(
    'soy ?wheat ?barley',
    'miso|shiro miso|red miso|white miso|gochujang|doenjang|doubanjiang|toban djan|toban jiang|black bean sauce|yellow bean sauce|black bean paste',
  ),
  kitchenWord('soy barley ?wheat', 'mugi miso|barley miso'),
  kitchenWord('soy wheat', 'shoyu'),
  kitchenWord(
    'soy ?wheat',
    'soy sauce|soya sauce|dark soy|light soy|light soya|kecap manis|ketjap manis|inari|inari pouch|teriyaki',
  ),
  kitchenWord('soy ?wheat ?sesame', 'hoisin|ssamjang|bulgogi sauce'),
  kitchenWord('soy ?wheat ?fish ?animal', 'ponzu|tonkatsu sauce'),
  kitchenWord('soy ?fish ?animal', 'miso soup'),
  kitchenWord(
    '?soy ?wheat',
    'vegetarian oyster sauce|vegan oyster sauce|mushroom oyster sauce|stir fry sauce|seasoned nori',
  ),
  kitchenWord('?soy ?wheat ?sesame', 'nori snack|seaweed snack'),
  kitchenWord(
    '?soy ?wheat ?egg ?milk ?celery ?mustard ?barley ?animal',
    'vegan sausage|vegan burger|plant burger|plant based burger|plant sausage|veggie burger|veggie sausage|vegan mince|plant mince|meat free mince|meatless crumble|meatless mince|meatless meatball|vegan bacon|vegan ham|vegan chicken|vegan nugget|vegan steak|vegan meatball|vegan fish|mycoprotein',
  ),
  inLines('?soy ?wheat ?egg ?milk ?celery ?mustard ?animal', 'burger|sausage|hot dog|meatball|nugget|mince'),
  kitchenWord(
    '?soy ?lupin ?milk ?animal',
    'vegetable spread|sunflower spread|plant spread|dairy free spread|plant butter|vegan butter|plant based butter|margarine',
  ),
  kitchenWord(
    `?soy ?milk ?coconut ${MAYBE_NUTS} ?animal`,
    'vegan cheese|vegan parmesan|vegan feta|vegan mozzarella|vegan cheddar|vegan ricotta|vegan cream cheese|plant cheese|dairy free cheese',
  ),
  kitchenWord(
    '?soy ?oats ?almond ?coconut ?cashew ?hazelnut ?milk ?animal',
    'plant milk|plant based milk|non dairy milk|nondairy milk|dairy free milk|vegan milk|milk of choice|milk of your choice|plant cream|non dairy cream|vegan cream|vegan yoghurt|vegan yogurt|plant yoghurt|plant yogurt|vegan creme fraiche|vegan buttermilk|vegan ice cream|vegan custard',
  ),
  kitchenWord(
    '?soy ?mustard ?egg ?animal',
    'vegan mayo|vegan mayonnaise|egg free mayo|egg free mayonnaise|vegan aioli',
  ),
  kitchenWord('?soy ?barley ?wheat ?fish ?animal', 'vegan worcester|vegan worcestershire'),
  kitchenWord('?soy ?wheat', 'vegan fish sauce|egg replacer|egg replacement|egg substitute'),
  // Nuts.
  kitchenWord('?peanut', 'nut|mixed nut'),
  kitchenWord(
    `${NUTS} ?pine-nut ?wheat`,
    'nut crumb|nut crumb topping|nut roast|nut roast mix|nut topping|nut crust',
  ),
  kitchenWord(
    `${NUTS} ?peanut`,
    'nut butter|nut cream|nut milk|nut cheese|nut flour|nut meal|nut mix|chopped nut',
  ),
  kitchenWord(`?peanut ?sesame ?sulphites ${MAYBE_NUTS}`, 'trail mix|student mix|nut and seed mix'),
  kitchenWord('?peanut ?wheat ?mustard ?cashew', 'bombay mix|chevda|chivda'),
  kitchenWord('peanut', 'pb|ground nut|peanut sauce|peanut satay'),
  kitchenWord('peanut ?soy ?wheat ?fish', 'satay sauce|satay'),
  kitchenWord('?peanut ?fish ?egg ?crustacean ?soy ?animal', 'pad thai|gado gado|kung pao'),
  kitchenWord('?peanut ?almond ?sesame', 'mole sauce|mole paste'),
  kitchenWord('almond ?egg ?animal', 'marzipan|marcona|amaretti|almond paste|macaron|ratafia biscuit'),
  kitchenWord('almond ?egg ?milk ?animal', 'frangipane|bakewell'),
  kitchenWord('almond', 'ajo blanco|picada|orgeat|almond meal|amaretto'),
  kitchenWord('?almond ?coconut ?egg ?animal', 'macaroon'),
  kitchenWord(
    'hazelnut ?almond ?milk ?soy ?animal',
    'gianduja|gianduia|chocolate hazelnut spread|choc hazelnut spread|chocolate nut spread|noisette',
  ),
  kitchenWord(`?almond ?hazelnut ?egg ?milk ?pistachio ?animal`, 'nougat|turron|praline|torrone'),
  kitchenWord('brazil-nut', 'brazil'),
  kitchenWord('pine-nut', 'pinoli|pinenut|pinyon nut'),
  kitchenWord('macadamia', 'queensland nut'),
  kitchenWord('?almond ?hazelnut', 'romesco'),
  kitchenWord('?walnut ?sesame', 'muhammara|tarator'),
  kitchenWord('?pine-nut ?cashew ?milk ?walnut ?animal', 'pesto|green pesto|red pesto|vegan pesto|pistou'),
  kitchenWord('?cashew ?milk ?almond ?animal', 'korma paste|korma sauce|pasanda'),
  kitchenWord(
    `?wheat ?walnut ?pistachio ?almond ?hazelnut ?milk ?sesame ?animal`,
    'baklava|kunafa|kataifi|maamoul',
  ),
  kitchenWord('?walnut ?celery ?egg ?animal', 'waldorf'),
  // Seeds.
  kitchenWord(
    'sesame',
    'tahina|taheeni|halwa tahin|benne|gingelly|gingili|til seed|gomasio|gomashio|goma|hummus|houmous|hommus|humous|baba ganoush|baba ganouj|baba ghanoush|moutabal|mutabal|zatar|zahtar|everything bagel|everything bagel seasoning|everything seasoning|shichimi togarashi|togarashi|halva|halvah|halawa',
  ),
  kitchenWord('sesame ?wheat', "za'atar|zaatar"),
  kitchenWord('sesame ?hazelnut ?almond ?pistachio', 'dukkah|duqqa'),
  kitchenWord('sesame ?fish ?soy ?animal', 'furikake'),
  kitchenWord('?sesame ?peanut ?almond', 'mixed seed|seed mix|seed|seed butter'),
  kitchenWord('?sesame ?wheat', 'seed cracker|falafel|falafel mix'),
  kitchenWord('?sesame ?soy', 'rice cake'),
  // Celery, mustard, lupin, sulphites.
  kitchenWord('celery', 'celery root|mirepoix|soffritto|suppengrun|holy trinity'),
  kitchenWord('?celery', 'sofrito|crudite|bouquet garni|vegetable juice|tomato juice cocktail'),
  kitchenWord(
    '?celery ?wheat ?soy ?milk ?mustard ?animal',
    'stock cube|stock powder|stock pot|stock paste|bouillon|bouillon cube|bouillon powder|vegetable stock|veg stock|hot stock|broth',
  ),
  kitchenWord('?celery ?animal', 'stock'),
  kitchenWord('?wheat ?milk ?soy ?celery ?animal', 'gravy granule|gravy powder|gravy mix|gravy browning'),
  kitchenWord(
    'mustard',
    'rai|kasundi|kasaundi|panch phoron|panch puran|sarson|mustard oil|mustard seed|english mustard|french mustard|mustard cress',
  ),
  kitchenWord(
    '?mustard ?sulphites ?celery',
    'piccalilli|chow chow relish|achar|achaar|lime pickle|mango pickle|brinjal pickle|pickling spice',
  ),
  kitchenWord(
    '?mustard ?egg ?milk ?celery ?animal',
    'salad dressing|vinaigrette|coleslaw dressing|french dressing',
  ),
  kitchenWord(
    '?mustard ?celery ?wheat ?sesame',
    'curry powder|curry paste|madras powder|sambar powder|garam masala|ras el hanout|five spice|chinese five spice|mixed spice|spice mix|spice blend|seasoning mix|cajun seasoning|jerk seasoning|taco seasoning|fajita seasoning',
  ),
  kitchenWord('lupin', 'lupini bean|tremoco|tarwi|lupine'),
  kitchenWord(
    '?sulphites',
    'dried apricot|sultana|golden raisin|dried mango|dried pineapple|desiccated coconut|molasses|treacle|blackstrap|bottled lemon juice|bottled lime juice|wine vinegar|sherry vinegar|frozen chip|grape juice|cordial|glace cherry|candied peel|mixed peel|crystallised ginger|dehydrated potato',
  ),
  kitchenWord('?sulphites ?milk ?animal', 'instant mash|instant mashed potato|mash powder'),
  kitchenWord(
    '?sulphites ?egg ?milk ?fish ?animal',
    'wine|white wine|red wine|rose wine|prosecco|champagne|cava|sparkling wine|sherry|marsala|vermouth|port wine|hard cider|dry cider|perry|mead',
  ),
  inLines('?sulphites ?egg ?milk ?fish ?animal', 'port|madeira|cider'),
  kitchenWord('wheat ?animal ?sulphites', 'shaoxing|shaoxing wine|shao hsing'),
  kitchenWord('?wheat ?sulphites', 'mirin|sushi seasoning|sushi vinegar'),
  // Milk.
  kitchenWord(
    'milk animal',
    'dairy|creme|creme fraiche|sour cream|soured cream|half and half|clotted cream|labneh|labne|kashk|ayran|lassi|raita|tzatziki|' +
      'skyr|fromage frais|halloumi|pecorino|parmigiano|grana padano|gruyere|emmental|emmenthal|gouda|edam|brie|camembert|' +
      'stilton|roquefort|gorgonzola|manchego|burrata|provolone|bocconcini|cottage cheese|queso|cotija|khoya|khoa|mawa|' +
      'dulce de leche|ice cream|gelato|kulfi|milkshake|panna cotta|ranch dressing|milk chocolate|white chocolate|fudge|' +
      'evaporated milk|condensed milk|single cream|double cream|whipping cream|whipped cream|heavy cream|squirty cream|' +
      'cream of mushroom|cream of mushroom soup|cream of chicken|cream of tomato soup|mascarpone|wensleydale|lancashire cheese|' +
      'red leicester|taleggio|fontina|havarti|rarebit|fondue|raclette|beurre|smetana|' +
      'goats cheese|goat cheese|creamed spinach|pannacotta|alfredo|mornay|whey powder|milk powder|buttercream|butterscotch sauce',
  ),
  kitchenWord(
    'milk egg animal',
    'hollandaise|bearnaise|lemon curd|orange curd|custard tart|quiche|eggnog|creme brulee|creme patissiere|carbonara',
  ),
  kitchenWord(
    '?milk ?egg ?animal',
    'custard|custard powder|sponge pudding|frosting|caesar|caesar dressing|icing',
  ),
  kitchenWord(
    '?milk ?animal',
    'caramel sauce|caramel|toffee|butterscotch|ganache|pasta sauce|instant soup|fish pie mix',
  ),
  kitchenWord(
    '?milk ?soy ?almond ?hazelnut ?peanut ?animal',
    'chocolate|dark chocolate|plain chocolate|chocolate chip|chocolate drop|cooking chocolate|couverture|drinking chocolate',
  ),
  // Egg.
  kitchenWord(
    'egg animal',
    'eggwash|egg wash|yolk|mayo|aioli|allioli|remoulade|tartare sauce|tartar sauce|salad cream|thousand island|royal icing|royal icing sugar|omelette|omelet|frittata|tortilla espanola|scotch egg|pavlova|advocaat|zabaglione|sabayon|egg fried rice|fried egg|poached egg|scrambled egg|boiled egg',
  ),
  kitchenWord('animal ?egg ?milk', 'marshmallow'),
  // Fish, shellfish.
  kitchenWord(
    'fish animal',
    'haddock|pollock|pollack|hake|mackerel|herring|kipper|trout|halibut|dover sole|lemon sole|plaice|tilapia|catfish|swordfish|' +
      'monkfish|pilchard|whitebait|sprat|eel|caviar|fish roe|bottarga|lox|sea bass|seabass|sea bream|snapper|barramundi|' +
      'katsuobushi|niboshi|nam pla|nuoc mam|nuoc cham|patis|colatura|garum|taramasalata|tarama|fish finger|fish cake|fishcake|' +
      'fish stock|worcestershire|worcester|worcester sauce|worcestershire sauce|bonito|basa|turbot|anchovies|gravlax',
  ),
  kitchenWord(
    '?fish ?crustacean ?animal',
    'kimchi|thai red curry paste|thai green curry paste|thai curry paste|red curry paste|green curry paste|panang paste|xo sauce|nuoc',
  ),
  kitchenWord('?fish', 'dashi'),
  kitchenWord('?peanut ?fish ?crustacean ?animal', 'massaman|massaman paste'),
  kitchenWord(
    '?crustacean ?fish ?animal',
    'tom yum|tom yum paste|laksa|laksa paste|sambal|sambal oelek|bouillabaisse|gumbo base',
  ),
  kitchenWord(
    'crustacean animal',
    'crayfish|crawfish|scampi|belacan|belachan|terasi|trassi|sambal terasi|sambal belacan|kapi|crab stick|crabmeat|prawn cracker|shrimp paste|king prawn|tiger prawn|bisque',
  ),
  kitchenWord(
    '?fish ?crustacean ?mollusc animal',
    'seafood|shellfish|surimi|crabstick|paella mix|fruits de mer',
  ),
  kitchenWord('mollusc animal', 'calamari|abalone|whelk|cockle|winkle|escargot|conch|scallop|oyster sauce'),
  // Meat and what comes from animals.
  kitchenWord(
    'animal',
    'turkey|duck|goose fat|quail|pheasant|partridge|veal|lamb|mutton|gammon|pancetta|prosciutto|guanciale|lardon|chorizo|salami|' +
      'pepperoni|pastrami|venison|rabbit|wild boar|liver|tripe|offal|beef dripping|pork dripping|schmaltz|bone broth|bone marrow|' +
      'aspic|beeswax|bee pollen|oxtail|chicken stock|chicken broth|beef stock|beef broth|meat stock|veal stock|goose|jerky|biltong|' +
      'nduja|mortadella|bresaola|speck|bratwurst|merguez|foie gras|haggis|black pudding|corned beef|steak mince|mincemeat|' +
      'bacon bit|pork scratching|confectioners glaze|manuka|honeycomb|clover honey|hot honey|isinglass|gelatin leaf|beef|pork|chicken|suet|dripping fat',
  ),
  kitchenWord(
    '?animal',
    'jelly powder|jelly cube|jello|gummy|pate|vegan honey|icing sugar|worcester style sauce|bacon flavour',
  ),
  kitchenWord(
    'animal',
    'beef steak|rump steak|sirloin|ribeye|fillet steak|minute steak|steak pie|steak and kidney',
  ),
  inLines('?animal', 'steak'),
  inLines('?sulphites', 'pickled onion|pickled vegetable'),
  kitchenWord('animal mustard', 'honey mustard'),
  kitchenWord('?peanut ?sesame ?soy ?wheat ?almond', 'bliss ball mix'),
  kitchenWord('?soy ?peanut ?sesame', 'oil|cooking oil|frying oil|blended oil'),
  kitchenWord('?peanut', 'arachis oil|groundnut oil|peanut oil|nut oil'),
  kitchenWord(
    'peanut',
    'cold pressed peanut oil|cold pressed groundnut oil|unrefined peanut oil|roasted peanut oil',
  ),
];

/**
 * Names that hold an allergen's word and mean something else: vegetables, tools, colours, sizes of things. What a
 * tool is called says nothing of what is eaten.
 */
export const OTHER_NAMES: readonly string[] = (
  'butter lettuce|butterhead lettuce|butterhead|buttercup squash|butternut pumpkin|butterfly|butterfly pea|buttermilk squash|' +
  'honeydew|honeydew melon|honeynut squash|honeynut|honeycrisp|honeycrisp apple|honeysuckle|honey fungus|' +
  'beef tomato|beefsteak tomato|beefsteak|beefsteak fungus|oxheart tomato|lambs lettuce|lamb lettuce|lambs quarter|' +
  'chicken of the woods|hen of the woods|chicken mushroom|oyster mushroom|king oyster mushroom|king oyster|pink oyster mushroom|' +
  'oyster plant|lobster mushroom|crab apple|crabapple|fat hen|duck potato|goose grass|gooseberry|pig nut|cats ear|' +
  'kidney bean|red kidney bean|kidney shaped|turkey tail|turkish delight|milk thistle|milk cap|cows parsley|cow parsley|cream of tartar|' +
  'egg plant|eggplant|egg timer|egg cup|egg ring|egg slice|egg box|egg carton|egg whisk|egg beater|egg shaped|egg poacher|' +
  'fish slice|fish kettle|fish tweezers|fish mint|butter knife|butter dish|butter bean|bread knife|bread tin|bread board|bread bin|bread pan|' +
  'bread maker|bread machine|breadfruit|breadnut|bread basket|cheese grater|cheesecloth|cheese cloth|cheese wire|cheese board|milk pan|milk frother|' +
  'nut milk bag|nut bag|nut cracker|nutcracker|cream whipper|cream charger|pastry brush|pastry board|pastry cutter|pastry case cutter|' +
  'pastry bag|pastry blender|pastry wheel|pastry cloth|biscuit cutter|biscuit tin|cookie cutter|cookie sheet|cookie tray|cookie scoop|cake tin|cake pan|cake rack|' +
  'cake stand|cake tester|cake board|pizza stone|pizza cutter|pizza wheel|pizza peel|pizza oven|pizza tray|pasta machine|pasta roller|pasta cutter|pasta pot|' +
  'pasta water|noodle basket|noodle water|tortilla press|waffle iron|waffle maker|pancake pan|crepe pan|muffin tin|muffin pan|muffin tray|bun tin|' +
  'burger press|sausage shape|bread flour sieve|flour sieve|flour shaker|oyster knife|crab pick|lobster pick|soup spoon|chicken brick|' +
  'duck egg blue|wheat grass|wheatgrass|water chestnut|chestnut mushroom|chestnut|tiger nut|nutmeg|coconut aminos|flax egg|flaxseed egg|linseed egg|chia egg|' +
  'chickpea egg|aquafaba egg|glutinous rice|glutinous|sticky rice|sweet rice flour|glutinous rice flour|gram flour|barley grass|rye grass|' +
  'monk fruit|cream rice|creaming|creamy|buttery|milky|eggy|nutty|meaty|cheesy|fishy|bready|malty|beery|biscuity|oaty|peanutty|floury|doughy|caramelly|' +
  'scalloped|scalloped potato|ginger beer|root beer|ginger ale|cauliflower steak|celeriac steak|cabbage steak|mushroom steak|aubergine steak|' +
  'water kefir|coconut kefir|coconut yoghurt|coconut yogurt|black salt|kala namak|cocoa|cocoa nib|cacao butter|cocoa butter|apple butter|pear butter|pumpkin butter|' +
  'sunflower seed butter|sunflower butter|pumpkin seed butter|tomato mayo base|kombu dashi|kelp dashi|shiitake dashi|vegan dashi|kombu stock|' +
  'rice paper|rice noodle|glass noodle|cellophane noodle|kelp noodle|konjac noodle|shirataki noodle|mung bean noodle|sweet potato noodle|rice vermicelli|' +
  'corn pasta|maize pasta|rice pasta|chickpea pasta|lentil pasta|pea pasta|bean pasta|corn tortilla|maize tortilla|corn chip|corn cracker|' +
  'rice crumb|corn crumb|corn bread flour|buckwheat|water biscuit tin|brussels|brussel sprout|cream coloured|' +
  'gluten window|gluten development|potato starch|corn starch|maize starch|cornstarch|tapioca starch|rice starch|pea starch|starch water|' +
  'coconut bacon|carrot bacon|rice paper bacon|mushroom bacon|aubergine bacon|sunflower lecithin|rapeseed lecithin|' +
  'fishing|fish out|fished out|stocking|duck down|lamb coloured'
).split('|');

/** What some of those names do hold, where they are not harmless to everyone. */
export const OTHER_NAMES_HOLD: Readonly<Record<string, readonly Substance[]>> = {
  'coconut aminos': ['coconut'],
  'coconut bacon': ['coconut'],
  'coconut kefir': ['coconut'],
  'coconut yoghurt': ['coconut'],
  'coconut yogurt': ['coconut'],
};

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

/** Words of statements that mean something else in a sentence about cooking: they count in lines only. */
export const ONLY_IN_LINES: ReadonlySet<string> = new Set(
  'til|starch|fu|spice|spices|seasoning|brazil|benne|rai|goma|port|halwa|speck|lox|basa|icing|enzymes|glycerol|vegetable fat|dextrin'.split(
    '|',
  ),
);
