export { AddBottle } from './AddBottle';
export { ShelfPage } from './ShelfPage';
export { TastePart } from './TastePart';
