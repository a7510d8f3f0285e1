export { AmountField } from './AmountField';
export { whatEachBrings, type Brings } from './brings';
export { FirstMove } from './FirstMove';
export { LarderPanel } from './LarderPanel';
export { Mends } from './Mends';
export { PourDialog } from './PourDialog';
export { PourList } from './PourList';
export { Without } from './Without';
