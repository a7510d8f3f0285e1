export { BatchesPage } from './BatchesPage';
export { BatchPage } from './BatchPage';
export { BottleLabelPage } from './BottleLabelPage';
export { KeptBatchPage } from './KeptBatchPage';
export { TonightPage } from './TonightPage';
