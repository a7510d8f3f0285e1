export { RebalancePanel } from './RebalancePanel';
export type { Lockable } from './LockStrip';
export { SwapBoard, type Ghost } from './SwapBoard';
