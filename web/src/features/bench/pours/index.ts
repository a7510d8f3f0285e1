export { AmountField } from './AmountField';
export { contributionsOf, type Contributions } from './contributions';
export { Tour } from './Tour';
export { AddPourPanel } from './AddPourPanel';
export { FixButtons } from './FixButtons';
export { PourDialog } from './PourDialog';
export { PourList } from './PourList';
export { WithoutOptional } from './WithoutOptional';
