/** Words a line is made of besides amounts and foods. */

/** Words for the form of a food. Those marked EP mean the weight is of the edible portion already. */
export const EDIBLE_FORM_WORDS: ReadonlySet<string> = new Set(
  (
    'peeled trimmed diced chopped sliced grated cubed shredded pitted cored minced crushed shelled hulled picked ' +
    'florets mashed destemmed stemmed torn ribbons halved quartered squeezed deseeded wedges'
  ).split(' '),
);

/** Words of state, to the state they mean. */
export const STATE_WORDS: ReadonlyMap<string, 'dry' | 'cooked' | 'tinned' | 'raw'> = new Map([
  ['dry', 'dry'],
  ['dried', 'dry'],
  ['uncooked', 'dry'],
  ['cooked', 'cooked'],
  ['boiled', 'cooked'],
  ['leftover', 'cooked'],
  ['tinned', 'tinned'],
  ['canned', 'tinned'],
  ['tin', 'tinned'],
  ['can', 'tinned'],
  ['fresh', 'raw'],
  ['raw', 'raw'],
]);

export const SIZE_WORDS: ReadonlyMap<string, 'small' | 'medium' | 'large'> = new Map([
  ['small', 'small'],
  ['little', 'small'],
  ['medium', 'medium'],
  ['large', 'large'],
  ['big', 'large'],
  ['fat', 'large'],
  ['thick', 'large'],
]);

export const HEAPING_WORDS: ReadonlyMap<string, 'level' | 'heaped' | 'scant'> = new Map([
  ['level', 'level'],
  ['heaped', 'heaped'],
  ['heaping', 'heaped'],
  ['rounded', 'heaped'],
  ['generous', 'heaped'],
  ['good', 'heaped'],
  ['scant', 'scant'],
]);

/** Words before a figure that do not change it. */
export const ABOUT_WORDS: ReadonlySet<string> = new Set([
  'about',
  'around',
  'approx',
  'approximately',
  'roughly',
  'circa',
  'ca',
  '~',
]);

/** Phrases taken out of a line before its food is looked for. */
export const PURPOSES: readonly {
  pattern: RegExp;
  means: 'fry' | 'garnish' | 'to-taste' | 'optional' | 'none';
}[] = [
  { pattern: /\b(?:or )?(?:more )?to (?:your )?taste\b/, means: 'to-taste' },
  { pattern: /\bas (?:needed|required)\b/, means: 'to-taste' },
  { pattern: /\bfor (?:shallow |deep |pan )?(?:frying|the pan)\b/, means: 'fry' },
  {
    pattern: /\b(?:for garnish(?:ing)?|to garnish|to serve|for serving|to finish|for sprinkling)\b/,
    means: 'garnish',
  },
  { pattern: /\b(?:optional|if you like|if using)\b/, means: 'optional' },
  { pattern: /\b(?:plus (?:a little )?(?:extra|more)|divided|freshly|at room temperature)\b/, means: 'none' },
];
