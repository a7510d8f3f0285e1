export { GlassDrawing } from './GlassDrawing';
export { GlassPanel } from './GlassPanel';
