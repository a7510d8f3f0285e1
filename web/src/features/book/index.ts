export { BookPage } from './BookPage';
