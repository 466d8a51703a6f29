/** Every mention of a food in the whole text, taken, absent, answered or open. */
export {
  isTelling,
  knownWords,
  type Mention,
  mentionsInText,
  mentionsOf,
  placeWords,
  saidNotIn,
} from './audit';
