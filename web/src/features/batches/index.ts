export { BatchesPage } from './BatchesPage';
export { BatchPage } from './BatchPage';
export { BottleLabelPage } from './BottleLabelPage';
export { SavedBatchPage } from './SavedBatchPage';
export { SERVICE_STYLES } from './serviceStyles';
export { ShoppingList } from './ShoppingList';
