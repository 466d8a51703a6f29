/** The kinds of labels: which parts each carries, and in which order. */
import { LABEL_WORDS } from '../../declaration';
import type { Finding } from '../../finding';
import type { Setter } from '../print';
import { keepText, portionsText, portionText } from './content';
import {
  bold,
  type Layout,
  plain,
  setAllergens,
  setBusiness,
  setCaution,
  setClaims,
  setCode,
  setFacts,
  setIngredients,
  setNamed,
  setNet,
  setTable,
  setTitle,
} from './parts';

/** Counter cards are read from two steps away. */
const COUNTER_TEXT = 14;

function setServing(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  setTitle(set, layout);
  set.text(LABEL_WORDS[content.language].portion(portionText(content)), text);
  set.space(2);
  setTable(set, layout);
  setIngredients(set, layout);
  setAllergens(set, layout);
  setClaims(set, layout);
  setFacts(set, layout);
  set.text(keepText(content), text);
  setBusiness(set, layout);
  setCode(set, content.facts.code, findings);
  setCaution(set, layout);
}

/**
 * All that the law asks of a pack; one that is packed before it is asked for where it is sold carries no panel. US: panel, list,
 * "Contains" and business without anything between (21 CFR 101.2(e)), the net weight at the foot of the panel (101.7(f)).
 */
function setPack(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  const isUs = content.regime === 'us';
  const isRetail = content.kind === 'retail';
  setTitle(set, layout);
  if (!isUs) setNet(set, layout);
  set.space(2);
  if (isUs && isRetail) setTable(set, layout);
  setIngredients(set, layout);
  setAllergens(set, layout);
  if (isUs) setBusiness(set, layout);
  else if (isRetail) {
    setTable(set, layout);
    set.text(portionsText(content), text);
  }
  setClaims(set, layout);
  setFacts(set, layout);
  set.text(keepText(content), text);
  if (!isUs) setBusiness(set, layout);
  setCode(set, content.facts.code, findings);
  if (isUs) setNet(set, layout);
  if (isRetail) setCaution(set, layout);
}

function setComponent(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  set.text(content.title, text * 1.7, 'black');
  set.rule(1.5, 1, 2);
  setFacts(set, { ...layout, text: text * 1.15 });
  set.rule(0.5, 1, 2);
  setNamed(set, content, text);
  setCode(set, content.facts.code, findings);
}

function setCounter(set: Setter, { content, text }: Layout): void {
  const size = Math.max(text, COUNTER_TEXT);
  const words = LABEL_WORDS[content.language];
  set.text(content.title, size * 1.6, 'black');
  set.rule(2, 2, 4);
  setNamed(set, content, size);
  const energy = content.figures[0];
  if (energy) set.text(`${words.portion(portionText(content))}: ${energy.name} ${energy.text}`, size * 0.8);
  for (const claim of content.claims) set.text(claim, size * 0.8, 'bold');
  set.text(words.ask, size * 0.7);
}

function setTray(set: Setter, layout: Layout): void {
  const { content, text } = layout;
  const words = LABEL_WORDS[content.language];
  if (content.facts.group)
    set.paragraph([plain(`${words.forWhom} `, text * 1.2), bold(content.facts.group, text * 1.5)]);
  set.text(content.title, text * 1.35, 'bold');
  set.text(words.portion(portionText(content)), text);
  set.rule(0.5, 1, 2);
  setNamed(set, content, text);
  set.rule(0.5, 1, 2);
  for (const { name, text: said } of content.watch) set.row([plain(name, text)], bold(said, text));
  if (content.facts.texture)
    set.paragraph([plain(`${words.texture}: `, text), bold(content.facts.texture, text)]);
  setFacts(set, layout);
  set.text(words.askDietitian, text);
}

/** Sets one label of its kind, all in one column. */
export function setKind(set: Setter, layout: Layout, findings: Finding[]): void {
  switch (layout.content.kind) {
    case 'serving':
      return setServing(set, layout, findings);
    case 'retail':
    case 'prepacked':
      return setPack(set, layout, findings);
    case 'component':
      return setComponent(set, layout, findings);
    case 'counter':
      return setCounter(set, layout);
    case 'tray':
      return setTray(set, layout);
  }
}
