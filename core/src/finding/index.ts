/** Everything unsure or wrong, as data. */
export { finding, type Finding, type FindingCode, isOpen, worstFirst } from './findings';
