export { BookPage } from './BookPage';
export { drinksQuery } from '../../api/queries/book';
