export { isTelling, knownWords, mentionsOf, placeWords, type Mention, type MentionEnd } from './audit';
