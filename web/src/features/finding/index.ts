export { NothingCalled } from './NothingCalled';
export { useFound, type Found } from './useFound';
