export { readInLanguages, type LanguageReading } from './read-languages';
export { mendedText, mendedWord } from './ocr';
