export { StockPage } from './StockPage';
export { TasteIngredient } from './TasteIngredient';
