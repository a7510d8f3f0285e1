export { RebalancePanel } from './RebalancePanel';
export type { Lockable } from './LockStrip';
export type { Ghost, PanelActions } from './panelActions';
export { SwapBoard } from './SwapBoard';
