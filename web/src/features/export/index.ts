export { ExportDrink } from './ExportDrink';
export { ExportBook } from './ExportBook';
