export { useSaveState, type Autosave, type SaveState } from './autosave';
export type { Draft } from './draft';
export { DEFAULT_MAKING } from './defaultMaking';
export { resendAbandonedSave, useRecoveredDraft, type RecoveredDraft } from './recovered';
export { rememberReplacedDraft } from './replaced';
export { forgetUnsaved, type TypedInput } from './unsaved';
export { useDraft, type Leftover } from './useDraft';
