export { AmountField } from './AmountField';
export { contributionsOf, type Contributions } from './contributions';
export { Tour } from './Tour';
export { FixButtons } from './FixButtons';
export { PourList } from './PourList';
export { WithoutOptional } from './WithoutOptional';
