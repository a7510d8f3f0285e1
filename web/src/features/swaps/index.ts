export { BringBack } from './BringBack';
export type { Lockable } from './LockStrip';
export { SwapBoard, type Ghost } from './SwapBoard';
