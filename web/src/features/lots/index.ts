export { LabelPage } from './LabelPage';
export { LotPage } from './LotPage';
export { LotsPage } from './LotsPage';
export { LogLot } from './LogLot';
