export { LayingNotice } from './LayingNotice';
export { useLaying } from './useLaying';
