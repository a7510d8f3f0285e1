export { CardPage } from './CardPage';
export { MenuSheetPage } from './MenuSheetPage';
