export { GlassPanel } from './GlassPanel';
