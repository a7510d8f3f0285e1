export { AddBottle } from './AddBottle';
export { ShelfPage } from './ShelfPage';
