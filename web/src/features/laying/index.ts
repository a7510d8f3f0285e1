export { LayingNotice } from './LayingNotice';
export { takeReplaced } from './replaced';
export { useLaying } from './useLaying';
