export { useAutosave, type Autosave } from './autosave';
export type { Draft } from './draftHistory';
export { DrinkTitle } from './DrinkTitle';
export { KeepTrial } from './KeepTrial';
export { SaveNotice } from './SaveNotice';
export { TrialList } from './TrialList';
export { useDraft } from './useDraft';
