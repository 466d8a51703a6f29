/** Everything unsure or wrong, as data. */
export { finding, type Finding, type FindingCode, isOf, isOpen, worstFirst } from './findings';
