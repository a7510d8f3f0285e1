export { BookPage } from './BookPage';
export { drinksQuery } from './useBook';
