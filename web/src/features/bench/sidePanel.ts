/** What follows the figures on the bench, in a script of its own: the method, the notes, the trials. */
export { MethodPanel } from './method/MethodPanel';
export { SideTabs } from './method/SideTabs';
