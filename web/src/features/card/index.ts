export { CardPage } from './CardPage';
export { ListPage } from './ListPage';
