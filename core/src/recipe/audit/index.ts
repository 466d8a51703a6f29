export {
  isTelling,
  knownWords,
  mentionsInText,
  mentionsOf,
  placeWords,
  saidNotIn,
  type Mention,
  type TextMention,
  type MentionEnd,
} from './audit';
