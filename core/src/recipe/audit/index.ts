export {
  isTelling,
  knownWords,
  mentionsOf,
  placeWords,
  saidNotIn,
  type Mention,
  type MentionEnd,
} from './audit';
